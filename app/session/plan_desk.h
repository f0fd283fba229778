// The plans of what is to be cut: the search for them, the one that is shown, and what the second
// look finds in it.
#pragma once

#include "app/jobs/plan_runner.h"
#include "core/floor/open_parts.h"
#include "core/secondlook/second_look.h"

namespace pp {

class PlanDesk : public QObject {
  Q_OBJECT
 public:
  explicit PlanDesk(QObject* parent = nullptr);
  // Nobody is told of a search that ends because everything ends.
  ~PlanDesk() override;

  PlanRunner& runner() { return runner_; }
  // The last plan, and whether it still belongs to what is to be cut.
  const PlanShown& shown() const { return shown_; }
  bool isCurrent() const { return current_; }
  // Whether there is anything to lay out.
  bool hasWork() const { return open_ && !open_->request.empty(); }
  // What a plan has to be of.
  const floor::OpenRequest& open() const { return *open_; }
  const std::vector<Finding>& findings() const { return findings_; }

  // Another job: nothing of the last stays.
  void clear();
  // The job, and of it what is to be cut, as they are now. A plan of the same request stays, with
  // the names that things have now; else the one the file kept is shown where it is of that, or a
  // new one is searched for. With `from` the search goes on from there.
  void follow(std::shared_ptr<const Job> job, floor::OpenRequest open,
              const std::optional<KeptPlan>& kept, std::shared_ptr<const Plan> from);
  // Lays out for so many seconds; a plan that is there is gone on from.
  void layOut(double seconds);
  // Shows another of the plans kept.
  void show(const std::shared_ptr<const Plan>& plan);

  // The plan that is shown, as a file keeps it; nothing where it is not of what is to be cut.
  std::optional<KeptPlan> toKeep() const;
  // Whether the file has what toKeep() gives.
  bool isInFile() const { return !current_ || !shown_.plan || shown_.plan == inFile_; }
  void markInFile() { inFile_ = current_ ? shown_.plan : nullptr; }

 signals:
  void changed();
  void another();  // a plan that is not the one before
  void findingsChanged();

 private:
  void take(const PlanShown& shown);
  PlanShown onJob(PlanShown plan) const;
  bool showKept(const std::optional<KeptPlan>& kept);
  void look();
  void start(double seconds, std::shared_ptr<const Plan> from);

  PlanRunner runner_;
  std::shared_ptr<const Job> job_;
  std::shared_ptr<const floor::OpenRequest> open_;
  // The two halves of it that a plan is shown with.
  std::shared_ptr<const std::vector<Part>> parts_;
  std::shared_ptr<const NestRequest> request_;
  std::string nested_;  // its fingerprint; empty: nothing is to be cut
  PlanShown shown_;
  bool current_ = false;
  std::shared_ptr<const Plan> inFile_;
  std::shared_ptr<const Plan> chosen_;  // by the user, among those kept
  std::optional<Finding> nearly_;       // of the plan as it is
  std::vector<Finding> findings_;
};

}  // namespace pp
