// What is done to the pieces at the bench, worked off in groups: the machining of a setting, the
// strips of a roll.
#pragma once

#include <map>
#include <unordered_map>
#include <utility>

#include "core/floor/at_saw.h"
#include "core/floor/pieces.h"

namespace pp::bench {

class Worklist {
 public:
  // What is done to pieces of a row.
  struct Work {
    std::size_t row = 0;  // of the pieces
    std::string name;     // as the record has it: of this part and no other work of it
    std::optional<std::vector<std::int64_t>> numbers = {};  // of which of them; none: all
    // By number: what else has to be cut first, where the piece stands for more than itself.
    std::map<std::int64_t, std::vector<PieceId>> with = {};
    std::string before = {};  // as an older version would have noted it; empty: as now
  };
  // One of them at one piece.
  struct Step {
    std::size_t group = 0, work = 0;
    PieceId piece;
  };
  enum class State { NotCut, Ready, Done };

  // `kind`: of the events that it is done.
  Worklist(EventKind kind, std::vector<Pieces> pieces, std::vector<std::vector<Work>> groups);

  const std::vector<Pieces>& pieces() const { return pieces_; }
  const std::vector<std::vector<Work>>& groups() const { return groups_; }
  const std::vector<Step>& steps() const { return steps_; }
  const Work& work(const Step& step) const { return groups_[step.group][step.work]; }
  const Part& part(const Step& step) const { return pieces_[work(step).row].part; }
  EventKind kind() const { return kind_; }

  // Not cut: the piece, or something that goes with it.
  State state(const Step& step, const floor::Progress& progress) const;
  // The first that is ready, in the order of the list; from that one on where one is given, so that
  // a group is finished before the next is begun.
  std::optional<std::size_t> next(const floor::Progress& progress, std::size_t from = 0) const;
  // Steps done, of a group or of all.
  floor::Count done(const floor::Progress& progress,
                    std::optional<std::size_t> group = std::nullopt) const;
  // Steps that are ready, counted by piece: in next to no time however many there are.
  std::int64_t ready(const floor::Progress& progress) const;
  // Steps of a group that are ready.
  std::vector<std::size_t> readyAt(std::size_t group, const floor::Progress& progress) const;
  // The first of a group.
  std::optional<std::size_t> firstOf(std::size_t group) const;
  // What is next for a piece, by what is typed or scanned. The first that is not done, else the
  // last; none: nothing is done to what is called so. `job`: its id.
  std::optional<std::size_t> find(const std::string& words, const std::string& job,
                                  const floor::Progress& progress) const;
  // Whether it is noted as done, in whatever version.
  static bool isDone(const Work& work, const floor::PieceProgress& piece) {
    return piece.done.count(work.name) > 0 ||
           (!work.before.empty() && piece.done.count(work.before) > 0);
  }
  // The event that it is done, and whether one says so of something of the list.
  Event done(const Step& step) const;
  bool isOf(const Event& event) const;

 private:
  static bool isThere(const Work& work, std::int64_t number, const floor::Progress& progress);
  EventKind kind_;
  std::vector<Pieces> pieces_;
  std::vector<std::vector<Work>> groups_;
  std::vector<Step> steps_;
  // By code: the group and work of each.
  std::unordered_map<std::string, std::vector<std::pair<std::size_t, std::size_t>>> worksOf_;
};

// The last that was done of a list and still holds; null: there is none.
const Event* lastDone(const Worklist& list, const std::vector<Event>& events,
                      const floor::Progress& progress);

}  // namespace pp::bench
