// One sheet taken apart: the cuts its tree needs, each with the cut that must come before it.
#pragma once

#include <map>
#include <vector>

#include "core/plan/plan.h"

namespace pp::saw {

// A cut before it has a place in the sequence. Pieces are numbered per sheet; 0 is the whole sheet.
struct Cut {
  int piece = 0, low = -1, high = -1;  // -1: nothing is left there
  int after = -1;                      // index of the cut that makes the piece, -1: the whole sheet
  int machine = -1;                    // index into the shop's machines, -1: none can make it
  CutDirection direction = CutDirection::Rip;
  FenceSide fence = FenceSide::Low;
  bool tilted = false;
  bool heavy = false;
  CutKind kind = CutKind::Final;
  Length at, kerf, distance;
  std::optional<Play> play = {};
};

struct Takedown {
  std::vector<Cut> cuts;
  std::vector<Leftover> leftovers;  // without ids
  std::vector<int> kept;            // the pieces that they are
  std::vector<int> placed;          // per placement of the sheet, the piece it is
};

// Which cuts of a sheet only part what is cut on and need not be exact.
enum class Roughs {
  None,
  Leftovers,  // between parts and what is left over
  All         // between groups of parts too, where there is room to clean both their edges
};

// How many parts have each size: a size that many share is better set once for all of them.
using SizeCount = std::map<Length, std::int64_t>;
SizeCount countSizes(const NestRequest& request);

// Sets the places of the sheet's placements, which follow from the kerfs of the saws that make the
// cuts, and returns the cuts in the order of the tree. The low edges are trimmed, or cut over and
// cleaned; what the tree does not fill is cut off, larger pieces first. What is cut roughly leaves
// so much more to the last part of its group, which is then cut to its size; a leftover is kept at
// what is there however the cut comes out.
Takedown takeDown(const NestRequest& request, const SizeCount& sizes, PlannedSheet& sheet,
                  Roughs roughs = Roughs::All);

}  // namespace pp::saw
