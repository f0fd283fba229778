#include "core/breakdown/fit.h"

#include <algorithm>
#include <set>

#include "core/job/ids.h"
#include "core/kinds/group/lines.h"

namespace pp {
namespace {

// How wide an assembly is, where it keeps clear of the walls; how high; and the width that is typed
// for it, which takes in what it keeps clear.
struct Extent {
  Length width, height, typed;
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
    return out;
  }
  if (!assembly.isCarcass()) return std::nullopt;
  const auto layout = layOut(job, assembly);
  if (!layout) return std::nullopt;
  return Extent{layout->outer.width, layout->outer.top(), assembly.carcass().width};
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
  const Assembly* one = findAssembly(job, stand.assembly);
  if (one == nullptr || !stand.fills || stand.wall != WallAt::Back) return std::nullopt;
  const auto extent = extentOf(job, *one);
  if (!extent) return std::nullopt;
  return widthFor(job.site, job.unit, stand.up, stand.up + extent->height);
}

Length alongWall(const Job& job, const SiteStand& stand) {
  if (!stand.fills || !hasWall(job.site.kind, WallAt::Left)) return stand.along;
  return wallAt(job.site, WallAt::Left).allowance.value_or(usualAllowance(job.unit));
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
