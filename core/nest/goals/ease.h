// Fewer settings at the saw: an arrangement is changed a little at a time on the same sheets, and
// every change is judged by the number of settings that the scheduler itself counts.
#pragma once

#include "core/nest/search/search.h"
#include "core/saw/schedule.h"

namespace pp::nest {

class Ease {
 public:
  // `others` are the cuts of the sheets of all other groups, whose settings may be shared; they are
  // kept by reference. `start` is complete.
  Ease(const NestRequest& request, const Group& group,
       std::vector<const std::vector<saw::Cut>*> others, Arrangement start, std::uint64_t seed);

  // The cuts of an arrangement's sheets.
  static std::vector<std::vector<saw::Cut>> cutsOf(const NestRequest& request, const Group& group,
                                                   const Arrangement& arrangement);

  int settings() const { return bestSettings_; }
  const Arrangement& best() const { return best_; }

  // True when the settings became fewer.
  bool run(std::int64_t steps, const Search::Stop& stop);

  // Goes on from another's better result.
  void adopt(const Ease& other);

 private:
  std::vector<const std::vector<saw::Cut>*> allCuts() const;
  void begin();
  void redo(std::size_t sheet);
  bool refill(std::vector<int>& pool);

  const NestRequest& request_;
  const Group& group_;
  std::vector<const std::vector<saw::Cut>*> others_;
  saw::SizeCount sizes_;
  Random random_;
  std::vector<SlackTree> sheets_;
  std::vector<std::vector<saw::Cut>> cuts_;  // per sheet
  saw::Rule rule_ = saw::Rule::MostReady;    // that the search counts by
  int value_ = 0;                            // settings first, then cuts
  Arrangement best_;
  int bestSettings_ = 0;
  std::vector<int> history_;
  std::size_t historyAt_ = 0;
  std::vector<std::size_t> touched_;
};

}  // namespace pp::nest
