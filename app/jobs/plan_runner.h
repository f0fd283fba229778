// Nests on a thread of its own and hands plans to the window by value.
#pragma once

#include <QObject>
#include <atomic>
#include <memory>
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
  // Waits for the searches that were stopped.
  ~PlanRunner() override;

  // Begins a search; one that is under way is told to stop and left to end by itself, and what it
  // still finds is dropped. It goes on from `from` where that is not null. Once it has ended by
  // itself, the smallest change that would save a sheet is looked for.
  void start(std::shared_ptr<const Job> job, std::shared_ptr<const Breakdown> breakdown,
             double seconds, std::shared_ptr<const Plan> from = {});
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

  // A thread and whether it has nothing left to do.
  struct Search {
    std::jthread thread;
    std::shared_ptr<std::atomic<bool>> over;
  };
  void search(std::uint64_t generation, PlanShown shown, const Breakdown& breakdown, double seconds,
              std::shared_ptr<const Plan> from, const std::stop_token& stop);

  std::vector<Search> searches_;  // the last one is the one that is shown
  std::uint64_t generation_ = 0;
  bool running_ = false;
};

}  // namespace pp
