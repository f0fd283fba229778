// A plan that a job's file has kept, as one of the job as it is now.
#pragma once

#include "core/plan/record.h"

namespace pp::saw {

// Nothing where the plan is of another request or does not play back.
std::optional<Plan> planFor(const Record& record, const NestRequest& request);

}  // namespace pp::saw
