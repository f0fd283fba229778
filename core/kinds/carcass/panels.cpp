#include "core/kinds/carcass/panels.h"

#include <algorithm>

#include "core/kinds/carcass/back.h"
#include "core/kinds/carcass/ends.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/meetings.h"
#include "core/kinds/carcass/shelves.h"
#include "core/kinds/carcass/sizes.h"
#include "core/kinds/carcass/sliding.h"
#include "core/kinds/common/end_joint.h"
#include "core/parts/extend.h"

namespace pp {
namespace {

constexpr Angle kHalfRight = Angle::degrees(45);

class PanelMaker {
 public:
  PanelMaker(const PartBuilder& builder, const Carcass& carcass, const CarcassLayout& layout)
      : builder_(builder), carcass_(carcass), layout_(layout) {}

  // As the rules have it, with its edges where the maker wants them.
  Result<Part> makePanel(const PanelRect& panel) const {
    Part part = ruled(panel);
    if (Problems problems = extend(panel, part); !problems.empty()) return problems;
    return part;
  }

 private:
  Part ruled(const PanelRect& panel) const {
    switch (panel.kind) {
      case PanelKind::LeftSide:
      case PanelKind::RightSide:
        return makeSide(panel, panel.kind == PanelKind::LeftSide);
      case PanelKind::Kick:
        return makeKick(panel);
      case PanelKind::Divider:
        return makeDivider(panel);
      case PanelKind::LeftLining:
      case PanelKind::RightLining:
        return makeLining(panel);
      case PanelKind::RearRail:
        if (carcass_.top == TopConstruction::StandingRail) return makeStandingRail(panel);
        return makeLying(panel);
      default:
        return makeLying(panel);
    }
  }

  // What is chosen for its edges. Those that meet another panel stay there.
  Problems extend(const PanelRect& panel, Part& part) const {
    const PartOverride* chosen = builder_.choices().of(panel.role(), panel.after, panel.layer);
    if (chosen == nullptr) return {};
    for (const EdgeChoice& choice : chosen->edges) {
      const auto edge = part.edgeAt(choice.side);
      const std::string where = sideName(choice.side) + " of the " + part.name;
      if (!edge) return {cannot(where, "a choice for it", "an edge that the part has")};
      const bool end = isEnd(*edge);
      if (choice.joint && !(end && isJoined(panel)))
        return {cannot(where, "a joint", "an end that stands between two panels")};
      if (choice.beyond == Length{}) continue;
      if (isHeld(panel, *edge))
        return {cannot(where, "another place", "its own: it meets another panel there")};
      const bool tongued = layout_.frame && layout_.frame->fixing == FrameFixing::Tongue;
      if (choice.side == Side::Front && layout_.frame && (choice.beyond > Length{} || tongued))
        return {cannot(where, "another place", "its own: the face frame lies on it")};
      if (choice.side == Side::Bottom && choice.beyond > layout_.foot)
        return {cannot(where, builder_.shown(choice.beyond) + " further down",
                       "no further than the floor")};
      if (Problems problems = extendAsChosen(builder_, part, *edge, choice.beyond);
          !problems.empty())
        return problems;
    }
    if (chosen->length) byHand(panel, part, false, *chosen->length, chosen->lengthMoves);
    if (chosen->width) byHand(panel, part, true, *chosen->width, chosen->widthMoves);
    return {};
  }

  // A size set by hand, where the edges that move for it are free; what is cut into its neighbours
  // follows. Where they are not it stays, which whoever applies the choice says.
  void byHand(const PanelRect& panel, Part& part, bool ofWidth, Length size,
              SizeMoves moves) const {
    const EdgeMoves all = movesFor(part, ofWidth, size, moves);
    for (std::size_t i = 0; i < all.edges.size(); ++i) {
      const Side side = part.edges[static_cast<std::size_t>(all.edges[i])];
      const bool framed = side == Side::Front && layout_.frame;
      const bool below = side == Side::Bottom && all.by[i] > layout_.foot;
      const bool held = isHeld(panel, all.edges[i]) &&
                        (all.by[i] > Length{} || -all.by[i] > slackAt(panel, all.edges[i]));
      if (all.by[i] != Length{} && (held || framed || below)) return;
    }
    sizeByHand(part, ofWidth, size, all);
  }

  // So much may an end that is held be shorter and still be: what sits in a slot shows no gap, and
  // a lining is glued by its face. Below zero: it may not be.
  Length slackAt(const PanelRect& panel, Edge edge) const {
    if (mitred() && isOutside(panel.kind)) return -Length::nm(1);
    if (panel.kind == PanelKind::LeftLining || panel.kind == PanelKind::RightLining)
      return panel.rect.height;
    if (panel.kind == PanelKind::Top && carcass_.top == TopConstruction::EndRabbets)
      return carcass_.topRabbet;
    const bool joined = isJoined(panel) || panel.kind == PanelKind::Bottom;
    const Length in = joined ? enters(edge == Edge::W1 ? panel.low : panel.high) : Length{};
    return in > Length{} ? in : -Length::nm(1);
  }

  // Whether its ends stand between two panels, in a joint that can be chosen.
  bool isJoined(const PanelRect& panel) const {
    switch (panel.kind) {
      case PanelKind::Divider:
      case PanelKind::Shelf:
      case PanelKind::FrontRail:
      case PanelKind::RearRail:
        return true;
      case PanelKind::Bottom:
        return !mitred();
      case PanelKind::Top:
        return carcass_.top == TopConstruction::Between;
      default:
        return false;
    }
  }
  bool isHeld(const PanelRect& panel, Edge edge) const {
    if (mitred() && isOutside(panel.kind)) return true;
    if (!isEnd(edge)) return false;
    const bool capping = carcass_.top == TopConstruction::Capping;
    if (panel.kind == PanelKind::LeftSide || panel.kind == PanelKind::RightSide)
      return edge == Edge::W2 && capping;
    return panel.kind != PanelKind::Kick && !(panel.kind == PanelKind::Top && capping);
  }
  static bool isOutside(PanelKind kind) {
    return kind == PanelKind::LeftSide || kind == PanelKind::RightSide ||
           kind == PanelKind::Bottom || kind == PanelKind::Top;
  }

  bool mitred() const { return carcass_.top == TopConstruction::Mitred; }
  Part make(PartRole role, Id opening, Reason length, Reason width, int layer = 1) const {
    return builder_.board(
        role, panelMaterial(builder_.choices(), role, opening, layer, carcass_.material),
        std::move(length), std::move(width));
  }
  // Less what is beside the sides.
  Reason lessBeside(Reason width) const {
    return width.minus("wall allowance", carcass_.wallLeft + carcass_.wallRight)
        .minus("end panels", layout_.endLeft + layout_.endRight);
  }
  // How far an end joined so goes into what it meets.
  Length enters(Joint joint) const { return joint == Joint::Dado ? carcass_.dadoDepth : Length{}; }

  Reason depthReason(Length depth, const char* behind) const {
    Reason out("depth", carcass_.depth);
    if (layout_.frame && layout_.frame->depthIncludes) {
      out.minus("frame", layout_.frameThickness);
      if (layout_.frame->fixing == FrameFixing::Tongue) out.plus("tongue", layout_.frame->tongue);
    }
    if (out.total() != depth) {
      const Length setIn = out.total() - depth - layout_.backThickness;
      out.minus(behind, layout_.backThickness).minus("back's set-in", setIn);
    }
    return out;
  }

  Part makeSide(const PanelRect& panel, bool left) const {
    Reason height("height", carcass_.height);
    height.minus("stand", layout_.foot);
    const Length t = panel.thickness;
    if (carcass_.top == TopConstruction::Capping)
      height.minus("top", thicknessOf(layout_, PanelKind::Top));
    Part part = make(left ? PartRole::LeftSide : PartRole::RightSide, 0, height,
                     depthReason(layout_.sideDepth, "back"));
    part.hand = left ? Hand::Left : Hand::Right;
    PartBuilder::place(part, {{left ? panel.rect.x + t : panel.rect.x, Length{}, panel.rect.z},
                              kUp,
                              kBackwards,
                              left ? kLeft : kRight});
    builder_.show(part, Side::Front, carcass_.banding);
    letBackIn(part);
    if (mitred()) mitreEnds(part, "bottom", "top");
    if (carcass_.top == TopConstruction::Capping)
      part.joins.push_back({Edge::W2, JoinKind::Butt, "top"});
    if (carcass_.toe)
      part.machining.push_back(
          notch(part, "toe", Length{}, carcass_.toe->height, Length{}, carcass_.toe->depth));
    if (carcass_.baseboard) clearMoulding(carcass_, layout_, part);
    return part;
  }

  // Of the mitre at either end of an outside panel.
  void mitreEnds(Part& part, const char* low, const char* high) const {
    for (const Edge edge : {Edge::W1, Edge::W2}) {
      const char* other = edge == Edge::W1 ? low : high;
      part.machining.push_back(bevel(edge, kHalfRight, Face::Outside, "mitre"));
      part.joins.push_back({edge, JoinKind::Mitre, other});
      if (carcass_.mitreTenons == 0) continue;
      // In the bevel, square to it.
      const Unit unit = builder_.drawn().unit;
      Machining row = mortisesIn(unit, part, edge, carcass_.mitreTenons, false, other);
      row.depth = mortiseInFace(unit);
      part.machining.push_back(std::move(row));
    }
  }

  // A bevelled end stands with its long points outside; the inside face is the one up or inwards.
  Part makeLying(const PanelRect& panel) const {
    const bool shelf = panel.kind == PanelKind::Shelf;
    const bool rail = panel.kind == PanelKind::FrontRail || panel.kind == PanelKind::RearRail;
    const bool top = panel.kind == PanelKind::Top || rail;
    const bool full = panel.rect.width == layout_.outer.width &&
                      (mitred() || (top && carcass_.top == TopConstruction::Capping));
    const bool rabbeted = top && carcass_.top == TopConstruction::EndRabbets;
    Length into = full ? Length{} : enters(panel.low);
    Reason length = shelfLength(panel.rect.width, panel.low, panel.high, carcass_.dadoDepth);
    if (full) length = lessBeside(Reason("width", carcass_.width));
    if (rabbeted) {
      length = Reason("clear width", panel.rect.width).plus("rabbet depth", carcass_.topRabbet, 2);
      into = carcass_.topRabbet;
    }
    const bool bottom = panel.kind == PanelKind::Bottom;
    const Length depth = shelf    ? layout_.clearDepth
                         : bottom ? layout_.bottomDepth
                                  : layout_.lyingDepth;
    // A fixed shelf beside a rail on edge stops before it.
    const Length behind = shelf && carcass_.top == TopConstruction::StandingRail &&
                                  panel.rect.top() > layout_.outer.top() - carcass_.stretcher
                              ? thicknessOf(layout_, PanelKind::RearRail)
                              : Length{};
    Part part = make(panel.role(), panel.after, length,
                     rail ? Reason("stretcher width", carcass_.stretcher)
                          : depthReason(depth, "back")
                                .minus("behind the door", panel.setIn)
                                .minus("rear rail", behind),
                     panel.layer);
    part.opening = panel.path;
    part.keys.front().opening = panel.after;
    const Length y =
        panel.kind == PanelKind::RearRail ? layout_.lyingDepth - carcass_.stretcher : panel.setIn;
    PartBuilder::place(part, {{panel.rect.x - into, y, top ? panel.rect.z : panel.rect.top()},
                              kRight,
                              kBackwards,
                              top ? kUp : kDown});
    if (panel.kind != PanelKind::RearRail) builder_.show(part, Side::Front, carcass_.banding);
    if (!shelf && panel.kind != PanelKind::FrontRail && !(bottom && layout_.backMeetsMoulding()))
      letBackIn(part);
    if (full && mitred()) mitreEnds(part, "left side", "right side");
    return part;
  }

  Part makeStandingRail(const PanelRect& panel) const {
    Part part = make(PartRole::RearStretcher, 0,
                     shelfLength(panel.rect.width, panel.low, panel.high, carcass_.dadoDepth),
                     Reason("stretcher width", carcass_.stretcher));
    PartBuilder::place(part, {{panel.rect.x - enters(panel.low), layout_.clearDepth, panel.rect.z},
                              kRight,
                              kUp,
                              kForwards});
    return part;
  }

  Part makeDivider(const PanelRect& panel) const {
    Part part = make(PartRole::Divider, panel.after,
                     dividerLength(panel.rect.height, panel.low, panel.high, carcass_.dadoDepth),
                     depthReason(layout_.clearDepth, "back").minus("behind the door", panel.setIn),
                     panel.layer);
    part.opening = panel.path;
    part.keys.front().opening = panel.after;
    PartBuilder::place(
        part,
        {{panel.rect.x, panel.setIn, panel.rect.z - enters(panel.low)}, kUp, kBackwards, kRight});
    builder_.show(part, Side::Front, carcass_.banding);
    if (layout_.moulding) clearMoulding(carcass_, layout_, part);
    if (carcass_.top == TopConstruction::StandingRail && panel.rect.top() == layout_.clear.top())
      part.machining.push_back(
          notch(part, "rear stretcher",
                part.length.total() - enters(panel.high) - carcass_.stretcher + upper(),
                part.length.total(), part.width.total() - rear(), part.width.total()));
    return part;
  }

  // Of a rail that stands on edge and of the one beside it.
  Length rear() const { return thicknessOf(layout_, PanelKind::RearRail); }
  Length upper() const { return thicknessOf(layout_, PanelKind::FrontRail); }

  Part makeLining(const PanelRect& panel) const {
    const bool left = panel.kind == PanelKind::LeftLining;
    Part part =
        make(panel.role(), 0, Reason("clear height", panel.rect.height),
             depthReason(layout_.clearDepth, "back").minus("behind the fronts", panel.setIn));
    part.hand = left ? Hand::Left : Hand::Right;
    PartBuilder::place(part, {{left ? panel.rect.right() : panel.rect.x, panel.setIn, panel.rect.z},
                              kUp,
                              kBackwards,
                              left ? kLeft : kRight});
    builder_.show(part, Side::Front, carcass_.banding);
    if (layout_.moulding) clearMoulding(carcass_, layout_, part);
    if (carcass_.top == TopConstruction::StandingRail)
      part.machining.push_back(
          notch(part, "rear stretcher", part.length.total() - carcass_.stretcher + upper(),
                part.length.total(), part.width.total() - rear(), part.width.total()));
    return part;
  }

  Part makeKick(const PanelRect& panel) const {
    Part part =
        make(PartRole::KickBoard, 0,
             lessBeside(insideWidth(carcass_.width, thicknessOf(layout_, PanelKind::LeftSide),
                                    thicknessOf(layout_, PanelKind::RightSide))),
             Reason("toe height", carcass_.toe->height));
    part.show = Face::Outside;
    part.joins = {{Edge::W1, JoinKind::Butt, "left side"},
                  {Edge::W2, JoinKind::Butt, "right side"}};
    PartBuilder::place(part, {{panel.rect.x, carcass_.toe->depth + part.thickness, panel.rect.z},
                              kRight,
                              kUp,
                              kForwards});
    return part;
  }

  // The rabbet or groove that takes the back, along an outside panel.
  void letBackIn(Part& part) const {
    const bool side = part.hand != Hand::None;
    const BackSchool school = carcass_.back.school;
    if (school == BackSchool::RabbetAll || school == BackSchool::Groove ||
        ((school == BackSchool::RabbetSides || school == BackSchool::Channels) && side)) {
      // In the part's own frame: a rear stretcher does not begin at the front.
      const Length begins = layout_.clearDepth - part.poses.front().origin[1];
      Machining cut =
          grooveAlong(part, "back", begins, layout_.backThickness, carcass_.back.rabbetDepth);
      // A capping top covers the sides' ends, so its cut stops where theirs are.
      if (part.role == PartRole::Top && carcass_.top == TopConstruction::Capping) {
        cut.u0 = thicknessOf(layout_, PanelKind::LeftSide) - carcass_.back.rabbetDepth;
        cut.u1 = part.length.total() - thicknessOf(layout_, PanelKind::RightSide) +
                 carcass_.back.rabbetDepth;
        cut.through = false;
      }
      part.machining.push_back(cut);
    }
  }

  const PartBuilder& builder_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
};

// The outside panels, linings, dividers and fixed shelves, in the layout's order; not yet joined.
Result<std::vector<Part>> panelParts(const PanelMaker& panels, const CarcassLayout& layout) {
  std::vector<Part> out;
  for (const PanelRect& panel : layout.panels) {
    auto part = panels.makePanel(panel);
    if (!part) return part.problems();
    out.push_back(std::move(part).value());
  }
  return out;
}

// One strip over the corners of a mitred case: left side, top, right side, bottom.
void runRound(const PartBuilder& builder, const Carcass& carcass, std::vector<Part>& panels) {
  if (carcass.top != TopConstruction::Mitred || carcass.waterfall == Waterfall::None) return;
  using enum PartRole;
  std::vector<PartRole> order = {LeftSide, Top, RightSide};
  if (carcass.waterfall == Waterfall::Around) order.push_back(Bottom);
  for (Part& part : panels) {
    const auto at = std::find(order.begin(), order.end(), part.role);
    if (at == order.end()) continue;
    part.run = builder.assembly().code + "-round";
    part.runOrder = static_cast<int>(at - order.begin()) + 1;
    part.runsRound = true;
    part.series = RunSeries::Length;
  }
}

}  // namespace

Result<std::vector<Part>> carcassParts(const PartBuilder& builder, const Carcass& carcass,
                                       const CarcassLayout& layout) {
  const PanelMaker panelMaker(builder, carcass, layout);
  auto panels = panelParts(panelMaker, layout);
  if (!panels) return panels.problems();
  std::vector<Part> out = std::move(panels).value();
  joinPanels(builder.drawn().unit, carcass, layout, out);
  if (const Problems problems = cutSlidingGrooves(builder, carcass, layout, out); !problems.empty())
    return problems;
  auto shelves = shelfParts(builder, carcass, layout, out);
  if (!shelves) return shelves.problems();
  runRound(builder, carcass, out);
  auto back = backParts(builder, carcass, layout, out);
  if (!back) return back.problems();
  if (const Problems deep = dadoProblems(builder, out); !deep.empty()) return deep;
  std::vector<Part> ends = endParts(builder, carcass, layout);
  for (std::vector<Part>* more : {&shelves.value(), &back.value(), &ends})
    out.insert(out.end(), more->begin(), more->end());
  return out;
}

}  // namespace pp
