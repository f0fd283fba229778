#include "core/nest/bars.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>

#include "core/nest/sheet/pattern_program.h"
#include "core/nest/sheet/random.h"

namespace pp::nest {
namespace {

using BarCost = double;  // price, and the length of bar as a tie-break far below it

class BarCutter {
 public:
  BarCutter(const std::vector<BarDemand>& wanted, const std::vector<BarStock>& stock, Length kerf,
            std::int64_t nodes, const std::stop_token& stop)
      : wanted_(wanted), stock_(stock), kerf_(kerf), nodesLeft_(nodes), stop_(stop) {
    order_.resize(wanted.size());
    std::iota(order_.begin(), order_.end(), std::size_t{0});
    std::stable_sort(order_.begin(), order_.end(), [this](std::size_t a, std::size_t b) {
      return wanted_[a].length > wanted_[b].length;
    });
    for (const BarStock& row : stock) {
      longest_ = std::max(longest_, row.length);
      // A micro-unit a metre: decides between plans of one price only.
      constexpr double kTie = 1e-6;
      cost_.push_back(row.price.asDouble() + kTie * row.length.inMm() / 1000);
    }
  }

  BarPlan run() {
    for (const std::size_t i : order_) {
      const bool fits = wanted_[i].length <= longest_;
      left_.push_back(fits ? wanted_[i].quantity : 0);
      if (!fits)
        best_.unplaced.insert(best_.unplaced.end(), static_cast<std::size_t>(wanted_[i].quantity),
                              i);
    }
    const auto unplaceable = best_.unplaced;
    if (std::all_of(left_.begin(), left_.end(), [](std::int64_t n) { return n == 0; })) {
      best_.proven = true;
      return best_;
    }
    bestCost_ = std::numeric_limits<BarCost>::infinity();
    construct();
    bound_ = linearBound();
    if (!met()) improve();
    if (!met() && !std::isinf(bestCost_)) {
      std::vector<std::int64_t> used(stock_.size());
      finished_ = true;
      search(left_, used, 0);
    }
    if (std::isinf(bestCost_)) leaveOut();
    best_.proven = best_.unplaced.size() == unplaceable.size() && (met() || finished_);
    finish();
    return best_;
  }

 private:
  static constexpr double kNoise = 1e-7;
  bool met() const { return bestCost_ <= bound_ + kNoise; }
  Length sizeOf(std::size_t i) const { return wanted_[order_[i]].length; }
  bool available(std::size_t row, const std::vector<std::int64_t>& used) const {
    return !stock_[row].quantity || used[row] < *stock_[row].quantity;
  }

  // Fills one bar from what is left, item by item in the order given.
  std::vector<std::int64_t> fill(const std::vector<std::int64_t>& left, Length room,
                                 const std::vector<std::size_t>& by) const {
    std::vector<std::int64_t> out(left.size());
    Length free = room + kerf_;
    for (const std::size_t i : by) {
      const std::int64_t n = std::min(left[i], (free.inNm()) / (sizeOf(i) + kerf_).inNm());
      out[i] = n;
      free -= n * (sizeOf(i) + kerf_);
    }
    return out;
  }

  // Bar after bar, each the one that costs least for what it holds.
  void fillAll(const std::vector<std::size_t>& by) {
    std::vector<std::int64_t> left = left_;
    std::vector<std::int64_t> used(stock_.size());
    std::vector<Bar> bars;
    BarCost cost = 0;
    while (std::any_of(left.begin(), left.end(), [](std::int64_t n) { return n > 0; })) {
      std::size_t chosen = stock_.size();
      double worth = 0;
      std::vector<std::int64_t> pattern;
      for (std::size_t k = 0; k < stock_.size(); ++k) {
        if (!available(k, used)) continue;
        auto one = fill(left, stock_[k].length, by);
        double held = 0;
        for (std::size_t i = 0; i < one.size(); ++i)
          held += static_cast<double>(one[i]) * (sizeOf(i) + kerf_).inMm();
        if (held <= 0) continue;
        if (held / cost_[k] > worth) {
          worth = held / cost_[k];
          chosen = k;
          pattern = std::move(one);
        }
      }
      if (chosen == stock_.size()) return;  // the stock is used up
      take(bars, chosen, pattern, left);
      ++used[chosen];
      cost += cost_[chosen];
    }
    if (cost < bestCost_ - kNoise) {
      bestCost_ = cost;
      best_.bars = std::move(bars);
    }
  }

  void take(std::vector<Bar>& bars, std::size_t row, const std::vector<std::int64_t>& pattern,
            std::vector<std::int64_t>& left) const {
    Bar bar;
    bar.stock = row;
    for (std::size_t i = 0; i < pattern.size(); ++i) {
      bar.cuts.insert(bar.cuts.end(), static_cast<std::size_t>(pattern[i]), order_[i]);
      left[i] -= pattern[i];
    }
    bars.push_back(std::move(bar));
  }

  std::vector<std::size_t> straight() const {
    std::vector<std::size_t> by(left_.size());
    std::iota(by.begin(), by.end(), std::size_t{0});
    return by;
  }

  void construct() { fillAll(straight()); }

  // The same with the order shaken.
  void improve() {
    constexpr int kTries = 400;
    Random random(1);
    for (int i = 0; i < kTries && !met() && !stop_.stop_requested(); ++i) {
      std::vector<std::pair<double, std::size_t>> keys;
      const double noise = 0.1 + 0.2 * static_cast<double>(i % 4);
      for (std::size_t k = 0; k < left_.size(); ++k)
        keys.emplace_back(
            -sizeOf(k).inMm() * (1 + noise * static_cast<double>(random.below(1024)) / 1024), k);
      std::sort(keys.begin(), keys.end());
      std::vector<std::size_t> by;
      for (const auto& [key, k] : keys) by.push_back(k);
      fillAll(by);
    }
  }

  // The linear program over all ways to cut a bar, rounded up where all bars cost the same.
  BarCost linearBound() {
    PatternProgram program(left_, {});
    for (std::size_t i = 0; i < left_.size(); ++i)
      for (std::size_t k = 0; k < stock_.size(); ++k)
        if (sizeOf(i) <= stock_[k].length) {
          std::vector<std::int64_t> one(left_.size());
          one[i] = 1;
          program.add(one, std::nullopt, cost_[k]);
        }
    constexpr int kRounds = 400;
    for (int round = 0; round < kRounds && !stop_.stop_requested(); ++round) {
      if (!program.solve()) return 0;
      const std::vector<double> values = program.prices();
      bool improved = false;
      double farley = 1;
      for (std::size_t k = 0; k < stock_.size(); ++k) {
        std::vector<std::int64_t> pattern(left_.size());
        const double most = knapsack(values, stock_[k].length, pattern);
        if (most < 0) return 0;
        farley = std::min(farley, cost_[k] / std::max(most, cost_[k]));
        if (most > cost_[k] + kNoise) {
          program.add(pattern, std::nullopt, cost_[k]);
          improved = true;
        }
      }
      if (improved) continue;
      const double value = program.value() * farley;
      const bool alike = std::all_of(cost_.begin(), cost_.end(), [this](double cost) {
        return std::abs(cost - cost_.front()) < kNoise * kNoise;
      });
      return alike ? std::ceil(value / cost_.front() - 1e-6) * cost_.front() : value;
    }
    return 0;
  }

  // The most valuable way to cut one bar, no piece more often than it is wanted: depth first by
  // value for length. Below zero when it takes too long.
  double knapsack(const std::vector<double>& values, Length room,
                  std::vector<std::int64_t>& pattern) const {
    std::vector<std::size_t> by;
    for (std::size_t i = 0; i < values.size(); ++i)
      if (values[i] > 0 && left_[i] > 0 && sizeOf(i) <= room) by.push_back(i);
    const auto rate = [&](std::size_t i) { return values[i] / (sizeOf(i) + kerf_).inMm(); };
    std::sort(by.begin(), by.end(),
              [&](std::size_t a, std::size_t b) { return rate(a) > rate(b); });
    double best = 0;
    std::vector<std::int64_t> now(values.size());
    std::int64_t steps = 0;
    constexpr std::int64_t kMostSteps = 2'000'000;
    const auto visit = [&](const auto& self, std::size_t at, Length free, double value) -> void {
      if (++steps > kMostSteps) return;
      if (value > best) {
        best = value;
        pattern = now;
      }
      if (at == by.size() || value + free.inMm() * rate(by[at]) <= best + 1e-12) return;
      const std::size_t i = by[at];
      const std::int64_t most = std::min(left_[i], free.inNm() / (sizeOf(i) + kerf_).inNm());
      for (std::int64_t n = most; n >= 0; --n) {
        now[i] = n;
        self(self, at + 1, free - n * (sizeOf(i) + kerf_),
             value + static_cast<double>(n) * values[i]);
      }
      now[i] = 0;
    };
    visit(visit, 0, room + kerf_, 0);
    return steps > kMostSteps ? -1 : best;
  }

  // Every way to go on from `left`, the longest piece that is left in the next bar; `finished_`
  // turns false when there are too many.
  void search(const std::vector<std::int64_t>& left, std::vector<std::int64_t>& used,
              BarCost cost) {
    if (--nodesLeft_ < 0 || stop_.stop_requested()) {
      finished_ = false;
      return;
    }
    double need = 0;
    std::size_t first = left.size();
    for (std::size_t i = 0; i < left.size(); ++i) {
      if (left[i] == 0) continue;
      first = std::min(first, i);
      need += static_cast<double>(left[i]) * (sizeOf(i) + kerf_).inMm();
    }
    if (first == left.size()) {
      if (cost < bestCost_ - kNoise) {
        bestCost_ = cost;
        best_.bars = trail_;
      }
      return;
    }
    double cheapest = std::numeric_limits<double>::infinity();
    for (std::size_t k = 0; k < stock_.size(); ++k)
      if (available(k, used))
        cheapest = std::min(cheapest, cost_[k] / (stock_[k].length + kerf_).inMm());
    if (cost + need * cheapest >= bestCost_ - kNoise) return;
    for (std::size_t k = 0; k < stock_.size(); ++k) {
      if (!available(k, used) || sizeOf(first) > stock_[k].length) continue;
      ++used[k];
      std::vector<std::int64_t> pattern(left.size());
      pattern[first] = 1;
      extend(left, used, cost + cost_[k], k, pattern, first,
             stock_[k].length + kerf_ - (sizeOf(first) + kerf_));
      --used[k];
      if (met() || !finished_) return;
    }
  }

  // All fillings of a bar that nothing left could still be added to.
  void extend(const std::vector<std::int64_t>& left, std::vector<std::int64_t>& used, BarCost cost,
              std::size_t row, std::vector<std::int64_t>& pattern, std::size_t from, Length free) {
    if (met() || !finished_) return;
    for (std::size_t i = from; i < left.size(); ++i) {
      if (pattern[i] >= left[i] || sizeOf(i) + kerf_ > free) continue;
      ++pattern[i];
      extend(left, used, cost, row, pattern, i, free - (sizeOf(i) + kerf_));
      --pattern[i];
      if (met() || !finished_) return;
      // Leaving this size out for good is tried by going on to smaller ones.
    }
    for (std::size_t i = 0; i < left.size(); ++i)
      if (pattern[i] < left[i] && sizeOf(i) + kerf_ <= free) return;  // not full
    std::vector<std::int64_t> next = left;
    const std::size_t depth = trail_.size();
    take(trail_, row, pattern, next);
    search(next, used, cost);
    trail_.resize(depth);
  }

  // The stock does not hold everything: as much as fits, longest first.
  void leaveOut() {
    std::vector<std::int64_t> left = left_;
    std::vector<std::int64_t> used(stock_.size());
    best_.bars.clear();
    bestCost_ = 0;
    for (;;) {
      std::size_t chosen = stock_.size();
      for (std::size_t k = 0; k < stock_.size(); ++k)
        if (available(k, used) &&
            (chosen == stock_.size() || stock_[k].length > stock_[chosen].length))
          chosen = k;
      if (chosen == stock_.size()) break;
      const auto pattern = fill(left, stock_[chosen].length, straight());
      ++used[chosen];
      if (std::all_of(pattern.begin(), pattern.end(), [](std::int64_t n) { return n == 0; }))
        continue;
      take(best_.bars, chosen, pattern, left);
    }
    for (std::size_t i = 0; i < left.size(); ++i)
      best_.unplaced.insert(best_.unplaced.end(), static_cast<std::size_t>(left[i]), order_[i]);
    finished_ = false;
  }

  void finish() {
    for (Bar& bar : best_.bars) {
      Length used;
      for (const std::size_t i : bar.cuts) used += wanted_[i].length + kerf_;
      bar.rest = std::max(Length{}, stock_[bar.stock].length - used);
      best_.cost += stock_[bar.stock].price;
    }
  }

  const std::vector<BarDemand>& wanted_;
  const std::vector<BarStock>& stock_;
  Length kerf_;
  std::int64_t nodesLeft_;
  std::stop_token stop_;
  std::vector<std::size_t> order_;  // demands, longest first
  std::vector<std::int64_t> left_;  // in that order
  std::vector<BarCost> cost_;
  Length longest_;
  BarPlan best_;
  BarCost bestCost_ = 0;
  BarCost bound_ = 0;
  bool finished_ = false;  // the search saw everything
  std::vector<Bar> trail_;
};

}  // namespace

BarPlan cutBars(const std::vector<BarDemand>& wanted, const std::vector<BarStock>& stock,
                Length kerf, std::int64_t nodes, const std::stop_token& stop) {
  return BarCutter(wanted, stock, kerf, nodes, stop).run();
}

std::vector<BarList> barLists(const NestRequest& request, const std::stop_token& stop) {
  std::map<std::pair<std::string, Length>, BarList> lists;
  for (std::size_t i = 0; i < request.barParts.size(); ++i)
    lists[{request.barParts[i].material, request.barParts[i].width}].parts.push_back(i);
  std::vector<std::int64_t> taken(request.barStock.size());
  std::vector<BarList> out;
  for (auto& [key, list] : lists) {
    std::vector<BarDemand> wanted;
    for (const std::size_t part : list.parts) wanted.push_back(request.barParts[part].wanted);
    std::vector<BarStock> stock;
    for (std::size_t i = 0; i < request.barStock.size(); ++i) {
      const BarSupply& supply = request.barStock[i];
      if (supply.material != key.first || supply.width < key.second) continue;
      const std::int64_t strips = stripsOf(request, supply, key.second);
      BarStock row = supply.bar;
      if (row.quantity) *row.quantity = (*row.quantity - taken[i]) * strips;
      row.price = Money::tenThousandths(row.price.inTenThousandths() / strips);
      list.stock.push_back(i);
      stock.push_back(std::move(row));
    }
    list.plan = cutBars(wanted, stock, request.barKerf, 200'000, stop);
    for (std::size_t k = 0; k < list.stock.size(); ++k)
      taken[list.stock[k]] += barsFor(request, list, k);
    out.push_back(std::move(list));
  }
  return out;
}

}  // namespace pp::nest
