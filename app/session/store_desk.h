// The shop's store beside the job that is open. It is read and written on a thread of its own, so
// that a store that another window is writing keeps nobody waiting; a job is usable whatever
// becomes of it.
#pragma once

#include <QObject>
#include <condition_variable>
#include <deque>
#include <functional>
#include <memory>
#include <mutex>
#include <thread>

#include "core/store/job_rack.h"

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
  // Tells it what the job has, then reads it anew. The store takes no step back.
  void follow(JobHolding holding);
  // Promises pieces to a cutting, and waits for the answer. A store that cannot be used at all
  // refuses nothing; trouble() says what is wrong with it.
  Problems take(const std::string& name, int cutting, const std::map<Id, std::int64_t>& pieces);
  // Puts a piece there, of a material like that, which is made where there is none, then reads it
  // anew.
  void put(RackPiece piece, RackMaterial material);
  // What was read of a lot's thickness.
  void keepReadings(RackMaterial material, const std::string& lot, std::vector<Length> readings);
  // Waits until all that was asked for is done and shown.
  void finish();

 signals:
  void changed();
  void refused(const pp::Problems& problems);

 private:
  using Task = std::function<void(Store*, const Problems&)>;
  void ask(Task task);
  void run();
  void show(const std::string& job, const Result<StoreState>& state);

  std::string job_;
  std::shared_ptr<const StoreState> state_;
  QString trouble_;
  // Shared with the thread.
  std::mutex mutex_;
  std::condition_variable waiting_;
  std::deque<Task> tasks_;
  std::string path_;
  bool reopen_ = false, end_ = false, busy_ = false;
  std::thread thread_;
};

}  // namespace pp
