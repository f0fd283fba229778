// Makes a part longer, wider or smaller at one edge, with all that is measured on it.
#pragma once

#include "core/parts/part_builder.h"

namespace pp {

// By so much beyond the edge; below zero the edge is set back. Cuts that ran from edge to edge or
// lay along that edge go with it, others stay where they are in space, as does the opposite edge.
void extend(Part& part, Edge edge, Length by);

// The same where something would be left of the part; else the problem, and no change.
Problems extendAsChosen(const PartBuilder& builder, Part& part, Edge edge, Length by);

// How far its edges move for a length or width that is set by hand.
struct EdgeMoves {
  std::array<Edge, 2> edges;  // the near one, the far one
  std::array<Length, 2> by;
};
EdgeMoves movesFor(const Part& part, bool ofWidth, Length size, SizeMoves moves);
// Moves them; the size is then known by the hand that set it.
void sizeByHand(Part& part, bool ofWidth, Length size, const EdgeMoves& moves);

}  // namespace pp
