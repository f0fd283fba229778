#include "core/nest/bound.h"

#include <algorithm>
#include <numeric>

namespace pp::nest {
namespace {

// Exact areas: inflated sides multiplied in 128 bits.
Int128 needed(const Group& group) {
  Int128 out = 0;
  for (const Block& block : group.blocks) {
    Int128 area = 0;
    const Lie& lie = block.lies.front();
    // Members' own sizes plus one kerf each way; the block's inflated extent gives the kerf.
    const Nm kerf = lie.alongX ? lie.w - (lie.members.back().x + lie.members.back().dx)
                               : lie.h - (lie.members.back().y + lie.members.back().dy);
    for (const Member& member : lie.members)
      area += static_cast<Int128>(member.dx + kerf) * (member.dy + kerf);
    out += block.copies * area;
  }
  return out;
}

Int128 areaOf(const StockKindRow& row) {
  return static_cast<Int128>(row.w) * row.h;
}

// Least sum of values of rows whose areas reach `need`, by depth-first search over the counts, best
// value for area first; the fractional completion is the bound that prunes. When the search grows
// too long the fractional bound of the root, rounded up, is used: it is valid too.
class Cover {
 public:
  Cover(const Group& group, const std::vector<Cost>& values, Int128 need)
      : need_(need), order_(group.stock.size()) {
    std::iota(order_.begin(), order_.end(), std::size_t{0});
    for (std::size_t i = 0; i < group.stock.size(); ++i) {
      areas_.push_back(areaOf(group.stock[i]));
      counts_.push_back(group.stock[i].available);
      values_.push_back(values[i]);
    }
    std::stable_sort(order_.begin(), order_.end(), [this](std::size_t a, std::size_t b) {
      return static_cast<double>(values_[a]) * static_cast<double>(areas_[b]) <
             static_cast<double>(values_[b]) * static_cast<double>(areas_[a]);
    });
    for (std::size_t i = 0; i < areas_.size(); ++i) best_ += values_[i] * counts_[i];
  }

  Cost run() {
    const Cost root = std::min(fractional(0, need_), best_);
    search(0, need_, 0);
    return steps_ > kMostSteps ? root : best_;
  }

 private:
  static constexpr int kMostSteps = 200'000;

  // The least that covering `need` with rows from `at` on can cost, rounded down a little so that
  // the doubles cannot lift it above the truth.
  Cost fractional(std::size_t at, Int128 need) const {
    double value = 0;
    for (std::size_t k = at; k < order_.size() && need > 0; ++k) {
      const std::size_t i = order_[k];
      const Int128 all = areas_[i] * counts_[i];
      const double share = all <= need ? 1.0 : static_cast<double>(need) / static_cast<double>(all);
      value += share * static_cast<double>(values_[i] * counts_[i]);
      need -= all;
    }
    return static_cast<Cost>(value * (1 - 1e-12));
  }

  void search(std::size_t at, Int128 need, Cost spent) {
    if (++steps_ > kMostSteps) return;
    if (need <= 0) {
      best_ = std::min(best_, spent);
      return;
    }
    if (at == order_.size() || spent + fractional(at, need) >= best_) return;
    const std::size_t i = order_[at];
    const auto enough = static_cast<std::int64_t>((need + areas_[i] - 1) / areas_[i]);
    for (std::int64_t n = std::min(enough, counts_[i]); n >= 0; --n)
      search(at + 1, need - n * areas_[i], spent + n * values_[i]);
  }

  Int128 need_;
  std::vector<std::size_t> order_;
  std::vector<Int128> areas_;
  std::vector<std::int64_t> counts_;
  std::vector<Cost> values_;
  Cost best_ = 0;
  int steps_ = 0;
};

}  // namespace

GroupBound areaBound(const Group& group) {
  const Int128 need = needed(group);
  std::vector<Cost> costs;
  for (const StockKindRow& row : group.stock) costs.push_back(row.cost);
  const std::vector<Cost> ones(group.stock.size(), 1);
  return {Cover(group, costs, need).run(),
          static_cast<std::int64_t>(Cover(group, ones, need).run())};
}

}  // namespace pp::nest
