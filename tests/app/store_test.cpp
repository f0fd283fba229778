// The shop's rack in the real window: what is put there is seen by every job, taken to the saw it
// is promised, and a store that is gone keeps nobody from working.
#include <gtest/gtest.h>

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableView>
#include <QTest>

#include "app/stages/rack/rack_view.h"
#include "core/formats/file.h"
#include "tests/app/shown_window.h"

namespace pp {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::waitFor;
using test::willAnswer;
using test::willChooseFile;

class ShopsRack : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    startHere();
    open("ringing-trolley", "rack");
  }
  // A store of this test's own.
  void startHere() { session().store().setPath(storePath()); }
  std::string storePath() const { return path("shop.sqlite").toStdString(); }
  Store store() const { return Store::open(storePath()).value(); }
  RackView* view() { return named<RackView>(window_.get(), QStringLiteral("The shop's rack")); }
  void settleStore() {
    session().store().finish();
    test::settle();
  }
  void putThere(int row) {
    auto* table = named<QTableView>(window_.get(), QStringLiteral("Sheets and offcuts"));
    table->setCurrentIndex(table->model()->index(row, 0));
    click(window_.get(), QStringLiteral("Put the chosen row into the shop's rack"));
    settleStore();
  }
  void takeOver() {
    click(window_.get(), QStringLiteral("Take over from the store"));
    test::settle();
  }
  // Every row of the job's rack is there, and what could be bought is out of it.
  void stockTheShop() {
    const int rows = static_cast<int>(job().stock.size());
    for (int row = 0; row < rows; ++row) putThere(row);
    edit([](Job& job) {
      job.pins.clear();
      while (!job.stock.empty()) job.stock.pop_back();
    });
    settleStore();
    takeOver();
  }
  std::vector<RackRow> rack() const {
    Store there = store();
    return there.rack().value();
  }
};

TEST_F(ShopsRack, whatIsPutThereIsSeenByEveryJob) {
  EXPECT_FALSE(view()->accessibleDescription().isEmpty());
  edit([](Job& job) { job.stock[0].quantity = 3; });
  putThere(0);
  ASSERT_EQ(rack().size(), 1U);
  EXPECT_EQ(rack()[0].left, 3);
  Store there = store();
  const std::vector<RackMaterial> materials = there.all<RackMaterial>().value();
  const Material& own = *findMaterial(job(), job().stock[0].material);
  ASSERT_EQ(materials.size(), 1U);
  EXPECT_EQ(materials[0].name, own.name);
  EXPECT_EQ(materials[0].tone, own.tone);
  EXPECT_EQ(materials[0].density, own.density);
  EXPECT_EQ(view()->accessibleDescription(), QStringLiteral("1 piece shown"));
  // The row that was put there is what could be bought still; the piece is one more.
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Where this job's copy differs"))
                  .contains(QStringLiteral("3 more in the store")));
  takeOver();
  EXPECT_EQ(job().stock[job().stock.size() - 1].quantity, 3);
  EXPECT_EQ(job().stock[job().stock.size() - 1].store, rack()[0].piece.id);
  putThere(static_cast<int>(job().stock.size()) - 1);
  EXPECT_EQ(rack().size(), 1U) << "a copy is not put there once more";
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().stock[job().stock.size() - 1].store, 0);
  // Another job, in another window.
  begin();
  startHere();
  open("log-wall", "rack");
  settleStore();
  EXPECT_EQ(view()->accessibleDescription(), QStringLiteral("1 piece shown"));
}

TEST_F(ShopsRack, isSearchedAndGoneThroughByTheArrowKeys) {
  for (int row = 0; row < 3; ++row) putThere(row);
  const auto count = view()->accessibleDescription();
  EXPECT_EQ(count, QStringLiteral("3 pieces shown"));
  auto* search = named<QLineEdit>(window_.get(), QStringLiteral("Search the rack"));
  search->setFocus();
  test::type(QStringLiteral("nowhere to be found"));
  EXPECT_EQ(view()->accessibleDescription(), QStringLiteral("0 pieces shown"));
  search->clear();
  view()->setFocus();
  press(Qt::Key_Right);
  const QString first = textOf(window_.get(), QStringLiteral("The piece that is chosen"));
  EXPECT_TRUE(first.contains(QStringLiteral("of this job"))) << first.toStdString();
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  ASSERT_NE(view()->chosen(), nullptr);
  EXPECT_EQ(view()->chosen()->piece.id, rack()[2].piece.id) << "the last one stays";
  press(Qt::Key_Left);
  EXPECT_EQ(view()->chosen()->piece.id, rack()[1].piece.id);
  test::clickAt(view(), view()->places()[0].face.center());
  EXPECT_EQ(view()->chosen()->piece.id, rack()[0].piece.id);
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("The piece that is chosen")), first);
}

// Another job is opened while the rack is not shown: what was chosen there was read for the one
// before.
TEST_F(ShopsRack, aPieceStaysChosenWhenAnotherJobIsOpened) {
  putThere(0);
  view()->setFocus();
  press(Qt::Key_Right);
  ASSERT_NE(view()->chosen(), nullptr);
  window_->showStage(QStringLiteral("draw"));
  ASSERT_TRUE(window_->openDemo(QStringLiteral("log-wall")));
  window_->showStage(QStringLiteral("rack"));
  settleStore();
  EXPECT_EQ(view()->chosen()->piece.id, rack()[0].piece.id);
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("The piece that is chosen"))
                  .contains(QStringLiteral("of this job")));
}

TEST_F(ShopsRack, whatIsTakenToTheSawIsPromised) {
  edit([](Job& job) {
    for (std::size_t i = 0; i < job.stock.size(); ++i) job.stock[i].quantity = 20;
  });
  stockTheShop();
  ASSERT_TRUE(planned());
  window_->showStage(QStringLiteral("lay-out"));
  willChooseFile(path());
  click(window_.get(), QStringLiteral("Take to the saw"));
  ASSERT_EQ(session().floor().record().cuttings.size(), 1U);
  settleStore();
  const auto promised = [this] {
    std::int64_t out = 0;
    for (const RackRow& row : rack()) out += row.left - row.free;
    return out;
  };
  const auto sheets = std::ssize(session().floor().record().cuttings[0].plans[0].plan.sheets);
  EXPECT_EQ(promised(), sheets);
  EXPECT_TRUE(store().check().empty());
  // Its own taking is no difference.
  window_->showStage(QStringLiteral("rack"));
  settleStore();
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Where this job's copy differs")), QString());
  ASSERT_FALSE(session().giveUp(1).has_value());
  settleStore();
  EXPECT_EQ(promised(), 0);
}

TEST_F(ShopsRack, whatAnotherHasIsNotTaken) {
  edit([](Job& job) {
    for (std::size_t i = 0; i < job.stock.size(); ++i) job.stock[i].quantity = 20;
  });
  stockTheShop();
  ASSERT_TRUE(planned());
  {
    Store other = store();
    std::map<Id, std::int64_t> all;
    for (const RackRow& row : rack()) all[row.piece.id] = row.free;
    ASSERT_TRUE(other.take("another job", "Nook", 1, all).empty());
  }
  window_->showStage(QStringLiteral("lay-out"));
  willChooseFile(path());
  click(window_.get(), QStringLiteral("Take to the saw"));
  EXPECT_TRUE(session().floor().record().cuttings.empty());
  bool said = false;
  for (const QLabel* line : window_->findChildren<QLabel*>())
    said =
        said || (line->isVisible() && line->text().contains(QStringLiteral("0 free; 20 for Nook")));
  EXPECT_TRUE(said);
  // The second look has it, and mends it.
  settleStore();
  bool found = false;
  for (const Finding& one : session().findings())
    found = found || one.what.find("shop's rack are not as this job has them") != std::string::npos;
  EXPECT_TRUE(found);
}

TEST_F(ShopsRack, aStoreThatIsBrokenLeavesTheJobUsable) {
  stockTheShop();
  ASSERT_TRUE(planned());
  ASSERT_FALSE(writeFile(path("broken.sqlite").toStdString(), std::string(4'000, 'x')));
  session().store().setPath(path("broken.sqlite").toStdString());
  session().store().look();
  settleStore();
  EXPECT_TRUE(session().store().trouble().contains(QStringLiteral("no store, or a broken one")));
  EXPECT_FALSE(
      named<QPushButton>(window_.get(), QStringLiteral("Put the chosen row into the shop's rack"))
          ->isEnabled());
  set("Sheets and offcuts", 0, 8, "17");
  EXPECT_EQ(job().stock[0].quantity, 17);
  ASSERT_TRUE(planned());
  window_->showStage(QStringLiteral("lay-out"));
  willChooseFile(path());
  click(window_.get(), QStringLiteral("Take to the saw"));
  EXPECT_EQ(session().floor().record().cuttings.size(), 1U);
}

}  // namespace
}  // namespace pp
