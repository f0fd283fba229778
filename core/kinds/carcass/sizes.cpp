#include "core/kinds/carcass/sizes.h"

namespace pp {

Reason insideWidth(Length width, Length thickness) {
  return Reason("width", width).minus("side", thickness, 2);
}

Reason shelfLength(Length clearWidth, Joint joint, Length dadoDepth) {
  Reason out("clear width", clearWidth);
  if (joint == Joint::Dado) out.plus("dado depth", dadoDepth, 2);
  return out;
}

Reason dividerLength(Length clearHeight, Joint joint, Length dadoDepth) {
  Reason out("clear height", clearHeight);
  if (joint == Joint::Dado) out.plus("dado depth", dadoDepth, 2);
  return out;
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
  if (low == high)
    out.plus(depthName, low, 2);
  else
    out.plus(depthName, low).plus("to the edge", high);
  return out.minus("clearance", clearance);
}

BackReach backReach(const Carcass& carcass, Length thickness) {
  const Length depth = carcass.back.rabbetDepth;
  const Length clearance = carcass.back.clearance;
  const bool standing = carcass.top == TopSchool::StandingRail;
  switch (carcass.back.school) {
    case BackSchool::RabbetAll:
    case BackSchool::Groove:
      return {depth, depth, depth, standing ? thickness : depth, clearance};
    case BackSchool::RabbetSides:
      return {depth, depth, thickness, carcass.top == TopSchool::Capping ? Length{} : thickness,
              clearance};
    case BackSchool::Behind:
      return {thickness, thickness, thickness, thickness, Length{}};
    case BackSchool::Between:
      return {Length{}, Length{}, Length{}, standing ? thickness : Length{}, Length{}};
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
