// A ring, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <string>

#include "core/designs/carcass.h"

namespace pp {

// n equal pieces bevelled at both ends.
struct Ring {
  int pieces = 6;                 // 3..100
  Length side = Length::mm(200);  // outer side of one piece, at the long points
  Length width = Length::mm(80);  // of the board
  std::string material;
  Joint joint = Joint::Butt;  // between two pieces: butt, loose tenon or dowel
  int perJoint = 2;           // tenons or dowels in each, 1..20
  bool operator==(const Ring&) const = default;
};

}  // namespace pp
