// The real window by real events.
#include <gtest/gtest.h>

#include <QApplication>
#include <QComboBox>
#include <QDir>
#include <QLineEdit>
#include <QListWidget>
#include <QScrollArea>
#include <QScrollBar>
#include <QTableView>
#include <QTemporaryDir>
#include <QTest>

#include "app/shell/main_window.h"
#include "app/shell/print_dialog.h"
#include "app/stages/draw/elevation_view.h"
#include "core/formats/file.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::window_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;

class Window : public test::ShownWindow {
 protected:
  void openTrolley() { open("ringing-trolley"); }
  const Carcass& carcass() const { return window_->session().job().assemblies.front().carcass(); }
  ElevationView* elevation() const {
    return named<ElevationView>(window_.get(), QStringLiteral("Elevation"));
  }
};

TEST_F(Window, plumbLineMovesThroughTheStagesThatAreThere) {
  openTrolley();
  for (const auto& [key, shown] :
       {std::pair{Qt::Key_3, "Parts"}, std::pair{Qt::Key_4, "Sheets and offcuts"},
        std::pair{Qt::Key_5, "Goal"}, std::pair{Qt::Key_2, "Elevation"}}) {
    press(key, Qt::ControlModifier);
    EXPECT_NE(named(window_.get(), QString::fromLatin1(shown)), nullptr);
  }
  press(Qt::Key_PageDown);
  EXPECT_EQ(window_->stageId(), QStringLiteral("parts"));
  press(Qt::Key_PageUp);
  EXPECT_EQ(window_->stageId(), QStringLiteral("draw"));
  press(Qt::Key_PageUp);
  EXPECT_EQ(window_->stageId(), QStringLiteral("measure"));
}

TEST_F(Window, aNewJobIsDrawnByKeyboardAlone) {
  window_->session().openNew(Unit::Millimetre);
  window_->showStage(QStringLiteral("draw"));
  window_->setFocus();
  click(window_.get(), QStringLiteral("Add assembly"));
  test::chooseInMenu(QStringLiteral("plain carcass"));
  ASSERT_EQ(window_->session().job().assemblies.size(), 1U);
  elevation()->setFocus();
  press(Qt::Key_Right);  // chooses the only opening
  press(Qt::Key_V);
  type(QStringLiteral("200, rest"));
  press(Qt::Key_Return);
  ASSERT_TRUE(std::holds_alternative<Split>(carcass().inside.content));
  press(Qt::Key_Right);
  press(Qt::Key_D);
  type(QStringLiteral("3"));
  press(Qt::Key_Return);
  const auto& split = std::get<Split>(carcass().inside.content);
  EXPECT_EQ(split.sizes[0].fixed, Length::mm(200));
  ASSERT_TRUE(std::holds_alternative<DrawerBank>(split.children[1].content));
  press(Qt::Key_Left);
  press(Qt::Key_A);
  type(QStringLiteral("2"));
  press(Qt::Key_Return);
  EXPECT_TRUE(std::holds_alternative<AdjustableShelves>(
      std::get<Split>(carcass().inside.content).children[0].content));
  EXPECT_TRUE(waitFor([this] { return window_->session().plans().isCurrent(); }));
  press(Qt::Key_Z, Qt::ControlModifier);
  press(Qt::Key_Z, Qt::ControlModifier);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(std::holds_alternative<OpenSpace>(carcass().inside.content));
  press(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_TRUE(std::holds_alternative<Split>(carcass().inside.content));
}

TEST_F(Window, openingsAreChosenAndFilledByMouse) {
  openTrolley();
  test::clickAt(elevation(), elevation()->openingRect({1}).center());
  ASSERT_TRUE(window_->session().pointing().selection().opening.has_value());
  EXPECT_EQ(*window_->session().pointing().selection().opening, OpeningPath{1});
  click(window_.get(), QStringLiteral("Dividers"));
  press(Qt::Key_Return);  // takes what is offered: 2 equal
  EXPECT_TRUE(
      std::holds_alternative<Split>(std::get<Split>(carcass().inside.content).children[1].content));
  click(window_.get(), QStringLiteral("Empty"));  // the first of the two
  click(window_.get(), QStringLiteral("Empty"));  // and the split itself
  EXPECT_TRUE(std::holds_alternative<OpenSpace>(
      std::get<Split>(carcass().inside.content).children[1].content));
}

TEST_F(Window, aListThatCannotBeIsRefusedWhereItIsTyped) {
  openTrolley();
  const Job before = window_->session().job();
  test::clickAt(elevation(), elevation()->openingRect({1}).center());
  press(Qt::Key_H);
  type(QStringLiteral("20, 30"));
  press(Qt::Key_Return);
  EXPECT_TRUE(
      textOf(window_.get(), QStringLiteral("What is wrong")).contains(QStringLiteral("too much")));
  EXPECT_EQ(window_->session().job(), before);
  press(Qt::Key_Escape);
  EXPECT_TRUE(elevation()->hasFocus());
}

TEST_F(Window, wordsOfTheSentenceChangeInPlaceWithArithmetic) {
  openTrolley();
  change(QStringLiteral("width"), QStringLiteral("31 - 5 - 1 1/2"));
  EXPECT_EQ(carcass().width, Length::in(24, 1, 2));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("width")), QStringLiteral("24 1/2"));
  change(QStringLiteral("height"), QStringLiteral("700mm"));
  EXPECT_EQ(carcass().height, Length::mm(700));
  change(QStringLiteral("dado depth"), QStringLiteral("2"));
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("What is wrong"))
                  .contains(QStringLiteral("less than the panel's thickness of")));
  EXPECT_EQ(carcass().dadoDepth, Length::in(0, 1, 4));
  press(Qt::Key_Escape);
  click(window_.get(), QStringLiteral("joint"));
  test::chooseInMenu(QStringLiteral("butted, glued and screwed"));
  EXPECT_EQ(carcass().joint, Joint::Butt);
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Undo")), QStringLiteral("Undo: joint"));
}

TEST_F(Window, unitsSwitchShowsTheSameLengthsOtherwise) {
  openTrolley();
  const Carcass before = carcass();
  click(window_.get(), QStringLiteral("Show millimetres"));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("width")), QStringLiteral("762"));
  EXPECT_EQ(carcass(), before);
  click(window_.get(), QStringLiteral("Show inches"));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("width")), QStringLiteral("30"));
}

TEST_F(Window, liveFiguresComeFromThePlan) {
  openTrolley();
  ASSERT_TRUE(waitFor([this] {
    return window_->session().plans().isCurrent() &&
           !window_->session().plans().runner().isRunning();
  }));
  const Plan& plan = *window_->session().plans().shown().plan;
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Sheets")), QString::number(plan.sheets.size()));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Saw settings")), QString::number(plan.setups));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Cost")), qs(format(plan.cost)));
}

TEST_F(Window, secondLookPointsJumpsAndFixes) {
  openTrolley();
  click(window_.get(), QStringLiteral("front edge banding"));
  test::chooseInMenu(QStringLiteral("no banding"));
  ASSERT_EQ(window_->session().findings().size(), 1U);
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Mind")),
            QStringLiteral("6 front edges of T1 show bare plies"));
  click(window_.get(), QStringLiteral("Go there: 6 front edges of T1 show bare plies"));
  EXPECT_EQ(window_->stageId(), QStringLiteral("parts"));
  press(Qt::Key_F8);
  EXPECT_TRUE(window_->session().findings().empty());
  EXPECT_EQ(carcass().banding, "birch iron-on");
}

TEST_F(Window, partsShowWhyAndTheMirroredPair) {
  openTrolley();
  press(Qt::Key_3, Qt::ControlModifier);
  auto* table = named<QTableView>(window_.get(), QStringLiteral("Parts"));
  ASSERT_NE(table, nullptr);
  table->setFocus();
  press(Qt::Key_Down);
  press(Qt::Key_Down);
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Part chosen")), QStringLiteral("T1-03  bottom"));
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Why this size"))
                  .contains(QStringLiteral("clear width 28 9/16 + 2 × dado depth 1/4 = 29 1/16")));
  EXPECT_TRUE(named(window_.get(), QStringLiteral("Tape"))
                  ->accessibleDescription()
                  .contains(QStringLiteral("29 1/16 in")));
  press(Qt::Key_Up);
  EXPECT_EQ(named(window_.get(), QStringLiteral("Picture of the part"))->accessibleDescription(),
            QStringLiteral("T1-01 left side, T1-02 right side"));
}

TEST_F(Window, aPartIsAddedByHandAndTakenBack) {
  openTrolley();
  press(Qt::Key_3, Qt::ControlModifier);
  click(window_.get(), QStringLiteral("Add a part"));
  ASSERT_EQ(window_->session().job().loose.size(), 3U);
  auto* table = named<QTableView>(window_.get(), QStringLiteral("Parts added by hand"));
  ASSERT_NE(table, nullptr);
  table->setCurrentIndex(table->model()->index(2, 2));
  press(Qt::Key_F2);
  auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  ASSERT_NE(editor, nullptr);
  editor->selectAll();
  type(QStringLiteral("31 - 5 - 1 1/2"));
  press(Qt::Key_Return);
  EXPECT_TRUE(waitFor([this] {
    const Part& last = window_->session().breakdown().parts.back();
    return last.code == "L-03" && last.length.total() == Length::in(24, 1, 2);
  }));
  click(window_.get(), QStringLiteral("Undo"));
  click(window_.get(), QStringLiteral("Undo"));
  EXPECT_EQ(window_->session().job().loose.size(), 2U);
}

TEST_F(Window, layOutSearchesStopsAndShowsTheSheets) {
  openTrolley();
  press(Qt::Key_5, Qt::ControlModifier);
  ASSERT_TRUE(waitFor([this] { return !window_->session().plans().runner().isRunning(); }));
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Plan"))
                  .contains(QStringLiteral("%1 sheets")
                                .arg(window_->session().plans().shown().plan->sheets.size())));
  click(window_.get(), QStringLiteral("Search on"));
  EXPECT_TRUE(window_->session().plans().runner().isRunning());
  ASSERT_TRUE(waitFor([this] { return window_->session().plans().isCurrent(); }));
  if (window_->session().plans().runner().isRunning())
    click(window_.get(), QStringLiteral("Stop the search"));
  EXPECT_FALSE(window_->session().plans().runner().isRunning());
  EXPECT_EQ(named(window_.get(), QStringLiteral("Sheets laid out")) != nullptr, true);
}

// The search has ended, and a plan of the job as it is is shown.
TEST_F(Window, aBrokenFileIsRefusedAndNothingIsLost) {
  openTrolley();
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("bad.plainpatch"));
  ASSERT_FALSE(
      writeFile(path.toStdString(), "{\"format\": \"plain-patch-job\",\n\"version\": 1,\n oops")
          .has_value());
  const Job before = window_->session().job();
  EXPECT_FALSE(window_->openFile(path));
  const QString said = textOf(window_.get(), QStringLiteral("Message"));
  EXPECT_TRUE(said.contains(QStringLiteral("line 3"))) << said.toStdString();
  EXPECT_TRUE(said.contains(QStringLiteral("nothing here has changed")));
  EXPECT_EQ(window_->session().job(), before);
}

TEST_F(Window, printsEverythingIntoAFolder) {
  openTrolley();
  ASSERT_TRUE(waitFor([this] { return window_->session().plans().isCurrent(); }));
  PrintDialog dialog(window_->session(), window_.get());
  dialog.show();
  const QTemporaryDir folder;
  auto* where = named<QLineEdit>(&dialog, QStringLiteral("Folder"));
  ASSERT_NE(where, nullptr);
  where->setFocus();
  where->selectAll();
  QTest::keyClicks(where, folder.path());
  click(&dialog, QStringLiteral("Write the files"));
  ASSERT_TRUE(waitFor([&dialog] { return !dialog.isWriting(); }));
  EXPECT_EQ(QDir(folder.path()).entryList(QDir::Files).join(QLatin1Char(',')),
            QStringLiteral(
                "Ringing trolley assembly.pdf,"
                "Ringing trolley banding.pdf,Ringing trolley cutting list.pdf,Ringing trolley "
                "installing.pdf,"
                "Ringing trolley labels.pdf,"
                "Ringing trolley machining.pdf,Ringing trolley parts.csv,"
                "Ringing trolley parts.pdf,Ringing trolley plan.json,Ringing trolley sheets.pdf,"
                "Ringing trolley shopping list.csv,Ringing trolley shopping list.pdf"));
  named<QListWidget>(&dialog, QStringLiteral("Pages"))->setCurrentRow(3);
  auto* margin = named<QLineEdit>(&dialog, QStringLiteral("Margin at the sides"));
  margin->selectAll();
  QTest::keyClicks(margin, QStringLiteral("wide"));
  click(&dialog, QStringLiteral("Write the files"));
  EXPECT_TRUE(textOf(&dialog, QStringLiteral("What is wrong"))
                  .contains(QStringLiteral("Margin at the sides")));
}

TEST_F(Window, questionMarkShowsTheKeysOfTheStage) {
  openTrolley();
  elevation()->setFocus();
  press(Qt::Key_Question);
  QWidget* keys = named(window_.get(), QStringLiteral("Keys"));
  ASSERT_NE(keys, nullptr);
  EXPECT_TRUE(keys->accessibleDescription().contains(QStringLiteral("split it by dividers")));
  press(Qt::Key_Escape);
  EXPECT_FALSE(keys->isVisible());
}

TEST_F(Window, everyStageFitsTheSmallestWindow) {
  window_->resize(1024, 700);
  auto* room = window_->findChild<QScrollArea*>(QStringLiteral("stages"));
  ASSERT_NE(room, nullptr);
  for (const char* demo : {"log-wall", "ringing-trolley", "hide-bench", "nest-boxes", "porthole",
                           "specimen-trays", "specimen-console", "corner-seat"}) {
    ASSERT_TRUE(window_->openDemo(QString::fromLatin1(demo)));
    for (int stage = 0; stage < window_->stageCount(); ++stage) {
      window_->showStage(stage);
      QApplication::processEvents();
      ASSERT_EQ(window_->size(), QSize(1024, 700));
      EXPECT_EQ(room->horizontalScrollBar()->maximum(), 0) << demo << " stage " << stage;
      EXPECT_EQ(room->verticalScrollBar()->maximum(), 0) << demo << " stage " << stage;
    }
  }
}

TEST_F(Window, everythingInteractiveHasAName) {
  openTrolley();
  for (int stage = 0; stage < window_->stageCount(); ++stage) {
    window_->showStage(stage);
    for (QWidget* widget : window_->findChildren<QWidget*>()) {
      const bool input = qobject_cast<QAbstractButton*>(widget) ||
                         qobject_cast<QLineEdit*>(widget) || qobject_cast<QTableView*>(widget) ||
                         qobject_cast<QListWidget*>(widget);
      if (!input || !widget->isVisible() || widget->focusPolicy() == Qt::NoFocus ||
          widget->objectName().startsWith(QStringLiteral("qt_")))
        continue;
      const auto* button = qobject_cast<QAbstractButton*>(widget);
      EXPECT_TRUE(!widget->accessibleName().isEmpty() || (button && !button->text().isEmpty()))
          << widget->metaObject()->className() << " on stage " << stage;
    }
  }
}

}  // namespace
}  // namespace pp::window_test
