// How long an edit and an undo keep the interface thread, in every stage and at every size of job,
// and what five hundred edits take of memory.  window_bench [JOB ...]
#include <unistd.h>

#include <QTemporaryDir>
#include <QTest>
#include <algorithm>
#include <cstdio>
#include <fstream>
#include <iterator>
#include <vector>

#include "app/shell/main_window.h"
#include "tests/app/heartbeat.h"
#include "tests/faults/jobs.h"

namespace {

double residentMb() {
  std::ifstream in("/proc/self/statm");
  double pages = 0;
  in >> pages >> pages;
  return pages * static_cast<double>(::sysconf(_SC_PAGESIZE)) / 1e6;
}

pp::Job edited(const pp::Job& job, int number) {
  using namespace pp;
  Job next = job;
  if (!next.assemblies.empty()) {
    // Every assembly in turn, where it has a width to change.
    const auto at = static_cast<std::size_t>(number) % next.assemblies.size();
    if (std::as_const(next).assemblies[at].isCarcass())
      next.assemblies[at].carcass().width += Length::mm(1);
    else
      next.assemblies[at].name += ".";
  } else {
    next.loose[static_cast<std::size_t>(number) % next.loose.size()].length += Length::mm(1);
  }
  return next;
}

void show(const char* what, std::vector<double> ms) {
  std::sort(ms.begin(), ms.end());
  std::printf("  %-18s median %6.1f ms   nine in ten %6.1f   longest %6.1f\n", what,
              ms[ms.size() / 2], ms[ms.size() * 9 / 10], ms.back());
}

}  // namespace

int main(int argc, char** argv) {
  using namespace pp;
  const QTemporaryDir home;
  for (const char* name : {"HOME", "XDG_STATE_HOME", "XDG_DATA_HOME", "XDG_CONFIG_HOME"})
    qputenv(name, home.path().toUtf8());
  test::TimedApplication application(argc, argv);
  dressUp();
  std::vector<std::string> jobs(argv + 1, argv + argc);
  if (jobs.empty()) jobs = test::jobNames();
  for (const std::string& name : jobs) {
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    if (!QTest::qWaitForWindowExposed(&window)) return 1;
    window.session().edit(QStringLiteral("begin"), test::jobNamed(name));
    const char* const stages[] = {"Draw", "Parts", "Rack", "Lay out"};
    std::printf("%s\n", name.c_str());
    // The longest that the thread was kept by one event, from the edit until nothing is left to do.
    const auto timed = [&](const auto& work) {
      application.forget();
      QMetaObject::invokeMethod(
          &window, [&] { work(); }, Qt::QueuedConnection);
      for (int i = 0; i < 4; ++i) QApplication::processEvents();
      QTest::qWait(30);  // what still follows: a first plan, a search that ends
      return application.longest();
    };
    for (int stage = 0; stage < static_cast<int>(std::size(stages)); ++stage) {
      window.showStage(stage);
      QApplication::processEvents();
      std::vector<double> edits;
      std::vector<double> undos;
      constexpr int kEdits = 40;
      for (int i = 0; i < kEdits; ++i) {
        const Job next = edited(window.session().job(), i);
        edits.push_back(timed([&] { window.session().edit(QStringLiteral("edit"), next); }));
      }
      for (int i = 0; i < kEdits; ++i) undos.push_back(timed([&] { window.session().undo(); }));
      show((std::string(stages[stage]) + ", edit").c_str(), edits);
      show((std::string(stages[stage]) + ", undo").c_str(), undos);
    }
    const double before = residentMb();
    constexpr int kMany = 500;
    for (int i = 0; i < kMany; ++i) {
      window.session().edit(QStringLiteral("edit"), edited(window.session().job(), i));
      QApplication::processEvents();
    }
    window.session().file().settle();
    std::printf(
        "  five hundred edits with undo: %.0f MB more, %.0f MB in all, %zu states, %.1f MB "
        "counted\n",
        residentMb() - before, residentMb(), window.session().history().states(),
        static_cast<double>(window.session().history().bytes()) / 1e6);
    window.session().file().end();
  }
  return 0;
}
