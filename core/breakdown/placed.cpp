#include "core/breakdown/placed.h"

#include "core/breakdown/fit.h"
#include "core/job/ids.h"
#include "core/kinds/group/lines.h"
#include "core/parts/part_builder.h"

namespace pp {
namespace {

void add(std::vector<Part>& out, const Breakdown& breakdown, const std::string& code,
         const Standing& standing) {
  std::vector<Part> own;
  for (const Part& part : breakdown.parts)
    if (part.assembly == code) own.push_back(part);
  PartBuilder::stand(own, standing);
  std::move(own.begin(), own.end(), std::back_inserter(out));
}

}  // namespace

std::optional<WallBehind> wallBehind(const Job& job, const Assembly& carcass) {
  for (const SiteStand& stand : job.site.stands) {
    const Assembly* one = findAssembly(job, stand.assembly);
    if (one == nullptr || !hasWall(job.site.kind, stand.wall)) continue;
    const Length along = alongWall(job, stand);
    if (one->id == carcass.id) {
      const auto layout = layOut(job, carcass);
      if (!layout) return std::nullopt;
      return WallBehind{stand.wall, layout->outer.x - along, -stand.up};
    }
    const auto* group = std::get_if<CarcassGroup>(&one->body);
    if (group == nullptr) continue;
    const auto lines = groupLines(job, *group);
    if (!lines) continue;
    for (const GroupMember& member : lines->rear.members)
      if (member.assembly->id == carcass.id)
        return WallBehind{stand.wall, lines->rear.left() - along - member.x, -stand.up};
  }
  return std::nullopt;
}

std::vector<Part> partsInPlace(const Job& job, const Breakdown& breakdown,
                               const Assembly& assembly) {
  std::vector<Part> out;
  add(out, breakdown, assembly.code, {});
  if (const auto* group = std::get_if<CarcassGroup>(&assembly.body)) {
    const std::vector<Id> members = group->everyMember();
    const std::vector<Standing> standings = memberStandings(job, *group);
    for (std::size_t i = 0; i < members.size(); ++i)
      add(out, breakdown, findAssembly(job, members[i])->code, standings[i]);
  }
  return out;
}

}  // namespace pp
