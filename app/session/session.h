// The job that is open: one immutable value, the values before and after it, and what follows from
// it; the desks that hold what else belongs to it. Every change of the job in the window goes
// through edit().
#pragma once

#include <QObject>
#include <QString>
#include <memory>
#include <vector>

#include "app/session/deriver.h"
#include "app/session/floor_desk.h"
#include "app/session/gauge_desk.h"
#include "app/session/history.h"
#include "app/session/job_file.h"
#include "app/session/label_desk.h"
#include "app/session/modes.h"
#include "app/session/plan_desk.h"
#include "app/session/pointing.h"
#include "app/session/store_desk.h"

namespace pp {

namespace floor {
struct Taken;
}

class Session : public QObject {
  Q_OBJECT
 public:
  explicit Session(QObject* parent = nullptr);
  ~Session() override = default;

  // The job that is shown, its parts and findings: all of one edit, the last one unless what
  // follows from that is still being worked out.
  const Job& job() const { return *shown_.job; }
  std::shared_ptr<const Job> jobValue() const { return shown_.job; }
  const Breakdown& breakdown() const { return *shown_.breakdown; }
  std::shared_ptr<const Breakdown> breakdownValue() const { return shown_.breakdown; }
  // What an edit is made from: the job after the last edit, which is shown from then on.
  Job draft();
  // Waits for what is still being worked out.
  void finish();
  Deriver& deriver() { return deriver_; }
  // Of the job, and of the plan where there is one; most severe first.
  const std::vector<Finding>& findings() const { return findings_; }
  LengthStyle style() const { return styleOf(job()); }

  // Takes `next` as the job, `what` as the words for undo. Problems, and no change, when it is not
  // valid. Taking an equal job is no edit.
  Problems edit(const QString& what, Job next);
  // Puts `assembly` in the place of the one with that code. As edit(), but also refuses what could
  // then not be built.
  Problems editAssembly(const QString& what, const std::string& code, Assembly assembly);
  // The same of a whole job, in which that assembly was changed, or what hangs on its parts.
  Problems editDrawn(const QString& what, const std::string& code, Job next);

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
  // With the house rules of that unit, where the shop has some.
  void openNew(Unit unit);
  // A job that was made of something else; it is not saved anywhere.
  void openNew(Job job);
  std::optional<Problem> save(const QString& path, JobFile::Over over = JobFile::Over::Own);
  // Under another name: the job moves there with all that it has, and its old file goes; or what is
  // drawn becomes a job of its own there.
  enum class As { Move, Copy };
  std::optional<Problem> saveAs(const QString& path, As as);
  // Before the job is left: the plan that is shown goes into its file, where that holds the job as
  // it is.
  void keepRecord();
  // The same where what was drawn is not to be kept.
  void discard();

  // The job's file, its lock and its autosave.
  JobFile& file() { return file_; }
  const JobFile& file() const { return file_; }
  // Takes up what a session that ended badly has left, as changes that are not saved.
  Problems recover(const Unsaved& left, Access access = Access::ToEdit);

  // What the user is in the middle of.
  Modes& modes() { return modes_; }
  Pointing& pointing() { return pointing_; }
  const Pointing& pointing() const { return pointing_; }
  PlanDesk& plans() { return plans_; }
  const PlanDesk& plans() const { return plans_; }
  FloorDesk& floor() { return floor_; }
  const FloorDesk& floor() const { return floor_; }
  GaugeDesk& gauge() { return gauge_; }
  LabelDesk& labels() { return labels_; }
  const LabelDesk& labels() const { return labels_; }
  StoreDesk& store() { return store_; }
  const StoreDesk& store() const { return store_; }

  // An edit of the pins that goes on from a plan of the same parts.
  Problems editPins(const QString& what, std::vector<JobPin> pins,
                    std::shared_ptr<const Plan> from);
  // How what is still to be cut is laid out, where the plan shown is of that; what the job needs.
  OpenWork openWork() const;
  JobWants wants() const;
  // Whether an assembly that is begun now may have that code.
  bool isFreeCode(const std::string& code) const;

  // What Lay out plans.
  void setScope(Scope scope);
  // Freezes the plan that is shown into a cutting and saves the job with it. No step that could be
  // undone. The job has a file. The shop's store is asked first where it has any of it, and
  // tookToTheSaw() says how that ended. Problems: nothing was begun.
  Problems takeToTheSaw();
  bool isAskingStore() const { return asking_; }
  // A page or label was made of what is drawn: it carries the codes, which stay as they are.
  void printed();
  // A cut of a cutting's plan was made; the last thing done at it was not, after all. On the disk
  // when they return.
  std::optional<Problem> cutMade(int cutting, int plan, int step);
  std::optional<Problem> takeBack(int cutting);
  // Something that leaves what is to be laid out as it is: a cut, the clock.
  std::optional<Problem> note(Event event);
  // What happened at a cutting, one thing after the other; none after one that the disk refuses.
  std::optional<Problem> happened(std::vector<Event> events);
  // The cutting goes on by another plan from what is there after that; the job is saved with it.
  Problems goOn(int cutting, std::vector<Event> events, CuttingPlan plan);
  // What of a cutting is not cut yet is not cut any more.
  std::optional<Problem> giveUp(int cutting);

 signals:
  void changed();       // the job, its break-down and findings
  void stateChanged();  // path, modified, undo words
  void findingsChanged();
  // What an edit took with it, or what became of what was done, for the user to know.
  void said(const QString& words);
  // The store has answered, or was not waited for any longer.
  void tookToTheSaw(const pp::Problems& problems);

 private:
  void take(Job job, Record record, const QString& path, Access access);
  void dropWhatIsGone();
  void follow();
  void followNow();
  void show(Derived made);
  Derived derivedNow();
  void measureAssembly();
  void followPlan(std::shared_ptr<const Plan> from = {});
  void protect();
  void tellStore();
  void mergeFindings();
  Record recordToSave() const;
  Problems saveAndNote(floor::Taken taken);
  Result<floor::Taken> readyToTake();
  Problems takeNow(floor::Taken taken);
  // With what the store has promised to it.
  using Promised = std::map<Id, std::int64_t>;
  Problems takePromised(const Promised& promised);

  History history_;
  JobFile file_;
  Modes modes_;
  Pointing pointing_;
  PlanDesk plans_;
  FloorDesk floor_;
  GaugeDesk gauge_;
  StoreDesk store_;
  LabelDesk labels_{*this};
  Deriver deriver_;
  Derived shown_;
  std::vector<Finding> findings_;
  bool asking_ = false;               // the store is asked what it promises
  std::string measured_;              // code of the assembly that the tape followed last
  std::shared_ptr<const Plan> from_;  // what the next search goes on from
};

}  // namespace pp
