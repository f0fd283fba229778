#include "core/kinds/carcass/sizes.h"

namespace pp {

Reason insideWidth(Length width, Length left, Length right) {
  Reason out("width", width);
  if (left == right) return out.minus("side", left, 2);
  return out.minus("left side", left).minus("right side", right);
}

namespace {

// Each end goes into what it meets where it stands in a dado.
Reason between(const char* clearName, Length clear, Joint low, Joint high, Length dadoDepth) {
  const std::int64_t dados = (low == Joint::Dado ? 1 : 0) + (high == Joint::Dado ? 1 : 0);
  Reason out(clearName, clear);
  if (dados > 0) out.plus("dado depth", dadoDepth, dados);
  return out;
}

}  // namespace

Reason shelfLength(Length clearWidth, Joint left, Joint right, Length dadoDepth) {
  return between("clear width", clearWidth, left, right, dadoDepth);
}

Reason dividerLength(Length clearHeight, Joint lower, Joint upper, Length dadoDepth) {
  return between("clear height", clearHeight, lower, upper, dadoDepth);
}

Reason shelfDepth(Length depth, Length backThickness) {
  return Reason("depth", depth).minus("back", backThickness);
}

Reason adjustableShelfLength(Length clearWidth, const ShelfRules& rules) {
  return Reason("clear width", clearWidth).minus("clearance", rules.clearance);
}

Reason adjustableShelfDepth(Length clearDepth, const ShelfRules& rules) {
  return Reason("inside depth", clearDepth)
      .minus("clearance", rules.clearance)
      .minus("set-back", rules.setBack);
}

Reason backSize(const char* clearName, Length clear, const char* depthName, Length low, Length high,
                Length clearance) {
  Reason out(clearName, clear);
  if (low < Length{})
    out.minus("moulding", -low).plus(depthName, high);
  else if (low == high)
    out.plus(depthName, low, 2);
  else
    out.plus(depthName, low).plus("to the edge", high);
  return out.minus("clearance", clearance);
}

BackReach backReach(const Carcass& carcass, const Around& panels) {
  const Length depth = carcass.back.rabbetDepth;
  const Length clearance = carcass.back.clearance;
  const bool standing = carcass.top == TopConstruction::StandingRail;
  const bool open = carcass.top == TopConstruction::None;
  switch (carcass.back.school) {
    case BackSchool::RabbetAll:
    case BackSchool::Groove:
      return {depth, depth, depth, open ? Length{} : standing ? panels.top : depth, clearance};
    case BackSchool::RabbetSides:
    case BackSchool::Channels:
      return {depth, depth, panels.bottom,
              carcass.top == TopConstruction::Capping ? Length{} : panels.top, clearance};
    case BackSchool::Behind:
      return {panels.left, panels.right, panels.bottom, panels.top, Length{}};
    case BackSchool::Between:
      return {Length{}, Length{}, Length{}, standing ? panels.top : Length{}, Length{}};
    case BackSchool::None:
      break;
  }
  return {};
}

PinRow pinRow(Length clearHeight, Length pitch) {
  const std::int64_t keep = clearHeight >= 8 * pitch ? 3 : 1;
  const Length room = clearHeight - 2 * keep * pitch;
  if (room < Length{}) return {};
  const std::int64_t steps = room.inNm() / pitch.inNm();
  return {(clearHeight - steps * pitch) / 2, static_cast<int>(steps) + 1};
}

}  // namespace pp
