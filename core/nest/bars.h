// The one-dimensional cutting list: lumber parts cut to length from bars, ripped to width first.
#pragma once

#include <stop_token>
#include <vector>

#include "core/plan/request.h"

namespace pp::nest {

// Least price, then least length of bars used. A piece and a kerf are cut off each time; the last
// piece may end with the bar. Bounds by column generation (Gilmore & Gomory 1961); where its value
// rounded up is not met, a depth-first search over whole bars, longest piece first (after Martello
// & Toth 1990), that gives up after `nodes` bars.
BarPlan cutBars(const std::vector<BarDemand>& wanted, const std::vector<BarStock>& stock,
                Length kerf, std::int64_t nodes = 200'000, const std::stop_token& stop = {});

// The lumber of a request: one list for every material and width that is cut. Widths of one
// material share its bars: what one list takes is not there for the next.
std::vector<BarList> barLists(const NestRequest& request, const std::stop_token& stop = {});

}  // namespace pp::nest
