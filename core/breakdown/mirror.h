// An assembly seen in a mirror, with what hangs on its parts.
#pragma once

#include "core/job/job.h"

namespace pp {

// Turns an assembly of the job into its mirror image. What was chosen for a part changes sides with
// it; numbers and pins stay with the role, so that B1-01 is the left side before and after.
// Precondition: it is no group; of that the carcasses are turned one by one.
void mirrorAssembly(Job& job, std::size_t index);

}  // namespace pp
