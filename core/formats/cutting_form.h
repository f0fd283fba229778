// A cutting as it stands in a file: its parts once, every plan of it in rows of whole numbers, and
// what a plan leaves as it was by reference to the plan before.
#pragma once

#include "core/floor/cutting.h"
#include "core/result/result.h"

namespace pp {

// Shorter than the plan itself; none of it is derived by what may change.
struct SheetForm {
  std::size_t stock = 0;  // row of the plan's stock
  // As that sheet of an earlier plan of the cutting, 1-based; 0: it is written out.
  int plan = 0;
  std::size_t sheet = 0;   // of it, 0-based
  std::string order;       // the cuts of that sheet in the order of this plan; empty: as there
  std::string placements;  // part, copy, x, y, turned
  std::string leftovers;   // x, y, dx, dy; numbered as they stand
  std::string cuts;        // piece, saw, kind, at, distance less at, low, high, play
  std::string parts;       // the piece that every placement becomes
  std::string kept;        // and every leftover
};

// A saw as it makes a cut.
struct SawForm {
  std::string machine;
  Length kerf;
  bool tilted = false;
  bool operator==(const SawForm&) const = default;
};

struct PlanForm {
  std::optional<CuttingPlan> whole;  // a plan that fits no rows, or is of an older file
  std::string quantities;            // row of the parts wanted, how many, their numbers
  std::string stock;                 // row of the cutting's stock, how many, -1: unlimited
  std::optional<Shop> shop;          // where it is another than of the plan before
  NestRequest request;               // without parts, stock, shop and bars
  std::string order;                 // of the cuts: a setting, the sheets that it cuts in turn
  std::vector<SheetForm> sheets;
  std::vector<CutTrouble> troubles;
  Bound bound;
  Money cost;
  int setups = 0;
};

struct CuttingForm {
  int number = 0;
  Scope scope;
  SharedRows<Part> parts, lumber;
  std::vector<PartDemand> wanted;  // of the plan that was taken
  std::vector<StockSupply> stock;  // of all plans, each once; how many there are is the plan's
  std::vector<BarPart> barParts;
  std::vector<BarSupply> barStock;
  std::vector<BarList> bars;
  std::vector<saw::BarCut> barCuts;
  std::int64_t unit = 1;  // nanometres that a length in the rows of its sheets counts
  std::vector<SawForm> saws;
  std::vector<PlanForm> plans;
};

CuttingForm formOf(const Cutting& cutting);
// A problem names the plan and what of it cannot be.
Result<Cutting> cuttingOf(CuttingForm form);

}  // namespace pp
