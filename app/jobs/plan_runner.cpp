#include "app/jobs/plan_runner.h"

#include <sys/resource.h>
#include <unistd.h>

#include <QMetaObject>
#include <QThread>
#include <algorithm>
#include <exception>

namespace pp {

PlanRunner::PlanRunner(QObject* parent) : QObject(parent) {}

PlanRunner::~PlanRunner() {
  stop();
}

void PlanRunner::start(std::shared_ptr<const Job> job, std::shared_ptr<const Breakdown> breakdown,
                       double seconds, std::shared_ptr<const Plan> from) {
  stop();
  running_ = true;
  const std::uint64_t generation = ++generation_;
  PlanShown shown;
  shown.job = std::move(job);
  const auto over = std::make_shared<std::atomic<bool>>(false);
  // Threads are joined before this object goes, so `this` outlives them; what they post is dropped
  // with the object or by its generation.
  searches_.push_back(
      {std::jthread([this, generation, shown = std::move(shown), breakdown = std::move(breakdown),
                     from = std::move(from), seconds, over](const std::stop_token& stop) {
         search(generation, shown, *breakdown, seconds, from, stop);
         *over = true;
       }),
       over});
}

void PlanRunner::search(std::uint64_t generation, PlanShown shown, const Breakdown& breakdown,
                        double seconds, std::shared_ptr<const Plan> from,
                        const std::stop_token& stop) {
  // The window comes first: on Linux a thread, and those it starts, may be nice by themselves.
  constexpr int kNice = 10;
  ::setpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()), kNice);
  QString failure;
  try {
    shown.parts = std::make_shared<const std::vector<Part>>(sheetParts(breakdown.parts));
    shown.request = std::make_shared<const NestRequest>(requestOf(*shown.job, *shown.parts));
    nest::NestOptions options;
    options.seconds = seconds;
    options.start = std::move(from);
    options.threads = static_cast<unsigned>(std::clamp(QThread::idealThreadCount(), 2, 8));
    nest::nest(*shown.request, options, stop, [&](const nest::NestProgress& progress) {
      shown.plan = progress.plan;
      shown.kept = progress.kept;
      shown.seconds = progress.seconds;
      shown.iterations = progress.iterations;
      shown.settled = progress.settled;
      QMetaObject::invokeMethod(
          this, [this, generation, shown] { arrived(generation, shown); }, Qt::QueuedConnection);
    });
  } catch (const std::exception& error) {
    failure = QString::fromStdString(pp::shown(error.what(), 300));
  }
  QMetaObject::invokeMethod(
      this, [this, generation, failure] { ended(generation, failure); }, Qt::QueuedConnection);
  if (!failure.isEmpty() || !shown.plan || stop.stop_requested()) return;
  if (const auto found = nest::nearly(*shown.request, *shown.plan, {}, stop);
      found && !stop.stop_requested())
    QMetaObject::invokeMethod(
        this,
        [this, generation, shown, found] {
          if (generation == generation_) emit nearlyFound(shown, *found);
        },
        Qt::QueuedConnection);
}

void PlanRunner::stop() {
  if (!searches_.empty()) searches_.back().thread.request_stop();
  // Joining those that are over takes no time.
  std::erase_if(searches_, [](const Search& search) { return search.over->load(); });
  if (!running_) return;
  running_ = false;
  ++generation_;
  emit finished();
}

void PlanRunner::arrived(std::uint64_t generation, const PlanShown& shown) {
  if (generation == generation_) emit progressed(shown);
}

void PlanRunner::ended(std::uint64_t generation, const QString& failure) {
  if (generation != generation_) return;
  running_ = false;
  if (!failure.isEmpty()) emit failed(failure);
  emit finished();
}

}  // namespace pp
