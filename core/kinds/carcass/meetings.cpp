#include "core/kinds/carcass/meetings.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/kinds/carcass/frame.h"
#include "core/kinds/common/end_joint.h"

namespace pp {
namespace {

bool isSide(PanelKind kind) {
  return kind == PanelKind::LeftSide || kind == PanelKind::RightSide ||
         kind == PanelKind::LeftLining || kind == PanelKind::RightLining;
}

class Joiner {
 public:
  Joiner(Unit unit, const Carcass& carcass, const CarcassLayout& layout, std::vector<Part>& panels)
      : unit_(unit), carcass_(carcass), layout_(layout), panels_(panels) {}

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
        if (const auto meets = upright(layout_, r.x, r.z, true)) meet(i, *meets, r.z, Edge::W1);
        if (const auto meets = upright(layout_, r.right(), r.z, false))
          meet(i, *meets, r.z, Edge::W2);
        break;
      default:
        break;
    }
  }

 private:
  // The lying panels whose face lies at z and that are there at x. `below`: they are under z.
  std::vector<Meets> lying(Length x, Length z, bool below) const {
    std::vector<Meets> out;
    for (std::size_t i = 0; i < layout_.panels.size(); ++i) {
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

  // Panel `i` ends with its edge `end` against another, from `at` (x or z) on.
  void meet(std::size_t i, const Meets& meets, Length at, Edge end) {
    const PanelRect& panel = layout_.panels[i];
    Part& mine = panels_[i];
    Part& other = panels_[meets.panel];
    const Pose& pose = other.poses.front();
    const Length u0 = at - pose.origin[static_cast<std::size_t>(pose.u.axis)];
    const bool top = panel.kind == PanelKind::Top || panel.kind == PanelKind::FrontRail ||
                     panel.kind == PanelKind::RearRail;
    const bool rabbeted =
        panel.kind == PanelKind::Top && carcass_.top == TopConstruction::EndRabbets;
    const Joint joint = end == Edge::W1 ? panel.low : panel.high;
    const Length t = panel.thickness;
    mine.joins.push_back({end, rabbeted ? JoinKind::Rabbet : joinKind(joint), other.name});
    if (rabbeted) {
      other.machining.push_back(
          dadoAcross(other, mine.name, u0, t, carcass_.topRabbet, meets.face));
      return;
    }
    const EndSpan met = metBy(mine, other);
    switch (joint) {
      case Joint::Dado: {
        const bool standing =
            panel.kind == PanelKind::RearRail && carcass_.top == TopConstruction::StandingRail;
        Machining cut = dadoAcross(other, mine.name, u0, standing ? carcass_.stretcher : t,
                                   carcass_.dadoDepth, meets.face);
        // A stretcher's dado is no longer than the stretcher is wide.
        if (top && panel.kind != PanelKind::Top) {
          const Pose& lies = mine.poses.front();
          const Length from = standing ? layout_.clearDepth - t : lies.origin[1];
          cut.v0 = from - pose.origin[1];
          cut.v1 = cut.v0 + (standing ? t : carcass_.stretcher);
          cut.through = false;
        } else {
          stopWhereItEnds(panel, mine, other, cut);
        }
        other.machining.push_back(cut);
        break;
      }
      case Joint::Pocket:
        // From the face that is hidden: under a bottom, above a top.
        mine.machining.push_back(pocketsAt(unit_, mine, other.name, end, met, Face::Outside));
        break;
      case Joint::LooseTenon:
      case Joint::Dowel: {
        mine.machining.push_back(
            mortisesAt(unit_, mine, other.name, end, met, joint == Joint::Dowel));
        Machining row = mine.machining.back();
        row.receives = mine.name;
        row.face = meets.face;
        row.from = Edge::W1;
        row.u0 = row.u1 = row.distance = u0 + t / 2;
        const Length shift = mine.poses.front().origin[1] - pose.origin[1];
        row.v0 += shift;
        row.v1 += shift;
        row.depth = mortiseInFace(unit_);
        other.machining.push_back(row);
        break;
      }
      case Joint::Butt:
      case Joint::Brads:
        break;
    }
  }

  // What of an end of the one meets the other: under a stretcher no more than that is wide.
  static EndSpan metBy(const Part& mine, const Part& other) {
    const Pose& pose = mine.poses.front();
    const auto axis = static_cast<std::size_t>(pose.v.axis);
    const Box one = pose.place(mine.board()), two = other.poses.front().place(other.board());
    const Length low = std::max(one.low[axis], two.low[axis]);
    const Length high = std::min(one.high[axis], two.high[axis]);
    if (low >= high) return wholeEnd(mine);
    const Length p = pose.v.sign * (low - pose.origin[axis]);
    const Length q = pose.v.sign * (high - pose.origin[axis]);
    return {std::min(p, q), std::max(p, q)};
  }

  // A dado stops where what stands behind a door, or is set back, begins or ends.
  void stopWhereItEnds(const PanelRect& panel, const Part& mine, const Part& other,
                       Machining& cut) const {
    const Length front = mine.poses.front().origin[1] - other.poses.front().origin[1];
    const Length rear = front + mine.width.total();
    const bool inner = panel.kind == PanelKind::Divider || panel.kind == PanelKind::Shelf;
    const Length ruled = inner ? layout_.clearDepth : layout_.lyingDepth;
    if (front > Length{}) cut.v0 = front;
    if (mine.poses.front().origin[1] + mine.width.total() < ruled && rear < cut.v1) cut.v1 = rear;
    cut.through = cut.v0 == Length{} && cut.v1 == other.width.total();
  }

  Unit unit_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
  std::vector<Part>& panels_;
};

}  // namespace

std::optional<Meets> upright(const CarcassLayout& layout, Length x, Length z, bool onLeft) {
  for (std::size_t i = 0; i < layout.panels.size(); ++i) {
    const PanelRect& panel = layout.panels[i];
    if (!isSide(panel.kind) && panel.kind != PanelKind::Divider) continue;
    const FrontRect& r = panel.rect;
    if (z < r.z || z >= r.top() || (onLeft ? r.right() : r.x) != x) continue;
    return Meets{i, isSide(panel.kind) || !onLeft ? Face::Inside : Face::Outside};
  }
  return std::nullopt;
}

void joinPanels(Unit unit, const Carcass& carcass, const CarcassLayout& layout,
                std::vector<Part>& panels) {
  Joiner joiner(unit, carcass, layout, panels);
  for (std::size_t i = 0; i < panels.size(); ++i) joiner.join(i);
}

void clearMoulding(const Carcass& carcass, const CarcassLayout& layout, Part& part) {
  const Pose& pose = part.poses.front();
  const Length up = carcass.baseboard->height + kMouldingAir - pose.origin[2];
  const Length v0 = layout.rear - carcass.baseboard->thickness - kMouldingAir - pose.origin[1];
  if (up > Length{} && v0 < part.width.total())
    part.machining.push_back(notch(part, "baseboard", Length{}, up, v0, part.width.total()));
}

Problems dadoProblems(const PartBuilder& builder, const std::vector<Part>& panels) {
  for (const Part& part : panels)
    for (const Machining& cut : part.machining)
      if ((cut.cut == MachiningKind::Dado || cut.cut == MachiningKind::Rabbet ||
           cut.cut == MachiningKind::Groove) &&
          cut.depth >= part.thickness)
        return {cannot("dado depth", builder.shown(cut.depth),
                       fmt::format("less than the thickness of {} of the {}",
                                   builder.shown(part.thickness), part.name))};
  for (const Part& part : panels)
    for (const Machining& a : part.machining)
      for (const Machining& b : part.machining)
        if (a.face == Face::Inside && b.face == Face::Outside && !isRow(a.cut) && !isRow(b.cut) &&
            a.cut != MachiningKind::Bevel && b.cut != MachiningKind::Bevel && a.u0 < b.u1 &&
            b.u0 < a.u1 && a.v0 < b.v1 && b.v0 < a.v1 && a.depth + b.depth >= part.thickness)
          return {
              cannot("dado depth", builder.shown(a.depth),
                     fmt::format("less than {}, because dados lie opposite one another in the {}",
                                 builder.shown(part.thickness / 2), part.name))};
  return {};
}

}  // namespace pp
