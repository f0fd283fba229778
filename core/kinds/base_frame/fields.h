// How a base frame stands in a job's file.
#pragma once

#include "core/kinds/base_frame/base_frame.h"

namespace pp {

template <class A>
void fields(A& a, BaseFrame& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("crossEvery", v.crossEvery);
  a("longest", v.longest);
  a.unlessPlain("legs", v.legs);
  a.unlessPlain("legMaterial", v.legMaterial);
  a.unlessPlain("legWidth", v.legWidth);
  a.unlessPlain("legEvery", v.legEvery);
}

}  // namespace pp
