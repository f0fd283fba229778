// Work that waits until control is back in the event loop and is then done once, however often it
// was asked for: what follows a job is built once an edit, and no widget is rebuilt or deleted
// while an event of its own is being handled.
#pragma once

#include <QObject>
#include <functional>

namespace pp {

class Later : public QObject {
 public:
  Later(std::function<void()> work, QObject* parent) : QObject(parent), work_(std::move(work)) {}

  void ask() {
    if (asked_) return;
    asked_ = true;
    QMetaObject::invokeMethod(
        this, [this] { now(); }, Qt::QueuedConnection);
  }
  // Does it at once if it was asked for.
  void now() {
    if (!asked_) return;
    asked_ = false;
    work_();
  }
  bool isAsked() const { return asked_; }

 private:
  std::function<void()> work_;
  bool asked_ = false;
};

}  // namespace pp
