// A job: what is to be built, of what, and how the shop saws. One immutable value; an edit makes a
// new one. Outer sizes include edge banding and exclude fronts that stand proud.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/job/opening.h"
#include "core/job/shop.h"
#include "core/job/stock.h"
#include "core/length/format.h"
#include "core/result/result.h"

namespace pp {

enum class Joint { Butt, Dado };

// Which way the back's grain runs.
enum class BackGrain { Upright, Across, Either };

// The back is let into a rabbet round all four outside panels; its width is the back's thickness.
struct Back {
  std::string material;                  // id of a Material
  Length rabbetDepth = Length::mm(9);    // into the outside panels, > 0
  Length clearance = Length::um(1'500);  // in all, in each direction, >= 0
  BackGrain grain = BackGrain::Upright;
  bool operator==(const Back&) const = default;
};

// A notch in the lower front corner of both sides with a kick board across it.
struct Toe {
  Length height = Length::mm(100);  // the bottom's underside stands here, > 0
  Length depth = Length::mm(75);    // from the sides' front edge to the kick board's face, > 0
  bool operator==(const Toe&) const = default;
};

struct ShelfRules {
  Length clearance = Length::mm(3);  // in length and in depth
  Length setBack = Length::mm(0);    // behind the carcass front
  Length pinPitch = Length::mm(32);
  Length pinSetBack = Length::mm(37);  // pin row from the front edge and from the back
  Length pinDiameter = Length::mm(5);
  Length pinDepth = Length::mm(10);
  bool operator==(const ShelfRules&) const = default;
};

// Drawer boxes on side-mounted slides behind inset fronts.
struct DrawerRules {
  DrawerSchool school = DrawerSchool::Between;
  std::string boxMaterial;        // sides, front and back of the box: id of a Material
  std::string bottomMaterial;     // id of a Material
  std::string frontMaterial;      // id of a Material
  std::string frontBanding;       // on all four edges of the front, or empty
  Length gap = Length::mm(2);     // round every front
  Length ease = Length::um(800);  // box narrower than opening less slides by this
  Length lowerClearance = Length::mm(12);
  Length upperClearance = Length::mm(12);
  Length slideReserve = Length::mm(10);  // a slide fits when slide + this <= depth
  Length grooveDepth = Length::mm(6);
  Length grooveUp = Length::mm(12);            // groove's lower edge above the box's lower edge
  Length bottomClearance = Length::um(1'500);  // in all
  Length frontRabbet = Length::mm(6);          // RabbetedFront: depth into the box front
  Length backDado = Length::mm(6);             // RabbetedFront: depth into the sides
  Length backSetIn = Length::mm(12);           // RabbetedFront: back from the sides' rear ends
  bool operator==(const DrawerRules&) const = default;
};

struct Carcass {
  Length width = Length::mm(600);
  Length height = Length::mm(720);
  Length depth = Length::mm(560);
  std::string material;  // id of a Material
  std::string banding;   // on all front edges, or empty
  Joint joint = Joint::Dado;
  Length dadoDepth = Length::mm(6);
  Back back;
  std::optional<Toe> toe;
  ShelfRules shelves;
  DrawerRules drawers;
  Opening inside;
  bool operator==(const Carcass&) const = default;
};

struct Assembly {
  std::string code;  // unique in the job; begins the codes of its parts
  std::string name;
  Carcass carcass;
  bool operator==(const Assembly&) const = default;
};

// Which dimension of a board follows the grain.
enum class BoardGrain { Length, Width, Any };

// A board of a given size that belongs to no assembly: a lid, a tray's bottom, a spare shelf.
struct LooseBoard {
  std::string name;
  std::string material;       // id of a Material
  std::int64_t quantity = 1;  // 1..10 000
  Length length, width;       // finished, banding included, > 0
  BoardGrain grain = BoardGrain::Length;
  std::string bandLong, bandShort;  // on both edges along the length, and along the width; or empty
  bool operator==(const LooseBoard&) const = default;
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

// A part that stays on a sheet, or at a place on it, however the rest is laid out. A pin whose part
// or stock is no longer there has no effect.
struct JobPin {
  std::string part;   // code
  std::string stock;  // id of a StockPiece
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
  std::string name;
  std::string place;
  Unit unit = Unit::Millimetre;
  int fraction = 32;  // finest fraction of an inch that is shown: 2, 4, 8, 16, 32 or 64
  SawRules saw;
  Shop shop;
  LabelSheet labels;
  std::vector<Material> materials;
  std::vector<Banding> bandings;
  std::vector<StockPiece> stock;
  std::vector<Slide> slides;
  std::vector<Assembly> assemblies;
  std::vector<LooseBoard> loose;
  std::vector<JobPin> pins;
  bool operator==(const Job&) const = default;
};

// Null where the job has none of that id, code or name.
const Material* findMaterial(const Job& job, const std::string& id);
const Banding* findBanding(const Job& job, const std::string& name);
const Assembly* findAssembly(const Job& job, const std::string& code);

// Begins the codes of loose boards; no assembly may have it as its code.
inline constexpr const char* kLooseCode = "L";

// "B1  chart drawers", or "L  loose parts".
std::string assemblyTitle(const Job& job, const std::string& code);

// How lengths of this job are shown.
LengthStyle styleOf(const Job& job);

// Everything that makes the job unusable as data: ids that are not unique or name nothing, sizes
// that are not above zero. `field` of each problem is a JSON pointer into the job's file. Whether
// the job can be built is not asked here; the break-down and the second look say that.
Problems validate(const Job& job);

}  // namespace pp
