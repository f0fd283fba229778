// The parts of one box: of a drawer, a tray or a pull-out, in a carcass or by itself.
#pragma once

#include "core/kinds/carcass/drawer.h"

namespace pp {

// Where a box stands: its lower left front corner, and what its parts are known by.
struct BoxPlace {
  Id id = 0;  // of the drawer
  OpeningPath opening;
  Length x, y, z;
};

// Sides, front, back and bottom. A pull-out is turned over.
std::vector<Part> boxParts(const PartBuilder& builder, const DrawerRules& rules, BankKind kind,
                           const DrawerBox& box, const BoxPlace& place);

// What keeps a box from being made, or nothing: no wood is left, or no room.
Problems boxProblems(const DrawerBox& box, const DrawerRules& rules, const LengthStyle& style);

}  // namespace pp
