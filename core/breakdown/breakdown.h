// The whole break-down: every part of every assembly of a job, with codes.
#pragma once

#include "core/kinds/common/made.h"

namespace pp {

struct Breakdown {
  std::vector<Part> parts;  // by assembly, in the order they are built
  std::vector<Trouble> troubles;
  // The job's code book with the numbers that were given now; what is no longer there is out of it.
  SharedRows<AssemblyCodes> codes;
};

// Equal parts of an assembly become one part with a quantity; parts of a grain run stay single.
// Precondition: validate(job) finds nothing.
Breakdown breakDown(const Job& job);

// The parts of one assembly.
Breakdown breakDown(const Job& job, const Assembly& assembly);

// Those that are cut from sheets, in the same order: what a plan's part numbers count.
std::vector<Part> sheetParts(const std::vector<Part>& parts);

// A part whose size is not what it was, or of which more is seen.
struct PartChange {
  std::string code, name;
  Length oldLength, oldWidth, newLength, newWidth;  // cut sizes
  std::string intoView;                             // "outside face, left edge"
};
// Of the parts that both have, by code, in the order of `now`.
std::vector<PartChange> changedParts(const std::vector<Part>& before, const std::vector<Part>& now);

// What one piece weighs.
double gramsOf(const Job& job, const Part& part);

// Sums over parts, for ordering and carrying.
struct PartTotals {
  std::int64_t pieces = 0;
  Area sheet;      // cut sizes, of what is cut from sheets
  Length banding;  // run of all banded edges
  Length bars;     // run of all lumber
  double grams = 0;
};
PartTotals totalsOf(const Job& job, const std::vector<Part>& parts);

// What the exchange formats say of a part's total: number of pieces.
std::int64_t pieceCount(const std::vector<Part>& parts);

}  // namespace pp
