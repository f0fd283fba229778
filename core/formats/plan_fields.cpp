#include "core/formats/plan_fields.h"

#include "core/fields/archive.h"
#include "core/formats/part_fields.h"
#include "core/formats/rack_fields.h"

namespace pp {

void fields(Archive& a, Placement& v) {
  a.must("part", v.part);
  a.must("copy", v.copy);
  a.must("x", v.x);
  a.must("y", v.y);
  a.must("dx", v.dx);
  a.must("dy", v.dy);
  a("turned", v.turned);
}

void fields(Archive& a, CutTree& v) {
  using Kind = CutTree::Kind;
  a.choice("kind", v.kind,
           {{"part", Kind::Part},
            {"row", Kind::Row},
            {"column", Kind::Column},
            {"leftover", Kind::Leftover},
            {"waste", Kind::Waste},
            {"cell", Kind::Cell}});
  a.must("dx", v.dx);
  a.must("dy", v.dy);
  a("placement", v.placement);
  a("children", v.children);
  a("fixed", v.fixed);
  a("anchored", v.anchored);
  a("mitred", v.mitred);
}

void fields(Archive& a, Leftover& v) {
  a.must("id", v.id);
  a.must("x", v.x);
  a.must("y", v.y);
  a.must("dx", v.dx);
  a.must("dy", v.dy);
}

void fields(Archive& a, PlannedSheet& v) {
  a.must("stock", v.stock);
  a.must("placements", v.placements);
  a.must("tree", v.tree);
  a.must("leftovers", v.leftovers);
}

void fields(Archive& a, Play& v) {
  a.must("from", v.from);
  a.must("to", v.to);
}

void fields(Archive& a, SawCut& v) {
  a.must("step", v.step);
  a.must("sheet", v.sheet);
  a.must("piece", v.piece);
  a.must("machine", v.machine);
  a.choice("direction", v.direction, {{"rip", CutDirection::Rip}, {"cross", CutDirection::Cross}});
  a.must("at", v.at);
  a.must("kerf", v.kerf);
  a("tilted", v.tilted);
  a.choice("fence", v.fence, {{"low", FenceSide::Low}, {"high", FenceSide::High}});
  a.must("distance", v.distance);
  a("low", v.low);
  a("high", v.high);
  a.must("setup", v.setup);
  a.choice("is", v.kind,
           {{"trim", CutKind::Trim},
            {"rough", CutKind::Rough},
            {"over", CutKind::Over},
            {"final", CutKind::Final}});
  a("play", v.play);
}

void fields(Archive& a, PieceEnd& v) {
  using Kind = PieceEnd::Kind;
  a.must("piece", v.piece);
  a.choice("kind", v.kind,
           {{"part", Kind::Part}, {"leftover", Kind::Leftover}, {"waste", Kind::Waste}});
  a.must("sheet", v.sheet);
  a("index", v.index);
}

void fields(Archive& a, Bar& v) {
  a.must("stock", v.stock);
  a.must("cuts", v.cuts);
  a("rest", v.rest);
}

void fields(Archive& a, BarPlan& v) {
  a.must("bars", v.bars);
  a("unplaced", v.unplaced);
  a.must("cost", v.cost);
  a("proven", v.proven);
}

void fields(Archive& a, BarList& v) {
  a.must("parts", v.parts);
  a.must("stock", v.stock);
  a.must("plan", v.plan);
}

void fields(Archive& a, CutTrouble& v) {
  a.must("step", v.step);
  a("impossible", v.impossible);
  a.must("why", v.why);
}

void fields(Archive& a, Unplaced& v) {
  a.must("part", v.part);
  a.must("count", v.count);
  a.must("reason", v.reason);
}

void fields(Archive& a, Bound& v) {
  a.must("cost", v.cost);
  a.must("sheets", v.sheets);
  a("method", v.method);
}

void fields(Archive& a, Plan& v) {
  a.must("sheets", v.sheets);
  a.must("cuts", v.cuts);
  a("unplaced", v.unplaced);
  restOfPlan(a, v.troubles, v.bound, v.cost, v.setups);
  a("ends", v.ends);
  a("bars", v.bars);
}

void fields(Archive& a, PartDemand& v) {
  a.must("code", v.code);
  a.must("length", v.length);
  a.must("width", v.width);
  a.must("thickness", v.thickness);
  a.must("material", v.material);
  a.must("quantity", v.quantity);
  a.choice("grain", v.grain, kPartGrains);
  a("run", v.run);
  a("runOrder", v.runOrder);
  a.choice("series", v.series, kRunSeries);
  a("mitred", v.mitred);
  a("shows", v.shows);
  a("lot", v.lot);
  a("numbers", v.numbers);
}

void fields(Archive& a, EdgeTrims& v) {
  a("lowX", v.lowX);
  a("highX", v.highX);
  a("lowY", v.lowY);
  a("highY", v.highY);
}

void fields(Archive& a, SawnPiece& v) {
  a.must("plan", v.plan);
  a.must("step", v.step);
  a.must("which", v.which);
}

void fields(Archive& a, StockSupply& v) {
  a.must("id", v.id);
  a.must("material", v.material);
  a.must("thickness", v.thickness);
  a("measured", v.measured);
  a.must("length", v.length);
  a.must("width", v.width);
  a.choice("grain", v.grain, kSheetGrains);
  a("quantity", v.quantity);
  a("price", v.price);
  a.choice("kind", v.kind, kStockKinds);
  a("trim", v.trim);
  a("lot", v.lot);
  a("density", v.density);
  a.id("row", v.row);
  a("piece", v.piece);
  a.unlessDefault("store", v.store);
  a.unlessDefault("defects", v.defects);
  a("edges", v.edges);
  a("from", v.from);
  a.unlessDefault("anew", v.anew);
  a("keepLong", v.keepLong);
  a("keepShort", v.keepShort);
}

void fields(Archive& a, Pin::Place& v) {
  a.must("x", v.x);
  a.must("y", v.y);
  a("turned", v.turned);
}

void fields(Archive& a, Pin& v) {
  a.must("part", v.part);
  a.must("copies", v.copies);
  a.must("stock", v.stock);
  a.must("sheet", v.sheet);
  a("place", v.place);
}

void fields(Archive& a, BarDemand& v) {
  a.must("code", v.code);
  a.must("length", v.length);
  a.must("quantity", v.quantity);
  a("numbers", v.numbers);
}

void fields(Archive& a, BarPart& v) {
  a.must("material", v.material);
  a.must("width", v.width);
  a.must("wanted", v.wanted);
}

void fields(Archive& a, BarStock& v) {
  a.must("id", v.id);
  a.must("length", v.length);
  a("quantity", v.quantity);
  a("price", v.price);
}

void fields(Archive& a, BarSupply& v) {
  a.must("material", v.material);
  a.must("width", v.width);
  a.must("bar", v.bar);
  a.id("row", v.row);
  a.unlessDefault("store", v.store);
}

void restOfRequest(Archive& a, NestRequest& v) {
  a("pins", v.pins);
  a.must("kerf", v.kerf);
  a("keepLong", v.keepLong);
  a("keepShort", v.keepShort);
  a.choice("goal", v.goal, kGoals);
  a("ease", v.ease);
  a("barKerf", v.barKerf);
  a("firstSheet", v.firstSheet);
}

void restOfPlan(Archive& a, std::vector<CutTrouble>& troubles, Bound& bound, Money& cost,
                int& setups) {
  a("troubles", troubles);
  a.must("bound", bound);
  a.must("cost", cost);
  a.must("setups", setups);
}

void fields(Archive& a, NestRequest& v) {
  a.must("parts", v.parts);
  a.must("stock", v.stock);
  a.must("shop", v.shop);
  a("barParts", v.barParts);
  a("barStock", v.barStock);
  restOfRequest(a, v);
}

}  // namespace pp
