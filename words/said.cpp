#include "words/said.h"

#include <QObject>

#include "core/job/job.h"
#include "core/shop/rows.h"
#include "devices/label_printer.h"

namespace pp {
namespace {

// As many words as the enum has values, the last of which is `Last`.
template <auto Last, class... Words>
QStringList table(Words... words) {
  static_assert(sizeof...(words) == static_cast<std::size_t>(Last) + 1);
  return {QObject::tr(words)...};
}

}  // namespace

template <>
const QStringList& said<BoardGrain>() {
  static const QStringList kWords =
      table<BoardGrain::Any>("along length", "along width", "either way");
  return kWords;
}

template <>
const QStringList& said<TopConstruction>() {
  static const QStringList kWords = table<TopConstruction::None>(
      "sits between the sides", "lies on the sides", "sits in rabbets at their ends",
      "meets the sides in mitres", "is two stretchers", "is a stretcher and a rail on edge",
      "is left out, open above");
  return kWords;
}

template <>
const QStringList& said<Joint>() {
  static const QStringList kWords =
      table<Joint::Brads>("butted, glued and screwed", "let into dados", "pocket screwed",
                          "joined with loose tenons", "joined with dowels", "glued and bradded");
  return kWords;
}

template <>
const QStringList& said<BackSchool>() {
  static const QStringList kWords = table<BackSchool::Channels>(
      "lies in a rabbet all round", "lies in rabbets of the sides", "stands in a groove",
      "is screwed on behind", "stands between, on strips", "is left out, with rails",
      "stands in channels of the sides");
  return kWords;
}

template <>
const QStringList& said<RailPlace>() {
  static const QStringList kWords = table<RailPlace::Behind>(
      "between the uprights", "in one piece, in notches", "in one piece, behind");
  return kWords;
}

template <>
const QStringList& said<PanelGrain>() {
  static const QStringList kWords = table<PanelGrain::Either>("upright", "across", "either way");
  return kWords;
}

template <>
const QStringList& said<DrawerSchool>() {
  static const QStringList kWords = table<DrawerSchool::Brads>(
      "front and back between the sides", "front rabbeted over the sides",
      "front and back over the sides", "front between, back cut down",
      "butted and bradded, bottom below");
  return kWords;
}

template <>
const QStringList& said<Running>() {
  static const QStringList kWords = table<Running::Loose>(
      "slides at their sides", "slides under them", "wooden runners", "the bottom, loose");
  return kWords;
}

template <>
const QStringList& said<FrontStyle>() {
  static const QStringList kWords = table<FrontStyle::LappedFrame>(
      "slabs", "frames with a panel in a groove", "lapped frames with a panel in a rabbet");
  return kWords;
}

template <>
const QStringList& said<FrontFit>() {
  static const QStringList kWords = table<FrontFit::Overlay>("inset", "over the edges");
  return kWords;
}

template <>
const QStringList& said<BankKind>() {
  static const QStringList kWords =
      table<BankKind::Platforms>("drawers", "trays", "pull-out platforms");
  return kWords;
}

template <>
const QStringList& said<TopBuild>() {
  static const QStringList kWords =
      table<TopBuild::GluedUp>("one sheet on strips", "sheets glued", "strips glued edge to edge");
  return kWords;
}

template <>
const QStringList& said<EdgingCorner>() {
  static const QStringList kWords = table<EdgingCorner::Butted>("mitred corners", "butted corners");
  return kWords;
}

template <>
const QStringList& said<FrameMiddle>() {
  static const QStringList kWords = table<FrameMiddle::FlushLowerRight>(
      "so that equal openings show equal", "centred on the panels",
      "flush with upper and left faces", "flush with lower and right faces");
  return kWords;
}

template <>
const QStringList& said<FrameFixing>() {
  static const QStringList kWords = table<FrameFixing::Tongue>("with pocket screws", "on a tongue");
  return kWords;
}

template <>
const QStringList& said<Tone>() {
  static const QStringList kWords = table<Tone::White>("birch", "ash", "oak", "walnut", "white");
  return kWords;
}

template <>
const QStringList& said<SheetGrain>() {
  static const QStringList kWords = table<SheetGrain::None>("along length", "along width", "none");
  return kWords;
}

template <>
const QStringList& said<SiteKind>() {
  static const QStringList kWords = table<SiteKind::Around>(
      "stands free", "against a wall", "between two walls", "in a corner, a wall on its left",
      "in a corner, a wall on its right", "in a nook of three walls", "round something");
  return kWords;
}

template <>
const QStringList& said<WallAt>() {
  static const QStringList kWords = table<WallAt::Right>("behind", "left", "right");
  return kWords;
}

template <>
const QStringList& said<ObstacleKind>() {
  static const QStringList kWords = table<ObstacleKind::Step>(
      "outlet", "switch", "pipe", "vent", "valve", "window", "door", "hatch", "foot", "step");
  return kWords;
}

template <>
const QStringList& said<GateKind>() {
  static const QStringList kWords =
      table<GateKind::Flat>("door", "corridor", "stair", "lift", "van", "people", "flat surface");
  return kWords;
}

template <>
const QStringList& said<BandFirst>() {
  static const QStringList kWords = table<BandFirst::Sides>("the ends", "the long edges");
  return kWords;
}

template <>
const QStringList& said<Cleaning>() {
  static const QStringList kWords = table<Cleaning::CutOver>("trimmed", "cut over");
  return kWords;
}

template <>
const QStringList& said<SawKind>() {
  static const QStringList kWords =
      table<SawKind::Circular>("track", "table", "crosscut", "circular, rough");
  return kWords;
}

template <>
const QStringList& said<GoodFace>() {
  static const QStringList kWords = table<GoodFace::Down>("usual", "up", "down");
  return kWords;
}

template <>
const QStringList& said<SlideKind>() {
  static const QStringList kWords = table<SlideKind::Under>("beside", "under");
  return kWords;
}

template <>
const QStringList& said<Finish>() {
  static const QStringList kWords =
      table<Finish::Stained>("left bare", "finished clear", "painted", "stained");
  return kWords;
}

template <>
const QStringList& said<Hinge>() {
  static const QStringList kWords = table<Hinge::Sliding>(
      "closed by a door hinged left", "closed by a door hinged right", "closed by a pair of doors",
      "closed by a lid hinged above", "closed by a flap hinged below", "closed by sliding panels");
  return kWords;
}

template <>
const QStringList& said<FrontsCut>() {
  static const QStringList kWords = table<FrontsCut::OneBoard>(
      "one by one", "as one run of grain", "from one board, cut apart when fitted");
  return kWords;
}

template <>
const QStringList& said<Waterfall>() {
  static const QStringList kWords = table<Waterfall::Around>(
      "each by itself", "sides and top from one strip", "all four from one strip");
  return kWords;
}

template <>
const QStringList& said<StockKind>() {
  static const QStringList kWords = table<StockKind::Offcut>("sheet", "offcut");
  return kWords;
}

template <>
const QStringList& said<FeatureKind>() {
  static const QStringList kWords = table<FeatureKind::Chamfer>(
      "hole", "slot", "notch", "dado", "groove", "taper", "curve", "bevel", "row of holes",
      "rabbet", "rounded corner", "rounded end", "recess", "round-over", "chamfer");
  return kWords;
}

template <>
const QStringList& said<BoardHand>() {
  static const QStringList kWords = table<BoardHand::Pairs>(
      "all alike", "all left-handed", "all right-handed", "half of them left, half right");
  return kWords;
}

template <>
const QStringList& said<SeatTop>() {
  static const QStringList kWords =
      table<SeatTop::Hatches>("lids over the front", "hatches in a frame");
  return kWords;
}

template <>
const QStringList& said<LidHinge>() {
  static const QStringList kWords =
      table<LidHinge::Continuous>("in cups", "on butt hinges", "on a continuous hinge");
  return kWords;
}

template <>
const QStringList& said<SeatReturn>() {
  static const QStringList kWords = table<SeatReturn::Right>(
      "stands by itself", "goes on along the left wall", "goes on along the right wall");
  return kWords;
}

template <>
const QStringList& said<CornerTop>() {
  static const QStringList kWords = table<CornerTop::Mitred>("butted", "mitred");
  return kWords;
}

template <>
const QStringList& said<Face>() {
  static const QStringList kWords = table<Face::Outside>("the inside face", "the outside face");
  return kWords;
}

template <>
const QStringList& said<RackKind>() {
  static const QStringList kWords = table<RackKind::Offcut>("sheet", "bar", "offcut");
  return kWords;
}

template <>
const QStringList& said<HardwareKind>() {
  static const QStringList kWords = table<HardwareKind::Other>(
      "slide", "hinge", "screw", "pin", "caster", "pull", "insert", "glue", "other");
  return kWords;
}

template <>
const QStringList& said<ApplyMethod>() {
  static const QStringList kWords =
      table<ApplyMethod::Wipe>("brushed", "rolled", "sprayed", "wiped on");
  return kWords;
}

template <>
const QStringList& said<PrinterState>() {
  static const QStringList kWords =
      table<PrinterState::Absent>("ready", "printing", "out of paper", "jammed", "not there");
  return kWords;
}

}  // namespace pp
