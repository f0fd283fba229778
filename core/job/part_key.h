// Who a part is: what it is in its assembly, not what it is called or where it stands in a list.
#pragma once

#include <compare>
#include <optional>
#include <string>
#include <string_view>

#include "core/designs/id.h"

namespace pp {

// What a part is in what it is made for.
enum class PartRole {
  // a carcass
  LeftSide,
  RightSide,
  Bottom,
  Top,
  FrontStretcher,
  RearStretcher,
  KickBoard,
  LeftLining,
  RightLining,
  Divider,
  FixedShelf,
  AdjustableShelf,
  LooseShelf,
  ShelfSupport,
  ShelfLip,
  NailingStrip,
  RearRail,
  BackRail,
  Back,
  BackBatten,
  LeftExposedEnd,
  RightExposedEnd,
  LeftFiller,
  RightFiller,
  Cleat,
  WallSpacer,
  FootRunner,
  BaseRail,
  BaseCrossPiece,
  // a drawer, a tray or a pull-out
  BoxLeftSide,
  BoxRightSide,
  BoxFront,
  BoxBack,
  BoxBottom,
  BoxRunner,
  SlidePad,  // on the left
  RightSlidePad,
  // a front: whole, or the pieces of its frame
  DrawerFront,
  DrawerFrontLeftStile,
  DrawerFrontRightStile,
  DrawerFrontLowerRail,
  DrawerFrontUpperRail,
  DrawerFrontPanel,
  Door,
  DoorLeftStile,
  DoorRightStile,
  DoorLowerRail,
  DoorUpperRail,
  DoorPanel,
  LeftDoor,  // of a pair
  LeftDoorLeftStile,
  LeftDoorRightStile,
  LeftDoorLowerRail,
  LeftDoorUpperRail,
  LeftDoorPanel,
  RightDoor,
  RightDoorLeftStile,
  RightDoorRightStile,
  RightDoorLowerRail,
  RightDoorUpperRail,
  RightDoorPanel,
  Lid,
  LidLeftStile,
  LidRightStile,
  LidLowerRail,
  LidUpperRail,
  LidPanel,
  // a face frame
  FrameLeftStile,
  FrameRightStile,
  FrameMiddleStile,
  FrameUpperRail,
  FrameLowerRail,
  FrameMiddleRail,
  FrameCentreStile,  // between the doors of a pair
  FrameDrawerRail,   // above a drawer
  // a worktop
  TopSheet,
  TopLowerLayer,
  FrontLongStrip,
  RearLongStrip,
  CrossStrip,
  FrontEdging,
  RearEdging,
  LeftEdging,
  RightEdging,
  // the other kinds
  WallPanelSheet,
  LeftEnd,
  RightEnd,
  SeatFront,
  SeatRear,
  SeatBottom,
  SeatDivider,
  HingeRail,
  SeatLid,
  BackBracket,
  LeaningBack,
  PlatformSide,
  PlatformEnd,
  Deck,
  RingPiece,
  Board,
  BoardLayer,    // glued under a board
  TopStrip,      // of a top glued up from strips
  BaseLeg,       // inside a corner of a base frame
  CornerFiller,  // between two legs of a group
  PanelSupport,  // behind a wall panel
  Slat,          // of a platform
  HungBoard,     // a shelf that hangs
  LeftBrace,     // under it
  RightBrace,
  CornerPost,     // in a seat box
  SeatFrameRail,  // of the frame round its hatches
  SeatFrameSide,
  SeatHatch,
  HatchLedge,   // under the frame, for the hatch to lie on
  StorageShelf  // between the brackets of a leaning back
};

// The pieces of a front, in the order in which their roles follow that of the whole.
enum class FrontPiece { Whole, LeftStile, RightStile, LowerRail, UpperRail, Panel };

// `front`: DrawerFront, Door, LeftDoor, RightDoor or Lid.
PartRole pieceOf(PartRole front, FrontPiece piece);
// Which piece of a front a part is; none where it is of no front.
std::optional<FrontPiece> frontPieceOf(PartRole role);
// Of a drawer's front, whole or a piece of it.
bool isDrawerFront(PartRole role);
// Of any front: drawer, door or lid.
bool isFront(PartRole role);
// Whether it is a piece of a box that is pulled out.
bool isOfBox(PartRole role);

// What a part in that role is called: "left side". `box` says what kind of box its own pieces are
// of: "drawer", "tray", "pull-out".
std::string roleName(PartRole role, std::string_view box = "drawer");

// The word for it in files, and what a word says.
std::string_view roleWord(PartRole role);
std::optional<PartRole> parseRole(std::string_view word);

// What a choice, a pin or a number hangs on. `opening`: the opening, drawer or board it comes from;
// for a divider or shelf the first opening after it, for a door the first behind it; 0: the
// assembly itself. `index` counts, from 1, what nothing else can tell apart.
struct PartKey {
  Id assembly = 0;  // 0: loose
  PartRole role = PartRole::Board;
  Id opening = 0;
  int index = 1;
  auto operator<=>(const PartKey&) const = default;
  // The same but for which of several alike it is.
  bool isLike(const PartKey& other) const {
    return assembly == other.assembly && role == other.role && opening == other.opening;
  }
};

// "3:divider@7#2", as in a job's file; what is 0, or an index of 1, is left out.
std::string keyText(const PartKey& key);
std::optional<PartKey> parseKey(std::string_view text);

}  // namespace pp
