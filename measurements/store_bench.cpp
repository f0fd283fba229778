// A rack of ten thousand pieces: what it takes to search it, to read all of it for a job, and to
// promise, cut into and give up what a cutting has.
#include <benchmark/benchmark.h>

#include <filesystem>
#include <stdexcept>

#include "core/store/job_rack.h"

namespace pp {
namespace {

constexpr std::int64_t kPieces = 10'000;

struct FullRack {
  std::filesystem::path folder;
  Store store;

  static std::filesystem::path made() {
    const auto out = std::filesystem::temp_directory_path() / "store-bench";
    std::filesystem::remove_all(out);
    std::filesystem::create_directories(out);
    return out;
  }
  FullRack() : folder(made()), store(Store::open((folder / "shop.sqlite").string()).value()) {
    std::string text = R"({"format": "plain-patch-store", "version": 2, "materials": [)";
    for (int i = 1; i <= 12; ++i)
      text += std::string(i > 1 ? "," : "") + R"({"id": )" + std::to_string(i) +
              R"(, "name": "birch", "nominal": )" + std::to_string(2 + i) + R"(, "measured": )" +
              std::to_string(2 + i) + "}";
    text += R"(], "pieces": [)";
    for (std::int64_t i = 1; i <= kPieces; ++i)
      text += std::string(i > 1 ? "," : "") + R"({"id": )" + std::to_string(i) +
              R"(, "kind": "offcut", "material": )" + std::to_string(1 + i % 12) + R"(, "tag": )" +
              std::to_string(i) + R"(, "lot": "L)" + std::to_string(i % 97) + R"(", "length": )" +
              std::to_string(300 + i % 1'900) + R"(, "width": )" + std::to_string(100 + i % 900) +
              R"(, "place": "rack )" + std::to_string(i % 40) + R"("})";
    text += "]}";
    if (const Problems problems = store.import("bench", text); !problems.empty())
      throw std::runtime_error(describe(problems));
  }
  ~FullRack() { std::filesystem::remove_all(folder); }
};

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

BENCHMARK_MAIN();
