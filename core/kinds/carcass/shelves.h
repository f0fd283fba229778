// What lies and stands in the openings of a carcass: shelves that come out, their strips and lips,
// nailing strips and rails behind.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

// Holes for their pins are bored into the panels, one for each of the layout's and in its order.
// Problems where they find no room.
Result<std::vector<Part>> shelfParts(const PartBuilder& builder, const Carcass& carcass,
                                     const CarcassLayout& layout, std::vector<Part>& panels);

}  // namespace pp
