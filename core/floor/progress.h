// How far the work is: what follows from the cuttings and from what happened, and from nothing
// else. It is made by the ledger.
#pragma once

#include <limits>
#include <map>
#include <set>

#include "core/floor/event.h"
#include "core/floor/labels.h"

namespace pp::floor {

struct PieceProgress {
  int cutting = 0;
  bool spoiled = false;
  bool spare = false;
  // Of the sheets, what it came off as; of a spare the cut it was cut at, `plan` 0: of the cuts of
  // bars.
  SawnPiece from = {};
  Length length = {}, width = {};   // as measured; zero: not
  std::set<std::string> done = {};  // machining, banding, coats, put in
  bool operator==(const PieceProgress&) const = default;
  bool isUntouched() const { return !spoiled && length == Length{} && done.empty(); }
};

struct CuttingProgress {
  bool givenUp = false;
  int plan = 0;                        // the one in force, 1-based; 0: not taken
  std::vector<int> taken;              // those that went before it and are not taken back, then it
  std::vector<std::set<int>> made;     // per plan, the steps
  std::set<int> bars;                  // the steps of bar cuts that are made
  std::set<SawnPiece> bench;           // the pieces of sheets that lie there
  std::map<SawnPiece, SawnPiece> was;  // of sheets of a later plan: the piece that was taken for it
  std::map<std::string, SawnPiece> returned;  // leftovers that went to the rack, by their names
  bool operator==(const CuttingProgress&) const = default;

  const std::set<int>& madeOf(int plan) const;    // none for a plan that there is not
  std::map<SawnPiece, SawnPiece> became() const;  // `was` the other way round
};

// An event that cannot have happened as things were; it has no effect.
struct Ignored {
  std::int64_t seq = 0;
  std::string why;
  bool operator==(const Ignored&) const = default;
};

// What can be taken back at the saw, in the order in which it was done.
struct Act {
  enum class Kind { Cut, Spare, Plan };
  Kind kind = Kind::Cut;
  int cutting = 0, plan = 0, step = 0;  // as of the event
  std::optional<PieceId> spare;
  bool operator==(const Act&) const = default;
};

struct Progress {
  std::map<int, CuttingProgress> cuttings;
  std::map<PieceId, PieceProgress> pieces;           // that are cut
  std::map<std::string, std::int64_t> running;       // clocks that run, since when
  std::map<std::string, std::int64_t> milliseconds;  // clocks, what they have run
  std::map<Labelled, LabelCount> labels;
  std::vector<Act> acts;  // but for what was taken back
  std::int64_t mishaps = 0;
  std::vector<Ignored> ignored;
  bool operator==(const Progress&) const = default;

  // Whether the cutting was taken, with its record complete, and not given up.
  bool isUnderWay(int cutting) const;
  // Cut and not spoiled; of one cutting alone.
  std::int64_t good(const std::string& code) const;
  std::int64_t good(const std::string& code, int cutting) const;
  // Calls `see` with the state of every piece of a code.
  template <class See>
  void eachOf(const std::string& code, const See& see) const {
    constexpr std::int64_t kLeast = std::numeric_limits<std::int64_t>::min();
    for (auto at = pieces.lower_bound({code, kLeast}); at != pieces.end() && at->first.code == code;
         ++at)
      see(at->second);
  }
};

}  // namespace pp::floor
