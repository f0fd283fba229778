#include "core/kinds/carcass/panels.h"

#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/meetings.h"
#include "core/kinds/carcass/shelves.h"
#include "core/kinds/carcass/sizes.h"

namespace pp {
namespace {

constexpr Angle kHalfRight = Angle::degrees(45);

class PanelMaker {
 public:
  PanelMaker(const Maker& maker, const Carcass& carcass, const CarcassLayout& layout)
      : maker_(maker),
        carcass_(carcass),
        layout_(layout),
        t_(layout.thickness),
        joint_(carcass.joint == Joint::Dado ? carcass.dadoDepth : Length{}) {}

  Part makePanel(const PanelRect& panel) const {
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
        if (carcass_.top == TopSchool::StandingRail) return makeStandingRail(panel);
        return makeLying(panel);
      default:
        return makeLying(panel);
    }
  }

  Part makeBack() const {
    const Back& back = carcass_.back;
    const BackReach reach = backReach(carcass_, t_);
    const FrontRect& in = layout_.inner;
    const char* depth = back.school == BackSchool::Groove   ? "groove depth"
                        : back.school == BackSchool::Behind ? "side"
                                                            : "rabbet depth";
    const char* lying = back.school == BackSchool::Behind || back.school == BackSchool::RabbetSides
                            ? "top and bottom"
                            : depth;
    Part part = maker_.board(
        PartRole::Back, back.material,
        backSize("clear height", in.height, lying, reach.bottom, reach.top, reach.clearance),
        backSize("clear width", in.width, depth, reach.left, reach.right, reach.clearance));
    part.grain = maker_.grainOf(back.material, back.grain);
    const Length half = reach.clearance / 2;
    const Length y = back.school == BackSchool::Behind ? layout_.sideDepth : layout_.clearDepth;
    Maker::place(
        part, {{in.x - reach.left + half, y, in.z - reach.bottom + half}, kUp, kRight, kBackwards});
    return part;
  }

 private:
  bool mitred() const { return carcass_.top == TopSchool::Mitred; }
  Part make(PartRole role, Reason length, Reason width) const {
    return maker_.board(role, carcass_.material, std::move(length), std::move(width));
  }

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
    if (carcass_.top == TopSchool::Capping) height.minus("top", t_);
    Part part = make(left ? PartRole::LeftSide : PartRole::RightSide, height,
                     depthReason(layout_.sideDepth, "back"));
    part.hand = left ? Hand::Left : Hand::Right;
    Maker::place(part, {{left ? panel.rect.x + t_ : panel.rect.x, Length{}, panel.rect.z},
                        kUp,
                        kBackwards,
                        left ? kLeft : kRight});
    maker_.show(part, Side::Front, carcass_.banding);
    letBackIn(part);
    if (mitred())
      for (const Edge edge : {Edge::W1, Edge::W2}) {
        part.machining.push_back(bevel(edge, kHalfRight, Face::Outside, "mitre"));
        part.joins.push_back({edge, JoinKind::Mitre, edge == Edge::W1 ? "bottom" : "top"});
      }
    if (carcass_.top == TopSchool::Capping) part.joins.push_back({Edge::W2, JoinKind::Butt, "top"});
    if (carcass_.toe)
      part.machining.push_back(
          notch(part, "toe", Length{}, carcass_.toe->height, Length{}, carcass_.toe->depth));
    if (carcass_.baseboard) {
      const Length up = carcass_.baseboard->height + kMouldingAir - layout_.foot;
      const Length in = carcass_.baseboard->thickness + kMouldingAir;
      if (up > Length{})
        part.machining.push_back(
            notch(part, "baseboard", Length{}, up, layout_.sideDepth - in, layout_.sideDepth));
    }
    return part;
  }

  // A bevelled end stands with its long points outside; the inside face is the one up or inwards.
  Part makeLying(const PanelRect& panel) const {
    const bool shelf = panel.kind == PanelKind::Shelf;
    const bool rail = panel.kind == PanelKind::FrontRail || panel.kind == PanelKind::RearRail;
    const bool top = panel.kind == PanelKind::Top || rail;
    const bool full = panel.rect.width == layout_.outer.width &&
                      (mitred() || (top && carcass_.top == TopSchool::Capping));
    const bool rabbeted = top && carcass_.top == TopSchool::EndRabbets;
    Length enters = full ? Length{} : joint_;
    Reason length = shelfLength(panel.rect.width, carcass_.joint, carcass_.dadoDepth);
    if (full)
      length = Reason("width", carcass_.width)
                   .minus("wall allowance", carcass_.wallLeft + carcass_.wallRight);
    if (rabbeted) {
      length = Reason("clear width", panel.rect.width).plus("rabbet depth", carcass_.topRabbet, 2);
      enters = carcass_.topRabbet;
    }
    const PartRole role = shelf                                ? PartRole::FixedShelf
                          : panel.kind == PanelKind::FrontRail ? PartRole::FrontStretcher
                          : panel.kind == PanelKind::RearRail  ? PartRole::RearStretcher
                          : top                                ? PartRole::Top
                                                               : PartRole::Bottom;
    const Length depth = shelf ? layout_.clearDepth : layout_.lyingDepth;
    // A fixed shelf beside a rail on edge stops before it.
    const Length behind = shelf && carcass_.top == TopSchool::StandingRail &&
                                  panel.rect.top() > layout_.outer.top() - carcass_.stretcher
                              ? t_
                              : Length{};
    Part part = make(role, length,
                     rail ? Reason("stretcher width", carcass_.stretcher)
                          : depthReason(depth, "back")
                                .minus("behind the door", panel.setIn)
                                .minus("rear rail", behind));
    part.opening = panel.path;
    part.keys.front().opening = panel.after;
    const Length y =
        panel.kind == PanelKind::RearRail ? layout_.lyingDepth - carcass_.stretcher : panel.setIn;
    Maker::place(part, {{panel.rect.x - enters, y, top ? panel.rect.z : panel.rect.z + t_},
                        kRight,
                        kBackwards,
                        top ? kUp : kDown});
    if (panel.kind != PanelKind::RearRail) maker_.show(part, Side::Front, carcass_.banding);
    if (!shelf && panel.kind != PanelKind::FrontRail) letBackIn(part);
    if (full && mitred())
      for (const Edge edge : {Edge::W1, Edge::W2}) {
        part.machining.push_back(bevel(edge, kHalfRight, Face::Outside, "mitre"));
        part.joins.push_back(
            {edge, JoinKind::Mitre, edge == Edge::W1 ? "left side" : "right side"});
      }
    return part;
  }

  Part makeStandingRail(const PanelRect& panel) const {
    Part part = make(PartRole::RearStretcher,
                     shelfLength(panel.rect.width, carcass_.joint, carcass_.dadoDepth),
                     Reason("stretcher width", carcass_.stretcher));
    Maker::place(
        part, {{panel.rect.x - joint_, layout_.clearDepth, panel.rect.z}, kRight, kUp, kForwards});
    return part;
  }

  Part makeDivider(const PanelRect& panel) const {
    Part part = make(PartRole::Divider,
                     dividerLength(panel.rect.height, carcass_.joint, carcass_.dadoDepth),
                     depthReason(layout_.clearDepth, "back").minus("behind the door", panel.setIn));
    part.opening = panel.path;
    part.keys.front().opening = panel.after;
    Maker::place(part,
                 {{panel.rect.x, panel.setIn, panel.rect.z - joint_}, kUp, kBackwards, kRight});
    maker_.show(part, Side::Front, carcass_.banding);
    if (carcass_.top == TopSchool::StandingRail && panel.rect.top() == layout_.clear.top())
      part.machining.push_back(
          notch(part, "rear stretcher", part.length.total() - joint_ - carcass_.stretcher + t_,
                part.length.total(), part.width.total() - t_, part.width.total()));
    return part;
  }

  Part makeLining(const PanelRect& panel) const {
    const bool left = panel.kind == PanelKind::LeftLining;
    Part part =
        make(left ? PartRole::LeftLining : PartRole::RightLining,
             Reason("clear height", panel.rect.height),
             depthReason(layout_.clearDepth, "back").minus("behind the fronts", panel.setIn));
    part.hand = left ? Hand::Left : Hand::Right;
    Maker::place(part, {{left ? panel.rect.x + t_ : panel.rect.x, panel.setIn, panel.rect.z},
                        kUp,
                        kBackwards,
                        left ? kLeft : kRight});
    maker_.show(part, Side::Front, carcass_.banding);
    if (carcass_.top == TopSchool::StandingRail)
      part.machining.push_back(
          notch(part, "rear stretcher", part.length.total() - carcass_.stretcher + t_,
                part.length.total(), part.width.total() - t_, part.width.total()));
    return part;
  }

  Part makeKick(const PanelRect& panel) const {
    Part part = make(PartRole::KickBoard,
                     insideWidth(carcass_.width, t_)
                         .minus("wall allowance", carcass_.wallLeft + carcass_.wallRight),
                     Reason("toe height", carcass_.toe->height));
    part.show = Face::Outside;
    part.joins = {{Edge::W1, JoinKind::Butt, "left side"},
                  {Edge::W2, JoinKind::Butt, "right side"}};
    Maker::place(part,
                 {{panel.rect.x, carcass_.toe->depth + t_, panel.rect.z}, kRight, kUp, kForwards});
    return part;
  }

  // The rabbet or groove that takes the back, along an outside panel.
  void letBackIn(Part& part) const {
    const bool side = part.hand != Hand::None;
    const BackSchool school = carcass_.back.school;
    if (school == BackSchool::RabbetAll || school == BackSchool::Groove ||
        (school == BackSchool::RabbetSides && side)) {
      // In the part's own frame: a rear stretcher does not begin at the front.
      const Length begins = layout_.clearDepth - part.poses.front().origin[1];
      Machining cut =
          grooveAlong(part, "back", begins, layout_.backThickness, carcass_.back.rabbetDepth);
      // A capping top covers the sides' ends, so its cut stops where theirs are.
      if (part.role == PartRole::Top && carcass_.top == TopSchool::Capping) {
        cut.u0 = t_ - carcass_.back.rabbetDepth;
        cut.u1 = part.length.total() - cut.u0;
        cut.through = false;
      }
      part.machining.push_back(cut);
    }
  }

  const Maker& maker_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
  Length t_;
  Length joint_;  // how far panels enter one another
};

}  // namespace

std::vector<Part> panelParts(const Maker& maker, const Carcass& carcass,
                             const CarcassLayout& layout) {
  const PanelMaker panels(maker, carcass, layout);
  std::vector<Part> out;
  for (const PanelRect& panel : layout.panels) out.push_back(panels.makePanel(panel));
  return out;
}

Part backPart(const Maker& maker, const Carcass& carcass, const CarcassLayout& layout) {
  return PanelMaker(maker, carcass, layout).makeBack();
}

Result<std::vector<Part>> carcassParts(const Maker& maker, const Carcass& carcass,
                                       const CarcassLayout& layout) {
  std::vector<Part> out = panelParts(maker, carcass, layout);
  joinPanels(carcass, layout, out);
  auto shelves = shelfParts(maker, carcass, layout, out);
  if (!shelves) return shelves.problems();
  if (const Problems meeting = meetingDados(maker, out); !meeting.empty()) return meeting;
  out.insert(out.end(), shelves->begin(), shelves->end());
  if (carcass.back.school != BackSchool::None) out.push_back(backPart(maker, carcass, layout));
  return out;
}

}  // namespace pp
