// How a carcass stands in a job's file.
#include "core/kinds/carcass/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/common/words.h"

namespace pp {

void fields(Archive& a, BackRail& v) {
  a.must("up", v.up);
  a.must("width", v.width);
}

void fields(Archive& a, Back& v) {
  a.choice("school", v.school,
           {{"rabbet", BackSchool::RabbetAll},
            {"rabbet in sides", BackSchool::RabbetSides},
            {"groove", BackSchool::Groove},
            {"behind", BackSchool::Behind},
            {"between", BackSchool::Between},
            {"none", BackSchool::None},
            {"channels", BackSchool::Channels}});
  a.must("material", v.material);
  a("rabbetDepth", v.rabbetDepth);
  a("setIn", v.setIn);
  a("clearance", v.clearance);
  a.unlessDefault("strip", v.strip, Back{}.strip);
  a.choice("grain", v.grain, kPanelGrains);
  a.unlessDefault("pieces", v.pieces);
  a.unlessDefault("fromRight", v.fromRight);
  a.unlessDefault("rails", v.rails);
  a.choice("railPlace", v.railPlace,
           {{"per bay", RailPlace::PerBay},
            {"notched", RailPlace::Notched},
            {"behind", RailPlace::Behind}});
}

void fields(Archive& a, Toe& v) {
  a.must("height", v.height);
  a.must("depth", v.depth);
}

void fields(Archive& a, Stand& v) {
  a.choice("kind", v.kind,
           {{"frame", StandKind::Frame},
            {"legs", StandKind::Legs},
            {"runners", StandKind::Runners},
            {"casters", StandKind::Casters}});
  a.must("height", v.height);
  a("setIn", v.setIn);
  a("material", v.material);
  a("crossEvery", v.crossEvery);
  a("longest", v.longest);
}

void fields(Archive& a, Cleat& v) {
  a.must("material", v.material);
  a("height", v.height);
}

void fields(Archive& a, Baseboard& v) {
  a.must("thickness", v.thickness);
  a.must("height", v.height);
}

void fields(Archive& a, FaceFrame& v) {
  a.must("material", v.material);
  a("stile", v.stile);
  a("rail", v.rail);
  a("middle", v.middle);
  a("overhangLeft", v.overhangLeft);
  a("overhangRight", v.overhangRight);
  a.choice("fixing", v.fixing,
           {{"pocket screws", FrameFixing::PocketScrews}, {"tongue", FrameFixing::Tongue}});
  a("tongue", v.tongue);
  a("depthIncludes", v.depthIncludes);
  a.choice("middleAt", v.middleAt,
           {{"equal", FrameMiddle::Equal},
            {"centred", FrameMiddle::Centred},
            {"flush upper left", FrameMiddle::FlushUpperLeft},
            {"flush lower right", FrameMiddle::FlushLowerRight}});
  a("lowerRail", v.lowerRail);
  if (a.wants("finish", v.finish)) a.choice("finish", *v.finish, kFinishes);
}

void fields(Archive& a, OpeningFronts& v) {
  if (a.wants("style", v.style)) a.choice("style", *v.style, kFrontStyles);
  if (a.wants("grain", v.grain)) a.choice("grain", *v.grain, kPanelGrains);
  a("gap", v.gap);
  a("left", v.left);
  a("right", v.right);
  a("bottom", v.bottom);
  a("top", v.top);
}

void fields(Archive& a, FrontRules& v) {
  a.must("material", v.material);
  a("banding", v.banding);
  a.choice("fit", v.fit, {{"inset", FrontFit::Inset}, {"overlay", FrontFit::Overlay}});
  a.choice("style", v.style, kFrontStyles);
  a("gap", v.gap);
  a("overlay", v.overlay);
  a("reveal", v.reveal);
  a("panelMaterial", v.panelMaterial);
  a("frameWidth", v.frameWidth);
  a("tongue", v.tongue);
  a("panelClearance", v.panelClearance);
  if (a.wants("finish", v.finish)) a.choice("finish", *v.finish, kFinishes);
  a("slideGroove", v.slideGroove);
  a("fingerPull", v.fingerPull);
  a("pullFromEdge", v.pullFromEdge);
  a.choice("lidHinge", v.lidHinge, kLidHinges);
  a.unlessDefault("knuckle", v.knuckle);
}

void fields(Archive& a, ShelfRules& v) {
  a("clearance", v.clearance);
  a("setBack", v.setBack);
  a("lip", v.lip);
  a.unlessDefault("ledge", v.ledge, ShelfRules{}.ledge);
  a("pinPitch", v.pinPitch);
  a("pinSetBack", v.pinSetBack);
  a("pinDiameter", v.pinDiameter);
  a("pinDepth", v.pinDepth);
}

void fields(Archive& a, DrawerRules& v) {
  a.choice("school", v.school,
           {{"between", DrawerSchool::Between},
            {"rabbeted front", DrawerSchool::RabbetedFront},
            {"over", DrawerSchool::Over},
            {"cut down back", DrawerSchool::CutDownBack},
            {"brads", DrawerSchool::Brads}});
  a.choice("running", v.running,
           {{"side slides", Running::SideSlides},
            {"under slides", Running::UnderSlides},
            {"wooden runners", Running::WoodenRunners},
            {"loose", Running::Loose}});
  a.must("boxMaterial", v.boxMaterial);
  a.must("bottomMaterial", v.bottomMaterial);
  a("ease", v.ease);
  a("lowerClearance", v.lowerClearance);
  a("upperClearance", v.upperClearance);
  a("evenBoxes", v.evenBoxes);
  a("slideReserve", v.slideReserve);
  a("grooveDepth", v.grooveDepth);
  a("grooveUp", v.grooveUp);
  a("bottomClearance", v.bottomClearance);
  a("frontRabbet", v.frontRabbet);
  a("backDado", v.backDado);
  a("backSetIn", v.backSetIn);
  a("runnerHeight", v.runnerHeight);
  a("padWidth", v.padWidth);
  a("padLength", v.padLength);
}

void fields(Archive& a, Carcass& v) {
  a.must("width", v.width);
  a.must("height", v.height);
  a.must("depth", v.depth);
  a.must("material", v.material);
  a("banding", v.banding);
  a.choice("joint", v.joint, kJoints);
  a("dadoDepth", v.dadoDepth);
  a.choice("top", v.top,
           {{"between", TopConstruction::Between},
            {"capping", TopConstruction::Capping},
            {"end rabbets", TopConstruction::EndRabbets},
            {"mitred", TopConstruction::Mitred},
            {"stretchers", TopConstruction::Stretchers},
            {"standing rail", TopConstruction::StandingRail},
            {"none", TopConstruction::None}});
  a("topRabbet", v.topRabbet);
  a("stretcher", v.stretcher);
  a.unlessDefault("raised", v.raised);
  a("wallLeft", v.wallLeft);
  a("wallRight", v.wallRight);
  a("liningLeft", v.liningLeft);
  a("liningRight", v.liningRight);
  a.unlessDefault("endLeft", v.endLeft);
  a.unlessDefault("endRight", v.endRight);
  a.unlessDefault("fillerLeft", v.fillerLeft);
  a.unlessDefault("fillerRight", v.fillerRight);
  a("scribe", v.scribe);
  a.unlessDefault("mitreTenons", v.mitreTenons);
  a.choice("waterfall", v.waterfall,
           {{"none", Waterfall::None}, {"over", Waterfall::Over}, {"around", Waterfall::Around}});
  a.must("back", v.back);
  a("baseboard", v.baseboard);
  a("toe", v.toe);
  a("stand", v.stand);
  a("cleat", v.cleat);
  a("frame", v.frame);
  a("shelves", v.shelves);
  a.must("drawers", v.drawers);
  a.must("fronts", v.fronts);
  a("inside", v.inside);
}

}  // namespace pp
