// Rows of the pages that are worked from at the bench: a part, and a box a piece to tick.
#pragma once

#include "core/floor/pieces.h"
#include "pictures/paper/page.h"

namespace pp {

// "T1-08   drawer left side, left hand"
QString pieceHead(const Part& part);

// A box a piece, from `x` no wider than `w`; of very many only how many there are.
void tickBoxes(Page& page, double x, double y, double w, const std::vector<std::int64_t>& numbers);

}  // namespace pp
