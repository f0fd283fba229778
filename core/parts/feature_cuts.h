// What the maker says is cut into a board, as machining of the part.
#pragma once

#include "core/designs/feature.h"
#include "core/parts/part.h"

namespace pp {

// Adds it to the part's machining, measured on the finished board. A problem, and no change, where
// it leaves the board, takes all of it, or is no cut at all.
Problems cutFeature(Part& part, const Feature& feature, const Job& job);

Edge edgeOf(BoardEdge edge);

}  // namespace pp
