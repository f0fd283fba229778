#include "core/breakdown/placed.h"

#include "core/job/ids.h"
#include "core/kinds/group/lines.h"
#include "core/parts/maker.h"

namespace pp {
namespace {

void add(std::vector<Part>& out, const Breakdown& breakdown, const std::string& code,
         const Standing& standing) {
  std::vector<Part> own;
  for (const Part& part : breakdown.parts)
    if (part.assembly == code) own.push_back(part);
  Maker::stand(own, standing);
  std::move(own.begin(), own.end(), std::back_inserter(out));
}

}  // namespace

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
