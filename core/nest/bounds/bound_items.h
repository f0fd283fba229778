// What a bound reckons with in place of blocks.
#pragma once

#include <cstdint>
#include <vector>

#include "core/nest/sheet/blocks.h"

namespace pp::nest {

// Something rigid: a part, or a run whose parts are equally wide.
struct BoundItem {
  std::vector<Lie> lies;  // members are not used
  std::int64_t copies = 0;
  Int128 area = 0;        // inflated, nm²
  std::size_t block = 0;  // that it is, or is a part of
};

// The blocks of a group as items: a run of unequal widths counts as its parts, since something else
// may lie beside a narrow one.
std::vector<BoundItem> boundItems(const Group& group);

}  // namespace pp::nest
