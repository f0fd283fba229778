// A cutting plan: which pieces of stock are used, where every part lies on them, how they come
// apart by cuts from edge to edge, and how good the plan is.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/plan/request.h"

namespace pp {

// A part as it lies on a sheet: x along the stock's length, y along its width, origin at the corner
// of the sheet as bought.
struct Placement {
  std::size_t part = 0;   // index into the request's parts
  std::int64_t copy = 1;  // 1-based
  Length x, y, dx, dy;
  bool turned = false;  // the part's length lies along y
  bool operator==(const Placement&) const = default;
};

// How a piece comes apart. A Row's children lie side by side along x, a Column's along y, each a
// kerf from the next; dx, dy is the smallest piece that holds them by the widest kerf.
struct CutTree {
  enum class Kind { Part, Row, Column, Leftover, Waste, Cell };
  Kind kind = Kind::Part;
  Length dx, dy;
  std::size_t placement = 0;  // Part: index into the sheet's placements
  // Row, Column: at least two. Cell: one, with the shop's allowance round it for its final edges.
  std::vector<CutTree> children;
  bool fixed = false;     // the order of the children is not free
  bool anchored = false;  // every child lies exactly where the widest kerf would put it
  bool mitred = false;    // the children are parted by two bevel cuts
};

struct Leftover {
  std::string id;  // "S1-K1"
  Length x, y, dx, dy;
  bool operator==(const Leftover&) const = default;
};

enum class CutDirection { Rip, Cross };  // parallel to x; parallel to y
enum class FenceSide { Low, High };

// What a cut is for: it takes a rough edge off, parts pieces anywhere within its play, makes a far
// edge clean with a rough one at the fence, or gives an exact distance from a clean edge.
enum class CutKind { Trim, Rough, Over, Final };

// Where a cut may lie instead of exactly at its place.
struct Play {
  Length from, to;  // measured as the place itself is
  bool operator==(const Play&) const = default;
};

// One cut, as in the exchange format. `at` is measured on the piece from its low edge to the near
// side of the blade; it may be negative, by less than a kerf.
struct SawCut {
  int step = 0;           // 1-based over the whole plan
  std::size_t sheet = 0;  // index into the plan's sheets
  std::string piece;
  std::string machine;
  CutDirection direction = CutDirection::Rip;
  Length at;
  Length kerf;          // what this saw takes
  bool tilted = false;  // a bevel cut at 45 degrees; kerf is then what it takes from the face
  FenceSide fence = FenceSide::Low;
  Length distance;                       // what the operator reads: fence or stop to the near tooth
  std::optional<std::string> low, high;  // names of the pieces; none where nothing is left
  int setup = 0;  // 1-based; counts changes of (machine, direction, distance)
  CutKind kind = CutKind::Final;
  std::optional<Play> play;  // none: exact
  bool operator==(const SawCut&) const = default;
  // By a pencil line: nothing is set.
  bool isToMark() const { return kind == CutKind::Trim || kind == CutKind::Rough; }
};

// What a piece is that is not cut any further.
struct PieceEnd {
  enum class Kind { Part, Leftover, Waste };
  std::string piece;
  Kind kind = Kind::Waste;
  std::size_t sheet = 0;  // index into the plan's sheets
  std::size_t index = 0;  // of the sheet's placements, or of its leftovers
  bool operator==(const PieceEnd&) const = default;
};

struct PlannedSheet {
  std::size_t stock = 0;  // index into the request's stock
  std::vector<Placement> placements;
  CutTree tree;                     // over the usable area
  std::vector<Leftover> leftovers;  // worth keeping
};

struct Unplaced {
  std::size_t part = 0;
  std::int64_t count = 0;
  std::string reason;
};

// A cut that the shop's saws cannot make, or not by one person.
struct CutTrouble {
  int step = 0;  // of the plan's cuts
  bool impossible = false;
  std::string why;
};

// Proven: no plan that places every part which fits some stock costs less or, where counted, uses
// fewer pieces.
struct Bound {
  Money cost;
  std::int64_t sheets = 0;
  std::string method;
};

struct Plan {
  std::vector<PlannedSheet> sheets;
  std::vector<SawCut> cuts;    // all sheets, in order
  std::vector<PieceEnd> ends;  // of every piece that lies on the bench after all cuts
  std::vector<BarList> bars;
  std::vector<CutTrouble> troubles;
  std::vector<Unplaced> unplaced;
  Bound bound;
  Money cost;
  int setups = 0;
  Area partArea, sheetArea;
  double seconds = 0;
  bool complete() const { return unplaced.empty(); }
  std::int64_t missing() const;  // copies that have no place
  double yield() const;          // 0 for a plan without sheets
  bool proven() const { return complete() && cost <= bound.cost; }
};

// Whether a piece of stock is there: the shop's own, or lying on the bench; what can always be had
// is bought; of the rest the job alone says how many there are.
enum class Whence { Had, Bought, Counted };
Whence whenceOf(const StockSupply& stock);
// How many sheets of a plan come from there.
std::int64_t sheetsFrom(const NestRequest& request, const Plan& plan, Whence whence);

// What the plan's sheet is called: "S1" and so on through the job, or as the piece that lies on the
// bench already and is cut on as it was to be.
std::string sheetName(const NestRequest& request, const Plan& plan, std::size_t sheet);

}  // namespace pp
