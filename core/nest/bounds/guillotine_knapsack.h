// The most valuable way to cut one sheet from edge to edge when every item may be taken as often as
// one likes: an upper bound for every real pattern (Gilmore & Gomory 1966, as a recursion over the
// sizes of a piece). Sizes are whole numbers of a conservative scale on each axis, which only ever
// lets in more patterns, so that the value stays an upper bound.
#pragma once

#include <cstdint>
#include <stop_token>
#include <vector>

#include "core/nest/bounds/bound_items.h"
#include "core/nest/sheet/slack_tree.h"

namespace pp::nest {

class GuillotineKnapsack {
 public:
  // `cells` limits the scale along the longer side of the sheet. When stopped it is cruder.
  GuillotineKnapsack(const std::vector<BoundItem>& items, const StockKindRow& sheet, int cells,
                     const std::stop_token& stop = {});

  // The largest power of two by which these prices, >= 0, may be multiplied so that the table still
  // holds every sum of values exactly.
  double unitFor(const std::vector<double>& prices) const;

  // Upper bound on the summed value of any pattern. Values are whole numbers >= 0, at most
  // unitFor() times the prices they stand for, rounded either way. An item smaller than a cell in
  // both directions must have value 0; see isTiny(). Negative when stopped.
  std::int64_t solve(const std::vector<std::int64_t>& values, const std::stop_token& stop);

  bool isTiny(std::size_t item) const { return tiny_[item] != 0; }

  // How often each item lies on a sheet, and where. It may exceed the copies wanted.
  struct Pattern {
    std::vector<std::int64_t> items;
    std::vector<Laid> laid;  // `block` is the item
    bool cuttable = false;   // with the true sizes too
    std::int64_t value = 0;
  };
  // After solve(): up to `most` different patterns worth more than `least`, one for each first cut,
  // the most valuable first.
  std::vector<Pattern> patterns(const std::vector<std::int64_t>& values, std::int64_t least,
                                std::size_t most) const;

  bool isExact() const { return exact_; }

 private:
  struct Fit {
    int w, h;  // cells
    Nm trueW, trueH;
    std::size_t item;
    int lie;
  };
  struct Extent {
    Nm w = 0, h = 0;
  };
  float& at(int x, int y) {
    return best_[static_cast<std::size_t>(x) * static_cast<std::size_t>(rows_ + 1) +
                 static_cast<std::size_t>(y)];
  }
  float at(int x, int y) const { return const_cast<GuillotineKnapsack*>(this)->at(x, y); }
  void cutAcross(float* row);
  Extent collect(int x, int y, Nm fromX, Nm fromY, const std::vector<std::int64_t>& values,
                 std::vector<Laid>& laid) const;
  struct Piece {
    int x, y;
  };
  Extent beside(Piece one, Piece other, bool alongX, Nm fromX, Nm fromY,
                const std::vector<std::int64_t>& values, std::vector<Laid>& laid) const;

  Nm sheetW_, sheetH_;
  int columns_ = 0, rows_ = 0;  // capacity of the scales
  bool exact_ = true;
  std::vector<Fit> fits_;
  std::vector<char> tiny_;
  std::vector<float> best_;  // whole numbers below 2^24, so exact
  std::vector<int> steps_;
};

}  // namespace pp::nest
