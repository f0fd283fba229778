// The boards of a carcass without its drawers, doors and frame: outside panels, linings, dividers,
// shelves of all kinds with their strips and lips, and the back.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

// Codes are not given yet. A problem where shelves find no room or dados from both sides of a
// divider would meet.
Result<std::vector<Part>> carcassParts(const PartBuilder& builder, const Carcass& carcass,
                                       const CarcassLayout& layout);

}  // namespace pp
