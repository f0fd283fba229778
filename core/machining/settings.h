// The machining of parts by setting: a tool is set once for all pieces that need it so. Worked out
// from the parts as they were cut and the shop's tools; nothing of it is typed.
#pragma once

#include <array>

#include "core/floor/pieces.h"

namespace pp::bench {

enum class Tool {
  DadoStack,    // on the table saw
  RouterTable,  // a straight bit
  TableSaw,     // one blade, in passes, or tilted
  Router,       // along a straightedge
  Drill,        // press or jig
  PocketJig,
  Jig,       // a taper, on the saw
  HandSaw,   // jigsaw, band saw, chisel
  Template,  // traced or flush-routed from the first
  EaseBit    // round over, chamfer
};

// One machining of a part at a setting.
struct Work {
  std::size_t row = 0;        // of the pieces
  std::size_t machining = 0;  // of the part
  std::string name;           // as the record has it: of this machining of the part and no other
  Edge against = Edge::W1;    // the edge at the fence, stop or straightedge
  Edge leading = Edge::L1;    // that meets the tool first, with the fence at the right
  Face down = Face::Inside;   // on the table or bench
  Length begin, end;          // along the cut, from the leading edge: less than the edge where it
                              // is stopped
  bool stopped = false;       // does not run from edge to edge
  bool fromOtherEnd = false;  // the fence does not reach from the edge that it is measured from
  std::string before = {};    // the name that version 5 gave it
  bool operator==(const Work&) const = default;
};

struct Setting {
  Tool tool = Tool::DadoStack;
  MachiningKind cut = MachiningKind::Dado;  // of the first work
  Length width, depth;  // of holes the diameter; of pocket holes the thickness the jig is set for
  Angle tilt;
  Length distance;         // from the fence to the near side; of holes to their centre line
  Length bit;              // of a router; less than the width: moved over
  int passes = 1;          // side by side
  Length step;             // of the fence from one to the next
  bool assembled = false;  // when the part has been put in
  // The first at its width or its tilt: a scrap is tried with what will go in, or two against a
  // square.
  bool testCut = false;
  std::string goesIn;       // what will: "bottom"; empty: nothing does
  std::vector<Work> works;  // by hand, then part; left and right stand apart, those stopped last
  std::array<std::int64_t, 6> shape{};  // what a template or a hand cut is one of; else zeros
};

// The table saw's usual kerf and what the shop has follow from `job`. Works keep the order of the
// rows within a setting. Settings of one tool and width stand together, by depth, then distance;
// what takes an edge away that others are measured from comes after those.
std::vector<Setting> settings(const std::vector<Pieces>& pieces, const Job& job);

// The fewest there could be: different tools, widths, depths and distances.
std::size_t leastSettings(const std::vector<Setting>& settings);

// Pieces of all works, each once a work.
std::int64_t worksOf(const Setting& setting, const std::vector<Pieces>& pieces);

// What the record calls a machining of a part, by where it is: "dado inside w1 20.5 0", in
// millimetres. No name that is shown stands in it.
std::string workName(const Part& part, std::size_t machining);
// What version 5 and before called it, with the word for what goes in: "dado bottom inside w1 20.5
// 0". What is noted so stays done.
std::string workNameOfVersion5(const Part& part, std::size_t machining);

// A width that is another by now: what goes in was measured anew after the part was cut.
struct NewWidth {
  std::size_t row = 0, machining = 0;  // of the pieces, of the part
  Length was, is;
  bool operator==(const NewWidth&) const = default;
};
// Slots of the pieces follow the thickness that the drawing has of what goes in now; depths and
// distances stay, since the mates are cut to them.
std::vector<NewWidth> followThickness(std::vector<Pieces>& pieces, const std::vector<Part>& drawn);

// Table saw into an inside corner: by how much the kerf at the underside runs ahead of the top when
// the blade of radius `blade`, raised `height` above the table, stops; `thickness` < `height`.
// sqrt(h(2R - h)) - sqrt((h - T)(2R - h + T)): half chords of the blade at the table and at the top
// of the piece.
Length cornerLead(Length blade, Length height, Length thickness);

// What a maker should know before it is cut.
struct Warning {
  std::size_t row = 0;
  std::string words;
  bool operator==(const Warning&) const = default;
};
// A dado or groove deeper than half the thickness, cuts into both faces that leave too little
// between them, holes in a dado.
std::vector<Warning> warnings(const std::vector<Pieces>& pieces);

}  // namespace pp::bench
