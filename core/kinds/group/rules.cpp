#include "core/kinds/group/rules.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>

#include "core/job/ids.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/rules.h"
#include "core/kinds/carcass/stand.h"
#include "core/kinds/count.h"
#include "core/kinds/kind.h"
#include "core/kinds/top/rules.h"

namespace pp {

Length memberOffset(const Job& job, const CarcassGroup& group, Id member) {
  Length x;
  for (const Id id : group.members) {
    if (id == member) break;
    x += findAssembly(job, id)->carcass().width;
  }
  return x;
}

namespace {

class GroupMaker {
 public:
  GroupMaker(const Maker& maker, const CarcassGroup& group) : maker_(maker), group_(group) {}

  Result<std::vector<Part>> run() {
    for (const Id id : group_.members) {
      const Assembly& member = *findAssembly(maker_.job(), id);
      auto layout = layOut(maker_.job(), member);
      if (!layout) return layout.problems();
      members_.push_back(
          {&member.carcass(), std::move(layout).value(), memberOffset(maker_.job(), group_, id)});
    }
    const CarcassLayout& first = members_.front().layout;
    for (const Member& member : members_) {
      if (member.layout.outer.top() != first.outer.top())
        return cannot("group", "carcasses of different heights", "carcasses of one height");
      if (group_.frame && member.layout.frameFront != first.frameFront)
        return cannot("group", "fronts in different planes",
                      "carcasses whose frame lies in one plane");
    }
    std::vector<Part> out;
    if (group_.stand)
      if (const Problems problems = add(out, stand()); !problems.empty()) return problems;
    if (group_.frame) frame(out);
    if (group_.top)
      if (const Problems problems = add(out, top()); !problems.empty()) return problems;
    return out;
  }

 private:
  struct Member {
    const Carcass* carcass;
    CarcassLayout layout;
    Length x;
  };

  static Problems add(std::vector<Part>& out, Result<std::vector<Part>> parts) {
    if (!parts) return parts.problems();
    out.insert(out.end(), parts->begin(), parts->end());
    return {};
  }

  Length left() const { return members_.front().x + members_.front().layout.outer.x; }
  Length right() const { return members_.back().x + members_.back().layout.outer.right(); }

  Result<std::vector<Part>> stand() const {
    if (group_.stand->kind != StandKind::Frame) return std::vector<Part>{};
    Length depth = members_.front().layout.sideDepth;
    Length moulding;
    for (const Member& member : members_) {
      depth = std::min(depth, member.layout.sideDepth);
      moulding = std::max(moulding, mouldingDepth(*member.carcass));
    }
    return baseFrameParts(
        maker_, frameOf(*group_.stand, right() - left(), depth - group_.stand->setIn - moulding),
        {left(), group_.stand->setIn, Length{}});
  }

  void frame(std::vector<Part>& out) const {
    const FaceFrame& frame = *group_.frame;
    for (std::size_t i = 0; i < members_.size(); ++i) {
      const Member& member = members_[i];
      const Length toe = member.carcass->underBottom();
      const FrontRect outline =
          frameOutline(member.layout.outer, member.layout.outer.z + toe, *member.carcass, frame);
      if (i == 0)
        stile(out, {MemberKind::LeftStile, {outline.x, outline.z, frame.stile, outline.height}},
              {i});
      for (FrameMember one : member.layout.members) {
        one.rect.x += member.x;
        if (one.opening == 0) one.opening = firstOpening(member.carcass->inside);
        Part part = memberPart(maker_, frame, one, member.layout.frameFront);
        letIn(part, one, frame, member.layout, member.x);
        out.push_back(std::move(part));
      }
      const bool last = i + 1 == members_.size();
      const Length at = last ? member.x + outline.right() - frame.stile
                             : member.x + member.layout.outer.right() - frame.middle / 2;
      const FrontRect rect{at, outline.z, last ? frame.stile : frame.middle, outline.height};
      if (last)
        stile(out, {MemberKind::RightStile, rect}, {i});
      else
        stile(out, {MemberKind::MiddleStile, rect, firstOpening(members_[i + 1].carcass->inside)},
              {i, i + 1});
    }
  }

  void stile(std::vector<Part>& out, const FrameMember& member,
             const std::vector<std::size_t>& over) const {
    Part part = memberPart(maker_, *group_.frame, member, members_.front().layout.frameFront);
    for (const std::size_t i : over)
      letIn(part, member, *group_.frame, members_[i].layout, members_[i].x);
    out.push_back(std::move(part));
  }

  Result<std::vector<Part>> top() const {
    Top top = *group_.top;
    const CarcassLayout& first = members_.front().layout;
    // From wall to wall where there are walls.
    const Length from = left() - members_.front().carcass->wallLeft;
    const Length to = right() + members_.back().carcass->wallRight;
    top.width = to - from;
    Length depth;
    for (const Member& member : members_) depth = std::max(depth, member.layout.rear);
    top.depth = depth - first.frameFront;
    return topParts(maker_, top, {from, first.frameFront, first.outer.top()});
  }

  const Maker& maker_;
  const CarcassGroup& group_;
  std::vector<Member> members_;
};

}  // namespace

Length widthOf(const Job& job, const CarcassGroup& of) {
  Length sum;
  for (const Id id : of.members)
    if (const Assembly* member = findAssembly(job, id); member != nullptr)
      sum += widthOf(job, *member);
  return sum;
}

std::int64_t mostPieces(const Job& job, const CarcassGroup& of) {
  Length width;
  std::int64_t members = 0;
  for (const Id id : of.members) {
    const Assembly* member = findAssembly(job, id);
    if (member == nullptr || !member->isCarcass()) continue;
    width += member->carcass().width;
    members += 2 + mostMembers(member->carcass().inside);
  }
  std::int64_t out = 0;
  if (of.frame) out += 6 + members;
  if (of.stand) out += mostPieces(*of.stand, width);
  if (of.top) out += mostPieces(*of.top, width);
  return std::min(kTooMany, out);
}

void check(Check& to, const std::string& at, const CarcassGroup& of) {
  if (of.members.empty()) to.add(at + "/members", "nothing", "at least one carcass");
  std::set<std::string> seen;
  for (std::size_t i = 0; i < of.members.size(); ++i) {
    const std::string field = fmt::format("{}/members/{}", at, i);
    const Assembly* member = findAssembly(to.job(), of.members[i]);
    if (member == nullptr || !member->isCarcass())
      to.add(field, std::to_string(of.members[i]), "the id of a carcass of this job");
    else
      to.unique(seen, field, member->code);
  }
  if (of.stand) check(to, at + "/stand", *of.stand);
  if (of.frame) check(to, at + "/frame", *of.frame);
  if (of.top) check(to, at + "/top", *of.top);
}

void begin(const Job& job, const PlainMaterials& /*materials*/, CarcassGroup& out) {
  for (const Assembly& one : job.assemblies)
    if (one.isCarcass()) out.members.push_back(one.id);
}

void make(const Maker& maker, const CarcassGroup& of, Made& out) {
  out.take(GroupMaker(maker, of).run());
}

}  // namespace pp
