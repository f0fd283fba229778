#include "core/job/part_key.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <charconv>

namespace pp {
namespace {

struct Row {
  PartRole role;
  const char* word;  // in files, for ever
  const char* name;  // as shown; * stands for what kind of box it is of
};

using enum PartRole;

constexpr std::array kRoles = {
    Row{LeftSide, "left side", "left side"},
    Row{RightSide, "right side", "right side"},
    Row{Bottom, "bottom", "bottom"},
    Row{Top, "top", "top"},
    Row{FrontStretcher, "front stretcher", "front stretcher"},
    Row{RearStretcher, "rear stretcher", "rear stretcher"},
    Row{KickBoard, "kick board", "kick board"},
    Row{LeftLining, "left lining", "left lining"},
    Row{RightLining, "right lining", "right lining"},
    Row{Divider, "divider", "divider"},
    Row{FixedShelf, "fixed shelf", "fixed shelf"},
    Row{AdjustableShelf, "adjustable shelf", "adjustable shelf"},
    Row{LooseShelf, "loose shelf", "loose shelf"},
    Row{ShelfSupport, "shelf support", "shelf support"},
    Row{ShelfLip, "shelf lip", "shelf lip"},
    Row{NailingStrip, "nailing strip", "nailing strip"},
    Row{RearRail, "rear rail", "rear rail"},
    Row{BackRail, "back rail", "back rail"},
    Row{Back, "back", "back"},
    Row{BackBatten, "back batten", "back batten"},
    Row{LeftExposedEnd, "left exposed end", "left end panel"},
    Row{RightExposedEnd, "right exposed end", "right end panel"},
    Row{LeftFiller, "left filler", "left filler"},
    Row{RightFiller, "right filler", "right filler"},
    Row{Cleat, "cleat", "cleat"},
    Row{WallSpacer, "wall spacer", "wall spacer"},
    Row{FootRunner, "foot runner", "foot runner"},
    Row{BaseRail, "base rail", "base rail"},
    Row{BaseCrossPiece, "base cross piece", "base cross piece"},
    Row{BoxLeftSide, "box left side", "* left side"},
    Row{BoxRightSide, "box right side", "* right side"},
    Row{BoxFront, "box front", "* box front"},
    Row{BoxBack, "box back", "* box back"},
    Row{BoxBottom, "box bottom", "* bottom"},
    Row{BoxRunner, "box runner", "* runner"},
    Row{SlidePad, "slide pad", "* slide pad"},
    Row{RightSlidePad, "right slide pad", "* slide pad"},
    Row{DrawerFront, "drawer front", "drawer front"},
    Row{DrawerFrontLeftStile, "drawer front left stile", "drawer front stile"},
    Row{DrawerFrontRightStile, "drawer front right stile", "drawer front stile"},
    Row{DrawerFrontLowerRail, "drawer front lower rail", "drawer front lower rail"},
    Row{DrawerFrontUpperRail, "drawer front upper rail", "drawer front upper rail"},
    Row{DrawerFrontPanel, "drawer front panel", "drawer front panel"},
    Row{Door, "door", "door"},
    Row{DoorLeftStile, "door left stile", "door stile"},
    Row{DoorRightStile, "door right stile", "door stile"},
    Row{DoorLowerRail, "door lower rail", "door lower rail"},
    Row{DoorUpperRail, "door upper rail", "door upper rail"},
    Row{DoorPanel, "door panel", "door panel"},
    Row{LeftDoor, "left door", "door"},
    Row{LeftDoorLeftStile, "left door left stile", "door stile"},
    Row{LeftDoorRightStile, "left door right stile", "door stile"},
    Row{LeftDoorLowerRail, "left door lower rail", "door lower rail"},
    Row{LeftDoorUpperRail, "left door upper rail", "door upper rail"},
    Row{LeftDoorPanel, "left door panel", "door panel"},
    Row{RightDoor, "right door", "door"},
    Row{RightDoorLeftStile, "right door left stile", "door stile"},
    Row{RightDoorRightStile, "right door right stile", "door stile"},
    Row{RightDoorLowerRail, "right door lower rail", "door lower rail"},
    Row{RightDoorUpperRail, "right door upper rail", "door upper rail"},
    Row{RightDoorPanel, "right door panel", "door panel"},
    Row{Lid, "lid", "lid"},
    Row{LidLeftStile, "lid left stile", "lid stile"},
    Row{LidRightStile, "lid right stile", "lid stile"},
    Row{LidLowerRail, "lid lower rail", "lid lower rail"},
    Row{LidUpperRail, "lid upper rail", "lid upper rail"},
    Row{LidPanel, "lid panel", "lid panel"},
    Row{FrameLeftStile, "frame left stile", "frame stile"},
    Row{FrameRightStile, "frame right stile", "frame stile"},
    Row{FrameMiddleStile, "frame middle stile", "frame middle stile"},
    Row{FrameUpperRail, "frame upper rail", "frame upper rail"},
    Row{FrameLowerRail, "frame lower rail", "frame lower rail"},
    Row{FrameMiddleRail, "frame middle rail", "frame middle rail"},
    Row{FrameCentreStile, "frame centre stile", "frame centre stile"},
    Row{FrameDrawerRail, "frame drawer rail", "frame drawer rail"},
    Row{TopSheet, "top sheet", "top"},
    Row{TopLowerLayer, "top lower layer", "top lower layer"},
    Row{FrontLongStrip, "front long strip", "build-up strip, long"},
    Row{RearLongStrip, "rear long strip", "build-up strip, long"},
    Row{CrossStrip, "cross strip", "build-up strip, across"},
    Row{FrontEdging, "front edging", "front edging"},
    Row{RearEdging, "rear edging", "rear edging"},
    Row{LeftEdging, "left edging", "left edging"},
    Row{RightEdging, "right edging", "right edging"},
    Row{WallPanelSheet, "wall panel", "wall panel"},
    Row{LeftEnd, "left end", "left end"},
    Row{RightEnd, "right end", "right end"},
    Row{SeatFront, "seat front", "front"},
    Row{SeatRear, "seat rear", "rear panel"},
    Row{SeatBottom, "seat bottom", "bottom"},
    Row{SeatDivider, "seat divider", "divider"},
    Row{HingeRail, "hinge rail", "hinge rail"},
    Row{SeatLid, "seat lid", "lid"},
    Row{BackBracket, "back bracket", "back bracket"},
    Row{LeaningBack, "leaning back", "leaning back"},
    Row{PlatformSide, "platform side", "box side"},
    Row{PlatformEnd, "platform end", "box front or back"},
    Row{Deck, "deck", "deck"},
    Row{RingPiece, "ring piece", "ring piece"},
    Row{Board, "board", "board"},
    Row{BoardLayer, "board layer", "layer"},
    Row{TopStrip, "top strip", "strip of the top"},
    Row{BaseLeg, "base leg", "base leg"},
    Row{CornerFiller, "corner filler", "corner filler"},
    Row{PanelSupport, "panel support", "panel support"},
    Row{Slat, "slat", "slat"},
    Row{HungBoard, "hung board", "hung shelf"},
    Row{LeftBrace, "left brace", "left brace"},
    Row{RightBrace, "right brace", "right brace"},
    Row{CornerPost, "corner post", "corner post"},
    Row{SeatFrameRail, "seat frame rail", "front rail of the seat"},
    Row{SeatFrameSide, "seat frame side", "seat frame side"},
    Row{SeatHatch, "seat hatch", "hatch"},
    Row{HatchLedge, "hatch ledge", "hatch ledge"},
    Row{StorageShelf, "storage shelf", "storage shelf"},
};

static_assert(kRoles.size() == static_cast<std::size_t>(StorageShelf) + 1);
static_assert([] {
  for (std::size_t i = 0; i < kRoles.size(); ++i)
    if (kRoles[i].role != static_cast<PartRole>(i)) return false;
  return true;
}());

constexpr int kPieces = 6;  // of a front

const Row& rowOf(PartRole role) {
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
  if (role < DrawerFront || role > LidPanel) return std::nullopt;
  return static_cast<FrontPiece>((static_cast<int>(role) - static_cast<int>(DrawerFront)) %
                                 kPieces);
}

bool isDrawerFront(PartRole role) {
  return role >= DrawerFront && role <= DrawerFrontPanel;
}

bool isFront(PartRole role) {
  return frontPieceOf(role).has_value();
}

bool isOfBox(PartRole role) {
  return role >= BoxLeftSide && role <= RightSlidePad;
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
                                [word](const Row& one) { return one.word == word; });
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
