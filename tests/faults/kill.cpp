// The window is killed at random moments while edits, saves, autosaves and prints are under way;
// every edit that is older than a second is there again when the next one starts.
//
//   kill [--rounds N] [--seed N]
#include <QApplication>
#include <QDir>
#include <QTemporaryDir>
#include <QTimer>
#include <cstdio>
#include <cstdlib>
#include <iostream>
#include <random>
#include <string>
#include <vector>

#include "app/shell/main_window.h"
#include "app/shell/print_dialog.h"
#include "core/formats/job_json.h"
#include "tests/faults/child.h"
#include "tests/faults/jobs.h"

namespace pp::test {
namespace {

// Edits without end, each with its number in the job's name, and tells of every one that is done.
int runVictim(int argc, char** argv, const QString& folder, std::uint64_t seed) {
  QApplication application(argc, argv);
  dressUp();
  std::mt19937_64 random(seed);
  const std::string& name = jobNames()[random() % jobNames().size()];
  const Job job = jobNamed(name);
  const QString path = folder + QStringLiteral("/job.plainpatch");
  MainWindow window;
  window.show();
  const bool saved = random() % 3 != 0;  // else it is a job that was never saved
  if (saved) {
    if (writeFile(path.toStdString(), writeJob(job)) || !window.openFile(path)) return 1;
  } else {
    Job fresh = job;
    fresh.name = "edit 0";
    window.session().edit(QStringLiteral("begin"), fresh);
  }
  int number = 0;
  QTimer timer;
  PrintDialog* dialog = nullptr;
  QObject::connect(&timer, &QTimer::timeout, [&] {
    Session& session = window.session();
    Job next = session.job();
    next.name = "edit " + std::to_string(++number);
    if (!next.assemblies.empty() && next.assemblies[0].isCarcass())
      next.assemblies[0].carcass().width = Length::mm(500 + number % 300);
    if (!next.loose.empty())
      next.loose[random() % next.loose.size()].length = Length::mm(300 + number % 500);
    if (!session.edit(QStringLiteral("edit"), next).empty()) std::exit(1);
    std::printf("%d %.6f\n", number, secondsNow());
    std::fflush(stdout);
    if (saved && random() % 12 == 0 && session.save(path)) std::exit(1);
    if (random() % 20 == 0 && dialog == nullptr) {
      dialog = new PrintDialog(session, &window);
      dialog->printInto(folder);
    }
  });
  timer.start(static_cast<int>(3 + random() % 40));
  return QApplication::exec();
}

// What the next start finds: the number of the last edit, from the autosave or the file.
int runHeir(int argc, char** argv, const QString& folder) {
  QApplication application(argc, argv);
  Session session;
  const QString path = folder + QStringLiteral("/job.plainpatch");
  int best = 0;
  const auto numberOf = [](const Job& job) {
    return job.name.starts_with("edit ") ? std::atoi(job.name.c_str() + 5) : 0;
  };
  if (QFile::exists(path)) {
    const Problems problems = session.open(path);
    if (!problems.empty()) {
      std::printf("the file cannot be opened: %s\n", describe(problems).c_str());
      return 1;
    }
    best = numberOf(session.job());
  }
  for (const Unsaved& left : session.file().unsaved()) {
    const Problems problems = session.recover(left);
    if (!problems.empty()) {
      std::printf("the autosave cannot be read: %s\n", describe(problems).c_str());
      return 1;
    }
    best = std::max(best, numberOf(session.job()));
  }
  const QDir state(JobFile::folder());
  const QStringList litter =
      state.entryList({QStringLiteral(".plainpatch-*")}, QDir::Files | QDir::Hidden) +
      (QFile::exists(path)
           ? QDir(folder).entryList({QStringLiteral(".plainpatch-*")}, QDir::Files | QDir::Hidden)
           : QStringList());
  if (!litter.isEmpty()) {
    std::printf("left behind: %s\n", qPrintable(litter.join(QLatin1Char(' '))));
    return 1;
  }
  session.file().end();
  std::printf("edit %d\n", best);
  return 0;
}

int round(const std::string& program, std::uint64_t seed) {
  const QTemporaryDir folder;
  for (const char* name : {"HOME", "XDG_STATE_HOME", "XDG_DATA_HOME", "XDG_CONFIG_HOME"})
    ::setenv(name, folder.path().toUtf8().constData(), 1);
  std::mt19937_64 random(seed);
  const double after = 1.2 + static_cast<double>(random() % 2'000) / 1'000;
  const Child victim =
      run(program, {"--victim", folder.path().toStdString(), std::to_string(seed)}, after);
  if (!victim.wasKilled()) {
    std::cout << "seed " << seed << ": the window ended by itself\n" << victim.said;
    return 1;
  }
  int owed = 0;  // the last edit that was done a second before the end
  int last = 0;
  const char* at = victim.said.c_str();
  for (int number;;) {
    double when = 0;
    int used = 0;
    if (std::sscanf(at, "%d %lf\n%n", &number, &when, &used) != 2 || used == 0) break;
    at += used;
    last = number;
    if (when < victim.killedAt - 1) owed = number;
  }
  const Child heir = run(program, {"--heir", folder.path().toStdString()});
  int have = -1;
  const std::size_t line = heir.said.rfind("edit ");
  if (line != std::string::npos) have = std::atoi(heir.said.c_str() + line + 5);
  if (!heir.endedWell() || have < owed || have > last + 1) {
    std::cout << "seed " << seed << ": " << last << " edits, owed " << owed << ", found " << have
              << "\n"
              << heir.said;
    return 1;
  }
  return 0;
}

}  // namespace
}  // namespace pp::test

int main(int argc, char** argv) {
  using namespace pp::test;
  const std::vector<std::string> given(argv + 1, argv + argc);
  if (given.size() == 3 && given[0] == "--victim")
    return runVictim(argc, argv, QString::fromStdString(given[1]), std::stoull(given[2]));
  if (given.size() == 2 && given[0] == "--heir")
    return runHeir(argc, argv, QString::fromStdString(given[1]));
  return allRounds(given, 30, [](const std::string& program, std::uint64_t seed) {
    return round(program, seed);
  });
}
