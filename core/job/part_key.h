// Who a part is: what it is in its assembly, not what it is called or where it stands in a list.
#pragma once

#include <compare>
#include <optional>
#include <string>
#include <string_view>

#include "core/designs/id.h"

namespace pp {

// What a part is in what it is made for; roles.inc has them all.
enum class PartRole {
#define ROLE(name, ...) name,
#include "core/job/roles.inc"
#undef ROLE
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
bool isOfFaceFrame(PartRole role);
// Of a worktop.
bool isSolidEdging(PartRole role);

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
