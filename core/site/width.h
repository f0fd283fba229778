// The width between two side walls that are neither straight nor plumb.
#pragma once

#include <vector>

#include "core/length/length.h"

namespace pp {

// The width as it is at one height, > 0.
struct WidthAt {
  Length up;
  Length width;
};

// How far a wall's top stands further right than its foot, measured over so much of its height;
// below 0: further left.
struct Lean {
  Length off;
  Length over = Length::mm(2'000);  // > 0
};

struct FreeWidth {
  Length free;   // what goes straight up between the walls
  Length built;  // the same less the allowances
  Length cover;  // what fillers must cover at the widest place, both sides together
  // How much further off than at its nearest either wall is at its farthest.
  Length spreadLeft, spreadRight;
};

// For a unit that stands from `foot` to `top`: the least place of the right wall less the greatest
// of the left one. Between two readings the walls are straight, beyond the outermost they go on as
// the leans say. Two walls that lean the same way leave less than any one width says. Precondition:
// at least one reading.
FreeWidth freeWidth(std::vector<WidthAt> widths, Lean left, Length foot, Length top,
                    Length allowances);

}  // namespace pp
