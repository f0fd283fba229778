// Nests on a thread of its own and hands plans to the window by value.
#pragma once

#include <QObject>
#include <condition_variable>
#include <memory>
#include <mutex>
#include <optional>
#include <stop_token>
#include <thread>
#include <vector>

#include "core/breakdown/breakdown.h"
#include "core/nest/changes/nearly.h"

namespace pp {

// A plan with everything needed to show it: it stays valid whatever becomes of the job.
struct PlanShown {
  std::shared_ptr<const Job> job;
  std::shared_ptr<const std::vector<Part>> parts;
  std::shared_ptr<const NestRequest> request;
  std::shared_ptr<const Plan> plan;               // the one shown
  std::vector<std::shared_ptr<const Plan>> kept;  // those none beats, cheapest first
  double seconds = 0;
  std::int64_t iterations = 0;
  bool settled = false;
};

// Lives on the window's thread. Signals come on that thread, never after a newer start() or stop().
class PlanRunner : public QObject {
  Q_OBJECT
 public:
  explicit PlanRunner(QObject* parent = nullptr);
  // Waits for the search that was stopped.
  ~PlanRunner() override;

  // Begins a search as soon as the one under way, which is told to stop, has ended by itself; what
  // that still finds is dropped. Of searches that wait to begin only the last one does. It goes on
  // from `from` where that is not null. Of `what`, job, parts and request are looked at. Once it
  // has ended by itself, the smallest change that would save a sheet is looked for.
  void start(PlanShown what, double seconds, std::shared_ptr<const Plan> from = {});
  // Ends the search without waiting for it; the plan shown last stays.
  void stop();
  bool isRunning() const { return running_; }

 signals:
  void progressed(const pp::PlanShown& shown);
  void finished();
  void nearlyFound(const pp::PlanShown& shown, const pp::nest::Nearly& nearly);
  void failed(const QString& why);  // an internal failure: nothing of that plan is shown

 private:
  void arrived(std::uint64_t generation, const PlanShown& shown);
  void ended(std::uint64_t generation, const QString& failure);

  // What is to be searched next, once the search before has ended.
  struct Order {
    std::uint64_t generation = 0;
    PlanShown what;
    double seconds = 0;
    std::shared_ptr<const Plan> from;
  };
  void run();
  void search(const Order& order, const std::stop_token& stop);

  std::mutex mutex_;  // of what follows
  std::condition_variable ordered_;
  std::optional<Order> next_;
  std::stop_source stop_{std::nostopstate};  // of the search under way
  bool ending_ = false;

  std::uint64_t generation_ = 0;
  bool running_ = false;
  std::thread thread_;  // one for all searches: those that nobody waits for never pile up
};

}  // namespace pp
