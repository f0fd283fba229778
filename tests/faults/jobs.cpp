#include "tests/faults/jobs.h"

#include <stdexcept>

#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"

namespace pp::test {
namespace {

Job read(const std::string& path) {
  const auto text = readFile(path);
  if (!text) throw std::runtime_error(describe(text.problems()));
  auto job = readJob(path, text.value());
  if (!job) throw std::runtime_error(describe(job.problems()));
  return std::move(job).value();
}

Job kinds() {
  return read(std::string(GUIDE_DIR) + "/kinds.plainpatch");
}

}  // namespace

const std::vector<std::string>& jobNames() {
  static const std::vector<std::string> kNames = {"case", "kinds", "sixty", "boards"};
  return kNames;
}

Job jobNamed(const std::string& name) {
  Job job = kinds();
  if (name == "kinds") return job;
  if (name == "case") {
    for (const Assembly& one : job.assemblies)
      if (one.isCarcass()) {
        Assembly kept = one;
        job.assemblies = {kept};
        break;
      }
    job.pins.clear();
    job.overrides.clear();
    return job;
  }
  if (name == "sixty") {
    const SharedRows<Assembly> kinds = job.assemblies;
    constexpr std::size_t kMany = 60;
    for (std::size_t i = 0; job.assemblies.size() < kMany; ++i) {
      Assembly copy = withoutIds(kinds[i % kinds.size()]);
      // A group would take the carcasses of another one.
      if (std::holds_alternative<CarcassGroup>(copy.body)) continue;
      copy.code = "X" + std::to_string(i + 1);
      job.assemblies.push_back(copy);
    }
    giveIds(job);
    return job;
  }
  if (name == "boards") {
    job.assemblies.clear();
    job.pins.clear();
    job.overrides.clear();
    job.loose.clear();
    constexpr int kMany = 5'000;
    for (int i = 0; i < kMany; ++i) {
      LooseBoard board;
      board.name = "board " + std::to_string(i + 1);
      for (const Material& material : job.materials)
        if (!material.lumber) board.material = material.id;
      board.length = Length::mm(200 + i * 37 % 900);
      board.width = Length::mm(60 + i * 53 % 400);
      job.loose.push_back(board);
    }
    giveIds(job);
    return job;
  }
  throw std::runtime_error("no job named " + name);
}

}  // namespace pp::test
