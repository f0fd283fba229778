// What the maker has chosen for a part, done to it as the rules made it.
#pragma once

#include "core/parts/part_builder.h"

namespace pp {

// To the part at that place of the parts of one assembly, of which no two are alike yet. Problems,
// naming the part, where what is chosen cannot be done to it; then that is left out. What was made
// larger and then takes the room of another part stays as large as the rules have it.
Problems applyChoice(const PartBuilder& builder, std::vector<Part>& parts, std::size_t at);

}  // namespace pp
