#include "core/breakdown/joint_sets.h"

#include <algorithm>
#include <map>
#include <set>

#include "core/job/ids.h"
#include "core/joinery/joints.h"
#include "core/kinds/group/lines.h"

namespace pp {

std::vector<JointSet> jointSetsOf(const Job& job, const std::vector<Part>& parts) {
  std::map<std::string, std::vector<const Part*>> of;
  for (const Part& part : parts) of[part.assembly].push_back(&part);
  const auto take = [&of](JointSet& out, const std::string& code, const Standing& standing) {
    const auto at = of.find(code);
    if (at == of.end()) return;
    for (const Part* part : at->second)
      for (std::size_t i = 0; i < part->poses.size(); ++i)
        out.boards.push_back(
            {part, part->keys[std::min(i, part->keys.size() - 1)], part->poses[i].in(standing)});
  };
  std::vector<JointSet> out;
  std::set<Id> taken;  // groups and what stands in them
  for (const Assembly& assembly : job.assemblies) {
    const auto* group = std::get_if<CarcassGroup>(&assembly.body);
    if (group == nullptr || !groupLines(job, *group)) continue;
    JointSet& set = out.emplace_back();
    set.assembly = assembly.id;
    taken.insert(assembly.id);
    take(set, assembly.code, {});
    const std::vector<Id> members = group->everyMember();
    const std::vector<Standing> standings = memberStandings(job, *group);
    for (std::size_t i = 0; i < members.size(); ++i) {
      take(set, findAssembly(job, members[i])->code, standings[i]);
      taken.insert(members[i]);
    }
  }
  for (const Assembly& assembly : job.assemblies) {
    if (taken.count(assembly.id) > 0) continue;
    JointSet& set = out.emplace_back();
    set.assembly = assembly.id;
    set.copies = assembly.copies;
    take(set, assembly.code, {});
  }
  for (JointSet& set : out) set.joints = joinery::jointsOf(set.boards, job.unit);
  return out;
}

}  // namespace pp
