// How a ring stands in a job's file.
#include "core/kinds/ring/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/common/words.h"

namespace pp {

void fields(Archive& a, Ring& v) {
  a.must("pieces", v.pieces);
  a.must("side", v.side);
  a.must("width", v.width);
  a.must("material", v.material);
  a.choice("joint", v.joint, kJoints);
  a.unlessDefault("perJoint", v.perJoint);
}

}  // namespace pp
