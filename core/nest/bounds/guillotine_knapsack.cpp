#include "core/nest/bounds/guillotine_knapsack.h"

#include <algorithm>
#include <cmath>

#include "core/nest/bounds/conservative_scale.h"

namespace pp::nest {
namespace {

constexpr double kMostExact = 1 << 24;  // whole numbers a float holds

// The lengths of all lies along one axis, each once, for a scale of that axis.
class AxisLengths {
 public:
  void add(Nm length, std::int64_t copies, double weight) {
    const auto at = std::find_if(all_.begin(), all_.end(),
                                 [length](const ScaleLength& one) { return one.length == length; });
    if (at == all_.end()) {
      all_.push_back({length, copies, weight});
      return;
    }
    at->copies += copies;
    at->weight += weight;
  }
  void scale(Nm side, int cells, const std::stop_token& stop) {
    scale_ = conservativeScale(all_, side, cells, stop);
  }
  int capacity() const { return scale_.capacity; }
  bool isExact() const { return scale_.exact; }
  int of(Nm length) const {
    std::size_t i = 0;
    while (all_[i].length != length) ++i;
    return scale_.sizes[i];
  }

 private:
  std::vector<ScaleLength> all_;
  ConservativeScale scale_;
};

}  // namespace

GuillotineKnapsack::GuillotineKnapsack(const std::vector<BoundItem>& items,
                                       const StockKindRow& sheet, int cells,
                                       const std::stop_token& stop)
    : sheetW_(sheet.w), sheetH_(sheet.h), tiny_(items.size()) {
  AxisLengths alongX;
  AxisLengths alongY;
  const auto usable = [&sheet](const Lie& lie) {
    return lie.allowedOn(sheet.grain) && lie.w <= sheet.w && lie.h <= sheet.h;
  };
  for (const BoundItem& item : items) {
    for (const Lie& lie : item.lies) {
      if (!usable(lie)) continue;
      const double weight = static_cast<double>(item.copies) * static_cast<double>(item.area);
      alongX.add(lie.w, item.copies, weight / static_cast<double>(lie.w));
      alongY.add(lie.h, item.copies, weight / static_cast<double>(lie.h));
    }
  }
  const auto longer = static_cast<double>(std::max(sheet.w, sheet.h));
  const auto share = [&](Nm side) {
    return std::max(40, static_cast<int>(cells * static_cast<double>(side) / longer));
  };
  alongX.scale(sheet.w, share(sheet.w), stop);
  alongY.scale(sheet.h, share(sheet.h), stop);
  columns_ = alongX.capacity();
  rows_ = alongY.capacity();
  exact_ = alongX.isExact() && alongY.isExact();
  for (std::size_t i = 0; i < items.size(); ++i)
    for (std::size_t l = 0; l < items[i].lies.size(); ++l) {
      const Lie& lie = items[i].lies[l];
      if (!usable(lie)) continue;
      const Fit fit{alongX.of(lie.w), alongY.of(lie.h), lie.w, lie.h, i, static_cast<int>(l)};
      if (fit.w < 1 || fit.h < 1)
        tiny_[i] = 1;
      else
        fits_.push_back(fit);
    }
  best_.resize(static_cast<std::size_t>(columns_ + 1) * static_cast<std::size_t>(rows_ + 1));
}

double GuillotineKnapsack::unitFor(const std::vector<double>& prices) const {
  // No pattern is worth more than the whole area at the price of the dearest item by area.
  double dearest = 0;
  for (const Fit& fit : fits_)
    dearest = std::max(dearest, prices[fit.item] / (static_cast<double>(fit.w) * fit.h));
  const double most = dearest * columns_ * rows_;
  if (most <= 0) return kMostExact;  // nothing fits, or nothing is worth anything
  // Rounding up adds at most one to a value, so one for each cell.
  const double room = kMostExact - static_cast<double>(columns_) * rows_;
  return std::exp2(std::floor(std::log2(room / most)));
}

// Cuts a piece of each height across, in place: the pieces of one width, from low to high.
void GuillotineKnapsack::cutAcross(float* row) {
  steps_.clear();  // heights at which the value rises: no others are worth a cut
  for (int y = 1; y <= rows_; ++y) {
    float most = std::max(row[y], row[y - 1]);
    for (const int low : steps_) {
      if (2 * low > y) break;
      const float sum = row[low] + row[y - low];
      most = most < sum ? sum : most;
    }
    row[y] = most;
    if (most > row[y - 1]) steps_.push_back(y);
  }
}

std::int64_t GuillotineKnapsack::solve(const std::vector<std::int64_t>& values,
                                       const std::stop_token& stop) {
  std::fill(best_.begin(), best_.end(), 0.0F);
  for (const Fit& fit : fits_)
    if (fit.w <= columns_ && fit.h <= rows_)
      at(fit.w, fit.h) = std::max(at(fit.w, fit.h), static_cast<float>(values[fit.item]));
  std::vector<int> steps;  // widths at which some value rises
  for (int x = 1; x <= columns_; ++x) {
    if (stop.stop_requested()) return -1;
    float* row = &at(x, 0);
    const float* before = &at(x - 1, 0);
    for (int y = 1; y <= rows_; ++y) row[y] = std::max(row[y], before[y]);
    for (const int low : steps) {
      if (2 * low > x) break;
      const float* a = &at(low, 0);
      const float* b = &at(x - low, 0);
      for (int y = 1; y <= rows_; ++y) {
        const float sum = a[y] + b[y];
        row[y] = row[y] < sum ? sum : row[y];
      }
    }
    cutAcross(row);
    if (!std::equal(row, row + rows_ + 1, before)) steps.push_back(x);
  }
  return static_cast<std::int64_t>(at(columns_, rows_));
}

// Follows the table back from a piece to what is cut from it, and lays that down from a corner with
// its true sizes; returns the size that takes.
GuillotineKnapsack::Extent GuillotineKnapsack::collect(int x, int y, Nm fromX, Nm fromY,
                                                       const std::vector<std::int64_t>& values,
                                                       std::vector<Laid>& laid) const {
  const float value = at(x, y);
  if (value <= 0) return {};
  while (x > 1 && at(x - 1, y) == value) --x;
  while (y > 1 && at(x, y - 1) == value) --y;
  for (const Fit& fit : fits_) {
    if (fit.w > x || fit.h > y || static_cast<float>(values[fit.item]) != value) continue;
    laid.push_back({static_cast<int>(fit.item), fit.lie, fromX, fromY, fromX + fit.trueW,
                    fromY + fit.trueH, fit.trueW, fit.trueH});
    return {fit.trueW, fit.trueH};
  }
  for (int i = 1; 2 * i <= x; ++i)
    if (at(i, y) + at(x - i, y) == value)
      return beside({i, y}, {x - i, y}, true, fromX, fromY, values, laid);
  for (int j = 1; 2 * j <= y; ++j)
    if (at(x, j) + at(x, y - j) == value)
      return beside({x, j}, {x, y - j}, false, fromX, fromY, values, laid);
  return {};
}

// Two pieces side by side along x or y.
GuillotineKnapsack::Extent GuillotineKnapsack::beside(Piece one, Piece other, bool alongX, Nm fromX,
                                                      Nm fromY,
                                                      const std::vector<std::int64_t>& values,
                                                      std::vector<Laid>& laid) const {
  const Extent a = collect(one.x, one.y, fromX, fromY, values, laid);
  if (alongX) {
    const Extent b = collect(other.x, other.y, fromX + a.w, fromY, values, laid);
    return {a.w + b.w, std::max(a.h, b.h)};
  }
  const Extent b = collect(other.x, other.y, fromX, fromY + a.h, values, laid);
  return {std::max(a.w, b.w), a.h + b.h};
}

std::vector<GuillotineKnapsack::Pattern> GuillotineKnapsack::patterns(
    const std::vector<std::int64_t>& values, std::int64_t least, std::size_t most) const {
  // A first cut at a width x or a height y, none where they are all of the sheet.
  struct First {
    float value;
    int x, y;
  };
  std::vector<First> firsts = {{at(columns_, rows_), columns_, rows_}};
  const auto consider = [&](float value, int x, int y) {
    if (value > static_cast<float>(least)) firsts.push_back({value, x, y});
  };
  for (int x = 1; 2 * x <= columns_; ++x)
    if (at(x, rows_) > at(x - 1, rows_)) consider(at(x, rows_) + at(columns_ - x, rows_), x, rows_);
  for (int y = 1; 2 * y <= rows_; ++y)
    if (at(columns_, y) > at(columns_, y - 1))
      consider(at(columns_, y) + at(columns_, rows_ - y), columns_, y);
  std::stable_sort(firsts.begin(), firsts.end(),
                   [](const First& a, const First& b) { return a.value > b.value; });
  std::vector<Pattern> out;
  for (const First& first : firsts) {
    if (out.size() == most || first.value <= static_cast<float>(least)) break;
    Pattern pattern;
    pattern.items.resize(values.size());
    Extent a;
    if (first.x < columns_)
      a = beside({first.x, rows_}, {columns_ - first.x, rows_}, true, 0, 0, values, pattern.laid);
    else if (first.y < rows_)
      a = beside({columns_, first.y}, {columns_, rows_ - first.y}, false, 0, 0, values,
                 pattern.laid);
    else
      a = collect(columns_, rows_, 0, 0, values, pattern.laid);
    for (const Laid& one : pattern.laid) ++pattern.items[static_cast<std::size_t>(one.block)];
    pattern.cuttable = a.w <= sheetW_ && a.h <= sheetH_;
    pattern.value = static_cast<std::int64_t>(first.value);
    const bool known = std::any_of(
        out.begin(), out.end(), [&](const Pattern& other) { return other.items == pattern.items; });
    if (!known) out.push_back(std::move(pattern));
  }
  return out;
}

}  // namespace pp::nest
