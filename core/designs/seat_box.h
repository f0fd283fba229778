// A bench, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <optional>
#include <string>

#include "core/designs/carcass.h"

namespace pp {

// What a seat is over its lockers.
enum class SeatTop {
  Lids,    // side by side, over the front
  Hatches  // each in a frame that stays, on ledges
};

// A second bench at a right angle before the left or right end of the first, as deep and high.
enum class SeatReturn { None, Left, Right };

// A bench with lids over lockers and, where wanted, a back that leans.
struct SeatBox {
  Length width = Length::mm(1'500);
  Length height = Length::mm(450);  // to the top of the lids
  Length depth = Length::mm(450);
  std::string material;
  std::string banding;                // on the lids' edges, or empty
  int lids = 2;                       // 1..10, a divider between two
  Length lidGap = Length::mm(3);      // between lids and behind them
  Length hingeRail = Length::mm(80);  // the fixed strip behind the lids
  LidHinge hinge = LidHinge::Butt;
  std::optional<Length> knuckle;  // the gap behind the lids, for the hinge's knuckle; none: lidGap
  Length overFront = Length::mm(20);    // the lids' overhang
  Length backHeight = Length::mm(400);  // of the leaning back above the lids; 0: none
  Angle lean = Angle::degrees(10);      // off upright, 0..45 degrees
  Length bracketTop = Length::mm(40);   // width of the brackets behind the back, at their upper end
  std::optional<Baseboard> batten;      // what the panels are notched over at the foot of the wall
  Joint joint = Joint::Pocket;
  SeatTop seat = SeatTop::Lids;
  Length hatchFrame = Length::mm(70);  // Hatches: width of the frame's front rail and sides
  Length ledge = Length::mm(15);       // Hatches: the hatch lies on so much at front and rear
  std::optional<Toe> toe;              // the front stands back at the floor
  Length clearLeft, clearRight;        // the box keeps off a moulding or wall there; the seat does
                                       // not, >= 0
  std::optional<int> storage;          // so many shelves between the brackets of the back, 0..10
  std::string postMaterial;            // posts in the corners of each locker box; empty: none
  Length post = Length::mm(45);        // their width
  Length longest;                      // built in sections no longer than this; 0: in one
  SeatReturn turn = SeatReturn::None;
  Length turnLength = Length::mm(1'200);  // of the second bench, from the first one's front
  int turnLids = 2;                       // its lids or hatches, 1..10
  bool turnBack = true;                   // it has the leaning back too
  bool operator==(const SeatBox&) const = default;
};

}  // namespace pp
