#include "core/kinds/group/lines.h"

#include <algorithm>
#include <utility>

#include "core/designs/size_list.h"
#include "core/job/ids.h"

namespace pp {

Length GroupLine::width() const {
  return members.back().x + members.back().carcass().width - members.front().x;
}

Length GroupLine::rear() const {
  Length out;
  for (const GroupMember& member : members) out = std::max(out, member.layout.rear);
  return out;
}

namespace {

bool hasFronts(const Opening& opening) {
  if (opening.door) return true;
  if (const auto* bank = std::get_if<DrawerBank>(&opening.content))
    return bank->kind == BankKind::Drawers;
  const auto* split = std::get_if<Split>(&opening.content);
  return split != nullptr && std::any_of(split->children.begin(), split->children.end(), hasFronts);
}

Result<GroupLine> lineOf(const Job& job, const CarcassGroup& group, Id of) {
  const CarcassGroup::Line line = group.lineOf(of);
  GroupLine out;
  out.cornerLeft = line.cornerLeft;
  out.cornerRight = line.cornerRight;
  Length x;
  for (const Id id : line.members) {
    const Assembly* member = findAssembly(job, id);
    auto layout = layOut(job, *member, &group);
    if (!layout) return layout.problems();
    out.members.push_back({member, std::move(layout).value(), x});
    x += member->carcass().width;
    for (const GroupBridge& bridge : group.bridges)
      if (bridge.after == id) x += bridge.width;
  }
  return out;
}

// What a line along a side wall takes off the rear wall, beside those that stand there.
Length cornerOf(const GroupLine& side, const GroupLeg& leg) {
  return leg.blind ? Length{} : side.depth() + leg.filler;
}

}  // namespace

Length GroupLine::front() const {
  Length out;
  for (const GroupMember& member : members) {
    const Carcass& carcass = member.carcass();
    Length at = member.layout.frameFront;
    if (carcass.fronts.fit == FrontFit::Overlay && hasFronts(carcass.inside))
      at -= member.layout.frontThickness;
    out = std::min(out, at);
  }
  return out;
}

Result<GroupLines> groupLines(const Job& job, const CarcassGroup& group) {
  auto rear = lineOf(job, group, group.members.front());
  if (!rear) return rear.problems();
  GroupLines out{std::move(rear).value(), {}, {}, {}};
  Length begin;
  for (const bool isLeft : {true, false}) {
    const auto& leg = isLeft ? group.left : group.right;
    if (!leg) continue;
    auto line = lineOf(job, group, leg->members.front());
    if (!line) return line.problems();
    (isLeft ? out.left : out.right) = std::move(line).value();
  }
  if (out.left) begin = cornerOf(*out.left, *group.left);
  for (GroupMember& member : out.rear.members) member.x += begin;
  out.wall = begin + out.rear.width();
  if (out.right) out.wall += cornerOf(*out.right, *group.right);
  // The side lines begin before what stands along the rear wall.
  if (out.right)
    out.right->standing = {
        {out.wall - out.right->rear(), out.rear.front() - group.right->filler, Length{}}, 3};
  if (out.left)
    out.left->standing = {
        {out.left->rear(), out.rear.front() - group.left->filler - out.left->width(), Length{}}, 1};
  return out;
}

std::vector<const GroupLine*> GroupLines::all() const {
  std::vector<const GroupLine*> out = {&rear};
  if (left) out.push_back(&*left);
  if (right) out.push_back(&*right);
  return out;
}

std::vector<Standing> memberStandings(const Job& job, const CarcassGroup& group) {
  const std::vector<Id> members = group.everyMember();
  std::vector<Standing> out(members.size());
  if (const auto lines = groupLines(job, group)) {
    for (const GroupLine* line : lines->all())
      for (const GroupMember& one : line->members) {
        const auto at = std::find(members.begin(), members.end(), one.assembly->id);
        out[static_cast<std::size_t>(at - members.begin())] = {
            line->standing.place(Point{one.x, Length{}, Length{}}), line->standing.quarters};
      }
    return out;
  }
  Length x;
  for (std::size_t i = 0; i < members.size(); ++i) {
    out[i].at = {x, Length{}, Length{}};
    if (const Assembly* one = findAssembly(job, members[i]); one != nullptr && one->isCarcass())
      x += one->carcass().width;
  }
  return out;
}

bool shareWidths(Job& job) {
  bool changed = false;
  for (std::size_t g = 0; g < job.assemblies.size(); ++g) {
    const auto* group = std::get_if<CarcassGroup>(&std::as_const(job).assemblies[g].body);
    if (group == nullptr || !group->width) continue;
    const auto lines = groupLines(job, *group);
    if (!lines) continue;
    // Less the corners and the gaps.
    Length rest = *group->width - lines->wall;
    for (const GroupMember& member : lines->rear.members) rest += member.carcass().width;
    std::vector<Id> sharing;
    for (const GroupMember& member : lines->rear.members)
      if (std::find(group->fixed.begin(), group->fixed.end(), member.assembly->id) ==
          group->fixed.end())
        sharing.push_back(member.assembly->id);
      else
        rest -= member.carcass().width;
    const std::vector<Share> equal(sharing.size());
    const auto widths = shareOut(rest, equal, styleOf(job), job.shareStep);
    if (!widths) continue;
    for (std::size_t i = 0; i < sharing.size(); ++i)
      for (std::size_t k = 0; k < job.assemblies.size(); ++k)
        if (const Assembly& one = std::as_const(job).assemblies[k];
            one.id == sharing[i] && one.carcass().width != widths.value()[i]) {
          job.assemblies[k].carcass().width = widths.value()[i];
          changed = true;
        }
  }
  return changed;
}

}  // namespace pp
