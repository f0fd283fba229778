// What Lay out plans: the parts that no cutting holds.
#pragma once

#include <map>
#include <set>

#include "core/floor/progress.h"
#include "core/floor/record.h"

namespace pp::floor {

// A part of which some pieces are wanted, and the numbers these get.
struct OpenPart {
  Part part;  // so many as are wanted
  std::vector<std::int64_t> numbers;
};

// What cuttings hold, once an event: a cutting under way holds all its pieces, one that is all cut
// or was given up those that are cut and good.
struct Holdings {
  std::map<PartKey, std::int64_t> pieces;
  std::map<std::string, std::set<std::int64_t>> numbers;  // that a piece of that code has
  std::map<Id, std::int64_t> used;                        // of the rack, by row
  int firstSheet = 1;                                     // that no cutting has a number for
};
Holdings holdingsOf(const std::vector<Cutting>& cuttings, const Progress& progress);

// The first number that no piece of that code has.
std::int64_t nextNumber(const Holdings& held, const std::string& code);

// What a cutting has of a row of the rack: sheets and bars of one under way, and those that are cut
// into.
struct HeldStock {
  int cutting = 0;  // its number
  Id row = 0;       // of the job's rack
  Id store = 0;     // of the shop's store; 0: of none
  std::int64_t whole = 0, cutInto = 0;
  bool operator==(const HeldStock&) const = default;
};
// By cutting, a row of the rack once each.
std::vector<HeldStock> heldStock(const std::vector<Cutting>& cuttings, const Progress& progress);

// Of the parts as drawn, in their order, those in the scope that no cutting holds. A part is known
// by its keys, whatever has become of its size. A number that a piece has is not given again.
std::vector<OpenPart> openParts(const std::vector<Part>& drawn, const Scope& scope,
                                const Holdings& held);

// The parts, and the request for them, numbers and the first sheet's included. What cuttings have
// of the rack is not there for it.
struct OpenRequest {
  std::vector<Part> parts;   // of sheets, row by row those of the request
  std::vector<Part> lumber;  // row by row those of its bars
  NestRequest request;
};
OpenRequest openRequest(const Job& job, const std::vector<Part>& drawn, const Scope& scope,
                        const Holdings& held);

// The cutting that a complete plan of the request becomes.
Cutting frozen(const Record& record, const OpenRequest& open, Plan plan);

}  // namespace pp::floor
