// A plan that was looked at, kept with the job.
#pragma once

#include "core/plan/plan.h"

namespace pp {

// For the request whose fingerprint is `nested`.
struct KeptPlan {
  std::string nested;
  Plan plan;
};

namespace saw {

// The plan as one of the request: nothing where it is of another or does not play back.
std::optional<Plan> planFor(const KeptPlan& kept, const NestRequest& request);

// Adds the sums over the sheets, which are not kept.
void addAreas(const NestRequest& request, Plan& plan);

// Whether all indices of the plan are of things that the request and the plan have.
bool isWithin(const NestRequest& request, const Plan& plan);

}  // namespace saw
}  // namespace pp
