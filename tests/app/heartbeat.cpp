#include "tests/app/heartbeat.h"

#include <time.h>

#include <QEvent>
#include <QMetaEnum>
#include <QPointer>
#include <QThread>
#include <algorithm>
#include <cstdint>
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
  const int type = event->type();
  const QPointer<QObject> to = receiver;
  const bool out = QApplication::notify(receiver, event);
  if (!turns_.back().over) took(turns_.back(), to, type);
  turns_.pop_back();
  driving_ = driven;
  return out;
}

}  // namespace pp::test
