// What closes a carcass at the rear, or braces it there: a back in one piece or several, or rails.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

// Whether a panel so wide and high can be cut from one piece in the rack; so it is where the rack
// has none of the material.
bool fitsSheet(const Job& job, const std::string& material, PanelGrain grain, Length width,
               Length height);

// The pieces of the back, battens where two meet on nothing else, or the rails that are said.
// Rails in notches are cut into `panels`, which are in the layout's order. Problems where pieces
// would meet on nothing.
Result<std::vector<Part>> backParts(const PartBuilder& builder, const Carcass& carcass,
                                    const CarcassLayout& layout, std::vector<Part>& panels);

}  // namespace pp
