// All parts of an assembly where they are, those of a group's members among them.
#pragma once

#include "core/breakdown/breakdown.h"

namespace pp {

// In the assembly's own coordinates: x to the right, y to the wall, z up.
std::vector<Part> partsInPlace(const Job& job, const Breakdown& breakdown,
                               const Assembly& assembly);

// Where the left end of the wall behind an assembly lies, and the floor, in its own coordinates.
struct WallBehind {
  WallAt wall = WallAt::Back;
  Length left, floor;
};
// Of a carcass that stands on a wall of the place, by itself or along the rear wall in a group.
std::optional<WallBehind> wallBehind(const Job& job, const Assembly& carcass);

}  // namespace pp
