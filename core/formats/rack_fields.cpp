#include "core/formats/rack_fields.h"

#include "core/fields/archive.h"

namespace pp {

void fields(Archive& a, SawRules& v) {
  a("kerf", v.kerf);
  a("trim", v.trim);
  a("keepLong", v.keepLong);
  a("keepShort", v.keepShort);
  a.choice("goal", v.goal, kGoals);
  a("ease", v.ease);
}

void fields(Archive& a, Machine& v) {
  a.id("id", v.id);
  a.must("name", v.name);
  a.choice("kind", v.kind,
           {{"track", SawKind::Track},
            {"table", SawKind::Table},
            {"crosscut", SawKind::Crosscut},
            {"circular", SawKind::Circular}});
  a("kerf", v.kerf);
  a("longestCut", v.longestCut);
  a("reach", v.reach);
  a("longestPiece", v.longestPiece);
  a("tilts", v.tilts);
  // As is usual for such a saw, where it is not said.
  if (a.reads() || v.goodFace != GoodFace::Usual)
    a.choice("goodFace", v.goodFace, {{"up", GoodFace::Up}, {"down", GoodFace::Down}});
}

void fields(Archive& a, Tools& v) {
  a("dadoLeast", v.dadoLeast);
  a("dadoMost", v.dadoMost);
  a("bits", v.bits);
  a("tableReach", v.tableReach);
  a("fenceReach", v.fenceReach);
  a("bandBeyond", v.bandBeyond);
  a.choice("bandFirst", v.bandFirst, {{"ends", BandFirst::Ends}, {"sides", BandFirst::Sides}});
}

void fields(Archive& a, Shop& v) {
  a("machines", v.machines);
  a("carryGrams", v.carryGrams);
  a("carryLength", v.carryLength);
  a.choice("cleaning", v.cleaning, {{"trim", Cleaning::Trim}, {"cut over", Cleaning::CutOver}});
  a.unlessDefault("planerWidth", v.planerWidth);
  const Shop usual;
  a.unlessDefault("stripWidth", v.stripWidth, usual.stripWidth);
  a.unlessDefault("stripLength", v.stripLength, usual.stripLength);
  a.unlessDefault("allowance", v.allowance, usual.allowance);
  a.unlessDefault("tolerance", v.tolerance, usual.tolerance);
  a.unlessDefault("settingSeconds", v.settingSeconds, usual.settingSeconds);
  a.unlessDefault("cutSeconds", v.cutSeconds, usual.cutSeconds);
  a.unlessDefault("tools", v.tools, usual.tools);
}

void fields(Archive& a, LabelSheet& v) {
  a.choice("paper", v.letter, {{"a4", false}, {"letter", true}});
  a("columns", v.columns);
  a("rows", v.rows);
  a("marginLeft", v.marginLeft);
  a("marginTop", v.marginTop);
  a("gapAcross", v.gapAcross);
  a("gapDown", v.gapDown);
}

void fields(Archive& a, Material& v) {
  a.must("id", v.id);
  a.must("name", v.name);
  a.must("nominal", v.nominal);
  a.must("measured", v.measured);
  a("grained", v.grained);
  a.choice("tone", v.tone, kTones);
  a("density", v.density);
  a("lumber", v.lumber);
  a("keepLong", v.keepLong);
  a("keepShort", v.keepShort);
}

void fields(Archive& a, Banding& v) {
  a.must("id", v.id);
  a.must("name", v.name);
  a.must("thickness", v.thickness);
  a.must("width", v.width);
  a("price", v.price);
  a.must("rollLength", v.rollLength);
  a("deduct", v.deduct);
}

void fields(Archive& a, Defect& v) {
  a.must("x", v.x);
  a.must("y", v.y);
  a.must("width", v.width);
  a.must("height", v.height);
}

void fields(Archive& a, StockPiece& v) {
  a.id("id", v.id);
  a.must("mark", v.mark);
  a.must("material", v.material);
  a("lot", v.lot);
  a("measured", v.measured);
  a.must("length", v.length);
  a.must("width", v.width);
  a.choice("grain", v.grain, kSheetGrains);
  a("quantity", v.quantity);
  a("price", v.price);
  a.choice("kind", v.kind, kStockKinds);
  a("trim", v.trim);
  a.unlessDefault("store", v.store);
  a.unlessDefault("defects", v.defects);
}

void fields(Archive& a, Slide& v) {
  a.id("id", v.id);
  a.must("name", v.name);
  a.must("length", v.length);
  a("thickness", v.thickness);
  a.choice("kind", v.kind, {{"side", SlideKind::Side}, {"under", SlideKind::Under}});
  a("below", v.below);
  a("above", v.above);
  a.unlessDefault("setBack", v.setBack);
  a("price", v.price);
}

void fields(Archive& a, BoughtIn& v) {
  a.must("name", v.name);
  a("quantity", v.quantity);
  a("note", v.note);
  a("price", v.price);
  a.unlessDefault("have", v.have);
  a.unlessDefault("material", v.material);
  a.unlessDefault("length", v.length);
  a.unlessDefault("width", v.width);
  a.unlessDefault("thickness", v.thickness);
  a.unlessDefault("oversize", v.oversize);
  a.unlessDefault("assembly", v.assembly);
  a.unlessDefault("opening", v.opening);
  a.unlessDefault("clearance", v.clearance);
}

}  // namespace pp
