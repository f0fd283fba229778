// How assemblies that are not a carcass, and boards, stand in a job's file.
#pragma once

#include "core/formats/carcass_fields.h"

namespace pp {

template <class A>
void fields(A& a, Top& v) {
  a("width", v.width);
  a("depth", v.depth);
  a("overLeft", v.overLeft);
  a("overRight", v.overRight);
  a("overFront", v.overFront);
  a("overBack", v.overBack);
  a.must("material", v.material);
  a.choice("build", v.build, {{"single", TopBuild::Single}, {"laminated", TopBuild::Laminated}});
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
}

template <class A>
void fields(A& a, BaseFrame& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("crossEvery", v.crossEvery);
  a("longest", v.longest);
}

template <class A>
void fields(A& a, CarcassGroup& v) {
  a.must("members", v.members);
  a("stand", v.stand);
  a("frame", v.frame);
  a("top", v.top);
}

template <class A>
void fields(A& a, WallPanel& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("material", v.material);
  a.must("cleatMaterial", v.cleatMaterial);
  a("cleatHeight", v.cleatHeight);
  a("setIn", v.setIn);
  a("cleats", v.cleats);
  a("banding", v.banding);
  a.choice("grain", v.grain, kPanelGrains);
}

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
  a("overFront", v.overFront);
  a("backHeight", v.backHeight);
  a("lean", v.lean);
  a("bracketTop", v.bracketTop);
  a("batten", v.batten);
  a.choice("joint", v.joint, kJoints);
}

template <class A>
void fields(A& a, Platform& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("across", v.across);
  a("deep", v.deep);
}

template <class A>
void fields(A& a, Ring& v) {
  a.must("pieces", v.pieces);
  a.must("side", v.side);
  a.must("width", v.width);
  a.must("material", v.material);
}

template <class A>
void fields(A& a, Feature& v) {
  a.choice("kind", v.kind,
           {{"hole", FeatureKind::Hole},
            {"slot", FeatureKind::Slot},
            {"notch", FeatureKind::Notch},
            {"dado", FeatureKind::Dado},
            {"groove", FeatureKind::Groove},
            {"taper", FeatureKind::Taper},
            {"arc", FeatureKind::Arc},
            {"bevel", FeatureKind::Bevel}});
  a("along", v.along);
  a("across", v.across);
  a("length", v.length);
  a("width", v.width);
  a("size", v.size);
  a("depth", v.depth);
  a("angle", v.angle);
  a.choice("edge", v.edge,
           {{"long 1", BoardEdge::Long1},
            {"long 2", BoardEdge::Long2},
            {"short 1", BoardEdge::Short1},
            {"short 2", BoardEdge::Short2}});
}

template <class A>
void fields(A& a, LooseBoard& v) {
  a.id("id", v.id);
  a("name", v.name);
  a.must("material", v.material);
  a("quantity", v.quantity);
  a.must("length", v.length);
  a.must("width", v.width);
  a.choice("grain", v.grain, kBoardGrains);
  a("bandLong", v.bandLong);
  a("bandShort", v.bandShort);
  a("farLong", v.farLong);
  a("farShort", v.farShort);
  a("features", v.features);
}

template <class A>
void fields(A& a, Boards& v) {
  a.must("boards", v.boards);
}

}  // namespace pp
