// How boards stand in a job's file.
#pragma once

#include "core/kinds/boards/boards.h"
#include "core/kinds/words.h"

namespace pp {

template <class A>
void fields(A& a, Feature& v) {
  a.choice("kind", v.kind,
           {{"hole", FeatureKind::Hole},
            {"slot", FeatureKind::Slot},
            {"notch", FeatureKind::Notch},
            {"dado", FeatureKind::Dado},
            {"groove", FeatureKind::Groove},
            {"taper", FeatureKind::Taper},
            {"curve", FeatureKind::Curve},
            {"bevel", FeatureKind::Bevel},
            {"hole row", FeatureKind::HoleRow},
            {"rabbet", FeatureKind::Rabbet},
            {"corner", FeatureKind::Corner},
            {"round end", FeatureKind::RoundEnd},
            {"recess", FeatureKind::Recess},
            {"round-over", FeatureKind::RoundOver},
            {"chamfer", FeatureKind::Chamfer}});
  a("along", v.along);
  a("across", v.across);
  a("length", v.length);
  a("width", v.width);
  a("size", v.size);
  a("depth", v.depth);
  a.unlessPlain("pitch", v.pitch);
  a.unlessPlain("count", v.count);
  a.unlessPlain("keepLow", v.keepLow);
  a.unlessPlain("keepHigh", v.keepHigh);
  a("angle", v.angle);
  a.choice("edge", v.edge, kBoardEdges);
  a.choice("face", v.face, kFaces);
  a.unlessPlain("farEnd", v.farEnd);
  a.unlessPlain("farEdge", v.farEdge);
  a.unlessPlain("crosswise", v.crosswise);
  a.unlessPlain("bulging", v.bulging);
  a.unlessPlain("thickness", v.thickness);
  a.unlessPlain("bothFaces", v.bothFaces);
  a.unlessPlain("assembled", v.assembled);
}

template <class A>
void fields(A& a, LayerGap& v) {
  a.must("at", v.at);
  a.must("length", v.length);
}

template <class A>
void fields(A& a, BoardLayer& v) {
  a("material", v.material);
  a("oversize", v.oversize);
  a.unlessPlain("gaps", v.gaps);
  a.unlessPlain("features", v.features);
}

template <class A>
void fields(A& a, BoardPlace& v) {
  a.unlessPlain("x", v.x);
  a.unlessPlain("y", v.y);
  a.unlessPlain("z", v.z);
  a.choice("length", v.length, kBoardWays);
  a.choice("width", v.width, kBoardWays);
  a.unlessPlain("tilt", v.tilt);
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
  a.choice("hand", v.hand,
           {{"none", BoardHand::None},
            {"left", BoardHand::Left},
            {"right", BoardHand::Right},
            {"pairs", BoardHand::Pairs}});
  a.choice("show", v.show, kFaces);
  if (a.wants("front", v.front)) a.choice("front", *v.front, kBoardEdges);
  a.unlessPlain("layers", v.layers);
  a.unlessPlain("places", v.places);
}

template <class A>
void fields(A& a, Boards& v) {
  a.must("boards", v.boards);
}

}  // namespace pp
