// Runs the engine on the families and prints, for each, the table that docs/measurements.md keeps.
//   nest_bench [FAMILY ...] [--seconds S] [--threads T] [--each]
#include <algorithm>
#include <atomic>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <fstream>
#include <functional>
#include <map>
#include <string>
#include <thread>

#include "core/nest/goals/kept.h"
#include "core/nest/nest.h"
#include "core/nest/sheet/random.h"
#include "measurements/families.h"
#include "measurements/yardstick.h"

namespace pp::bench {
namespace {

double now() {
  using Clock = std::chrono::steady_clock;
  static const Clock::time_point begin = Clock::now();
  return std::chrono::duration<double>(Clock::now() - begin).count();
}

double peakMegabytes() {
  std::ifstream status("/proc/self/status");
  for (std::string line; std::getline(status, line);)
    if (line.rfind("VmHWM:", 0) == 0) return std::atof(line.c_str() + 6) / 1024;
  return 0;
}

constexpr double kMarks[] = {0.1, 1, 5, 20};

struct Outcome {
  double first = 0;    // seconds to the first complete plan
  double settled = 0;  // seconds to the end of the run
  std::int64_t sheetsAt[std::size(kMarks)] = {};
  double costAt[std::size(kMarks)] = {};
  Plan plan;
  std::int64_t iterations = 0;
};

Outcome run(const Instance& instance, double seconds, unsigned threads, bool costOnly = false) {
  Outcome out;
  nest::NestOptions options;
  options.seconds = seconds;
  options.threads = threads;
  options.costOnly = costOnly;
  const double begin = now();
  std::size_t mark = 0;
  std::int64_t sheets = 0;
  double cost = 0;
  const auto passMarks = [&](double at) {
    for (; mark < std::size(kMarks) && kMarks[mark] <= at; ++mark) {
      out.sheetsAt[mark] = sheets;
      out.costAt[mark] = cost;
    }
  };
  out.plan = nest::nest(instance.request, options, {}, [&](const nest::NestProgress& progress) {
    const double at = now() - begin;
    if (out.first == 0 && progress.plan->complete()) out.first = at;
    passMarks(at);
    sheets = static_cast<std::int64_t>(progress.plan->sheets.size());
    cost = progress.plan->cost.asDouble();
    out.iterations = progress.iterations;
  });
  out.settled = now() - begin;
  sheets = static_cast<std::int64_t>(out.plan.sheets.size());
  cost = out.plan.cost.asDouble();
  passMarks(1e9);
  return out;
}

struct Family {
  std::string name;
  double seconds;
  std::vector<Instance> instances;
  bool costOnly = true;  // no time for leftovers and settings once the cost is proven
};

class Runner {
 public:
  Runner(double seconds, unsigned threads, bool each)
      : seconds_(seconds), threads_(threads), each_(each) {
    std::printf("%-22s %4s %7s | %7s %7s %7s %7s | %7s %7s %6s | %7s %7s %9s %6s\n", "family", "n",
                "first s", "0.1 s", "1 s", "5 s", "20 s", "bound", "planted", "proven", "setups",
                "yield", "it/s", "MB");
  }

  void family(const Family& family) {
    double first = 0;
    double sheets[std::size(kMarks)] = {};
    double bound = 0;
    std::int64_t planted = 0;
    int atPlanted = 0;
    int proven = 0;
    int setups = 0;
    double yield = 0;
    double rate = 0;
    double seconds = 0;
    for (const Instance& instance : family.instances) {
      const Outcome one =
          run(instance, seconds_ > 0 ? seconds_ : family.seconds, threads_, family.costOnly);
      const bool mixed = instance.request.stock.size() > 3;
      first = std::max(first, one.first);
      for (std::size_t i = 0; i < std::size(kMarks); ++i)
        sheets[i] += mixed ? one.costAt[i] : static_cast<double>(one.sheetsAt[i]);
      bound += mixed ? one.plan.bound.cost.asDouble() : static_cast<double>(one.plan.bound.sheets);
      planted += instance.planted;
      atPlanted += instance.planted > 0 &&
                   static_cast<std::int64_t>(one.plan.sheets.size()) <= instance.planted;
      proven += one.plan.proven();
      setups += one.plan.setups;
      yield += one.plan.yield();
      rate += one.settled > 0 ? static_cast<double>(one.iterations) / one.settled : 0;
      seconds += one.settled;
      if (each_)
        std::printf(
            "  %-20s %6.2f s  %zu sheets, cost %g, bound %g (%s), planted %lld, %d settings\n",
            instance.name.c_str(), one.settled, one.plan.sheets.size(), one.plan.cost.asDouble(),
            one.plan.bound.cost.asDouble(), one.plan.bound.method.c_str(),
            static_cast<long long>(instance.planted), one.plan.setups);
      std::fflush(stdout);
    }
    const auto n = static_cast<double>(family.instances.size());
    std::printf(
        "%-22s %4.0f %7.4f | %7.0f %7.0f %7.0f %7.0f | %7.0f %3d/%-3lld %6d | %7.1f %6.1f%% %9.0f "
        "%6.0f  %.1f s\n",
        family.name.c_str(), n, first, sheets[0], sheets[1], sheets[2], sheets[3], bound, atPlanted,
        static_cast<long long>(planted > 0 ? family.instances.size() : 0), proven, setups / n,
        100 * yield / n, rate / n, peakMegabytes(), seconds);
    std::fflush(stdout);
  }

  // By how much the longest run passes its time limit, and the slowest answer to a stop.
  void limits(std::vector<Instance> instances) {
    instances.push_back(large(1, 1000));
    instances.push_back(mixedStock(3));
    double late = 0;
    double slowest = 0;
    nest::Random random(1);
    for (Instance& instance : instances)
      for (const Goal goal : {Goal::Cost, Goal::Offcuts, Goal::Setups}) {
        instance.request.goal = goal;
        const double limit = 0.5;
        late = std::max(late, run(instance, limit, threads_).settled - limit);
        for (int k = 0; k < 4; ++k) {
          std::stop_source source;
          nest::NestOptions options;
          options.seconds = 30;
          std::atomic<double> asked = 0;
          const auto wait = std::chrono::milliseconds(20 + random.below(600));
          std::jthread stopper([&] {
            std::this_thread::sleep_for(wait);
            asked = now();
            source.request_stop();
          });
          nest::nest(instance.request, options, source.get_token());
          const double ended = now();
          stopper.join();
          if (ended > asked) slowest = std::max(slowest, ended - asked);
        }
      }
    std::printf("limit of 0.5 s passed by at most %.0f ms; slowest answer to a stop %.0f ms\n",
                1000 * late, 1000 * slowest);
  }

  // The three goals on one set of jobs: settings and gathered waste beside those of least cost.
  void goals(const std::vector<Instance>& instances) {
    double setups[3] = {};
    double cost[3] = {};
    double gathered[3] = {};
    double waste[3] = {};
    const Goal goals[] = {Goal::Cost, Goal::Offcuts, Goal::Setups};
    for (Instance instance : instances)
      for (std::size_t g = 0; g < 3; ++g) {
        instance.request.goal = goals[g];
        const Outcome one = run(instance, seconds_ > 0 ? seconds_ : 5, threads_);
        setups[g] += one.plan.setups;
        cost[g] += one.plan.cost.asDouble();
        gathered[g] += nest::largestLeftovers(one.plan);
        waste[g] += (one.plan.sheetArea - one.plan.partArea).inM2();
      }
    const char* names[] = {"cost", "offcuts", "setups"};
    for (std::size_t g = 0; g < 3; ++g)
      std::printf(
          "goal %-8s cost %8.0f  settings %6.0f (%.0f %%)  largest leftovers %.0f %% of waste\n",
          names[g], cost[g], setups[g], 100 * setups[g] / setups[0], 100 * gathered[g] / waste[g]);
    std::fflush(stdout);
  }

  void yardstick() {
    constexpr double kSeconds = 2;  // for either
    for (int which = 1; which <= 10; ++which) {
      std::int64_t free = 0;
      std::int64_t ours = 0;
      for (const int n : {20, 60, 100})
        for (std::uint64_t seed = 0; seed < 3; ++seed) {
          const Instance instance = standardClass(which, n, seed);
          free += packFreely(instance.request, kSeconds);
          ours +=
              static_cast<std::int64_t>(run(instance, kSeconds, threads_, true).plan.sheets.size());
        }
      std::printf("yardstick class %2d  free packer %5lld  edge to edge %5lld  %s\n", which,
                  static_cast<long long>(free), static_cast<long long>(ours),
                  ours <= free ? "" : "WORSE");
      std::fflush(stdout);
    }
  }

 private:
  double seconds_;
  unsigned threads_;
  bool each_;
};

template <class Make>
std::vector<Instance> several(int count, Make make) {
  std::vector<Instance> out;
  for (int i = 0; i < count; ++i) out.push_back(make(i));
  return out;
}

Family standard(int which) {
  Family out{"class " + std::to_string(which), 4, {}};
  for (const int n : {20, 40, 60, 80, 100})
    for (std::uint64_t seed = 0; seed < 10; ++seed)
      out.instances.push_back(standardClass(which, n, seed));
  return out;
}

std::map<std::string, std::function<void(Runner&)>> families() {
  const auto plantedFamily = [](const char* name, double fill, double seconds, int from, int to,
                                int count) {
    return [=](Runner& runner) {
      runner.family({name, seconds, several(count, [&](int i) {
                       return planted(static_cast<std::uint64_t>(i), from + i % (to - from + 1),
                                      fill);
                     })});
    };
  };
  const auto seeded = [](auto make) {
    return [make](int i) { return make(static_cast<std::uint64_t>(i)); };
  };
  std::map<std::string, std::function<void(Runner&)>> out;
  out["cabinet"] = [seeded](Runner& r) {
    r.family({"cabinet", 2, several(20, seeded(cabinet)), false});
  };
  out["cabinet60"] = [seeded](Runner& r) {
    r.family({"cabinet, sixty", 2, several(60, seeded(cabinet))});
  };
  out["planted95"] = plantedFamily("planted 95 %", 0.95, 5, 3, 10, 16);
  out["planted96"] = plantedFamily("planted 96 %", 0.96, 5, 3, 10, 16);
  out["planted97"] = plantedFamily("planted 97 %", 0.97, 20, 3, 10, 10);
  out["planted98"] = plantedFamily("planted 98 %", 0.98, 20, 5, 10, 10);
  out["zero"] = plantedFamily("zero waste", 1, 20, 2, 3, 10);
  out["sixty"] = [](Runner& r) { r.family({"60 zero-waste sheets", 20, {planted(1, 60, 1)}}); };
  out["large1000"] = [](Runner& r) { r.family({"1 000 parts", 20, {large(1, 1000)}}); };
  out["large5000"] = [](Runner& r) { r.family({"5 000 parts", 20, {large(1, 5000)}}); };
  out["mixed"] = [seeded](Runner& r) {
    r.family({"mixed stock, cost", 5, several(12, seeded(mixedStock))});
  };
  // How late the time limit and a stop are answered, with everything switched on.
  out["limits"] = [seeded](Runner& r) { r.limits(several(6, seeded(cabinet))); };
  for (int which = 1; which <= 10; ++which)
    out["class" + std::to_string(which)] = [which](Runner& r) { r.family(standard(which)); };
  out["goals"] = [seeded](Runner& r) { r.goals(several(8, seeded(cabinet))); };
  out["yardstick"] = [](Runner& r) { r.yardstick(); };
  return out;
}

int main(int argc, char** argv) {
  double seconds = 0;
  unsigned threads = 2;
  bool each = false;
  std::vector<std::string> wanted;
  for (int i = 1; i < argc; ++i) {
    const std::string word = argv[i];
    if (word == "--each")
      each = true;
    else if (word == "--seconds" && i + 1 < argc)
      seconds = std::atof(argv[++i]);
    else if (word == "--threads" && i + 1 < argc)
      threads = static_cast<unsigned>(std::atoi(argv[++i]));
    else
      wanted.push_back(word);
  }
  const auto all = families();
  Runner runner(seconds, threads, each);
  if (wanted.empty())
    for (const auto& [name, family] : all) wanted.push_back(name);
  for (const std::string& name : wanted) {
    const auto at = all.find(name);
    if (at == all.end()) {
      std::fprintf(stderr, "nest_bench: no family %s\n", name.c_str());
      return 2;
    }
    at->second(runner);
  }
  return 0;
}

}  // namespace
}  // namespace pp::bench

int main(int argc, char** argv) {
  return pp::bench::main(argc, argv);
}
