#include "core/kinds/group/rules.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>
#include <utility>

#include "core/fields/archive.h"
#include "core/job/ids.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/rules.h"
#include "core/kinds/carcass/stand.h"
#include "core/kinds/common/count.h"
#include "core/kinds/common/plain.h"
#include "core/kinds/group/lines.h"
#include "core/kinds/top/rules.h"
#include "core/parts/trig.h"

namespace pp {

namespace {

// A line across a floor plan.
struct Across {
  Point from, to;
};

// Takes off a board that lies flat what is beyond the line on the side `far` of it: -1 of less x,
// 1 of more. Whether anything is left of it.
bool cutAcross(Part& part, const Across& line, int far) {
  struct Flat {
    Length u, v;
  };
  const Pose& pose = part.poses.front();
  const auto in = [&pose](const Point& p) {
    const auto along = [&](Direction d) {
      const auto axis = static_cast<std::size_t>(d.axis);
      return d.sign * (p[axis] - pose.origin[axis]);
    };
    return Flat{along(pose.u), along(pose.v)};
  };
  const Flat a = in(line.from);
  const Flat b = in(line.to);
  const Length length = part.length.total();
  const Length width = part.width.total();
  // Where the line is at that v, or at that u; it runs along neither.
  const auto uAt = [=](Length v) { return a.u + scaled(b.u - a.u, v - a.v, b.v - a.v); };
  const auto vAt = [=](Length u) { return a.v + scaled(b.v - a.v, u - a.u, b.u - a.u); };
  // Which way x grows in the board.
  const bool alongX = pose.u.axis == Axis::X;
  const int sign = alongX ? pose.u.sign : pose.v.sign;
  const bool more = sign * far > 0;  // what goes is further along u (or v)
  const Length low = alongX ? uAt(Length{}) : vAt(Length{});
  const Length high = alongX ? uAt(width) : vAt(length);
  const Length whole = alongX ? length : width;
  const Length nearest = std::min(low, high);
  const Length farthest = std::max(low, high);
  if (more ? nearest >= whole : farthest <= Length{}) return true;
  if (more ? farthest <= Length{} : nearest >= whole) return false;
  Machining taper;
  taper.cut = MachiningKind::Taper;
  taper.receives = "mitre in the corner";
  if (alongX) {
    taper.from = more ? Edge::W2 : Edge::W1;
    taper.u0 = low;
    taper.u1 = high;
    taper.v1 = width;
  } else {
    taper.from = more ? Edge::L2 : Edge::L1;
    taper.v0 = low;
    taper.v1 = high;
    taper.u1 = length;
  }
  taper.angle = slopeOf(farthest - nearest, alongX ? width : length);
  part.machining.push_back(std::move(taper));
  return true;
}

class GroupMaker {
 public:
  GroupMaker(const PartBuilder& builder, const CarcassGroup& group)
      : builder_(builder), group_(group) {}

  Result<std::vector<Part>> run() {
    auto lines = groupLines(builder_.job(), group_);
    if (!lines) return lines.problems();
    lines_ = std::move(lines).value();
    if (const Problems problems = level(); !problems.empty()) return problems;
    if (const Problems problems = hidden(); !problems.empty()) return problems;
    std::vector<Part> out;
    for (const GroupLine* line : lines_.all()) {
      std::vector<Part> own;
      if (group_.stand)
        if (const Problems problems = add(own, stand(*line)); !problems.empty()) return problems;
      if (group_.frame) frame(*line, own);
      for (const GroupBridge& one : group_.bridges)
        if (const Problems problems = bridge(*line, one, own); !problems.empty()) return problems;
      if (group_.top)
        if (const Problems problems = add(own, top(*line)); !problems.empty()) return problems;
      PartBuilder::stand(own, line->standing);
      out.insert(out.end(), own.begin(), own.end());
    }
    if (!group_.fillerMaterial.empty()) fillers(out);
    return out;
  }

 private:
  const GroupLeg& legOf(bool isLeft) const { return isLeft ? *group_.left : *group_.right; }

  static Problems add(std::vector<Part>& out, Result<std::vector<Part>> parts) {
    if (!parts) return parts.problems();
    out.insert(out.end(), parts->begin(), parts->end());
    return {};
  }

  // All are of one height, the frame of every line in one plane.
  Problems level() const {
    for (const GroupLine* line : lines_.all())
      for (const GroupMember& member : line->members) {
        if (member.layout.outer.top() != lines_.rear.members.front().layout.outer.top())
          return {cannot("group", "carcasses of different heights", "carcasses of one height")};
        if (group_.frame && member.layout.frameFront != line->members.front().layout.frameFront)
          return {cannot("group", "fronts in different planes",
                         "carcasses whose frame lies in one plane")};
      }
    if (group_.frame && !group_.bridges.empty())
      return {cannot("face frame", "a frame over the gap between two carcasses",
                     "no frame, or no gap")};
    if (lines_.left && lines_.right)
      if (const Length taken = taking(*lines_.left) + taking(*lines_.right); taken > lines_.wall)
        return {cannot("group",
                       builder_.shown(taken - lines_.wall) +
                           " less between the side walls than what stands along them takes",
                       "more along the rear wall, or corners that are not blind")};
    if (group_.cornerTop == CornerTop::Mitred && group_.top && (lines_.left || lines_.right) &&
        !group_.top->edgingMaterial.empty())
      return {cannot("worktop", "an edged front that is mitred in the corner",
                     "tops that are butted there, or no solid edging")};
    return {};
  }

  // What a side line takes off the room, its top's overhang too.
  Length taking(const GroupLine& line) const {
    return group_.top ? std::max(line.depth(), line.rear() - topFront(line)) : line.depth();
  }

  // x of the plane of a side line's fronts.
  Length plane(bool isLeft) const {
    return isLeft ? lines_.left->depth() : lines_.wall - lines_.right->depth();
  }

  // A front along the rear wall that a side line stands before would not open.
  Problems hidden() const {
    for (const bool isLeft : {true, false}) {
      if (!(isLeft ? lines_.left : lines_.right) || !legOf(isLeft).blind) continue;
      const Length reach =
          isLeft ? plane(true) + legOf(true).filler : plane(false) - legOf(false).filler;
      for (const GroupMember& member : lines_.rear.members) {
        const auto closed = [&](const OpeningRect& leaf) {
          return isLeft ? member.x + leaf.face.x < reach : member.x + leaf.face.right() > reach;
        };
        const auto& doors = member.layout.doors;
        const bool door = std::any_of(doors.begin(), doors.end(), closed);
        const bool drawer = std::any_of(
            member.layout.leaves.begin(), member.layout.leaves.end(), [&](const OpeningRect& leaf) {
              const auto* bank =
                  std::get_if<DrawerBank>(&find(member.carcass().inside, leaf.path)->content);
              return bank != nullptr && bank->kind == BankKind::Drawers && closed(leaf);
            });
        if (door || drawer)
          return {cannot("group",
                         "a front of " + member.assembly->code + " that stands behind the corner",
                         fmt::format("fronts that end {} from the {} wall",
                                     builder_.shown(isLeft ? reach : lines_.wall - reach),
                                     isLeft ? "left" : "right"))};
      }
    }
    return {};
  }

  // The shelves across the gap after a member of that line, if it is one.
  Problems bridge(const GroupLine& line, const GroupBridge& bridge, std::vector<Part>& out) const {
    const auto left = std::find_if(
        line.members.begin(), line.members.end(),
        [&bridge](const GroupMember& one) { return one.assembly->id == bridge.after; });
    if (left == line.members.end()) return {};
    const GroupMember& right = *std::next(left);
    const ShelfRules& rules = left->carcass().shelves;
    const Length from = left->x + left->layout.outer.right();
    const Length to = right.x + right.layout.outer.x;
    const Length foot = left->layout.outer.z;
    const Reason length = Reason("gap", to - from).minus("clearance", rules.clearance);
    const Reason depth =
        Reason("depth of the sides", std::min(left->layout.sideDepth, right.layout.sideDepth))
            .minus("set-back", rules.setBack);
    const Length step = (left->layout.outer.top() - foot) / (bridge.shelves + 1);
    if (step <= bridge.ledge + builder_.thickness(bridge.material) || length.total() <= Length{})
      return {
          cannot("shelves across a gap", std::to_string(bridge.shelves), "fewer, or lower ledges")};
    for (int k = 1; k <= bridge.shelves; ++k) {
      const Length z = foot + k * step;
      Part shelf = builder_.board(PartRole::LooseShelf, bridge.material, length, depth);
      shelf.show = Face::Outside;
      PartBuilder::place(shelf,
                         {{from + rules.clearance / 2, rules.setBack, z}, kRight, kBackwards, kUp});
      builder_.show(shelf, Side::Front, left->carcass().banding);
      out.push_back(std::move(shelf));
      for (const bool low : {true, false}) {
        Part ledge = builder_.board(PartRole::ShelfSupport, bridge.material, depth,
                                    Reason("ledge", bridge.ledge));
        // Inside is the face that is screwed on.
        PartBuilder::place(ledge, {{low ? from : to, rules.setBack, z - bridge.ledge},
                                   kBackwards,
                                   kUp,
                                   low ? kRight : kLeft});
        out.push_back(std::move(ledge));
      }
    }
    return {};
  }

  // How far a side line's base goes on past its end, to the base along the rear wall.
  Length onToTheRear(const GroupLine& line) const {
    return legOf(line.cornerRight).filler + group_.stand->setIn - lines_.rear.front();
  }

  Result<std::vector<Part>> stand(const GroupLine& line) const {
    if (group_.stand->kind != StandKind::Frame) return std::vector<Part>{};
    Length depth = line.members.front().layout.sideDepth;
    Length moulding;
    for (const GroupMember& member : line.members) {
      depth = std::min(depth, member.layout.sideDepth);
      moulding = std::max(moulding, mouldingDepth(member.carcass()));
    }
    const bool rear = &line == &lines_.rear;
    Length from = line.left();
    Length to = line.right();
    if (line.cornerLeft) from = rear ? Length{} : -onToTheRear(line);
    if (line.cornerRight) to = rear ? lines_.wall : line.width() + onToTheRear(line);
    return baseFrameParts(builder_,
                          frameOf(*group_.stand, to - from, depth - group_.stand->setIn - moulding),
                          {from, group_.stand->setIn, Length{}});
  }

  void frame(const GroupLine& line, std::vector<Part>& out) const {
    FaceFrame frame = *group_.frame;
    // In a corner there is nothing for it to hang over.
    if (line.cornerLeft) frame.overhangLeft = Length{};
    if (line.cornerRight) frame.overhangRight = Length{};
    const auto& members = line.members;
    for (std::size_t i = 0; i < members.size(); ++i) {
      const GroupMember& member = members[i];
      const Length toe = member.carcass().underFrame();
      FrontRect outer = member.layout.outer;
      outer.x += member.x;
      const FrontRect outline = frameOutline(outer, outer.z + toe, member.carcass(), frame);
      if (i == 0)
        stile(out, line, frame,
              {MemberKind::LeftStile, {outline.x, outline.z, frame.stile, outline.height}}, {i});
      for (FrameMember one : member.layout.members) {
        const FrameMember own = one;
        one.rect.x += member.x;
        if (one.opening == 0) one.opening = firstOpening(member.carcass().inside);
        Part part = memberPart(builder_, frame, one, member.layout.frameFront);
        letIn(part, one, frame, member.layout, member.x);
        screwToRails(builder_, own, member.layout.members, part);
        out.push_back(std::move(part));
      }
      const bool last = i + 1 == members.size();
      const Length at = last ? outline.right() - frame.stile : outer.right() - frame.middle / 2;
      const FrontRect rect{at, outline.z, last ? frame.stile : frame.middle, outline.height};
      if (last)
        stile(out, line, frame, {MemberKind::RightStile, rect}, {i});
      else
        stile(out, line, frame,
              {MemberKind::MiddleStile, rect, firstOpening(members[i + 1].carcass().inside)},
              {i, i + 1});
    }
  }

  void stile(std::vector<Part>& out, const GroupLine& line, const FaceFrame& frame,
             const FrameMember& member, const std::vector<std::size_t>& over) const {
    Part part = memberPart(builder_, frame, member, line.members.front().layout.frameFront);
    for (const std::size_t i : over)
      letIn(part, member, frame, line.members[i].layout, line.members[i].x);
    out.push_back(std::move(part));
  }

  // In a side line's own coordinates.
  static Point seenFrom(const GroupLine& line, const Point& p) {
    const Point& at = line.standing.at;
    if (line.standing.quarters == 3) return {at[1] - p[1], p[0] - at[0], p[2]};
    if (line.standing.quarters == 1) return {p[1] - at[1], at[0] - p[0], p[2]};
    return p;
  }
  Length topFront(const GroupLine& line) const {
    return line.members.front().layout.frameFront - group_.top->overFront;
  }
  // From the inner corner of the two tops to the walls' corner.
  Across mitre(bool isLeft) const {
    const GroupLine& side = isLeft ? *lines_.left : *lines_.right;
    const Length x = side.standing.place(Point{Length{}, topFront(side), Length{}})[0];
    return {{x, topFront(lines_.rear), Length{}},
            {isLeft ? Length{} : lines_.wall, lines_.rear.rear(), Length{}}};
  }

  Result<std::vector<Part>> top(const GroupLine& line) const {
    Top top = *group_.top;
    const GroupMember& first = line.members.front();
    const bool rear = &line == &lines_.rear;
    const bool mitred = group_.cornerTop == CornerTop::Mitred;
    // From wall to wall where there are walls.
    Length from = line.left() - first.carcass().wallLeft;
    Length to = line.right() + line.members.back().carcass().wallRight;
    // A side line's goes on to the top along the rear wall, or to that wall.
    const Point end =
        seenFrom(line, {Length{}, mitred ? lines_.rear.rear() : topFront(lines_.rear), Length{}});
    if (line.cornerLeft) {
      from = rear ? Length{} : end[0];
      top.overLeft = Length{};
      top.edgeLeft = false;
    }
    if (line.cornerRight) {
      to = rear ? lines_.wall : end[0];
      top.overRight = Length{};
      top.edgeRight = false;
    }
    top.width = to - from;
    top.depth = line.rear() - first.layout.frameFront;
    auto parts = topParts(builder_, top, {from, first.layout.frameFront, first.layout.outer.top()});
    if (!parts || !mitred) return parts;
    for (const bool isLeft : {true, false}) {
      if (!(isLeft ? lines_.left : lines_.right)) continue;
      const GroupLine& side = isLeft ? *lines_.left : *lines_.right;
      if (!rear && &side != &line) continue;
      Across across = mitre(isLeft);
      across = {seenFrom(line, across.from), seenFrom(line, across.to)};
      const int far = rear ? (isLeft ? -1 : 1) : (isLeft ? 1 : -1);
      std::vector<Part> left;
      for (Part& part : parts.value())
        if (cutAcross(part, across, far)) left.push_back(std::move(part));
      parts = std::move(left);
    }
    return parts;
  }

  // Two strips close the gap between the lines; where the rear line ends before the corner, one
  // lies in its plane.
  void fillers(std::vector<Part>& out) const {
    const GroupMember& first = lines_.rear.members.front();
    const Length foot = first.layout.outer.z + first.carcass().underBottom();
    const Reason high = Reason("carcass height", first.layout.outer.top()).minus("below", foot);
    for (const bool isLeft : {true, false}) {
      if (!(isLeft ? lines_.left : lines_.right)) continue;
      const GroupLeg& leg = legOf(isLeft);
      if (leg.filler == Length{}) continue;
      const Length x = plane(isLeft);
      const Length y = lines_.rear.front();
      Part side = builder_.board(PartRole::CornerFiller, group_.fillerMaterial, high,
                                 Reason("corner filler", leg.filler));
      side.show = Face::Outside;
      const Length t = side.thickness;
      PartBuilder::place(side, {{isLeft ? x - t : x + t, y - leg.filler, foot},
                                kUp,
                                kBackwards,
                                isLeft ? kRight : kLeft});
      out.push_back(std::move(side));
      if (leg.blind) continue;
      Part rear = builder_.board(PartRole::CornerFiller, group_.fillerMaterial, high,
                                 Reason("corner filler", leg.filler).plus("thickness", t));
      rear.show = Face::Outside;
      PartBuilder::place(rear,
                         {{isLeft ? x - t : x - leg.filler, y + t, foot}, kUp, kRight, kForwards});
      out.push_back(std::move(rear));
    }
  }

  const PartBuilder& builder_;
  const CarcassGroup& group_;
  GroupLines lines_;
};

}  // namespace

Length widthOf(const Job& job, const CarcassGroup& of) {
  Length sum;
  if (of.width) return *of.width;
  if (of.left || of.right)
    if (const auto lines = groupLines(job, of)) return lines->wall;
  for (const Id id : of.members)
    if (const Assembly* member = findAssembly(job, id); member != nullptr && member->isCarcass())
      sum += widthOf(job, member->carcass());
  return sum;
}

namespace {

constexpr Length kDeepest = Length::mm(1'500);  // of a carcass in a corner

}  // namespace

std::int64_t mostPieces(const Job& job, const CarcassGroup& of) {
  Length width;
  std::int64_t members = 0;
  for (const Id id : of.everyMember()) {
    const Assembly* member = findAssembly(job, id);
    if (member == nullptr || !member->isCarcass()) continue;
    width += member->carcass().width;
    members += 2 + mostMembers(member->carcass().inside);
  }
  std::int64_t out = 0;
  // Every leg goes on into its corner by about its own depth.
  for (const auto& leg : {of.left, of.right})
    if (leg) width += 2 * (leg->filler + kDeepest);
  out += of.left || of.right ? 4 : 0;
  for (const GroupBridge& bridge : of.bridges) {
    width += bridge.width;
    out += 3 * std::int64_t{bridge.shelves};
  }
  if (of.frame) out += 6 + members;
  if (of.stand) out += mostPieces(*of.stand, width);
  if (of.top) out += mostPieces(*of.top, width);
  return std::min(kTooMany, out);
}

namespace {

void checkMembers(Check& to, const std::string& at, const std::vector<Id>& members,
                  std::set<std::string>& seen) {
  if (members.empty()) to.add(at + "/members", "nothing", "at least one carcass");
  for (std::size_t i = 0; i < members.size(); ++i) {
    const std::string field = fmt::format("{}/members/{}", at, i);
    const Assembly* member = findAssembly(to.job(), members[i]);
    if (member == nullptr || !member->isCarcass())
      to.add(field, std::to_string(members[i]), "the id of a carcass of this job");
    else
      to.unique(seen, field, member->code);
  }
}

}  // namespace

void check(Check& to, const std::string& at, const CarcassGroup& of) {
  std::set<std::string> seen;
  checkMembers(to, at, of.members, seen);
  for (const bool isLeft : {true, false}) {
    const auto& leg = isLeft ? of.left : of.right;
    if (!leg) continue;
    const std::string here = at + (isLeft ? "/left" : "/right");
    checkMembers(to, here, leg->members, seen);
    to.notNegative(here + "/filler", leg->filler);
  }
  if (of.width) to.positive(at + "/width", *of.width);
  for (std::size_t i = 0; i < of.bridges.size(); ++i) {
    const GroupBridge& bridge = of.bridges[i];
    const std::string here = fmt::format("{}/bridges/{}", at, i);
    const std::vector<Id> line = of.lineOf(bridge.after).members;
    if (line.empty() || line.back() == bridge.after)
      to.add(here + "/after", std::to_string(bridge.after),
             "the id of a member that another stands right of");
    if (std::any_of(of.bridges.begin(), of.bridges.begin() + static_cast<std::ptrdiff_t>(i),
                    [&bridge](const GroupBridge& other) { return other.after == bridge.after; }))
      to.add(here + "/after", std::to_string(bridge.after) + " a second time", "one gap each");
    to.allPositive(here, {{"/width", bridge.width}, {"/ledge", bridge.ledge}});
    to.within(here + "/shelves", bridge.shelves, 1, 20);
    to.knownMaterial(here + "/material", bridge.material);
  }
  for (std::size_t i = 0; i < of.fixed.size(); ++i)
    if (std::find(of.members.begin(), of.members.end(), of.fixed[i]) == of.members.end())
      to.add(fmt::format("{}/fixed/{}", at, i), std::to_string(of.fixed[i]),
             "the id of a member along the rear wall");
  if (!of.fillerMaterial.empty()) to.knownMaterial(at + "/fillerMaterial", of.fillerMaterial);
  if (of.stand) check(to, at + "/stand", *of.stand);
  if (of.frame) check(to, at + "/frame", *of.frame);
  if (of.top) check(to, at + "/top", *of.top);
}

void begin(const Job& job, const PlainMaterials& /*materials*/, CarcassGroup& out) {
  for (const Assembly& one : job.assemblies)
    if (one.isCarcass()) out.members.push_back(one.id);
}

CarcassGroup mirrored(const CarcassGroup& of) {
  CarcassGroup out = of;
  std::reverse(out.members.begin(), out.members.end());
  // What was on the right of a gap is on its left now.
  for (GroupBridge& bridge : out.bridges) {
    const std::vector<Id> line = of.lineOf(bridge.after).members;
    const auto left = std::find(line.begin(), line.end(), bridge.after);
    if (left != line.end() && std::next(left) != line.end()) bridge.after = *std::next(left);
  }
  std::swap(out.left, out.right);
  if (out.frame) std::swap(out.frame->overhangLeft, out.frame->overhangRight);
  if (out.top) out.top = mirrored(*out.top);
  return out;
}

void make(const PartBuilder& builder, const CarcassGroup& of, Made& out) {
  out.take(GroupMaker(builder, of).run());
}

void fields(Archive& a, GroupLeg& v) {
  a.must("members", v.members);
  a("filler", v.filler);
  a.unlessDefault("blind", v.blind);
}

void fields(Archive& a, GroupBridge& v) {
  a.must("after", v.after);
  a("width", v.width);
  a("shelves", v.shelves);
  a.must("material", v.material);
  a("ledge", v.ledge);
}

void fields(Archive& a, CarcassGroup& v) {
  a.must("members", v.members);
  a("stand", v.stand);
  a("frame", v.frame);
  a("top", v.top);
  a("width", v.width);
  a.unlessDefault("fixed", v.fixed);
  a("left", v.left);
  a("right", v.right);
  a.unlessDefault("bridges", v.bridges);
  a.unlessDefault("fillerMaterial", v.fillerMaterial);
  a.choice("cornerTop", v.cornerTop,
           {{"butted", CornerTop::Butted}, {"mitred", CornerTop::Mitred}});
}

}  // namespace pp
