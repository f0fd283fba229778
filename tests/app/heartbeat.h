// Measures how long the interface thread was kept from its event loop: by one event, and by all that
// was done between two turns of the loop.
#pragma once

#include <QApplication>
#include <QElapsedTimer>
#include <QString>

namespace pp::test {

class TimedApplication : public QApplication {
 public:
  TimedApplication(int& argc, char** argv);
  bool notify(QObject* receiver, QEvent* event) override;

  // The longest time so far, in milliseconds, and what took it.
  double longest() const { return longest_; }
  const QString& longestWhat() const { return what_; }
  void forget();

 private:
  void took(double ms, const QString& what);

  int depth_ = 0;
  double longest_ = 0;
  QString what_;
};

}  // namespace pp::test
