// Boxes in space and how a flat part lies in them. x runs from the left of the assembly to its
// right, y from its front to its back, z from its foot up.
#pragma once

#include <array>
#include <optional>
#include <vector>

#include "core/length/length.h"

namespace pp {

using Point = std::array<Length, 3>;

// An axis-parallel box; low <= high in every direction, the high faces not included.
struct Box {
  Point low;
  Point high;
  bool operator==(const Box&) const = default;
  bool empty() const { return low[0] >= high[0] || low[1] >= high[1] || low[2] >= high[2]; }
};

Box intersection(const Box& a, const Box& b);

// What is left of `box` after `cut` is taken away: up to six boxes that do not overlap.
std::vector<Box> difference(const Box& box, const Box& cut);

enum class Axis { X, Y, Z };

// A signed direction along an axis.
struct Direction {
  Axis axis = Axis::X;
  int sign = 1;
  bool operator==(const Direction&) const = default;
};

// A rotation about a line parallel to an axis, counted the way that turns the next axis (x to y, y
// to z, z to x) towards the one after it.
struct Turn {
  Axis axis = Axis::X;
  Angle angle;
  Point about;
  bool operator==(const Turn&) const = default;
};

// Something that was said in coordinates of its own and stands elsewhere: turned by quarters about
// its own origin, from x towards y, and moved to `at`.
struct Standing {
  Point at{};
  int quarters = 0;  // 0..3
  bool operator==(const Standing&) const = default;

  Point place(const Point& own) const;
  Direction place(Direction own) const;
};

// Where a part's own frame lies: u along its length from end 1, v along its width from edge 1, w
// through its thickness from the inside face.
struct Pose {
  Point origin;
  Direction u, v, w;
  std::optional<Turn> turn = {};  // after it lies along the axes
  bool operator==(const Pose&) const = default;

  // The box in space of a box given in the part's own frame, before any turn.
  Box place(const Box& own) const;
  // The same pose for something that stands there.
  Pose in(const Standing& standing) const;
};

}  // namespace pp
