// Every call that writes a file fails in turn, from the window and from the command line: the old
// file stays whole, the error is said, nothing half is left. Run with failing_calls loaded.
#include <dlfcn.h>
#include <gtest/gtest.h>
#include <sys/stat.h>
#include <sys/wait.h>

#include <QCheckBox>
#include <QDir>
#include <QLineEdit>
#include <QPushButton>
#include <QTemporaryDir>
#include <QTest>
#include <cerrno>
#include <cstdio>
#include <cstdlib>

#include "app/shell/main_window.h"
#include "app/shell/print_dialog.h"
#include "app/stages/draw/library.h"
#include "app/stages/parts/parts_stage.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/formats/journal.h"
#include "tests/app/driver.h"
#include "tests/faults/jobs.h"

namespace pp {
namespace {

using Arm = void (*)(const char*, int, int, const char*);
using Seen = int (*)();

const std::vector<const char*> kCalls = {"open", "write", "truncated", "fsync", "close", "rename"};
const int kErrors[] = {ENOSPC, EIO, EACCES};

template <class Function>
Function symbol(const char* name) {
  return reinterpret_cast<Function>(::dlsym(RTLD_DEFAULT, name));
}

// Names in a folder that nobody asked for.
QStringList halfFiles(const QString& folder) {
  return QDir(folder).entryList({QStringLiteral(".plainpatch-*"), QStringLiteral("*.XXXXXX")},
                                QDir::Files | QDir::Hidden);
}

class FailingFiles : public testing::Test {
 protected:
  void SetUp() override {
    arm_ = symbol<Arm>("failing_calls_arm");
    seen_ = symbol<Seen>("failing_calls_seen");
    ASSERT_NE(arm_, nullptr) << "the library of failing calls is not loaded";
    ASSERT_TRUE(folder_.isValid());
  }
  void TearDown() override { arm_("", 0, 0, ""); }

  // Runs `write` with each call failing at its first, second … time, until it is called no more.
  // `write` says whether it reported an error.
  void everyCall(const std::function<bool()>& write, const std::function<void(const char*)>& check,
                 const std::vector<const char*>& calls = kCalls) {
    for (const char* call : calls)
      for (const int error : kErrors) {
        int nth = 1;
        for (;; ++nth) {
          ASSERT_LT(nth, 60) << call;
          arm_(call, nth, error, folder_.path().toUtf8().constData());
          const bool said = write();
          const int seen = seen_();
          arm_("", 0, 0, "");
          if (seen < nth) break;  // it was not called so often: nothing failed
          const std::string what =
              std::string(call) + " " + std::to_string(nth) + " with " + std::strerror(error);
          EXPECT_TRUE(said) << what;
          EXPECT_TRUE(halfFiles(folder_.path()).isEmpty()) << what;
          check(what.c_str());
        }
        EXPECT_GT(nth, 1) << call << " was never called";
      }
  }
  QString path(const char* name) const { return folder_.filePath(QString::fromUtf8(name)); }

  QTemporaryDir folder_;
  Arm arm_ = nullptr;
  Seen seen_ = nullptr;
};

TEST_F(FailingFiles, aSaveLeavesTheOldFileOrTheNewOneAndSaysSo) {
  Session session;
  ASSERT_TRUE(session.openDemo(QStringLiteral("ringing-trolley")).empty());
  const QString file = path("a.plainpatch");
  ASSERT_FALSE(session.save(file).has_value());
  const auto inFile = [&] {
    const auto text = readFile(file.toStdString());
    return text ? readJob("a", text.value()) : Result<Job>(text.problems());
  };
  Job old = session.job();
  Job next = old;
  int edits = 0;
  bool isSaid = false;
  QObject::connect(&session, &Session::said, [&isSaid] { isSaid = true; });
  everyCall(
      [&] {
        old = inFile().value();
        next.name = "changed " + std::to_string(++edits);
        EXPECT_TRUE(session.edit(QStringLiteral("rename"), next).empty());
        isSaid = false;
        return session.save(file).has_value() || isSaid;
      },
      [&](const char* what) {
        const auto job = inFile();
        ASSERT_TRUE(job.ok()) << what;
        EXPECT_TRUE(job.value() == old || job.value() == next) << what;
        // Written though its folder could not be synced, it is saved.
        EXPECT_EQ(session.isModified(), job.value() == old) << what;
      });
}

TEST_F(FailingFiles, whatHappenedIsOnTheDiskOrSaidNotToBe) {
  const std::string file = path("a.plainpatch.journal").toStdString();
  std::vector<Event> noted;
  std::int64_t seq = 0;
  Event event;
  everyCall(
      [&] {
        event.seq = ++seq;
        event.note = "a mishap";
        Journal journal(file, "AB12");
        const bool failed = journal.append(event).has_value();
        if (!failed) noted.push_back(event);
        return failed;
      },
      [&](const char* what) {
        // Read as the next session would; what could not be cut off again is not taken for an
        // event.
        std::vector<Event> events;
        (void)Journal(file, "AB12").takeUp(events);
        EXPECT_EQ(events, noted) << what;
      },
      // Once it is synced it is there, whatever its file's close says.
      {"open", "write", "truncated", "fsync"});
  EXPECT_GT(noted.size(), 3U);
}

TEST_F(FailingFiles, listsOfOneOrderAreAllWrittenOrNone) {
  std::vector<FileText> files = {{path("a.csv").toStdString(), ""},
                                 {path("b.csv").toStdString(), ""},
                                 {path("c.csv").toStdString(), ""}};
  const auto onDisk = [&] {
    std::vector<std::string> out;
    for (const FileText& file : files) {
      const auto text = readFile(file.path);
      out.push_back(text ? text.value() : "not there");
    }
    return out;
  };
  ASSERT_FALSE(writeFile(files[0].path, "the first order\n").has_value());
  std::vector<std::string> before;
  int orders = 0;
  everyCall(
      [&] {
        // Some replace a file and some are new.
        ::unlink(files[static_cast<std::size_t>(orders % 3)].path.c_str());
        before = onDisk();
        ++orders;
        for (FileText& file : files) file.content = "order " + std::to_string(orders) + "\n";
        return writeFiles(files).has_value();
      },
      [&](const char* what) { EXPECT_EQ(onDisk(), before) << what; });
}

TEST_F(FailingFiles, aKeptAssemblyIsWholeOrNotThere) {
  const QByteArray data = qgetenv("XDG_DATA_HOME");
  qputenv("XDG_DATA_HOME", folder_.path().toUtf8());
  const Job job = test::jobNamed("case");
  everyCall([&] { return keepInLibrary(job.assemblies[0], job).has_value(); },
            [&](const char* what) {
              for (const LibraryItem& item : libraryItems())
                EXPECT_FALSE(item.name.empty()) << what;
            });
  qputenv("XDG_DATA_HOME", data);
}

TEST_F(FailingFiles, autosavesThatFailAreSaidUntilOneIsWritten) {
  const QByteArray state = qgetenv("XDG_STATE_HOME");
  qputenv("XDG_STATE_HOME", folder_.path().toUtf8());
  {
    MainWindow window;
    test::appear(&window);
    ASSERT_TRUE(window.openDemo(QStringLiteral("ringing-trolley")));
    const auto edit = [&](const char* name) {
      Job next = window.session().job();
      next.name = name;
      ASSERT_TRUE(window.session().edit(QStringLiteral("rename"), next).empty());
      window.session().file().settle();
      test::settle();
    };
    for (const char* call : kCalls)
      for (const int error : kErrors) {
        SCOPED_TRACE(std::string(call) + ", " + std::strerror(error));
        arm_(call, 1, error, JobFile::folder().toUtf8().constData());
        edit("not protected");
        arm_("", 0, 0, "");
        EXPECT_TRUE(test::textOf(&window, QStringLiteral("Not protected"))
                        .startsWith(QStringLiteral("The last edit is not protected")));
        edit("protected again");
        const auto hidden = window.findChildren<QLabel*>();
        EXPECT_TRUE(std::none_of(hidden.begin(), hidden.end(), [](const QLabel* label) {
          return label->isVisible() && label->accessibleName() == QStringLiteral("Not protected");
        }));
      }
    window.session().file().end();
  }
  qputenv("XDG_STATE_HOME", state);
}

TEST_F(FailingFiles, whatIsPrintedIsWholeOrNotThere) {
  MainWindow window;
  test::appear(&window);
  ASSERT_TRUE(window.openDemo(QStringLiteral("ringing-trolley")));
  ASSERT_TRUE(test::waitFor([&] { return window.session().plans().isCurrent(); }));
  window.session().plans().runner().stop();
  PrintDialog dialog(window.session(), &window);
  dialog.show();
  everyCall(
      [&] {
        for (const QString& name : QDir(folder_.path()).entryList(QDir::Files))
          QFile::remove(folder_.filePath(name));
        dialog.printInto(folder_.path());
        EXPECT_TRUE(test::waitFor([&] { return !dialog.isWriting(); }));
        const auto labels = dialog.findChildren<QLabel*>();
        return std::any_of(labels.begin(), labels.end(), [](const QLabel* label) {
          return label->accessibleName() == QStringLiteral("What is wrong") && label->isVisible() &&
                 !label->text().isEmpty();
        });
      },
      [&](const char* what) {
        for (const QString& name : QDir(folder_.path()).entryList({QStringLiteral("*.pdf")})) {
          const auto text = readFile(folder_.filePath(name).toStdString());
          ASSERT_TRUE(text.ok()) << what;
          EXPECT_TRUE(text->starts_with("%PDF") && text->find("%%EOF") != std::string::npos)
              << what << ": half of " << name.toStdString();
        }
      });
}

// The exit status of the command line tool with a call of it failing.
int commandLine(const std::string& arguments, const char* call, int nth, int error,
                const QString& under) {
  const std::string command =
      "FAIL_CALL=" + std::string(call) + " FAIL_NTH=" + std::to_string(nth) +
      " FAIL_ERRNO=" + std::to_string(error) + " FAIL_UNDER=" + under.toStdString() +
      " LD_PRELOAD=" + FAILING_CALLS + " " + CLI + " " + arguments + " >/dev/null 2>&1";
  const int status = std::system(command.c_str());
  return WIFEXITED(status) ? WEXITSTATUS(status) : -1;
}

TEST_F(FailingFiles, theCommandLineSaysSoAndLeavesNothingHalf) {
  const std::string demo = std::string(DEMO_DIR) + "/ringing-trolley.plainpatch";
  const std::string out = folder_.path().toStdString() + "/out";
  const std::pair<const char*, std::string> commands[] = {
      {"breakdown", "breakdown " + demo + " --parts " + out + ".csv --stock " + out + "2.csv"},
      {"labels", "labels " + demo + " --out " + out + ".pdf"},
      {"picture", "picture " + demo + " --assembly T1 --out " + out + ".png"}};
  for (const auto& [name, arguments] : commands)
    for (const char* call : kCalls)
      for (const int nth : {1, 2}) {
        const std::string what = std::string(name) + ", " + call + " " + std::to_string(nth);
        const int status = commandLine(arguments, call, nth, ENOSPC, folder_.path());
        const QStringList files = QDir(folder_.path()).entryList(QDir::Files);
        EXPECT_TRUE(halfFiles(folder_.path()).isEmpty()) << what;
        if (status == 0) {
          EXPECT_GT(nth, 1) << what << " should have failed";
        } else {
          // One that says that it is written, in a folder that could not be synced, has it, whole.
          const bool isThere = status == 1 && std::string(call) == "fsync";
          if (!isThere) {
            EXPECT_EQ(status, 2) << what;
          }
          EXPECT_EQ(files.isEmpty(), !isThere)
              << what << ": " << files.join(QLatin1Char(' ')).toStdString();
        }
        for (const QString& file : files) QFile::remove(folder_.filePath(file));
      }
  const auto run = [](const std::string& command) {
    const int status = std::system(command.c_str());
    return WIFEXITED(status) ? WEXITSTATUS(status) : -1;
  };
  EXPECT_EQ(run(std::string(CLI) + " breakdown " + demo + " --parts /dev/full >/dev/null 2>&1"), 1);
  EXPECT_EQ(
      run(std::string(CLI) + " breakdown " + demo + " --parts /dev/null >/dev/full 2>/dev/null"), 1)
      << "standard output that cannot be written";
}

}  // namespace
}  // namespace pp
