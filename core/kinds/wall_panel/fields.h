// How a wall panel stands in a job's file.
#pragma once

#include "core/kinds/wall_panel/wall_panel.h"
#include "core/kinds/words.h"

namespace pp {

template <class A>
void fields(A& a, WallPanel& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("material", v.material);
  a.must("cleatMaterial", v.cleatMaterial);
  a("cleatHeight", v.cleatHeight);
  a("setIn", v.setIn);
  a("cleats", v.cleats);
  a("banding", v.banding);
  a.choice("grain", v.grain, kPanelGrains);
  a.unlessPlain("support", v.support);
}

}  // namespace pp
