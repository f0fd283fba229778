// Whether a thing that cannot be taken apart comes through the gates of a route, and by how much it
// is too large where it does not.
#pragma once

#include <optional>

#include "core/site/passage.h"
#include "core/site/route.h"

namespace pp {

// A thing as it is carried.
struct Load {
  BoxSides box;  // its sides in any order, > 0
  std::int64_t grams = 0;
};

// Whether it comes through, and how.
bool passes(const Load& load, const Gate& gate);
std::optional<HowCarried> carriedThrough(const BoxSides& box, const Gate& gate);

// The longest that it may be in its first side and still come through with the others as they are,
// to the millimetre downwards; 0: it does not even when it is no longer than that. Its weight goes
// with its length.
Length longestThrough(const Load& load, const Gate& gate);
// Through all of them.
Length longestThrough(const Load& load, const std::vector<Gate>& route);

}  // namespace pp
