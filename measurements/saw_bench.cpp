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
#include "core/floor/mishap.h"
#include "core/floor/taking.h"
#include "core/formats/cutting_form.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
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

// Five thousand parts, taken to the saw.
Record largeCutting() {
  floor::OpenRequest open;
  open.request = bench::large(1, 5'000).request;
  int number = 0;
  for (const PartDemand& row : open.request.parts) {
    Part part;
    part.code = row.code;
    part.number = ++number;
    part.role = PartRole::Board;
    part.name = "board";
    part.quantity = row.quantity;
    part.material = row.material;
    part.keys = {PartKey{}};
    part.keys.front().index = number;
    open.parts.push_back(std::move(part));
  }
  nest::NestOptions options;
  options.seconds = 1;
  Record record;
  record.cuttings.push_back(floor::frozen(record, open, nest::nest(open.request, options)));
  return record;
}

// The same with thirty mishaps while it is cut, each with a new plan: how large the file is, how
// long it takes to be opened, and a cut.
void thirtyPlans(nest::Disturb disturb) {
  Record record = largeCutting();
  const auto note = [&record](EventKind kind, int plan = 0, int step = 0) {
    Event out;
    out.kind = kind;
    out.cutting = 1;
    out.plan = plan;
    out.step = step;
    record.events.push_back(following(record.events, std::move(out)));
  };
  note(EventKind::Taken);
  constexpr int kPlans = 30;
  nest::NestOptions options;
  options.seconds = 1;
  for (int k = 0; k < kPlans; ++k) {
    floor::Ledger ledger(record.cuttings, record.events);
    const floor::AtSaw saw(record.cuttings[0], ledger.now().cuttings.at(1));
    int left = 20;
    for (std::size_t i = 0; i < saw.cuts() && left > 0; ++i)
      if (saw.isReady(i)) {
        note(EventKind::CutMade, ledger.now().cuttings.at(1).plan, saw.cut(i).step);
        --left;
      }
    const floor::Ledger now(record.cuttings, record.events);
    floor::Mishap mishap;
    mishap.kind = floor::Mishap::Kind::Kerf;
    mishap.machine = saw.cutting().request.shop.machines.front().name;
    mishap.kerf = Length::um(3'000 - 10 * k);
    const auto after = floor::aftermath(now, 1, mishap);
    if (!after) {
      fmt::print("{}\n", describe(after.problems()));
      return;
    }
    const auto held = floor::holdingsOf(record.cuttings, now.now());
    auto way = floor::wayOn(floor::wayFrom(now, held, 1, *after), disturb, options);
    if (!way->plan.plan.complete()) continue;  // what has no place is not taken
    auto gone = floor::goneOn(record, now.now(), 1, after->events, std::move(way->plan));
    const std::vector<Event> events = gone->events;
    record = std::move(gone->record);
    for (const Event& event : events) record.events.push_back(following(record.events, event));
  }
  const Job job = newJob(Unit::Millimetre);
  std::string text;
  const double writing = milliseconds([&] { text = writeJob(job, record); });
  std::size_t read = 0;
  std::string wrong;
  const double opening = milliseconds([&] {
    const auto again = readJobWithRecord("job", text);
    if (!again) {
      wrong = describe(again.problems(), 300);
      return;
    }
    const floor::Ledger ledger(again->record.cuttings, again->record.events);
    read = ledger.now().cuttings.at(1).bench.size();
    if (!ledger.now().ignored.empty()) wrong = ledger.now().ignored.front().why;
  });
  floor::Ledger ledger(record.cuttings, record.events);
  const floor::CuttingProgress& at = ledger.now().cuttings.at(1);
  const floor::AtSaw saw(record.cuttings[0], at);
  Event event;
  event.kind = EventKind::CutMade;
  event.cutting = 1;
  event.plan = at.plan;
  event.step = saw.cut(*saw.next()).step;
  const double cut = milliseconds([&] {
    if (const std::string why = ledger.apply(event); !why.empty()) wrong = why;
    (void)ledger.leftoversOf(1);
    (void)ledger.cameOffLast();
    (void)ledger.back(1);
    (void)saw.next();
  });
  std::size_t whole = 0;
  for (const PlanForm& form : formOf(record.cuttings[0]).plans) whole += form.whole ? 1 : 0;
  fmt::print(
      "5000 parts with {} plans more, {}: {:.1f} MB, {} plans whole, written in {:.0f} ms, opened "
      "in {:.0f} ms with {} pieces lying there, a cut in {:.1f} ms{}{}\n",
      record.cuttings[0].plans.size() - 1,
      disturb == nest::Disturb::Freely ? "all laid out anew" : "nothing disturbed",
      static_cast<double>(text.size()) / 1e6, whole, writing, opening, read, cut,
      wrong.empty() ? "" : "; WRONG: ", wrong);
}

// What the window asks after a cut, with all but a few cuts of five thousand parts made.
void atTheSaw() {
  Record record = largeCutting();
  const CuttingPlan& plan = std::as_const(record).cuttings[0].plans[0];
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
  for (const nest::Disturb disturb : {nest::Disturb::Nothing, nest::Disturb::Freely})
    thirtyPlans(disturb);
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
