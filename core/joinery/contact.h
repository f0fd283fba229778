// Where boards of one assembly touch, or one sits in another, from their own sizes in whole
// nanometres.
#pragma once

#include <optional>
#include <vector>

#include "core/parts/part.h"

namespace pp::joinery {

// One copy of a part where it stands. The part is kept by reference.
struct PlacedBoard {
  const Part* part = nullptr;
  PartKey key;
  Pose pose;
  Box room() const { return pose.place(part->board()); }
};
// A piece of a worktop.
inline bool isOfTop(PartRole role) {
  return (role >= PartRole::TopSheet && role <= PartRole::RightEdging) ||
         role == PartRole::TopStrip;
}
// The half of a cleat that is on the wall: it is the same strip turned over.
inline bool isOnWall(PartRole role, const Pose& pose) {
  return role == PartRole::Cleat && pose.v.axis == Axis::Z && pose.v.sign < 0;
}
inline bool isOnWall(const PlacedBoard& board) {
  return isOnWall(board.key.role, board.pose);
}

// Of two boards that lie along the axes: `a` ends at `b` with an edge, or lies on it with a face.
struct Contact {
  std::size_t a = 0, b = 0;
  std::optional<Edge> edge;         // of a; none: one of its faces
  std::optional<Edge> onto;         // of b, where they meet edge to edge
  std::optional<MachiningKind> in;  // what of b takes a in; a mitre is a bevel
  Axis across = Axis::X;            // the way from a to b
  Length sits;                      // how deep a sits in b; 0: they touch
  Box room;                         // where that is, flat along `across` where they touch
  // Along its longer side.
  Axis along() const;
  Length length() const;
  Area area() const;  // of the flat of it
};

// Each pair once, in the order of the boards. Less than a square centimetre is none where no edge
// says that it is joined there, nor is what the boards are apart by more than a millimetre. Found
// by sort and sweep along x.
std::vector<Contact> contactsOf(const std::vector<PlacedBoard>& boards);

}  // namespace pp::joinery
