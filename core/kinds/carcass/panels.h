// The boards of a carcass without its drawers, doors and frame: outside panels, linings, dividers,
// shelves of all kinds with their strips and lips, and the back.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/maker.h"

namespace pp {

// Codes are not given yet. A problem where shelves find no room or dados from both sides of a
// divider would meet.
Result<std::vector<Part>> carcassParts(const Maker& maker, const Carcass& carcass,
                                       const CarcassLayout& layout);

// The outside panels, linings, dividers and fixed shelves, in the layout's order, and the back; not
// yet joined.
std::vector<Part> panelParts(const Maker& maker, const Carcass& carcass,
                             const CarcassLayout& layout);
Part backPart(const Maker& maker, const Carcass& carcass, const CarcassLayout& layout);

}  // namespace pp
