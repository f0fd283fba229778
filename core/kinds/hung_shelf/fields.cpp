// How a hung shelf stands in a job's file.
#include "core/kinds/hung_shelf/rules.h"

#include "core/fields/archive.h"

namespace pp {

void fields(Archive& a, HungShelf& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("material", v.material);
  a("banding", v.banding);
  a("brace", v.brace);
  a("braceFoot", v.braceFoot);
  a("setIn", v.setIn);
  a.must("cleatMaterial", v.cleatMaterial);
  a("cleatHeight", v.cleatHeight);
}

}  // namespace pp
