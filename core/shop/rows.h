// What the shop owns and uses, whatever the job: one file of it a user. Values; an `id` of 0 was
// not given by the store yet.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/job/defect.h"
#include "core/job/hardware_kind.h"
#include "core/job/stock.h"

namespace pp {

// A sheet material or lumber in one nominal thickness.
struct RackMaterial {
  Id id = 0;
  std::string name;     // with the thickness unique in the store
  Length nominal;       // > 0
  Length measured;      // as it usually comes, > 0
  bool grained = true;  // false: parts may lie either way round
  Tone tone = Tone::Birch;
  std::int64_t density = 650;      // kg per cubic metre, > 0
  std::int64_t stiffness = 9'000;  // megapascals along the grain, > 0
  bool lumber = false;             // bought as bars
  // The smallest leftover worth keeping, > 0; none: as the job has it.
  std::optional<Length> keepLong = {}, keepShort = {};
  bool operator==(const RackMaterial&) const = default;
};

// A thickness of a lot as it was read off a sheet.
struct LotReading {
  Id id = 0;
  Id material = 0;
  std::string lot;
  Length thickness;   // > 0
  std::string taken;  // "2026-11-27", or empty
  bool operator==(const LotReading&) const = default;
};

enum class RackKind { Sheet, Bar, Offcut };

// A piece of a material in the rack, or several that are alike.
struct RackPiece {
  Id id = 0;
  RackKind kind = RackKind::Sheet;
  Id material = 0;                 // of a RackMaterial
  std::int64_t tag = 0;            // the number on its label; 0: it has none
  std::string lot;                 // what was bought together
  std::optional<Length> measured;  // thickness of this lot; the material's where not given
  Length length, width;            // > 0; of a bar its width
  SheetGrain grain = SheetGrain::Length;
  bool twoGoodFaces = false;
  std::int64_t count = 1;  // that came; what was used up since is counted by the holdings
  Money price = {};        // each
  std::string place;       // in the rack
  std::string note = {};
  std::vector<Defect> defects;
  std::string came;  // "2026-11-27", or empty
  bool operator==(const RackPiece&) const = default;
};

// Edge banding by the roll.
struct RackBanding {
  Id id = 0;
  std::string name;         // unique in the store
  Length thickness, width;  // > 0
  Length rollLength;        // > 0
  bool deduct = true;       // is the part cut smaller by the thickness
  Money price = {};         // a roll
  Length left = {};         // there is of it, >= 0
  bool operator==(const RackBanding&) const = default;
};

// Slides, hinges, screws: bought in packs, counted singly.
struct Hardware {
  Id id = 0;
  HardwareKind kind = HardwareKind::Other;
  std::string name;       // unique in the store
  Length length = {};     // of a slide or screw; 0: it has none
  std::int64_t have = 0;  // >= 0
  std::int64_t pack = 1;  // so many are sold together, > 0
  Money price = {};       // a pack
  std::string note = {};
  bool operator==(const Hardware&) const = default;
};

enum class ApplyMethod { Brush, Roller, Spray, Wipe };

// One product of a finish, in the order in which they go on.
struct FinishProduct {
  std::string name;
  ApplyMethod method = ApplyMethod::Brush;
  std::int64_t coats = 1;               // > 0
  std::int64_t grit = 0;                // sanded with before it; 0: not
  std::int64_t drying = 0;              // minutes before the next coat, >= 0
  std::int64_t thinning = 0;            // per cent, 0..100
  std::int64_t coverage = 10;           // square metres a litre, > 0
  std::int64_t loss = 0;                // per cent that goes elsewhere, 0..90
  std::int64_t minutes = 0;             // of work a square metre, >= 0
  std::int64_t canMillilitres = 1'000;  // > 0
  std::int64_t haveMillilitres = 0;     // >= 0
  Money price = {};                     // a can
  bool operator==(const FinishProduct&) const = default;
};

// A finish as the shop makes it: conditioner, stain, primer, coats.
struct ShopFinish {
  Id id = 0;
  std::string name;  // unique in the store
  std::vector<FinishProduct> products;
  bool operator==(const ShopFinish&) const = default;
};

}  // namespace pp
