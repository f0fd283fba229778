// What a piece of the rack could give.
#pragma once

#include "core/shop/job_rack.h"

namespace pp {

// The parts of a job as the shop would have to cut them.
std::vector<WantedPart> wantedParts(const Job& job, const std::vector<Part>& parts);

// Whether one such part can be cut from a piece: large enough, with the grain as the part wants it,
// clear of defects. Whether it is of that material is another matter.
bool gives(const RackPiece& piece, const WantedPart& part);

// How many pieces of these parts it could give, were each the only one.
std::int64_t goodFor(const std::vector<WantedPart>& parts, const StoreState& state,
                     const RackPiece& piece);

}  // namespace pp
