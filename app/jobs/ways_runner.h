// Plans the ways to go on after a mishap, on a thread of its own.
#pragma once

#include <QObject>
#include <memory>
#include <thread>

#include "core/floor/mishap.h"

namespace pp {

class WaysRunner : public QObject {
  Q_OBJECT
 public:
  using QObject::QObject;
  // Stops, and waits for the thread.
  ~WaysRunner() override;

  // Looks for the three ways, one after the other, that which disturbs least first. What was being
  // looked for before is dropped.
  void start(floor::WayFrom from, double secondsEach);
  void stop();
  bool isRunning() const { return running_; }

 signals:
  // Comes on the thread that started it, never after a newer start() or stop().
  void found(const pp::floor::Way& way);
  void finished();
  void failed(const QString& why);

 private:
  std::jthread thread_;
  std::uint64_t generation_ = 0;
  bool running_ = false;
};

}  // namespace pp
