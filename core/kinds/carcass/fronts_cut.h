// Fronts beside or above one another that are cut from one strip, or from one board.
#pragma once

#include "core/designs/carcass.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

// Says so of the fronts among the parts, as their openings have it: runs in order, left to right
// and from the top; boards in the place of the fronts that are cut from them. Problems where fronts
// cannot come from one board.
Problems cutFronts(const PartBuilder& builder, const Carcass& carcass, std::vector<Part>& parts);

// Leaves out fronts that lie over one another, because one reaches further than its neighbour
// leaves, and says so.
void refuseFrontsThatMeet(const PartBuilder& builder, Made& out);

}  // namespace pp
