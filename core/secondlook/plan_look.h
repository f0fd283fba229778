// What to point out about a plan: cuts the shop cannot make, what shows from two lots, and the
// small change that would save a sheet.
#pragma once

#include "core/nest/changes/nearly.h"
#include "core/secondlook/second_look.h"

namespace pp {

// Cuts that no saw of the shop makes, and pieces too heavy for one person, one finding each kind.
std::vector<Finding> checkCuts(const Job& job, const std::vector<Part>& parts,
                               const NestRequest& request, const Plan& plan);
// Parts that show and come from more than one lot.
std::vector<Finding> checkLots(const Job& job, const std::vector<Part>& parts,
                               const NestRequest& request, const Plan& plan);
// The finding for a change that would save a sheet; `part` is one of `parts`. Where the part is a
// loose board its size is the user's own, and the fix makes it smaller.
Finding nearlyFinding(const Job& job, const std::vector<Part>& parts, const nest::Nearly& nearly);

std::vector<Finding> lookAtPlan(const Job& job, const std::vector<Part>& parts,
                                const NestRequest& request, const Plan& plan);

}  // namespace pp
