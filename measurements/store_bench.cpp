// A rack of ten thousand pieces: what it takes to search it, to read all of it for a job, and to
// promise, cut into and give up what a cutting has.
#include <benchmark/benchmark.h>

#include "core/shop/job_rack.h"
#include "core/store/state.h"
#include "measurements/full_rack.h"

namespace pp {
namespace {

using measurements::FullRack;

FullRack& rack() {
  static FullRack out;
  return out;
}

void searchByWords(benchmark::State& state) {
  RackSearch search;
  search.words = "birch L42 rack";
  for (auto _ : state) benchmark::DoNotOptimize(rack().store.rack(search));
}
BENCHMARK(searchByWords)->Unit(benchmark::kMillisecond);

void searchBySize(benchmark::State& state) {
  RackSearch search;
  search.material = 5;
  search.length = Length::mm(1'900);
  search.width = Length::mm(700);
  for (auto _ : state) benchmark::DoNotOptimize(rack().store.rack(search));
}
BENCHMARK(searchBySize)->Unit(benchmark::kMillisecond);

void readAll(benchmark::State& state) {
  for (auto _ : state) benchmark::DoNotOptimize(stateOf(rack().store, "a"));
}
BENCHMARK(readAll)->Unit(benchmark::kMillisecond);

void compareWithAJob(benchmark::State& state) {
  const StoreState known = stateOf(rack().store, "a").value();
  Job job;
  for (Id i = 1; i <= 40; ++i) {
    StockPiece piece;
    piece.mark = "R" + std::to_string(i);
    piece.store = i;
    job.stock.push_back(piece);
  }
  for (auto _ : state) benchmark::DoNotOptimize(differences(job, known));
}
BENCHMARK(compareWithAJob)->Unit(benchmark::kMillisecond);

void takeAndGiveUp(benchmark::State& state) {
  std::int64_t seq = 0;
  for (auto _ : state) {
    benchmark::DoNotOptimize(
        rack().store.take("a", "Log wall", 1, {{1, 1}, {2, 1}, {3, 1}, {4, 1}, {5, 1}, {6, 1}}));
    benchmark::DoNotOptimize(rack().store.follow({"a", "Log wall", ++seq, {}, {}}));
  }
}
BENCHMARK(takeAndGiveUp)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace pp

int main(int argc, char** argv) {
  (void)pp::rack();  // filled before anything is timed
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
  return 0;
}
