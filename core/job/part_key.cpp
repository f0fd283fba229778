#include "core/job/part_key.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <charconv>

namespace pp {
namespace {

struct RoleRow {
  PartRole role;
  const char* word;  // in files, for ever
  const char* name;  // as shown; * stands for what kind of box it is of
};

// In the order of the roles.
constexpr auto kRoles = [] {
  using enum PartRole;
  return std::array{
      RoleRow{LeftSide, "left side", "left side"},
      RoleRow{RightSide, "right side", "right side"},
      RoleRow{Bottom, "bottom", "bottom"},
      RoleRow{Top, "top", "top"},
      RoleRow{FrontStretcher, "front stretcher", "front stretcher"},
      RoleRow{RearStretcher, "rear stretcher", "rear stretcher"},
      RoleRow{KickBoard, "kick board", "kick board"},
      RoleRow{LeftLining, "left lining", "left lining"},
      RoleRow{RightLining, "right lining", "right lining"},
      RoleRow{Divider, "divider", "divider"},
      RoleRow{FixedShelf, "fixed shelf", "fixed shelf"},
      RoleRow{AdjustableShelf, "adjustable shelf", "adjustable shelf"},
      RoleRow{LooseShelf, "loose shelf", "loose shelf"},
      RoleRow{ShelfSupport, "shelf support", "shelf support"},
      RoleRow{ShelfLip, "shelf lip", "shelf lip"},
      RoleRow{NailingStrip, "nailing strip", "nailing strip"},
      RoleRow{RearRail, "rear rail", "rear rail"},
      RoleRow{BackRail, "back rail", "back rail"},
      RoleRow{Back, "back", "back"},
      RoleRow{BackBatten, "back batten", "back batten"},
      RoleRow{LeftExposedEnd, "left exposed end", "left end panel"},
      RoleRow{RightExposedEnd, "right exposed end", "right end panel"},
      RoleRow{LeftFiller, "left filler", "left filler"},
      RoleRow{RightFiller, "right filler", "right filler"},
      RoleRow{Cleat, "cleat", "cleat"},
      RoleRow{WallSpacer, "wall spacer", "wall spacer"},
      RoleRow{FootRunner, "foot runner", "foot runner"},
      RoleRow{BaseRail, "base rail", "base rail"},
      RoleRow{BaseCrossPiece, "base cross piece", "base cross piece"},
      RoleRow{BoxLeftSide, "box left side", "* left side"},
      RoleRow{BoxRightSide, "box right side", "* right side"},
      RoleRow{BoxFront, "box front", "* box front"},
      RoleRow{BoxBack, "box back", "* box back"},
      RoleRow{BoxBottom, "box bottom", "* bottom"},
      RoleRow{BoxRunner, "box runner", "* runner"},
      RoleRow{SlidePad, "slide pad", "* slide pad"},
      RoleRow{RightSlidePad, "right slide pad", "* slide pad"},
      RoleRow{DrawerFront, "drawer front", "drawer front"},
      RoleRow{DrawerFrontLeftStile, "drawer front left stile", "drawer front stile"},
      RoleRow{DrawerFrontRightStile, "drawer front right stile", "drawer front stile"},
      RoleRow{DrawerFrontLowerRail, "drawer front lower rail", "drawer front lower rail"},
      RoleRow{DrawerFrontUpperRail, "drawer front upper rail", "drawer front upper rail"},
      RoleRow{DrawerFrontPanel, "drawer front panel", "drawer front panel"},
      RoleRow{Door, "door", "door"},
      RoleRow{DoorLeftStile, "door left stile", "door stile"},
      RoleRow{DoorRightStile, "door right stile", "door stile"},
      RoleRow{DoorLowerRail, "door lower rail", "door lower rail"},
      RoleRow{DoorUpperRail, "door upper rail", "door upper rail"},
      RoleRow{DoorPanel, "door panel", "door panel"},
      RoleRow{LeftDoor, "left door", "door"},
      RoleRow{LeftDoorLeftStile, "left door left stile", "door stile"},
      RoleRow{LeftDoorRightStile, "left door right stile", "door stile"},
      RoleRow{LeftDoorLowerRail, "left door lower rail", "door lower rail"},
      RoleRow{LeftDoorUpperRail, "left door upper rail", "door upper rail"},
      RoleRow{LeftDoorPanel, "left door panel", "door panel"},
      RoleRow{RightDoor, "right door", "door"},
      RoleRow{RightDoorLeftStile, "right door left stile", "door stile"},
      RoleRow{RightDoorRightStile, "right door right stile", "door stile"},
      RoleRow{RightDoorLowerRail, "right door lower rail", "door lower rail"},
      RoleRow{RightDoorUpperRail, "right door upper rail", "door upper rail"},
      RoleRow{RightDoorPanel, "right door panel", "door panel"},
      RoleRow{Lid, "lid", "lid"},
      RoleRow{LidLeftStile, "lid left stile", "lid stile"},
      RoleRow{LidRightStile, "lid right stile", "lid stile"},
      RoleRow{LidLowerRail, "lid lower rail", "lid lower rail"},
      RoleRow{LidUpperRail, "lid upper rail", "lid upper rail"},
      RoleRow{LidPanel, "lid panel", "lid panel"},
      RoleRow{FrameLeftStile, "frame left stile", "frame stile"},
      RoleRow{FrameRightStile, "frame right stile", "frame stile"},
      RoleRow{FrameMiddleStile, "frame middle stile", "frame middle stile"},
      RoleRow{FrameUpperRail, "frame upper rail", "frame upper rail"},
      RoleRow{FrameLowerRail, "frame lower rail", "frame lower rail"},
      RoleRow{FrameMiddleRail, "frame middle rail", "frame middle rail"},
      RoleRow{FrameCentreStile, "frame centre stile", "frame centre stile"},
      RoleRow{FrameDrawerRail, "frame drawer rail", "frame drawer rail"},
      RoleRow{TopSheet, "top sheet", "top"},
      RoleRow{TopLowerLayer, "top lower layer", "top lower layer"},
      RoleRow{FrontLongStrip, "front long strip", "build-up strip, long"},
      RoleRow{RearLongStrip, "rear long strip", "build-up strip, long"},
      RoleRow{CrossStrip, "cross strip", "build-up strip, across"},
      RoleRow{FrontEdging, "front edging", "front edging"},
      RoleRow{RearEdging, "rear edging", "rear edging"},
      RoleRow{LeftEdging, "left edging", "left edging"},
      RoleRow{RightEdging, "right edging", "right edging"},
      RoleRow{WallPanelSheet, "wall panel", "wall panel"},
      RoleRow{LeftEnd, "left end", "left end"},
      RoleRow{RightEnd, "right end", "right end"},
      RoleRow{SeatFront, "seat front", "front"},
      RoleRow{SeatRear, "seat rear", "rear panel"},
      RoleRow{SeatBottom, "seat bottom", "bottom"},
      RoleRow{SeatDivider, "seat divider", "divider"},
      RoleRow{HingeRail, "hinge rail", "hinge rail"},
      RoleRow{SeatLid, "seat lid", "lid"},
      RoleRow{BackBracket, "back bracket", "back bracket"},
      RoleRow{LeaningBack, "leaning back", "leaning back"},
      RoleRow{PlatformSide, "platform side", "box side"},
      RoleRow{PlatformEnd, "platform end", "box front or back"},
      RoleRow{Deck, "deck", "deck"},
      RoleRow{RingPiece, "ring piece", "ring piece"},
      RoleRow{Board, "board", "board"},
      RoleRow{BoardLayer, "board layer", "layer"},
      RoleRow{TopStrip, "top strip", "strip of the top"},
      RoleRow{BaseLeg, "base leg", "base leg"},
      RoleRow{CornerFiller, "corner filler", "corner filler"},
      RoleRow{PanelSupport, "panel support", "panel support"},
      RoleRow{Slat, "slat", "slat"},
      RoleRow{HungBoard, "hung board", "hung shelf"},
      RoleRow{LeftBrace, "left brace", "left brace"},
      RoleRow{RightBrace, "right brace", "right brace"},
      RoleRow{CornerPost, "corner post", "corner post"},
      RoleRow{SeatFrameRail, "seat frame rail", "front rail of the seat"},
      RoleRow{SeatFrameSide, "seat frame side", "seat frame side"},
      RoleRow{SeatHatch, "seat hatch", "hatch"},
      RoleRow{HatchLedge, "hatch ledge", "hatch ledge"},
      RoleRow{StorageShelf, "storage shelf", "storage shelf"},
  };
}();

static_assert(kRoles.size() == static_cast<std::size_t>(PartRole::StorageShelf) + 1);
static_assert([] {
  for (std::size_t i = 0; i < kRoles.size(); ++i)
    if (kRoles[i].role != static_cast<PartRole>(i)) return false;
  return true;
}());

constexpr int kPieces = 6;  // of a front

const RoleRow& rowOf(PartRole role) {
  return kRoles[static_cast<std::size_t>(role)];
}

template <class T>
std::optional<T> number(std::string_view text) {
  T out = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), out);
  if (error != std::errc{} || end != text.data() + text.size() || out < 1) return std::nullopt;
  return out;
}

}  // namespace

PartRole pieceOf(PartRole front, FrontPiece piece) {
  return static_cast<PartRole>(static_cast<int>(front) + static_cast<int>(piece));
}

std::optional<FrontPiece> frontPieceOf(PartRole role) {
  if (role < PartRole::DrawerFront || role > PartRole::LidPanel) return std::nullopt;
  return static_cast<FrontPiece>(
      (static_cast<int>(role) - static_cast<int>(PartRole::DrawerFront)) % kPieces);
}

bool isDrawerFront(PartRole role) {
  return role >= PartRole::DrawerFront && role <= PartRole::DrawerFrontPanel;
}

bool isFront(PartRole role) {
  return frontPieceOf(role).has_value();
}

bool isOfBox(PartRole role) {
  return role >= PartRole::BoxLeftSide && role <= PartRole::RightSlidePad;
}

std::string roleName(PartRole role, std::string_view box) {
  const std::string_view name = rowOf(role).name;
  return name.starts_with('*') ? std::string(box) + std::string(name.substr(1)) : std::string(name);
}

std::string_view roleWord(PartRole role) {
  return rowOf(role).word;
}

std::optional<PartRole> parseRole(std::string_view word) {
  const auto row = std::find_if(kRoles.begin(), kRoles.end(),
                                [word](const RoleRow& one) { return one.word == word; });
  if (row == kRoles.end()) return std::nullopt;
  return row->role;
}

std::string keyText(const PartKey& key) {
  std::string out = fmt::format("{}:{}", key.assembly, rowOf(key.role).word);
  if (key.opening != 0) out += fmt::format("@{}", key.opening);
  if (key.index != 1) out += fmt::format("#{}", key.index);
  return out;
}

std::optional<PartKey> parseKey(std::string_view text) {
  PartKey out;
  const auto colon = text.find(':');
  if (colon == std::string_view::npos) return std::nullopt;
  if (text.substr(0, colon) != "0") {
    const auto assembly = number<Id>(text.substr(0, colon));
    if (!assembly) return std::nullopt;
    out.assembly = *assembly;
  }
  text.remove_prefix(colon + 1);
  if (const auto hash = text.find('#'); hash != std::string_view::npos) {
    const auto index = number<int>(text.substr(hash + 1));
    if (!index) return std::nullopt;
    out.index = *index;
    text = text.substr(0, hash);
  }
  if (const auto at = text.find('@'); at != std::string_view::npos) {
    const auto opening = number<Id>(text.substr(at + 1));
    if (!opening) return std::nullopt;
    out.opening = *opening;
    text = text.substr(0, at);
  }
  const auto role = parseRole(text);
  if (!role) return std::nullopt;
  out.role = *role;
  return out;
}

}  // namespace pp
