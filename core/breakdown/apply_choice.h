// What the maker has chosen for a part, done to it as the rules made it.
#pragma once

#include "core/parts/part_builder.h"

namespace pp {

// Problems, naming the part, where what is chosen cannot be done to it; then that is left out.
Problems applyChoice(const PartBuilder& builder, Part& part);

}  // namespace pp
