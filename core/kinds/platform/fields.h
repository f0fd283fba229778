// How a platform stands in a job's file.
#pragma once

#include "core/kinds/platform/platform.h"
#include "core/kinds/words.h"

namespace pp {

template <class A>
void fields(A& a, Platform& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("across", v.across);
  a("deep", v.deep);
  a.choice("joint", v.joint, kJoints);
  a.unlessPlain("dadoDepth", v.dadoDepth);
  a.unlessPlain("slats", v.slats);
  a.unlessPlain("slat", v.slat);
  a.unlessPlain("deckMaterial", v.deckMaterial);
}

}  // namespace pp
