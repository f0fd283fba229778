#include <gtest/gtest.h>

#include <QTemporaryDir>
#include <iostream>

#include "app/shell/main_window.h"
#include "tests/app/heartbeat.h"

namespace {

// Fails a test in which one event was more work for the interface thread than ten times the limit;
// the limit itself is held in the measurements.
class Heartbeat : public testing::EmptyTestEventListener {
 public:
  explicit Heartbeat(pp::test::TimedApplication& application) : application_(application) {}

  void OnTestStart(const testing::TestInfo&) override { application_.forget(); }
  void OnTestEnd(const testing::TestInfo& test) override {
    constexpr double kLimit = 50;  // ms
    if (application_.longest() > 10 * kLimit &&
        application_.longest() > 10 * kLimit * pp::test::slowness())
      ADD_FAILURE() << "the window did not answer for " << application_.longest()
                    << " ms: " << application_.longestWhat().toStdString();
    if (application_.longest() <= longest_) return;
    longest_ = application_.longest();
    where_ = std::string(test.test_suite_name()) + "." + test.name() + ", " +
             application_.longestWhat().toStdString();
  }
  void OnTestProgramEnd(const testing::UnitTest&) override {
    std::cout << "Longest time without an answer: " << longest_ << " ms (" << where_ << ")\n";
  }

 private:
  pp::test::TimedApplication& application_;
  double longest_ = 0;
  std::string where_;
};

}  // namespace

int main(int argc, char** argv) {
  // Nothing of the user's is read or written.
  const QTemporaryDir home;
  for (const char* name : {"HOME", "XDG_STATE_HOME", "XDG_DATA_HOME", "XDG_CONFIG_HOME"})
    qputenv(name, home.path().toUtf8());
  pp::test::TimedApplication application(argc, argv);
  constexpr double kLate = 500;  // ms
  application.watch(kLate);
  pp::dressUp();
  pp::Deriver::usual = std::chrono::minutes(10);
  testing::InitGoogleTest(&argc, argv);
  testing::UnitTest::GetInstance()->listeners().Append(new Heartbeat(application));
  return RUN_ALL_TESTS();
}
