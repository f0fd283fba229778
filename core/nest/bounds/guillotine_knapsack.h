// The most valuable way to cut one sheet from edge to edge when every item may be taken as often as
// one likes: an upper bound for every real pattern (Gilmore & Gomory 1966, as a recursion over the
// sizes of a piece). Sizes are rounded down to a grid, which only ever lets in more patterns, so
// that the value stays an upper bound.
#pragma once

#include <cstdint>
#include <stop_token>
#include <vector>

#include "core/nest/blocks.h"

namespace pp::nest {

// Something rigid that a bound reckons with: a part, or a run whose parts are equally wide.
struct BoundItem {
  std::vector<Lie> lies;  // members are not used
  std::int64_t copies = 0;
  Int128 area = 0;        // inflated, nm²
  std::size_t block = 0;  // that it is, or is a part of
};

// The blocks of a group as items: a run of unequal widths counts as its parts, since something else
// may lie beside a narrow one.
std::vector<BoundItem> boundItems(const Group& group);

class GuillotineKnapsack {
 public:
  // `cells` limits the grid along the longer side of the sheet.
  GuillotineKnapsack(const std::vector<BoundItem>& items, const StockKindRow& sheet, int cells);

  // Upper bound on the summed value of any pattern; values are whole numbers >= 0 whose sums stay
  // below 2^53. An item smaller than a cell in both directions must have value 0; see isTiny().
  // Negative when stopped.
  double solve(const std::vector<double>& values, const std::stop_token& stop);

  bool isTiny(std::size_t item) const { return tiny_[item] != 0; }

  // After solve(): how often each item is in the pattern found. It may exceed the copies wanted,
  // and on a rounded grid it may not be cuttable.
  std::vector<std::int64_t> pattern(const std::vector<double>& values) const;

  bool isExact() const { return exact_; }

 private:
  struct Fit {
    int w, h;  // cells
    std::size_t item;
  };
  double& at(int x, int y) {
    return best_[static_cast<std::size_t>(x) * static_cast<std::size_t>(rows_ + 1) +
                 static_cast<std::size_t>(y)];
  }
  double at(int x, int y) const { return const_cast<GuillotineKnapsack*>(this)->at(x, y); }

  int columns_ = 0, rows_ = 0;  // capacity of the grid
  bool exact_ = true;
  std::vector<Fit> fits_;
  std::vector<char> tiny_;
  std::vector<double> best_;
};

}  // namespace pp::nest
