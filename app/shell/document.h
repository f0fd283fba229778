// The job that is open: one immutable value, the values before and after it, and what follows from
// it. Every change of the job in the window goes through edit().
#pragma once

#include <QObject>
#include <QString>
#include <memory>
#include <vector>

#include "app/jobs/plan_runner.h"
#include "app/session/history.h"
#include "app/session/job_file.h"
#include "app/session/modes.h"
#include "core/breakdown/breakdown.h"
#include "core/secondlook/second_look.h"

namespace pp {

// What is pointed at on any stage: the tape and the second look follow it.
struct Selection {
  std::string assembly;  // code, empty: none
  std::optional<OpeningPath> opening;
  std::string part;  // code, empty: none
};

class Document : public QObject {
  Q_OBJECT
 public:
  explicit Document(QObject* parent = nullptr);
  ~Document() override;

  const Job& job() const { return *history_.now(); }
  std::shared_ptr<const Job> jobValue() const { return history_.now(); }
  const Breakdown& breakdown() const { return *breakdown_; }
  std::shared_ptr<const Breakdown> breakdownValue() const { return breakdown_; }
  // Of the job, and of the plan where there is one; most severe first.
  const std::vector<Finding>& findings() const { return findings_; }
  LengthStyle style() const { return styleOf(job()); }

  // Takes `next` as the job, `what` as the words for undo. Problems, and no change, when it is not
  // valid. Taking an equal job is no edit.
  Problems edit(const QString& what, Job next);
  // Puts `assembly` in the place of the one with that code. As edit(), but also refuses what could
  // then not be built.
  Problems editAssembly(const QString& what, const std::string& code, Assembly assembly);

  const History& history() const { return history_; }
  bool canUndo() const { return history_.canUndo(); }
  bool canRedo() const { return history_.canRedo(); }
  QString undoText() const;
  QString redoText() const;
  void undo();
  void redo();

  QString path() const { return file_.path(); }
  QString title() const;
  bool isModified() const { return !history_.isSaved(); }

  // Replaces what is open. On failure nothing changes.
  enum class Access { ToEdit, ToRead };
  Problems open(const QString& path, Access access = Access::ToEdit);
  // Opens a job that ships with the program as a new, unsaved one.
  Problems openDemo(const QString& name);
  void openNew();
  std::optional<Problem> save(const QString& path);
  // What was printed carries the codes it shows for good.
  void reserveCodes() { reserve(record_, job()); }
  // Before the job is left: the plan that is shown goes into its file, where that holds the job as
  // it is.
  void keepRecord();

  // The job's file, its lock and its autosave.
  JobFile& file() { return file_; }
  const JobFile& file() const { return file_; }
  // Takes up what a session that ended badly has left, as changes that are not saved.
  Problems recover(const Unsaved& left, Access access = Access::ToEdit);

  // What the user is in the middle of.
  Modes& modes() { return modes_; }

  const Selection& selection() const { return selection_; }
  void select(Selection selection);
  // The length the tape shows, with the words for it.
  void measure(const QString& what, Length length);
  const QString& measuredWhat() const { return measuredWhat_; }
  Length measured() const { return measured_; }

  PlanRunner& runner() { return runner_; }
  // The last plan, and whether it still belongs to the job as it is.
  const PlanShown& plan() const { return plan_; }
  bool isPlanCurrent() const { return planCurrent_; }
  // Lays out the job as it is, for so long; a plan that is there is gone on from.
  void layOut(double seconds);
  // Shows another of the plans kept.
  void showPlan(const std::shared_ptr<const Plan>& plan);
  // An edit of the pins that goes on from a plan of the same parts.
  Problems editPins(const QString& what, std::vector<JobPin> pins,
                    std::shared_ptr<const Plan> from);

 signals:
  void changed();       // the job, its break-down and findings
  void stateChanged();  // path, modified, undo words
  void selectionChanged();
  void measuredChanged();
  void planChanged();
  void findingsChanged();
  // What an edit took with it, for the user to know.
  void said(const QString& words);

 private:
  void take(Job job, Record record, const QString& path, Access access);
  bool showKeptPlan();
  PlanShown onJob(PlanShown plan) const;
  void show();
  void showAnother();
  void dropWhatIsGone();
  void derive();
  void protect();
  void takePlan(const PlanShown& shown);
  void mergeFindings();
  void lookAtPlanAgain();
  void startLayOut(double seconds, std::shared_ptr<const Plan> from);

  History history_;
  JobFile file_;
  Modes modes_;
  std::shared_ptr<const Breakdown> breakdown_ = std::make_shared<const Breakdown>();
  std::vector<Finding> jobFindings_, planFindings_, findings_;
  Selection selection_;
  QString measuredWhat_;
  Length measured_ = Length::mm(600);
  PlanRunner runner_;
  Record record_;
  // What a plan has to be of: of the job as it is.
  std::shared_ptr<const std::vector<Part>> parts_;
  std::shared_ptr<const NestRequest> request_;
  std::string nested_;  // its fingerprint; empty: nothing is to be nested
  std::shared_ptr<const Plan> inFile_;
  PlanShown plan_;
  bool planCurrent_ = false;
  std::shared_ptr<const Plan> chosen_;  // by the user, among those kept
  std::shared_ptr<const Plan> from_;    // what the next search goes on from
  std::optional<Finding> nearly_;       // of the plan as it is
};

// "x: found ..., expected ..." for showing beside a field.
QString sentence(const Problem& problem);

}  // namespace pp
