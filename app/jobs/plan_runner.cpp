#include "app/jobs/plan_runner.h"

#include <sys/resource.h>
#include <unistd.h>

#include <QMetaObject>
#include <QThread>
#include <algorithm>
#include <exception>
#include <utility>

namespace pp {

PlanRunner::PlanRunner(QObject* parent) : QObject(parent), thread_([this] { run(); }) {}

PlanRunner::~PlanRunner() {
  {
    const std::scoped_lock lock(mutex_);
    ending_ = true;
    next_.reset();
    stop_.request_stop();
  }
  ordered_.notify_all();
  thread_.join();
}

void PlanRunner::start(PlanShown what, double seconds, std::shared_ptr<const Plan> from) {
  stop();
  running_ = true;
  {
    const std::scoped_lock lock(mutex_);
    next_ = Order{++generation_, std::move(what), seconds, std::move(from)};
  }
  ordered_.notify_all();
}

void PlanRunner::stop() {
  {
    const std::scoped_lock lock(mutex_);
    next_.reset();
    stop_.request_stop();
  }
  if (!running_) return;
  running_ = false;
  ++generation_;
  emit finished();
}

// The thread is joined before this object goes, so `this` outlives it; what it posts is dropped
// with the object or by its generation.
void PlanRunner::run() {
  // The window comes first: on Linux a thread, and those it starts, may be nice by themselves.
  constexpr int kNice = 10;
  ::setpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()), kNice);
  for (;;) {
    std::optional<Order> order;
    std::stop_token stop;
    {
      std::unique_lock lock(mutex_);
      ordered_.wait(lock, [this] { return next_ || ending_; });
      if (ending_) return;
      order = std::exchange(next_, {});
      stop_ = std::stop_source();
      stop = stop_.get_token();
    }
    search(*order, stop);
  }
}

void PlanRunner::search(const Order& order, const std::stop_token& stop) {
  const std::uint64_t generation = order.generation;
  QString failure;
  PlanShown shown = order.what;
  try {
    nest::NestOptions options;
    options.seconds = order.seconds;
    options.start = order.from;
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
