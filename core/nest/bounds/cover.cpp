#include "core/nest/bounds/cover.h"

#include <algorithm>
#include <numeric>

namespace pp::nest {
namespace {

// Depth-first search over the counts, best value for what it covers first. Each condition alone,
// met in fractions by the rows that are left, bounds what is still to be spent.
class Cover {
 public:
  Cover(const Group& group, const std::vector<Cost>& values,
        const std::vector<Condition>& conditions)
      : values_(values), conditions_(conditions), order_(group.stock.size()) {
    for (const StockKindRow& row : group.stock) counts_.push_back(row.available);
    std::iota(order_.begin(), order_.end(), std::size_t{0});
    if (!conditions_.empty()) sortFor(conditions_.front(), order_);
    for (const Condition& condition : conditions_) {
      std::vector<std::size_t> ranked = order_;
      sortFor(condition, ranked);
      ranked_.push_back(std::move(ranked));
    }
    place_.resize(order_.size());
    for (std::size_t i = 0; i < order_.size(); ++i) place_[order_[i]] = i;
    for (std::size_t i = 0; i < counts_.size(); ++i) best_ += values_[i] * counts_[i];
  }

  Cost run() {
    std::vector<Int128> need;
    for (const Condition& condition : conditions_) need.push_back(condition.need);
    const Cost root = std::min(fractional(0, need), best_);
    search(0, need, 0);
    return steps_ > kMostSteps ? root : best_;
  }

 private:
  static constexpr int kMostSteps = 100'000;

  void sortFor(const Condition& condition, std::vector<std::size_t>& order) const {
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
      return static_cast<double>(values_[a]) * static_cast<double>(condition.most[b]) <
             static_cast<double>(values_[b]) * static_cast<double>(condition.most[a]);
    });
  }

  // The least that meeting each condition with the rows from `from` of the order on can cost,
  // rounded down a little so that the doubles cannot lift it above the truth.
  Cost fractional(std::size_t from, const std::vector<Int128>& need) const {
    double most = 0;
    for (std::size_t c = 0; c < conditions_.size(); ++c) {
      double value = 0;
      Int128 left = need[c];
      for (const std::size_t i : ranked_[c]) {
        if (left <= 0) break;
        if (place_[i] < from) continue;
        const Int128 all = conditions_[c].most[i] * counts_[i];
        if (all <= 0) continue;
        const double share =
            all <= left ? 1.0 : static_cast<double>(left) / static_cast<double>(all);
        value += share * static_cast<double>(values_[i] * counts_[i]);
        left -= all;
      }
      most = std::max(most, left > 0 ? static_cast<double>(kNever) : value);
    }
    return static_cast<Cost>(most * (1 - 1e-12));
  }

  void search(std::size_t at, const std::vector<Int128>& need, Cost spent) {
    if (++steps_ > kMostSteps) return;
    if (std::all_of(need.begin(), need.end(), [](Int128 n) { return n <= 0; })) {
      best_ = std::min(best_, spent);
      return;
    }
    if (at == order_.size() || spent + fractional(at, need) >= best_) return;
    const std::size_t i = order_[at];
    std::int64_t enough = 0;
    for (std::size_t c = 0; c < need.size(); ++c) {
      const Int128 most = conditions_[c].most[i];
      if (need[c] > 0)
        enough = std::max(enough, most > 0 ? static_cast<std::int64_t>(std::min<Int128>(
                                                 (need[c] + most - 1) / most, counts_[i]))
                                           : 0);
    }
    for (std::int64_t n = std::min(enough, counts_[i]); n >= 0; --n) {
      std::vector<Int128> left = need;
      for (std::size_t c = 0; c < left.size(); ++c) left[c] -= n * conditions_[c].most[i];
      search(at + 1, left, spent + n * values_[i]);
    }
  }

  static constexpr Cost kNever = static_cast<Cost>(1) << 100;

  const std::vector<Cost>& values_;
  const std::vector<Condition>& conditions_;
  std::vector<std::size_t> order_;
  std::vector<std::size_t> place_;  // of each row in the order
  std::vector<std::vector<std::size_t>> ranked_;
  std::vector<std::int64_t> counts_;
  Cost best_ = 0;
  int steps_ = 0;
};

}  // namespace

Cost leastCover(const Group& group, const std::vector<Cost>& values,
                const std::vector<Condition>& conditions) {
  return Cover(group, values, conditions).run();
}

}  // namespace pp::nest
