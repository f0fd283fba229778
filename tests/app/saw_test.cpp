// Saw in the real window: one cut at a time, back, looked at, out of order, and after a crash.
#include <gtest/gtest.h>

#include <QApplication>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTest>

#include "app/stages/saw/saw_view.h"
#include "core/saw/edges.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::saw_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;
using test::willChooseFile;

class AtTheSaw : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley", "lay-out");
    ASSERT_TRUE(planned());
    willChooseFile(path());
    click(window_.get(), QStringLiteral("Take to the saw"));
    ASSERT_EQ(session().floor().record().cuttings.size(), 1U);
    window_->showStage(QStringLiteral("saw"));
    test::settle();
  }
  const Plan& plan() { return session().floor().record().cuttings.at(0).plans[0].plan; }
  const std::set<int>& made() { return session().floor().progress().cuttings.at(1).made.at(0); }
  QString text(const char* name) { return textOf(window_.get(), QString::fromLatin1(name)); }
  // The number of the cut that is shown.
  int shown() { return text("Machine").section(QLatin1Char(' '), 0, 0).toInt(); }
};

TEST_F(AtTheSaw, showsACutReadableFromTwoMetres) {
  EXPECT_EQ(shown(), 1);
  auto* distance = named<QLabel>(window_.get(), QStringLiteral("Distance"));
  ASSERT_NE(distance, nullptr);
  EXPECT_GE(distance->font().pixelSize(), 64);
  // The first final cut: what is to be set, in the job's unit and in the other.
  for (const SawCut& cut : plan().cuts) {
    if (cut.kind == CutKind::Final) break;
    press(Qt::Key_Space);
  }
  const SawCut& cut = plan().cuts[static_cast<std::size_t>(shown()) - 1];
  ASSERT_EQ(cut.kind, CutKind::Final);
  EXPECT_EQ(text("Distance"), figureWithUnit(cut.distance, session().style()));
  EXPECT_TRUE(text("Distance in the other unit").endsWith(QStringLiteral("mm")));
  EXPECT_TRUE(text("Machine").contains(qs(cut.machine)));
  for (const char* name : {"The cut is made", "Take the last cut back", "The whole bench"})
    EXPECT_GE(named<QPushButton>(window_.get(), QString::fromLatin1(name))->height(), 44) << name;
}

TEST_F(AtTheSaw, spaceMakesACutAndZTakesItBack) {
  press(Qt::Key_Space);
  press(Qt::Key_Space);
  EXPECT_EQ(made(), (std::set<int>{1, 2}));
  EXPECT_EQ(shown(), 3);
  EXPECT_TRUE(
      text("How far it is").startsWith(QStringLiteral("2 of %1 cuts").arg(plan().cuts.size())));
  press(Qt::Key_Z);
  EXPECT_EQ(made(), (std::set<int>{1}));
  EXPECT_EQ(shown(), 2);
  // By the mouse too.
  click(window_.get(), QStringLiteral("The cut is made"));
  EXPECT_EQ(made(), (std::set<int>{1, 2}));
  click(window_.get(), QStringLiteral("Take the last cut back"));
  EXPECT_EQ(made(), (std::set<int>{1}));
}

TEST_F(AtTheSaw, otherCutsAreLookedAtAndNothingIsDone) {
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  EXPECT_EQ(shown(), 3);
  EXPECT_TRUE(made().empty());
  press(Qt::Key_Left);
  EXPECT_EQ(shown(), 2);
  press(Qt::Key_Escape);
  EXPECT_EQ(shown(), 1);
  // One whose piece does not lie there cannot be made.
  const auto blocked = std::find_if(plan().cuts.begin(), plan().cuts.end(), [](const SawCut& cut) {
    return cut.piece.find('.') != std::string::npos;
  });
  ASSERT_NE(blocked, plan().cuts.end());
  press(Qt::Key_G);
  type(QString::number(blocked->step));
  press(Qt::Key_Return);
  EXPECT_EQ(shown(), blocked->step);
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("does not lie there")));
  press(Qt::Key_Space);
  EXPECT_TRUE(made().empty());
}

TEST_F(AtTheSaw, aCutThatIsReadyIsMadeOutOfOrder) {
  const auto other =
      std::find_if(plan().cuts.begin() + 1, plan().cuts.end(),
                   [](const SawCut& cut) { return cut.piece.find('.') == std::string::npos; });
  ASSERT_NE(other, plan().cuts.end()) << "a second sheet";
  press(Qt::Key_G);
  type(qs(other->piece));
  press(Qt::Key_Return);
  EXPECT_EQ(shown(), other->step);
  press(Qt::Key_Space);
  EXPECT_EQ(made(), (std::set<int>{other->step}));
  EXPECT_EQ(shown(), 1);
  press(Qt::Key_G);
  type(QStringLiteral("nothing so called"));
  press(Qt::Key_Return);
  EXPECT_TRUE(text("What is wrong").contains(QStringLiteral("nothing so called")));
}

TEST_F(AtTheSaw, theBenchShowsWhatLiesThere) {
  auto* view = named<SawView>(window_.get(), QStringLiteral("The piece on the saw"));
  ASSERT_NE(view, nullptr);
  press(Qt::Key_B);
  EXPECT_TRUE(view->isBench());
  EXPECT_EQ(view->lying().size(), static_cast<qsizetype>(plan().sheets.size()));
  press(Qt::Key_Space);
  EXPECT_TRUE(view->lying().contains(qs(*plan().cuts[0].high)));
  press(Qt::Key_B);
  EXPECT_FALSE(view->isBench());
}

TEST_F(AtTheSaw, everythingIsCutToTheEnd) {
  while (made().size() < plan().cuts.size()) {
    const std::size_t before = made().size();
    press(Qt::Key_Space);
    ASSERT_EQ(made().size(), before + 1);
  }
  auto* view = named<SawView>(window_.get(), QStringLiteral("The piece on the saw"));
  EXPECT_EQ(view->accessibleDescription(), QStringLiteral("Everything of this cutting is cut."));
  EXPECT_TRUE(text("How far it is").contains(QStringLiteral("29 of 29 parts, 0 settings left")));
  EXPECT_EQ(session().floor().progress().good("T1-01"),
            std::count_if(plan().ends.begin(), plan().ends.end(), [this](const PieceEnd& end) {
              if (end.kind != PieceEnd::Kind::Part) return false;
              const PlannedSheet& sheet = plan().sheets[end.sheet];
              return session()
                         .floor()
                         .record()
                         .cuttings[0]
                         .plans[0]
                         .request.parts[sheet.placements[end.index].part]
                         .code == "T1-01";
            }));
}

// The window is gone without a word; the next one opens at the cut after the last one made.
TEST_F(AtTheSaw, opensAtTheCutAfterTheLastOne) {
  for (int i = 0; i < 5; ++i) press(Qt::Key_Space);
  begin();
  ASSERT_TRUE(window_->openFile(path()));
  window_->showStage(QStringLiteral("saw"));
  test::settle();
  EXPECT_EQ(made().size(), 5U);
  EXPECT_EQ(shown(), 6);
}

// The dialog that is open, by its name.
QWidget* wrongDialog() {
  for (QWidget* one : QApplication::topLevelWidgets())
    if (one->isVisible() && one->accessibleName() == QStringLiteral("Went wrong")) return one;
  return nullptr;
}

TEST_F(AtTheSaw, aSpoiledPartIsPlannedAnewInOneOfThreeWays) {
  // Until a part lies there.
  while (session().floor().progress().pieces.empty()) press(Qt::Key_Space);
  const PieceId spoiled = session().floor().progress().pieces.begin()->first;
  const auto events = session().floor().record().events.size();
  press(Qt::Key_W);
  ASSERT_TRUE(waitFor([] { return wrongDialog() != nullptr; }));
  QWidget* dialog = wrongDialog();
  auto* what = named<QComboBox>(dialog, QStringLiteral("What it is about"));
  ASSERT_NE(what, nullptr);
  const int row = what->findText(qs(spoiled.code), Qt::MatchStartsWith);
  ASSERT_GE(row, 0);
  what->setCurrentIndex(row);
  click(dialog, QStringLiteral("Show the ways"));
  for (const char* way : {"Take: Disturb nothing", "Take: One piece anew", "Take: Everything anew"})
    EXPECT_TRUE(waitFor([&] {
      return named<QPushButton>(dialog, QString::fromLatin1(way))->isEnabled();
    })) << way;
  EXPECT_TRUE(
      textOf(dialog, QStringLiteral("Disturb nothing")).contains(QStringLiteral("setting")));
  EXPECT_EQ(session().floor().record().events.size(), events)
      << "nothing changes until it is taken";
  EXPECT_EQ(session().floor().record().cuttings[0].plans.size(), 1U);
  click(dialog, QStringLiteral("Take: Disturb nothing"));
  EXPECT_TRUE(waitFor([] { return wrongDialog() == nullptr; }));
  EXPECT_EQ(session().floor().progress().cuttings.at(1).plan, 2);
  EXPECT_TRUE(session().floor().progress().pieces.at(spoiled).spoiled);
  // Taken back before any of its cuts.
  press(Qt::Key_Z);
  EXPECT_EQ(session().floor().progress().cuttings.at(1).plan, 1);
}

TEST_F(AtTheSaw, aPartThatIsTooLargeIsOnlyCutDown) {
  while (session().floor().progress().pieces.empty()) press(Qt::Key_Space);
  press(Qt::Key_W);
  ASSERT_TRUE(waitFor([] { return wrongDialog() != nullptr; }));
  QWidget* dialog = wrongDialog();
  press(Qt::Key_2, Qt::AltModifier);
  auto* what = named<QComboBox>(dialog, QStringLiteral("What it is about"));
  const std::string code = session().floor().progress().pieces.begin()->first.code;
  what->setCurrentIndex(what->findText(qs(code), Qt::MatchStartsWith));
  auto* length = named<QLineEdit>(dialog, QStringLiteral("Measures, long"));
  ASSERT_NE(length, nullptr);
  length->setFocus();
  press(Qt::Key_Return);
  EXPECT_FALSE(textOf(dialog, QStringLiteral("What is wrong")).isEmpty()) << "a size is wanted";
  length->setFocus();
  type(QStringLiteral("100in"));
  named<QLineEdit>(dialog, QStringLiteral("and wide"))->setFocus();
  type(QStringLiteral("60in"));
  press(Qt::Key_Return);
  EXPECT_TRUE(textOf(dialog, QStringLiteral("What is still good"))
                  .contains(QStringLiteral("cut it down to its size")));
  click(dialog, QStringLiteral("Only note it"));
  EXPECT_EQ(session().floor().record().events.back().kind, EventKind::CameOutAt);
}

TEST_F(AtTheSaw, theFirstPieceSaysHowFarTheFenceMoves) {
  for (const SawCut& cut : plan().cuts) {
    if (cut.kind == CutKind::Final) break;
    press(Qt::Key_Space);
  }
  const SawCut& cut = plan().cuts[static_cast<std::size_t>(shown()) - 1];
  const auto measure = [&](Length size) {
    press(Qt::Key_M);
    type(qs(formatMm(size)) + QStringLiteral("mm"));
    press(Qt::Key_Return);
    return text("What the first piece says");
  };
  EXPECT_TRUE(measure(cut.distance).contains(QStringLiteral("good")));
  EXPECT_TRUE(measure(cut.distance + Length::mm(2)).contains(QStringLiteral("move the fence in")));
  EXPECT_TRUE(measure(cut.distance - Length::mm(2)).contains(QStringLiteral("move the fence out")));
  press(Qt::Key_M);
  type(QStringLiteral("nonsense"));
  press(Qt::Key_Return);
  EXPECT_TRUE(text("What the first piece says").contains(QStringLiteral("above 0")));
  press(Qt::Key_Escape);
  press(Qt::Key_Space);
  EXPECT_EQ(made().count(cut.step), 1U) << "the keyboard is with the cut again";
}

// One board from a sheet: of what comes off more can be cut.
class OneBoard : public test::ShownWindow {};

TEST_F(OneBoard, sparesAreCutFromWhatComesOffAndTakenBack) {
  open("ringing-trolley", "lay-out");
  edit([](Job& job) {
    job.assemblies.clear();
    job.loose.clear();
    LooseBoard board;
    board.name = "spacer";
    board.material = job.materials[0].id;
    board.length = Length::in(16);
    board.width = Length::in(4);
    board.grain = BoardGrain::Length;
    job.loose.push_back(board);
  });
  ASSERT_TRUE(waitFor([this] {
    return session().plans().isCurrent() && session().plans().shown().plan &&
           session().plans().shown().plan->sheets.size() == 1;
  }));
  ASSERT_TRUE(planned());
  willChooseFile(path());
  click(window_.get(), QStringLiteral("Take to the saw"));
  window_->showStage(QStringLiteral("saw"));
  test::settle();
  auto* button = named<QPushButton>(window_.get(), QStringLiteral("Cut one more"));
  ASSERT_NE(button, nullptr);
  for (int i = 0; i < 20 && !button->isEnabled(); ++i) press(Qt::Key_Space);
  ASSERT_TRUE(button->isEnabled());
  const auto words = [this] {
    return textOf(window_.get(), QStringLiteral("Spares")).section(QLatin1Char(' '), 0, 0).toInt();
  };
  const int before = words();
  ASSERT_GT(before, 0);
  press(Qt::Key_S);
  EXPECT_EQ(session().floor().progress().pieces.size(), 2U) << "the cut is made, and one more";
  EXPECT_EQ(words(), before - 1);
  press(Qt::Key_Z);
  EXPECT_EQ(session().floor().progress().pieces.size(), 1U);
  EXPECT_EQ(words(), before);
  press(Qt::Key_Z);
  EXPECT_TRUE(session().floor().progress().pieces.empty());
}

TEST_F(AtTheSaw, theClockRunsAcrossACrash) {
  EXPECT_TRUE(text("Time left").contains(QStringLiteral("a guess")));
  press(Qt::Key_T);
  EXPECT_TRUE(text("Time left").startsWith(QStringLiteral("clock 0:0")));
  begin();
  ASSERT_TRUE(window_->openFile(path()));
  window_->showStage(QStringLiteral("saw"));
  test::settle();
  EXPECT_TRUE(text("Time left").startsWith(QStringLiteral("clock ")));
  EXPECT_EQ(session().floor().progress().running.size(), 1U);
  press(Qt::Key_T);
  EXPECT_TRUE(session().floor().progress().running.empty());
}

TEST_F(AtTheSaw, withoutACuttingItSaysWhereOneComesFrom) {
  ASSERT_FALSE(session().giveUp(1));
  auto* view = named<SawView>(window_.get(), QStringLiteral("The piece on the saw"));
  EXPECT_TRUE(waitFor([&] {
    return view->accessibleDescription().contains(QStringLiteral("Take a plan there in Lay out"));
  }));
  press(Qt::Key_Space);
  EXPECT_EQ(session().floor().record().events.size(), 2U);
}

}  // namespace
}  // namespace pp::saw_test
