// What becomes of a job's file and its journal when they are saved under other names, closed,
// changed by others, moved or copied.
#include <gtest/gtest.h>

#include <QFile>
#include <filesystem>

#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/formats/journal.h"
#include "tests/app/shown_window.h"

namespace pp::keeping_test {
namespace {

using test::click;
using test::press;
using test::textOf;
using test::willAnswer;
using test::willChooseFile;

class Keeping : public test::ShownWindow {
 protected:
  void rename(const char* name) {
    edit([name](Job& job) { job.name = name; });
  }
  static std::string file(const QString& path) { return path.toStdString(); }
  static JobWithRecord written(const QString& path) {
    auto read = readJobWithRecord("job", readFile(file(path)).value());
    EXPECT_TRUE(read.ok()) << describe(read.problems());
    return std::move(read).value();
  }
  static std::size_t cutsIn(const QString& path) {
    std::size_t out = 0;
    for (const Event& event : written(path).record.events)
      out += event.kind == EventKind::CutMade ? 1 : 0;
    return out;
  }
  // With two cuts made that only the journal has.
  void cutTwo() {
    open("ringing-trolley", "lay-out");
    ASSERT_TRUE(planned());
    willChooseFile(path());
    click(window_.get(), QStringLiteral("Take to the saw"));
    window_->showStage(QStringLiteral("saw"));
    press(Qt::Key_Space);
    press(Qt::Key_Space);
    ASSERT_TRUE(session().floor().hasJournal());
    ASSERT_EQ(cutsIn(path()), 0U);
  }
};

// The ending comes after the dialog has asked; what it then names is asked about too.
TEST_F(Keeping, aNameWithoutItsEndingReplacesNothingUnasked) {
  open("ringing-trolley");
  ASSERT_FALSE(writeFile(file(path("other.plainpatch")), "mine"));
  willChooseFile(path());
  press(Qt::Key_S, Qt::ControlModifier);
  ASSERT_EQ(session().path(), path());
  rename("later");
  willChooseFile(path("other"));
  willAnswer(QStringLiteral("Cancel"));
  press(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(readFile(file(path("other.plainpatch"))).value(), "mine");
  EXPECT_EQ(session().path(), path());
  EXPECT_TRUE(QFile::exists(path()));
  willChooseFile(path("other"));
  willAnswer(QStringLiteral("Write over it"));
  willAnswer(QStringLiteral("Make a copy there"));
  press(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(session().path(), path("other.plainpatch"));
  EXPECT_EQ(written(path("other.plainpatch")).job.name, "later");
  EXPECT_TRUE(QFile::exists(path()));
}

// A file that is copied or mailed after the program was left has all that happened.
TEST_F(Keeping, closingFoldsTheJournalIntoTheFile) {
  cutTwo();
  EXPECT_TRUE(window_->close());
  EXPECT_EQ(cutsIn(path()), 2U);
  EXPECT_FALSE(stampOf(journalOf(file(path()))).has_value());
}

TEST_F(Keeping, soDoesLeavingAJobWhoseChangesAreThrownAway) {
  cutTwo();
  const std::string name = job().name;
  rename("thrown away");
  willAnswer(QStringLiteral("Discard"));
  EXPECT_TRUE(window_->close());
  EXPECT_EQ(cutsIn(path()), 2U);
  EXPECT_EQ(written(path()).job.name, name);
}

// As a file that something else made may be.
TEST_F(Keeping, aJobWithoutAnIdKeepsItsCuts) {
  std::string text = readFile(std::string(DEMO_DIR) + "/log-wall-at-the-saw.plainpatch").value();
  const std::size_t at = text.find("\"id\": \"");
  ASSERT_NE(at, std::string::npos);
  const std::size_t first = at + 7;
  text.erase(first, text.find('"', first) - first);
  ASSERT_FALSE(writeFile(file(path()), text));
  ASSERT_TRUE(window_->openFile(path()));
  const std::size_t before = session().floor().record().events.size();
  EXPECT_FALSE(written(path()).job.id.empty()) << "an id that is given is written at once";
  window_->showStage(QStringLiteral("saw"));
  test::settle();
  press(Qt::Key_Space);
  ASSERT_EQ(session().floor().record().events.size(), before + 1);
  // The program ends as by a crash: nothing is folded.
  begin();
  ASSERT_TRUE(window_->openFile(path()));
  EXPECT_EQ(session().floor().record().events.size(), before + 1);
}

TEST_F(Keeping, whatOthersChangedIsWrittenOverByNothingThatDoesNotAsk) {
  cutTwo();
  const std::string theirs = readFile(file(path())).value() + "\n";
  ASSERT_FALSE(writeFile(file(path()), theirs));
  const auto refused = session().save(path());
  ASSERT_TRUE(refused.has_value());
  EXPECT_EQ(refused->found, "a file that something else has changed since");
  EXPECT_FALSE(session().takeToTheSaw().empty());
  session().keepRecord();
  session().discard();
  EXPECT_EQ(readFile(file(path())).value(), theirs);
  EXPECT_FALSE(session().save(path(), JobFile::Over::Others).has_value());
  EXPECT_EQ(cutsIn(path()), 2U);
}

TEST_F(Keeping, aFileOfSeveralNamesIsOpenInOneWindow) {
  open("ringing-trolley");
  willChooseFile(path());
  press(Qt::Key_S, Qt::ControlModifier);
  const QString twin = path("twin.plainpatch");
  std::filesystem::create_hard_link(file(path()), file(twin));
  {
    const JobFile another;
    EXPECT_TRUE(another.holderOf(path()).has_value());
    EXPECT_TRUE(another.holderOf(twin).has_value());
  }
  rename("mine");
  press(Qt::Key_S, Qt::ControlModifier);
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Message"))
                  .contains(QStringLiteral("under several names")));
  EXPECT_EQ(written(path()).job.name, "mine");
  EXPECT_NE(written(twin).job.name, "mine");
  const JobFile another;
  EXPECT_FALSE(another.holderOf(twin).has_value()) << "it is another file now";
}

}  // namespace
}  // namespace pp::keeping_test
