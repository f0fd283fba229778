#include "core/nest/bounds/bound.h"

#include <algorithm>
#include <cmath>

#include "core/nest/bounds/dual_feasible.h"
#include "core/nest/bounds/guillotine_knapsack.h"
#include "core/nest/sheet/arrangement.h"
#include "core/nest/sheet/pattern_program.h"

namespace pp::nest {
namespace {

constexpr int kGrids[] = {150, 300, 600, 1200};  // cells along the longest sheet
constexpr std::size_t kMostConditions = 6;
constexpr std::size_t kMostItems = 400;  // a program with more gains nothing in a maker's time

Int128 areaOf(const StockKindRow& row) {
  constexpr Int128 kNm2PerUm2 = 1'000'000;
  return static_cast<Int128>(row.w) * row.h - row.lost * kNm2PerUm2;
}

// A pattern of the linear program: how often each item lies on one piece of a stock row.
struct BoundColumn {
  std::size_t row = 0;
  std::vector<std::int64_t> items;
  bool cuttable = true;  // with the true sizes, so on every scale
};

}  // namespace

class Bounder::Work {
 public:
  explicit Work(const Group& group) : group_(group), items_(boundItems(group)) {
    for (const StockKindRow& row : group_.stock) {
      costs_.push_back(row.cost);
      ones_.push_back(row.region ? 0 : 1);
    }
    for (const Cost cost : costs_) unit_ = std::max(unit_, static_cast<double>(cost));
    Condition area;
    for (const StockKindRow& row : group_.stock) area.most.push_back(areaOf(row));
    for (const BoundItem& item : items_) area.need += item.copies * item.area;
    take(area, "area");
  }

  const GroupBound& bound() const { return bound_; }
  const std::vector<Condition>& conditions() const { return kept_; }

  const std::vector<double>& prices() const { return center_; }

  void begin(const Arrangement& arrangement) {
    ready_ = arrangement.pool.empty() && !arrangement.sheets.empty() && items_.size() <= kMostItems;
    if (!ready_) return;
    for (const SlackTree& sheet : arrangement.sheets) {
      BoundColumn column{sheet.stock(), std::vector<std::int64_t>(items_.size())};
      for (const int leaf : sheet.leaves())
        for (std::size_t i = 0; i < items_.size(); ++i)
          if (items_[i].block == static_cast<std::size_t>(sheet.node(leaf).block))
            ++column.items[i];
      pending_.push_back(std::move(column));
    }
  }

  bool step(const std::stop_token& stop) {
    if (!weighed_) {
      weighed_ = true;
      if (!group_.stock.empty()) addDualFeasible(stop);
      return ready_;
    }
    if (!ready_ || grid_ >= std::size(kGrids)) return false;
    if (knapsacks_.empty())
      for (const StockKindRow& row : group_.stock)
        knapsacks_.push_back(knapsackFor(row, grid_, stop));
    if (stop.stop_requested()) return false;
    const std::vector<double> duals = solveProgram(stop);
    if (duals.empty() || !mayGain()) return false;
    if (center_.empty()) center_ = duals;
    // Prices between those of the program and the best so far: the program's own swing wildly.
    std::vector<double> prices(items_.size());
    for (std::size_t i = 0; i < prices.size(); ++i)
      prices[i] = smoothing_ * center_[i] + (1 - smoothing_) * duals[i];
    const bool improved = price(prices, duals, stop);
    if (stop.stop_requested()) return false;
    const bool close =
        grid_ + 1 < std::size(kGrids) && program_->value() < centerQuality_ * (1 + kCloseEnough);
    if (improved && !close) return true;
    if (!improved && smoothing_ > 0) {
      smoothing_ = 0;
      return true;
    }
    return refine();
  }

 private:
  static constexpr double kSmoothing = 0.6;
  static constexpr double kCloseEnough = 1e-3;       // to go on with finer scales
  static constexpr std::size_t kPatternsAtOnce = 8;  // of one row and one set of prices

  // As fine on every row as on the longest.
  GuillotineKnapsack knapsackFor(const StockKindRow& row, std::size_t grid,
                                 const std::stop_token& stop) const {
    Nm longest = 0;
    for (const StockKindRow& one : group_.stock) longest = std::max({longest, one.w, one.h});
    constexpr int kLeastCells = 60;
    const double share = static_cast<double>(std::max(row.w, row.h)) / static_cast<double>(longest);
    const int cells = std::max(kLeastCells, static_cast<int>(kGrids[grid] * share));
    return {items_, row, cells, stop};
  }

  // Finer scales may still lift the bound; what cannot be cut with the true sizes is forgotten.
  bool refine() {
    const bool exact = std::all_of(knapsacks_.begin(), knapsacks_.end(),
                                   [](const GuillotineKnapsack& one) { return one.isExact(); });
    grid_ = exact ? std::size(kGrids) : grid_ + 1;
    knapsacks_.clear();
    smoothing_ = kSmoothing;
    program_.reset();
    std::erase_if(columns_, [](const BoundColumn& column) { return !column.cuttable; });
    pending_ = std::move(columns_);
    columns_.clear();
    return grid_ < std::size(kGrids);
  }

  // Keeps a condition that lifts the bound.
  void take(const Condition& condition, const char* method) {
    std::vector<Condition> with = kept_;
    with.insert(with.begin(), condition);
    if (with.size() > kMostConditions) with.pop_back();
    const Cost cost = leastCover(group_, costs_, with);
    const Cost sheets = leastCover(group_, ones_, with);
    if (cost <= bound_.cost && sheets <= bound_.sheets && !kept_.empty()) return;
    if (cost > bound_.cost || kept_.empty()) bound_.method = method;
    bound_.cost = std::max(bound_.cost, cost);
    bound_.sheets = std::max(bound_.sheets, static_cast<std::int64_t>(sheets));
    kept_ = std::move(with);
  }

  void addDualFeasible(const std::stop_token& stop) {
    std::vector<std::size_t> rows(group_.stock.size());
    for (std::size_t k = 0; k < rows.size(); ++k) rows[k] = k;
    std::stable_sort(rows.begin(), rows.end(), [this](std::size_t a, std::size_t b) {
      return areaOf(group_.stock[a]) > areaOf(group_.stock[b]);
    });
    // Only where one row is all there is does its own bound stand alone; else the others' most is
    // found by the knapsack, which takes time, so fewer are tried.
    const std::size_t most = rows.size() == 1 ? 3 : 1;
    for (const auto& weights :
         dualFeasibleWeights(items_, group_.stock[rows.front()], most, stop)) {
      Condition condition;
      // Of the row the functions are for no more; of the others as much as they are found to hold.
      constexpr Int128 kNoLimit = static_cast<Int128>(1) << 100;
      condition.most.assign(group_.stock.size(), kNoLimit);
      condition.most[rows.front()] = kFullWeight;
      if (rows.size() > 1 && !fillMost(weights, condition, stop)) continue;
      for (std::size_t i = 0; i < items_.size(); ++i)
        condition.need += static_cast<Int128>(items_[i].copies) * weights[i];
      take(condition, "dual feasible functions");
    }
  }

  // What every row can hold of the weights, by the knapsack on the coarsest scale. False where an
  // item too small for it has a weight, or when stopped.
  bool fillMost(const std::vector<std::int64_t>& weights, Condition& condition,
                const std::stop_token& stop) const {
    const std::vector<double> prices(weights.begin(), weights.end());
    for (std::size_t k = 0; k < group_.stock.size(); ++k) {
      GuillotineKnapsack knapsack = knapsackFor(group_.stock[k], 0, stop);
      for (std::size_t i = 0; i < items_.size(); ++i)
        if (knapsack.isTiny(i) && weights[i] > 0) return false;
      // A power of two, so that dividing by it is exact.
      const double unit = std::min(1.0, knapsack.unitFor(prices));
      std::vector<std::int64_t> values;
      for (const double price : prices)
        values.push_back(static_cast<std::int64_t>(std::ceil(price * unit)));
      const std::int64_t most = knapsack.solve(values, stop);
      if (most < 0) return false;
      condition.most[k] =
          std::min(condition.most[k], static_cast<Int128>(static_cast<double>(most) / unit));
    }
    return true;
  }

  // Finds the most valuable patterns of every row at these prices; takes the condition they make
  // and the patterns that are worth more than they cost. True when there is such a pattern.
  bool price(const std::vector<double>& prices, const std::vector<double>& duals,
             const std::stop_token& stop) {
    std::vector<double> asked(items_.size());
    double unit = static_cast<double>(kFullWeight);
    for (std::size_t i = 0; i < asked.size(); ++i) {
      const bool tiny = std::any_of(knapsacks_.begin(), knapsacks_.end(),
                                    [i](const auto& one) { return one.isTiny(i); });
      asked[i] = tiny ? 0.0 : std::max(prices[i], 0.0);
    }
    for (const GuillotineKnapsack& knapsack : knapsacks_)
      unit = std::min(unit, knapsack.unitFor(asked));
    Condition condition;
    std::vector<std::int64_t> values;
    for (std::size_t i = 0; i < asked.size(); ++i) {
      values.push_back(static_cast<std::int64_t>(asked[i] * unit));
      condition.need += static_cast<Int128>(items_[i].copies) * values[i];
    }
    bool improved = false;
    for (std::size_t k = 0; k < knapsacks_.size(); ++k) {
      const std::int64_t most = knapsacks_[k].solve(values, stop);
      if (most < 0) return false;
      condition.most.push_back(most);
      // Prices between those of the program and the centre may name patterns that gain nothing at
      // the program's own.
      for (auto& pattern : knapsacks_[k].patterns(values, 0, kPatternsAtOnce)) {
        double worth = rowDuals_[k];
        for (std::size_t i = 0; i < items_.size(); ++i)
          worth += duals[i] * static_cast<double>(pattern.items[i]);
        constexpr double kWorthMore = 1e-6;
        if (worth <= static_cast<double>(costs_[k]) / unit_ + kWorthMore) continue;
        pending_.push_back({k, std::move(pattern.items), pattern.cuttable});
        improved = true;
      }
    }
    const Cost before = bound_.cost;
    take(condition, "column generation");
    const double strength = quality(condition);
    if (bound_.cost > before || strength > centerQuality_) {
      centerQuality_ = strength;
      center_ = prices;
    }
    return improved;
  }

  // Whether the bound could still rise: the program's value is above what column generation on this
  // grid can reach, and rounding to the grid costs no more than a few cells.
  bool mayGain() const {
    constexpr double kCellsLost = 2.5;
    const double most = program_->value() * (1 + kCellsLost / static_cast<double>(kGrids[grid_]));
    if (group_.stock.size() == 1)
      return std::ceil(most - 1e-9) * unit_ > static_cast<double>(bound_.cost) * (1 + 1e-9);
    return most * unit_ > static_cast<double>(bound_.cost) * (1 + 1e-6);
  }

  // The bound a condition gives in fractions, in units of the dearest sheet.
  double quality(const Condition& condition) const {
    std::vector<std::pair<double, std::size_t>> order;
    for (std::size_t k = 0; k < condition.most.size(); ++k)
      if (condition.most[k] > 0)
        order.emplace_back(
            static_cast<double>(costs_[k]) / unit_ / static_cast<double>(condition.most[k]), k);
    std::sort(order.begin(), order.end());
    double left = static_cast<double>(condition.need);
    double out = 0;
    for (const auto& [rate, k] : order) {
      const double some = std::min(left, static_cast<double>(condition.most[k]) *
                                             static_cast<double>(group_.stock[k].available));
      out += rate * some;
      left -= some;
    }
    return out;
  }

  // Solves the linear program over the patterns known; the duals of the items, or nothing when it
  // cannot be solved. One row per item (at least its copies) and per stock row (at most so many).
  std::vector<double> solveProgram(const std::stop_token& stop) {
    if (!program_) {
      std::vector<std::int64_t> wanted, available;
      for (const BoundItem& item : items_) wanted.push_back(item.copies);
      for (const StockKindRow& row : group_.stock) available.push_back(row.available);
      program_ = std::make_unique<PatternProgram>(wanted, available, stop);
    }
    for (const BoundColumn& column : pending_)
      program_->add(column.items, column.row, static_cast<double>(costs_[column.row]) / unit_);
    std::move(pending_.begin(), pending_.end(), std::back_inserter(columns_));
    pending_.clear();
    if (!program_->solve()) return {};
    rowDuals_ = program_->rowPrices();
    return program_->prices();
  }

  const Group& group_;
  std::vector<BoundItem> items_;
  std::vector<Cost> costs_, ones_;
  double unit_ = 1;  // the dearest stock row's cost: the program's unit
  GroupBound bound_;
  std::vector<Condition> kept_;
  bool weighed_ = false;  // the dual feasible functions have had their turn
  bool ready_ = false;    // there is a complete arrangement to begin with
  std::size_t grid_ = 0;
  std::vector<GuillotineKnapsack> knapsacks_;
  std::vector<BoundColumn> pending_, columns_;  // to be added; in the program
  std::unique_ptr<PatternProgram> program_;
  std::vector<double> rowDuals_;
  std::vector<double> center_;
  double centerQuality_ = 0;
  double smoothing_ = kSmoothing;
};

Bounder::Bounder(const Group& group) : work_(std::make_unique<Work>(group)) {}
Bounder::~Bounder() = default;

const GroupBound& Bounder::bound() const {
  return work_->bound();
}
const std::vector<Condition>& Bounder::conditions() const {
  return work_->conditions();
}
void Bounder::begin(const Arrangement& arrangement) {
  work_->begin(arrangement);
}
const std::vector<double>& Bounder::prices() const {
  return work_->prices();
}
bool Bounder::step(const std::stop_token& stop) {
  return work_->step(stop);
}

}  // namespace pp::nest
