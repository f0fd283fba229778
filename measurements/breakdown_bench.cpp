// How long the break-down, the checks and the lists of the bench take, from the log wall alone to a
// job of 300 parts.
#include <benchmark/benchmark.h>

#include "core/assembly/pages.h"
#include "core/secondlook/second_look.h"
#include "measurements/demo_jobs.h"

namespace {

void breakDown(benchmark::State& state) {
  const pp::Job job = pp::bench::logWall(state.range(0));
  std::int64_t pieces = 0;
  for (auto _ : state) {
    const pp::Breakdown breakdown = pp::breakDown(job);
    pieces = pp::pieceCount(breakdown.parts);
  }
  state.counters["pieces"] = static_cast<double>(pieces);
}
BENCHMARK(breakDown)->Arg(1)->Arg(3)->Arg(12)->Arg(36)->Unit(benchmark::kMicrosecond);

void breakDownAndLook(benchmark::State& state) {
  const pp::Job job = pp::bench::logWall(state.range(0));
  std::int64_t pieces = 0;
  for (auto _ : state) {
    const pp::Breakdown breakdown = pp::breakDown(job);
    benchmark::DoNotOptimize(pp::secondLook(job, breakdown));
    pieces = pp::pieceCount(breakdown.parts);
  }
  state.counters["pieces"] = static_cast<double>(pieces);
}
BENCHMARK(breakDownAndLook)->Arg(1)->Arg(3)->Arg(12)->Arg(36)->Unit(benchmark::kMicrosecond);

// Machining, banding, finishing, assembly and installing of all parts.
void atTheBench(benchmark::State& state) {
  const pp::Job job = pp::bench::logWall(state.range(0));
  const pp::Breakdown breakdown = pp::breakDown(job);
  for (auto _ : state) {
    const auto pieces = pp::bench::piecesAtBench({}, {}, breakdown.parts);
    benchmark::DoNotOptimize(pp::bench::Machinings(pieces, breakdown.parts, job));
    benchmark::DoNotOptimize(pp::bench::Bandings(pieces, job));
    benchmark::DoNotOptimize(pp::bench::Finishings(pieces, {}));
    benchmark::DoNotOptimize(pp::bench::Assemblies(pieces, job));
    benchmark::DoNotOptimize(pp::bench::Installings(pieces, job));
  }
  state.counters["pieces"] = static_cast<double>(pp::pieceCount(breakdown.parts));
}
BENCHMARK(atTheBench)->Arg(1)->Arg(3)->Arg(12)->Arg(36)->Unit(benchmark::kMicrosecond);

}  // namespace
