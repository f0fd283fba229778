// How saws, materials, stock and labels stand in a job's file: every field once, for reading and
// writing.
#pragma once

#include "core/formats/json_fields.h"
#include "core/job/job.h"

namespace pp {

inline const Choices<Goal> kGoals = {
    {"cost", Goal::Cost}, {"offcuts", Goal::Offcuts}, {"setups", Goal::Setups}};

inline const Choices<SheetGrain> kSheetGrains = {
    {"length", SheetGrain::Length}, {"width", SheetGrain::Width}, {"none", SheetGrain::None}};

inline const Choices<Tone> kTones = {{"birch", Tone::Birch},
                                     {"ash", Tone::Ash},
                                     {"oak", Tone::Oak},
                                     {"walnut", Tone::Walnut},
                                     {"white", Tone::White}};

inline const Choices<StockKind> kStockKinds = {{"sheet", StockKind::Sheet},
                                               {"offcut", StockKind::Offcut}};

template <class A>
void fields(A& a, SawRules& v) {
  a("kerf", v.kerf);
  a("trim", v.trim);
  a("keepLong", v.keepLong);
  a("keepShort", v.keepShort);
  a.choice("goal", v.goal, kGoals);
  a("ease", v.ease);
}

template <class A>
void fields(A& a, Machine& v) {
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
  a.choice("goodFace", v.goodFace, {{"up", GoodFace::Up}, {"down", GoodFace::Down}});
}

template <class A>
void fields(A& a, Tools& v) {
  a("dadoLeast", v.dadoLeast);
  a("dadoMost", v.dadoMost);
  a("bits", v.bits);
  a("tableReach", v.tableReach);
  a("fenceReach", v.fenceReach);
  a("bandBeyond", v.bandBeyond);
  a.choice("bandFirst", v.bandFirst, {{"ends", BandFirst::Ends}, {"sides", BandFirst::Sides}});
}

template <class A>
void fields(A& a, Shop& v) {
  a("machines", v.machines);
  a("carryGrams", v.carryGrams);
  a("carryLength", v.carryLength);
  a.choice("cleaning", v.cleaning, {{"trim", Cleaning::Trim}, {"cut over", Cleaning::CutOver}});
  a.unlessPlain("planerWidth", v.planerWidth);
  const Shop usual;
  a.unlessPlain("stripWidth", v.stripWidth, usual.stripWidth);
  a.unlessPlain("stripLength", v.stripLength, usual.stripLength);
  a.unlessPlain("allowance", v.allowance, usual.allowance);
  a.unlessPlain("tolerance", v.tolerance, usual.tolerance);
  a.unlessPlain("settingSeconds", v.settingSeconds, usual.settingSeconds);
  a.unlessPlain("cutSeconds", v.cutSeconds, usual.cutSeconds);
  a.unlessPlain("tools", v.tools, usual.tools);
}

template <class A>
void fields(A& a, LabelSheet& v) {
  a.choice("paper", v.letter, Choices<bool>{{"a4", false}, {"letter", true}});
  a("columns", v.columns);
  a("rows", v.rows);
  a("marginLeft", v.marginLeft);
  a("marginTop", v.marginTop);
  a("gapAcross", v.gapAcross);
  a("gapDown", v.gapDown);
}

template <class A>
void fields(A& a, Material& v) {
  a.must("id", v.id);
  a.must("name", v.name);
  a.must("nominal", v.nominal);
  a.must("measured", v.measured);
  a("grained", v.grained);
  a.choice("tone", v.tone, kTones);
  a("density", v.density);
  a("lumber", v.lumber);
}

template <class A>
void fields(A& a, Banding& v) {
  a.must("id", v.id);
  a.must("name", v.name);
  a.must("thickness", v.thickness);
  a.must("width", v.width);
  a("price", v.price);
  a.must("rollLength", v.rollLength);
  a("deduct", v.deduct);
}

template <class A>
void fields(A& a, Defect& v) {
  a.must("x", v.x);
  a.must("y", v.y);
  a.must("width", v.width);
  a.must("height", v.height);
}

template <class A>
void fields(A& a, StockPiece& v) {
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
  a.unlessPlain("store", v.store);
  a.unlessPlain("defects", v.defects);
}

template <class A>
void fields(A& a, Slide& v) {
  a.id("id", v.id);
  a.must("name", v.name);
  a.must("length", v.length);
  a("thickness", v.thickness);
  a.choice("kind", v.kind, {{"side", SlideKind::Side}, {"under", SlideKind::Under}});
  a("below", v.below);
  a("above", v.above);
  a.unlessPlain("setBack", v.setBack);
  a("price", v.price);
}

template <class A>
void fields(A& a, BoughtIn& v) {
  a.must("name", v.name);
  a("quantity", v.quantity);
  a("note", v.note);
  a("price", v.price);
  a.unlessPlain("have", v.have);
  a.unlessPlain("material", v.material);
  a.unlessPlain("length", v.length);
  a.unlessPlain("width", v.width);
  a.unlessPlain("thickness", v.thickness);
  a.unlessPlain("oversize", v.oversize);
  a.unlessPlain("assembly", v.assembly);
  a.unlessPlain("opening", v.opening);
  a.unlessPlain("clearance", v.clearance);
}

}  // namespace pp
