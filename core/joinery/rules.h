// How long fasteners are and how they are spread: the shop's rules.
#pragma once

#include "core/joinery/joint.h"

namespace pp::joinery {

// Screws as they are sold.
const std::vector<Length>& screwLengths(Unit unit);
// The longest that is sold and no longer than that; the shortest where none is.
Length longestScrew(Length most, Unit unit);
// The shortest that is sold and no shorter than that; none where none is.
std::optional<Length> shortestScrew(Length least, Unit unit);

// Through a board so thick into an edge behind it, which is so deep: 25 mm of bite where there is
// that much.
Length screwIntoEdge(Length through, Length deep, Unit unit);
// Through a board into the face of another: more than half of that and never out of it. None where
// the other is too thin to hold one.
std::optional<Length> screwIntoFace(Length through, Length into, Unit unit);
// The pocket screw for stock so thick.
Length pocketScrewFor(Length thickness, Unit unit);
// Three times as long as what it holds is thick, 18 mm at least and 60 at most, and never out of
// what is behind.
Length bradFor(Length through, Length behind, Unit unit);
// Into a drawer's front from inside its box.
Length frontScrew(Length box, Length front, Unit unit);
inline constexpr int kFrontScrews = 4;
// Of what is mounted on a face: 15 mm at most, and half a millimetre short of coming out.
Length mountingScrew(Length thickness, Unit unit);

inline constexpr int kGluePerM2 = 180;  // millilitres over what is glued

// Along a contact: one in the middle where it is shorter than `one`, else two at least, the outer
// ones a fifth of it from its ends within these bounds, no two further apart than `every`.
struct Spacing {
  Length one, least, most, every;
};
Spacing screwSpacing(Unit unit);
Spacing bradSpacing(Unit unit);
Spacing backSpacing(Unit unit);  // of the brads of a thin back
std::vector<Length> rowAlong(Length length, const Spacing& spacing);

}  // namespace pp::joinery
