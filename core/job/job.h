// A job: what is to be built, of what, and how the shop saws. One immutable value; an edit makes a
// new one. Outer sizes include edge banding and exclude fronts that stand proud.
#pragma once

#include <optional>
#include <string>
#include <variant>
#include <vector>

#include "core/designs/base_frame.h"
#include "core/designs/boards.h"
#include "core/designs/box_set.h"
#include "core/designs/carcass.h"
#include "core/designs/group.h"
#include "core/designs/hung_shelf.h"
#include "core/designs/platform.h"
#include "core/designs/ring.h"
#include "core/designs/seat_box.h"
#include "core/designs/shared_rows.h"
#include "core/designs/top.h"
#include "core/designs/wall_panel.h"
#include "core/job/choice.h"
#include "core/job/code_book.h"
#include "core/job/costing.h"
#include "core/job/making.h"
#include "core/job/shop.h"
#include "core/job/stock.h"
#include "core/length/format.h"
#include "core/result/result.h"
#include "core/site/route.h"
#include "core/site/site.h"

namespace pp {

using AssemblyBody = std::variant<Carcass, CarcassGroup, Top, BaseFrame, WallPanel, SeatBox,
                                  Platform, Ring, Boards, BoxSet, HungShelf>;

struct Assembly {
  Id id = 0;
  std::string code;  // unique in the job; begins the codes of its parts
  std::string name;
  std::int64_t copies = 1;  // so many of it are built, 1..1 000
  Finish finish = Finish::None;
  // Finished when it is put together, its seams filled first; else its parts are, so that there are
  // no inside corners and what is glued stays bare.
  bool finishedWhole = false;
  AssemblyBody body;
  // The lot it is cut from, and so how thick its panels are; empty, or a lot that is not in the
  // rack: any. A group's own parts follow the materials.
  std::string lot;

  bool isCarcass() const { return std::holds_alternative<Carcass>(body); }
  // Precondition: isCarcass().
  Carcass& carcass() { return std::get<Carcass>(body); }
  const Carcass& carcass() const { return std::get<Carcass>(body); }
  bool operator==(const Assembly&) const = default;
};

// What is bought ready: glass, stone, a worktop. Counted and listed, never laid out.
struct BoughtIn {
  std::string name;
  std::int64_t quantity = 1;  // that are needed, 1..10 000
  std::string note;
  Money price;            // each
  std::int64_t have = 0;  // of them there already, 0..10 000
  std::string material;   // glass, acrylic, stone; free text
  Length length, width;   // finished, >= 0; 0: not said, or as large as its place leaves
  Length thickness;       // >= 0
  Length oversize;        // it is ordered larger by this each way, >= 0
  Id assembly = 0;        // where it goes; 0: nowhere in particular
  Id opening = 0;         // of that carcass: it is as wide and high as that is clear
  Length clearance;       // and smaller by this in all, >= 0
  bool operator==(const BoughtIn&) const = default;
};

enum class Goal { Cost, Offcuts, Setups };

struct SawRules {
  Length kerf = Length::um(3'200);    // >= 0
  Length trim = Length::mm(6);        // off every edge of a full sheet, blade included, >= 0
  Length keepLong = Length::mm(300);  // smallest leftover worth keeping
  Length keepShort = Length::mm(100);
  Goal goal = Goal::Cost;
  Money ease;  // what fewer settings may cost beyond the least, where they are the goal
  bool operator==(const SawRules&) const = default;
};

// The smallest leftover of the material that is worth keeping. Of thin sheets a narrow strip is
// good for nothing: a back or a bottom is wanted of them.
struct Keep {
  Length along, across;
  bool operator==(const Keep&) const = default;
};
Keep keepOf(const SawRules& rules, const Material& material);

// A part that stays on a sheet, or at a place on it, however the rest is laid out. A pin whose part
// or stock is no longer there has no effect.
struct JobPin {
  PartKey part;
  Id stock = 0;  // of a StockPiece
  std::int64_t copies = 1;
  std::int64_t sheet = 1;      // pins of one stock and number lie on one piece, >= 1
  std::optional<Length> x, y;  // the low corner; both or none
  bool turned = false;         // with a place: the part's length lies across
  bool operator==(const JobPin&) const = default;
};

// The grid of a sheet of labels.
struct LabelSheet {
  bool letter = false;  // else A4
  int columns = 3;      // 1..10
  int rows = 7;         // 1..30
  Length marginLeft = Length::um(7'200);
  Length marginTop = Length::um(15'150);
  Length gapAcross = Length::um(2'500);
  Length gapDown = Length::mm(0);
  bool operator==(const LabelSheet&) const = default;
};

struct Job {
  std::string id;  // given to the job when it was begun, and to no other; empty: none yet
  Id lastId = 0;   // the last that was given to anything in it
  std::string name;
  std::string place;
  Unit unit = Unit::Millimetre;
  int fraction = 32;  // finest fraction of an inch that is shown: 2, 4, 8, 16, 32 or 64
  Length shareStep;   // what is shared out lands on multiples of it, but for the last; 0: exactly
  SawRules saw;
  Shop shop;
  LabelSheet labels;
  Costing costing;
  std::vector<Material> materials;
  std::vector<Banding> bandings;
  SharedRows<StockPiece> stock;
  std::vector<Slide> slides;
  SharedRows<Assembly> assemblies;
  SharedRows<LooseBoard> loose;
  std::vector<BoughtIn> bought;
  Site site;                // where it will stand, as it was measured
  std::vector<Gate> route;  // from the shop to where it will stand; empty: not said
  std::vector<PartOverride> overrides;
  std::vector<JobPin> pins;
  std::vector<JointGluing> gluing;  // what is not said is glued in the shop
  std::vector<MovedStep> moved;     // one after the other
  SharedRows<AssemblyCodes> codes;  // as many as have been broken down
  bool operator==(const Job&) const = default;
};

// Null where the job has none of that id, code or name.
const Material* findMaterial(const Job& job, const std::string& id);
const Banding* findBanding(const Job& job, const std::string& id);
const Assembly* findAssembly(const Job& job, const std::string& code);

// How thick a material is of which an assembly is cut: as its lot was measured; else as all that is
// there of it was measured, where that is one thickness; else as it usually comes. `lot`: of the
// assembly, empty: any.
Length cutThickness(const Job& job, const Material& material, const std::string& lot);
// The job with its materials so thick; none: it is cut as it is drawn.
std::optional<Job> asCutFromLot(const Job& job, const Assembly& assembly);

// Begins the codes of loose boards; no assembly may have it as its code.
inline constexpr const char* kLooseCode = "L";

// "B1  chart drawers", or "L  loose parts".
std::string assemblyTitle(const Job& job, const std::string& code);

// How lengths of this job are shown.
LengthStyle styleOf(const Job& job);

}  // namespace pp
