// How a ring stands in a job's file.
#pragma once

#include "core/kinds/ring/ring.h"
#include "core/kinds/words.h"

namespace pp {

template <class A>
void fields(A& a, Ring& v) {
  a.must("pieces", v.pieces);
  a.must("side", v.side);
  a.must("width", v.width);
  a.must("material", v.material);
  a.choice("joint", v.joint, kJoints);
  a.unlessPlain("perJoint", v.perJoint);
}

}  // namespace pp
