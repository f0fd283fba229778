// Parts as bodies where they stand, and whether two take the same room.
#pragma once

#include <string>
#include <vector>

#include "core/breakdown/breakdown.h"
#include "core/parts/solid.h"

namespace pp::test {

struct Body {
  std::string name;
  std::vector<Convex> pieces;
  Vec low{1e9, 1e9, 1e9};
  Vec high{-1e9, -1e9, -1e9};
};

// Of every copy, where it stands.
std::vector<Body> bodiesOf(const Breakdown& breakdown);

// Every two that overlap by more than a sliver, a line each; empty where none do.
std::string clashes(const std::vector<Body>& bodies);
std::string clashes(const Breakdown& breakdown);

// The room and weight of every piece; the middle is that of its wood.
struct PieceRoom {
  std::string name;
  double volume = 0;
  Vec low, high, middle;
};
std::vector<PieceRoom> pieceRooms(const Breakdown& breakdown);

// Of the rooms of `before` one that has no mirror image among those of `after`, in something so
// wide: its name; empty where each has its own.
std::string withoutMirrorImage(const std::vector<PieceRoom>& before,
                               const std::vector<PieceRoom>& after, double width);

}  // namespace pp::test
