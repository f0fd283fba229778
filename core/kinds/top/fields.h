// How a worktop stands in a job's file.
#pragma once

#include "core/kinds/top/top.h"

namespace pp {

template <class A>
void fields(A& a, Top& v) {
  a("width", v.width);
  a("depth", v.depth);
  a("overLeft", v.overLeft);
  a("overRight", v.overRight);
  a("overFront", v.overFront);
  a("overBack", v.overBack);
  a.must("material", v.material);
  a.choice("build", v.build,
           {{"single", TopBuild::Single},
            {"laminated", TopBuild::Laminated},
            {"glued up", TopBuild::GluedUp}});
  a("lowerMaterial", v.lowerMaterial);
  a("oversize", v.oversize);
  a("strip", v.strip);
  a("stripEvery", v.stripEvery);
  a("edgingMaterial", v.edgingMaterial);
  a("edging", v.edging);
  a("edgeLeft", v.edgeLeft);
  a("edgeRight", v.edgeRight);
  a("edgeFront", v.edgeFront);
  a("edgeBack", v.edgeBack);
  a.choice("corner", v.corner,
           {{"mitred", EdgingCorner::Mitred}, {"butted", EdgingCorner::Butted}});
  a("longest", v.longest);
  a.unlessPlain("layers", v.layers);
  a.unlessPlain("glueStrip", v.glueStrip);
  a("planing", v.planing);
  a.unlessPlain("proud", v.proud);
  a.unlessPlain("below", v.below);
}

}  // namespace pp
