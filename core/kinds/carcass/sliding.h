// Two panels that slide past one another before an opening, in grooves of what is below and above.
// The upper groove is twice as deep as the lower, so that they lift in and out.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

// How thick the thicker of the two is, measured. `first`: the first opening behind them.
Length slidingThickness(const Job& job, const PartChoices& choices, const Carcass& carcass,
                        Id first);

// Whether it is one: lifted into the upper groove and let down into the lower.
bool isSliding(const Part& part);

// How far behind the front edges two such panels reach.
Length slidingDepth(Length thickness);

// Where they stand, the left one first; they lap in the middle.
std::vector<FrontRect> slidingRects(const Carcass& carcass, const OpeningRect& door);

Result<std::vector<Part>> slidingParts(const PartBuilder& builder, const Carcass& carcass,
                                       const CarcassLayout& layout, const OpeningRect& door);

// Cuts the grooves for all of them into the panels, which are in the layout's order.
Problems cutSlidingGrooves(const PartBuilder& builder, const Carcass& carcass,
                           const CarcassLayout& layout, std::vector<Part>& panels);

}  // namespace pp
