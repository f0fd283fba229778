// The shop's store beside the job that is open. It is read and written on a thread of its own, so
// that a store that another window is writing keeps nobody waiting; a job is usable whatever
// becomes of it.
#pragma once

#include <QObject>
#include <condition_variable>
#include <deque>
#include <functional>
#include <map>
#include <memory>
#include <mutex>
#include <thread>

#include "core/shop/job_rack.h"
#include "core/store/store.h"

namespace pp {

class StoreDesk : public QObject {
  Q_OBJECT
 public:
  explicit StoreDesk(QObject* parent = nullptr);
  // What was asked for is done first.
  ~StoreDesk() override;

  // The store's file from now on; the user's own where none was said.
  void setPath(const std::string& path);
  // What the store had when it was last read, for the job that was open then; null: not read yet,
  // or it cannot be.
  std::shared_ptr<const StoreState> state() const { return state_; }
  // Why it cannot be used; empty: it can.
  const QString& trouble() const { return trouble_; }

  // Another job is open: what was read was for the one before.
  void begin(const std::string& job);
  // Reads it anew, for the job that is open.
  void look();
  // The same, and no store is made where there is none yet.
  void lookIfThere();
  // The house rules of a unit as they were read last, whatever job was open then; empty: none.
  const std::string& rules(Unit unit) const { return rules_[unit == Unit::Inch ? 1 : 0]; }
  // Tells it what the job has, then reads it anew. The store takes no step back. What it cannot be
  // told now is tried again, and said.
  void follow(JobHolding holding);
  // Promises pieces to a cutting; `then` is called with the answer, or without one after a second:
  // a store that cannot be used refuses nothing.
  struct Answer {
    Problems refused;  // pieces that are not free
    QString untold;    // why the store does not know of it yet; empty: it does
  };
  void take(const std::string& name, int cutting, const std::map<Id, std::int64_t>& pieces,
            std::function<void(const Answer&)> then);
  // Puts a piece there, of a material like that, which is made where there is none, then reads it
  // anew.
  void put(RackPiece piece, RackMaterial material);
  // What a job needs of the shop, where there is one.
  void want(JobWants wants);
  // A change of what the shop owns and the way back, in words for undo. What the store refuses is
  // no change.
  using Work = std::function<Problems(Store&)>;
  void change(const QString& what, Work forth, Work back);
  QString undoText() const { return done_.empty() ? QString() : done_.back().what; }
  QString redoText() const { return undone_.empty() ? QString() : undone_.back().what; }
  void undo();
  void redo();
  // What was read of a lot's thickness.
  void keepReadings(RackMaterial material, const std::string& lot, std::vector<Length> readings);
  // Waits until all that was asked for is done and shown.
  void finish();

 signals:
  void changed();
  void refused(const pp::Problems& problems);
  // What the store does not know yet, or knows at last.
  void said(const QString& words);

 private:
  // What is done with the store, or without one and why; what is only looked for nobody waits for
  // once the program ends.
  struct Task {
    std::function<void(Store*, const Problems&)> work;
    bool looks = false;
  };
  void ask(std::function<void(Store*, const Problems&)> work, bool looks = false);
  void run();
  // On the thread: tells it again what it could not be told; it has been told of a job.
  void tell(Store* store);
  void isTold(const std::string& job);
  void inWindow(std::function<void()> what);
  void show(const std::string& job, const Result<StoreState>& state);
  struct Step {
    QString what;
    Work forth, back;
  };
  bool isThere();
  void act(const Work& work, std::function<void()> done);

  std::string job_;
  std::shared_ptr<const StoreState> state_;
  QString trouble_;
  std::string rules_[2];  // mm, in
  std::vector<Step> done_, undone_;
  // Shared with the thread.
  std::mutex mutex_;
  std::condition_variable waiting_;
  std::deque<Task> tasks_;
  std::string path_;
  bool reopen_ = false, end_ = false, busy_ = false;
  // The thread's own: what jobs have, by their ids, that the store does not know yet.
  std::map<std::string, JobHolding> owed_;
  std::thread thread_;
};

}  // namespace pp
