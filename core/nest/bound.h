// What no plan can beat.
#pragma once

#include "core/nest/blocks.h"
#include "core/plan/plan.h"

namespace pp::nest {

// The least price, and the least number of pieces, of stock whose area takes all blocks. Parts and
// usable areas are inflated by the kerf, which keeps the bound valid: every part takes a kerf with
// it but for those at the end of a sheet, which gains one. Limited quantities are respected; where
// the stock cannot take all blocks, the bound is that of using everything.
struct GroupBound {
  Cost cost = 0;
  std::int64_t sheets = 0;
};
GroupBound areaBound(const Group& group);

}  // namespace pp::nest
