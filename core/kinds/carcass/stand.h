// What carcasses stand on: a base frame, or runners.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

// The frame a stand describes, under panels so wide, so deep.
BaseFrame frameOf(const Stand& stand, Length width, Length depth);

// What stands under one carcass.
Result<std::vector<Part>> standParts(const PartBuilder& builder, const Stand& stand,
                                     const Carcass& carcass, const CarcassLayout& layout);

// From the rear edge of the panels: what a moulding at the wall takes off a stand's depth.
Length mouldingDepth(const Carcass& carcass);

}  // namespace pp
