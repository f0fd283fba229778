// An assembly seen in a mirror, with what hangs on its parts.
#pragma once

#include "core/job/job.h"

namespace pp {

// Turns a carcass of the job into its mirror image. What was chosen for a part changes sides with
// it; numbers and pins stay with the role, so that B1-01 is the left side before and after.
// Precondition: it is a carcass.
void mirrorAssembly(Job& job, std::size_t index);

}  // namespace pp
