// Rack in the real window: thickness measured, slides, banding and bought things, saws.
#include <gtest/gtest.h>

#include <QApplication>
#include <QFile>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTableView>
#include <QTemporaryDir>
#include <QTest>

#include "app/shell/main_window.h"
#include "app/stages/rack/rack_leaves.h"
#include "tests/app/shown_window.h"

namespace pp::rack_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;

class Rack : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley", "rack");
  }
  QTableView* table(const char* name) {
    return named<QTableView>(window_.get(), QString::fromUtf8(name));
  }
  void show(const char* leaf) {
    click(window_.get(), QStringLiteral("Show ") + QString::fromUtf8(leaf));
  }
  Length lengthOf(const char* name) {
    for (const Part& part : session().breakdown().parts)
      if (part.name == name) return part.length.total();
    ADD_FAILURE() << name;
    return {};
  }
};

TEST_F(Rack, aMeasuredThicknessChangesTheParts) {
  show("materials");
  set("Materials", 0, 2, "3/4");
  // 30 - 2 x 3/4 + 2 x 1/4
  EXPECT_TRUE(
      waitFor([this] { return session().breakdown().parts[2].length.total() == Length::in(29); }));
  // What changed is said, from what to what.
  const QString changes = textOf(window_.get(), QStringLiteral("Parts that changed"));
  EXPECT_TRUE(changes.contains(QStringLiteral("T1-03"))) << changes.toStdString();
  EXPECT_TRUE(changes.contains(QStringLiteral("→ 29 ×"))) << changes.toStdString();
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NE(session().breakdown().parts[2].length.total(), Length::in(29));
}

TEST_F(Rack, aThickerSlideMakesTheDrawersNarrower) {
  const Length before = lengthOf("drawer box front");
  show("drawer slides");
  for (int row = 0; row < static_cast<int>(job().slides.size()); ++row)
    set("Drawer slides", row, 3, "3/4");
  EXPECT_EQ(lengthOf("drawer box front"), before - Length::in(0, 1, 2));
}

TEST_F(Rack, slidesGoOutAndComeInAsAList) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("slides.csv"));
  auto* leaves = window_->findChild<RackLeaves*>();
  ASSERT_NE(leaves, nullptr);
  show("drawer slides");
  ASSERT_TRUE(leaves->writeSlidesFile(path));
  const std::vector<Slide> before = job().slides;
  click(window_.get(), QStringLiteral("Add row"));
  ASSERT_EQ(job().slides.size(), before.size() + 1);
  set("Drawer slides", static_cast<int>(before.size()), 1, "22");
  EXPECT_EQ(job().slides.back().length, Length::in(22));
  ASSERT_TRUE(leaves->readSlidesFile(path));
  EXPECT_EQ(job().slides, before);
  QFile broken(path);
  ASSERT_TRUE(broken.open(QIODevice::Append));
  broken.write("bent slide,-5,1/2in,side,,,\n");
  broken.close();
  EXPECT_FALSE(leaves->readSlidesFile(path));
  EXPECT_EQ(job().slides, before);
}

TEST_F(Rack, bandingBoughtThingsAndSawsAreAddedChangedAndRemoved) {
  click(window_.get(), QStringLiteral("Show bought in"));
  const auto bought = static_cast<int>(job().bought.size());
  click(window_.get(), QStringLiteral("Add row"));
  set("Bought in", bought, 0, "stone slab");
  set("Bought in", bought, 1, "3");
  EXPECT_EQ(job().bought.back().name, "stone slab");
  EXPECT_EQ(job().bought.back().quantity, 3);
  set("Bought in", bought, 1, "0");
  EXPECT_EQ(job().bought.back().quantity, 3) << "refused";
  click(window_.get(), QStringLiteral("Remove row"));
  EXPECT_EQ(static_cast<int>(job().bought.size()), bought);

  click(window_.get(), QStringLiteral("Show edge banding"));
  const auto bandings = static_cast<int>(job().bandings.size());
  set("Edge banding", 0, 1, "1/8");
  EXPECT_EQ(job().bandings.front().thickness, Length::in(0, 1, 8));
  click(window_.get(), QStringLiteral("Add row"));
  EXPECT_EQ(static_cast<int>(job().bandings.size()), bandings + 1);

  const std::size_t saws = job().shop.machines.size();
  show("the saws");
  click(window_.get(), QStringLiteral("Add row"));
  EXPECT_EQ(job().shop.machines.size(), saws + 1);
  click(window_.get(), QStringLiteral("Undo"));
  EXPECT_EQ(job().shop.machines.size(), saws);
}

TEST_F(Rack, materialsAreAddedChangedAndRemovedUnlessUsed) {
  const std::size_t before = job().materials.size();
  show("materials");
  click(window_.get(), QStringLiteral("Add row"));
  ASSERT_EQ(job().materials.size(), before + 1);
  const int row = static_cast<int>(before);
  set("Materials", row, 0, "poplar");
  set("Materials", row, 1, "1/2");
  set("Materials", row, 2, "15/32");
  set("Materials", row, 6, "450");
  const Material& made = job().materials.back();
  EXPECT_EQ(made.name, "poplar");
  EXPECT_EQ(made.nominal, Length::in(0, 1, 2));
  EXPECT_EQ(made.measured, Length::in(0, 15, 32));
  EXPECT_EQ(made.density, 450);
  set("Materials", row, 2, "-1");
  EXPECT_EQ(job().materials.back().measured, Length::in(0, 15, 32)) << "refused";
  table("Materials")->setCurrentIndex(table("Materials")->model()->index(row, 0));
  click(window_.get(), QStringLiteral("Remove row"));
  EXPECT_EQ(job().materials.size(), before);
  // The one the trolley is made of stays, and why is said.
  table("Materials")->setCurrentIndex(table("Materials")->model()->index(0, 0));
  click(window_.get(), QStringLiteral("Remove row"));
  EXPECT_EQ(job().materials.size(), before);
  bool said = false;
  for (const QLabel* line : window_->findChildren<QLabel*>(QStringLiteral("problem")))
    said = said || (line->isVisible() && !line->text().isEmpty());
  EXPECT_TRUE(said);
}

// A job that is worked out beside the window: what was taken back is still shown for a moment.
TEST_F(Rack, aRowThatIsGoneButStillShownIsNotRemoved) {
  session().deriver().setFrame(Deriver::Duration(0));
  const std::size_t before = job().materials.size();
  show("materials");
  click(window_.get(), QStringLiteral("Add row"));
  ASSERT_TRUE(waitFor([&] { return job().materials.size() == before + 1; }));
  auto* materials = table("Materials");
  materials->setCurrentIndex(materials->model()->index(static_cast<int>(before), 0));
  session().undo();
  ASSERT_EQ(job().materials.size(), before + 1) << "it is not shown yet";
  click(window_.get(), QStringLiteral("Remove row"));
  EXPECT_TRUE(waitFor([&] { return job().materials.size() == before; }));
}

TEST_F(Rack, sheetsAndOffcutsAreAddedChangedAndRemoved) {
  const std::size_t before = job().stock.size();
  click(window_.get(), QStringLiteral("Add row"));
  click(window_.get(), QStringLiteral("Add offcut"));
  ASSERT_EQ(job().stock.size(), before + 2);
  EXPECT_EQ(job().stock[before].kind, StockKind::Sheet);
  EXPECT_EQ(job().stock[before + 1].kind, StockKind::Offcut);
  EXPECT_NE(job().stock[before].mark, job().stock[before + 1].mark);
  const int row = static_cast<int>(before);
  set("Sheets and offcuts", row, 0, "BIG");
  set("Sheets and offcuts", row, 3, "spring");
  set("Sheets and offcuts", row, 4, "23/32");
  set("Sheets and offcuts", row, 5, "120");
  set("Sheets and offcuts", row, 6, "60");
  set("Sheets and offcuts", row, 8, "3");
  set("Sheets and offcuts", row, 9, "71.50");
  const StockPiece sheet = job().stock[before];
  EXPECT_EQ(sheet.mark, "BIG");
  EXPECT_EQ(sheet.lot, "spring");
  EXPECT_EQ(sheet.measured, Length::in(0, 23, 32));
  EXPECT_EQ(sheet.length, Length::in(120));
  EXPECT_EQ(sheet.width, Length::in(60));
  EXPECT_EQ(sheet.quantity, 3);
  EXPECT_EQ(format(sheet.price), "71.50");
  set("Sheets and offcuts", row, 8, "as needed");
  EXPECT_EQ(job().stock[before].quantity, std::nullopt);
  set("Sheets and offcuts", row + 1, 0, "BIG");
  EXPECT_NE(job().stock[before + 1].mark, "BIG") << "one mark is one piece";
  table("Sheets and offcuts")->setCurrentIndex(table("Sheets and offcuts")->model()->index(row, 0));
  click(window_.get(), QStringLiteral("Remove row"));
  EXPECT_EQ(job().stock.size(), before + 1);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().stock[before].mark, "BIG");
}

TEST_F(Rack, whatASawCannotDoIsTyped) {
  show("the saws");
  set("The saws", 0, 3, "100");
  set("The saws", 0, 4, "26");
  set("The saws", 0, 5, "108");
  set("The saws", 0, 2, "3/32");
  const Machine& saw = job().shop.machines.front();
  EXPECT_EQ(saw.longestCut, Length::in(100));
  EXPECT_EQ(saw.reach, Length::in(26));
  EXPECT_EQ(saw.longestPiece, Length::in(108));
  EXPECT_EQ(saw.kerf, Length::in(0, 3, 32));
  set("The saws", 0, 2, "usual");
  EXPECT_EQ(job().shop.machines.front().kerf, std::nullopt);
  show("how the shop saws");
  set("How the shop saws", 0, 0, "1/8");
  set("How the shop saws", 0, 5, "30");
  set("How the shop saws", 0, 7, "16");
  set("How the shop saws", 0, 13, "75");
  EXPECT_EQ(job().shop.stripWidth, Length::in(16));
  EXPECT_EQ(job().shop.settingSeconds, 75);
  EXPECT_EQ(job().saw.kerf, Length::in(0, 1, 8));
  EXPECT_EQ(job().shop.carryGrams, 30'000);
}

// Typed and read, one reading on a burr, and every row of the lot follows.
TEST_F(Rack, theThicknessOfALotIsMeasured) {
  edit([](Job& job) {
    job.stock[0].lot = job.stock[1].lot = "A7";
    job.stock[1].material = job.stock[0].material;
  });
  session().gauge().plug(simulatedGauge(GaugeManner::Late, Length::um(17'900), 1));
  auto* sheets = table("Sheets and offcuts");
  sheets->setCurrentIndex(sheets->model()->index(0, 0));
  QString said;
  test::willDo([&](QWidget& dialog) {
    auto* field = dialog.findChild<QLineEdit*>();
    for (const char* reading : {"17.92 mm", "17.88 mm", "18.9 mm", "17.9 mm", "nonsense"}) {
      field->setText(QString::fromLatin1(reading));
      QTest::keyClick(field, Qt::Key_Return);
    }
    field->clear();
    auto* list = dialog.findChild<QListWidget*>();
    if (list->count() != 4) return false;
    QTest::keyClick(&dialog, Qt::Key_F9);
    if (!waitFor([list] { return list->count() == 5; })) return false;
    for (const QLabel* label : dialog.findChildren<QLabel*>())
      if (label->accessibleName() == QStringLiteral("What the readings say")) said = label->text();
    if (!list->item(2)->text().contains(QStringLiteral("does not count"))) return false;
    for (auto* button : dialog.findChildren<QPushButton*>())
      if (button->text() == QStringLiteral("Take it")) QTest::mouseClick(button, Qt::LeftButton);
    return true;
  });
  click(window_.get(), QStringLiteral("Measure the thickness"));
  EXPECT_TRUE(said.contains(QStringLiteral("4 readings"))) << said.toStdString();
  EXPECT_EQ(job().stock[0].measured, Length::um(17'900));
  EXPECT_EQ(job().stock[1].measured, Length::um(17'900));
  EXPECT_EQ(job().stock[2].measured, std::nullopt);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().stock[0].measured, std::nullopt);
}

TEST_F(Rack, theGaugeReadsIntoTheCellAndTheField) {
  session().gauge().plug(simulatedGauge(GaugeManner::Steady, Length::um(17'900), 1));
  auto* sheets = table("Sheets and offcuts");
  sheets->setFocus();
  sheets->setCurrentIndex(sheets->model()->index(0, 4));
  press(Qt::Key_F9);
  EXPECT_TRUE(waitFor([this] { return job().stock[0].measured == Length::um(17'900); }));
  auto* search = named<QLineEdit>(window_.get(), QStringLiteral("Search the rack"));
  search->setFocus();
  press(Qt::Key_F9);
  EXPECT_TRUE(waitFor([search] { return !search->text().isEmpty(); }));
  // Nothing plugged in, nothing happens.
  session().gauge().plug(nullptr);
  search->clear();
  press(Qt::Key_F9);
  EXPECT_TRUE(search->text().isEmpty());
}

}  // namespace
}  // namespace pp::rack_test
