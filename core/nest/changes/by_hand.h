// Plans changed by hand. The plan stays one that can be cut, or the reason why not is given.
#pragma once

#include "core/plan/plan.h"

namespace pp::nest {

struct PlacementRef {
  std::size_t sheet = 0, placement = 0;  // indices into the plan
  bool operator==(const PlacementRef&) const = default;
};

// The plan with two placements in each other's place, or with one of them taken to another sheet.
// Neighbours on the sheets move up or aside as far as there is slack; nothing else changes.
// Problem: `found` says in words what stands in the way, such as "A-01 is 12 mm too long for S2".
Result<Plan> swapped(const NestRequest& request, const Plan& plan, PlacementRef a, PlacementRef b);
Result<Plan> moved(const NestRequest& request, const Plan& plan, PlacementRef from,
                   std::size_t toSheet);

}  // namespace pp::nest
