#include "core/nest/dive/full_sheet.h"

#include <algorithm>

#include "core/nest/arrangement.h"

namespace pp::nest {

FullSheet::FullSheet(const Group& group, std::size_t row, int cells)
    : group_(group), row_(row), sheetW_(group.stock[row].w), sheetH_(group.stock[row].h) {
  const auto longer = static_cast<double>(std::max(sheetW_, sheetH_));
  const auto share = [&](Nm side) {
    return std::max(10, static_cast<int>(cells * static_cast<double>(side) / longer));
  };
  columns_ = share(sheetW_);
  rows_ = share(sheetH_);
}

// What two pieces hold together; what is more than wanted is worth nothing.
float FullSheet::together(int a, int b) const {
  const std::uint8_t* one = countsOf(a);
  const std::uint8_t* other = countsOf(b);
  float value = at(a).value + at(b).value;
  for (std::size_t i = 0; i < items_.size(); ++i) {
    const int over = one[i] + other[i] - items_[i].wanted;
    if (over > 0) value -= static_cast<float>(over) * items_[i].price;
  }
  return value;
}

void FullSheet::inherit(int cell, int from) {
  if (at(from).value <= at(cell).value) return;
  at(cell) = at(from);
  std::copy_n(countsOf(from), items_.size(), countsOf(cell));
}

void FullSheet::tryBoth(int cell, int a, int b, bool row, Nm limitW, Nm limitH) {
  const Cell& one = at(a);
  const Cell& other = at(b);
  if (one.value + other.value <= at(cell).value) return;
  const Nm w = row ? one.w + other.w : std::max(one.w, other.w);
  const Nm h = row ? std::max(one.h, other.h) : one.h + other.h;
  if (w > limitW || h > limitH) return;
  const float value = together(a, b);
  if (value <= at(cell).value) return;
  at(cell) = {value, w, h, row ? Cell::How::Row : Cell::How::Column, a, b};
  std::uint8_t* counts = countsOf(cell);
  for (std::size_t i = 0; i < items_.size(); ++i)
    counts[i] = static_cast<std::uint8_t>(
        std::min<int>(items_[i].wanted, countsOf(a)[i] + countsOf(b)[i]));
}

void FullSheet::lay(int cell, Nm x, Nm y, std::vector<std::uint8_t>& left,
                    std::vector<Laid>& out) const {
  const Cell& what = at(cell);
  if (what.how == Cell::How::Nothing) return;
  if (what.how == Cell::How::Block) {
    const auto item = static_cast<std::size_t>(what.a);
    if (left[item] == 0) return;
    --left[item];
    out.push_back({static_cast<int>(items_[item].block), what.b, x, y, x + what.w, y + what.h,
                   what.w, what.h});
    return;
  }
  lay(what.a, x, y, left, out);
  const Cell& first = at(what.a);
  if (what.how == Cell::How::Row)
    lay(what.b, x + first.w, y, left, out);
  else
    lay(what.b, x, y + first.h, left, out);
}

FullSheet::Pattern FullSheet::patternOf(int a, int b, bool row) const {
  Pattern out{0, std::vector<std::int64_t>(group_.blocks.size()), emptySheet(group_, row_)};
  std::vector<std::uint8_t> left;
  for (const Item& item : items_) left.push_back(item.wanted);
  std::vector<Laid> laid;
  lay(a, 0, 0, left, laid);
  if (b >= 0) lay(b, row ? at(a).w : 0, row ? 0 : at(a).h, left, laid);
  for (std::size_t i = 0; i < items_.size(); ++i) {
    const int count = items_[i].wanted - left[i];
    out.blocks[items_[i].block] = count;
    out.value += count * static_cast<double>(items_[i].price);
  }
  if (!out.sheet.arrange(std::move(laid))) out.value = 0;
  return out;
}

std::vector<FullSheet::Pattern> FullSheet::fill(const std::vector<double>& prices,
                                                const std::vector<std::int64_t>& wanted,
                                                double least, std::size_t most) {
  items_.clear();
  for (std::size_t b = 0; b < prices.size(); ++b)
    if (prices[b] > 0 && wanted[b] > 0 && group_.blocks[b].mayLieOn(row_))
      items_.push_back({b, static_cast<std::uint8_t>(std::min<std::int64_t>(wanted[b], 100)),
                        static_cast<float>(prices[b])});
  cells_.assign(static_cast<std::size_t>((columns_ + 1) * (rows_ + 1)), {});
  counts_.assign(cells_.size() * items_.size(), 0);
  const SheetGrain grain = group_.stock[row_].grain;
  for (std::size_t i = 0; i < items_.size(); ++i) {
    const std::vector<Lie>& lies = group_.blocks[items_[i].block].lies;
    for (std::size_t l = 0; l < lies.size(); ++l) {
      const Lie& lie = lies[l];
      if (!lie.allowedOn(grain) || lie.w > sheetW_ || lie.h > sheetH_) continue;
      int x = static_cast<int>(static_cast<Int128>(lie.w) * columns_ / sheetW_);
      int y = static_cast<int>(static_cast<Int128>(lie.h) * rows_ / sheetH_);
      while (widthOf(x) < lie.w) ++x;
      while (heightOf(y) < lie.h) ++y;
      const int cell = cellOf(x, y);
      if (items_[i].price <= at(cell).value) continue;
      at(cell) = {items_[i].price, lie.w, lie.h, Cell::How::Block, static_cast<int>(i),
                  static_cast<int>(l)};
      std::fill_n(countsOf(cell), items_.size(), std::uint8_t{0});
      countsOf(cell)[i] = 1;
    }
  }
  // Where the value rises along x, for every y; along y, in the column at hand.
  std::vector<std::vector<int>> widths(static_cast<std::size_t>(rows_) + 1);
  for (int x = 1; x <= columns_; ++x) {
    std::vector<int> heights;
    const Nm limitW = widthOf(x);
    for (int y = 1; y <= rows_; ++y) {
      const int cell = cellOf(x, y);
      const Nm limitH = heightOf(y);
      inherit(cell, cellOf(x - 1, y));
      inherit(cell, cellOf(x, y - 1));
      auto& steps = widths[static_cast<std::size_t>(y)];
      for (const int low : steps) {
        if (2 * low > x + 1) break;
        if (x - low + 1 < x) tryBoth(cell, cellOf(low, y), cellOf(x - low + 1, y), true, limitW, limitH);
        tryBoth(cell, cellOf(low, y), cellOf(x - low, y), true, limitW, limitH);
      }
      for (const int low : heights) {
        if (2 * low > y + 1) break;
        if (y - low + 1 < y) tryBoth(cell, cellOf(x, low), cellOf(x, y - low + 1), false, limitW, limitH);
        tryBoth(cell, cellOf(x, low), cellOf(x, y - low), false, limitW, limitH);
      }
      if (at(cell).value > at(cellOf(x - 1, y)).value) steps.push_back(x);
      if (at(cell).value > at(cellOf(x, y - 1)).value) heights.push_back(y);
    }
  }
  struct First {
    float value;
    int a, b;
    bool row;
  };
  std::vector<First> firsts = {{at(cellOf(columns_, rows_)).value, cellOf(columns_, rows_), -1, true}};
  const auto consider = [&](int a, int b, bool row) {
    if (at(a).value + at(b).value <= static_cast<float>(least)) return;
    if ((row ? at(a).w + at(b).w > sheetW_ : at(a).h + at(b).h > sheetH_)) return;
    const float value = together(a, b);
    if (value > static_cast<float>(least)) firsts.push_back({value, a, b, row});
  };
  for (const int x : widths[static_cast<std::size_t>(rows_)]) {
    if (2 * x > columns_ + 1) break;
    consider(cellOf(x, rows_), cellOf(columns_ - x, rows_), true);
    consider(cellOf(x, rows_), cellOf(columns_ - x + 1, rows_), true);
  }
  for (int y = 1; 2 * y <= rows_ + 1; ++y) {
    if (at(cellOf(columns_, y)).value <= at(cellOf(columns_, y - 1)).value) continue;
    consider(cellOf(columns_, y), cellOf(columns_, rows_ - y), false);
    consider(cellOf(columns_, y), cellOf(columns_, rows_ - y + 1), false);
  }
  std::stable_sort(firsts.begin(), firsts.end(),
                   [](const First& a, const First& b) { return a.value > b.value; });
  std::vector<Pattern> out;
  for (const First& first : firsts) {
    if (out.size() == most || first.value <= static_cast<float>(least)) break;
    Pattern pattern = patternOf(first.a, first.b, first.row);
    const bool known = std::any_of(out.begin(), out.end(), [&](const Pattern& other) {
      return other.blocks == pattern.blocks;
    });
    if (!known && pattern.value > least) out.push_back(std::move(pattern));
  }
  return out;
}

}  // namespace pp::nest
