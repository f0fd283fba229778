#include "core/job/ids.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
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
  for (Obstacle& obstacle : job.site.obstacles) give(obstacle.id);
}

Assembly withoutIds(Assembly assembly) {
  eachIdIn(assembly, [](Id& id) { id = 0; });
  if (auto* boards = std::get_if<Boards>(&assembly.body))
    for (std::size_t i = 0; i < boards->boards.size(); ++i) boards->boards[i].id = 0;
  return assembly;
}

namespace {

std::vector<Id> idsOf(const Assembly& assembly) {
  std::vector<Id> out;
  eachIdIn(assembly, [&out](Id id) { out.push_back(id); });
  if (const Boards* boards = boardsOf(assembly))
    for (const LooseBoard& board : boards->boards) out.push_back(board.id);
  return out;
}

}  // namespace

void addCopy(Job& job, const Assembly& original, const std::vector<PartOverride>& choices,
             const std::string& code) {
  const std::vector<Id> from = idsOf(original);
  const Id assembly = original.id;
  const std::vector<PartOverride> known = choices;  // may be the job's own
  Assembly copy = withoutIds(original);
  copy.code = code;
  job.assemblies.push_back(std::move(copy));
  giveIds(job);
  const Assembly& added = std::as_const(job).assemblies[job.assemblies.size() - 1];
  const std::vector<Id> to = idsOf(added);
  std::map<Id, Id> renamed;
  for (std::size_t i = 0; i < std::min(from.size(), to.size()); ++i)
    if (from[i] != 0) renamed[from[i]] = to[i];
  for (PartOverride one : known) {
    if (assembly == 0 || one.part.assembly != assembly) continue;
    const auto rename = [&](PartKey& key) {
      key.assembly = added.id;
      if (const auto at = renamed.find(key.opening); at != renamed.end()) key.opening = at->second;
    };
    rename(one.part);
    // What runs on from a part of another assembly does so there only.
    if (one.follows && one.follows->assembly != assembly)
      one.follows.reset();
    else if (one.follows)
      rename(*one.follows);
    job.overrides.push_back(std::move(one));
  }
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

namespace {

// Calls `see` with every id of the job and the list and row that it stands in.
template <class See>
void eachIdOf(const Job& job, const See& see) {
  const auto rows = [&see](const char* list, const auto& all) {
    for (std::size_t i = 0; i < all.size(); ++i) see(all[i].id, list, i);
  };
  for (std::size_t i = 0; i < job.assemblies.size(); ++i) {
    const auto here = [&see, i](Id id) { see(id, "assemblies", i); };
    eachIdIn(job.assemblies[i], here);
    if (const Boards* boards = boardsOf(job.assemblies[i]))
      for (const LooseBoard& board : boards->boards) here(board.id);
  }
  rows("loose", job.loose);
  rows("stock", job.stock);
  rows("slides", job.slides);
  rows("shop/machines", job.shop.machines);
  rows("site/obstacles", job.site.obstacles);
}

}  // namespace

std::vector<Id> allIds(const Job& job) {
  std::vector<Id> out;
  eachIdOf(job, [&out](Id id, const char*, std::size_t) {
    if (id != 0) out.push_back(id);
  });
  std::sort(out.begin(), out.end());
  return out;
}

Problems idProblems(const Job& job) {
  Problems problems;
  std::set<Id> seen;
  eachIdOf(job, [&](Id id, const char* list, std::size_t row) {
    const auto add = [&](std::string found, std::string expected) {
      problems.push_back(
          {{}, 0, fmt::format("/{}/{}", list, row), std::move(found), std::move(expected)});
    };
    if (id == 0) return;  // not given yet
    if (id < 0 || id > job.lastId)
      add(fmt::format("the id {}", id),
          fmt::format("one from 1 to {}, the last that was given", job.lastId));
    else if (!seen.insert(id).second)
      add(fmt::format("the id {} a second time", id), "its own id");
  });
  return problems;
}

}  // namespace pp
