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
#include "pictures/paint/figures.h"
#include "tests/app/driver.h"

namespace pp {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;

class Window : public testing::Test {
 protected:
  void SetUp() override {
    window_ = std::make_unique<MainWindow>();
    test::appear(window_.get());
  }
  void TearDown() override { window_.reset(); }

  void openTrolley() {
    ASSERT_TRUE(window_->openDemo(QStringLiteral("ringing-trolley")));
    window_->showStage(0);
  }
  const Carcass& carcass() const { return window_->session().job().assemblies.front().carcass(); }
  ElevationView* elevation() const {
    return named<ElevationView>(window_.get(), QStringLiteral("Elevation"));
  }
  // Replaces the value of a word in the sentence.
  void change(const QString& word, const QString& value) {
    click(window_.get(), word);
    auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_NE(field, nullptr) << word.toStdString();
    field->selectAll();
    type(value);
    press(Qt::Key_Return);
  }

  std::unique_ptr<MainWindow> window_;
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
  EXPECT_EQ(window_->stage(), 1);
  press(Qt::Key_PageUp);
  EXPECT_EQ(window_->stage(), 0);
}

TEST_F(Window, aNewJobIsDrawnByKeyboardAlone) {
  window_->session().openNew();
  window_->showStage(0);
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
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("width")), QStringLiteral("24 ¹/₂"));
  change(QStringLiteral("height"), QStringLiteral("700mm"));
  EXPECT_EQ(carcass().height, Length::mm(700));
  change(QStringLiteral("dado depth"), QStringLiteral("2"));
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("What is wrong"))
                  .contains(QStringLiteral("less than the panel's thickness")));
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
  EXPECT_EQ(window_->stage(), 1);
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
                  .contains(QStringLiteral("clear width 28 ⁹/₁₆ + 2 × dado depth ¹/₄ = 29 ¹/₁₆")));
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
class LayOut : public Window {
 protected:
  void SetUp() override {
    Window::SetUp();
    openTrolley();
    press(Qt::Key_5, Qt::ControlModifier);
    settle();
  }
  void settle() {
    ASSERT_TRUE(waitFor([this] {
      return !window_->session().plans().runner().isRunning() &&
             window_->session().plans().isCurrent();
    }));
  }
  // Chooses the first part of the plan with the keyboard.
  void chooseAPart() {
    named(window_.get(), QStringLiteral("Sheets with their parts"))->setFocus();
    press(Qt::Key_Right);
  }
  const Job& job() const { return window_->session().job(); }
};

TEST_F(LayOut, saysWhatIsProvenAndOffersPlansSideBySide) {
  const QString proven = textOf(window_.get(), QStringLiteral("Proven minimum"));
  EXPECT_TRUE(proven.startsWith(QStringLiteral("Proven")) ||
              proven.startsWith(QStringLiteral("No plan can cost less than")))
      << proven.toStdString();
  auto* strip = named(window_.get(), QStringLiteral("Plans"));
  ASSERT_NE(strip, nullptr);
  EXPECT_TRUE(strip->accessibleDescription().contains(QStringLiteral("least cost")));
  EXPECT_TRUE(strip->accessibleDescription().contains(QStringLiteral("fewest settings")));
  const auto before = window_->session().plans().shown().plan;
  const auto& kept = window_->session().plans().shown().kept;
  ASSERT_GT(kept.size(), 1U);
  strip->setFocus();
  press(before == kept.front() ? Qt::Key_Right : Qt::Key_Left);
  const auto after = window_->session().plans().shown().plan;
  EXPECT_NE(after, before);
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Plan"))
                  .contains(QStringLiteral("%1 settings").arg(after->setups)));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Saw settings")), QString::number(after->setups));
}

TEST_F(LayOut, aPartIsPinnedByKeyKeptUnpinnedAndUndone) {
  chooseAPart();
  press(Qt::Key_P);
  ASSERT_EQ(job().pins.size(), 1U);
  const JobPin pin = job().pins.front();
  EXPECT_FALSE(pin.x.has_value());
  settle();
  const PlanShown& shown = window_->session().plans().shown();
  bool kept = false;
  for (const PlannedSheet& sheet : shown.plan->sheets)
    for (const Placement& p : sheet.placements)
      kept = kept || isOn(job(), pin, (*shown.parts)[p.part], shown.request->stock[sheet.stock].id);
  EXPECT_TRUE(kept);
  chooseAPart();
  press(Qt::Key_I);
  ASSERT_EQ(job().pins.size(), 2U);
  EXPECT_TRUE(job().pins.back().x.has_value());
  settle();
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().pins.size(), 1U);
  settle();
  window_->session().pointing().select({{}, std::nullopt, codeOf(*shown.parts, pin.part)});
  press(Qt::Key_U);
  EXPECT_TRUE(job().pins.empty());
}

TEST_F(LayOut, aSwapThatCannotBeSaysWhyAndChangesNothing) {
  chooseAPart();
  click(window_.get(), QStringLiteral("Swap"));
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("By hand"))
                  .startsWith(QStringLiteral("Now choose the part")));
  named(window_.get(), QStringLiteral("Sheets with their parts"))->setFocus();
  press(Qt::Key_Right);  // the next part lies on the same sheet
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("By hand"))
                  .contains(QStringLiteral("lie on the same sheet")))
      << textOf(window_.get(), QStringLiteral("By hand")).toStdString();
  EXPECT_TRUE(job().pins.empty());
  EXPECT_FALSE(window_->session().canUndo());
}

TEST_F(LayOut, theGoalIsAnEditAndTheSearchGoesOnFromThePlan) {
  const Money cost = window_->session().plans().shown().plan->cost;
  auto* goal = named<QComboBox>(window_.get(), QStringLiteral("Goal"));
  goal->setFocus();
  press(Qt::Key_Down);
  press(Qt::Key_Down);
  EXPECT_EQ(job().saw.goal, Goal::Setups);
  settle();
  EXPECT_LE(window_->session().plans().shown().plan->cost, cost);
  click(window_.get(), QStringLiteral("Search on"));
  ASSERT_TRUE(waitFor([this] { return window_->session().plans().shown().iterations > 0; }));
  if (window_->session().plans().runner().isRunning())
    click(window_.get(), QStringLiteral("Stop the search"));
  EXPECT_LE(window_->session().plans().shown().plan->cost, cost);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().saw.goal, Goal::Offcuts);
}

TEST_F(LayOut, whatNearlySavesASheetIsOfferedAsAFinding) {
  Job next = job();
  next.assemblies.clear();
  next.pins.clear();
  Material plain = next.materials.front();
  plain.id = "plain";
  plain.name = "plain";
  next.materials.push_back(plain);
  StockPiece sheet;
  sheet.mark = "plain sheet";
  sheet.material = "plain";
  sheet.length = Length::mm(1000);
  sheet.width = Length::mm(600);
  sheet.trim = Length{};
  sheet.price = Money::whole(20);
  next.stock.push_back(sheet);
  next.saw.kerf = Length::mm(2);
  LooseBoard board;
  board.name = "panel";
  board.material = "plain";
  board.quantity = 2;
  board.length = Length::mm(502);
  board.width = Length::mm(590);
  next.loose = {board};
  ASSERT_TRUE(window_->session().edit(QStringLiteral("two panels"), next).empty());
  ASSERT_TRUE(waitFor([this] {
    const auto& findings = window_->session().findings();
    return std::any_of(findings.begin(), findings.end(),
                       [](const Finding& f) { return f.severity == Severity::Tip; });
  }));
  EXPECT_EQ(job().loose.front().length, Length::mm(502)) << "never done silently";
  press(Qt::Key_F8);
  EXPECT_EQ(job().loose.front().length, Length::mm(499));
  settle();
  EXPECT_EQ(window_->session().plans().shown().plan->sheets.size(), 1U);
}

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
  EXPECT_EQ(
      QDir(folder.path()).entryList(QDir::Files).join(QLatin1Char(',')),
      QStringLiteral(
          "Ringing trolley cutting list.pdf,Ringing trolley labels.pdf,Ringing trolley parts.csv,"
          "Ringing trolley parts.pdf,Ringing trolley plan.json,Ringing trolley sheets.pdf"));
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
  for (const char* demo : {"log-wall", "ringing-trolley", "hide-bench", "nest-boxes", "porthole"}) {
    ASSERT_TRUE(window_->openDemo(QString::fromLatin1(demo)));
    for (int stage = 0; stage < 4; ++stage) {
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
  for (int stage = 0; stage < 4; ++stage) {
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
}  // namespace pp
