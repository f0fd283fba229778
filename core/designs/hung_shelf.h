// A hung shelf, as a value. Sizes are outer sizes, > 0 unless said otherwise; materials are ids.
#pragma once

#include <string>

#include "core/length/length.h"

namespace pp {

// A shelf on a wall: on a strip ripped at 45 degrees between two braces, with a spacer below it.
struct HungShelf {
  Length width = Length::mm(900);
  Length depth = Length::mm(250);  // from the wall to the shelf's front edge
  std::string material;            // of shelf and braces
  std::string banding;             // on the shelf's front and ends and the braces' fronts, or empty
  Length brace = Length::mm(220);  // height of the braces, the shelf not counted
  Length braceFoot = Length::mm(60);  // their depth at the foot
  Length setIn = Length::mm(60);      // of the braces from the shelf's ends, >= 0
  std::string cleatMaterial;
  Length cleatHeight = Length::mm(70);  // of each half at its long face
  bool operator==(const HungShelf&) const = default;
};

}  // namespace pp
