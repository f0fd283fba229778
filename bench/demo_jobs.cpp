#include "bench/demo_jobs.h"

#include "core/formats/file.h"
#include "core/formats/job_json.h"

namespace pp::bench {

Job logWall(std::int64_t times) {
  const std::string path = DEMO_DIR "/log-wall.plainpatch";
  Job job = readJob(path, readFile(path).value()).value();
  const auto once = job.assemblies;
  for (std::int64_t i = 1; i < times; ++i) {
    const std::string more = "-" + std::to_string(i);
    for (Assembly copy : once) {
      copy.code += more;
      if (auto* group = std::get_if<CarcassGroup>(&copy.body))
        for (std::string& member : group->members) member += more;
      job.assemblies.push_back(copy);
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
    Assembly one = bank;
    one.code = "C" + std::to_string(i + 1);
    one.carcass().wallLeft = one.carcass().wallRight = Length{};
    members.push_back(one.code);
    job.assemblies.push_back(one);
  }
  job.assemblies.push_back(group);
  return job;
}

}  // namespace pp::bench
