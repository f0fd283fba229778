// How boards stand in a job's file.
#include "core/kinds/boards/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/boards/fields.h"
#include "core/kinds/common/words.h"

namespace pp {

void fields(Archive& a, Feature& v) {
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
  a.unlessDefault("pitch", v.pitch);
  a.unlessDefault("count", v.count);
  a.unlessDefault("keepLow", v.keepLow);
  a.unlessDefault("keepHigh", v.keepHigh);
  a("angle", v.angle);
  a.choice("edge", v.edge, kBoardEdges);
  a.choice("face", v.face, kFaces);
  a.unlessDefault("farEnd", v.farEnd);
  a.unlessDefault("farEdge", v.farEdge);
  a.unlessDefault("crosswise", v.crosswise);
  a.unlessDefault("bulging", v.bulging);
  a.unlessDefault("thickness", v.thickness);
  a.unlessDefault("bothFaces", v.bothFaces);
  a.unlessDefault("assembled", v.assembled);
  a.unlessDefault("obstacle", v.obstacle);
}

void fields(Archive& a, LayerGap& v) {
  a.must("at", v.at);
  a.must("length", v.length);
}

void fields(Archive& a, BoardLayer& v) {
  a("material", v.material);
  a("oversize", v.oversize);
  a.unlessDefault("gaps", v.gaps);
  a.unlessDefault("features", v.features);
}

void fields(Archive& a, BoardPlace& v) {
  a.unlessDefault("x", v.x);
  a.unlessDefault("y", v.y);
  a.unlessDefault("z", v.z);
  a.choice("length", v.length, kBoardWays);
  a.choice("width", v.width, kBoardWays);
  a.unlessDefault("tilt", v.tilt);
}

void fields(Archive& a, LooseBoard& v) {
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
  a.unlessDefault("layers", v.layers);
  a.unlessDefault("places", v.places);
}

void fields(Archive& a, Boards& v) {
  a.must("boards", v.boards);
}

}  // namespace pp
