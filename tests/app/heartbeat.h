// Measures how long the interface thread was kept from its event loop by one event. The time in
// which the machine ran something else while the thread was ready is taken off, where the kernel
// tells it: tests run beside each other. So is the time in which the machine itself, or its
// disk, stood still.
#pragma once

#include <QApplication>
#include <QElapsedTimer>
#include <QString>
#include <algorithm>
#include <atomic>
#include <cstdint>
#include <thread>
#include <vector>

namespace pp::test {

// A thread with next to nothing to do, again and again: what it misses, all have missed.
class Standstill {
 public:
  // Looks at the clock, or puts a byte on the disk as well.
  enum class Of { Machine, Disk };
  explicit Standstill(Of what);
  ~Standstill();
  // Milliseconds missed since it was made, those just now among them.
  double missed() const;

 private:
  void look();

  const std::int64_t pause_;  // nanoseconds between two looks
  int file_ = -1;
  std::atomic<std::int64_t> missed_ = 0;  // nanoseconds
  std::atomic<std::int64_t> seen_ = 0;    // the clock when it looked last
  std::jthread thread_;
};

class TimedApplication : public QApplication {
 public:
  TimedApplication(int& argc, char** argv) : QApplication(argc, argv) {}
  bool notify(QObject* receiver, QEvent* event) override;

  // The longest time so far, in milliseconds, and what took it.
  double longest() const { return longest_; }
  const QString& longestWhat() const { return what_; }
  void forget();

  // What the test itself does in the rest of this event is not the window's.
  void leaveOut() {
    if (!turns_.empty()) turns_.back().over = true;
  }

  // What runs in `drive` stands for a user: every event it sends is measured by itself.
  template <class Function>
  void drive(Function drive) {
    driving_ = true;
    drive();
    driving_ = false;
  }

 private:
  // An event that came from a loop; those it sends itself are part of it.
  struct Turn {
    int level = 0;
    QElapsedTimer timer;
    double waited = 0;  // ms the thread had waited for a processor before
    double worked = 0;  // ms it had worked
    double missed = 0;  // ms the machine or its disk had stood still
    bool over = false;  // it runs a loop of its own, a question: from there on others are measured
  };
  void took(const Turn& turn, QObject* receiver, int type);

  double missed() const { return std::max(machine_.missed(), disk_.missed()); }

  Standstill machine_{Standstill::Of::Machine}, disk_{Standstill::Of::Disk};
  std::vector<Turn> turns_;
  bool driving_ = false;
  double longest_ = 0;
  QString what_;
};

}  // namespace pp::test
