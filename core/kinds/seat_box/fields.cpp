// How a bench stands in a job's file.
#include "core/kinds/seat_box/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/common/words.h"

namespace pp {

void fields(Archive& a, SeatBox& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("depth", v.depth);
  a.must("material", v.material);
  a("banding", v.banding);
  a("lids", v.lids);
  a("lidGap", v.lidGap);
  a("hingeRail", v.hingeRail);
  a.choice("hinge", v.hinge, kLidHinges);
  a("knuckle", v.knuckle);
  a("overFront", v.overFront);
  a("backHeight", v.backHeight);
  a("lean", v.lean);
  a("bracketTop", v.bracketTop);
  a("batten", v.batten);
  a.choice("joint", v.joint, kJoints);
  a.choice("seat", v.seat, {{"lids", SeatTop::Lids}, {"hatches", SeatTop::Hatches}});
  a.unlessDefault("hatchFrame", v.hatchFrame);
  a.unlessDefault("ledge", v.ledge);
  a("toe", v.toe);
  a.unlessDefault("clearLeft", v.clearLeft);
  a.unlessDefault("clearRight", v.clearRight);
  a("storage", v.storage);
  a.unlessDefault("postMaterial", v.postMaterial);
  a.unlessDefault("post", v.post);
  a.unlessDefault("longest", v.longest);
  a.choice("turn", v.turn,
           {{"none", SeatReturn::None}, {"left", SeatReturn::Left}, {"right", SeatReturn::Right}});
  a.unlessDefault("turnLength", v.turnLength);
  a.unlessDefault("turnLids", v.turnLids);
  a("turnBack", v.turnBack);
}

}  // namespace pp
