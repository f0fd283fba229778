// Bench in the real window: what the maker has otherwise than it is worked out.
#include <gtest/gtest.h>

#include <QApplication>
#include <QListWidget>
#include <QPushButton>

#include "core/coating/samples.h"
#include "core/shop/job_rack.h"
#include "core/store/store.h"
#include "pictures/paint/assembly_picture.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::making_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;

class AsTheMakerHasIt : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley", "bench");
    test::settle();
  }
  QString text(const char* name) { return textOf(window_.get(), QString::fromLatin1(name)); }
  QListWidget* list(const char* name) {
    return named<QListWidget>(window_.get(), QString::fromLatin1(name));
  }
  QStringList order() {
    QStringList out;
    QListWidget* steps = list("The order of its steps");
    for (int i = 0; i < steps->count(); ++i)
      out << steps->item(i)->text().section(QStringLiteral("  "), 1);
    return out;
  }
  bool hasButton(const char* name) {
    for (QPushButton* button : window_->findChildren<QPushButton*>())
      if (button->isVisible() && button->accessibleName() == QLatin1String(name)) return true;
    return false;
  }
};

TEST_F(AsTheMakerHasIt, aStepIsMovedByKeysAndByTheMouseAndPutBack) {
  press(Qt::Key_4);
  QListWidget* groups = list("Steps in order");
  const QRect last = groups->visualItemRect(groups->item(groups->count() - 1));
  test::clickAt(groups->viewport(), last.center());
  const QStringList found = order();
  ASSERT_GT(found.size(), 4);
  EXPECT_EQ(list("The order of its steps")->currentRow(), 0);
  EXPECT_FALSE(hasButton("The order as it was found"));
  // The first one later; it is still the one that is shown.
  press(Qt::Key_Down, Qt::ShiftModifier);
  QStringList moved = found;
  moved.move(0, 1);
  EXPECT_EQ(order(), moved);
  EXPECT_EQ(list("The order of its steps")->currentRow(), 1);
  EXPECT_TRUE(session().undoText().contains(QStringLiteral("move the ")));
  press(Qt::Key_Up, Qt::ShiftModifier);
  EXPECT_EQ(order(), found);
  // A front dragged before the drawers: the one behind it does not get in any more, and what goes
  // in before it says so.
  QListWidget* steps = list("The order of its steps");
  const auto rowAt = [&](int row) { return steps->visualItemRect(steps->item(row)).center(); };
  steps->scrollToBottom();
  const int from = steps->count() - 1;
  const QPoint begin = rowAt(from);
  const QPoint end = QPoint(begin.x(), rowAt(from - 3).y() - 2);
  test::drag(steps->viewport(), begin, end);
  test::settle();
  const QString drawer = QStringLiteral("drawer, put together");
  EXPECT_EQ(found.mid(from - 3, 2), (QStringList{drawer, drawer})) << "each on slides of its own";
  EXPECT_EQ(order().at(from - 3), QStringLiteral("drawer front"));
  EXPECT_EQ(order().mid(from - 2, 2),
            (QStringList{QStringLiteral("! ") + drawer, QStringLiteral("! ") + drawer}));
  EXPECT_TRUE(hasButton("The order as it was found"));
  press(Qt::Key_O);
  EXPECT_EQ(order(), found);
  session().undo();
  test::settle();
  EXPECT_NE(order(), found);
  session().redo();
  test::settle();
  EXPECT_EQ(order(), found);
}

TEST_F(AsTheMakerHasIt, whatCannotGoInThereSaysWhy) {
  press(Qt::Key_4);
  QListWidget* groups = list("Steps in order");
  test::clickAt(groups->viewport(),
                groups->visualItemRect(groups->item(groups->count() - 1)).center());
  // The last, a front, all the way to the beginning.
  QListWidget* steps = list("The order of its steps");
  steps->scrollToBottom();
  test::clickAt(steps->viewport(), steps->visualItemRect(steps->item(steps->count() - 1)).center());
  ASSERT_TRUE(text("Piece").contains(QStringLiteral("front"))) << text("Piece").toStdString();
  for (int i = steps->count() - 1; i > 0; --i) press(Qt::Key_Up, Qt::ShiftModifier);
  EXPECT_EQ(steps->currentRow(), 0);
  EXPECT_TRUE(order().at(1).startsWith(QStringLiteral("! ")));
  press(Qt::Key_Right);
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("It goes in before the ")))
      << text("Caution").toStdString();
}

// The figure is one that is set, or none; what only lies on the other, such as a layer, is glued
// though the drawing joins no edge of it.
TEST(PutIn, whatIsGluedFlatSaysGlue) {
  bench::UnitOrder unit;
  bench::AssemblyStep& step = unit.steps.emplace_back();
  step.lie = bench::Lie::OnBack;
  step.pieces = {{0, 0}};
  bench::Closed joint;
  joint.mate = {1, 0};
  joint.kind = JoinKind::Glued;
  joint.drawn = false;
  joint.flat = true;
  step.joints = {joint};
  bench::Pieces layer, host;
  layer.part.name = "layer";
  host.part.name = "board";
  const auto said = [&] {
    EXPECT_EQ(putInFigure(step, {}), QString());
    return wordsOf(unit, step, {layer, host}, {}).holds;
  };
  EXPECT_EQ(said(), QStringList{QStringLiteral("to board: glue")});
  step.joints[0].glued = false;
  EXPECT_EQ(said(), QStringList{QStringLiteral("to board: no glue")});
  // A joint that is drawn and glued where it will stand.
  step.joints[0].glued = step.joints[0].drawn = true;
  step.joints[0].gluing = Gluing::InPlace;
  EXPECT_EQ(said(), QStringList{QStringLiteral("to board: dry here, glued where it will stand")});
}

TEST_F(AsTheMakerHasIt, aJointIsGluedInTheShopInPlaceOrNever) {
  press(Qt::Key_4);
  QListWidget* groups = list("Steps in order");
  test::clickAt(groups->viewport(),
                groups->visualItemRect(groups->item(groups->count() - 1)).center());
  EXPECT_FALSE(hasButton("When it is glued")) << "the first closes no joint";
  QListWidget* steps = list("The order of its steps");
  int row = 0;
  while (row + 1 < steps->count() && !text("Piece").contains(QStringLiteral("right side")))
    test::clickAt(steps->viewport(), steps->visualItemRect(steps->item(++row)).center());
  ASSERT_TRUE(text("Piece").contains(QStringLiteral("right side")));
  ASSERT_TRUE(hasButton("When it is glued"));
  EXPECT_EQ(text("When it is glued"), QStringLiteral("Glued in the shop   J"));
  press(Qt::Key_J);
  EXPECT_EQ(text("When it is glued"), QStringLiteral("Glued in place   J"));
  EXPECT_TRUE(text("What is done").contains(QStringLiteral("glued where it will stand")));
  EXPECT_FALSE(job().gluing.empty());
  // It travels flat and is put together there.
  press(Qt::Key_5);
  QStringList pieces;
  for (int i = 0; i < 8; ++i) {
    pieces << text("Piece");
    press(Qt::Key_Right);
  }
  EXPECT_TRUE(pieces.join(QLatin1Char('\n')).contains(QStringLiteral("right side")))
      << pieces.join(QLatin1Char('\n')).toStdString();
  press(Qt::Key_4);
  test::clickAt(groups->viewport(),
                groups->visualItemRect(groups->item(groups->count() - 1)).center());
  test::clickAt(steps->viewport(), steps->visualItemRect(steps->item(row)).center());
  press(Qt::Key_J);
  EXPECT_EQ(text("When it is glued"), QStringLiteral("Never glued   J"));
  press(Qt::Key_J);
  EXPECT_EQ(text("When it is glued"), QStringLiteral("Glued in the shop   J"));
  EXPECT_TRUE(job().gluing.empty());
}

TEST_F(AsTheMakerHasIt, aReadingIsTypedAtItsStep) {
  const auto banks = [](Job& of) {
    std::vector<DrawerBank*> out;
    std::vector<Opening*> open = {&of.assemblies[0].carcass().inside};
    while (!open.empty()) {
      Opening* one = open.back();
      open.pop_back();
      if (auto* split = std::get_if<Split>(&one->content))
        for (Opening& child : split->children) open.push_back(&child);
      if (auto* bank = std::get_if<DrawerBank>(&one->content)) out.push_back(bank);
    }
    return out;
  };
  edit([&](Job& of) {
    for (DrawerBank* bank : banks(of)) bank->waits = true;
  });
  press(Qt::Key_4);
  QListWidget* steps = list("The order of its steps");
  int row = 0;
  while (row + 1 < steps->count() && !hasButton("A reading off the work"))
    test::clickAt(steps->viewport(), steps->visualItemRect(steps->item(++row)).center());
  ASSERT_TRUE(hasButton("A reading off the work"));
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("Waits for a reading")));
  press(Qt::Key_R);
  QWidget* dialog = QApplication::activeModalWidget();
  ASSERT_NE(dialog, nullptr);
  EXPECT_TRUE(
      textOf(dialog, QStringLiteral("What is asked")).contains(QStringLiteral("How wide is the")));
  type(QStringLiteral("wide"));
  press(Qt::Key_Return);
  EXPECT_TRUE(
      textOf(dialog, QStringLiteral("What is asked")).contains(QStringLiteral("Lengths above 0")));
  auto* field = named<QWidget>(dialog, QStringLiteral("The reading"));
  ASSERT_NE(field, nullptr);
  press(Qt::Key_A, Qt::ControlModifier);
  type(QStringLiteral("20 1/4, 20 1/8"));
  press(Qt::Key_Return);
  ASSERT_TRUE(waitFor([] { return QApplication::activeModalWidget() == nullptr; }));
  test::settle();
  EXPECT_TRUE(session().undoText().contains(QStringLiteral("a reading off the work")));
  Job now = job();
  std::vector<Length> readings;
  for (const DrawerBank* bank : banks(now))
    readings.insert(readings.end(), bank->readings.begin(), bank->readings.end());
  EXPECT_EQ(readings, (std::vector<Length>{Length::in(20, 1, 4), Length::in(20, 1, 8)}));
  EXPECT_FALSE(hasButton("A reading off the work")) << "nothing waits there any more";
  EXPECT_FALSE(text("Caution").contains(QStringLiteral("Waits for a reading")));
  session().undo();
  test::settle();
  EXPECT_TRUE(text("Caution").contains(QStringLiteral("Waits for a reading")));
}

TEST_F(AsTheMakerHasIt, anAssemblyIsFinishedAsPartsOrPutTogether) {
  edit([](Job& of) { of.assemblies[0].finish = Finish::Clear; });
  press(Qt::Key_3);
  EXPECT_TRUE(text("Finished as parts or put together").contains(QStringLiteral("as parts")));
  const QString parts = text("Of all of it");
  EXPECT_TRUE(parts.contains(QStringLiteral("bare for the glue")));
  press(Qt::Key_F);
  EXPECT_TRUE(text("Finished as parts or put together").contains(QStringLiteral("put together")));
  EXPECT_TRUE(text("With what").contains(QStringLiteral("clear, put together")));
  EXPECT_TRUE(text("Tried first").contains(QStringLiteral("fill the seams")));
  EXPECT_FALSE(text("Of all of it").contains(QStringLiteral("bare for the glue")));
  click(window_.get(), QStringLiteral("Finished as parts or put together"));
  test::settle();
  EXPECT_EQ(text("Of all of it"), parts);
}

TEST_F(AsTheMakerHasIt, aSampleIsKeptForTheNextJobOnThatLot) {
  const std::string shop = path("samples.sqlite").toStdString();
  ASSERT_TRUE(Store::open(shop).ok());
  session().store().setPath(shop);
  session().store().look();
  session().store().finish();
  edit([](Job& of) { of.assemblies[0].finish = Finish::Clear; });
  press(Qt::Key_3);
  EXPECT_TRUE(text("Tried first").contains(QStringLiteral("a sample on an offcut of ")));
  press(Qt::Key_T);
  ASSERT_NE(QApplication::activeModalWidget(), nullptr);
  type(QStringLiteral("too dark, one coat less"));
  press(Qt::Key_Return);
  session().store().finish();
  EXPECT_TRUE(waitFor(
      [&] { return text("Tried first").contains(QStringLiteral("too dark, one coat less")); }));
  const std::string kept = Store::open(shop).value().setting(kSamples).value();
  ASSERT_EQ(bench::readSamples(kept).size(), 1U);
  EXPECT_EQ(bench::readSamples(kept)[0].finish, "clear");
  session().store().undo();
  session().store().finish();
  EXPECT_TRUE(waitFor(
      [&] { return text("Tried first").contains(QStringLiteral("a sample on an offcut of ")); }));
}

TEST_F(AsTheMakerHasIt, plugsForHeadsThatAreSeenAreNeeded) {
  const auto plugs = [this] {
    std::int64_t out = 0;
    for (const Need& need : session().wants().needs)
      if (need.name == "wood plug") out += need.amount;
    return out;
  };
  ASSERT_EQ(plugs(), 0) << "dados have no screws";
  edit([](Job& of) { of.assemblies[0].carcass().joint = Joint::Butt; });
  session().finish();
  EXPECT_GT(plugs(), 0);
  press(Qt::Key_3);
  edit([](Job& of) { of.assemblies[0].finish = Finish::Clear; });
  session().finish();
  test::settle();
  EXPECT_TRUE(text("Of all of it").contains(QStringLiteral("plugged")))
      << text("Of all of it").toStdString();
}

// A box of boards that stand somewhere is typed in Draw.
TEST_F(AsTheMakerHasIt, boardsAreGivenAPlaceInDraw) {
  open("nest-boxes", "draw");
  test::settle();
  const auto places = [&] {
    return std::get<Boards>(std::as_const(job().assemblies)[0].body).boards.begin()->places;
  };
  const std::vector<BoardPlace> before = places();
  ASSERT_EQ(before.size(), 1U);
  change(QStringLiteral("place of back"), QStringLiteral("0, 138, 10, up, right"));
  session().finish();
  test::settle();
  ASSERT_EQ(places().size(), 1U);
  EXPECT_EQ(places()[0].z, Length::mm(10));
  change(QStringLiteral("place of back"), QStringLiteral("0, 138, up, right"));
  EXPECT_EQ(places()[0].z, Length::mm(10)) << "refused";
  session().undo();
  session().finish();
  EXPECT_EQ(places(), before);
}

}  // namespace
}  // namespace pp::making_test
