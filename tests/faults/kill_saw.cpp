// The program is killed at random moments while a job is at the saw and things of every kind are
// noted: cuts, cuts taken back, spares, pieces that came out otherwise, parts spoiled and planned
// anew, labels, machining, the clock. Whatever was told as done is there when the job is opened
// again, and nothing that cannot have happened; also where it was moved, copied or renamed before.
//
//   kill_saw [--rounds N] [--seed N]
#include <QApplication>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QTemporaryDir>
#include <cstdio>
#include <cstdlib>
#include <iostream>
#include <random>
#include <string>
#include <vector>

#include "app/session/session.h"
#include "app/shell/dress.h"
#include "core/breakdown/assign_ids.h"
#include "core/floor/at_saw.h"
#include "core/floor/mishap.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/formats/journal.h"
#include "tests/faults/child.h"

namespace pp::test {
namespace {

// How far the work was once so many events were noted, in one line.
std::string digest(const Record& record, std::int64_t events) {
  std::vector<Event> so(record.events.begin(), record.events.begin() + events);
  const floor::Progress at = floor::progress(record.cuttings, so);
  const floor::CuttingProgress& cutting = at.cuttings.at(1);
  std::size_t made = 0;
  for (const auto& steps : cutting.made) made += steps.size();
  std::int64_t spoiled = 0, labels = 0, done = 0;
  for (const auto& [piece, state] : at.pieces) {
    spoiled += state.spoiled ? 1 : 0;
    done += std::ssize(state.done);
  }
  for (const auto& [on, count] : at.labels) labels += count.printed + 100 * count.again;
  return std::to_string(cutting.plan) + " plan, " + std::to_string(made) + " made, " +
         std::to_string(cutting.bench.size()) + " lie, " + std::to_string(at.pieces.size()) +
         " pieces, " + std::to_string(spoiled) + " spoiled, " + std::to_string(at.running.size()) +
         " clocks, " + std::to_string(labels) + " labels, " + std::to_string(done) + " done, " +
         std::to_string(at.ignored.size()) + " ignored";
}

// A job whose cutting is at the saw.
int writeJobAtTheSaw(const QString& path) {
  QFile demo(QStringLiteral(":/demo/ringing-trolley.plainpatch"));
  if (!demo.open(QIODevice::ReadOnly)) return 1;
  Job job = readJob("demo", demo.readAll().toStdString()).value();
  job.id = "at-the-saw";
  if (!assignIdsAndCodes(job, 0)) return 1;
  Record record;
  const std::vector<Part> drawn = breakDown(job).parts;
  const floor::OpenRequest open = floor::openRequest(job, drawn, {}, {});
  nest::NestOptions options;
  options.steps = 60;
  record.cuttings.push_back(floor::frozen(record, open, nest::nest(open.request, options)));
  Event taken;
  taken.kind = EventKind::Taken;
  taken.cutting = 1;
  record.events.push_back(following({}, std::move(taken)));
  return writeFile(path.toStdString(), writeJob(job, record)) ? 1 : 0;
}

class Victim {
 public:
  Victim(const QString& path, std::uint64_t seed) : random_(seed) {
    if (!session_.open(path).empty()) std::exit(1);
  }

  // Notes without end.
  void run() {
    tell();
    for (;;) {
      const std::size_t what = below(22);
      if (what < 12)
        cut();
      else if (what < 14)
        back();
      else if (what < 16)
        clock();
      else if (what == 16)
        spare();
      else if (what == 17)
        cameOut();
      else if (what == 18)
        wrong();
      else if (what == 19)
        label();
      else if (what == 20)
        machined();
      else
        note(EventKind::WentWrong, {});
      tell();
    }
  }

 private:
  std::size_t below(std::size_t n) { return random_() % n; }
  void tell() {
    const auto events = std::ssize(session_.floor().record().events);
    std::printf("%lld %s\n", static_cast<long long>(events),
                digest(session_.floor().record(), events).c_str());
    std::fflush(stdout);
  }
  const floor::CuttingProgress& at() const { return session_.floor().progress().cuttings.at(1); }
  const CuttingPlan& plan() const {
    return session_.floor().record().cuttings[0].plans[static_cast<std::size_t>(at().plan - 1)];
  }
  void cut() {
    std::vector<int> ready;
    const floor::AtSaw saw(plan(), at().plan, at());
    for (std::size_t i = 0; i < saw.cuts(); ++i)
      if (saw.isReady(i)) ready.push_back(saw.cut(i).step);
    if (ready.empty()) return;
    if (session_.cutMade(1, at().plan, ready[below(ready.size())])) std::exit(1);
  }
  void back() { (void)session_.takeBack(1); }
  void note(EventKind kind, std::optional<PieceId> piece) {
    Event event;
    event.kind = kind;
    event.cutting = 1;
    event.piece = std::move(piece);
    event.name = "sawing";
    event.length = event.width = Length::mm(100);
    (void)session_.happened({std::move(event)});  // refused where it cannot have happened
  }
  void note(Event event) { (void)session_.happened({std::move(event)}); }
  // The next label comes out, or one more of a piece is wanted.
  void label() {
    const floor::Progress& now = session_.floor().progress();
    const auto owed = floor::labelsOwed(now);
    Event event;
    if (!owed.empty()) {
      const floor::LabelOwed& one = owed[below(owed.size())];
      event.kind = EventKind::LabelPrinted;
      event.piece = one.on.piece;
      event.step = one.nth;
    } else if (!now.pieces.empty()) {
      event.kind = EventKind::LabelWanted;
      event.piece = now.pieces.begin()->first;
    } else {
      return;
    }
    note(std::move(event));
  }
  // Something is machined on a piece, or it was not after all.
  void machined() {
    const auto& pieces = session_.floor().progress().pieces;
    if (pieces.empty()) return;
    auto at = pieces.begin();
    std::advance(at, static_cast<std::ptrdiff_t>(below(pieces.size())));
    Event event;
    event.piece = at->first;
    event.name = "dado";
    event.kind = at->second.done.empty() ? EventKind::Machined : EventKind::DoneTakenBack;
    note(std::move(event));
  }
  void clock() {
    note(session_.floor().progress().running.empty() ? EventKind::ClockStarted
                                                     : EventKind::ClockStopped,
         {});
  }
  void spare() { note(EventKind::Spare, PieceId{"T1-01", 1'000 + spares_++}); }
  std::optional<floor::Lying> part() {
    for (const floor::Lying& one : floor::lyingNow(session_.floor().ledger(), 1))
      if (one.part && below(3) == 0) return one;
    return std::nullopt;
  }
  void cameOut() {
    if (const auto one = part()) note(EventKind::CameOutAt, one->part);
  }
  void wrong() {
    const auto one = part();
    if (!one) return;
    floor::Mishap mishap;
    mishap.piece = one->piece;
    const auto after = floor::aftermath(session_.floor().ledger(), 1, mishap);
    if (!after) return;
    nest::NestOptions options;
    options.steps = 5;
    const auto way = floor::wayOn(
        floor::wayFrom(session_.floor().ledger(), session_.floor().holdings(), 1, *after),
        nest::Disturb::Freely, options);
    if (!way || !way->plan.plan.complete()) return;
    if (!session_.goOn(1, after->events, way->plan).empty()) std::exit(1);
  }

  Session session_;
  std::mt19937_64 random_;
  std::int64_t spares_ = 0;
};

// What is there: how many events, and how far the work was after so many as were told.
int runHeir(const QString& path, std::int64_t told) {
  Session session;
  const Problems problems = session.open(path);
  if (!problems.empty()) {
    std::printf("the file cannot be opened: %s\n", describe(problems).c_str());
    return 1;
  }
  const Record& record = session.floor().record();
  const auto have = std::ssize(record.events);
  std::printf("%lld\n", static_cast<long long>(have));
  if (have >= told) std::printf("%s\n", digest(record, told).c_str());
  const floor::CuttingProgress& at = session.floor().progress().cuttings.at(1);
  const floor::AtSaw saw(record.cuttings[0], at);
  const bool all = saw.cutsDone().done == saw.cutsDone().of;
  std::printf("%s\n", all ? "all is cut" : saw.next() ? "a next cut" : "stuck");
  return 0;
}

// Somebody tidies up before the job is opened again: it lies elsewhere, or there is a copy, or it
// is called otherwise, each with its journal. Where it is to be opened; empty: it could not be
// done.
QString tidied(const QString& path, std::uint64_t how) {
  const QString journal = QString::fromStdString(journalOf(path.toStdString()));
  const QDir folder = QFileInfo(path).dir();
  constexpr std::uint64_t kWays = 4;
  const QString to = how % kWays == 3 ? folder.filePath(QStringLiteral("renamed.plainpatch"))
                                      : folder.filePath(QStringLiteral("away/job.plainpatch"));
  if (how % kWays == 0) return path;
  folder.mkpath(QStringLiteral("away"));
  const QString journalTo = QString::fromStdString(journalOf(to.toStdString()));
  const auto go = [copies = how % kWays == 1](const QString& from, const QString& where) {
    return !QFile::exists(from) || (copies ? QFile::copy(from, where) : QFile::rename(from, where));
  };
  return go(path, to) && go(journal, journalTo) ? to : QString();
}

int round(const std::string& program, const QString& model, std::uint64_t seed) {
  const QTemporaryDir folder;
  for (const char* name : {"HOME", "XDG_STATE_HOME", "XDG_DATA_HOME", "XDG_CONFIG_HOME"})
    ::setenv(name, folder.path().toUtf8().constData(), 1);
  const QString path = folder.path() + QStringLiteral("/job.plainpatch");
  if (!QFile::copy(model, path)) return 1;
  std::mt19937_64 random(seed);
  constexpr double kMillisecond = 0.001;
  const Child victim =
      run(program, {"--victim", path.toStdString(), std::to_string(seed)},
          static_cast<double>(1 + random() % 220) * kMillisecond, From::FirstWords);
  const auto fail = [&](const std::string& why) {
    std::cout << "seed " << seed << ": " << why << "\n";
    return 1;
  };
  const std::string& did = victim.said;
  if (!victim.wasKilled()) return fail("the program ended by itself\n" + did);
  // The last line that was told whole.
  const std::string whole = did.substr(0, did.rfind('\n'));
  const std::size_t begin = whole.rfind('\n') == std::string::npos ? 0 : whole.rfind('\n') + 1;
  const std::string last = whole.substr(begin);
  const std::int64_t told = std::atoll(last.c_str());
  const std::string state = last.substr(last.find(' ') + 1);
  const QString there = tidied(path, random());
  if (there.isEmpty()) return fail("it could not be moved");
  const Child heir = run(program, {"--heir", there.toStdString(), std::to_string(told)});
  const std::string& found = heir.said;
  if (!heir.endedWell()) return fail("not opened: " + found);
  if (std::atoll(found.c_str()) < told) return fail("told " + last + "\nfound " + found);
  if (found.find("\n" + state + "\n") == std::string::npos)
    return fail("told " + last + "\nfound " + found);
  if (state.find(" 0 ignored") == std::string::npos) return fail("ignored: " + state);
  if (found.find("stuck") != std::string::npos) return fail("no next cut: " + found);
  return 0;
}

}  // namespace
}  // namespace pp::test

int main(int argc, char** argv) {
  using namespace pp::test;
  const std::vector<std::string> given(argv + 1, argv + argc);
  if (given.size() == 3 && given[0] == "--victim") {
    QApplication application(argc, argv);
    Victim(QString::fromStdString(given[1]), std::stoull(given[2])).run();
  }
  if (given.size() == 3 && given[0] == "--heir") {
    QApplication application(argc, argv);
    return runHeir(QString::fromStdString(given[1]), std::stoll(given[2]));
  }
  const QTemporaryDir folder;
  const QString model = folder.path() + QStringLiteral("/model.plainpatch");
  {
    QApplication application(argc, argv);
    pp::dressUp();
    if (writeJobAtTheSaw(model) != 0) {
      std::cout << "the job could not be written\n";
      return 1;
    }
  }
  return allRounds(given, 300, [&model](const std::string& program, std::uint64_t seed) {
    return round(program, model, seed);
  });
}
