// A piece of stock with pinned places, cut apart around them.
#pragma once

#include "core/nest/blocks.h"

namespace pp::nest {

// The free parts of the piece as large as may be, in a tree of cuts from edge to edge in which
// every pinned part comes off exactly where it was pinned. A problem, with the reason in `found`,
// where a place is off the usable sheet, across the grain, or the places cannot be cut apart.
Result<Skeleton> buildSkeleton(const NestRequest& request, std::size_t stock,
                               const std::vector<const Pin*>& pins);

}  // namespace pp::nest
