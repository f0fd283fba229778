#include "tests/app/heartbeat.h"

#include <execinfo.h>
#include <pthread.h>
#include <time.h>
#include <unistd.h>

#include <QEvent>
#include <QMetaEnum>
#include <QPointer>
#include <QThread>
#include <algorithm>
#include <array>
#include <atomic>
#include <chrono>
#include <csignal>
#include <cstdint>
#include <cstdio>
#include <thread>
#include <utility>

namespace pp::test {
namespace {

// What the thread has worked itself, in milliseconds.
double workedMs() {
  timespec now{};
  clock_gettime(CLOCK_THREAD_CPUTIME_ID, &now);
  return static_cast<double>(now.tv_sec) * 1e3 + static_cast<double>(now.tv_nsec) / 1e6;
}

}  // namespace

double slowness() {
  // Every step waits for the one before: five cycles or so, 20 ms in all at 2.5 GHz.
  constexpr int kSteps = 10'000'000;
  constexpr double kUsual = 20;
  constexpr int kTries = 3;
  double longest = 0;
  for (int i = 0; i < kTries; ++i) {
    const double begun = workedMs();
    std::uint64_t hash = 14'695'981'039'346'656'037ULL;
    for (int step = 0; step < kSteps; ++step) {
      hash ^= static_cast<std::uint64_t>(step);
      hash *= 1'099'511'628'211ULL;
    }
    // Which is never so, and the compiler does not know.
    if (hash == 0) return 1;
    longest = std::max(longest, workedMs() - begun);
  }
  return std::max(1.0, longest / kUsual);
}

// Looks at the window's thread from another one.
class Watch {
 public:
  explicit Watch(double milliseconds) : limit_(milliseconds), watched_(pthread_self()) {
    pthread_getcpuclockid(watched_, &clock_);
    std::signal(SIGUSR2, [](int) {
      constexpr int kDeepest = 60;
      std::array<void*, kDeepest> frames{};
      const int count = backtrace(frames.data(), kDeepest);
      backtrace_symbols_fd(frames.data(), count, STDERR_FILENO);
    });
    // Loads what it needs now, and not in the midst of a signal.
    void* frame = nullptr;
    (void)backtrace(&frame, 1);
    thread_ = std::jthread([this](const std::stop_token& stop) { run(stop); });
  }
  void begins(double worked) { begun_ = worked; }
  void ends() { begun_ = kNone; }

 private:
  static constexpr double kNone = -1;

  void run(const std::stop_token& stop) {
    double said = kNone;
    while (!stop.stop_requested()) {
      std::this_thread::sleep_for(std::chrono::milliseconds(10));
      const double begun = begun_;
      timespec now{};
      if (begun == kNone || begun == said || clock_gettime(clock_, &now) != 0) continue;
      const double worked =
          static_cast<double>(now.tv_sec) * 1e3 + static_cast<double>(now.tv_nsec) / 1e6;
      if (worked - begun < limit_) continue;
      said = begun;
      std::fprintf(stderr, "An event has taken %.0f ms so far:\n", worked - begun);
      pthread_kill(watched_, SIGUSR2);
    }
  }

  const double limit_;
  const pthread_t watched_;
  clockid_t clock_{};
  std::atomic<double> begun_ = kNone;
  std::jthread thread_;
};

TimedApplication::TimedApplication(int& argc, char** argv) : QApplication(argc, argv) {}
TimedApplication::~TimedApplication() = default;

void TimedApplication::watch(double milliseconds) {
  watch_ = std::make_unique<Watch>(milliseconds);
}

void TimedApplication::leaveOut() {
  if (turns_.empty()) return;
  turns_.back().over = true;
  if (watch_) watch_->ends();
}

void TimedApplication::forget() {
  longest_ = 0;
  what_.clear();
}

void TimedApplication::took(const Turn& turn, QObject* receiver, int type) {
  const double ms = workedMs() - turn.worked;
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
  turns_.push_back({level, workedMs(), false});
  if (watch_) watch_->begins(turns_.back().worked);
  const int type = event->type();
  const QPointer<QObject> to = receiver;
  const bool out = QApplication::notify(receiver, event);
  if (!turns_.back().over) took(turns_.back(), to, type);
  turns_.pop_back();
  if (watch_) watch_->ends();
  driving_ = driven;
  return out;
}

}  // namespace pp::test
