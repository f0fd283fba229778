#include "core/nest/bounds/guillotine_knapsack.h"

#include <algorithm>
#include <numeric>

namespace pp::nest {
namespace {

// How one side of the sheet is cut into cells: a length takes floor(length * cells / side) of them,
// and a row of lengths that fits takes no more than `capacity`.
struct Axis {
  Nm side = 0;
  int cells = 1;
  int capacity = 1;
  bool exact = false;
  int of(Nm length) const { return static_cast<int>(static_cast<Int128>(length) * cells / side); }
};

Axis axisFor(Nm side, const std::vector<std::pair<Nm, double>>& lengths, int most) {
  Axis out;
  out.side = side;
  Nm unit = side;
  for (const auto& [length, weight] : lengths) unit = std::gcd(unit, length);
  if (side / unit <= most) {
    out.cells = out.capacity = static_cast<int>(side / unit);
    out.exact = true;
    return out;
  }
  // The grid that loses the least. Where no length is a whole number of cells, a full row would
  // need one cell less than there are.
  double best = -1;
  for (int cells = std::max(2, most * 2 / 3); cells <= most; ++cells) {
    Axis axis;
    axis.side = side;
    axis.cells = axis.capacity = cells;
    const bool whole = std::any_of(lengths.begin(), lengths.end(), [&](const auto& one) {
      return static_cast<Int128>(one.first) * cells % side == 0;
    });
    if (!whole) --axis.capacity;
    double kept = 0;
    double all = 0;
    for (const auto& [length, weight] : lengths) {
      kept += weight * axis.of(length) / axis.capacity;
      all += weight * static_cast<double>(length) / static_cast<double>(side);
    }
    if (kept / all > best) {
      best = kept / all;
      out = axis;
    }
  }
  return out;
}

}  // namespace

std::vector<BoundItem> boundItems(const Group& group) {
  std::vector<BoundItem> out;
  for (std::size_t b = 0; b < group.blocks.size(); ++b) {
    const Block& block = group.blocks[b];
    const Lie& first = block.lies.front();
    const auto across = [](const Lie& lie, const Member& m) { return lie.alongX ? m.dy : m.dx; };
    const Nm kerf = (first.alongX ? first.h : first.w) - [&] {
      Nm most = 0;
      for (const Member& member : first.members) most = std::max(most, across(first, member));
      return most;
    }();
    const bool even =
        std::all_of(first.members.begin(), first.members.end(), [&](const Member& member) {
          return across(first, member) == across(first, first.members.front());
        });
    const auto inflated = [kerf](const Member& m) {
      return static_cast<Int128>(m.dx + kerf) * (m.dy + kerf);
    };
    if (even) {
      BoundItem item{block.lies, block.copies, 0, b};
      item.area = static_cast<Int128>(first.w) * first.h;
      out.push_back(std::move(item));
      continue;
    }
    for (std::size_t k = 0; k < first.members.size(); ++k) {
      BoundItem item{{}, block.copies, inflated(first.members[k]), b};
      for (const Lie& lie : block.lies) {
        Lie alone;
        alone.w = lie.members[k].dx + kerf;
        alone.h = lie.members[k].dy + kerf;
        std::copy(std::begin(lie.allowed), std::end(lie.allowed), std::begin(alone.allowed));
        item.lies.push_back(std::move(alone));
      }
      out.push_back(std::move(item));
    }
  }
  return out;
}

GuillotineKnapsack::GuillotineKnapsack(const std::vector<BoundItem>& items,
                                       const StockKindRow& sheet, int cells)
    : tiny_(items.size()) {
  std::vector<std::pair<Nm, double>> alongX;
  std::vector<std::pair<Nm, double>> alongY;
  const auto usable = [&sheet](const Lie& lie) {
    return lie.allowedOn(sheet.grain) && lie.w <= sheet.w && lie.h <= sheet.h;
  };
  for (const BoundItem& item : items)
    for (const Lie& lie : item.lies) {
      if (!usable(lie)) continue;
      const double weight = static_cast<double>(item.copies) * static_cast<double>(item.area);
      alongX.emplace_back(lie.w, weight / static_cast<double>(lie.w));
      alongY.emplace_back(lie.h, weight / static_cast<double>(lie.h));
    }
  const auto longer = static_cast<double>(std::max(sheet.w, sheet.h));
  const auto share = [&](Nm side) {
    return std::max(40, static_cast<int>(cells * static_cast<double>(side) / longer));
  };
  const Axis x = axisFor(sheet.w, alongX, share(sheet.w));
  const Axis y = axisFor(sheet.h, alongY, share(sheet.h));
  columns_ = x.capacity;
  rows_ = y.capacity;
  exact_ = x.exact && y.exact;
  for (std::size_t i = 0; i < items.size(); ++i)
    for (const Lie& lie : items[i].lies) {
      if (!usable(lie)) continue;
      const Fit fit{x.of(lie.w), y.of(lie.h), i};
      if (fit.w < 1 || fit.h < 1)
        tiny_[i] = 1;
      else
        fits_.push_back(fit);
    }
  best_.resize(static_cast<std::size_t>(columns_ + 1) * static_cast<std::size_t>(rows_ + 1));
}

double GuillotineKnapsack::solve(const std::vector<double>& values, const std::stop_token& stop) {
  std::fill(best_.begin(), best_.end(), 0.0);
  for (const Fit& fit : fits_)
    if (fit.w <= columns_ && fit.h <= rows_)
      at(fit.w, fit.h) = std::max(at(fit.w, fit.h), values[fit.item]);
  for (int x = 1; x <= columns_; ++x) {
    if (stop.stop_requested()) return -1;
    double* row = &at(x, 0);
    const double* before = &at(x - 1, 0);
    for (int y = 1; y <= rows_; ++y) row[y] = std::max(row[y], before[y]);
    for (int i = 1; 2 * i <= x; ++i) {
      const double* a = &at(i, 0);
      const double* b = &at(x - i, 0);
      for (int y = 1; y <= rows_; ++y) {
        const double sum = a[y] + b[y];
        row[y] = row[y] < sum ? sum : row[y];
      }
    }
    for (int y = 1; y <= rows_; ++y) {
      double most = std::max(row[y], row[y - 1]);
      for (int j = 1; 2 * j <= y; ++j) {
        const double sum = row[j] + row[y - j];
        most = most < sum ? sum : most;
      }
      row[y] = most;
    }
  }
  return at(columns_, rows_);
}

std::vector<std::int64_t> GuillotineKnapsack::pattern(const std::vector<double>& values) const {
  std::vector<std::int64_t> out(values.size());
  std::vector<std::pair<int, int>> todo = {{columns_, rows_}};
  while (!todo.empty()) {
    auto [x, y] = todo.back();
    todo.pop_back();
    const double value = at(x, y);
    if (value <= 0) continue;
    while (x > 1 && at(x - 1, y) == value) --x;
    while (y > 1 && at(x, y - 1) == value) --y;
    const auto item = std::find_if(fits_.begin(), fits_.end(), [&](const Fit& fit) {
      return fit.w <= x && fit.h <= y && values[fit.item] == value;
    });
    if (item != fits_.end()) {
      ++out[item->item];
      continue;
    }
    bool found = false;
    for (int i = 1; 2 * i <= x && !found; ++i)
      if (at(i, y) + at(x - i, y) == value) {
        todo.emplace_back(i, y);
        todo.emplace_back(x - i, y);
        found = true;
      }
    for (int j = 1; 2 * j <= y && !found; ++j)
      if (at(x, j) + at(x, y - j) == value) {
        todo.emplace_back(x, j);
        todo.emplace_back(x, y - j);
        found = true;
      }
  }
  return out;
}

}  // namespace pp::nest
