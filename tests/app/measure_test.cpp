// Measure in the real window: the place chosen, sizes read twice, what stands on walls and floor,
// an assembly that fills the wall, the way in.
#include <gtest/gtest.h>

#include <QApplication>
#include <QComboBox>
#include <QLabel>
#include <QTableView>

#include "app/stages/measure/site_view.h"
#include "core/kinds/validate.h"
#include "core/site/words.h"
#include "tests/app/shown_window.h"

namespace pp::measure_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;

class Measure : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("nest-boxes", "measure");
  }
  QTableView* table(const char* name) {
    return named<QTableView>(window_.get(), QString::fromUtf8(name));
  }
  QString cell(const char* name, int row, int column) {
    return table(name)->model()->index(row, column).data().toString();
  }
  // One of the words that a cell takes.
  void pick(const char* name, int row, int column, const char* word) {
    auto* view = table(name);
    view->setFocus();
    view->setCurrentIndex(view->model()->index(row, column));
    press(Qt::Key_F2);
    ASSERT_NE(qobject_cast<QComboBox*>(QApplication::focusWidget()), nullptr);
    type(QString::fromUtf8(word));
    press(Qt::Key_Return);
    QApplication::processEvents();
  }
  void show(const char* leaf) {
    click(window_.get(), QStringLiteral("Show ") + QString::fromUtf8(leaf));
  }
  // The place is a nook, by the list of places.
  void beginNook() {
    auto* kind = named<QComboBox>(window_.get(), QStringLiteral("The place"));
    kind->setFocus();
    for (int i = 0; i < 5; ++i) press(Qt::Key_Down);
    test::settle();
    ASSERT_EQ(job().site.kind, SiteKind::Nook);
  }
  QString left() { return textOf(window_.get(), QStringLiteral("What the place leaves")); }
};

TEST_F(Measure, aNookIsMeasuredByTheKeyboardAlone) {
  press(Qt::Key_1, Qt::ControlModifier);
  beginNook();
  const auto* sizes = table("Sizes of the place");
  ASSERT_EQ(sizes->model()->rowCount(), 11);
  EXPECT_EQ(cell("Sizes of the place", 0, 0), QStringLiteral("width"));
  EXPECT_EQ(cell("Sizes of the place", 0, 1), QStringLiteral("100"));
  for (int i = 0; i < 20 && QApplication::focusWidget() != sizes; ++i) press(Qt::Key_Tab);
  ASSERT_EQ(QApplication::focusWidget(), sizes);
  const char* const kRead[] = {"1000", "1002", "1000", "2405", "600", "10",
                               "598",  "10",   "-4",   "1160", "1166"};
  for (const int column : {2, 3}) {
    const_cast<QTableView*>(sizes)->setCurrentIndex(sizes->model()->index(0, column));
    for (const char* figure : kRead) {
      press(Qt::Key_F2);
      type(QString::fromLatin1(figure));
      press(Qt::Key_Return);
      // What was read first is not to be seen when it is read again.
      if (column == 2) {
        EXPECT_EQ(sizes->currentIndex().data().toString(), QStringLiteral("covered"));
      }
      press(Qt::Key_Down);
    }
  }
  for (const SiteSize& size : job().site.sizes)
    EXPECT_EQ(size.read.first, size.read.second) << sizeWords(size, session().style());
  EXPECT_EQ(job().site.sizes[8].read.first, Length::mm(-4));
  // 1 000 wide, leaning 10 over 2 000, 10 kept clear of each wall.
  EXPECT_TRUE(left().contains(QStringLiteral("it leaves 990 mm; built 970 mm")))
      << left().toStdString();
  EXPECT_FALSE(left().contains(QStringLiteral("Not confirmed")));
  for (int i = 0; i < 60 && session().undoText().size() > 0; ++i)
    press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().site, Site());
}

// What is typed, counted: at the 0.28 s of a stroke of an average typist (Card, Moran and Newell,
// "The keystroke-level model", 1980) 420 strokes are two minutes.
TEST_F(Measure, aNookWithAPipeAndTwoOutletsTakesFewStrokes) {
  int strokes = 0;
  const auto key = [&strokes](Qt::Key which, Qt::KeyboardModifiers with = Qt::NoModifier) {
    press(which, with);
    ++strokes;
  };
  const auto words = [&strokes](const char* text) {
    // The first one opens the cell: the next go to another widget.
    for (const char* at = text; *at != '\0'; ++at, ++strokes) type(QString(QLatin1Char(*at)));
  };
  const auto tabTo = [&](const QWidget* widget) {
    for (int i = 0; i < 30 && QApplication::focusWidget() != widget; ++i) key(Qt::Key_Tab);
    ASSERT_EQ(QApplication::focusWidget(), widget);
  };
  key(Qt::Key_1, Qt::ControlModifier);
  for (int i = 0; i < 5; ++i) key(Qt::Key_Down);
  test::settle();
  ASSERT_EQ(job().site.kind, SiteKind::Nook);
  tabTo(table("Sizes of the place"));
  const char* const kRead[] = {"1000", "1002", "1000", "2405", "600", "10",
                               "598",  "10",   "-4",   "1160", "1166"};
  for (const int column : {2, 3}) {
    key(Qt::Key_Home, Qt::ControlModifier);
    for (int i = 0; i < column; ++i) key(Qt::Key_Right);
    for (const char* figure : kRead) {
      words(figure);
      key(Qt::Key_Return);
      key(Qt::Key_Down);
    }
  }
  tabTo(named<QWidget>(window_.get(), QStringLiteral("Show on walls and floor")));
  key(Qt::Key_Space);
  tabTo(named<QWidget>(window_.get(), QStringLiteral("Add row of the place")));
  for (int i = 0; i < 3; ++i) key(Qt::Key_Space);
  tabTo(table("On walls and floor"));
  key(Qt::Key_Home, Qt::ControlModifier);
  const char* const kThings[3][7] = {{"outlet", "", "", "300", "300", "80", "80"},
                                     {"outlet", "", "", "700", "300", "80", "80"},
                                     {"pipe", "", "", "900", "0", "30", "600"}};
  for (const auto& thing : kThings) {
    for (const char* value : thing) {
      if (*value != '\0' && table("On walls and floor")->currentIndex().data().toString() !=
                                QString::fromLatin1(value)) {
        words(value);
        key(Qt::Key_Return);
      }
      key(Qt::Key_Right);
    }
    key(Qt::Key_Down);
    key(Qt::Key_Home);
  }
  for (const SiteSize& size : job().site.sizes)
    EXPECT_TRUE(judge(size.read, useOf(size.kind), Unit::Millimetre).confirmed)
        << sizeWords(size, session().style()) << ' ' << size.read.first.value_or(Length{}).inMm()
        << ' ' << size.read.second.value_or(Length{}).inMm();
  EXPECT_EQ(job().site.sizes[8].read.second, Length::mm(-4));
  ASSERT_EQ(job().site.obstacles.size(), 3U);
  EXPECT_EQ(job().site.obstacles[1].along, Length::mm(700));
  EXPECT_EQ(job().site.obstacles[2].kind, ObstacleKind::Pipe);
  EXPECT_EQ(job().site.obstacles[2].height, Length::mm(600));
  RecordProperty("strokes", strokes);
  EXPECT_LT(strokes, 420);
}

TEST_F(Measure, readingsThatDoNotAgreeAreReadAThirdTime) {
  beginNook();
  set("Sizes of the place", 0, 2, "1054");
  EXPECT_TRUE(left().contains(QStringLiteral("Not confirmed")));
  EXPECT_EQ(cell("Sizes of the place", 0, 5), QStringLiteral("once: read it again"));
  set("Sizes of the place", 0, 3, "1045");
  EXPECT_EQ(cell("Sizes of the place", 0, 2), QStringLiteral("1054"));
  EXPECT_TRUE(
      cell("Sizes of the place", 0, 5).contains(QStringLiteral("two digits changed places")))
      << cell("Sizes of the place", 0, 5).toStdString();
  set("Sizes of the place", 0, 4, "1045");
  EXPECT_EQ(cell("Sizes of the place", 0, 5), QStringLiteral("1045 mm counts"));
  // Half an inch, in a job in millimetres.
  set("Sizes of the place", 1, 2, "41 1/2 in");
  EXPECT_EQ(job().site.sizes[1].read.first, Length::in(41, 1, 2));
  // What is only said cannot be typed over.
  table("Sizes of the place")->setCurrentIndex(table("Sizes of the place")->model()->index(0, 5));
  press(Qt::Key_F2);
  EXPECT_EQ(QApplication::focusWidget(), table("Sizes of the place"));
}

TEST_F(Measure, wallsAndWhatIsOnThem) {
  beginNook();
  show("walls");
  ASSERT_EQ(table("Walls")->model()->rowCount(), 3);
  set("Walls", 1, 1, "6");
  set("Walls", 1, 2, "14");
  set("Walls", 1, 3, "95");
  set("Walls", 1, 4, "brick");
  EXPECT_EQ(job().site.walls[1].allowance, Length::mm(6));
  EXPECT_EQ(job().site.walls[1].mouldingThickness, Length::mm(14));
  EXPECT_EQ(job().site.walls[1].mouldingHeight, Length::mm(95));
  EXPECT_EQ(job().site.walls[1].madeOf, "brick");
  set("Walls", 1, 1, "usual");
  EXPECT_EQ(job().site.walls[1].allowance, std::nullopt);
  show("on walls and floor");
  click(window_.get(), QStringLiteral("Add row of the place"));
  click(window_.get(), QStringLiteral("Add row of the place"));
  ASSERT_EQ(job().site.obstacles.size(), 2U);
  pick("On walls and floor", 1, 0, "pipe");
  pick("On walls and floor", 1, 2, "floor");
  set("On walls and floor", 1, 1, "the old drain");
  set("On walls and floor", 1, 7, "120");
  EXPECT_EQ(job().site.obstacles[1].kind, ObstacleKind::Pipe);
  EXPECT_EQ(job().site.obstacles[1].wall, std::nullopt);
  EXPECT_EQ(job().site.obstacles[1].name, "the old drain");
  EXPECT_EQ(job().site.obstacles[1].out, Length::mm(120));
  set("On walls and floor", 1, 5, "0");
  EXPECT_EQ(job().site.obstacles[1].width, Length::mm(80)) << "nothing is 0 wide";
  click(window_.get(), QStringLiteral("Remove row of the place"));
  EXPECT_EQ(job().site.obstacles.size(), 1U);
}

TEST_F(Measure, theWayInIsAListOfGates) {
  show("the way in");
  click(window_.get(), QStringLiteral("Add row of the place"));
  ASSERT_EQ(job().route.size(), 1U);
  EXPECT_EQ(job().route[0].width, Length::mm(762));
  pick("The way in", 0, 0, "stair");
  EXPECT_EQ(job().route[0].kind, GateKind::Stair);
  EXPECT_EQ(job().route[0].turns, 1);
  set("The way in", 0, 7, "42");
  EXPECT_EQ(job().route[0].pitch, Angle::degrees(42));
  set("The way in", 0, 9, "20");
  EXPECT_EQ(job().route[0].grams, 0) << "a stair carries nothing";
  pick("The way in", 0, 0, "people");
  set("The way in", 0, 9, "20");
  EXPECT_EQ(job().route[0].grams, 20'000);
  EXPECT_TRUE(validate(job()).empty());
}

TEST_F(Measure, whatStandsThereIsDraggedAlongItsWall) {
  beginNook();
  for (const int column : {2, 3}) set("Sizes of the place", 0, column, "3000");
  show("what stands there");
  click(window_.get(), QStringLiteral("Add row of the place"));
  set("What stands there", 0, 2, "200");
  auto* view = named<SiteView>(window_.get(), QStringLiteral("Plan and walls of the place"));
  // The wall behind is the middle one; how many pixels a millimetre is, the view says.
  const auto middle = [view, this] {
    std::vector<StandPicture> none;
    return wallRooms(view->rect(), job().site, none, Unit::Millimetre)[1];
  };
  const auto at = [&middle](double along, double up) {
    const WallRoom wall = middle();
    return QPointF(wall.left + along * wall.scale, wall.face.bottom() - up * wall.scale).toPoint();
  };
  const double pixel = 1 / middle().scale;
  test::drag(view, at(220, 20), at(1'037, 24));
  test::settle();
  // 817 further, to whole centimetres; on the floor still.
  EXPECT_NEAR(job().site.stands[0].along.inMm(), 1'017, pixel + 5);
  EXPECT_EQ(job().site.stands[0].along.inNm() % Length::mm(10).inNm(), 0);
  EXPECT_EQ(job().site.stands[0].up, Length{});
  // Near the end it stands in the corner.
  const double begin = job().site.stands[0].along.inMm();
  test::drag(view, at(begin + 20, 20), at(45, 20));
  EXPECT_EQ(job().site.stands[0].along, Length{});
  // Taken hold of, and let go by Escape.
  test::drag(view, at(20, 20), at(800, 20), Qt::Key_Escape);
  EXPECT_EQ(job().site.stands[0].along, Length{});
  for (int i = 0; i < 2; ++i) press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().site.stands[0].along, Length::mm(200));
}

TEST_F(Measure, anAssemblyFillsTheWallAndFollowsANewReading) {
  open("ringing-trolley", "measure");
  beginNook();
  for (int row = 0; row < 3; ++row)
    for (const int column : {2, 3}) set("Sizes of the place", row, column, "40");
  for (const int column : {2, 3}) set("Sizes of the place", 5, column, "0");
  show("what stands there");
  click(window_.get(), QStringLiteral("Add row of the place"));
  ASSERT_EQ(job().site.stands.size(), 1U);
  pick("What stands there", 0, 4, "yes");
  // 40 less 3/8 twice.
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::in(39, 1, 4));
  EXPECT_TRUE(cell("What stands there", 0, 5).contains(QStringLiteral("39 1/4")))
      << cell("What stands there", 0, 5).toStdString();
  show("sizes of the place");
  // The smaller counts at once; nothing more follows from the second reading.
  set("Sizes of the place", 0, 2, "39 1/2");
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::in(38, 3, 4));
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Parts that changed"))
                  .contains(QStringLiteral("parts change")));
  set("Sizes of the place", 0, 3, "39 1/2");
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::in(38, 3, 4));
  press(Qt::Key_Z, Qt::ControlModifier);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::in(39, 1, 4));
}

}  // namespace
}  // namespace pp::measure_test
