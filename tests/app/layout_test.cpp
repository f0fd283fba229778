// Lay out in the real window: what is proven, plans side by side, pins, swaps and moves by hand.
#include <QComboBox>
#include <QLabel>
#include <QTest>

#include <set>

#include "app/stages/layout/sheets_view.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::layout_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::waitFor;

class LayOut : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley", "lay-out");
    settle();
  }
  void settle() {
    ASSERT_TRUE(waitFor([this] {
      return !session().plans().runner().isRunning() && session().plans().isCurrent();
    }));
  }
  SheetsView* sheets() {
    return named<SheetsView>(window_.get(), QStringLiteral("Sheets with their parts"));
  }
  // Chooses the first part of the plan with the keyboard.
  void chooseAPart() {
    sheets()->setFocus();
    press(Qt::Key_Right);
  }
  QString byHand() { return textOf(window_.get(), QStringLiteral("By hand")); }
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
  std::set<Length> sizes;
  for (const PlannedSheet& sheet : after->sheets)
    for (const Placement& part : sheet.placements) sizes.insert({part.dx, part.dy});
  EXPECT_TRUE(
      textOf(window_.get(), QStringLiteral("Plan"))
          .contains(
              QStringLiteral("%1 settings for %2 sizes").arg(after->setups).arg(sizes.size())));
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

// The sheets and the parts on them, as the plan that is shown has them.
std::size_t sheetOf(const PlanShown& shown, const PartKey& part) {
  for (std::size_t i = 0; i < shown.plan->sheets.size(); ++i)
    for (const Placement& p : shown.plan->sheets[i].placements)
      if (findPart({(*shown.parts)[p.part]}, part) != nullptr) return i;
  return shown.plan->sheets.size();
}

// By hand onto another sheet, wherever there is room for one.
TEST_F(LayOut, aPartIsMovedToAnotherSheetAndStaysThere) {
  auto* move = named<QComboBox>(window_.get(), QStringLiteral("Move to"));
  chooseAPart();
  for (int part = 0; part < 60 && job().pins.empty(); ++part) {
    for (int entry = 1; entry < move->count() && job().pins.empty(); ++entry) {
      move->setFocus();
      move->setCurrentIndex(0);
      for (int i = 0; i < entry; ++i) press(Qt::Key_Down);
      const bool moved = !job().pins.empty();
      EXPECT_TRUE(moved || !byHand().isEmpty()) << "a move that cannot be says why";
    }
    if (!job().pins.empty()) break;
    sheets()->setFocus();
    press(Qt::Key_Right);
  }
  ASSERT_EQ(job().pins.size(), 1U) << "not one part of the trolley can go anywhere else";
  const JobPin pin = job().pins.front();
  EXPECT_TRUE(session().undoText().startsWith(QStringLiteral("move ")));
  settle();
  EXPECT_LT(sheetOf(session().plans().shown(), pin.part),
            session().plans().shown().plan->sheets.size());
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(job().pins.empty());
}

// Two parts of different sheets that have room for one another, the second found by mouse.
TEST_F(LayOut, twoPartsAreSwappedAndPinnedWhereTheyWent) {
  for (int first = 0; first < 12 && job().pins.empty(); ++first) {
    for (int k = 0; k <= first; ++k) chooseAPart();
    const auto from = sheets()->selection();
    ASSERT_TRUE(from);
    for (int y = 30; y < sheets()->height() && job().pins.empty(); y += 40)
      for (int x = 30; x < sheets()->width() && job().pins.empty(); x += 60) {
        click(window_.get(), QStringLiteral("Swap"));
        test::clickAt(sheets(), QPointF(x, y));
        if (job().pins.empty() && sheets()->selection() != from) chooseAPart();
      }
  }
  ASSERT_EQ(job().pins.size(), 2U) << "no two parts of the trolley can be swapped";
  EXPECT_TRUE(session().undoText().startsWith(QStringLiteral("swap ")));
  EXPECT_NE(job().pins[0].part, job().pins[1].part);
  EXPECT_TRUE(byHand().isEmpty());
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(job().pins.empty());
}

TEST_F(LayOut, aPlanThatFailsItsCheckIsSaidAndNotShown) {
  const auto before = session().plans().shown().plan;
  emit session().plans().runner().failed(QStringLiteral("B1-01 lies outside its sheet"));
  test::settle();
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Not placed"))
                  .contains(QStringLiteral("B1-01 lies outside its sheet")));
  EXPECT_EQ(session().plans().shown().plan, before);
  edit([](Job& job) { job.saw.kerf = Length::mm(4); });
  settle();
  test::settle();
  for (const QLabel* label : window_->findChildren<QLabel*>())
    EXPECT_FALSE(label->isVisible() && label->text().contains(QStringLiteral("lies outside")))
        << "it was about another job";
}

TEST_F(LayOut, pinsByButtonDoWhatTheirKeysDo) {
  chooseAPart();
  click(window_.get(), QStringLiteral("Pin to its sheet"));
  ASSERT_EQ(job().pins.size(), 1U);
  EXPECT_FALSE(job().pins.front().x.has_value());
  settle();
  chooseAPart();
  click(window_.get(), QStringLiteral("Pin in place"));
  ASSERT_EQ(job().pins.size(), 2U);
  EXPECT_TRUE(job().pins.back().x.has_value());
  settle();
  session().pointing().select(
      {{}, std::nullopt, codeOf(*session().plans().shown().parts, job().pins[0].part)});
  test::settle();
  click(window_.get(), QStringLiteral("Unpin"));
  EXPECT_LT(job().pins.size(), 2U);
}

TEST_F(LayOut, aPartIsChosenByMouse) {
  EXPECT_TRUE(session().pointing().selection().part.empty());
  // Somewhere on the sheets lies a part.
  for (int y = 20; y < sheets()->height() && session().pointing().selection().part.empty(); y += 16)
    for (int x = 20; x < sheets()->width() && session().pointing().selection().part.empty();
         x += 16)
      test::clickAt(sheets(), QPointF(x, y));
  const std::string chosen = session().pointing().selection().part;
  ASSERT_FALSE(chosen.empty());
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Part chosen")).startsWith(qs(chosen)));
  EXPECT_TRUE(named(window_.get(), QStringLiteral("Tape"))
                  ->accessibleDescription()
                  .contains(QStringLiteral("cut length of ") + qs(chosen)));
}

// What is not on the sheets is said, with how much of it there is.
TEST_F(LayOut, partsThatFindNoSheetAreSaid) {
  edit([](Job& job) {
    for (std::size_t i = 0; i < job.stock.size(); ++i) job.stock[i].quantity = 0;
  });
  ASSERT_TRUE(waitFor([this] {
    const PlanShown& shown = session().plans().shown();
    return !session().plans().runner().isRunning() && (!shown.plan || shown.plan->missing() > 0);
  }));
  test::settle();
  const QString said = textOf(window_.get(), QStringLiteral("Plan")) + byHand();
  EXPECT_FALSE(said.isEmpty());
  bool found = false;
  for (const Finding& finding : session().findings())
    found = found || finding.severity == Severity::Stop;
  EXPECT_TRUE(found) << "it cannot be cut, and nothing stops";
}

}  // namespace
}  // namespace pp::layout_test
