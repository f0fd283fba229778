// Weights from dual feasible functions.
#pragma once

#include <stop_token>

#include "core/nest/bounds/bound_items.h"

namespace pp::nest {

// A full sheet holds at most this weight.
inline constexpr std::int64_t kFullWeight = std::int64_t{1} << 40;

// The weights of the items, one set for each pair of functions on the two axes of the sheet that
// seems worth having, best first, at most `most`; none when stopped. Source: u(k), U(e) and phi(e)
// of Fekete & Schepers (2001).
std::vector<std::vector<std::int64_t>> dualFeasibleWeights(const std::vector<BoundItem>& items,
                                                           const StockKindRow& sheet,
                                                           std::size_t most,
                                                           const std::stop_token& stop = {});

}  // namespace pp::nest
