// The inside of a carcass as a tree: an opening is open, holds shelves or drawers, or is split by
// dividers or fixed shelves into further openings. Sizes are clear openings.
#pragma once

#include <optional>
#include <string>
#include <variant>
#include <vector>

#include "core/designs/id.h"
#include "core/length/length.h"

namespace pp {

// Which way the grain of a back or a front runs.
enum class PanelGrain { Upright, Across, Either };

enum class FrontStyle {
  Slab,
  GroovedFrame,  // rails on tongues between the stiles, panel in a groove
  LappedFrame    // rails and stiles half lapped, panel laid into a rabbet from behind
};

// What fronts beside or above one another are cut from. Slabs only.
enum class FrontsCut {
  Apart,
  Run,      // one strip, in order, so that the figure runs on
  OneBoard  // one board that is cut apart when it has been fitted
};

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
  FrontsCut cut = FrontsCut::Apart;
  bool railed = false;           // rails of the face frame between the fronts, nothing behind them
  bool waits = false;            // the boxes are cut when the opening's width was read off the work
  std::vector<Length> readings;  // of it, front and rear: the smallest is built to; each > 0
  bool operator==(const DrawerBank&) const = default;
};

struct Opening;

enum class SplitBy { Dividers, Shelves };  // side by side from the left; stacked from the top

struct Split {
  SplitBy by = SplitBy::Dividers;
  std::vector<Share> sizes;  // as many as children, at least two
  std::vector<Opening> children;
  // Of all fronts in it: rows across where it is split by dividers, else columns, grain upright.
  FrontsCut fronts = FrontsCut::Apart;
  bool uncovered = false;              // the frame has no members over its panels
  bool byFrame = false;                // the sizes are what a face frame leaves open
  std::optional<Length> doubled = {};  // two panels instead of one, so far apart, >= 0
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
  bool centreStile = false;   // Pair: a stile of the face frame between them, nothing behind it
  FrontsCut cut = FrontsCut::Apart;  // Pair, slabs
  bool operator==(const Door&) const = default;
};

// What the fronts of one opening have otherwise than the carcass says.
struct OpeningFronts {
  std::optional<FrontStyle> style;
  std::optional<PanelGrain> grain;
  std::optional<Length> gap;                       // >= 0
  std::optional<Length> left, right, bottom, top;  // Overlay: over that edge, >= 0
  bool operator==(const OpeningFronts&) const = default;
};

struct Opening {
  OpeningContent content = OpenSpace{};
  std::optional<Door> door;
  OpeningFronts fronts;
  Id id = 0;  // none where it is split: then the first one inside stands for it
  bool operator==(const Opening& other) const = default;
};

inline bool Split::operator==(const Split& other) const {
  return by == other.by && sizes == other.sizes && children == other.children &&
         fronts == other.fronts && uncovered == other.uncovered && byFrame == other.byFrame &&
         doubled == other.doubled;
}

// The way from the whole inside to one opening: the child's index at every split.
using OpeningPath = std::vector<std::size_t>;

// The opening at `path`, or null where the tree has none there.
const Opening* find(const Opening& root, const OpeningPath& path);

// The one with that id, or null.
const Opening* openingOf(const Opening& root, Id id);

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
