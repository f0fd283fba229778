// The inside of a carcass as a tree: an opening is open, holds shelves or drawers, or is split by
// dividers or fixed shelves into further openings. Sizes are clear openings.
#pragma once

#include <optional>
#include <string>
#include <variant>
#include <vector>

#include "core/job/id.h"
#include "core/length/length.h"

namespace pp {

// One size in a row of openings: a fixed clear size, or an equal share of what is left over.
struct Share {
  std::optional<Length> fixed;  // > 0
  Id id = 0;                    // of a drawer; openings have their own
  bool operator==(const Share&) const = default;
};

struct OpenSpace {
  bool operator==(const OpenSpace&) const = default;
};

struct AdjustableShelves {
  int count = 1;  // 1..50
  bool operator==(const AdjustableShelves&) const = default;
};

// Shelves that lie on strips screwed to the sides of the opening.
struct LooseShelves {
  int count = 1;  // 1..50
  bool operator==(const LooseShelves&) const = default;
};

enum class BankKind {
  Drawers,
  Trays,     // boxes without fronts, on wooden runners
  Platforms  // pull-outs: a box upside down, its bottom as a working surface
};

// Drawers or trays, one above the other, listed from the top down.
struct DrawerBank {
  BankKind kind = BankKind::Drawers;
  std::vector<Share> fronts = {Share{}};  // heights of the fronts; gaps come off the opening first
  std::optional<Length> boxHeight;        // none: what the clearances leave
  bool matched = false;                   // the fronts are cut as one grain run
  bool operator==(const DrawerBank&) const = default;
};

struct Opening;

enum class SplitBy { Dividers, Shelves };  // side by side from the left; stacked from the top

struct Split {
  SplitBy by = SplitBy::Dividers;
  std::vector<Share> sizes;  // as many as children, at least two
  std::vector<Opening> children;
  bool operator==(const Split& other) const;
};

using OpeningContent = std::variant<OpenSpace, AdjustableShelves, LooseShelves, DrawerBank, Split>;

enum class Hinge {
  Left,
  Right,
  Pair,
  Top,  // a lid that lifts
  Bottom,
  Sliding  // two panels past one another, in grooves of what is above and below
};

// A door, a pair, a lid or sliding panels over an opening, whatever is inside.
struct Door {
  Hinge hinge = Hinge::Left;
  bool rightInFront = false;  // Sliding: the right one is nearer to the front
  bool operator==(const Door&) const = default;
};

struct Opening {
  OpeningContent content = OpenSpace{};
  std::optional<Door> door;
  Id id = 0;  // none where it is split: then the first one inside stands for it
  bool operator==(const Opening& other) const = default;
};

inline bool Split::operator==(const Split& other) const {
  return by == other.by && sizes == other.sizes && children == other.children;
}

// The way from the whole inside to one opening: the child's index at every split.
using OpeningPath = std::vector<std::size_t>;

// The opening at `path`, or null where the tree has none there.
const Opening* find(const Opening& root, const OpeningPath& path);

// A copy of `root` with the opening at `path` replaced. Precondition: find(root, path).
Opening replaced(const Opening& root, const OpeningPath& path, Opening with);

// A split whose panel `index` (between children index and index + 1) moves by `delta` towards the
// child after it; `sizes` are the children's sizes as they are. The child before takes a fixed
// size; the one after gives way, and stays a share where it is one. A child that would vanish:
// nothing.
std::optional<Split> panelMoved(const Split& split, const std::vector<Length>& sizes,
                                std::size_t index, Length delta);

// Leaves in reading order: left to right, top to bottom.
std::vector<OpeningPath> leaves(const Opening& root);

}  // namespace pp
