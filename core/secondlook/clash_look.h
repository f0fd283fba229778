// What of an assembly meets what is on the walls and the floor where it stands.
#pragma once

#include "core/secondlook/second_look.h"

namespace pp {

// An outlet, switch, valve, pipe or vent behind a back: offered as a cut-out of that back; behind a
// board on edge it must be moved. A vent, window or hatch covered, a door that hits, a foot or step
// that is stood on, a moulding higher or thicker than the notch over it, a drawer or door that
// cannot open past what stands out of the wall beside it, a lid under a sill,
// what it is fastened by where that meets fewer than two studs. Boxes against boxes:
// what only comes near is not said.
std::vector<Finding> checkClashes(const Job& job, const Breakdown& breakdown);

}  // namespace pp
