// A part: one board as it leaves the saw and what is done to it before it is put together.
#pragma once

#include <array>
#include <optional>
#include <string>
#include <vector>

#include "core/job/job.h"
#include "core/parts/reason.h"
#include "core/parts/space.h"

namespace pp {

// Left or right of a mirrored pair.
enum class Hand { None, Left, Right };

enum class PartGrain { Length, Width, Any };

// Which dimension of the parts of a run follow one another along the strip.
enum class RunSeries { Either, Length, Width };

// The four bounding edges: 1 and 2 along the length (at v = 0 and at the full width), and along the
// width (at u = 0 and at the full length).
enum class Edge { L1, L2, W1, W2 };
inline constexpr std::array<Edge, 4> kEdges = {Edge::L1, Edge::L2, Edge::W1, Edge::W2};
inline constexpr std::array<const char*, 4> kEdgeCodes = {"l1", "l2", "w1", "w2"};
// Whether it lies across the length.
constexpr bool isEnd(Edge edge) {
  return edge == Edge::W1 || edge == Edge::W2;
}
constexpr Edge opposite(Edge edge) {
  constexpr std::array<Edge, 4> kAcross = {Edge::L2, Edge::L1, Edge::W2, Edge::W1};
  return kAcross[static_cast<std::size_t>(edge)];
}

enum class MachiningKind {
  Dado,
  Rabbet,
  Groove,
  Notch,
  PinHoles,
  EdgeGroove,  // along an edge, into the thickness
  Bevel,       // an edge off square
  Taper,       // a long edge that does not run along the board
  Arc,         // a hollowed edge
  Bulge,       // an edge that bulges from the rest of it
  RoundCorner,
  RoundEnd,  // both corners of an end
  Hole,
  Slot,
  HingeCup,
  Pockets,   // for pocket screws, along an end
  Mortises,  // for loose tenons or dowels
  HoleRow,
  ThicknessTaper,  // a face that does not run along the board
  Recess,          // a rectangle with round corners
  RoundOver,       // an edge eased
  Chamfer
};
std::string cutName(MachiningKind cut);  // "dado", "rabbet", ...

// Something cut into a part: a rectangle on a face, so deep. For a notch the depth is the whole
// thickness; for rows of holes, pockets or mortises the rectangle holds the row from the first
// centre to the last. A bevel runs along the edge `from`, `angle` off square, and leaves `face` its
// full size. A taper cuts the edge `from` from (u0, v0) to (u1, v1); along a long edge with u0 and
// u1 both 0, from end to end. A taper of the thickness leaves w0 at u0 and `depth` at u1. An arc
// hollows the edge `from` by `depth` over its part of u0..u1 or v0..v1, over all of it where they
// are 0; a bulge leaves all the rest of the edge so deep. A recess has corners of radius `width`. A
// round-over or chamfer runs along the edge `from`, `width` off `face` and off the edge.
struct Machining {
  MachiningKind cut = MachiningKind::Dado;
  Face face = Face::Inside;
  std::string receives;   // what goes into it: "bottom", "back", "shelf"
  Length u0, u1, v0, v1;  // in the part's own frame, finished size
  Length depth;
  Length w0;               // EdgeGroove: from the inside face to its near side; ThicknessTaper
  Edge from = Edge::W1;    // the edge it is measured from
  Length distance;         // from that edge to its near side (pin holes: to the row)
  Length width;            // across; for pin holes the diameter
  int holes = 0;           // of a row
  Length pitch;            // of a row
  Angle angle;             // of a bevel or taper
  bool through = true;     // runs from edge to edge of the part
  bool bothFaces = false;  // RoundOver, Chamfer: and along the other face
  bool assembled = false;  // done when the part has been put in
  bool operator==(const Machining&) const = default;
};

// How an edge of a part is joined, and to what.
// Glued: by that alone; no part says it of itself.
enum class JoinKind { Butt, Dado, Pocket, LooseTenon, Dowel, Brads, Rabbet, Mitre, Glued };
JoinKind joinKind(Joint joint);
struct Join {
  Edge edge = Edge::W1;
  JoinKind kind = JoinKind::Butt;
  std::string to;  // name of the other part
  bool operator==(const Join&) const = default;
};

struct Part {
  std::string code;  // "B1-03"
  int number = 0;    // of the code, in the book of its assembly
  PartRole role = PartRole::Board;
  std::string name;           // "left side"
  std::vector<PartKey> keys;  // of all that are alike; sorted
  std::string assembly;       // code of the assembly
  std::int64_t quantity = 1;
  Hand hand = Hand::None;
  std::string material;  // id of a Material
  std::string lot;       // that it must be cut from; empty: any
  Length thickness;      // measured
  Reason length, width;  // finished sizes, banding included, and where they come from
  PartGrain grain = PartGrain::Length;
  Face show = Face::Inside;
  std::array<Side, 4> edges{};         // which way L1, L2, W1, W2 look
  std::array<std::string, 4> bands{};  // banding on L1, L2, W1, W2; empty: none
  std::array<bool, 4> exposed{};       // seen when built, whether banded or not
  std::array<bool, 2> hidden{};        // inside, outside face: seen by nobody where it stands
  Length bandedLength, bandedWidth;    // taken off for banding along length and width
  Length oversize;
  std::string oversizeWhy;  // "flush-trimmed after gluing"
  Finish finish = Finish::None;
  std::optional<Finish> finishOutside;  // of that face, where it is another
  bool lumber = false;                  // cut from bars, not nested
  // Where several share one blank: so many parts, and the blank's size.
  std::int64_t perBlank = 1;
  Reason blankWidth;
  std::string note;        // what else the maker must know
  std::string overridden;  // why it is other than the rules say; empty: it is not
  std::string run;         // grain run, empty: none
  int runOrder = 0;
  RunSeries series = RunSeries::Either;
  bool runsRound = false;  // the run goes on round mitres, parted by two bevel cuts
  bool waiting = false;    // its size is still to be read off the work
  Length readOff;          // what was read less what was worked out
  bool anySuch = false;    // sheets of another kind, as thick, will do
  std::vector<Machining> machining;
  std::vector<Join> joins;
  std::vector<Pose> poses;  // where each copy goes; as many as quantity
  OpeningPath opening;      // the opening it came from, empty for the carcass itself

  Length cutLength() const { return length.total() - bandedLength + oversize; }
  Length cutWidth() const { return width.total() - bandedWidth + oversize; }
  // What the saw cuts: the part itself, or the blank that several share.
  Length blank() const { return perBlank > 1 ? blankWidth.total() : cutWidth(); }
  std::int64_t blanks() const { return (quantity + perBlank - 1) / perBlank; }
  // Of the finished part, from corner to corner.
  Length edgeLength(Edge edge) const { return isEnd(edge) ? width.total() : length.total(); }
  const std::string& band(Edge edge) const { return bands[static_cast<std::size_t>(edge)]; }
  // Whether it says that the edge is joined to another part.
  bool isJoined(Edge edge) const;
  // Whether the piece that is known by that key is of an opening: a board that is cut apart when it
  // has been fitted is of several.
  bool isOf(const PartKey& key, Id opening) const;
  // The edge that looks to `side`, if one does.
  std::optional<Edge> edgeAt(Side side) const;
  // The whole board in its own frame.
  Box board() const;
};

// Takes `size`, which is the part's length or width, off the work: the smallest reading instead of
// what was worked out, or, while there is none, larger by `allowance`.
void readOffTheWork(Part& part, Reason& size, const std::vector<Length>& readings,
                    Length allowance);

// Whether sizes differ by no more than sharing out nanometres can bring about: they are cut as one.
bool cutAlike(Length a, Length b);

// The part that has the key, or null; and its code, or nothing.
const Part* findPart(const std::vector<Part>& parts, const PartKey& key);
std::string codeOf(const std::vector<Part>& parts, const PartKey& key);

// A row of equal cuts that takes no room that matters between parts.
bool isRow(MachiningKind cut);

// Where the edge that a taper cuts ends; along a long edge where that was not said.
struct SlantedEdge {
  Length u0, v0, u1, v1;
};
SlantedEdge slantedEdge(const Machining& taper, const Part& part);

// The room a machining takes out of a part, in the part's own frame; empty for rows, bevels, tapers
// and whatever is not a rectangle.
Box removed(const Machining& machining, const Part& part);

// "left end in a dado of the left side", "top end on the top, glued and screwed"
std::string describe(const Join& join, const Part& part);

// What is done to it when it has come off the saw and before it is put together, each once: "dado,
// hinge cups, band front, top". Empty: nothing.
std::string nextOperations(const Part& part);

// "dado for the bottom, inside face, 100 from the bottom edge, 18 wide, 6 deep, through"
std::string describe(const Machining& machining, const Part& part, const LengthStyle& style);

}  // namespace pp
