// How a set of boxes stands in a job's file.
#include "core/kinds/box_set/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/common/words.h"

namespace pp {

void fields(Archive& a, BoxSet& v) {
  a.choice("what", v.what, kBankKinds);
  a("count", v.count);
  a("spares", v.spares);
  a("inside", v.inside);
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("boxes", v.boxes);
}

}  // namespace pp
