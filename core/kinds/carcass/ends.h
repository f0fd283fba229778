// What closes a carcass to its left and right: panels glued on outside, and strips beside a wall.
#pragma once

#include "core/kinds/carcass/layout.h"
#include "core/parts/part_builder.h"

namespace pp {

std::vector<Part> endParts(const PartBuilder& builder, const Carcass& carcass,
                           const CarcassLayout& layout);

// The strips, in the plane of the fronts.
struct Filler {
  bool left = true;
  FrontRect rect;
};
std::vector<Filler> fillersOf(const Carcass& carcass, const CarcassLayout& layout);

}  // namespace pp
