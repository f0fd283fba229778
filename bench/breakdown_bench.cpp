// How long the break-down and the checks take, from the log wall alone to a job of 300 parts.
#include <benchmark/benchmark.h>

#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/secondlook/second_look.h"

namespace {

// The log wall so many times over, each copy with codes of its own.
pp::Job repeated(std::int64_t times) {
  const std::string path = DEMO_DIR "/log-wall.plainpatch";
  pp::Job job = pp::readJob(path, pp::readFile(path).value()).value();
  const auto once = job.assemblies;
  for (std::int64_t i = 1; i < times; ++i)
    for (pp::Assembly copy : once) {
      copy.code += "-" + std::to_string(i);
      job.assemblies.push_back(copy);
    }
  return job;
}

void breakDownAndLook(benchmark::State& state) {
  const pp::Job job = repeated(state.range(0));
  std::int64_t pieces = 0;
  for (auto _ : state) {
    const pp::Breakdown breakdown = pp::breakDown(job);
    benchmark::DoNotOptimize(pp::secondLook(job, breakdown));
    pieces = pp::pieceCount(breakdown.parts);
  }
  state.counters["pieces"] = static_cast<double>(pieces);
}
BENCHMARK(breakDownAndLook)->Arg(1)->Arg(4)->Unit(benchmark::kMicrosecond);

}  // namespace
