// What a piece of the rack could give.
#pragma once

#include "core/parts/part.h"
#include "core/store/job_rack.h"

namespace pp {

// Whether a part can be cut from a piece: of its material and large enough, with the grain as the
// part wants it, clear of defects at one of the four corners.
bool gives(const RackPiece& piece, const Part& part);

// How many pieces of these parts it could give, were each the only one.
std::int64_t goodFor(const Job& job, const std::vector<Part>& parts, const StoreState& state,
                     const RackPiece& piece);

}  // namespace pp
