// The anytime search on one group: ruin and recreate towards a goal cost.
#pragma once

#include <functional>
#include <memory>

#include "core/nest/arrangement.h"

namespace pp::nest {

// Looks for ever cheaper complete arrangements of one group. Deterministic by seed and steps.
// Used by one thread at a time.
class Search {
 public:
  // The arrangement to start from may leave blocks in the pool when the stock is short.
  Search(const Group& group, Cost bound, Arrangement start, std::uint64_t seed);

  // The best so far: all placed at the least cost; where that is impossible, least left in the
  // pool.
  const Arrangement& best() const { return best_; }
  Cost bestCost() const { return bestCost_; }
  bool settled() const {
    return settled_;
  }  // the bound is met, or no cheaper choice of sheets is left

  // Up to `steps` iterations; `stop` is asked every few. True when the best changed.
  bool run(std::int64_t steps, const std::function<bool()>& stop);

  // Takes over another search's better result. False where it is not better.
  bool adopt(const Arrangement& other);

  // A varied complete arrangement of the least cost with its waste gathered, for the goals that
  // look at leftovers and settings; empty until one was found that differs from the last.
  bool gather(std::int64_t steps, const std::function<bool()>& stop, Arrangement& out);

 private:
  struct Target {
    std::vector<std::int64_t> counts;
    Cost cost = 0;
    double slack = 0;  // area to spare
    int tries = 0;
  };

  void retarget();
  void begin(const Target& target);
  bool iterate(bool gathering);
  void ruin(std::size_t howMany);
  void removeFrom(std::size_t sheet, std::size_t howMany);
  void recreate();
  double objective() const;
  double gathered(const SlackTree& sheet) const;
  void save(std::size_t sheet);
  void restore();
  void takeBest();
  bool better(const Arrangement& other) const;

  const Group& group_;
  Cost bound_;
  Random random_;
  Arrangement best_;
  Cost bestCost_ = 0;
  bool settled_ = false;

  Arrangement now_;
  double nowValue_ = 0;
  std::vector<double> history_;
  std::size_t historyAt_ = 0;
  std::vector<Target> targets_;
  std::size_t target_ = 0;
  std::int64_t stepsOnTarget_ = 0;

  // What one iteration changed, to take it back.
  std::vector<std::pair<std::size_t, SlackTree>> saved_;
  std::size_t savedCount_ = 0;
  std::vector<char> isSaved_;
  std::vector<int> savedPool_;
  double savedPoolArea_ = 0;
  std::vector<double> fill_;  // placed area per sheet
  std::vector<double> savedFill_;
};

}  // namespace pp::nest
