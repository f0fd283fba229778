// From the search's arrangements to a plan with true sizes, cuts and totals.
#pragma once

#include "core/nest/arrangement.h"
#include "core/nest/bound.h"
#include "core/saw/machines.h"

namespace pp::nest {

// One arrangement per group, in the groups' order.
Plan toPlan(const NestRequest& request, const Grouped& grouped,
            const std::vector<Arrangement>& arrangements, const std::vector<GroupBound>& bounds,
            const saw::Shop& shop);

}  // namespace pp::nest
