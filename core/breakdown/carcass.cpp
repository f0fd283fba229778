#include "core/breakdown/carcass.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/breakdown/frame.h"

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

namespace {

constexpr Angle kHalfRight = Angle::degrees(45);

class Builder {
 public:
  Builder(const Maker& maker, const Carcass& carcass, const CarcassLayout& layout)
      : maker_(maker),
        carcass_(carcass),
        layout_(layout),
        t_(layout.thickness),
        joint_(carcass.joint == Joint::Dado ? carcass.dadoDepth : Length{}) {}

  Result<std::vector<Part>> run() {
    for (const PanelRect& panel : layout_.panels) panels_.push_back(makePanel(panel));
    for (std::size_t i = 0; i < panels_.size(); ++i) join(i);
    for (const OpeningRect& leaf : layout_.leaves) fill(leaf);
    if (!problems_.empty()) return problems_;
    if (const Problems meeting = meetingDados(); !meeting.empty()) return meeting;
    std::vector<Part> out = std::move(panels_);
    out.insert(out.end(), shelves_.begin(), shelves_.end());
    if (carcass_.back.school != BackSchool::None) out.push_back(makeBack());
    return out;
  }

 private:
  bool mitred() const { return carcass_.top == TopSchool::Mitred; }
  Part make(PartRole role, Reason length, Reason width) const {
    return maker_.board(role, carcass_.material, std::move(length), std::move(width));
  }

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

  // The panel that ends where (x, z) begins on its low or high side.
  struct Meets {
    std::size_t panel;
    Face face;
  };

  static bool isSide(PanelKind kind) {
    return kind == PanelKind::LeftSide || kind == PanelKind::RightSide ||
           kind == PanelKind::LeftLining || kind == PanelKind::RightLining;
  }

  // The upright panel whose face lies at x and that is there at height z. `onLeft`: the panel is to
  // the left of x.
  std::optional<Meets> upright(Length x, Length z, bool onLeft) const {
    for (std::size_t i = 0; i < panels_.size(); ++i) {
      const PanelRect& panel = layout_.panels[i];
      if (!isSide(panel.kind) && panel.kind != PanelKind::Divider) continue;
      const FrontRect& r = panel.rect;
      if (z < r.z || z >= r.top() || (onLeft ? r.right() : r.x) != x) continue;
      return Meets{i, isSide(panel.kind) || !onLeft ? Face::Inside : Face::Outside};
    }
    return std::nullopt;
  }

  // The lying panels whose face lies at z and that are there at x. `below`: they are under z.
  std::vector<Meets> lying(Length x, Length z, bool below) const {
    std::vector<Meets> out;
    for (std::size_t i = 0; i < panels_.size(); ++i) {
      const PanelRect& panel = layout_.panels[i];
      const bool shelf = panel.kind == PanelKind::Shelf;
      if (!shelf && panel.kind != PanelKind::Bottom && panel.kind != PanelKind::Top &&
          panel.kind != PanelKind::FrontRail && panel.kind != PanelKind::RearRail)
        continue;
      const FrontRect& r = panel.rect;
      if (x < r.x || x >= r.right() || (below ? r.top() : r.z) != z) continue;
      out.push_back({i, !shelf || below ? Face::Inside : Face::Outside});
    }
    return out;
  }

  void join(std::size_t i) {
    const PanelRect& panel = layout_.panels[i];
    const FrontRect& r = panel.rect;
    switch (panel.kind) {
      case PanelKind::Divider:
        for (const Meets& meets : lying(r.x, r.z, true)) meet(i, meets, r.x, Edge::W1);
        for (const Meets& meets : lying(r.x, r.top(), false)) meet(i, meets, r.x, Edge::W2);
        break;
      case PanelKind::Bottom:
      case PanelKind::Top:
      case PanelKind::FrontRail:
      case PanelKind::RearRail:
      case PanelKind::Shelf:
        if (const auto meets = upright(r.x, r.z, true)) meet(i, *meets, r.z, Edge::W1);
        if (const auto meets = upright(r.right(), r.z, false)) meet(i, *meets, r.z, Edge::W2);
        break;
      default:
        break;
    }
  }

  // Panel `i` ends with its edge `end` against another, from `at` (x or z) on.
  void meet(std::size_t i, const Meets& meets, Length at, Edge end) {
    const PanelRect& panel = layout_.panels[i];
    Part& mine = panels_[i];
    Part& other = panels_[meets.panel];
    const Pose& pose = other.poses.front();
    const Length u0 = at - pose.origin[static_cast<std::size_t>(pose.u.axis)];
    const bool top = panel.kind == PanelKind::Top || panel.kind == PanelKind::FrontRail ||
                     panel.kind == PanelKind::RearRail;
    const bool rabbeted = panel.kind == PanelKind::Top && carcass_.top == TopSchool::EndRabbets;
    mine.joins.push_back({end, rabbeted ? JoinKind::Rabbet : joinKind(carcass_.joint), other.name});
    if (rabbeted) {
      other.machining.push_back(
          dadoAcross(other, mine.name, u0, t_, carcass_.topRabbet, meets.face));
      return;
    }
    switch (carcass_.joint) {
      case Joint::Dado: {
        const bool standing =
            panel.kind == PanelKind::RearRail && carcass_.top == TopSchool::StandingRail;
        Machining cut = dadoAcross(other, mine.name, u0, standing ? carcass_.stretcher : t_,
                                   carcass_.dadoDepth, meets.face);
        // A stretcher's dado is no longer than the stretcher is wide.
        if (top && panel.kind != PanelKind::Top) {
          const Pose& lies = mine.poses.front();
          const Length from = standing ? layout_.clearDepth - t_ : lies.origin[1];
          cut.v0 = from - pose.origin[1];
          cut.v1 = cut.v0 + (standing ? t_ : carcass_.stretcher);
          cut.through = false;
        }
        // What stands behind a door has a dado that stops there.
        if (panel.setIn > Length{}) {
          cut.v0 = std::max(Length{}, panel.setIn - pose.origin[1]);
          cut.through = cut.v0 == Length{};
        }
        other.machining.push_back(cut);
        break;
      }
      case Joint::Pocket:
        // From the face that is hidden: under a bottom, above a top.
        mine.machining.push_back(rowAtEnd(mine, Cut::Pockets, other.name, end, Length::mm(20),
                                          Length::um(9'500), t_ / 2, Face::Outside));
        break;
      case Joint::LooseTenon:
      case Joint::Dowel: {
        const bool dowel = carcass_.joint == Joint::Dowel;
        const Length width = dowel ? Length::mm(8) : Length::mm(20);
        mine.machining.push_back(rowAtEnd(mine, Cut::Mortises, other.name, end, Length{}, width,
                                          Length::mm(20), Face::Inside));
        Machining row = mine.machining.back();
        row.receives = mine.name;
        row.face = meets.face;
        row.from = Edge::W1;
        row.u0 = row.u1 = row.distance = u0 + t_ / 2;
        const Length shift = mine.poses.front().origin[1] - pose.origin[1];
        row.v0 += shift;
        row.v1 += shift;
        // On a rail, which is narrower than what ends there, two are enough.
        if (row.v0 < Length{} || row.v1 > other.width.total()) {
          row.v0 = other.width.total() / 4;
          row.v1 = other.width.total() - row.v0;
          row.holes = 2;
          row.pitch = row.v1 - row.v0;
        }
        row.depth = Length::mm(10);
        other.machining.push_back(row);
        break;
      }
      case Joint::Butt:
      case Joint::Brads:
        break;
    }
  }

  void fill(const OpeningRect& leaf) {
    const OpeningContent& content = find(carcass_.inside, leaf.path)->content;
    if (const auto* pins = std::get_if<AdjustableShelves>(&content))
      shelves(leaf, pins->count, true);
    if (const auto* loose = std::get_if<LooseShelves>(&content)) shelves(leaf, loose->count, false);
    const bool drawers = std::holds_alternative<DrawerBank>(content);
    if (carcass_.back.school == BackSchool::Between && !drawers) strips(leaf);
    if (carcass_.back.school == BackSchool::None) rails(leaf);
  }

  // A rail on edge stands before the back at the top of the opening.
  bool standsBehind(const OpeningRect& leaf) const {
    return leaf.rect.top() == layout_.clear.top() &&
           (carcass_.top == TopSchool::StandingRail || carcass_.back.school == BackSchool::None);
  }

  void shelves(const OpeningRect& leaf, int count, bool pinned) {
    const ShelfRules& rules = carcass_.shelves;
    const Length front = rules.setBack + leaf.setIn;
    const Length behind = standsBehind(leaf) ? t_ : Length{};
    Part part = make(pinned ? PartRole::AdjustableShelf : PartRole::LooseShelf,
                     adjustableShelfLength(leaf.rect.width, rules),
                     adjustableShelfDepth(layout_.clearDepth, rules)
                         .minus("behind the door", leaf.setIn)
                         .minus("rear rail", behind));
    // Between two shelves there must be room for what hangs under one.
    constexpr Length kStrip = Length::mm(20);
    const Length air = leaf.rect.height - count * t_;
    const Length under = (pinned ? rules.lip : kStrip) +
                         (carcass_.back.school == BackSchool::Between ? kStrip : Length{});
    // A strip on either side carries a loose one.
    const bool tooNarrow = !pinned && leaf.rect.width <= 2 * t_;
    if (air <= (count + 1) * under || tooNarrow || part.length.total() <= Length{} ||
        part.width.total() <= Length{}) {
      problems_.push_back(
          cannot(pinned ? "adjustable shelves" : "loose shelves",
                 fmt::format("{} in an opening {} high and {} wide", count,
                             maker_.shown(leaf.rect.height), maker_.shown(leaf.rect.width)),
                 "fewer shelves or a larger opening"));
      return;
    }
    part.opening = leaf.path;
    part.keys.front().opening = leaf.id;
    part.quantity = count;
    const Length space = air / (count + 1);
    Part strip = make(PartRole::ShelfSupport,
                      Reason("inside depth", layout_.clearDepth)
                          .minus("clearance", rules.clearance)
                          .minus("set-back", rules.setBack)
                          .minus("behind the door", leaf.setIn)
                          .minus("rear rail", behind),
                      Reason("strip", kStrip));
    Part lip = make(PartRole::ShelfLip, part.length, Reason("lip height", rules.lip));
    strip.quantity = 2 * count;
    lip.quantity = count;
    strip.opening = lip.opening = leaf.path;
    strip.keys.front().opening = lip.keys.front().opening = leaf.id;
    for (int i = 0; i < count; ++i) {
      const Length z = leaf.rect.z + (i + 1) * space + i * t_;  // underside
      Maker::place(part,
                   {{leaf.rect.x + rules.clearance / 2, front, z + t_}, kRight, kBackwards, kDown});
      for (const bool left : {true, false})
        Maker::place(strip, {{left ? leaf.rect.x + t_ : leaf.rect.right() - t_, front,
                              z - strip.width.total()},
                             kBackwards,
                             kUp,
                             left ? kLeft : kRight});
      Maker::place(
          lip,
          {{leaf.rect.x + rules.clearance / 2, front + t_, z - rules.lip}, kRight, kUp, kForwards});
    }
    maker_.show(part, Side::Front, carcass_.banding);
    shelves_.push_back(part);
    if (rules.lip > Length{} && pinned) {
      maker_.show(lip, Side::Bottom, carcass_.banding);
      shelves_.push_back(lip);
    }
    if (!pinned) {
      shelves_.push_back(strip);
      return;
    }
    pins(leaf, upright(leaf.rect.x, leaf.rect.z, true));
    pins(leaf, upright(leaf.rect.right(), leaf.rect.z, false));
  }

  void pins(const OpeningRect& leaf, const std::optional<Meets>& meets) {
    const ShelfRules& rules = carcass_.shelves;
    const PinRow row = pinRow(leaf.rect.height, rules.pinPitch);
    if (!meets || row.holes == 0) return;
    Part& part = panels_[meets->panel];
    Machining holes;
    holes.cut = Cut::PinHoles;
    holes.face = meets->face;
    holes.receives = "adjustable shelf";
    holes.u0 = leaf.rect.z + row.first - part.poses.front().origin[2];
    holes.u1 = holes.u0 + (row.holes - 1) * rules.pinPitch;
    holes.depth = rules.pinDepth;
    holes.from = Edge::L1;
    holes.width = rules.pinDiameter;
    holes.holes = row.holes;
    holes.pitch = rules.pinPitch;
    holes.through = false;
    for (const Length v : {leaf.setIn + rules.pinSetBack, layout_.clearDepth - rules.pinSetBack}) {
      holes.v0 = holes.v1 = holes.distance = v - part.poses.front().origin[1];
      part.machining.push_back(holes);
    }
  }

  // Nailing strips for a back between: above and below in every opening.
  void strips(const OpeningRect& leaf) {
    constexpr Length kStrip = Length::mm(20);
    if (leaf.rect.height < 3 * kStrip) return;
    const bool rail =
        carcass_.top == TopSchool::StandingRail && leaf.rect.top() == layout_.clear.top();
    Part part = make(PartRole::NailingStrip, Reason("clear width", leaf.rect.width),
                     Reason("strip", kStrip));
    part.opening = leaf.path;
    part.keys.front().opening = leaf.id;
    part.quantity = rail ? 1 : 2;
    for (const Length z : {leaf.rect.z, leaf.rect.top() - kStrip})
      if (z == leaf.rect.z || !rail)
        Maker::place(part, {{leaf.rect.x, layout_.clearDepth, z}, kRight, kUp, kForwards});
    shelves_.push_back(part);
  }

  // Rails that keep a case without a back square.
  void rails(const OpeningRect& leaf) {
    const Length height = carcass_.stretcher;
    if (leaf.rect.top() != layout_.clear.top() || leaf.rect.height < 2 * height ||
        carcass_.top == TopSchool::StandingRail)
      return;
    Part part = make(PartRole::RearRail, Reason("clear width", leaf.rect.width),
                     Reason("stretcher width", height));
    part.opening = leaf.path;
    part.keys.front().opening = leaf.id;
    Maker::place(
        part,
        {{leaf.rect.x, layout_.clearDepth, leaf.rect.top() - height}, kRight, kUp, kForwards});
    shelves_.push_back(part);
  }

  // A panel cut through because dados lie opposite one another in its two faces.
  Problems meetingDados() const {
    for (const Part& part : panels_)
      for (const Machining& a : part.machining)
        for (const Machining& b : part.machining)
          if (a.face == Face::Inside && b.face == Face::Outside && !isRow(a.cut) && !isRow(b.cut) &&
              a.cut != Cut::Bevel && b.cut != Cut::Bevel && a.u0 < b.u1 && b.u0 < a.u1 &&
              a.v0 < b.v1 && b.v0 < a.v1 && a.depth + b.depth >= part.thickness)
            return {
                cannot("dado depth", maker_.shown(a.depth),
                       fmt::format("less than {}, because dados lie opposite one another in the {}",
                                   maker_.shown(part.thickness / 2), part.name))};
    return {};
  }

  const Maker& maker_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
  Length t_;
  Length joint_;               // how far panels enter one another
  std::vector<Part> panels_;   // same order as layout_.panels
  std::vector<Part> shelves_;  // and strips
  Problems problems_;
};

}  // namespace

Result<std::vector<Part>> carcassParts(const Maker& maker, const Carcass& carcass,
                                       const CarcassLayout& layout) {
  return Builder(maker, carcass, layout).run();
}

}  // namespace pp
