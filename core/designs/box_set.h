// Drawer boxes, trays or pull-outs by themselves, as a value: for openings that are not drawn, or
// for none. Materials are ids.
#pragma once

#include "core/designs/carcass.h"

namespace pp {

// Equal boxes; what is in `boxes` of slides and clearances has no say.
struct BoxSet {
  BankKind what = BankKind::Trays;
  int count = 4;        // 1..200
  int spares = 0;       // more of the same, 0..50
  bool inside = false;  // the sizes are those of the room inside
  Length width = Length::mm(400);
  Length depth = Length::mm(300);
  Length height = Length::mm(80);
  DrawerRules boxes;
  bool operator==(const BoxSet&) const = default;
};

}  // namespace pp
