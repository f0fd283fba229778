#include "tests/app/heartbeat.h"

#include <QEvent>
#include <QMetaEnum>
#include <QWidget>

namespace pp::test {

TimedApplication::TimedApplication(int& argc, char** argv) : QApplication(argc, argv) {}

void TimedApplication::forget() {
  longest_ = 0;
  what_.clear();
}

void TimedApplication::took(double ms, const QString& what) {
  if (ms <= longest_) return;
  longest_ = ms;
  what_ = what;
}

// Only the outermost event counts: a question that waits for its answer runs a loop of its own, and
// each event of that is measured by itself.
bool TimedApplication::notify(QObject* receiver, QEvent* event) {
  const QEvent::Type type = event->type();
  QElapsedTimer timer;
  timer.start();
  const bool outer = depth_++ == 0;
  const QString name = outer ? QString::fromLatin1(receiver->metaObject()->className()) : QString();
  const bool out = QApplication::notify(receiver, event);
  --depth_;
  if (outer)
    took(static_cast<double>(timer.nsecsElapsed()) / 1e6,
         QStringLiteral("%1 to a %2")
             .arg(QString::fromLatin1(QMetaEnum::fromType<QEvent::Type>().valueToKey(type)), name));
  return out;
}

}  // namespace pp::test
