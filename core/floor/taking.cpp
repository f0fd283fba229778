#include "core/floor/taking.h"

#include <utility>

namespace pp::floor {

Taken taken(Record record, const Job& job, const OpenRequest& open, Plan plan) {
  Taken out{std::move(record), {}};
  reserve(out.record, job, CodeExposure::OnPaper);
  out.record.cuttings.push_back(frozen(out.record, open, std::move(plan)));
  out.record.plan.reset();
  out.record.scope = {};
  Event event;
  event.kind = EventKind::Taken;
  event.cutting = out.record.cuttings.back().number;
  out.events.push_back(std::move(event));
  return out;
}

Result<Taken> goneOn(Record record, const Progress& progress, int cutting,
                     std::vector<Event> happened, CuttingPlan plan) {
  if (!progress.isUnderWay(cutting))
    return Problem{{}, 0, {}, "a cutting that is not under way", "one at the saw"};
  Taken out{std::move(record), std::move(happened)};
  Event event;
  event.kind = EventKind::PlanTaken;
  event.cutting = cutting;
  for (Cutting& one : out.record.cuttings) {
    if (one.number != cutting) continue;
    one.plans.push_back(std::move(plan));
    event.plan = static_cast<int>(one.plans.size());
    break;
  }
  out.events.push_back(std::move(event));
  return out;
}

void dropNeverTaken(Record& record, const Progress& progress) {
  while (!record.cuttings.empty() && progress.cuttings.count(record.cuttings.back().number) == 0)
    record.cuttings.pop_back();
}

}  // namespace pp::floor
