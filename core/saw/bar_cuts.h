// The cuts of a cutting's bars, in the sequence of its sheets' cuts: bars are ripped to width, then
// every length has its stop, longest first.
#pragma once

#include "core/plan/cutting_plan.h"

namespace pp::saw {

struct BarCut {
  SawCut cut;                    // steps count bar cuts alone; `sheet` is none of the plan's
  int after = 0;                 // the step of the bar cut before it on the same bar; 0: none
  std::optional<PieceId> piece;  // that comes off; none: a strip
  Length length, width;          // of what is on the saw
  std::size_t stock = 0;         // row of the request's bars
  int bar = 0;                   // 1-based over all rows: which of the bars it is made on
  bool operator==(const BarCut&) const = default;
};

// Of all bars that are had. The plan is the one that was taken: bars are never planned anew.
std::vector<BarCut> barCuts(const CuttingPlan& plan);

}  // namespace pp::saw
