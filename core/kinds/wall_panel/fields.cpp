// How a wall panel stands in a job's file.
#include "core/kinds/wall_panel/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/common/words.h"

namespace pp {

void fields(Archive& a, WallPanel& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("material", v.material);
  a.must("cleatMaterial", v.cleatMaterial);
  a("cleatHeight", v.cleatHeight);
  a("setIn", v.setIn);
  a("cleats", v.cleats);
  a("banding", v.banding);
  a.choice("grain", v.grain, kPanelGrains);
  a.unlessDefault("support", v.support);
}

}  // namespace pp
