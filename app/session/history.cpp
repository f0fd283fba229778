#include "app/session/history.h"

#include <algorithm>
#include <utility>

#include "core/job/ids.h"

namespace pp {
namespace {

std::size_t bytesOf(const Opening& opening) {
  std::size_t out = sizeof(Opening);
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content))
    out += bank->fronts.size() * sizeof(Share);
  if (const auto* split = std::get_if<Split>(&opening.content)) {
    out += split->sizes.size() * sizeof(Share);
    for (const Opening& child : split->children) out += bytesOf(child);
  }
  return out;
}

std::size_t bytesOf(const StockPiece& piece) {
  return sizeof(StockPiece) + piece.mark.capacity() + piece.material.capacity() +
         piece.lot.capacity();
}

std::size_t bytesOf(const LooseBoard& board) {
  return sizeof(LooseBoard) + board.name.capacity() + board.material.capacity() +
         board.features.size() * sizeof(Feature);
}

std::size_t bytesOf(const AssemblyCodes& codes) {
  return sizeof(AssemblyCodes) + codes.parts.size() * (sizeof(PartNumbers) + sizeof(int));
}

std::size_t bytesOf(const Assembly& assembly);

template <class T>
std::size_t bytesOf(const SharedRows<T>& rows, const SharedRows<T>* before) {
  constexpr std::size_t kPointer = 2 * sizeof(void*);
  std::size_t out = rows.size() * kPointer;
  for (std::size_t i = 0, k = 0; i < rows.size(); ++i) {
    // Rows that were put in or taken out shift the others: look a little further on.
    constexpr std::size_t kAhead = 8;
    bool shared = false;
    for (std::size_t j = k;
         before != nullptr && !shared && j < std::min(k + kAhead, before->size()); ++j)
      if (rows.sharesRow(i, *before, j)) {
        shared = true;
        k = j + 1;
      }
    if (shared) continue;
    if (before != nullptr && rows.size() <= before->size()) ++k;
    constexpr std::size_t kBlock = 32;  // what keeps count of the shares
    out += kBlock + bytesOf(rows[i]);
  }
  return out;
}

std::size_t bytesOf(const Assembly& assembly) {
  std::size_t out = sizeof(Assembly) + assembly.code.capacity() + assembly.name.capacity();
  if (assembly.isCarcass()) out += bytesOf(assembly.carcass().inside);
  if (const auto* boards = std::get_if<Boards>(&assembly.body))
    out += bytesOf<LooseBoard>(boards->boards, nullptr);
  return out;
}

}  // namespace

std::size_t ownBytes(const Job& job, const Job& before) {
  return sizeof(Job) + job.materials.size() * sizeof(Material) +
         job.bandings.size() * sizeof(Banding) + job.slides.size() * sizeof(Slide) +
         job.bought.size() * sizeof(BoughtIn) + job.overrides.size() * sizeof(PartOverride) +
         job.pins.size() * sizeof(JobPin) + job.gluing.size() * sizeof(JointGluing) +
         job.moved.size() * sizeof(MovedStep) + job.shop.machines.size() * sizeof(Machine) +
         bytesOf(job.assemblies, &before.assemblies) + bytesOf(job.loose, &before.loose) +
         bytesOf(job.stock, &before.stock) + bytesOf(job.codes, &before.codes);
}

History::History(std::shared_ptr<const Job> job, std::size_t mostBytes) : mostBytes_(mostBytes) {
  lastId_ = job->lastId;
  states_.push_back({std::move(job), {}, 0, 0});
  saved_ = 0;
}

void History::push(std::string what, std::shared_ptr<const Job> job) {
  while (canRedo()) {
    bytes_ -= states_.back().bytes;
    states_.pop_back();
  }
  lastId_ = std::max(lastId_, job->lastId);
  const std::size_t own = ownBytes(*job, *now());
  states_.push_back({std::move(job), std::move(what), next_++, own});
  bytes_ += own;
  ++at_;
  while (bytes_ > mostBytes_ && at_ > 1) {
    states_.pop_front();
    bytes_ -= states_.front().bytes;
    states_.front().bytes = 0;
    --at_;
  }
}

void History::setJobId(const std::string& id) {
  for (State& state : states_) {
    Job job = *state.job;
    job.id = id;
    state.job = std::make_shared<const Job>(std::move(job));
  }
}

void History::keepCodes(const std::vector<Id>& assemblies) {
  const std::shared_ptr<const Job> now = this->now();
  for (State& state : states_) {
    std::optional<Job> changed;
    for (const Id id : assemblies) {
      const Assembly* kept = findAssembly(*now, id);
      const Job& job = changed ? *changed : *state.job;
      const Assembly* there = findAssembly(job, id);
      if (kept == nullptr || there == nullptr || there->code == kept->code) continue;
      const std::string other = there->code;
      if (!changed) changed = *state.job;
      for (std::size_t i = 0; i < changed->assemblies.size(); ++i) {
        const Assembly& row = std::as_const(*changed).assemblies[i];
        if (row.id == id)
          changed->assemblies[i].code = kept->code;
        else if (row.code == kept->code)
          changed->assemblies[i].code = other;
      }
    }
    if (!changed) continue;
    state.job = std::make_shared<const Job>(std::move(*changed));
    if (saved_ == state.number) saved_.reset();  // its file has the old code
  }
}

}  // namespace pp
