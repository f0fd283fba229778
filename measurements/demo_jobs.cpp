#include "measurements/demo_jobs.h"

#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"

namespace pp::bench {

Job logWall(std::int64_t times) {
  const std::string path = DEMO_DIR "/log-wall.plainpatch";
  Job job = readJob(path, readFile(path).value()).value();
  const auto once = job.assemblies;
  for (std::int64_t i = 1; i < times; ++i) {
    const std::string more = "-" + std::to_string(i);
    const std::size_t first = job.assemblies.size();
    for (const Assembly& one : once) {
      Assembly copy = withoutIds(one);
      copy.code += more;
      job.assemblies.push_back(copy);
    }
    giveIds(job);
    // The group of the copies is of the copied carcasses.
    for (std::size_t k = 0; k < once.size(); ++k)
      if (auto* group = std::get_if<CarcassGroup>(&job.assemblies[first + k].body))
        for (Id& member : group->members) {
          std::size_t at = 0;
          while (std::as_const(once)[at].id != member) ++at;
          member = std::as_const(job).assemblies[first + at].id;
        }
  }
  return job;
}

Job wideGroup(std::int64_t carcasses) {
  Job job = logWall(1);
  Assembly group = *findAssembly(job, "G1");
  const Assembly bank = *findAssembly(job, "B1");
  auto& members = std::get<CarcassGroup>(group.body).members;
  members.clear();
  job.assemblies.clear();
  for (std::int64_t i = 0; i < carcasses; ++i) {
    Assembly one = withoutIds(bank);
    one.code = "C" + std::to_string(i + 1);
    one.carcass().wallLeft = one.carcass().wallRight = Length{};
    job.assemblies.push_back(one);
    giveIds(job);
    members.push_back(std::as_const(job).assemblies.back().id);
  }
  job.assemblies.push_back(group);
  return job;
}

}  // namespace pp::bench
