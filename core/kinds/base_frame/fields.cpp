// How a base frame stands in a job's file.
#include "core/kinds/base_frame/rules.h"

#include "core/fields/archive.h"

namespace pp {

void fields(Archive& a, BaseFrame& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("crossEvery", v.crossEvery);
  a("longest", v.longest);
  a.unlessDefault("legs", v.legs);
  a.unlessDefault("legMaterial", v.legMaterial);
  a.unlessDefault("legWidth", v.legWidth);
  a.unlessDefault("legEvery", v.legEvery);
}

}  // namespace pp
