#include "core/breakdown/fit.h"

#include <algorithm>
#include <set>

#include "core/job/ids.h"
#include "core/kinds/group/lines.h"

namespace pp {
namespace {

// How wide an assembly is, where it keeps clear of the walls; how high; the width that is typed for
// it, which takes in what it keeps clear; how much of that is on either side; and where, in its own
// measures, that width begins.
struct Extent {
  Length width, height, typed, left, right, from;
};

std::optional<Extent> extentOf(const Job& job, const Assembly& assembly) {
  if (const auto* group = std::get_if<CarcassGroup>(&assembly.body)) {
    const auto lines = groupLines(job, *group);
    if (!lines) return std::nullopt;
    Extent out;
    for (const GroupMember& member : lines->rear.members)
      out.height = std::max(out.height, member.layout.outer.top());
    out.width = lines->rear.right() - lines->rear.left();
    out.typed = lines->wall;
    out.left = lines->rear.members.front().carcass().wallLeft;
    out.right = lines->rear.members.back().carcass().wallRight;
    out.from = lines->rear.left();
    return out;
  }
  if (!assembly.isCarcass()) return std::nullopt;
  const auto layout = layOut(job, assembly);
  if (!layout) return std::nullopt;
  const Carcass& carcass = assembly.carcass();
  return Extent{layout->outer.width, layout->outer.top(), carcass.width,
                carcass.wallLeft,    carcass.wallRight,   layout->outer.x};
}

std::optional<Extent> extentOf(const Job& job, const SiteStand& stand) {
  const Assembly* one = findAssembly(job, stand.assembly);
  return one == nullptr ? std::nullopt : extentOf(job, *one);
}

// What the place keeps clear at a side, and what is kept clear of it: more where the assembly wants
// more, for a filler that can be seen.
struct Clear {
  Length usual, kept;
  Length more() const { return kept - usual; }
};

Clear clearAt(const Job& job, WallAt wall, Length own) {
  if (!hasWall(job.site.kind, wall)) return {};
  const Length usual = wallAt(job.site, wall).allowance.value_or(usualAllowance(job.unit));
  return {usual, std::max(usual, own)};
}

bool fillWall(Job& job, const SiteStand& stand) {
  const auto left = widthLeftTo(job, stand);
  if (!left) return false;
  Length width = left->width.built;
  if (job.shareStep > Length{}) width = width.inNm() / job.shareStep.inNm() * job.shareStep;
  for (std::size_t i = 0; i < job.assemblies.size(); ++i) {
    const Assembly& one = std::as_const(job).assemblies[i];
    if (one.id != stand.assembly) continue;
    const auto extent = extentOf(job, one);
    if (!extent) return false;
    const Length typed = extent->typed + (width - extent->width);
    const auto* group = std::get_if<CarcassGroup>(&one.body);
    if (typed <= Length{} || (group != nullptr ? group->width : one.carcass().width) == typed)
      return false;
    if (group != nullptr)
      std::get<CarcassGroup>(job.assemblies[i].body).width = typed;
    else
      job.assemblies[i].carcass().width = typed;
    return true;
  }
  return false;
}

}  // namespace

std::optional<SiteWidth> widthLeftTo(const Job& job, const SiteStand& stand) {
  if (!stand.fills || stand.wall != WallAt::Back) return std::nullopt;
  const auto extent = extentOf(job, stand);
  if (!extent) return std::nullopt;
  auto out = widthFor(job.site, job.unit, stand.up, stand.up + extent->height);
  if (!out) return out;
  const Length more = clearAt(job, WallAt::Left, extent->left).more() +
                      clearAt(job, WallAt::Right, extent->right).more();
  out->width.built -= more;
  out->width.cover += more;
  if (out->width.built <= Length{}) return std::nullopt;
  return out;
}

Length alongWall(const Job& job, const SiteStand& stand) {
  if (!stand.fills || !hasWall(job.site.kind, WallAt::Left)) return stand.along;
  const auto extent = extentOf(job, stand);
  return clearAt(job, WallAt::Left, extent ? extent->left : Length{}).kept;
}

std::optional<Length> beginOf(const Job& job, const SiteStand& stand) {
  if (!stand.fills || !hasWall(job.site.kind, WallAt::Left)) return std::nullopt;
  const auto extent = extentOf(job, stand);
  return extent ? std::optional(extent->from) : std::nullopt;
}

void widenFillers(const Job& job, const Assembly& assembly, std::vector<Part>& parts) {
  const auto fillerAt = [&parts](PartRole role) {
    return std::find_if(parts.begin(), parts.end(),
                        [role](const Part& part) { return part.role == role; });
  };
  const auto left = fillerAt(PartRole::LeftFiller);
  const auto right = fillerAt(PartRole::RightFiller);
  if (left == parts.end() && right == parts.end()) return;
  for (const SiteStand& stand : job.site.stands) {
    const Assembly* one = findAssembly(job, stand.assembly);
    if (one == nullptr || !stand.fills) continue;
    bool first = one->id == assembly.id;
    bool last = first;
    if (const auto* group = std::get_if<CarcassGroup>(&one->body)) {
      first = group->members.front() == assembly.id;
      last = group->members.back() == assembly.id;
    }
    if (!first && !last) continue;
    const auto free = widthLeftTo(job, stand);
    if (!free) continue;
    const Carcass& carcass = assembly.carcass();
    const auto widen = [&](Part& part, WallAt wall, Length own, Length spread) {
      if (const Length more = clearAt(job, wall, own).kept - own; more > Length{})
        part.width = part.width.plus("kept clear of the wall", more);
      if (spread > Length{}) part.width = part.width.plus("wall further off", spread);
    };
    if (first && left != parts.end())
      widen(*left, WallAt::Left, carcass.wallLeft, free->width.spreadLeft);
    if (last && right != parts.end())
      widen(*right, WallAt::Right, carcass.wallRight, free->width.spreadRight);
  }
}

void noteUnconfirmed(const Job& job, std::vector<Part>& parts) {
  std::set<std::string> codes;
  for (const SiteStand& stand : job.site.stands) {
    const auto left = widthLeftTo(job, stand);
    if (!left || left->confirmed) continue;
    const Assembly& of = *findAssembly(job, stand.assembly);
    codes.insert(of.code);
    if (const auto* group = std::get_if<CarcassGroup>(&of.body))
      for (const Id member : group->everyMember()) codes.insert(findAssembly(job, member)->code);
  }
  if (codes.empty()) return;
  for (Part& part : parts)
    if (codes.count(part.assembly) > 0)
      part.note += std::string(part.note.empty() ? "" : "; ") + "sizes of the place not confirmed";
}

bool fitWidths(Job& job) {
  bool changed = false;
  const std::vector<SiteStand> stands = job.site.stands;
  for (const SiteStand& stand : stands) changed = fillWall(job, stand) || changed;
  return shareWidths(job) || changed;
}

}  // namespace pp
