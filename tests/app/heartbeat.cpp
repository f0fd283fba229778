#include "tests/app/heartbeat.h"

#include <fcntl.h>
#include <time.h>
#include <unistd.h>

#include <QEvent>
#include <QMetaEnum>
#include <QPointer>
#include <QThread>
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <utility>

namespace pp::test {
namespace {

// How long this thread has been ready and waiting for a processor, in milliseconds; 0 where it is
// not told. The file has nanoseconds run, nanoseconds waited, turns.
double waitedMs() {
  static const int file = ::open("/proc/thread-self/schedstat", O_RDONLY | O_CLOEXEC);
  char text[128];
  const ssize_t size = file < 0 ? -1 : ::pread(file, text, sizeof text - 1, 0);
  if (size <= 0) return 0;
  text[size] = '\0';
  double ran = 0;
  double waited = 0;
  return std::sscanf(text, "%lf %lf", &ran, &waited) == 2 ? waited / 1e6 : 0;
}

// What the thread has worked itself, in milliseconds.
double workedMs() {
  timespec now{};
  clock_gettime(CLOCK_THREAD_CPUTIME_ID, &now);
  return static_cast<double>(now.tv_sec) * 1e3 + static_cast<double>(now.tv_nsec) / 1e6;
}

std::int64_t nowNs() {
  return std::chrono::duration_cast<std::chrono::nanoseconds>(
             std::chrono::steady_clock::now().time_since_epoch())
      .count();
}

constexpr std::int64_t kLook = 5'000'000;    // ns between two looks at the clock
constexpr std::int64_t kWrite = 25'000'000;  // and two writes
constexpr std::int64_t kMissed = 20'000'000;  // no less than this is a standstill

}  // namespace

Standstill::Standstill(Of what)
    : pause_(what == Of::Disk ? kWrite : kLook), seen_(nowNs()) {
  if (what == Of::Disk) {
    char name[] = "/tmp/heartbeat-XXXXXX";
    file_ = ::mkostemp(name, O_CLOEXEC);
    if (file_ >= 0) ::unlink(name);
  }
  thread_ = std::jthread([this](const std::stop_token& stop) {
    while (!stop.stop_requested()) look();
  });
}

Standstill::~Standstill() {
  thread_ = {};  // stopped and waited for
  if (file_ >= 0) ::close(file_);
}

void Standstill::look() {
  std::this_thread::sleep_for(std::chrono::nanoseconds(pause_));
  if (file_ >= 0 && ::pwrite(file_, "x", 1, 0) == 1) ::fdatasync(file_);
  const std::int64_t now = nowNs(), gap = now - seen_ - pause_;
  if (gap > kMissed) missed_ += gap;
  seen_ = now;
}

double Standstill::missed() const {
  const std::int64_t gap = nowNs() - seen_ - pause_;
  return static_cast<double>(missed_ + (gap > kMissed ? gap : 0)) / 1e6;
}

void TimedApplication::forget() {
  longest_ = 0;
  what_.clear();
}

void TimedApplication::took(const Turn& turn, QObject* receiver, int type) {
  // What is painted goes to a display that is another process, and here waits for its turn as all
  // do: how long that took to take it is not the window's.
  const double ms = type == QEvent::UpdateRequest
                        ? workedMs() - turn.worked
                        : static_cast<double>(turn.timer.nsecsElapsed()) / 1e6 -
                              std::max(waitedMs() - turn.waited, missed() - turn.missed);
  if (ms <= longest_) return;
  longest_ = ms;
  const char* event = QMetaEnum::fromType<QEvent::Type>().valueToKey(type);
  what_ = QStringLiteral("%1 to a %2")
              .arg(QString::fromLatin1(event),
                   receiver ? QString::fromLatin1(receiver->metaObject()->className())
                            : QStringLiteral("thing that is gone"));
}

bool TimedApplication::notify(QObject* receiver, QEvent* event) {
  const int level = thread()->loopLevel();
  const bool driven = std::exchange(driving_, false);
  const bool begins = turns_.empty() || driven || level > turns_.back().level;
  if (!begins) return QApplication::notify(receiver, event);
  if (!turns_.empty() && !turns_.back().over) {
    if (!driven) took(turns_.back(), nullptr, QEvent::None);
    turns_.back().over = true;
  }
  turns_.push_back({level, {}, waitedMs(), workedMs(), missed(), false});
  turns_.back().timer.start();
  const int type = event->type();
  const QPointer<QObject> to = receiver;
  const bool out = QApplication::notify(receiver, event);
  if (!turns_.back().over) took(turns_.back(), to, type);
  turns_.pop_back();
  driving_ = driven;
  return out;
}

}  // namespace pp::test
