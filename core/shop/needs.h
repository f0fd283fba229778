// What a job needs of the shop: what has to lie there before it is cut, and what parts are still to
// be cut. The shop keeps it of every job, so that one list can be made for all.
#pragma once

#include "core/job/hardware_kind.h"
#include "core/parts/part.h"
#include "core/plan/plan.h"

namespace pp {

enum class Ware { Sheet, Bar, Banding, Hardware, Finish, Bought };

// So much of one thing. Two needs are of one thing where all but amounts and prices are equal.
struct Need {
  Ware ware = Ware::Hardware;
  HardwareKind kind = HardwareKind::Other;  // Hardware
  std::string name;                         // of the material, banding, fitting, finish or thing
  Length nominal = {};                      // Sheet, Bar: of the material
  Length length = {}, width = {};           // of one sheet, bar or screw; 0: it has none
  std::int64_t amount = 0;    // pieces; Banding: millimetres; glue: millilitres; Finish: square cm
  std::int64_t reserved = 0;  // of it, promised to the job by the shop
  std::int64_t pack = 1;      // so much is sold together, where the job knows: a roll
  Money price = {};           // of that; 0: the job does not know
  bool operator==(const Need&) const = default;
};

// Parts still to be cut, at cut size.
struct WantedPart {
  std::string material;
  Length nominal, length, width;
  PartGrain grain = PartGrain::Any;
  std::int64_t count = 0;
  bool operator==(const WantedPart&) const = default;
};

struct JobWants {
  std::string job, name;  // id and what it is called
  std::vector<Need> needs;
  std::vector<WantedPart> parts;
  bool operator==(const JobWants&) const = default;
};

// `open`: how what is still to be cut is laid out; null: nothing is, or not yet. Pieces of the
// shop's own that it uses are had and no need, but full sheets and bars, which are counted against
// what lies there. What the job alone counts is there too.
struct OpenWork {
  const NestRequest* request = nullptr;
  const Plan* plan = nullptr;
};
JobWants wantsOf(const Job& job, const std::vector<Part>& parts, const OpenWork& open);

}  // namespace pp
