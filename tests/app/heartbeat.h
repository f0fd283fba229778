// Measures how much work of the interface thread one event was, in the thread's own processor time:
// what else the machine does, and how long its disk takes, is no matter of the window's.
#pragma once

#include <QApplication>
#include <QString>
#include <memory>
#include <vector>

namespace pp::test {

// How many times as long as usual a fixed piece of work takes at the moment; at least 1. A machine
// that is shared gives less than a processor to who thinks to have one.
double slowness();

class Watch;

class TimedApplication : public QApplication {
 public:
  TimedApplication(int& argc, char** argv);
  ~TimedApplication() override;
  bool notify(QObject* receiver, QEvent* event) override;

  // The longest time so far, in milliseconds, and what took it.
  double longest() const { return longest_; }
  const QString& longestWhat() const { return what_; }
  void forget();

  // What the test itself does in the rest of this event is not the window's.
  void leaveOut();

  // What runs in `drive` stands for a user: every event it sends is measured by itself.
  template <class Function>
  void drive(Function drive) {
    driving_ = true;
    drive();
    driving_ = false;
  }

  // Writes to standard error what the thread does once one event has kept it for so many
  // milliseconds of its own, once an event.
  void watch(double milliseconds);

 private:
  // An event that came from a loop; those it sends itself are part of it.
  struct Turn {
    int level = 0;
    double worked = 0;  // ms the thread had worked before
    bool over = false;  // it runs a loop of its own, a question: from there on others are measured
  };
  void took(const Turn& turn, QObject* receiver, int type);

  std::vector<Turn> turns_;
  std::unique_ptr<Watch> watch_;
  bool driving_ = false;
  double longest_ = 0;
  QString what_;
};

}  // namespace pp::test
