// How a bench stands in a job's file.
#pragma once

#include "core/kinds/seat_box/seat_box.h"
#include "core/kinds/words.h"

namespace pp {

template <class A>
void fields(A& a, SeatBox& v) {
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
  a.unlessPlain("hatchFrame", v.hatchFrame);
  a.unlessPlain("ledge", v.ledge);
  a("toe", v.toe);
  a.unlessPlain("clearLeft", v.clearLeft);
  a.unlessPlain("clearRight", v.clearRight);
  a("storage", v.storage);
  a.unlessPlain("postMaterial", v.postMaterial);
  a.unlessPlain("post", v.post);
  a.unlessPlain("longest", v.longest);
  a.choice("turn", v.turn,
           {{"none", SeatReturn::None}, {"left", SeatReturn::Left}, {"right", SeatReturn::Right}});
  a.unlessPlain("turnLength", v.turnLength);
  a.unlessPlain("turnLids", v.turnLids);
  a("turnBack", v.turnBack);
}

}  // namespace pp
