// How a set of boxes stands in a job's file.
#pragma once

#include "core/kinds/box_set/box_set.h"
#include "core/kinds/carcass/fields.h"

namespace pp {

template <class A>
void fields(A& a, BoxSet& v) {
  a.choice("what", v.what, kBankKinds);
  a("count", v.count);
  a("spares", v.spares);
  a("inside", v.inside);
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("boxes", v.boxes);
}

}  // namespace pp
