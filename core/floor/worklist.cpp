#include "core/floor/worklist.h"

#include <algorithm>
#include <utility>

namespace pp::bench {

Worklist::Worklist(EventKind kind, std::vector<Pieces> pieces,
                   std::vector<std::vector<Work>> groups)
    : kind_(kind), pieces_(std::move(pieces)), groups_(std::move(groups)) {
  for (std::size_t i = 0; i < groups_.size(); ++i)
    for (std::size_t k = 0; k < groups_[i].size(); ++k) {
      const Work& work = groups_[i][k];
      const Pieces& of = pieces_[work.row];
      for (const std::int64_t number : work.numbers ? *work.numbers : of.numbers)
        steps_.push_back({i, k, {of.part.code, number}});
      worksOf_[of.part.code].emplace_back(i, k);
    }
}

bool Worklist::isThere(const Work& work, std::int64_t number, const floor::Progress& progress) {
  const auto with = work.with.find(number);
  return with == work.with.end() ||
         std::all_of(with->second.begin(), with->second.end(), [&](const PieceId& piece) {
           const auto at = progress.pieces.find(piece);
           return at != progress.pieces.end() && !at->second.spoiled;
         });
}

Worklist::State Worklist::state(const Step& step, const floor::Progress& progress) const {
  const auto at = progress.pieces.find(step.piece);
  if (at == progress.pieces.end()) return State::NotCut;
  if (isDone(work(step), at->second)) return State::Done;
  return isThere(work(step), step.piece.number, progress) ? State::Ready : State::NotCut;
}

std::optional<std::size_t> Worklist::next(const floor::Progress& progress, std::size_t from) const {
  for (std::size_t k = 0; k < steps_.size(); ++k) {
    const std::size_t i = (from + k) % steps_.size();
    if (state(steps_[i], progress) == State::Ready) return i;
  }
  return std::nullopt;
}

floor::Count Worklist::done(const floor::Progress& progress,
                            std::optional<std::size_t> group) const {
  floor::Count out;
  for (const Step& step : steps_) {
    if (group && step.group != *group) continue;
    ++out.of;
    if (state(step, progress) == State::Done) ++out.done;
  }
  return out;
}

std::int64_t Worklist::ready(const floor::Progress& progress) const {
  std::int64_t out = 0;
  for (const auto& [piece, state] : progress.pieces) {
    if (state.spoiled) continue;
    const auto at = worksOf_.find(piece.code);
    if (at == worksOf_.end()) continue;
    for (const auto& [group, k] : at->second) {
      const Work& work = groups_[group][k];
      const bool isOf = !work.numbers || std::find(work.numbers->begin(), work.numbers->end(),
                                                   piece.number) != work.numbers->end();
      if (isOf && !isDone(work, state) && isThere(work, piece.number, progress)) ++out;
    }
  }
  return out;
}

std::vector<std::size_t> Worklist::readyAt(std::size_t group,
                                           const floor::Progress& progress) const {
  std::vector<std::size_t> out;
  for (std::size_t i = 0; i < steps_.size(); ++i)
    if (steps_[i].group == group && state(steps_[i], progress) == State::Ready) out.push_back(i);
  return out;
}

std::optional<std::size_t> Worklist::firstOf(std::size_t group) const {
  const auto at = std::find_if(steps_.begin(), steps_.end(),
                               [&](const Step& step) { return step.group == group; });
  if (at == steps_.end()) return std::nullopt;
  return static_cast<std::size_t>(at - steps_.begin());
}

std::optional<std::size_t> Worklist::find(const std::string& words, const std::string& job,
                                          const floor::Progress& progress) const {
  const PieceId wanted = pieceMeant(words, job, pieces_);
  std::optional<std::size_t> last;
  for (std::size_t i = 0; i < steps_.size(); ++i) {
    const PieceId& piece = steps_[i].piece;
    if (piece.code != wanted.code || (wanted.number != 0 && piece.number != wanted.number))
      continue;
    if (state(steps_[i], progress) != State::Done) return i;
    last = i;
  }
  return last;
}

Event Worklist::done(const Step& step) const {
  Event out;
  out.kind = kind_;
  out.piece = step.piece;
  out.name = work(step).name;
  return out;
}

bool Worklist::isOf(const Event& event) const {
  if (event.kind != kind_ || !event.piece) return false;
  const auto at = worksOf_.find(event.piece->code);
  return at != worksOf_.end() &&
         std::any_of(at->second.begin(), at->second.end(), [&](const auto& work) {
           const Work& of = groups_[work.first][work.second];
           return of.name == event.name || (!of.before.empty() && of.before == event.name);
         });
}

const Event* lastDone(const Worklist& list, const std::vector<Event>& events,
                      const floor::Progress& progress) {
  std::multiset<std::pair<PieceId, std::string>> takenBack;
  for (auto event = events.rbegin(); event != events.rend(); ++event) {
    if (!event->piece) continue;
    const std::pair key(*event->piece, event->name);
    if (event->kind == EventKind::DoneTakenBack) takenBack.insert(key);
    if (!list.isOf(*event)) continue;
    if (const auto at = takenBack.find(key); at != takenBack.end()) {
      takenBack.erase(at);
      continue;
    }
    const auto piece = progress.pieces.find(*event->piece);
    if (piece != progress.pieces.end() && piece->second.done.count(event->name) > 0) return &*event;
  }
  return nullptr;
}

}  // namespace pp::bench
