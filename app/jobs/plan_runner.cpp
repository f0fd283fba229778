#include "app/jobs/plan_runner.h"

#include <QMetaObject>
#include <QThread>
#include <algorithm>
#include <exception>

namespace pp {

PlanRunner::PlanRunner(QObject* parent) : QObject(parent) {}

PlanRunner::~PlanRunner() {
  stop();
}

void PlanRunner::start(std::shared_ptr<const Job> job,
                       std::shared_ptr<const std::vector<Part>> parts, double seconds,
                       std::shared_ptr<const Plan> from) {
  stop();
  running_ = true;
  const std::uint64_t generation = ++generation_;
  // The thread is joined in stop() before this object can go, so `this` outlives it; what it posts
  // is dropped with the object or by its generation.
  thread_ = std::jthread([this, generation, job = std::move(job), parts = std::move(parts),
                          from = std::move(from), seconds](const std::stop_token& stop) {
    QString failure;
    PlanShown shown;
    shown.job = job;
    shown.parts = parts;
    try {
      shown.request = std::make_shared<const NestRequest>(requestOf(*job, *parts));
      nest::NestOptions options;
      options.seconds = seconds;
      options.start = from;
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
  });
}

void PlanRunner::stop() {
  if (thread_.joinable()) {
    thread_.request_stop();
    thread_.join();
  }
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
