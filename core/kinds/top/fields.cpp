// How a worktop stands in a job's file.
#include "core/kinds/top/rules.h"

#include "core/fields/archive.h"

namespace pp {

void fields(Archive& a, Top& v) {
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
  a.unlessDefault("layers", v.layers);
  a.unlessDefault("glueStrip", v.glueStrip);
  a("planing", v.planing);
  a.unlessDefault("proud", v.proud);
  a.unlessDefault("below", v.below);
}

}  // namespace pp
