// How a group stands in a job's file.
#pragma once

#include "core/kinds/group/group.h"

namespace pp {

template <class A>
void fields(A& a, GroupLeg& v) {
  a.must("members", v.members);
  a("filler", v.filler);
  a.unlessPlain("blind", v.blind);
}

template <class A>
void fields(A& a, GroupBridge& v) {
  a.must("after", v.after);
  a("width", v.width);
  a("shelves", v.shelves);
  a.must("material", v.material);
  a("ledge", v.ledge);
}

template <class A>
void fields(A& a, CarcassGroup& v) {
  a.must("members", v.members);
  a("stand", v.stand);
  a("frame", v.frame);
  a("top", v.top);
  a("width", v.width);
  a.unlessPlain("fixed", v.fixed);
  a("left", v.left);
  a("right", v.right);
  a.unlessPlain("bridges", v.bridges);
  a.unlessPlain("fillerMaterial", v.fillerMaterial);
  a.choice("cornerTop", v.cornerTop,
           {{"butted", CornerTop::Butted}, {"mitred", CornerTop::Mitred}});
}

}  // namespace pp
