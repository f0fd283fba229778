// A general rectangle packer that need not cut from edge to edge: the yardstick for the engine,
// which must. Free rectangles are kept as the maximal ones (Jylänki 2010), parts are put in one
// after the other, and the best of many orders and rules counts.
#pragma once

#include "core/plan/request.h"

namespace pp::bench {

// The fewest sheets of the first stock row that it finds, within so many seconds.
std::int64_t packFreely(const NestRequest& request, double seconds);

}  // namespace pp::bench
