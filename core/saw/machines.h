// The saws of the shop and which of them makes a cut.
#pragma once

#include <string>

#include "core/plan/plan.h"

namespace pp::saw {

// What the usual small shop has; a length that a saw does not limit is the longest there is.
struct Shop {
  Length trackLongest = Length::mm(3'100);   // longest cut of the track saw
  Length fenceCapacity = Length::mm(1'270);  // widest rip at the table saw
  Length tableLongest = Length::mm(2'500);   // longest piece one person feeds through it
  Length sledCapacity = Length::mm(650);     // widest piece the crosscut sled takes
  Length stopCapacity = Length::mm(1'500);   // longest piece its stop reaches
  std::int64_t carryGrams = 20'000;          // heaviest piece one person handles at the table saw
  std::int64_t density = 650;                // kg per cubic metre
};

// Where a cut is made: a piece of (dx, dy) and thickness, cut in `direction` with `distance`
// between the fence or stop and the blade. Large pieces come apart with the track saw on the floor;
// what can be carried is ripped at the table saw and cut to length on the sled.
std::string machineFor(const Shop& shop, Length dx, Length dy, Length thickness,
                       CutDirection direction, Length distance);

}  // namespace pp::saw
