// The usual cuts, made from where they are measured.
#pragma once

#include "core/parts/part.h"

namespace pp {

// Where a cut begins and ends along the edge that it is measured from, from that edge's low end;
// what is said of no place runs along all of it.
struct CutSpan {
  Length begin, end;
  bool operator==(const CutSpan&) const = default;
};
CutSpan spanOf(const Machining& cut, const Part& part);

// Whether a dado, rabbet or groove runs from edge to edge, and anything else through the thickness.
bool goesThrough(const Machining& cut, const Part& part);

// Across the part: from `u0` so wide. At either end of the part it is a rabbet.
Machining dadoAcross(const Part& part, std::string receives, Length u0, Length width, Length depth,
                     Face face = Face::Inside);

// Along the part: from `v0` so wide. Along either edge it is a rabbet.
Machining grooveAlong(const Part& part, std::string receives, Length v0, Length width, Length depth,
                      Face face = Face::Inside);

// Through the whole thickness.
Machining notch(const Part& part, std::string receives, Length u0, Length u1, Length v0, Length v1);

// Off square by `angle`; `full` is the face that keeps its size.
Machining bevel(Edge edge, Angle angle, Face full, std::string receives);

// How a row keeps from the edges beside it, and at most how far apart what is in it stands.
struct RowSpacing {
  Length fromEdge, every;
};
constexpr RowSpacing usualSpacing(Unit unit) {
  return {usual(unit, Length::mm(50), Length::in(2)), usual(unit, Length::mm(150), Length::in(6))};
}

// Where along the edge that it is measured from what is in a row stands.
std::vector<Length> placesOf(const Machining& row);

// What of the width of a part meets another at its end.
struct EndSpan {
  Length low, high;
};
// A row along the end `edge` (W1 or W2), `in` from it and over `span`: pockets or mortises, two at
// least.
Machining rowAtEnd(MachiningKind cut, std::string receives, const Part& part, Edge edge,
                   EndSpan span, Length in, Length width, Length depth, Face face,
                   RowSpacing spacing);

}  // namespace pp
