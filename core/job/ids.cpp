#include "core/job/ids.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>
#include <utility>

namespace pp {
namespace {

// Calls `see` with every id of an opening and of what is in it. An opening that is divided has none
// of its own.
template <class AnyOpening, class See>
void eachIdIn(AnyOpening& opening, const See& see) {
  if (auto* split = std::get_if<Split>(&opening.content)) {
    for (auto& child : split->children) eachIdIn(child, see);
    return;
  }
  see(opening.id);
  if (auto* bank = std::get_if<DrawerBank>(&opening.content))
    for (auto& front : bank->fronts) see(front.id);
}

// The same of an assembly but for its boards, which are rows that may be shared.
template <class AnyAssembly, class See>
void eachIdIn(AnyAssembly& assembly,
              const See& see) requires(std::is_same_v<std::remove_const_t<AnyAssembly>, Assembly>) {
  see(assembly.id);
  if (auto* carcass = std::get_if<Carcass>(&assembly.body)) eachIdIn(carcass->inside, see);
}

const Boards* boardsOf(const Assembly& assembly) {
  return std::get_if<Boards>(&assembly.body);
}

bool lacksIds(const LooseBoard& board) {
  return board.id == 0;
}

bool lacksIds(const StockPiece& piece) {
  return piece.id == 0;
}

bool lacksIds(const Opening& opening) {
  if (const auto* split = std::get_if<Split>(&opening.content))
    return opening.id != 0 || std::any_of(split->children.begin(), split->children.end(),
                                          [](const Opening& child) { return lacksIds(child); });
  const auto* bank = std::get_if<DrawerBank>(&opening.content);
  return opening.id == 0 ||
         (bank != nullptr && std::any_of(bank->fronts.begin(), bank->fronts.end(),
                                         [](const Share& front) { return front.id == 0; }));
}

bool lacksIds(const Assembly& assembly) {
  if (assembly.id == 0) return true;
  if (assembly.isCarcass()) return lacksIds(assembly.carcass().inside);
  const Boards* boards = boardsOf(assembly);
  return boards != nullptr && std::any_of(boards->boards.begin(), boards->boards.end(),
                                          [](const LooseBoard& one) { return lacksIds(one); });
}

void noIdWhereDivided(Opening& opening) {
  auto* split = std::get_if<Split>(&opening.content);
  if (split == nullptr) return;
  opening.id = 0;
  for (Opening& child : split->children) noIdWhereDivided(child);
}

class Giver {
 public:
  explicit Giver(Id& last) : last_(last) {}

  void operator()(Id& id) const {
    if (id == 0) id = ++last_;
  }
  void operator()(Assembly& assembly) const {
    if (assembly.isCarcass()) noIdWhereDivided(assembly.carcass().inside);
    eachIdIn(assembly, *this);
    if (boardsOf(assembly) != nullptr) rows(std::get<Boards>(assembly.body).boards);
  }
  void operator()(LooseBoard& board) const { (*this)(board.id); }
  void operator()(StockPiece& piece) const { (*this)(piece.id); }

  // Only rows that lack an id become rows of their own.
  template <class T>
  void rows(SharedRows<T>& list) const {
    for (std::size_t i = 0; i < list.size(); ++i)
      if (lacksIds(std::as_const(list)[i])) (*this)(list[i]);
  }

 private:
  Id& last_;
};

}  // namespace

void giveIds(Job& job) {
  const Giver give(job.lastId);
  give.rows(job.assemblies);
  give.rows(job.loose);
  give.rows(job.stock);
  for (Slide& slide : job.slides) give(slide.id);
  for (Machine& machine : job.shop.machines) give(machine.id);
}

Assembly withoutIds(Assembly assembly) {
  eachIdIn(assembly, [](Id& id) { id = 0; });
  if (auto* boards = std::get_if<Boards>(&assembly.body))
    for (std::size_t i = 0; i < boards->boards.size(); ++i) boards->boards[i].id = 0;
  return assembly;
}

const Assembly* findAssembly(const Job& job, Id id) {
  const auto at = std::find_if(job.assemblies.begin(), job.assemblies.end(),
                               [id](const Assembly& one) { return one.id == id; });
  return at == job.assemblies.end() ? nullptr : &*at;
}

const StockPiece* findStock(const Job& job, Id id) {
  const auto at = std::find_if(job.stock.begin(), job.stock.end(),
                               [id](const StockPiece& one) { return one.id == id; });
  return at == job.stock.end() ? nullptr : &*at;
}

Id firstOpening(const Opening& opening) {
  const Opening* at = &opening;
  while (const auto* split = std::get_if<Split>(&at->content)) {
    if (split->children.empty()) return 0;
    at = &split->children.front();
  }
  return at->id;
}

std::vector<Id> allIds(const Job& job) {
  std::vector<Id> out;
  const auto see = [&out](const Id& id) {
    if (id != 0) out.push_back(id);
  };
  for (const Assembly& assembly : job.assemblies) {
    eachIdIn(assembly, see);
    if (const Boards* boards = boardsOf(assembly))
      for (const LooseBoard& board : boards->boards) see(board.id);
  }
  for (const LooseBoard& board : job.loose) see(board.id);
  for (const StockPiece& piece : job.stock) see(piece.id);
  for (const Slide& slide : job.slides) see(slide.id);
  for (const Machine& machine : job.shop.machines) see(machine.id);
  std::sort(out.begin(), out.end());
  return out;
}

Problems idProblems(const Job& job) {
  Problems problems;
  std::set<Id> seen;
  const auto see = [&](const std::string& at) {
    return [&problems, &seen, &job, at](const Id& id) {
      if (id == 0) return;  // not given yet
      if (id < 0 || id > job.lastId)
        problems.push_back({{},
                            0,
                            at,
                            fmt::format("the id {}", id),
                            fmt::format("one from 1 to {}, the last that was given", job.lastId)});
      else if (!seen.insert(id).second)
        problems.push_back({{}, 0, at, fmt::format("the id {} a second time", id), "its own id"});
    };
  };
  for (std::size_t i = 0; i < job.assemblies.size(); ++i) {
    const Assembly& assembly = job.assemblies[i];
    const auto here = see(fmt::format("/assemblies/{}", i));
    eachIdIn(assembly, here);
    if (const Boards* boards = boardsOf(assembly))
      for (const LooseBoard& board : boards->boards) here(board.id);
  }
  for (std::size_t i = 0; i < job.loose.size(); ++i)
    see(fmt::format("/loose/{}", i))(job.loose[i].id);
  for (std::size_t i = 0; i < job.stock.size(); ++i)
    see(fmt::format("/stock/{}", i))(job.stock[i].id);
  for (std::size_t i = 0; i < job.slides.size(); ++i)
    see(fmt::format("/slides/{}", i))(job.slides[i].id);
  for (std::size_t i = 0; i < job.shop.machines.size(); ++i)
    see(fmt::format("/shop/machines/{}", i))(job.shop.machines[i].id);
  return problems;
}

}  // namespace pp
