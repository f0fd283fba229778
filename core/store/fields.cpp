#include "core/store/fields.h"

#include "core/fields/archive.h"
#include "core/formats/rack_fields.h"

namespace pp {

void fields(Archive& a, RackMaterial& v) {
  a.id("id", v.id);
  a.must("name", v.name);
  a.must("nominal", v.nominal);
  a.must("measured", v.measured);
  a("grained", v.grained);
  a.choice("tone", v.tone, kTones);
  a("density", v.density);
  a("stiffness", v.stiffness);
  a("lumber", v.lumber);
  a("keepLong", v.keepLong);
  a("keepShort", v.keepShort);
}

void fields(Archive& a, RackPiece& v) {
  a.id("id", v.id);
  a.choice("kind", v.kind,
           {{"sheet", RackKind::Sheet}, {"bar", RackKind::Bar}, {"offcut", RackKind::Offcut}});
  a.must("material", v.material);
  a("tag", v.tag);
  a("lot", v.lot);
  a("measured", v.measured);
  a.must("length", v.length);
  a.must("width", v.width);
  a.choice("grain", v.grain, kSheetGrains);
  a("twoGoodFaces", v.twoGoodFaces);
  a("count", v.count);
  a("price", v.price);
  a("place", v.place);
  a("note", v.note);
  a("defects", v.defects);
  a("came", v.came);
}

void fields(Archive& a, LotReading& v) {
  a.id("id", v.id);
  a.must("material", v.material);
  a("lot", v.lot);
  a.must("thickness", v.thickness);
  a("taken", v.taken);
}

void fields(Archive& a, RackBanding& v) {
  a.id("id", v.id);
  a.must("name", v.name);
  a.must("thickness", v.thickness);
  a.must("width", v.width);
  a.must("rollLength", v.rollLength);
  a("deduct", v.deduct);
  a("price", v.price);
  a("left", v.left);
}

void fields(Archive& a, Hardware& v) {
  a.id("id", v.id);
  a.choice("kind", v.kind, kHardwareKinds);
  a.must("name", v.name);
  a("length", v.length);
  a("have", v.have);
  a("pack", v.pack);
  a("price", v.price);
  a("note", v.note);
}

void fields(Archive& a, FinishProduct& v) {
  a.must("name", v.name);
  a.choice("method", v.method,
           {{"brush", ApplyMethod::Brush},
            {"roller", ApplyMethod::Roller},
            {"spray", ApplyMethod::Spray},
            {"wipe", ApplyMethod::Wipe}});
  a("coats", v.coats);
  a("grit", v.grit);
  a("drying", v.drying);
  a("thinning", v.thinning);
  a("coverage", v.coverage);
  a("loss", v.loss);
  a("minutes", v.minutes);
  a("canMillilitres", v.canMillilitres);
  a("haveMillilitres", v.haveMillilitres);
  a("price", v.price);
}

void fields(Archive& a, ShopFinish& v) {
  a.id("id", v.id);
  a.must("name", v.name);
  a("products", v.products);
}

}  // namespace pp
