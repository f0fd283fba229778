// How a group stands in a job's file.
#pragma once

#include "core/kinds/group/group.h"

namespace pp {

template <class A>
void fields(A& a, CarcassGroup& v) {
  a.must("members", v.members);
  a("stand", v.stand);
  a("frame", v.frame);
  a("top", v.top);
}

}  // namespace pp
