// How a platform stands in a job's file.
#include "core/kinds/platform/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/common/words.h"

namespace pp {

void fields(Archive& a, Platform& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("across", v.across);
  a("deep", v.deep);
  a.choice("joint", v.joint, kJoints);
  a.unlessDefault("dadoDepth", v.dadoDepth);
  a.unlessDefault("slats", v.slats);
  a.unlessDefault("slat", v.slat);
  a.unlessDefault("deckMaterial", v.deckMaterial);
}

}  // namespace pp
