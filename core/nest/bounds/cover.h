// The least cost of stock that satisfies conditions every plan must: the integer part of the
// bounds.
#pragma once

#include <vector>

#include "core/nest/sheet/blocks.h"

namespace pp::nest {

// The pieces of stock of any plan that places all blocks, n[k] of row k, satisfy
// sum n[k] * most[k] >= need.
struct Condition {
  std::vector<Int128> most;  // per stock row, >= 0
  Int128 need = 0;
};

// The least sum n[k] * values[k] over whole n[k], 0 <= n[k] <= available, that satisfies all
// conditions, or a lower bound of it when the search would take too long; never above the value of
// using everything, which is what is returned when the conditions cannot be met.
Cost leastCover(const Group& group, const std::vector<Cost>& values,
                const std::vector<Condition>& conditions);

}  // namespace pp::nest
