// The window is killed at random moments while edits, saves, autosaves and prints are under way;
// every edit that is older than a second is there again when the next one starts.
//
//   kill [--rounds N] [--seed N]
#include <sys/wait.h>
#include <unistd.h>

#include <QApplication>
#include <QDir>
#include <QTemporaryDir>
#include <QTimer>
#include <chrono>
#include <csignal>
#include <cstdio>
#include <cstdlib>
#include <iostream>
#include <random>
#include <string>
#include <thread>
#include <vector>

#include "app/shell/main_window.h"
#include "app/shell/print_dialog.h"
#include "core/formats/job_json.h"
#include "tests/faults/jobs.h"

namespace pp::test {
namespace {

using Clock = std::chrono::steady_clock;

double now() {
  return std::chrono::duration<double>(Clock::now().time_since_epoch()).count();
}

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
    std::printf("%d %.6f\n", number, now());
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

std::string outputOf(const std::string& program, const std::vector<std::string>& arguments,
                     double killAfter, double& killedAt, int& status) {
  int from[2];
  if (::pipe(from) != 0) return {};
  const pid_t child = ::fork();
  if (child == 0) {
    ::dup2(from[1], 1);
    std::vector<char*> argv = {const_cast<char*>(program.c_str())};
    for (const std::string& one : arguments) argv.push_back(const_cast<char*>(one.c_str()));
    argv.push_back(nullptr);
    ::execv(program.c_str(), argv.data());
    ::_exit(127);
  }
  ::close(from[1]);
  std::thread killer;
  if (killAfter > 0)
    killer = std::thread([&] {
      std::this_thread::sleep_for(std::chrono::duration<double>(killAfter));
      killedAt = now();
      ::kill(child, SIGKILL);
    });
  std::string out;
  char buffer[4096];
  for (ssize_t n; (n = ::read(from[0], buffer, sizeof buffer)) > 0;)
    out.append(buffer, static_cast<std::size_t>(n));
  ::close(from[0]);
  if (killer.joinable()) killer.join();
  ::waitpid(child, &status, 0);
  return out;
}

int round(const std::string& program, std::uint64_t seed) {
  const QTemporaryDir folder;
  for (const char* name : {"HOME", "XDG_STATE_HOME", "XDG_DATA_HOME", "XDG_CONFIG_HOME"})
    ::setenv(name, folder.path().toUtf8().constData(), 1);
  std::mt19937_64 random(seed);
  const double after = 1.2 + static_cast<double>(random() % 2'000) / 1'000;
  double killedAt = 0;
  int status = 0;
  const std::string did =
      outputOf(program, {"--victim", folder.path().toStdString(), std::to_string(seed)}, after,
               killedAt, status);
  if (!WIFSIGNALED(status) || WTERMSIG(status) != SIGKILL) {
    std::cout << "seed " << seed << ": the window ended by itself\n" << did;
    return 1;
  }
  int owed = 0;  // the last edit that was done a second before the end
  int last = 0;
  const char* at = did.c_str();
  for (int number;;) {
    double when = 0;
    int used = 0;
    if (std::sscanf(at, "%d %lf\n%n", &number, &when, &used) != 2 || used == 0) break;
    at += used;
    last = number;
    if (when < killedAt - 1) owed = number;
  }
  double none = 0;
  const std::string found =
      outputOf(program, {"--heir", folder.path().toStdString()}, 0, none, status);
  int have = -1;
  const std::size_t line = found.rfind("edit ");
  if (line != std::string::npos) have = std::atoi(found.c_str() + line + 5);
  if (!WIFEXITED(status) || WEXITSTATUS(status) != 0 || have < owed || have > last + 1) {
    std::cout << "seed " << seed << ": " << last << " edits, owed " << owed << ", found " << have
              << "\n"
              << found;
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
  int rounds = 30;
  std::uint64_t seed = 1;
  for (std::size_t i = 0; i + 1 < given.size(); i += 2) {
    if (given[i] == "--rounds") rounds = std::stoi(given[i + 1]);
    if (given[i] == "--seed") seed = std::stoull(given[i + 1]);
  }
  std::array<char, 4096> program{};
  if (::readlink("/proc/self/exe", program.data(), program.size() - 1) < 0) return 1;
  int bad = 0;
  for (int i = 0; i < rounds; ++i)
    bad += round(program.data(), seed + static_cast<std::uint64_t>(i));
  std::cout << rounds - bad << " of " << rounds << " rounds: nothing lost\n";
  return bad == 0 ? 0 : 1;
}
