// How many settings the saws need for so many different sizes: twelve jobs as a shop has them, made
// of cases of the library in sizes drawn from fixed seeds, with the goals cost and settings. By
// steps, so that the figures are the same on every machine.
#include <fmt/format.h>

#include <chrono>
#include <filesystem>
#include <functional>

#include "core/breakdown/breakdown.h"
#include "core/daybook/pace.h"
#include "core/floor/at_saw.h"
#include "core/formats/file.h"
#include "core/formats/library.h"
#include "core/job/ids.h"
#include "core/job/new_job.h"
#include "core/nest/goals/kept.h"
#include "core/nest/nest.h"
#include "core/nest/sheet/random.h"
#include "measurements/families.h"

namespace {

using namespace pp;

std::vector<LibraryItem> cases() {
  std::vector<std::string> files;
  for (const auto& entry : std::filesystem::directory_iterator(DEMO_DIR "/library"))
    files.push_back(entry.path().string());
  std::sort(files.begin(), files.end());
  std::vector<LibraryItem> out;
  constexpr std::size_t kCases = 8;  // the first are carcasses
  for (std::size_t i = 0; i < kCases; ++i)
    out.push_back(readLibraryItem(files[i], readFile(files[i]).value()).value());
  return out;
}

Job shopJob(const std::vector<LibraryItem>& items, std::uint64_t seed) {
  nest::Random random(seed);
  for (;;) {
    Job job = newJob(Unit::Millimetre);
    for (std::size_t n = 1 + seed % 3; n > 0; --n) {
      const auto fragment = placed(items[random.below(items.size())], job);
      if (!fragment) continue;
      Job next = job;
      addCopy(next, fragment->assembly, fragment->choices, "B" + std::to_string(n));
      Assembly& made = next.assemblies[next.assemblies.size() - 1];
      if (made.isCarcass()) {
        made.carcass().width = Length::mm(400 + 10 * static_cast<int>(random.below(50)));
        made.carcass().depth = Length::mm(300 + 10 * static_cast<int>(random.below(30)));
      }
      if (breakDown(next).troubles.empty()) job = std::move(next);
    }
    if (!job.assemblies.empty()) return job;
  }
}

struct Tally {
  std::int64_t settings = 0, sizes = 0, cuts = 0, trims = 0;
  double cost = 0;
};

void add(Tally& tally, const Plan& plan) {
  tally.sizes += nest::sizesOn(plan);
  tally.settings += plan.setups;
  tally.cost += plan.cost.asDouble();
  for (const SawCut& cut : plan.cuts) ++(cut.kind == CutKind::Trim ? tally.trims : tally.cuts);
}

double milliseconds(const std::function<void()>& work) {
  const auto begin = std::chrono::steady_clock::now();
  work();
  return std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - begin)
      .count();
}

// What the window asks after a cut, with all but a few cuts of five thousand parts made.
void atTheSaw() {
  CuttingPlan plan;
  plan.request = bench::large(1, 5'000).request;
  plan.parts.resize(plan.request.parts.size());
  nest::NestOptions options;
  options.steps = 0;
  plan.plan = nest::nest(plan.request, options);
  Record record;
  record.cuttings.push_back({1, {}, {plan}});
  const auto cuts = static_cast<int>(plan.plan.cuts.size());
  const auto event = [&record](EventKind kind, int step) {
    Event out;
    out.kind = kind;
    out.cutting = 1;
    out.plan = 1;
    out.step = step;
    return following(record.events, std::move(out));
  };
  record.events.push_back(event(EventKind::Taken, 0));
  constexpr int kFew = 5;
  for (int step = 1; step <= cuts - kFew; ++step)
    record.events.push_back(event(EventKind::CutMade, step));
  floor::Ledger ledger(record.cuttings);
  const double all = milliseconds([&] { ledger.take(record.events); });
  const double one =
      milliseconds([&] { (void)ledger.apply(event(EventKind::CutMade, cuts - kFew + 1)); });
  const floor::CuttingProgress& at = ledger.now().cuttings.at(1);
  floor::AtSaw saw(record.cuttings[0], at);
  const double shown = milliseconds([&] {
    const auto next = saw.next();
    (void)ledger.back(1);
    (void)saw.leftAtSetting(*next);
    (void)saw.nextSetting(*next);
    (void)saw.settingsLeft();
    (void)saw.spares(*next);
    (void)floor::partsDone(record.cuttings[0], ledger.now());
    (void)floor::paceOf(record, plan.request.shop);
  });
  const double labels = milliseconds([&] {
    (void)floor::labelsOwed(ledger.now());
    (void)ledger.cameOffLast();
    (void)ledger.leftovers();
  });
  fmt::print(
      "{} cuts of 5000 parts: all events taken in {:.1f} ms, one more in {:.3f} ms, what is "
      "shown of the next cut in {:.1f} ms, of labels in {:.1f} ms\n",
      cuts, all, one, shown, labels);
}

}  // namespace

int main() {
  atTheSaw();
  const std::vector<LibraryItem> items = cases();
  const auto planned = [](const Job& job, Goal goal, Tally& tally) {
    NestRequest request = requestOf(job, sheetParts(breakDown(job).parts));
    request.goal = goal;
    nest::NestOptions options;
    options.steps = 60'000;
    add(tally, nest::nest(request, options));
  };
  const auto say = [](const char* jobs, Goal goal, const Tally& tally) {
    fmt::print("{}, {}: {} settings for {} sizes, {:.2f} each; {} cuts and {} trims, cost {:.2f}\n",
               jobs, goal == Goal::Cost ? "cost" : "settings", tally.settings, tally.sizes,
               static_cast<double>(tally.settings) / static_cast<double>(tally.sizes), tally.cuts,
               tally.trims, tally.cost);
  };
  for (const Goal goal : {Goal::Cost, Goal::Setups}) {
    Job bank = newJob(Unit::Millimetre);
    const auto drawers = placed(items[1], bank);
    addCopy(bank, drawers->assembly, drawers->choices, "B1");
    Tally one;
    planned(bank, goal, one);
    say("four drawers", goal, one);
    Tally all;
    for (std::uint64_t seed = 1; seed <= 12; ++seed) planned(shopJob(items, seed), goal, all);
    say("twelve jobs", goal, all);
  }
}
