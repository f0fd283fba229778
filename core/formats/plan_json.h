// The cut plan as JSON, as docs/formats.md describes it.
#pragma once

#include <string>

#include "core/plan/plan.h"

namespace pp {

// The whole document with a line end; the same plan always gives the same bytes.
std::string writePlan(const NestRequest& request, const Plan& plan);

}  // namespace pp
