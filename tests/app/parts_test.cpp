// Parts in the real window: orders, search, a part changed by hand, lists in and out.
#include <gtest/gtest.h>

#include <QApplication>
#include <QComboBox>
#include <QFile>
#include <QLineEdit>
#include <QTableView>
#include <QTemporaryDir>
#include <QTest>

#include "app/shell/main_window.h"
#include "app/stages/parts/parts_stage.h"
#include "tests/app/shown_window.h"

namespace pp::parts_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;

class Parts : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley", "parts");
    table_ = named<QTableView>(window_.get(), QStringLiteral("Parts"));
    ASSERT_NE(table_, nullptr);
  }
  PartsStage* stage() { return window_->findChild<PartsStage*>(); }
  QString cell(int row, int column) {
    return table_->model()->index(row, column).data().toString();
  }
  void choose(const char* code) {
    for (int row = 0; row < table_->model()->rowCount(); ++row)
      if (cell(row, 0) == QString::fromLatin1(code)) return table_->selectRow(row);
    FAIL() << code;
  }
  void enter(const char* field, const char* text) {
    auto* line = named<QLineEdit>(window_.get(), QString::fromUtf8(field));
    ASSERT_NE(line, nullptr) << field;
    line->setFocus();
    line->selectAll();
    type(QString::fromUtf8(text));
  }

  QTableView* table_ = nullptr;
};

TEST_F(Parts, searchAndOrdersShowTheSamePartsOtherwise) {
  const int all = table_->model()->rowCount();
  enter("Search parts", "drawer bottom");
  ASSERT_EQ(table_->model()->rowCount(), 2);
  EXPECT_EQ(cell(1, 1), QStringLiteral("drawer bottom"));
  enter("Search parts", "no such thing");
  EXPECT_EQ(table_->model()->rowCount(), 0);
  named<QLineEdit>(window_.get(), QStringLiteral("Search parts"))->clear();
  EXPECT_EQ(table_->model()->rowCount(), all);
  auto* order = named<QComboBox>(window_.get(), QStringLiteral("Order of the parts"));
  order->setFocus();
  press(Qt::Key_Down);
  EXPECT_EQ(cell(0, 0), QStringLiteral("birch 1/2"));
  press(Qt::Key_Down);
  EXPECT_TRUE(cell(0, 0).contains(QStringLiteral("30 1/2")));  // the lid is the longest
}

TEST_F(Parts, sumsFollowTheUnit) {
  const QString name = QStringLiteral("Totals");
  const PartTotals totals = totalsOf(session().job(), session().breakdown().parts);
  EXPECT_TRUE(
      textOf(window_.get(), name)
          .contains(
              QStringLiteral("%1 sq ft of sheet").arg(totals.sheet.inM2() * 10.7639, 0, 'f', 1)));
  EXPECT_TRUE(textOf(window_.get(), name).contains(QStringLiteral(" lb")));
  click(window_.get(), QStringLiteral("Show millimetres"));
  EXPECT_TRUE(textOf(window_.get(), name)
                  .contains(QStringLiteral("%1 m² of sheet").arg(totals.sheet.inM2(), 0, 'f', 2)));
  EXPECT_TRUE(textOf(window_.get(), name).contains(QStringLiteral(" kg")));
}

TEST_F(Parts, aSizeIsSetByHandWithAReasonAndTakenBack) {
  choose("T1-03");
  const Length ruled = session().breakdown().parts[2].length.total();
  click(window_.get(), QStringLiteral("Change the part by hand"));
  change(QStringLiteral("part length"), QStringLiteral("29 - 1/8"));
  ASSERT_EQ(session().job().overrides.size(), 1U);
  EXPECT_EQ(session().breakdown().parts[2].length.total(), Length::in(28, 7, 8));
  change(QStringLiteral("part reason"), QStringLiteral("the left side is bowed"));
  EXPECT_EQ(session().job().overrides[0].why, "the left side is bowed");
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Why this size"))
                  .contains(QStringLiteral("the left side is bowed")));
  ShownWindow::choose(QStringLiteral("part choices"), QStringLiteral("back to the rules"));
  EXPECT_TRUE(session().job().overrides.empty());
  EXPECT_EQ(session().breakdown().parts[2].length.total(), ruled);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(session().breakdown().parts[2].length.total(), Length::in(28, 7, 8));
}

// A drawer bottom's set-back, a hole, a face's finish: each from the sentence, each undone.
TEST_F(Parts, edgesFinishAndCutsAreChosenInTheSentence) {
  choose("T1-01");
  const Part ruled = session().breakdown().parts[0];
  click(window_.get(), QStringLiteral("Change the part by hand"));
  ShownWindow::choose(QStringLiteral("part finish outside"), QStringLiteral("painted"));
  EXPECT_EQ(session().breakdown().parts[0].finishOutside, Finish::Painted);
  change(QStringLiteral("part front beyond"), QStringLiteral("-1/2"));
  EXPECT_EQ(session().breakdown().parts[0].width.total(),
            ruled.width.total() - Length::in(0, 1, 2));
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Why this size"))
                  .contains(QStringLiteral("set back at the front 1/2")));
  ShownWindow::choose(QStringLiteral("more cut into it"), QStringLiteral("and a row of holes"));
  change(QStringLiteral("pitch of row of holes 1"), QStringLiteral("1"));
  change(QStringLiteral("number of row of holes 1"), QStringLiteral("5"));
  const Part& now = session().breakdown().parts[0];
  ASSERT_FALSE(now.machining.empty());
  EXPECT_EQ(now.machining.back().cut, MachiningKind::HoleRow);
  EXPECT_EQ(now.machining.back().holes, 5);
  // What cannot be is said, and changes nothing.
  change(QStringLiteral("number of row of holes 1"), QStringLiteral("900"));
  EXPECT_EQ(session().breakdown().parts[0].machining.back().holes, 5);
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("What is wrong"))
                  .contains(QStringLiteral("a row of holes that leaves the board")));
  press(Qt::Key_Escape);
  for (int i = 0; i < 5; ++i) press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(session().job().overrides.empty());
}

TEST_F(Parts, theDrawingShowsWhereAPartCameFrom) {
  for (const Part& part : session().breakdown().parts)
    if (part.name == "drawer bottom") choose(part.code.c_str());
  click(window_.get(), QStringLiteral("Show where it is drawn"));
  EXPECT_EQ(window_->stageId(), QStringLiteral("draw"));
  EXPECT_EQ(session().pointing().selection().opening, OpeningPath{1});
}

TEST_F(Parts, aListGoesOutAndComesInAsBoards) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("list.csv"));
  ASSERT_TRUE(stage()->writeCsvFile(path));
  const std::size_t before = session().job().loose.size();
  const std::size_t rows = session().breakdown().parts.size();
  ASSERT_TRUE(stage()->readCsvFile(path));
  EXPECT_EQ(session().job().loose.size(), before + rows);
  QFile broken(path);
  ASSERT_TRUE(broken.open(QIODevice::Append));
  broken.write("X,board,,0,10,10,19.05,birch,any,,,,,0,,,\n");
  broken.close();
  EXPECT_FALSE(stage()->readCsvFile(path));
  EXPECT_EQ(session().job().loose.size(), before + rows);
}

// Grain and banding by hand, chosen from their lists.
TEST_F(Parts, grainAndBandingAreSetByHand) {
  choose("T1-01");
  const Part ruled = session().breakdown().parts[0];
  ASSERT_EQ(ruled.grain, PartGrain::Length);
  click(window_.get(), QStringLiteral("Change the part by hand"));
  ShownWindow::choose(QStringLiteral("part grain"), QStringLiteral("along width"));
  ShownWindow::choose(QStringLiteral("part front banding"), QStringLiteral("no banding"));
  const Part& now = session().breakdown().parts[0];
  EXPECT_EQ(now.grain, PartGrain::Width);
  for (const std::string& band : now.bands) EXPECT_EQ(band, "");
  EXPECT_EQ(now.length.total(), ruled.length.total()) << "what was not chosen stays";
  // Shown again, the words say what was chosen.
  click(window_.get(), QStringLiteral("Change the part by hand"));
  click(window_.get(), QStringLiteral("Change the part by hand"));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("part grain")), QStringLiteral("along width"));
  ShownWindow::choose(QStringLiteral("part choices"), QStringLiteral("back to the rules"));
  EXPECT_EQ(session().breakdown().parts[0].bands, ruled.bands);
}

TEST_F(Parts, aPartAddedByHandIsRemovedAgain) {
  const std::size_t before = job().loose.size();
  click(window_.get(), QStringLiteral("Add a part"));
  ASSERT_EQ(job().loose.size(), before + 1);
  const std::size_t parts = session().breakdown().parts.size();
  click(window_.get(), QStringLiteral("Remove the part added by hand"));
  EXPECT_EQ(job().loose.size(), before);
  EXPECT_EQ(session().breakdown().parts.size(), parts - 1);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().loose.size(), before + 1);
}

}  // namespace
}  // namespace pp::parts_test
