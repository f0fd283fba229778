// How a group stands in a job's file.
#include "core/kinds/group/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/top/rules.h"

namespace pp {

void fields(Archive& a, GroupLeg& v) {
  a.must("members", v.members);
  a("filler", v.filler);
  a.unlessDefault("blind", v.blind);
}

void fields(Archive& a, GroupBridge& v) {
  a.must("after", v.after);
  a("width", v.width);
  a("shelves", v.shelves);
  a.must("material", v.material);
  a("ledge", v.ledge);
}

void fields(Archive& a, CarcassGroup& v) {
  a.must("members", v.members);
  a("stand", v.stand);
  a("frame", v.frame);
  a("top", v.top);
  a("width", v.width);
  a.unlessDefault("fixed", v.fixed);
  a("left", v.left);
  a("right", v.right);
  a.unlessDefault("bridges", v.bridges);
  a.unlessDefault("fillerMaterial", v.fillerMaterial);
  a.choice("cornerTop", v.cornerTop,
           {{"butted", CornerTop::Butted}, {"mitred", CornerTop::Mitred}});
}

}  // namespace pp
