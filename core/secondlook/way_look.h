// What does not come through the gates of the way in.
#pragma once

#include "core/secondlook/second_look.h"

namespace pp {

// One finding a gate and kind of section that is too large for it; silent for a job without a
// route. The fix builds it in sections that come through all gates, where its kind can be.
std::vector<Finding> checkWayIn(const Job& job, const Breakdown& breakdown);

}  // namespace pp
