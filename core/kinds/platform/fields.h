// How a platform stands in a job's file.
#pragma once

#include "core/kinds/platform/platform.h"

namespace pp {

template <class A>
void fields(A& a, Platform& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("across", v.across);
  a("deep", v.deep);
}

}  // namespace pp
