#include "core/nest/dive/full_sheet.h"

#include <algorithm>
#include <cstring>

#include "core/nest/sheet/arrangement.h"

namespace pp::nest {
namespace {

// Sixteen counts at once (a GCC vector): the test for more than is wanted is most of the work.
using Bytes = std::uint8_t __attribute__((vector_size(16)));
constexpr std::size_t kLane = sizeof(Bytes);

Bytes lane(const std::uint8_t* from) {
  Bytes out;
  std::memcpy(&out, from, kLane);
  return out;
}

}  // namespace

FullSheet::FullSheet(const Group& group, std::size_t row, int cells)
    : group_(group), row_(row), sheetW_(group.stock[row].w), sheetH_(group.stock[row].h) {
  const auto longer = static_cast<double>(std::max(sheetW_, sheetH_));
  const auto share = [&](Nm side) {
    constexpr int kLeast = 10;
    return std::max(kLeast, static_cast<int>(cells * static_cast<double>(side) / longer));
  };
  columns_ = share(sheetW_);
  rows_ = share(sheetH_);
  for (int x = 0; x <= columns_; ++x)
    widths_.push_back(static_cast<Nm>(static_cast<Int128>(sheetW_) * x / columns_));
  for (int y = 0; y <= rows_; ++y)
    heights_.push_back(static_cast<Nm>(static_cast<Int128>(sheetH_) * y / rows_));
}

// What two pieces hold together; what is more than wanted is worth nothing.
float FullSheet::together(int a, int b) const {
  const std::uint8_t* one = countsOf(a);
  const std::uint8_t* other = countsOf(b);
  float value = valueOf(a) + valueOf(b);
  Bytes excess = {};
  for (std::size_t i = 0; i < stride_; i += kLane)
    excess |= lane(one + i) + lane(other + i) > lane(wanted_.data() + i);
  const auto halves = reinterpret_cast<const std::uint64_t*>(&excess);
  if ((halves[0] | halves[1]) == 0) return value;
  for (std::size_t i = 0; i < items_.size(); ++i) {
    const int over = one[i] + other[i] - wanted_[i];
    if (over > 0) value -= static_cast<float>(over) * prices_[i];
  }
  return value;
}

void FullSheet::inherit(int cell, int from) {
  if (valueOf(from) <= valueOf(cell)) return;
  valueOf(cell) = valueOf(from);
  at(cell) = at(from);
  std::copy_n(countsOf(from), stride_, countsOf(cell));
}

void FullSheet::takeBoth(int cell, int a, int b, bool row, Nm limitW, Nm limitH) {
  const Cell& one = at(a);
  const Cell& other = at(b);
  const Nm w = row ? one.w + other.w : std::max(one.w, other.w);
  const Nm h = row ? std::max(one.h, other.h) : one.h + other.h;
  if (w > limitW || h > limitH) return;
  const float value = together(a, b);
  if (value <= valueOf(cell)) return;
  valueOf(cell) = value;
  at(cell) = {w, h, row ? Cell::How::Row : Cell::How::Column, a, b};
  std::uint8_t* counts = countsOf(cell);
  const std::uint8_t* ofOne = countsOf(a);
  const std::uint8_t* ofOther = countsOf(b);
  for (std::size_t i = 0; i < stride_; ++i)
    counts[i] = std::min(wanted_[i], static_cast<std::uint8_t>(ofOne[i] + ofOther[i]));
}

// Lays down what a cell holds, each block no more often than is left of it.
void FullSheet::lay(int cell, Nm x, Nm y, std::vector<std::uint8_t>& left,
                    std::vector<Laid>& out) const {
  const Cell& what = at(cell);
  if (what.how == Cell::How::Nothing) return;
  if (what.how == Cell::How::Block) {
    const auto item = static_cast<std::size_t>(what.a);
    if (left[item] == 0) return;
    --left[item];
    out.push_back(
        {static_cast<int>(items_[item]), what.b, x, y, x + what.w, y + what.h, what.w, what.h});
    return;
  }
  lay(what.a, x, y, left, out);
  const Cell& first = at(what.a);
  if (what.how == Cell::How::Row)
    lay(what.b, x + first.w, y, left, out);
  else
    lay(what.b, x, y + first.h, left, out);
}

FullSheet::Pattern FullSheet::patternOf(const First& first) const {
  Pattern out{0, std::vector<std::int64_t>(group_.blocks.size()), emptySheet(group_, row_)};
  std::vector<std::uint8_t> left = wanted_;
  std::vector<Laid> laid;
  lay(first.a, 0, 0, left, laid);
  if (first.b >= 0)
    lay(first.b, first.row ? at(first.a).w : 0, first.row ? 0 : at(first.a).h, left, laid);
  for (std::size_t i = 0; i < items_.size(); ++i) {
    const int count = wanted_[i] - left[i];
    out.blocks[items_[i]] = count;
    out.value += count * static_cast<double>(prices_[i]);
  }
  if (!out.sheet.arrange(std::move(laid))) out.value = 0;
  return out;
}

// Puts every block alone on the smallest cell it fits.
void FullSheet::layBlocks() {
  const SheetGrain grain = group_.stock[row_].grain;
  const auto cellFor = [](const std::vector<Nm>& limits, Nm size) {
    return static_cast<int>(std::lower_bound(limits.begin(), limits.end(), size) - limits.begin());
  };
  for (std::size_t i = 0; i < items_.size(); ++i) {
    const std::vector<Lie>& lies = group_.blocks[items_[i]].lies;
    for (std::size_t l = 0; l < lies.size(); ++l) {
      const Lie& lie = lies[l];
      if (!lie.allowedOn(grain) || lie.w > sheetW_ || lie.h > sheetH_) continue;
      const int cell = cellOf(cellFor(widths_, lie.w), cellFor(heights_, lie.h));
      if (prices_[i] <= valueOf(cell)) continue;
      valueOf(cell) = prices_[i];
      at(cell) = {lie.w, lie.h, Cell::How::Block, static_cast<int>(i), static_cast<int>(l)};
      std::fill_n(countsOf(cell), stride_, std::uint8_t{0});
      countsOf(cell)[i] = 1;
    }
  }
}

// From small cells to large ones, the best of two smaller pieces. The true sizes of two pieces may
// need a cell less than their cells have together. False when stopped.
bool FullSheet::combine(const std::stop_token& stop) {
  steps_.assign(static_cast<std::size_t>(rows_) + 1, {});
  std::vector<int> heights;  // at which the worth rises in the column at hand
  for (int x = 1; x <= columns_; ++x) {
    if (stop.stop_requested()) return false;
    heights.clear();
    const Nm limitW = widths_[static_cast<std::size_t>(x)];
    for (int y = 1; y <= rows_; ++y) {
      const int cell = cellOf(x, y);
      const Nm limitH = heights_[static_cast<std::size_t>(y)];
      inherit(cell, cellOf(x - 1, y));
      inherit(cell, cellOf(x, y - 1));
      std::vector<int>& widths = steps_[static_cast<std::size_t>(y)];
      for (const int low : widths) {
        if (2 * low > x + 1) break;
        if (low > 1) tryBoth(cell, cellOf(low, y), cellOf(x - low + 1, y), true, limitW, limitH);
        tryBoth(cell, cellOf(low, y), cellOf(x - low, y), true, limitW, limitH);
      }
      for (const int low : heights) {
        if (2 * low > y + 1) break;
        if (low > 1) tryBoth(cell, cellOf(x, low), cellOf(x, y - low + 1), false, limitW, limitH);
        tryBoth(cell, cellOf(x, low), cellOf(x, y - low), false, limitW, limitH);
      }
      if (valueOf(cell) > valueOf(cellOf(x - 1, y))) widths.push_back(x);
      if (valueOf(cell) > valueOf(cellOf(x, y - 1))) heights.push_back(y);
    }
  }
  return true;
}

// The whole sheet, and every first cut across it, that may be worth more than `least`; the most
// valuable first.
std::vector<FullSheet::First> FullSheet::firstCuts(double least) const {
  const int whole = cellOf(columns_, rows_);
  std::vector<First> out = {{valueOf(whole), whole, -1, true}};
  const auto consider = [&](int a, int b, bool row) {
    if (valueOf(a) + valueOf(b) <= static_cast<float>(least)) return;
    if (row ? at(a).w + at(b).w > sheetW_ : at(a).h + at(b).h > sheetH_) return;
    out.push_back({together(a, b), a, b, row});
  };
  for (const int x : steps_[static_cast<std::size_t>(rows_)]) {
    if (2 * x > columns_ + 1) break;
    consider(cellOf(x, rows_), cellOf(columns_ - x, rows_), true);
    if (x > 1) consider(cellOf(x, rows_), cellOf(columns_ - x + 1, rows_), true);
  }
  for (int y = 1; 2 * y <= rows_ + 1; ++y) {
    if (valueOf(cellOf(columns_, y)) <= valueOf(cellOf(columns_, y - 1))) continue;
    consider(cellOf(columns_, y), cellOf(columns_, rows_ - y), false);
    if (y > 1) consider(cellOf(columns_, y), cellOf(columns_, rows_ - y + 1), false);
  }
  std::stable_sort(out.begin(), out.end(),
                   [](const First& a, const First& b) { return a.value > b.value; });
  return out;
}

std::vector<FullSheet::Pattern> FullSheet::fill(const std::vector<double>& prices,
                                                const std::vector<std::int64_t>& wanted,
                                                double least, std::size_t most,
                                                const std::stop_token& stop) {
  items_.clear();
  wanted_.clear();
  prices_.clear();
  for (std::size_t b = 0; b < prices.size(); ++b) {
    if (prices[b] <= 0 || wanted[b] <= 0 || !group_.blocks[b].mayLieOn(row_)) continue;
    constexpr std::int64_t kMost = 100;  // twice that still is a byte
    items_.push_back(b);
    wanted_.push_back(static_cast<std::uint8_t>(std::min(wanted[b], kMost)));
    prices_.push_back(static_cast<float>(prices[b]));
  }
  const auto cells = static_cast<std::size_t>((columns_ + 1) * (rows_ + 1));
  values_.assign(cells, 0);
  cells_.assign(cells, {});
  stride_ = (items_.size() + kLane - 1) / kLane * kLane;
  wanted_.resize(stride_);
  counts_.assign(cells * stride_, 0);
  layBlocks();
  if (!combine(stop)) return {};
  std::vector<Pattern> out;
  for (const First& first : firstCuts(least)) {
    if (out.size() == most || first.value <= static_cast<float>(least)) break;
    Pattern pattern = patternOf(first);
    const bool known = std::any_of(out.begin(), out.end(), [&](const Pattern& other) {
      return other.blocks == pattern.blocks;
    });
    if (!known && pattern.value > least) out.push_back(std::move(pattern));
  }
  return out;
}

}  // namespace pp::nest
