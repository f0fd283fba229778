// How thick a lot is by what was read of its sheets.
#pragma once

#include <optional>
#include <vector>

#include "core/length/length.h"

namespace pp {

struct LotThickness {
  Length mean;                        // of the readings that count, to a hundredth of a millimetre
  Length spread;                      // the largest of those less the smallest
  std::vector<std::size_t> outliers;  // readings that do not count, by their place
};

// None where nothing was read. With four readings or more, one is an outlier that is further from
// the median than three standard deviations, as the median distance from it tells them, and than a
// fifth of a millimetre: a burr,
// a sheet of another lot. Source: F. R. Hampel, "The influence curve and its role in robust
// estimation", Journal of the American Statistical Association 69 (1974).
std::optional<LotThickness> thicknessOf(const std::vector<Length>& readings);

}  // namespace pp
