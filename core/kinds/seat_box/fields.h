// How a bench stands in a job's file.
#pragma once

#include "core/kinds/seat_box/seat_box.h"
#include "core/kinds/words.h"

namespace pp {

template <class A>
void fields(A& a, SeatBox& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("depth", v.depth);
  a.must("material", v.material);
  a("banding", v.banding);
  a("lids", v.lids);
  a("lidGap", v.lidGap);
  a("hingeRail", v.hingeRail);
  a("overFront", v.overFront);
  a("backHeight", v.backHeight);
  a("lean", v.lean);
  a("bracketTop", v.bracketTop);
  a("batten", v.batten);
  a.choice("joint", v.joint, kJoints);
}

}  // namespace pp
