// Rack in the real window: thickness measured, slides, banding and bought things, saws.
#include <gtest/gtest.h>

#include <QApplication>
#include <QFile>
#include <QLineEdit>
#include <QTableView>
#include <QTemporaryDir>
#include <QTest>

#include "app/shell/main_window.h"
#include "app/stages/rack/supplies.h"
#include "tests/app/driver.h"

namespace pp {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;

class Rack : public testing::Test {
 protected:
  void SetUp() override {
    window_ = std::make_unique<MainWindow>();
    window_->resize(1280, 800);
    test::appear(window_.get());
    ASSERT_TRUE(window_->openDemo(QStringLiteral("ringing-trolley")));
    window_->showStage(2);
  }
  void TearDown() override {
    window_->session().plans().runner().stop();
    window_.reset();
  }

  // A cell is chosen and its value typed over.
  void set(const char* table, int row, int column, const char* value) {
    auto* view = named<QTableView>(window_.get(), QString::fromUtf8(table));
    ASSERT_NE(view, nullptr) << table;
    view->setFocus();
    view->setCurrentIndex(view->model()->index(row, column));
    press(Qt::Key_F2);
    auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_NE(editor, nullptr) << table;
    editor->selectAll();
    type(QString::fromUtf8(value));
    press(Qt::Key_Return);
    QApplication::processEvents();
  }
  Session& session() { return window_->session(); }
  const Job& job() { return session().job(); }
  Length lengthOf(const char* name) {
    for (const Part& part : session().breakdown().parts)
      if (part.name == name) return part.length.total();
    ADD_FAILURE() << name;
    return {};
  }

  std::unique_ptr<MainWindow> window_;
};

TEST_F(Rack, aMeasuredThicknessChangesTheParts) {
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
  for (int row = 0; row < static_cast<int>(job().slides.size()); ++row)
    set("Drawer slides", row, 3, "3/4");
  EXPECT_EQ(lengthOf("drawer box front"), before - Length::in(0, 1, 2));
}

TEST_F(Rack, slidesGoOutAndComeInAsAList) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("slides.csv"));
  auto* supplies = window_->findChild<Supplies*>();
  ASSERT_NE(supplies, nullptr);
  ASSERT_TRUE(supplies->writeSlidesFile(path));
  const std::vector<Slide> before = job().slides;
  click(window_.get(), QStringLiteral("Add supply"));
  ASSERT_EQ(job().slides.size(), before.size() + 1);
  set("Drawer slides", static_cast<int>(before.size()), 1, "22");
  EXPECT_EQ(job().slides.back().length, Length::in(22));
  ASSERT_TRUE(supplies->readSlidesFile(path));
  EXPECT_EQ(job().slides, before);
  QFile broken(path);
  ASSERT_TRUE(broken.open(QIODevice::Append));
  broken.write("bent slide,-5,1/2in,side,,,\n");
  broken.close();
  EXPECT_FALSE(supplies->readSlidesFile(path));
  EXPECT_EQ(job().slides, before);
}

TEST_F(Rack, bandingBoughtThingsAndSawsAreAddedChangedAndRemoved) {
  click(window_.get(), QStringLiteral("Show bought in"));
  const auto bought = static_cast<int>(job().bought.size());
  click(window_.get(), QStringLiteral("Add supply"));
  set("Bought in", bought, 0, "stone slab");
  set("Bought in", bought, 1, "3");
  EXPECT_EQ(job().bought.back().name, "stone slab");
  EXPECT_EQ(job().bought.back().quantity, 3);
  set("Bought in", bought, 1, "0");
  EXPECT_EQ(job().bought.back().quantity, 3) << "refused";
  click(window_.get(), QStringLiteral("Remove supply"));
  EXPECT_EQ(static_cast<int>(job().bought.size()), bought);

  click(window_.get(), QStringLiteral("Show edge banding"));
  const auto bandings = static_cast<int>(job().bandings.size());
  set("Edge banding", 0, 1, "1/8");
  EXPECT_EQ(job().bandings.front().thickness, Length::in(0, 1, 8));
  click(window_.get(), QStringLiteral("Add supply"));
  EXPECT_EQ(static_cast<int>(job().bandings.size()), bandings + 1);

  const std::size_t saws = job().shop.machines.size();
  click(window_.get(), QStringLiteral("Add saw"));
  EXPECT_EQ(job().shop.machines.size(), saws + 1);
  click(window_.get(), QStringLiteral("Undo"));
  EXPECT_EQ(job().shop.machines.size(), saws);
}

}  // namespace
}  // namespace pp
