// Makes the demo that is half cut: a job is laid out and taken to the saw, two thirds of its cuts
// are made, a part is spoiled, the rest is planned anew and a few more cuts are made.
//
//   half_cut JOB OUT
#include <iostream>

#include "core/breakdown/assign_ids.h"
#include "core/floor/mishap.h"
#include "core/floor/open_parts.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"

namespace {

using namespace pp;

// As the shop does it: a cut in 38 seconds, a setting in a minute and a half more.
class Day {
 public:
  explicit Day(Record& record) : record_(record) {}

  void note(Event event) {
    event.cutting = 1;
    event.time = time_;
    event.offset = 60;
    record_.events.push_back(following(record_.events, std::move(event)));
  }
  void note(EventKind kind, int plan = 0, int step = 0) {
    Event event;
    event.kind = kind;
    event.plan = plan;
    event.step = step;
    note(std::move(event));
  }
  void cut(int plan, int from, int to) {
    int setup = -1;
    for (int step = from; step <= to; ++step) {
      const Plan& of = record_.cuttings[0].plans[static_cast<std::size_t>(plan - 1)].plan;
      const SawCut& one = of.cuts[static_cast<std::size_t>(step - 1)];
      time_ += one.setup == setup ? 38'000 : 131'000;
      setup = one.setup;
      note(EventKind::CutMade, plan, step);
    }
  }
  void think() { time_ += 240'000; }

 private:
  Record& record_;
  std::int64_t time_ = 1'795'593'600'000;  // the morning of 25 November 2026
};

// The shortest that is not a narrow strip.
std::string partToSpoil(const std::vector<floor::Lying>& lying) {
  std::string out;
  Length least = kLongest;
  for (const floor::Lying& one : lying) {
    if (!one.part || one.length >= least || one.width <= Length::mm(90)) continue;
    least = one.length;
    out = one.piece;
  }
  return out;
}

}  // namespace

int main(int argc, char** argv) {
  if (argc != 3) return 2;
  Job job = readJob(argv[1], readFile(argv[1]).value()).value();
  job.name += ", half cut";
  if (!assignIdsAndCodes(job, 0)) return 1;
  Record record;
  const floor::OpenRequest open = floor::openRequest(job, breakDown(job).parts, {}, {});
  nest::NestOptions options;
  options.steps = 200'000;
  record.cuttings.push_back(floor::frozen(record, open, nest::nest(open.request, options)));
  reserve(record, job, CodeExposure::OnPaper);
  Day day(record);
  day.note(EventKind::Taken);
  day.cut(1, 1, static_cast<int>(record.cuttings[0].plans[0].plan.cuts.size() * 2 / 3));
  const floor::Ledger ledger(record.cuttings, record.events);
  floor::Mishap spoiled;
  spoiled.piece = partToSpoil(floor::lyingNow(ledger, 1));
  const floor::Aftermath after = floor::aftermath(ledger, 1, spoiled).value();
  const auto way = floor::wayOn(
      floor::wayFrom(ledger, floor::holdingsOf(record.cuttings, ledger.now()), 1, after),
      nest::Disturb::Nothing, options);
  if (!way || !way->plan.plan.complete()) return 1;
  record.cuttings[0].plans.push_back(way->plan);
  day.think();
  for (const Event& event : after.events) day.note(event);
  day.note(EventKind::PlanTaken, 2);
  day.cut(2, 1, 6);
  if (const auto problem = writeFile(argv[2], writeJob(job, record))) {
    std::cerr << describe(*problem) << "\n";
    return 1;
  }
  return 0;
}
