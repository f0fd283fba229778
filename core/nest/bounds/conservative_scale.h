// Whole-numbered sizes in place of lengths, few enough of them for a table, that never forbid what
// really fits side by side.
#pragma once

#include <cstdint>
#include <stop_token>
#include <vector>

#include "core/nest/sheet/blocks.h"

namespace pp::nest {

struct ScaleLength {
  Nm length = 0;            // > 0, at most the side
  std::int64_t copies = 0;  // no more of them lie in one row
  double weight = 0;        // how much it matters that its size is not rounded down
};

// Whenever lengths, each at most as often as it has copies, sum to no more than `side`, their sizes
// sum to no more than `capacity`.
struct ConservativeScale {
  int capacity = 1;
  std::vector<int> sizes;  // as the lengths were given; 0 where a length is under one cell
  bool exact = false;      // the sizes stand in the same ratio as the lengths and the side
};

// A scale of at most `cells` cells: lengths rounded down to a grid, the best of several, then
// raised one by one as far as the condition holds (Belov, Kartak, Rohling & Scheithauer 2013:
// conservative scales). Equal lengths are given once. When stopped they are raised no further.
ConservativeScale conservativeScale(const std::vector<ScaleLength>& lengths, Nm side, int cells,
                                    const std::stop_token& stop = {});

}  // namespace pp::nest
