// From a plan's cut trees to one cutting sequence over all sheets.
#pragma once

#include "core/plan/plan.h"
#include "core/saw/machines.h"

namespace pp::saw {

// Fills `cuts`, `setups` and every sheet's `leftovers` of a plan whose sheets hold placements and
// trees. Each sheet is trimmed, then cut down to what its tree needs, then apart. Cuts with one
// setting (machine, direction, distance) stay together as far as the order in which pieces come
// to be allows.
void sequence(const NestRequest& request, const Shop& shop, Plan& plan);

}  // namespace pp::saw
