#include "core/kinds/seat_box/rules.h"

#include <algorithm>
#include <utility>

#include "core/fields/archive.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/rules.h"
#include "core/kinds/common/count.h"
#include "core/kinds/common/plain.h"
#include "core/kinds/common/words.h"
#include "core/kinds/seat_box/section.h"
#include "core/parts/trig.h"

namespace pp {

Reason lidWidth(const SeatBox& seat, const SeatSection& section) {
  Reason out = section.whole();
  out.minus("gap", seat.lidGap, section.lids - 1);
  if (section.seams > 0) out.minus("half a gap", seat.lidGap / 2, section.seams);
  return out.shared(section.lids);
}

Reason hatchOpening(const SeatBox& seat, const SeatSection& section) {
  return section.whole()
      .minus("frame side", seat.hatchFrame, section.lids + 1)
      .shared(section.lids);
}

std::vector<SeatSection> seatSections(const SeatBox& seat, Length width, int lids) {
  const std::int64_t n = seat.longest > Length{} ? sectionCount(width, seat.longest) : 1;
  const Reason each = Reason("width", width).shared(n);
  std::vector<SeatSection> out;
  for (std::int64_t i = 0; i < n; ++i)
    out.push_back({i * each.total(), each, static_cast<int>((lids + n - 1) / n),
                   (i > 0 ? 1 : 0) + (i + 1 < n ? 1 : 0)});
  return out;
}

Reason lidDepth(const SeatBox& seat) {
  return Reason("depth", seat.depth)
      .plus("front overhang", seat.overFront)
      .minus("hinge rail", seat.hingeRail)
      .minus(seat.knuckle ? "knuckle gap" : "gap", seat.knuckle.value_or(seat.lidGap));
}

Reason leaningLength(const SeatBox& seat, Length thickness) {
  return Reason("back height ÷ cos lean", overCosine(seat.backHeight, seat.lean))
      .plus("bevel at the foot", timesTangent(thickness, seat.lean));
}

Reason bracketFoot(const SeatBox& seat) {
  return Reason("bracket's upper end", seat.bracketTop)
      .plus("back height × tan lean", timesTangent(seat.backHeight, seat.lean));
}

Reason storageDepth(const SeatBox& seat, Length upperFace) {
  return Reason("bracket's upper end", seat.bracketTop)
      .plus("height above the shelf × tan lean",
            timesTangent(seat.backHeight - upperFace, seat.lean));
}

namespace {

Result<std::vector<Part>> benchParts(const PartBuilder& builder, const SeatBox& seat, Length width,
                                     int lids, Length clearLeft, Length clearRight) {
  const std::vector<SeatSection> sections = seatSections(seat, width, lids);
  std::vector<Part> out;
  for (std::size_t i = 0; i < sections.size(); ++i) {
    auto parts = sectionParts(builder, seat, sections[i], i == 0 ? clearLeft : Length{},
                              i + 1 == sections.size() ? clearRight : Length{});
    if (!parts) return parts.problems();
    out.insert(out.end(), parts->begin(), parts->end());
  }
  return out;
}

// The second bench stands clear of the first one's lids by a gap, its rear at the side wall.
Standing turnedBench(const SeatBox& seat) {
  const Length corner = -seat.overFront - seat.lidGap;
  if (seat.turn == SeatReturn::Right) return {{seat.width - seat.depth, corner, Length{}}, 3};
  return {{seat.depth, corner - seat.turnLength, Length{}}, 1};
}

Result<std::vector<Part>> seatParts(const PartBuilder& builder, const SeatBox& seat) {
  auto out = benchParts(builder, seat, seat.width, seat.lids, seat.clearLeft, seat.clearRight);
  if (!out || seat.turn == SeatReturn::None) return out;
  SeatBox other = seat;
  if (!seat.turnBack) other.backHeight = Length{};
  auto second = benchParts(builder, other, seat.turnLength, seat.turnLids, {}, {});
  if (!second) return second;
  PartBuilder::stand(second.value(), turnedBench(seat));
  out.value().insert(out.value().end(), second->begin(), second->end());
  return out;
}

}  // namespace

Length widthOf(const Job& /*job*/, const SeatBox& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const SeatBox& of) {
  const Length least = of.longest > Length{} ? of.longest : of.width + of.turnLength;
  const std::int64_t sections = begun(of.width, least) + begun(of.turnLength, least);
  const std::int64_t each = of.lids + std::int64_t{of.turnLids} + 1;
  return std::min(kTooMany, sections * (16 + each * (8 + of.storage.value_or(0))));
}

void check(Check& to, const std::string& at, const SeatBox& of) {
  to.allPositive(at, {{"/width", of.width},
                      {"/height", of.height},
                      {"/depth", of.depth},
                      {"/hingeRail", of.hingeRail},
                      {"/bracketTop", of.bracketTop}});
  to.noneNegative(
      at, {{"/lidGap", of.lidGap}, {"/overFront", of.overFront}, {"/backHeight", of.backHeight}});
  to.within(at + "/lids", of.lids, 1, 10);
  to.within(at + "/lean", of.lean, 0, 45);
  if (of.batten) check(to, at + "/batten", *of.batten);
  if (of.toe) to.allPositive(at + "/toe", {{"/height", of.toe->height}, {"/depth", of.toe->depth}});
  to.allPositive(at, {{"/hatchFrame", of.hatchFrame},
                      {"/ledge", of.ledge},
                      {"/post", of.post},
                      {"/turnLength", of.turnLength}});
  to.noneNegative(at, {{"/clearLeft", of.clearLeft}, {"/clearRight", of.clearRight}});
  if (of.longest != Length{}) to.atLeast(at + "/longest", of.longest, Length::mm(300));
  if (of.hinge == LidHinge::Cups) to.add(at + "/hinge", "cups", "butt or continuous");
  if (of.knuckle) to.notNegative(at + "/knuckle", *of.knuckle);
  if (of.storage) to.within(at + "/storage", *of.storage, 0, 10);
  to.within(at + "/turnLids", of.turnLids, 1, 10);
  if (!of.postMaterial.empty()) to.knownMaterial(at + "/postMaterial", of.postMaterial);
  to.knownMaterial(at + "/material", of.material);
  to.knownBanding(at + "/banding", of.banding);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, SeatBox& out) {
  out.material = materials.thick;
  out.banding = materials.banding;
  out.hingeRail = Length::mm(190);
  out.depth = Length::mm(500);
}

SeatBox mirrored(const SeatBox& of) {
  SeatBox out = of;
  std::swap(out.clearLeft, out.clearRight);
  if (of.turn != SeatReturn::None)
    out.turn = of.turn == SeatReturn::Left ? SeatReturn::Right : SeatReturn::Left;
  return out;
}

void make(const PartBuilder& builder, const SeatBox& of, Made& out) {
  out.take(seatParts(builder, of));
}

void fields(Archive& a, SeatBox& v) {
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
  a.unlessDefault("hatchFrame", v.hatchFrame);
  a.unlessDefault("ledge", v.ledge);
  a("toe", v.toe);
  a.unlessDefault("clearLeft", v.clearLeft);
  a.unlessDefault("clearRight", v.clearRight);
  a("storage", v.storage);
  a.unlessDefault("postMaterial", v.postMaterial);
  a.unlessDefault("post", v.post);
  a.unlessDefault("longest", v.longest);
  a.choice("turn", v.turn,
           {{"none", SeatReturn::None}, {"left", SeatReturn::Left}, {"right", SeatReturn::Right}});
  a.unlessDefault("turnLength", v.turnLength);
  a.unlessDefault("turnLids", v.turnLids);
  a("turnBack", v.turnBack);
}

}  // namespace pp
