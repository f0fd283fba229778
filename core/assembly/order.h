// The order in which pieces are put together, worked out from where they stand: what goes in when
// and from where, what holds it, what it is set by and what is checked.
#pragma once

#include "core/assembly/joints.h"
#include "core/breakdown/mountings.h"
#include "core/job/making.h"

namespace pp::bench {

// Of what is put together by itself.
enum class UnitKind { Box, Front, FaceFrame, Base, Top, Panel, Several, Section, Ring, Assembly };

// How the work lies while something is put in; that comes from above unless it is slid in.
enum class Lie { First, Upright, OnBack, FaceDown, OnLeftSide, OnRightSide, UpsideDown };

// A joint that is closed.
struct Closed {
  PieceAt piece, mate;
  Edge edge = Edge::W1;
  bool flat = false;  // not an edge but a face of the piece lies there
  bool glued = true;
  bool drawn = true;  // else it follows from what the two are
  JoinKind kind = JoinKind::Butt;
  Fasteners fasteners;
  Gluing gluing = Gluing::InShop;  // in place: dry in the shop, and glued where it will stand
  bool operator==(const Closed&) const = default;
};

// Cut to the room between what is put in and what it is set by, instead of measuring.
struct Spacer {
  Length size;
  PieceAt to;
  Side side = Side::Bottom;  // of what is put in
  bool operator==(const Spacer&) const = default;
};

// Equal, or the frame is not square.
struct Diagonals {
  Length a, b;      // the sides
  Length diagonal;  // to the hundredth of a millimetre
  bool operator==(const Diagonals&) const = default;
};

// What the driver of a joint does not get past, in whatever order things go in.
struct Unreached {
  Closed joint;
  PieceAt by;
  bool operator==(const Unreached&) const = default;
};

// Of a drawer's front, through its box.
struct FrontScrews {
  int count = 0;
  Length length;
  bool operator==(const FrontScrews&) const = default;
};

struct AssemblyStep {
  std::vector<PieceAt> pieces;      // one, or all of what was put together before
  std::vector<Pose> stand;          // where each of them comes to stand
  bool isWhole = false;             // that
  UnitKind kind = UnitKind::Panel;  // and what it is then
  std::string name;                 // of the piece, or of what goes in whole, as UnitOrder has it
  std::size_t each = 1;             // pieces of one, where the same goes in several times
  Vec along;                        // the way it goes in, a unit vector; of the first none
  Lie lie = Lie::First;
  std::vector<Closed> joints;
  std::vector<Spacer> spacers;
  std::optional<Diagonals> diagonals;
  int clamps = 0;      // where nothing but glue holds
  bool isDry = false;  // put together without glue first
  bool waits = false;  // for a reading off the work
  std::optional<Unreached> unreached;
  bool isLifted = false;  // a sliding panel: up into its upper groove, then down into the lower
  bool isMoved = false;   // its unit is in another order than was found
  bool isForced = false;  // it does not get past what is there
  std::optional<PieceAt> past;        // then: one of those
  std::optional<PieceAt> tooLate;     // goes in after it and is there already, where it was moved
  std::optional<FrontScrews> screws;  // of a drawer's front, through its box from inside
  std::vector<Mounting> mounted;      // on one of those that are alike; `pieces` says nothing here
  std::vector<std::pair<PieceAt, PieceAt>> joined;  // all that the joints of all alike are between
  // What is ticked: a part, and which of its poses; one for each alike.
  std::size_t row = 0;
  std::vector<std::size_t> poses;
  std::vector<std::vector<PieceAt>> with;  // by those, all that goes in with it
};

// What is put together by itself and then goes in whole; the last of an assembly is that itself.
struct UnitOrder {
  UnitKind kind = UnitKind::Assembly;
  std::string assembly;  // code
  // What it is: "B1, base cabinet", "seat frame 1 of 2", "top", "left side", "left door"; of what
  // has to go in as one its pieces: "bottom, divider, top".
  std::string name;
  int alike = 1;  // so many of them
  std::vector<AssemblyStep> steps;
};

// Of all assemblies whose parts are there, in the order of `job`. Parts without a place are in
// none.
std::vector<UnitOrder> assemblyOrder(const std::vector<Pieces>& pieces, const Job& job);

// Of the step: of the joints that are drawn or glued the one that is glued last; none: it closes
// none.
std::optional<Gluing> gluingOf(const AssemblyStep& step);

}  // namespace pp::bench
