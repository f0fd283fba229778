// Who a piece is that came off the saw, whatever it is called.
#pragma once

#include <compare>

namespace pp {

// A piece of the sheets of a cutting, by how it came to be: no two are the same, in whatever plan.
struct SawnPiece {
  int plan = 0;   // of the cutting, 1-based
  int step = 0;   // of the plan, the cut that it came off at; 0: it is a sheet of the plan
  int which = 0;  // of a cut 0 the low side, 1 the high; of a plan the sheet, 0-based
  auto operator<=>(const SawnPiece&) const = default;
};

}  // namespace pp
