// Whether a box can be carried through doors, round corners, up stairs, into a lift. Every answer
// is conservative: a box is turned in plan and tilted in height, never both at once in other ways,
// so that one that is said to pass does, and one that is said not to may yet, with luck and an
// extra hand.
#pragma once

#include <array>
#include <optional>

#include "core/length/length.h"

namespace pp {

// The sides of a box, in any order, > 0.
using BoxSides = std::array<Length, 3>;

// How a box is carried: which side lies along the way, which across it and which upright, and how
// far the first is tilted up.
struct HowCarried {
  Length along, across, upright;
  Angle tilt;
  bool operator==(const HowCarried&) const = default;
};

// Two corridors that meet at a right angle, so wide; the longest box so wide that can be turned
// from one into the other, lying level. 0 where it is too wide for either. Source: the least over t
// of (a cos t + b sin t - w) / (sin t cos t), the longest rectangle whose inner long side passes
// the inner corner while the outer one's ends slide along the outer walls.
Length longestRoundCorner(Length a, Length b, Length wide);
// Whether a plan of `wide` by `along` gets from one into the other, turned or pushed sideways.
bool passesCorner(Length a, Length b, Length wide, Length along);

// Of a board `along` and `upright` thick, tilted by `tilt`: its length in plan and its height.
Length tiltedPlan(Length along, Length upright, Angle tilt);
Length tiltedHeight(Length along, Length upright, Angle tilt);

// Through a door: by its two smallest sides.
std::optional<HowCarried> throughDoor(const BoxSides& box, Length wide, Length high);
// Round the corner of two corridors under `headroom`, lying or tilted.
std::optional<HowCarried> roundCorner(const BoxSides& box, Length a, Length b, Length headroom);

// A rectangle p x q in one of a x b, straight or on the slant.
// Source: W. Carver, "A card problem", American Mathematical Monthly 64 (1957).
bool liesIn(Length p, Length q, Length a, Length b);
// In a lift or a van so wide, deep and high.
std::optional<HowCarried> goesIn(const BoxSides& box, Length wide, Length deep, Length high);

struct Stair {
  Length wide;      // of the flights
  Length landing;   // its depth
  int turns = 1;    // landings on which the way turns
  Length headroom;  // plumb, above the line of the nosings and on the landings
  Angle pitch;      // of the flights, 0..60 degrees
};
// Up the flights and round the landings: lying along the pitch, or carried upright.
std::optional<HowCarried> upStair(const BoxSides& box, const Stair& stair);

// Under a ceiling, raised from lying on its back: the diagonal of height and the smaller of the
// other two must go under it.
bool canTipUp(Length high, Length wide, Length deep, Length ceiling);

}  // namespace pp
