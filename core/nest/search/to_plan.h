// From the search's arrangements to a plan with true sizes, cuts and totals.
#pragma once

#include <optional>
#include <stop_token>

#include "core/nest/bounds/bound.h"
#include "core/nest/sheet/arrangement.h"

namespace pp::nest {

// The bound of the whole job from those of its groups.
Bound boundOf(const std::vector<GroupBound>& bounds);

// One sheet of an arrangement with its tree; the placements have no places or copy numbers yet.
PlannedSheet plannedSheet(const NestRequest& request, const Group& group, const SlackTree& tree);

// One arrangement per group, in the groups' order. Nothing once it is stopped.
std::optional<Plan> toPlan(const NestRequest& request, const Grouped& grouped,
                           const std::vector<Arrangement>& arrangements,
                           const std::vector<GroupBound>& bounds, const std::stop_token& stop = {});

}  // namespace pp::nest
