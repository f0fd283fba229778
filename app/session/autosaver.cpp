#include "app/session/autosaver.h"

#include <QDateTime>
#include <QFile>
#include <utility>

namespace pp {

Autosaver::Autosaver(QObject* parent) : QObject(parent), thread_([this] { run(); }) {}

Autosaver::~Autosaver() {
  {
    const std::scoped_lock lock(mutex_);
    ending_ = true;
  }
  changed_.notify_all();
  thread_.join();
}

void Autosaver::keep(State state) {
  {
    const std::scoped_lock lock(mutex_);
    wanted_ = std::move(state);
  }
  changed_.notify_all();
}

void Autosaver::drop(const QString& autosave) {
  {
    const std::scoped_lock lock(mutex_);
    if (wanted_ && wanted_->autosave == autosave) wanted_.reset();
    dropped_ = autosave;
  }
  changed_.notify_all();
}

void Autosaver::wait() {
  std::unique_lock lock(mutex_);
  changed_.wait(lock, [this] { return !wanted_ && !dropped_ && !busy_; });
}

void Autosaver::run() {
  std::unique_lock lock(mutex_);
  for (;;) {
    changed_.wait(lock, [this] { return wanted_ || dropped_ || ending_; });
    if (!wanted_ && !dropped_) return;
    const auto drop = std::exchange(dropped_, {});
    const auto keep = std::exchange(wanted_, {});
    busy_ = true;
    lock.unlock();
    if (drop) QFile::remove(*drop);
    if (keep) {
      const QString when = QDateTime::currentDateTime().toString(Qt::ISODate);
      const Autosave state{keep->path.toStdString(), when.toStdString(), keep->base, *keep->job};
      const auto problem =
          writeFile(keep->autosave.toStdString(), writeAutosave(state), Readable::ByOwnerOnly);
      // Signals from another thread are queued to those that live on the window's.
      if (problem)
        emit failed(*problem);
      else
        emit kept(keep->edits);
    }
    lock.lock();
    busy_ = false;
    changed_.notify_all();
  }
}

}  // namespace pp
