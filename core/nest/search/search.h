// The anytime search on one group: ruin and recreate towards a goal cost, with late acceptance
// (Burke & Bykov 2017).
#pragma once

#include <functional>

#include "core/nest/bounds/bound.h"
#include "core/nest/sheet/arrangement.h"

namespace pp::nest {

// What a keepable leftover must reach, inflated.
struct Keepable {
  Nm longSide = 0, shortSide = 0;
};

// What the search improves once the cost cannot be lowered; everything stays placed.
enum class Aim {
  Gather,    // full sheets beside empty ones
  Leftover,  // the largest keepable leftover of every sheet, summed
};

// Looks for ever cheaper complete arrangements. Deterministic by seed and steps. Used by one thread
// at a time.
class Search {
 public:
  using Stop = std::function<bool()>;

  // For gather(), shrink() and fill() only.
  Search(const Group& group, std::uint64_t seed);
  // The arrangement to start from may leave blocks in the pool when the stock is short. `available`
  // limits the sheets per stock row; it covers what `start` uses. A short history of the late
  // acceptance finds the easy plans sooner, a long one the hard plans at all.
  Search(const Group& group, std::vector<std::int64_t> available, Arrangement start,
         std::uint64_t seed, std::size_t historyLength = kShortHistory);
  static constexpr std::size_t kShortHistory = 200;
  static constexpr std::size_t kLongHistory = 1'000;

  // The best so far: all placed at the least cost; where that is impossible, least in the pool.
  const Arrangement& best() const { return best_; }
  Cost bestCost() const { return bestCost_; }
  // The bound is met, or no cheaper choice of sheets is left.
  bool settled() const { return settled_; }

  // No arrangement costs less, and any choice of sheets meets the conditions.
  void setBound(Cost bound, const std::vector<Condition>& conditions);

  // Up to `steps` iterations; `stop` is asked every few. True when the best changed.
  bool run(std::int64_t steps, const Stop& stop);
  std::int64_t iterations() const { return iterations_; }

  // Takes over another search's better result. False where it is not better.
  bool adopt(const Arrangement& other);

  // A complete arrangement on the sheets of the best that serves the aim better than `from`, which
  // it replaces, by up to `steps` iterations. False when none was found.
  bool gather(Aim aim, Keepable keep, std::int64_t steps, const Stop& stop, Arrangement& from);

  // Works on the sheets and the pool of an arrangement, to get the pool smaller, for `steps`
  // iterations or until it is empty; leaves it as it then is.
  void shrink(std::int64_t steps, const Stop& stop, Arrangement& from);

  // Fills one sheet from a pool, to be worth the most at these prices a block, for `steps`
  // iterations; `seen` gets every sheet on the way that is worth more than `least`.
  void fill(const std::vector<double>& prices, double least, std::int64_t steps, const Stop& stop,
            SlackTree sheet, std::vector<int> pool,
            const std::function<void(const SlackTree&)>& seen);

 private:
  struct Target {
    std::vector<std::int64_t> counts;
    Cost cost = 0;
    double slack = 0;  // area to spare
    int tries = 0;
    std::vector<SlackTree> sheets;  // how far it has come while another is worked on
    std::vector<int> pool;
  };
  enum class Mode { Place, Gather, Leftover };

  void makeKeys();
  void retarget();
  void listTargets();
  bool plausible(const std::vector<std::int64_t>& counts) const;
  void begin(Target& target);
  void nextTarget();
  void load(std::vector<SlackTree> sheets, std::vector<int> pool);
  void startAfresh();
  bool iterate();
  void ruin(int howMany);
  void removeFrom(std::size_t sheet, int howMany);
  void recreate();
  double worth(std::size_t sheet) const;
  void save(std::size_t sheet);
  void restore();
  void takeBest();
  bool better(const Arrangement& other) const;

  const Group& group_;
  std::vector<std::int64_t> available_;
  Cost bound_ = 0;
  std::vector<Condition> conditions_;
  Random random_;
  std::size_t historyLength_;
  Arrangement best_;
  Cost bestCost_ = 0;
  bool settled_ = false;
  std::int64_t iterations_ = 0;

  Mode mode_ = Mode::Place;
  Keepable keep_;
  std::vector<SlackTree> sheets_;
  std::vector<int> pool_;
  double poolArea_ = 0;
  std::vector<double> fill_, worth_;  // per sheet
  double value_ = 0;                  // small is good
  double leastValue_ = 0;             // since the state was loaded
  std::int64_t sinceGain_ = 0;        // iterations since it fell
  std::vector<double> history_;
  std::size_t historyAt_ = 0;
  std::vector<Target> targets_;
  std::size_t target_ = 0;
  std::int64_t stepsOnTarget_ = 0;
  std::vector<double> keyArea_, keySide_;  // per block: what it counts for, and its longer side

  // What one iteration changed, to take it back.
  struct Saved {
    std::size_t index;
    double fill, worth;
    SlackTree sheet;
  };
  std::vector<Saved> saved_;
  std::size_t savedCount_ = 0;
  std::vector<std::int64_t> savedAt_;  // per sheet: the iteration that saved it
  std::vector<int> savedPool_;
  double savedPoolArea_ = 0, savedValue_ = 0;
  std::vector<std::pair<double, int>> order_;
  std::vector<int> rest_;
};

}  // namespace pp::nest
