#include "core/saw/machines.h"

#include <algorithm>

namespace pp::saw {

std::string machineFor(const Shop& shop, Length dx, Length dy, Length thickness,
                       CutDirection direction, Length distance) {
  const Length along = direction == CutDirection::Rip ? dx : dy;  // length of the cut
  const double grams = (dx * dy).inM2() * thickness.inMm() * static_cast<double>(shop.density);
  const bool carried = grams <= static_cast<double>(shop.carryGrams);
  if (direction == CutDirection::Cross && carried && along <= shop.sledCapacity &&
      distance <= shop.stopCapacity)
    return "crosscut sled";
  if (carried && std::max(dx, dy) <= shop.tableLongest && distance <= shop.fenceCapacity)
    return "table saw";
  return "track saw";
}

}  // namespace pp::saw
