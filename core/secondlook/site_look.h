// The second look at the place as it was measured. A job without one is silent.
#pragma once

#include "core/secondlook/second_look.h"

namespace pp {

// Sizes that parts follow from and nobody has read, or read once only; two readings that do not
// agree, with the slip they look like; readings that contradict one another; a floor or a plan so
// far off that it must be scribed to.
std::vector<Finding> checkSite(const Job& job, const Breakdown& breakdown);

}  // namespace pp
