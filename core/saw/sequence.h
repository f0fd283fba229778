// From a plan's cut trees to one cutting sequence over all sheets.
#pragma once

#include <stop_token>

#include "core/plan/plan.h"

namespace pp::saw {

// Fills `cuts`, `setups`, `troubles`, the places of all placements and every sheet's `leftovers` of
// a plan whose sheets hold placements and trees. Cuts with one setting (machine, direction,
// distance) stay together as far as the order in which pieces come to be allows.
void sequence(const NestRequest& request, Plan& plan, const std::stop_token& stop = {});

}  // namespace pp::saw
