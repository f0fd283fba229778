// A rectangle of a sheet that no part may have: a dent, a patch, a printed stamp. A value.
#pragma once

#include "core/length/length.h"

namespace pp {

// Its low corner from the sheet's own, x along the sheet's length.
struct Defect {
  Length x, y;           // >= 0
  Length width, height;  // along x and y, > 0
  bool operator==(const Defect&) const = default;
};

}  // namespace pp
