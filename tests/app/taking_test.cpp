// A plan is taken to the saw, stays as it was taken, is given up; the job moves and is copied.
#include <gtest/gtest.h>

#include <QDir>
#include <QFile>
#include <QLineEdit>
#include <QListWidget>
#include <QTemporaryDir>
#include <QTest>

#include "app/shell/main_window.h"
#include "core/formats/file.h"
#include "core/formats/journal.h"
#include "core/job/ids.h"
#include "tests/app/shown_window.h"

namespace pp::taking_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::waitFor;
using test::willAnswer;
using test::willChooseFile;

class Taking : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley");
    ASSERT_TRUE(planned());
  }
  QString journal() const { return path() + QStringLiteral(".journal"); }
  // From Lay out, into a file that has no name yet.
  void take() {
    window_->showStage(QStringLiteral("lay-out"));
    willChooseFile(path());
    click(window_.get(), QStringLiteral("Take to the saw"));
    ASSERT_EQ(session().floor().record().cuttings.size(), 1U);
  }
  void openAgain() {
    begin();
    ASSERT_TRUE(window_->openFile(path()));
    window_->showStage(QStringLiteral("lay-out"));
  }
  QString plan() { return textOf(window_.get(), QStringLiteral("Plan")); }
};

TEST_F(Taking, asksForAFileSavesAndFreezesThePlan) {
  const Plan shown = *session().plans().shown().plan;
  take();
  EXPECT_EQ(session().path(), path());
  EXPECT_FALSE(session().isModified());
  EXPECT_EQ(session().undoText(), QString()) << "no step that could be undone";
  EXPECT_EQ(plan(), QStringLiteral("All that is drawn is at the saw or cut."));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Cutting 1")),
            QStringLiteral("At the saw, cutting 1 (all parts): %1 sheets, 0 of %2 cuts made.")
                .arg(shown.sheets.size())
                .arg(shown.cuts.size()));
  EXPECT_TRUE(QFile::exists(journal())) << "its event is on the disk";
  openAgain();
  EXPECT_EQ(plan(), QStringLiteral("All that is drawn is at the saw or cut."));
  EXPECT_EQ(session().floor().record().cuttings.at(0).plans[0].plan.cuts, shown.cuts);
  EXPECT_FALSE(session().plans().runner().isRunning());
}

TEST_F(Taking, leftWithoutAFileTakesNothing) {
  window_->showStage(QStringLiteral("lay-out"));
  willAnswer(QStringLiteral("Cancel"));
  click(window_.get(), QStringLiteral("Take to the saw"));
  EXPECT_TRUE(session().floor().record().cuttings.empty());
  EXPECT_TRUE(session().path().isEmpty());
}

TEST_F(Taking, staysAsItIsWhateverIsDrawnAndDiscarded) {
  take();
  const std::vector<SawCut> cuts = session().floor().record().cuttings.at(0).plans[0].plan.cuts;
  edit([](Job& job) { job.assemblies[0].carcass().width += Length::mm(40); });
  EXPECT_EQ(plan(), QStringLiteral("All that is drawn is at the saw or cut."));
  session().undo();
  session().undo();
  edit([](Job& job) { job.name = "another"; });
  willAnswer(QStringLiteral("Discard"));
  ASSERT_TRUE(window_->close());
  openAgain();
  EXPECT_EQ(session().job().name, "Ringing trolley");
  EXPECT_EQ(session().floor().record().cuttings.at(0).plans[0].plan.cuts, cuts);
}

TEST_F(Taking, savingFoldsTheJournalIntoTheFile) {
  take();
  const std::vector<Event> events = session().floor().record().events;
  ASSERT_EQ(events.size(), 1U);
  edit([](Job& job) { job.name = "another"; });
  window_->activateWindow();
  press(Qt::Key_S, Qt::ControlModifier);
  EXPECT_FALSE(session().isModified());
  EXPECT_FALSE(QFile::exists(journal()));
  openAgain();
  EXPECT_EQ(session().floor().record().events, events);
}

TEST_F(Taking, aTornJournalIsSaidAndTheRestTakenUp) {
  take();
  QFile file(journal());
  ASSERT_TRUE(file.open(QIODevice::Append));
  file.write("{\"seq\": 2, \"ti");
  file.close();
  openAgain();
  EXPECT_EQ(session().floor().record().events.size(), 1U);
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Message"))
                  .contains(QStringLiteral("not written to its end and is dropped")));
}

TEST_F(Taking, aCuttingWithoutItsEventWasNeverTaken) {
  take();
  window_.reset();
  ASSERT_TRUE(QFile::remove(journal()));  // the power went between the file and the event
  openAgain();
  ASSERT_TRUE(planned());
  EXPECT_TRUE(session().floor().progress().cuttings.empty());
  click(window_.get(), QStringLiteral("Take to the saw"));
  ASSERT_EQ(session().floor().record().cuttings.size(), 1U) << "its number was free";
  EXPECT_TRUE(session().floor().progress().isUnderWay(1));
}

TEST_F(Taking, givenUpItIsLaidOutAgainWithNewSheetNumbers) {
  take();
  const auto sheets = session().floor().record().cuttings.at(0).plans[0].plan.sheets.size();
  willAnswer(QStringLiteral("Keep it"));
  click(window_.get(), QStringLiteral("Give up cutting 1"));
  EXPECT_TRUE(session().floor().progress().isUnderWay(1));
  willAnswer(QStringLiteral("Give up"));
  click(window_.get(), QStringLiteral("Give up cutting 1"));
  ASSERT_TRUE(planned());
  EXPECT_EQ(sheetName(*session().plans().shown().request, *session().plans().shown().plan, 0),
            "S" + std::to_string(sheets + 1));
  EXPECT_TRUE(plan().contains(QStringLiteral("sheets"))) << plan().toStdString();
}

TEST_F(Taking, someKindsOfPartsAreLaidOutAndTakenByThemselves) {
  window_->showStage(QStringLiteral("lay-out"));
  click(window_.get(), QStringLiteral("What is laid out"));
  auto* kinds =
      named<QListWidget>(QApplication::activeModalWidget(), QStringLiteral("Kinds of parts"));
  ASSERT_NE(kinds, nullptr);
  int left = 0;
  for (int row = 0; row < kinds->count(); ++row) {
    const bool side = kinds->item(row)->text().endsWith(QStringLiteral("side"));
    kinds->item(row)->setCheckState(side ? Qt::Checked : Qt::Unchecked);
    left += side ? 1 : 0;
  }
  ASSERT_GT(left, 1);
  auto* assemblies =
      named<QListWidget>(QApplication::activeModalWidget(), QStringLiteral("Assemblies"));
  for (const Qt::CheckState state : {Qt::Unchecked, Qt::Checked}) {
    for (int row = 0; row < assemblies->count(); ++row) assemblies->item(row)->setCheckState(state);
    EXPECT_EQ(
        named(QApplication::activeModalWidget(), QStringLiteral("Lay out these"))->isEnabled(),
        state == Qt::Checked);
  }
  click(QApplication::activeModalWidget(), QStringLiteral("Lay out these"));
  ASSERT_TRUE(planned());
  for (const Part& part : *session().plans().shown().parts)
    EXPECT_TRUE(part.name.ends_with("side")) << part.name;
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("What is laid out"))
                  .startsWith(QStringLiteral("Of: left side")));
  const auto sides = session().plans().shown().parts->size();
  take();
  // The rest is laid out next.
  ASSERT_TRUE(planned());
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("What is laid out")),
            QStringLiteral("Of: all parts"));
  EXPECT_EQ(session().plans().shown().parts->size(),
            sheetParts(session().breakdown().parts).size() - sides);
}

TEST_F(Taking, theCodeOfWhatIsAtTheSawStaysAndIsNeverGivenAgain) {
  take();
  const std::string code = session().job().assemblies[0].code;
  Job next = session().job();
  next.assemblies[0].code = "Z9";
  next.assemblies[0].name = "cart";
  const Problems problems = session().edit(QStringLiteral("rename"), next);
  ASSERT_EQ(problems.size(), 1U);
  EXPECT_EQ(problems[0].expected, code + ": labels or cuttings carry it; its name can be changed");
  next.assemblies[0].code = code;
  EXPECT_TRUE(session().edit(QStringLiteral("rename"), next).empty());
  edit([](Job& job) { job.assemblies.erase(0); });
  EXPECT_FALSE(session().isFreeCode(code));
}

// What was renamed before it was printed has its new code also where the renaming is taken back.
TEST_F(Taking, noUndoGivesAnAssemblyOnPaperItsOldCode) {
  edit([](Job& job) { job.name = "before"; });
  edit([](Job& job) { job.assemblies[0].code = "Z9"; });
  session().printed();
  session().undo();
  session().undo();
  EXPECT_EQ(session().job().name, "Ringing trolley");
  EXPECT_EQ(session().job().assemblies[0].code, "Z9");
  EXPECT_EQ(session().breakdown().parts[0].code, "Z9-01");
  session().redo();
  EXPECT_EQ(session().job().assemblies[0].code, "Z9");
}

TEST_F(Taking, whatAPageCarriesIsKeptThoughTheDrawingIsDiscarded) {
  ASSERT_FALSE(session().save(path()).has_value());
  const std::string code = session().job().assemblies[0].code;
  session().printed();
  EXPECT_FALSE(session().floor().isInFile());
  edit([](Job& job) { job.name = "another"; });
  willAnswer(QStringLiteral("Discard"));
  ASSERT_TRUE(window_->close());
  openAgain();
  EXPECT_EQ(session().job().name, "Ringing trolley");
  Job next = session().job();
  next.assemblies[0].code = "Z9";
  EXPECT_FALSE(session().edit(QStringLiteral("rename"), next).empty()) << code;
}

TEST_F(Taking, whatAPageCarriesIsKeptWhenNothingElseChanged) {
  ASSERT_FALSE(session().save(path()).has_value());
  session().printed();
  ASSERT_TRUE(window_->close());
  openAgain();
  EXPECT_TRUE(session().floor().record().codes.at(0).onPaper);
}

TEST_F(Taking, anotherNameMovesTheJobOrCopiesWhatIsDrawn) {
  take();
  const std::string id = session().job().id;
  window_->activateWindow();
  willChooseFile(path("moved.plainpatch"));
  willAnswer(QStringLiteral("Move it there"));
  press(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(session().path(), path("moved.plainpatch"));
  EXPECT_FALSE(QFile::exists(path()));
  EXPECT_FALSE(QFile::exists(journal()));
  EXPECT_EQ(session().job().id, id);
  EXPECT_EQ(session().floor().record().cuttings.size(), 1U);

  willChooseFile(path("copied.plainpatch"));
  willAnswer(QStringLiteral("Make a copy there"));
  press(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(session().path(), path("copied.plainpatch"));
  EXPECT_TRUE(QFile::exists(path("moved.plainpatch")));
  EXPECT_NE(session().job().id, id);
  EXPECT_TRUE(session().floor().record().cuttings.empty());
  ASSERT_TRUE(planned());

  willChooseFile(path("never.plainpatch"));
  willAnswer(QStringLiteral("Cancel"));
  press(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_FALSE(QFile::exists(path("never.plainpatch")));
}

TEST_F(Taking, aRefusalNamesThingsAsTheScreenDoes) {
  Job next = session().job();
  next.assemblies[0].carcass().depth = Length{};
  const Problems problems = session().edit(QStringLiteral("depth"), next);
  ASSERT_FALSE(problems.empty());
  EXPECT_EQ(problems[0].field, "depth of " + session().job().assemblies[0].code);
  next = session().job();
  next.stock[0].length = Length{};
  const Problems rack = session().edit(QStringLiteral("length"), next);
  ASSERT_FALSE(rack.empty());
  EXPECT_EQ(rack[0].field, "length of " + session().job().stock[0].mark);
}

}  // namespace
}  // namespace pp::taking_test
