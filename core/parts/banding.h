// Edge banding on a part and what it takes off the size that is cut.
#pragma once

#include "core/parts/part.h"

namespace pp {

// Puts a banding on one bounding edge; null leaves the edge bare. Where the banding is deducted the
// part is cut smaller by its thickness across that edge.
void band(Part& part, Edge edge, const Banding* banding);

// How long an edge is as it is shaped: round hollows and bulges, along a taper.
// Of an arc of radius r over the chord c, 2 r asin(c / 2r).
Length shapedLength(const Part& part, Edge edge);

// The strip for one edge of one piece: as long as the edge is when it is glued, before or after
// those beside it as the shop prefers, and as much longer as it cuts them.
Length stripFor(const Part& part, Edge edge, const Tools& tools);

// Takes off anew what the bandings of the part take off, for bands that were put on or taken off by
// hand.
void deductBands(const Job& job, Part& part);

}  // namespace pp
