#include "core/kinds/carcass/frame.h"

#include <algorithm>

#include "core/kinds/common/end_joint.h"

namespace pp {
namespace {

PartRole roleOf(MemberKind kind) {
  switch (kind) {
    case MemberKind::LeftStile:
      return PartRole::FrameLeftStile;
    case MemberKind::RightStile:
      return PartRole::FrameRightStile;
    case MemberKind::MiddleStile:
      return PartRole::FrameMiddleStile;
    case MemberKind::UpperRail:
      return PartRole::FrameUpperRail;
    case MemberKind::LowerRail:
      return PartRole::FrameLowerRail;
    case MemberKind::CentreStile:
      return PartRole::FrameCentreStile;
    case MemberKind::DrawerRail:
      return PartRole::FrameDrawerRail;
    case MemberKind::MiddleRail:
      break;
  }
  return PartRole::FrameMiddleRail;
}

// Over one side: an end panel stands flush with the frame, which stops at it.
Length overhang(const std::string& end, Length wall, Length typed) {
  if (!end.empty()) return {};
  return wall > Length{} ? wall : typed;
}

}  // namespace

FrontRect frameOutline(const FrontRect& outer, Length foot, const Carcass& carcass,
                       const FaceFrame& frame) {
  const Length left = overhang(carcass.endLeft, carcass.wallLeft, frame.overhangLeft);
  const Length right = overhang(carcass.endRight, carcass.wallRight, frame.overhangRight);
  return {outer.x - left, foot, outer.width + left + right, outer.top() - foot};
}

Reason frameWidth(const FrontRect& outer, const Carcass& carcass, const FaceFrame& frame) {
  const auto side = [](Reason& out, const std::string& end, Length wall, Length over,
                       const char* name) {
    out.plus(end.empty() && wall > Length{} ? "wall allowance" : name, overhang(end, wall, over));
  };
  Reason out("carcass width", outer.width);
  side(out, carcass.endLeft, carcass.wallLeft, frame.overhangLeft, "left overhang");
  side(out, carcass.endRight, carcass.wallRight, frame.overhangRight, "right overhang");
  return out;
}

namespace {

void screwTo(const PartBuilder& builder, Part& part, Edge edge, const char* what) {
  part.joins.push_back({edge, JoinKind::Pocket, what});
  part.machining.push_back(
      pocketsAt(builder.drawn().unit, part, what, edge, wholeEnd(part), Face::Inside));
}

}  // namespace

void screwToRails(const PartBuilder& builder, const FrameMember& member,
                  const std::vector<FrameMember>& members, Part& part) {
  if (!member.upright() || member.outer()) return;
  const FrontRect& r = member.rect;
  for (const bool below : {true, false})
    if (std::any_of(members.begin(), members.end(), [&](const FrameMember& one) {
          return !one.upright() && (below ? one.rect.top() == r.z : one.rect.z == r.top()) &&
                 one.rect.x < r.right() && one.rect.right() > r.x;
        }))
      screwTo(builder, part, below ? Edge::W1 : Edge::W2, "rail");
}

Part memberPart(const PartBuilder& builder, const FaceFrame& frame, const FrameMember& member,
                Length frameFront) {
  const FrontRect& r = member.rect;
  const bool upright = member.upright();
  const Length length = upright ? r.height : r.width;
  const Length width = upright ? r.width : r.height;
  Part part = builder.board(roleOf(member.kind), frame.material,
                            Reason(upright ? "frame's opening height" : "between stiles", length),
                            Reason("member width", width));
  part.keys.front().opening = member.opening;
  if (member.outer()) part.length = Reason("frame height", length);
  part.show = Face::Outside;
  part.finish = frame.finish.value_or(builder.assembly().finish);
  const Length back = frameFront + part.thickness;
  // Inside is the face to the carcass.
  PartBuilder::place(part,
                     {{r.x, back, r.z}, upright ? kUp : kRight, upright ? kRight : kUp, kForwards});
  // Whatever ends against another is screwed to it, however the frame is fixed to the case.
  if (!upright)
    for (const Edge edge : {Edge::W1, Edge::W2}) screwTo(builder, part, edge, "stile");
  return part;
}

void letIn(Part& part, const FrameMember& member, const FaceFrame& frame,
           const CarcassLayout& layout, Length shift) {
  if (frame.fixing != FrameFixing::Tongue) return;
  const FrontRect& m = member.rect;
  for (const PanelRect& panel : layout.panels) {
    if (panel.kind == PanelKind::Kick || panel.kind == PanelKind::RearRail) continue;
    const FrontRect& p = panel.rect;
    const Length x0 = std::max(m.x, p.x + shift);
    const Length x1 = std::min(m.right(), p.right() + shift);
    const Length z0 = std::max(m.z, p.z);
    const Length z1 = std::min(m.top(), p.top());
    if (x0 >= x1 || z0 >= z1) continue;
    Machining cut;
    cut.receives = "panel's front edge";
    cut.depth = frame.tongue;
    const bool upright = member.upright();
    cut.u0 = upright ? z0 - m.z : x0 - m.x;
    cut.u1 = upright ? z1 - m.z : x1 - m.x;
    cut.v0 = upright ? x0 - m.x : z0 - m.z;
    cut.v1 = upright ? x1 - m.x : z1 - m.z;
    const bool along = cut.u1 - cut.u0 >= cut.v1 - cut.v0;
    cut.cut = along ? MachiningKind::Groove : MachiningKind::Dado;
    cut.from = along ? Edge::L1 : Edge::W1;
    cut.distance = along ? cut.v0 : cut.u0;
    cut.width = along ? cut.v1 - cut.v0 : cut.u1 - cut.u0;
    cut.through = along ? cut.u0 == Length{} && cut.u1 == part.length.total()
                        : cut.v0 == Length{} && cut.v1 == part.width.total();
    part.machining.push_back(std::move(cut));
  }
}

std::vector<Part> frameParts(const PartBuilder& builder, const Carcass& carcass,
                             const CarcassLayout& layout) {
  const FaceFrame& frame = *layout.frame;
  const FrontRect outline =
      frameOutline(layout.outer, layout.outer.z + carcass.underFrame(), carcass, frame);
  std::vector<FrameMember> members = {
      {MemberKind::LeftStile, {outline.x, outline.z, frame.stile, outline.height}},
      {MemberKind::RightStile,
       {outline.right() - frame.stile, outline.z, frame.stile, outline.height}}};
  members.insert(members.end(), layout.members.begin(), layout.members.end());
  std::vector<Part> out;
  for (const FrameMember& member : members) {
    Part part = memberPart(builder, frame, member, layout.frameFront);
    if (member.kind == MemberKind::UpperRail || member.kind == MemberKind::LowerRail)
      part.length = frameWidth(layout.outer, carcass, frame).minus("stile", frame.stile, 2);
    letIn(part, member, frame, layout, Length{});
    screwToRails(builder, member, layout.members, part);
    out.push_back(std::move(part));
  }
  return out;
}

}  // namespace pp
