// A wall panel, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <string>

#include "core/designs/carcass.h"

namespace pp {

// A panel that hangs on strips ripped at 45 degrees.
struct WallPanel {
  Length width = Length::mm(1'200);
  Length height = Length::mm(600);
  std::string material;
  std::string cleatMaterial;
  Length cleatHeight = Length::mm(80);  // of each half at its long face
  Length setIn = Length::mm(50);        // cleats are shorter than the panel by this at each end
  int cleats = 2;                       // one above the other, 1..10
  Length support;  // strips so wide behind the panel, one between two rows of cleats; 0: none
  std::string banding;
  PanelGrain grain = PanelGrain::Upright;
  bool operator==(const WallPanel&) const = default;
};

}  // namespace pp
