// Bench in the real window: one setting at a time, pieces ticked, taken back, found by code, and
// all of it there after a crash.
#include <gtest/gtest.h>

#include <QApplication>
#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTest>
#include <algorithm>

#include "app/shell/plumb_line.h"
#include "app/stages/bench/bench_view.h"
#include "core/assembly/pages.h"
#include "core/breakdown/fittings.h"
#include "core/joinery/rules.h"
#include "pictures/paint/bench_picture.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::bench_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;
using test::willChooseFile;

class AtTheBench : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley", "lay-out");
  }
  // Takes the plan to the saw and cuts it all, then goes to the bench.
  void cutAll() {
    ASSERT_TRUE(planned());
    willChooseFile(path());
    click(window_.get(), QStringLiteral("Take to the saw"));
    ASSERT_EQ(session().floor().record().cuttings.size(), 1U);
    for (const SawCut& cut : session().floor().record().cuttings[0].plans[0].plan.cuts)
      ASSERT_FALSE(session().cutMade(1, 1, cut.step));
    toTheBench();
  }
  void toTheBench() {
    ASSERT_TRUE(window_->showStage(QStringLiteral("bench")));
    test::settle();
  }
  QString text(const char* name) { return textOf(window_.get(), QString::fromLatin1(name)); }
  QListWidget* groups() {
    return named<QListWidget>(window_.get(), QStringLiteral("Steps in order"));
  }
  std::size_t machined() {
    std::size_t out = 0;
    for (const auto& [piece, state] : session().floor().progress().pieces) out += state.done.size();
    return out;
  }
};

TEST_F(AtTheBench, showsASettingReadableFromTwoMetres) {
  cutAll();
  EXPECT_EQ(text("With what"), QStringLiteral("dado stack, fence to cut"));
  auto* setting = named<QLabel>(window_.get(), QStringLiteral("Figure"));
  EXPECT_GE(setting->font().pixelSize(), 64);
  EXPECT_EQ(setting->text(), figureWithUnit(Length{}, session().style()));
  EXPECT_TRUE(text("What is done")
                  .contains(figureWithUnit(Length::nm(25'400'000 * 15 / 32), session().style())));
  EXPECT_TRUE(text("Piece").startsWith(QStringLiteral("T1-10 no. 1, ")));
  EXPECT_EQ(text("Tried first"),
            QStringLiteral("test first: on scrap, with the drawer left side that goes in"));
  EXPECT_TRUE(text("How it lies").contains(QStringLiteral("edge at the fence")));
  EXPECT_FALSE(text("Caution").isEmpty());
  EXPECT_EQ(groups()->count(), 8);
  for (const char* name :
       {"The piece is done", "Take the last back", "All that are there are done"})
    EXPECT_GE(named<QPushButton>(window_.get(), QString::fromLatin1(name))->height(), 44) << name;
}

// What is listed is pressed before the list has followed the job.
TEST_F(AtTheBench, aSettingThatIsGoneIsNotGoneTo) {
  toTheBench();
  QListWidget* list = groups();
  const QRect last = list->visualItemRect(list->item(list->count() - 1));
  Job next = session().draft();
  next.assemblies = {};
  ASSERT_TRUE(session().edit(QStringLiteral("take all away"), next).empty());
  QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, last.center());
  test::settle();
  EXPECT_EQ(list->count(), 0);
  press(Qt::Key_Z);
  auto* view = named<BenchView>(window_.get(), QStringLiteral("The piece at the tool"));
  EXPECT_EQ(view->accessibleDescription(), QStringLiteral("No part has anything machined on it."));
}

TEST_F(AtTheBench, spaceTicksAPieceAndZTakesItBack) {
  cutAll();
  const QString first = text("Piece");
  press(Qt::Key_Space);
  EXPECT_EQ(machined(), 1U);
  EXPECT_NE(text("Piece"), first);
  EXPECT_TRUE(text("How far it is").startsWith(QStringLiteral("Machining: 1 of 35 done")));
  press(Qt::Key_Z);
  EXPECT_EQ(machined(), 0U);
  EXPECT_EQ(text("Piece"), first);
  EXPECT_FALSE(
      named<QPushButton>(window_.get(), QStringLiteral("Take the last back"))->isEnabled());
  // By the mouse too, and all of a setting at once.
  click(window_.get(), QStringLiteral("The piece is done"));
  EXPECT_EQ(machined(), 1U);
  press(Qt::Key_A);
  EXPECT_EQ(machined(), 6U) << "all six pieces of the first setting";
  EXPECT_TRUE(groups()->item(0)->text().contains(QStringLiteral("✓")));
  EXPECT_EQ(groups()->currentRow(), 1);
  press(Qt::Key_Z);
  EXPECT_EQ(machined(), 5U);
  EXPECT_EQ(groups()->currentRow(), 0);
}

TEST_F(AtTheBench, isWorkedToTheEndByKeysAlone) {
  cutAll();
  int presses = 0;
  while (text("The piece is done").startsWith(QStringLiteral("Done")) && presses < 100) {
    press(presses % 2 == 0 ? Qt::Key_Space : Qt::Key_Return);
    ++presses;
  }
  EXPECT_EQ(presses, 35);
  auto* view = named<BenchView>(window_.get(), QStringLiteral("The piece at the tool"));
  EXPECT_EQ(view->accessibleDescription(), QStringLiteral("Everything is machined."));
  EXPECT_EQ(text("The piece is done"), QStringLiteral("Nothing to do"));
  press(Qt::Key_Space);
  press(Qt::Key_A);
  EXPECT_EQ(machined(), 35U);
}

TEST_F(AtTheBench, stepsAreLookedAtAndDoneOutOfOrder) {
  cutAll();
  const QString first = text("Piece");
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  const QString third = text("Piece");
  EXPECT_NE(third, first);
  press(Qt::Key_Left);
  press(Qt::Key_Right);
  EXPECT_EQ(text("Piece"), third);
  press(Qt::Key_Escape);
  EXPECT_EQ(text("Piece"), first);
  // A setting is gone to by the list.
  QListWidget* list = groups();
  test::clickAt(list->viewport(), list->visualItemRect(list->item(3)).center());
  EXPECT_EQ(list->currentRow(), 3);
  EXPECT_EQ(text("Figure"), figureWithUnit(Length::nm(25'400'000LL * 183 / 32), session().style()));
  press(Qt::Key_Space);
  EXPECT_EQ(machined(), 1U);
}

TEST_F(AtTheBench, aCodeOrALabelSaysWhatIsNextForThatPiece) {
  cutAll();
  press(Qt::Key_G);
  type(QStringLiteral("t1-13"));
  press(Qt::Key_Return);
  EXPECT_TRUE(text("Piece").startsWith(QStringLiteral("T1-13 no. 1")));
  press(Qt::Key_Space);
  EXPECT_EQ(machined(), 1U);
  press(Qt::Key_G);
  type(QStringLiteral("nothing"));
  press(Qt::Key_Return);
  bool said = false;
  for (const QLabel* line : window_->findChildren<QLabel*>())
    said =
        said || (line->isVisible() && line->text().contains(QStringLiteral("what its label says")));
  EXPECT_TRUE(said);
}

TEST_F(AtTheBench, whatWasTickedIsThereAfterACrash) {
  cutAll();
  for (int i = 0; i < 4; ++i) press(Qt::Key_Space);
  const QString shown = text("Piece");
  begin();
  ASSERT_TRUE(window_->openFile(path()));
  toTheBench();
  EXPECT_EQ(machined(), 4U);
  EXPECT_EQ(text("Piece"), shown);
}

TEST_F(AtTheBench, whatIsNotCutIsShownAndNotTicked) {
  toTheBench();
  EXPECT_EQ(text("With what"), QStringLiteral("dado stack, fence to cut"));
  EXPECT_EQ(text("The piece is done"), QStringLiteral("Not cut yet"));
  press(Qt::Key_Space);
  press(Qt::Key_A);
  press(Qt::Key_Z);
  EXPECT_EQ(machined(), 0U);
  EXPECT_TRUE(session().floor().record().events.empty());
  // A tool that the shop does not have is not asked for.
  edit([](Job& job) { job.shop.tools.dadoMost = {}; });
  EXPECT_TRUE(
      waitFor([this] { return text("With what") == QStringLiteral("table saw, fence to cut"); }));
}

TEST_F(AtTheBench, withoutMachiningItSaysSo) {
  edit([](Job& job) { job.assemblies.clear(); });
  toTheBench();
  auto* view = named<BenchView>(window_.get(), QStringLiteral("The piece at the tool"));
  EXPECT_TRUE(waitFor([&] {
    return view->accessibleDescription() == QStringLiteral("No part has anything machined on it.");
  }));
  press(Qt::Key_Right);
  press(Qt::Key_Space);
}

// Another leaf, by its number or its button: what is done there is its own.
TEST_F(AtTheBench, edgesAreBandedByRoll) {
  cutAll();
  press(Qt::Key_2);
  EXPECT_TRUE(text("How far it is").startsWith(QStringLiteral("Banding: 0 of 18 edges done")));
  EXPECT_EQ(text("With what"), QStringLiteral("birch edging, strip"));
  const Length strip =
      bench::Bandings(bench::piecesAtBench({}, {}, session().breakdown().parts), job())
          .rolls[0]
          .strips[0]
          .length;
  EXPECT_EQ(text("Figure"), figureWithUnit(strip, session().style()));
  EXPECT_TRUE(text("What is done").contains(QStringLiteral(" edge, ")));
  EXPECT_EQ(text("How it lies"), QStringLiteral("on the part"));
  EXPECT_TRUE(text("Of all of it").contains(QStringLiteral("birch iron-on: 8 strips")));
  EXPECT_TRUE(text("Tried first").isEmpty());
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("flushed when it is dry")))
      << "a quarter inch of wood is no iron-on";
  const QString first = text("Piece");
  press(Qt::Key_Space);
  EXPECT_EQ(machined(), 1U);
  EXPECT_TRUE(text("How far it is").startsWith(QStringLiteral("Banding: 1 of 18")));
  click(window_.get(), QStringLiteral("Show machining"));
  EXPECT_TRUE(text("How far it is").startsWith(QStringLiteral("Machining: 0 of 35 done")));
  EXPECT_FALSE(named<QPushButton>(window_.get(), QStringLiteral("Take the last back"))->isEnabled())
      << "what was banded is taken back at the banding";
  press(Qt::Key_2);
  press(Qt::Key_Z);
  EXPECT_EQ(machined(), 0U);
  EXPECT_EQ(text("Piece"), first);
  click(window_.get(), QStringLiteral("Look at the step after"));
  // A code is looked for in the leaf that is shown.
  press(Qt::Key_G);
  type(QStringLiteral("t1-01"));
  press(Qt::Key_Return);
  EXPECT_TRUE(text("Piece").startsWith(QStringLiteral("T1-01 no. 1, left side")));
  EXPECT_EQ(text("How it lies"), QStringLiteral("on the case, over its joints"));
}

// The shop knows no finish: what there is is named, and ticked all the same.
TEST_F(AtTheBench, coatsAreGivenPieceByPiece) {
  edit([](Job& job) { job.assemblies[0].finish = Finish::Clear; });
  cutAll();
  press(Qt::Key_3);
  const QString words = text("How far it is");
  ASSERT_TRUE(words.startsWith(QStringLiteral("Finishing: 0 of "))) << words.toStdString();
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("laid out flat")));
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("A sample first")));
  EXPECT_TRUE(groups()->item(0)->text().contains(QStringLiteral("not in the shop's finishes")));
  press(Qt::Key_A);
  EXPECT_TRUE(groups()->item(0)->text().contains(QStringLiteral("✓")));
  EXPECT_GT(machined(), 4U);
  press(Qt::Key_Z);
  EXPECT_FALSE(groups()->item(0)->text().contains(QStringLiteral("✓")));
}

// What is put together by itself comes first, and goes in whole.
TEST_F(AtTheBench, theWorkIsPutTogetherStepByStep) {
  cutAll();
  click(window_.get(), QStringLiteral("Show assembly"));
  ASSERT_EQ(groups()->count(), 3);
  EXPECT_TRUE(groups()->item(0)->text().contains(QStringLiteral("T1, tray")));
  EXPECT_TRUE(groups()->item(1)->text().contains(QStringLiteral("T1, drawer, 2 alike")));
  EXPECT_EQ(text("With what"), QStringLiteral("step 1 of 5"));
  EXPECT_TRUE(text("Piece").endsWith(QStringLiteral("tray left side, left hand")));
  EXPECT_EQ(text("How it lies"), QStringLiteral("flat on the bench"));
  press(Qt::Key_Space);
  EXPECT_EQ(text("What is done"), QStringLiteral("to tray left side: rabbet, glue"));
  EXPECT_TRUE(text("Tried first").contains(QStringLiteral("without glue first")));
  // The rest of the tray, both drawers, and the case as far as the right side closes it.
  press(Qt::Key_A);
  press(Qt::Key_A);
  EXPECT_EQ(groups()->currentRow(), 2);
  for (int i = 0; i < 20 && !text("Piece").contains(QStringLiteral(" right side")); ++i)
    press(Qt::Key_Space);
  EXPECT_TRUE(text("How it lies").startsWith(QStringLiteral("the work on its left side")));
  EXPECT_TRUE(text("Tried first").contains(QStringLiteral("both diagonals")));
  EXPECT_TRUE(text("Tried first").contains(QStringLiteral("clamps")));
  // A code says what is next for that piece.
  press(Qt::Key_G);
  type(QStringLiteral("t1-07"));
  press(Qt::Key_Return);
  EXPECT_TRUE(text("Piece").endsWith(QStringLiteral("drawer front")));
  EXPECT_TRUE(text("Tried first").contains(QStringLiteral("gap of ")));
  press(Qt::Key_Escape);
  press(Qt::Key_A);
  EXPECT_EQ(named<QWidget>(window_.get(), QStringLiteral("The piece at the tool"))
                ->accessibleDescription(),
            QStringLiteral("Everything is put together."));
  press(Qt::Key_Z);
  EXPECT_TRUE(text("Piece").endsWith(QStringLiteral("drawer front")));
}

// Nothing happens until a way out is taken; cut again later, it is wanted again.
TEST_F(AtTheBench, whatWentWrongHasWaysOut) {
  cutAll();
  const QString first = text("Piece");
  const std::size_t events = session().floor().record().events.size();
  press(Qt::Key_W);
  auto* dialog = named<QDialog>(window_.get(), QStringLiteral("Went wrong"));
  ASSERT_NE(dialog, nullptr);
  EXPECT_TRUE(
      textOf(dialog, QStringLiteral("The piece")).startsWith(QStringLiteral("T1-10 no. 1")));
  const auto way = [&](const char* begins) {
    for (QPushButton* button : dialog->findChildren<QPushButton*>())
      if (button->accessibleName().startsWith(QString::fromUtf8(begins))) return button;
    return static_cast<QPushButton*>(nullptr);
  };
  EXPECT_NE(way("Pack, fill or glue up"), nullptr);
  EXPECT_EQ(way("Turn it over"), nullptr);
  // Another size wants one; off by a sixteenth it is split.
  click(dialog, QStringLiteral("Other size"));
  EXPECT_EQ(way("Cut it again"), nullptr);
  const auto& parts = session().breakdown().parts;
  const auto part =
      std::find_if(parts.begin(), parts.end(), [](const Part& one) { return one.code == "T1-10"; });
  ASSERT_NE(part, parts.end());
  auto* field = named<QLineEdit>(dialog, QStringLiteral("Measures, long"));
  field->setFocus();
  type(typed(part->length.total() - Length::in(0, 1, 16), session().style()));
  press(Qt::Key_Return);
  const QString split = QStringLiteral("Split the difference: %1 at either end")
                            .arg(figureWithUnit(Length::in(0, 1, 32), session().style()));
  EXPECT_NE(way(split.toUtf8().constData()), nullptr);
  EXPECT_EQ(session().floor().record().events.size(), events);
  click(dialog, QStringLiteral("Machined wrongly"));
  QPushButton* later = way("Cut it again by a later cutting");
  ASSERT_NE(later, nullptr);
  later->click();
  test::settle();
  EXPECT_EQ(session().floor().progress().good("T1-10"), 1);
  EXPECT_NE(text("Piece"), first) << "it is none any more";
  ASSERT_TRUE(window_->showStage(QStringLiteral("lay-out")));
  ASSERT_TRUE(waitFor([this] {
    const PlanShown shown = session().plans().shown();
    return shown.plan && shown.parts && shown.parts->size() == 1 &&
           shown.parts->front().code == "T1-10";
  })) << "and wanted again";
}

// What is carried is ticked as it goes into the van and again in its place; taken back here, what
// was put together stays so.
TEST_F(AtTheBench, whatIsCarriedIsTickedTwice) {
  cutAll();
  press(Qt::Key_4);
  press(Qt::Key_A);
  const std::size_t assembled = machined();
  EXPECT_GT(assembled, 4U);
  press(Qt::Key_5);
  ASSERT_EQ(groups()->count(), 2);
  EXPECT_TRUE(groups()->item(0)->text().startsWith(QStringLiteral("T1, into the van")));
  EXPECT_EQ(text("Piece"), QStringLiteral("T1, whole"));
  const bench::Installings of(bench::piecesAtBench({}, {}, session().breakdown().parts), job());
  EXPECT_EQ(text("Figure"), weightFigure(of.carried[0].grams, job().unit));
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("Two carry it")));
  EXPECT_TRUE(text("Of all of it").contains(QStringLiteral("level, shims")));
  press(Qt::Key_A);
  EXPECT_EQ(groups()->currentRow(), 1);
  EXPECT_EQ(text("With what"), QStringLiteral("in place"));
  EXPECT_TRUE(text("How it lies").startsWith(QStringLiteral("onto its casters")));
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("licensed people")));
  const std::size_t loaded = machined();
  press(Qt::Key_Z);
  EXPECT_EQ(machined(), loaded - 1);
  press(Qt::Key_4);
  press(Qt::Key_Z);
  EXPECT_EQ(machined(), loaded - 2);
  EXPECT_EQ(groups()->currentRow(), 0) << "the last of the tray";
}

// How a test cut came out is the shop's: another job is offered it.
TEST_F(AtTheBench, aTestCutIsKeptForTheNextJob) {
  const std::string shop = path("tried.sqlite").toStdString();
  ASSERT_TRUE(Store::open(shop).ok());
  session().store().setPath(shop);
  session().store().look();
  session().store().finish();
  cutAll();
  const QString plain = text("Tried first");
  press(Qt::Key_T);
  // By how much has to be said.
  click(QApplication::activeModalWidget(), QStringLiteral("It is loose"));
  EXPECT_TRUE(text("What is tried").contains(QStringLiteral("By how much")));
  type(QStringLiteral("1/64"));
  click(QApplication::activeModalWidget(), QStringLiteral("It is loose"));
  session().store().finish();
  ASSERT_TRUE(waitFor([&] { return text("Tried first") != plain; }));
  const LengthStyle style = session().style();
  EXPECT_TRUE(text("Tried first")
                  .endsWith(QStringLiteral("last time %1 loose: build it to %2")
                                .arg(figureWithUnit(Length::nm(25'400'000 / 64), style),
                                     figureWithUnit(Length::nm(25'400'000 * 29 / 64), style))));
  EXPECT_FALSE(Store::open(shop).value().setting(kTestCuts).value().empty());
  // Right the next time: nothing is offered any more.
  press(Qt::Key_T);
  press(Qt::Key_Return);
  session().store().finish();
  EXPECT_TRUE(waitFor([&] { return text("Tried first") == plain; }));
  session().store().undo();
  session().store().finish();
  EXPECT_TRUE(waitFor([&] { return text("Tried first") != plain; }));
  // Where nothing is tried there is nothing to say.
  press(Qt::Key_2);
  EXPECT_FALSE(
      named<QPushButton>(window_.get(), QStringLiteral("How the test cut came out"))->isEnabled());
  press(Qt::Key_T);
  EXPECT_EQ(QApplication::activeModalWidget(), nullptr);
}

// With the shop's products each coat is said with what is mixed and when.
TEST_F(AtTheBench, theShopsFinishSaysWhatIsMixedAndWhen) {
  FinishProduct oil;
  oil.name = "hard oil";
  oil.coats = 2;
  oil.grit = 180;
  oil.drying = 300;
  oil.thinning = 25;
  oil.minutes = 5;
  const std::string shop = path("shop.sqlite").toStdString();
  {
    Store store = Store::open(shop).value();
    for (const char* name : {"clear", "painted", "stained"})
      ASSERT_TRUE(store.add(ShopFinish{0, name, {oil}}).ok());
  }
  session().store().setPath(shop);
  session().store().look();
  session().store().finish();
  ASSERT_TRUE(session().store().state());
  edit([](Job& job) { job.assemblies[0].finish = Finish::Clear; });
  cutAll();
  press(Qt::Key_3);
  EXPECT_TRUE(text("With what").contains(QStringLiteral("hard oil 1 of 2, brush")));
  EXPECT_TRUE(text("Figure in the other unit").contains(QStringLiteral(" thinner, 25 %")));
  EXPECT_TRUE(text("Tried first").startsWith(QStringLiteral("sand with 180 first, dust off")));
  EXPECT_TRUE(groups()->item(0)->text().contains(QStringLiteral("day 1, 8:00")));
  EXPECT_TRUE(text("Of all of it").contains(QStringLiteral("the last is dry on day ")));
}

// A row of nine pin holes, 63 from the lower end and 32 apart: read from whichever end goes first.
TEST(BenchWords, sayWhereARowOfHolesBeginsAndHowItGoesOn) {
  Part part;
  part.length = Reason("length", Length::mm(600));
  part.width = Reason("width", Length::mm(400));
  part.thickness = Length::mm(18);
  part.edges = {Side::Front, Side::Back, Side::Bottom, Side::Top};
  Machining row;
  row.cut = MachiningKind::PinHoles;
  row.from = Edge::L1;
  row.u0 = Length::mm(63);
  row.u1 = Length::mm(63 + 8 * 32);
  row.distance = row.v0 = row.v1 = Length::mm(37);
  row.width = Length::mm(5);
  row.depth = Length::mm(10);
  row.holes = 9;
  row.pitch = Length::mm(32);
  Machining pockets;
  pockets.cut = MachiningKind::Pockets;
  pockets.from = Edge::W1;
  pockets.holes = 3;
  pockets.pitch = Length::mm(150);
  Machining dado;
  dado.cut = MachiningKind::Dado;
  dado.width = Length::mm(18);
  part.machining = {row, pockets, dado};
  const LengthStyle style = LengthStyle{};
  bench::Work work;
  work.leading = Edge::W1;
  work.begin = row.u0;
  EXPECT_EQ(rowWords(work, part, style),
            QStringLiteral("first %1 from the bottom edge, 9 in all, %2 apart")
                .arg(figureWithUnit(Length::mm(63), style), figureWithUnit(Length::mm(32), style)));
  // From the other end: 600 - 319.
  work.leading = Edge::W2;
  work.begin = Length::mm(600) - row.u1;
  EXPECT_TRUE(rowWords(work, part, style)
                  .startsWith(QStringLiteral("first %1 from the top edge")
                                  .arg(figureWithUnit(Length::mm(281), style))));
  part.machining[0].holes = 1;
  EXPECT_FALSE(rowWords(work, part, style).contains(QStringLiteral("in all")));
  work.machining = 1;
  EXPECT_EQ(rowWords(work, part, style),
            QStringLiteral("3 pockets, screws %1 long")
                .arg(figureWithUnit(joinery::pocketScrewFor(part.thickness, style.unit), style)));
  work.machining = 2;
  EXPECT_TRUE(rowWords(work, part, style).isEmpty());
}

}  // namespace
}  // namespace pp::bench_test
