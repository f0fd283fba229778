// What runs beside the searches: the bounds of all groups, and the dives of those whose bound has
// nothing left to gain. On a thread of its own, or step by step between rounds.
#pragma once

#include <mutex>
#include <optional>
#include <stop_token>
#include <vector>

#include "core/nest/work/work.h"

namespace pp::nest {

class Beside {
 public:
  // The works are kept by reference; their bounders and dives are this one's to step.
  explicit Beside(std::vector<Work>& works) : works_(works) {}
  // Once the works have what they begin with.
  void begin();

  // All groups in turn until none has anything to gain, or a stop is asked for.
  void run(const std::stop_token& stop);
  // A step of the bound of a group or, when that is done, of its dive. False when there is nothing
  // left to gain.
  bool step(std::size_t group, const std::stop_token& stop);
  bool isBounded(std::size_t group) const { return bounded_[group] != 0; }

  // From the searches' thread: what was found since it was last asked goes into the works. Whether
  // a bound rose.
  bool takeBounds();
  // What the dive of a group has found since it was last asked.
  std::optional<Arrangement> takeDived(std::size_t group);
  // How far the searches are.
  void tell();

 private:
  struct Found {
    GroupBound bound;
    std::vector<Condition> conditions;
    std::optional<Arrangement> dived;
    Cost below = 0;        // what the next plan of a dive must beat
    bool settled = false;  // nothing left to look for
    bool diving = false;   // the dive is under way
  };

  std::vector<Work>& works_;
  std::vector<char> bounded_;  // the bound has nothing left to gain; the stepping thread's own
  std::mutex mutex_;           // of what follows: one thread writes, the other reads
  std::vector<Found> found_;   // per group
  bool new_ = false;
};

}  // namespace pp::nest
