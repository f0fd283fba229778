// The demo jobs, larger.
#pragma once

#include "core/job/job.h"

namespace pp::bench {

// The log wall so many times over, each copy with codes of its own.
Job logWall(std::int64_t times);
// A group of carcasses with dividers, drawers and doors, and what stands under, before and on them;
// "G1" is its code.
Job wideGroup(std::int64_t carcasses);

}  // namespace pp::bench
