// Which saw makes a cut.
#pragma once

#include <string>

#include "core/plan/plan.h"

namespace pp::saw {

// The piece on the saw and the cut wanted in it.
struct CutAsked {
  Length dx, dy;     // of the piece
  double grams = 0;  // its weight
  CutDirection direction = CutDirection::Rip;
  Length low, high;  // sizes of the two pieces the cut leaves, by the widest kerf
  bool tilted = false;
  bool byMark = false;  // not on a table saw, which needs a fence
  bool rough = false;   // nor need it be clean
  // Whether the low, the high piece has an edge that may lie at the fence; to a mark none does.
  bool lowClean = true, highClean = true;
};

struct CutChosen {
  int machine = -1;  // index into the shop's machines, -1: none can
  FenceSide fence = FenceSide::Low;
  bool heavy = false;  // more than one person carries, and no saw that leaves it lying
};

// The saw that makes the cut: a sled or table saw where the piece can be carried to it and fits,
// else a track saw. The low piece is kept against the fence where the fence reaches that far, else
// the high one.
CutChosen chooseMachine(const Shop& shop, const CutAsked& cut);

// Whether one person carries a piece of that size to a saw. A strip is handier than a panel.
bool isCarried(const Shop& shop, Length dx, Length dy, double grams);

}  // namespace pp::saw
