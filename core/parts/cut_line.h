// The line that a shape is sawn or routed to, for templates: fine enough to work to.
#pragma once

#include <vector>

#include "core/parts/solid.h"

namespace pp {

// Points in millimetres, along and across the board.
struct Line {
  std::vector<Flat> points;
  bool closed = false;
};

// Of hollows, bulges, rounded corners and ends, slots and recesses; none for any other. No point of
// the curve is further than 0.02 mm from the line. Lines that end at the edge of the board begin
// and end on it; those of a bulge reach `beyond` along the edge that it leaves, as far as that
// goes.
std::vector<Line> cutLines(const Machining& cut, const Part& part, double beyond);

}  // namespace pp
