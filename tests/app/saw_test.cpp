// Saw in the real window: one cut at a time, back, looked at, out of order, and after a crash.
#include <gtest/gtest.h>

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTest>

#include "app/stages/saw/saw_view.h"
#include "core/saw/edges.h"
#include "pictures/paint/figures.h"
#include "tests/app/shown_window.h"

namespace pp {
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
  const Plan& plan() { return session().floor().record().cuttings.at(0).plans.at(0).plan; }
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
}  // namespace pp
