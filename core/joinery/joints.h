// Every joint of one thing: what its boards are held by, from how they meet, what they are and what
// was chosen.
#pragma once

#include "core/joinery/joint.h"

namespace pp::joinery {

// Of all contacts, in their order; boards that were turned are joined as they say themselves. What
// only rests is among them, so that every contact is there.
std::vector<Joint> jointsOf(const std::vector<PlacedBoard>& boards, Unit unit);

// "left end of the divider to the bottom": what says that it is joined and meets nothing there.
std::vector<std::string> unmet(const std::vector<PlacedBoard>& boards);

}  // namespace pp::joinery
