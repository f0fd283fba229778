// Boards drawn one by one, with what is cut into them. Values; part of a job.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/designs/feature.h"
#include "core/designs/id.h"
#include "core/designs/shared_rows.h"
#include "core/length/length.h"

namespace pp {

// Which dimension of a board follows the grain.
enum class BoardGrain { Length, Width, Any };

// Which of a mirrored pair a board is; pairs: half of them are left, half right.
enum class BoardHand { None, Left, Right, Pairs };

// Where a layer has nothing: a slot or notch that is built in.
struct LayerGap {
  Length at, length;  // along the board from its first end; length > 0
  bool operator==(const LayerGap&) const = default;
};

// Glued to the inside face of what lies over it.
struct BoardLayer {
  std::string material;             // id of a Material; empty: the board's own
  Length oversize = Length::mm(6);  // each way, flush-trimmed after gluing, >= 0
  std::vector<LayerGap> gaps;       // from the first end on; what is left is one piece each
  std::vector<Feature> features;    // cut into it alone
  bool operator==(const BoardLayer&) const = default;
};

// A way something goes, seen from the front.
enum class BoardWay { Right, Left, Back, Front, Up, Down };

// Where a board stands in what the boards make: the corner of its inside face at the first end and
// the lower edge, and the ways its length and width go. Its thickness goes the way a right-handed
// screw does that is turned from the one to the other: right and up, then it goes to the front.
struct BoardPlace {
  Length x, y, z;  // to the right, to the back, up; any sign
  BoardWay length = BoardWay::Up, width = BoardWay::Right;  // across one another
  Angle tilt;  // about its lower edge; above 0 the upper edge goes the way of its thickness
  bool operator==(const BoardPlace&) const = default;
};

// A board of a given size: a lid, a bracket, a spare shelf.
struct LooseBoard {
  std::string name;
  std::string material;       // id of a Material
  std::int64_t quantity = 1;  // 1..10 000
  Length length, width;       // finished, banding included, > 0
  BoardGrain grain = BoardGrain::Length;
  std::string bandLong, bandShort;  // on both edges along the length, and along the width; or empty
  std::optional<std::string> farLong, farShort;  // on the far edge, where that has another or none
  // Where there are layers, what goes through goes through all of them; what is cut into the
  // outside face is cut into the board, into the inside face into the last layer.
  std::vector<Feature> features;
  BoardHand hand = BoardHand::None;  // features are said of the left one
  Face show = Face::Inside;
  std::optional<BoardEdge> front;  // the edge that looks to the front where the board stands
  std::vector<BoardLayer> layers;  // glued under it, at most 8
  std::vector<BoardPlace> places;  // of the first ones; the others lie in a row
  Id id = 0;
  bool operator==(const LooseBoard&) const = default;
};

// Boards that make one thing together: a bracket, a leg, a nest box.
struct Boards {
  SharedRows<LooseBoard> boards;
  bool operator==(const Boards&) const = default;
};

}  // namespace pp
