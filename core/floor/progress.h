// How far the work is: what follows from the cuttings and from what happened, and from nothing
// else.
#pragma once

#include <map>
#include <memory>
#include <set>

#include "core/floor/event.h"
#include "core/floor/labels.h"

namespace pp::floor {

struct PieceProgress {
  int cutting = 0;
  bool spoiled = false;
  bool spare = false;
  Length length = {}, width = {};   // as measured; zero: not
  std::set<std::string> done = {};  // machining, banding, coats, put in
  bool operator==(const PieceProgress&) const = default;
};

struct CuttingProgress {
  bool givenUp = false;
  int plan = 0;                     // the one that holds, 1-based; 0: not taken
  std::vector<std::set<int>> made;  // per plan, the steps
  std::set<int> bars;               // the steps of bar cuts that are made
  std::set<std::string> bench;      // the pieces of sheets that lie there
  std::set<std::string> returned;   // leftovers that went to the rack, by their ids
  bool operator==(const CuttingProgress&) const = default;
};

// An event that cannot have happened as things were; it has no effect.
struct Ignored {
  std::int64_t seq = 0;
  std::string why;
  bool operator==(const Ignored&) const = default;
};

struct Progress {
  std::map<int, CuttingProgress> cuttings;
  std::map<PieceId, PieceProgress> pieces;           // that are cut
  std::map<std::string, std::int64_t> running;       // clocks that run, since when
  std::map<std::string, std::int64_t> milliseconds;  // clocks, what they have run
  std::map<Labelled, LabelCount> labels;
  std::int64_t mishaps = 0;
  std::vector<Ignored> ignored;
  bool operator==(const Progress&) const = default;

  // Whether the cutting was taken, with its record complete, and not given up.
  bool isUnderWay(int cutting) const;
  // Cut and not spoiled.
  std::int64_t good(const std::string& code) const;
};

// Folds events one after the other, each in next to no time.
class Fold {
 public:
  // They are kept by reference, and stay as they are.
  explicit Fold(const std::vector<Cutting>& cuttings);
  ~Fold();
  // What the event does; or why it cannot have happened, and nothing is done.
  std::string apply(const Event& event);
  // All of them; those that cannot have happened are named in what follows.
  void take(const std::vector<Event>& events);
  // The same object, further on each time.
  const Progress& now() const;

 private:
  struct Inner;
  std::unique_ptr<Inner> inner_;
};

// Every beginning of the list of events gives the state after it. A cutting without its event was
// never taken; a plan without its event is none.
Progress progress(const std::vector<Cutting>& cuttings, const std::vector<Event>& events);

}  // namespace pp::floor
