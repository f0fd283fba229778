#include "app/session/deriver.h"

#include <utility>

#include "core/secondlook/floor_look.h"

namespace pp {

Derived derived(std::shared_ptr<const Job> job, const std::vector<Cutting>& cuttings,
                const floor::Progress& progress) {
  auto breakdown = std::make_shared<const Breakdown>(breakDown(*job));
  std::vector<Finding> findings = secondLook(*job, *breakdown);
  for (Finding& finding : lookAtFloor(*job, breakdown->parts, cuttings, progress))
    findings.push_back(std::move(finding));
  if (job->codes != breakdown->codes) {
    Job numbered = *job;
    numbered.codes = breakdown->codes;
    job = std::make_shared<const Job>(std::move(numbered));
  }
  return {std::move(job), std::move(breakdown), std::move(findings)};
}

Deriver::~Deriver() {
  if (running_.valid()) running_.wait();
}

Deriver::Timed Deriver::timed(const std::shared_ptr<const Job>& job,
                              const std::vector<Cutting>& cuttings,
                              const floor::Progress& progress) {
  const auto begin = std::chrono::steady_clock::now();
  Derived made = derived(job, cuttings, progress);
  return {std::move(made), std::chrono::steady_clock::now() - begin};
}

std::optional<Derived> Deriver::derive(std::shared_ptr<const Job> job,
                                       const std::vector<Cutting>& cuttings,
                                       const floor::Progress& progress) {
  if (isBusy()) {
    next_ = {std::move(job), cuttings, progress};
    return std::nullopt;
  }
  if (last_ < frame_) return deriveNow(std::move(job), cuttings, progress);
  start({std::move(job), cuttings, progress});
  return std::nullopt;
}

Derived Deriver::deriveNow(std::shared_ptr<const Job> job, const std::vector<Cutting>& cuttings,
                           const floor::Progress& progress) {
  // What is under way is of a job that nobody asks for any more.
  next_.reset();
  if (running_.valid()) running_.get();
  Timed out = timed(job, cuttings, progress);
  last_ = out.took;
  return std::move(out.made);
}

void Deriver::start(Wanted wanted) {
  running_ = std::async(std::launch::async, [this, run = ++run_, wanted = std::move(wanted)] {
    Timed out = timed(wanted.job, wanted.cuttings, wanted.progress);
    QMetaObject::invokeMethod(
        this, [this, run] { take(run); }, Qt::QueuedConnection);
    return out;
  });
}

// Called once for every run, but that may have been waited for meanwhile.
void Deriver::take(int run) {
  if (run != run_ || !running_.valid()) return;
  Timed out = running_.get();
  last_ = out.took;
  if (next_)
    start(*std::exchange(next_, std::nullopt));
  else
    emit ready(out.made);
}

std::optional<Derived> Deriver::finish() {
  if (!isBusy()) return std::nullopt;
  if (next_) {
    const Wanted wanted = *std::exchange(next_, std::nullopt);
    return deriveNow(wanted.job, wanted.cuttings, wanted.progress);
  }
  Timed out = running_.get();
  last_ = out.took;
  return std::move(out.made);
}

}  // namespace pp
