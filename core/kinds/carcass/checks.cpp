// What makes a carcass unusable as data, and how many pieces and holes it comes to at most.
#include <fmt/format.h>

#include "core/designs/size_list.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/carcass/rules.h"
#include "core/kinds/common/count.h"

namespace pp {
namespace {

constexpr int kDeepestOpening = 40;
// Below it a pitch is a slip of the hand.
constexpr Length kLeastPitch = Length::mm(5);

void check(Check& to, const std::string& at, const FrontRules& fronts) {
  to.knownMaterial(at + "/material", fronts.material);
  to.knownBanding(at + "/banding", fronts.banding);
  if (!fronts.panelMaterial.empty()) to.knownMaterial(at + "/panelMaterial", fronts.panelMaterial);
  to.allPositive(at, {{"/frameWidth", fronts.frameWidth},
                      {"/tongue", fronts.tongue},
                      {"/slideGroove", fronts.slideGroove}});
  to.noneNegative(at, {{"/gap", fronts.gap},
                       {"/overlay", fronts.overlay},
                       {"/reveal", fronts.reveal.value_or(Length{})},
                       {"/panelClearance", fronts.panelClearance},
                       {"/pullFromEdge", fronts.pullFromEdge},
                       {"/knuckle", fronts.knuckle}});
}

void check(Check& to, const std::string& at, const ShelfRules& rules) {
  to.notNegative(at + "/clearance", rules.clearance);
  to.notNegative(at + "/setBack", rules.setBack);
  to.notNegative(at + "/lip", rules.lip);
  to.positive(at + "/ledge", rules.ledge);
  to.atLeast(at + "/pinPitch", rules.pinPitch, kLeastPitch);
  to.positive(at + "/pinSetBack", rules.pinSetBack);
  to.positive(at + "/pinDiameter", rules.pinDiameter);
  to.positive(at + "/pinDepth", rules.pinDepth);
}

void checkShares(Check& to, const std::string& at, const std::vector<Share>& shares) {
  for (std::size_t i = 0; i < shares.size(); ++i)
    if (shares[i].fixed) to.positive(fmt::format("{}/{}", at, i), *shares[i].fixed);
}

void checkBack(Check& to, const std::string& at, const Back& back) {
  to.within(at + "/pieces", back.pieces, 0, kMostOfBack);
  if (back.rails.size() > kMostOfBack)
    to.add(at + "/rails", std::to_string(back.rails.size()), "at most 20");
  for (std::size_t i = 0; i < back.rails.size(); ++i) {
    to.notNegative(fmt::format("{}/rails/{}/up", at, i), back.rails[i].up);
    to.positive(fmt::format("{}/rails/{}/width", at, i), back.rails[i].width);
  }
}

void checkOpening(Check& to, const std::string& at, const Opening& opening, int depth) {
  if (depth > kDeepestOpening)
    return to.add(at, "openings deeper than 40", "at most 40 openings inside one another");
  const OpeningFronts& own = opening.fronts;
  for (const auto& [field, length] :
       {std::pair("/gap", own.gap), std::pair("/left", own.left), std::pair("/right", own.right),
        std::pair("/bottom", own.bottom), std::pair("/top", own.top)})
    if (length) to.notNegative(at + "/ownFronts" + field, *length);
  if (const auto* loose = std::get_if<LooseShelves>(&opening.content)) {
    to.within(at + "/count", loose->count, 1, 50);
  } else if (const auto* pins = std::get_if<AdjustableShelves>(&opening.content)) {
    to.within(at + "/count", pins->count, 1, 50);
  } else if (const auto* bank = std::get_if<DrawerBank>(&opening.content)) {
    to.within(at + "/fronts", static_cast<std::int64_t>(bank->fronts.size()), 1, 50);
    checkShares(to, at + "/fronts", bank->fronts);
    if (bank->boxHeight) to.positive(at + "/boxHeight", *bank->boxHeight);
    to.within(at + "/readings", static_cast<std::int64_t>(bank->readings.size()), 0, 8);
    for (std::size_t i = 0; i < bank->readings.size(); ++i)
      to.positive(fmt::format("{}/readings/{}", at, i), bank->readings[i]);
  } else if (const auto* split = std::get_if<Split>(&opening.content)) {
    to.within(at + "/sizes", static_cast<std::int64_t>(split->sizes.size()), 2, 50);
    if (split->sizes.size() != split->children.size())
      return to.add(at + "/children", std::to_string(split->children.size()),
                    "as many openings as sizes");
    checkShares(to, at + "/sizes", split->sizes);
    if (split->doubled) to.notNegative(at + "/doubled", *split->doubled);
    for (std::size_t i = 0; i < split->children.size(); ++i)
      checkOpening(to, fmt::format("{}/children/{}", at, i), split->children[i], depth + 1);
  }
}

}  // namespace

void check(Check& to, const std::string& at, const DrawerRules& rules) {
  to.knownMaterial(at + "/boxMaterial", rules.boxMaterial);
  to.knownMaterial(at + "/bottomMaterial", rules.bottomMaterial);
  to.positive(at + "/runnerHeight", rules.runnerHeight);
  to.positive(at + "/padWidth", rules.padWidth);
  to.notNegative(at + "/padLength", rules.padLength);
  to.notNegative(at + "/ease", rules.ease);
  to.notNegative(at + "/lowerClearance", rules.lowerClearance);
  to.notNegative(at + "/upperClearance", rules.upperClearance);
  to.notNegative(at + "/slideReserve", rules.slideReserve);
  to.positive(at + "/grooveDepth", rules.grooveDepth);
  to.positive(at + "/grooveUp", rules.grooveUp);
  to.notNegative(at + "/bottomClearance", rules.bottomClearance);
  to.positive(at + "/frontRabbet", rules.frontRabbet);
  to.positive(at + "/backDado", rules.backDado);
  to.notNegative(at + "/backSetIn", rules.backSetIn);
}

void check(Check& to, const std::string& at, const Baseboard& one) {
  to.positive(at + "/thickness", one.thickness);
  to.positive(at + "/height", one.height);
}

void check(Check& to, const std::string& at, const Stand& stand) {
  to.positive(at + "/height", stand.height);
  to.atLeast(at + "/crossEvery", stand.crossEvery, kLeastSpacing);
  to.atLeast(at + "/longest", stand.longest, kLeastSection);
  to.notNegative(at + "/setIn", stand.setIn);
  if (stand.kind == StandKind::Frame || stand.kind == StandKind::Runners)
    to.knownMaterial(at + "/material", stand.material);
}

void check(Check& to, const std::string& at, const FaceFrame& frame) {
  to.knownMaterial(at + "/material", frame.material);
  to.allPositive(at, {{"/stile", frame.stile},
                      {"/rail", frame.rail},
                      {"/middle", frame.middle},
                      {"/tongue", frame.tongue}});
  to.noneNegative(at,
                  {{"/overhangLeft", frame.overhangLeft}, {"/overhangRight", frame.overhangRight}});
}

void check(Check& to, const std::string& at, const Carcass& carcass) {
  to.positive(at + "/width", carcass.width);
  to.positive(at + "/height", carcass.height);
  to.positive(at + "/depth", carcass.depth);
  to.knownMaterial(at + "/material", carcass.material);
  to.knownBanding(at + "/banding", carcass.banding);
  to.positive(at + "/dadoDepth", carcass.dadoDepth);
  to.knownMaterial(at + "/back/material", carcass.back.material);
  to.allPositive(at, {{"/topRabbet", carcass.topRabbet},
                      {"/stretcher", carcass.stretcher},
                      {"/back/rabbetDepth", carcass.back.rabbetDepth}});
  to.noneNegative(at, {{"/wallLeft", carcass.wallLeft},
                       {"/raised", carcass.raised},
                       {"/wallRight", carcass.wallRight},
                       {"/back/setIn", carcass.back.setIn}});
  to.notNegative(at + "/back/clearance", carcass.back.clearance);
  to.notNegative(at + "/back/strip", carcass.back.strip);
  checkBack(to, at + "/back", carcass.back);
  for (const auto& [field, id] :
       {std::pair("/endLeft", &carcass.endLeft), std::pair("/endRight", &carcass.endRight)})
    if (!id->empty()) to.knownMaterial(at + field, *id);
  to.notNegative(at + "/scribe", carcass.scribe);
  to.within(at + "/mitreTenons", carcass.mitreTenons, 0, 20);
  if (carcass.toe) {
    to.positive(at + "/toe/height", carcass.toe->height);
    to.positive(at + "/toe/depth", carcass.toe->depth);
  }
  if (carcass.baseboard) check(to, at + "/baseboard", *carcass.baseboard);
  if (carcass.toe && carcass.stand) to.add(at + "/stand", "a stand beside a toe", "one of them");
  if (carcass.stand) check(to, at + "/stand", *carcass.stand);
  if (carcass.cleat) {
    to.knownMaterial(at + "/cleat/material", carcass.cleat->material);
    to.positive(at + "/cleat/height", carcass.cleat->height);
  }
  if (carcass.frame) check(to, at + "/frame", *carcass.frame);
  check(to, at + "/fronts", carcass.fronts);
  check(to, at + "/shelves", carcass.shelves);
  check(to, at + "/drawers", carcass.drawers);
  checkOpening(to, at + "/inside", carcass.inside, 0);
}

std::int64_t mostPieces(const Stand& stand, Length width) {
  return stand.kind == StandKind::Frame ? mostPiecesOfFrame(width, stand.longest, stand.crossEvery)
                                        : 2;
}

// Everything that stands in an opening, the panels between its children and what closes it.
std::int64_t mostPieces(const Opening& opening, std::int64_t& openings) {
  constexpr std::int64_t kBox = 13;  // four sides, bottom, a framed front of five, pads
  constexpr std::int64_t kDoors = 10;
  ++openings;
  std::int64_t out = opening.door ? kDoors : 0;
  if (const auto* loose = std::get_if<LooseShelves>(&opening.content)) out += 4 * loose->count;
  if (const auto* pins = std::get_if<AdjustableShelves>(&opening.content)) out += 2 * pins->count;
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content))
    out += kBox * static_cast<std::int64_t>(bank->fronts.size());
  if (const auto* split = std::get_if<Split>(&opening.content))
    for (const Opening& child : split->children)
      out = std::min(kTooMany, out + 2 + mostPieces(child, openings));
  return out;
}

std::int64_t mostMembers(const Opening& opening) {
  std::int64_t out = 2;  // beside it, and in the middle of a pair
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content))
    out += static_cast<std::int64_t>(bank->fronts.size());
  if (const auto* split = std::get_if<Split>(&opening.content))
    for (const Opening& child : split->children) out = std::min(kTooMany, out + mostMembers(child));
  return out;
}

std::int64_t mostPieces(const Job& /*job*/, const Carcass& of) {
  // Sides, top, bottom, back and its strips, linings, toe, cleat, ends, fillers.
  constexpr std::int64_t kCase = 28;
  std::int64_t openings = 0;
  std::int64_t out = kCase + mostPieces(of.inside, openings);
  // A back in pieces, each on a batten; rails in every bay.
  out += 2 * (of.back.pieces == 0 ? kMostOfBack : of.back.pieces);
  if (of.back.school == BackSchool::None)
    out = std::min(kTooMany, out + static_cast<std::int64_t>(of.back.rails.size()) * openings);
  if (of.frame) out += 6 + mostMembers(of.inside);
  if (of.stand) out += mostPieces(*of.stand, of.width);
  return std::min(kTooMany, out);
}

namespace {

std::int64_t adjustable(const Opening& opening) {
  std::int64_t out = std::holds_alternative<AdjustableShelves>(opening.content) ? 1 : 0;
  if (const auto* split = std::get_if<Split>(&opening.content))
    for (const Opening& child : split->children) out += adjustable(child);
  return out;
}

}  // namespace

std::int64_t mostPinHoles(const Carcass& carcass) {
  constexpr std::int64_t kRows = 4;  // front and rear in either side
  const std::int64_t openings = adjustable(carcass.inside);
  return openings == 0
             ? 0
             : std::min(kTooMany, kRows * begun(carcass.height, carcass.shelves.pinPitch) *
                                      std::min<std::int64_t>(openings, 1'000));
}

}  // namespace pp
