// A bench, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <optional>
#include <string>

#include "core/kinds/carcass/carcass.h"

namespace pp {

// A bench with lids over lockers and, where wanted, a back that leans.
struct SeatBox {
  Length width = Length::mm(1'500);
  Length height = Length::mm(450);  // to the top of the lids
  Length depth = Length::mm(450);
  std::string material;
  std::string banding;                  // on the lids' edges, or empty
  int lids = 2;                         // 1..10, a divider between two
  Length lidGap = Length::mm(3);        // between lids and behind them
  Length hingeRail = Length::mm(80);    // the fixed strip behind the lids
  Length overFront = Length::mm(20);    // the lids' overhang
  Length backHeight = Length::mm(400);  // of the leaning back above the lids; 0: none
  Angle lean = Angle::degrees(10);      // off upright, 0..45 degrees
  Length bracketTop = Length::mm(40);   // width of the brackets behind the back, at their upper end
  std::optional<Baseboard> batten;      // what the panels are notched over at the foot of the wall
  Joint joint = Joint::Pocket;
  bool operator==(const SeatBox&) const = default;
};

}  // namespace pp
