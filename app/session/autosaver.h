// Keeps the last state of a job on the disk while it is worked on, on a thread of its own.
#pragma once

#include <QObject>
#include <QString>
#include <condition_variable>
#include <cstddef>
#include <memory>
#include <mutex>
#include <optional>
#include <thread>

#include "core/formats/autosave.h"

namespace pp {

// Lives on the window's thread; so do its signals.
class Autosaver : public QObject {
  Q_OBJECT
 public:
  explicit Autosaver(QObject* parent = nullptr);
  // What was asked for is done first.
  ~Autosaver() override;

  struct State {
    QString autosave;  // the file to keep it in
    std::shared_ptr<const Job> job;
    QString path;  // of the job's own file, empty: none
    std::optional<FileStamp> base;
    std::size_t edits = 0;  // made up to this state, counted by the asker
  };
  // Writes that state as soon as may be; of those that wait only the newest is written.
  void keep(State state);
  // Removes the file; a state that still waits for it is not written.
  void drop(const QString& autosave);
  // Returns when all that was asked for is done.
  void wait();

 signals:
  void kept(std::size_t edits);
  void failed(const pp::Problem& problem);

 private:
  void run();

  std::mutex mutex_;
  std::condition_variable changed_;
  std::optional<State> wanted_;
  std::optional<QString> dropped_;
  bool busy_ = false;
  bool ending_ = false;
  std::thread thread_;
};

}  // namespace pp
