// One thing cut into a board as the maker says it. Values; part of a job.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/designs/faces.h"
#include "core/length/length.h"

namespace pp {

enum class FeatureKind {
  Hole,       // round, `size` wide, its centre at (along, across)
  Slot,       // `size` wide with round ends, `length` long, lying along the board, centre as a hole
  Notch,      // a corner or an edge cut away: from (along, across), `length` by `width`, through
  Dado,       // across the board, `size` wide, its near side at `along`, `depth` deep
  Groove,     // along the board, `size` wide, its near side at `across`, `depth` deep
  Taper,      // an edge that slopes from `across` wide, at `along`, to `size` wide at its far end
  Curve,      // an edge hollowed, or bulging, by `depth` over `length` of it from `along` on
  Bevel,      // the end or edge named by `edge`, `angle` off square
  HoleRow,    // `count` holes as a hole, the first at (along, across), each `pitch` further
  Rabbet,     // along the end or edge named by `edge`, `size` wide, `depth` deep
  Corner,     // rounded, `size` is its radius
  RoundEnd,   // both corners of an end, `size` is their radius; 0: half the width
  Recess,     // a rectangle, from (along, across), `length` by `width`, `depth` deep; `size` is the
              // radius of its corners
  RoundOver,  // the end or edge named by `edge`, `size` is its radius
  Chamfer,    // the same at 45 degrees, `size` off the face and off the edge
};

enum class BoardEdge { Long1, Long2, Short1, Short2 };  // at width 0, full width, length 0, full

// Lengths are measured along the board from its first end and across it from its lower edge, on the
// finished board; what a kind does not use is 0 or false.
struct Feature {
  FeatureKind kind = FeatureKind::Hole;
  Length along, across, length, width, size, depth;
  Length pitch;              // HoleRow: from centre to centre
  std::int64_t count = 0;    // HoleRow
  Length keepLow, keepHigh;  // Dado, Groove, Rabbet: left uncut at its beginning and end
  Angle angle;
  BoardEdge edge = BoardEdge::Long1;
  Face face = Face::Inside;   // that it is cut into
  bool farEnd = false;        // `along` from the far end; of a taper or curve, from the edge's end
  bool farEdge = false;       // `across` is measured from the upper edge
  bool crosswise = false;     // HoleRow: runs across the board
  bool bulging = false;       // Curve: stands out by `depth` from the rest of its edge
  bool thickness = false;     // Taper: of the board's thickness, from `face`
  bool bothFaces = false;     // RoundOver, Chamfer: along `face` and along the other one
  bool assembled = false;     // RoundOver, Chamfer: when the part has been put in
  std::int64_t obstacle = 0;  // id of what of the place it was cut out for, and moves with; 0: none
  bool operator==(const Feature&) const = default;
};

// The fields that a kind of feature has, by their names in the job's file; "kind" not counted.
std::vector<std::string> fieldsOf(FeatureKind kind);
// Those beside them that say something; empty where there is none.
std::vector<std::string> unusedFields(const Feature& feature);
// The feature without them.
Feature withoutUnused(Feature feature);

// The same on a board that is turned end for end, edge for edge, or over.
enum class Flip { Ends, Edges, Faces };
Feature flipped(Feature feature, Flip flip);

}  // namespace pp
