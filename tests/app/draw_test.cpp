// Draw in the real window: a whole job drawn up by keyboard alone and by mouse, and every other
// hand that can be laid on a drawing.
#include <gtest/gtest.h>

#include <QApplication>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <QStandardPaths>
#include <QTest>

#include "app/shell/main_window.h"
#include "app/stages/draw/elevation_view.h"
#include "app/stages/draw/space_view.h"
#include "core/breakdown/effort.h"
#include "core/job/ids.h"
#include "tests/app/drawing.h"
#include "words/figures.h"

namespace pp::draw_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;

class Draw : public test::Drawing {
 protected:
  void drawTheTrolley();
};

// From nothing but the rack to the demo's trolley, part for part.
void Draw::drawTheTrolley() {
  open("ringing-trolley");
  const std::string wanted = partsOf(session().job(), first());
  beginPlain();
  set("width", "30");
  set("height", "32");
  set("depth", "20");
  choose("front edge banding", QStringLiteral("birch edging"));
  set("dado depth", "1/4");
  set("rabbet depth", "3/8");
  set("back clearance", "1/16");
  choose("back grain", QStringLiteral("across"));
  choose("foot", QStringLiteral("casters"));
  set("stand height", "4");
  chooseOpening({}, Qt::Key_Down);
  fill("Shelves", Qt::Key_H, "6, rest, 5");
  chooseOpening({1}, Qt::Key_Down);
  fill("Drawers", Qt::Key_D, "2");
  chooseOpening({2}, Qt::Key_Down);
  fill("Trays", Qt::Key_T, "1");
  choose("drawer school", QStringLiteral("front rabbeted over the sides"));
  set("drawer ease", "1/32");
  set("lower clearance", "1/2");
  set("upper clearance", "1/2");
  choose("equal boxes", QStringLiteral("as high as those"));
  set("slide reserve", "3/8");
  set("groove depth", "1/4");
  set("groove height", "1/2");
  set("drawer bottom clearance", "1/16");
  set("front's rabbet depth", "1/4");
  set("drawer back dado depth", "1/4");
  set("drawer back set-in", "1/2");
  set("front gap", "3/32");
  EXPECT_EQ(partsOf(session().job(), first()), wanted);
  // And all of it can be taken back.
  while (session().canUndo()) press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(partsOf(session().job(), first()), wanted);
}

TEST_F(Draw, theTrolleyFromNothingByKeyboardAlone) {
  drawTheTrolley();
}

TEST_F(Draw, theTrolleyFromNothingByMouse) {
  byMouse_ = true;
  drawTheTrolley();
}

TEST_F(Draw, everyDemoJobOpensFromTheMenuAndCanBeBuilt) {
  for (const char* demo : {"log-wall", "ringing-trolley", "hide-bench", "nest-boxes", "porthole",
                           "specimen-trays", "specimen-console", "corner-seat"}) {
    open(demo);
    EXPECT_TRUE(session().breakdown().troubles.empty()) << demo;
    for (const Finding& finding : session().findings())
      EXPECT_NE(finding.severity, Severity::Stop) << demo << ": " << finding.what;
  }
}

TEST_F(Draw, doorsByKeyAndBySentence) {
  open("ringing-trolley");
  chooseOpening({0}, Qt::Key_Right);
  fill("Doors", Qt::Key_O, "pair");
  const auto doors = [this] {
    std::int64_t out = 0;
    for (const Part& part : session().breakdown().parts)
      if (part.name == "door" || part.name == "lid") out += part.quantity;
    return out;
  };
  EXPECT_EQ(doors(), 2);
  choose("door", QStringLiteral("closed by a lid hinged above"));
  EXPECT_EQ(doors(), 1);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(doors(), 2);
}

TEST_F(Draw, aPanelIsDraggedAndNudged) {
  open("ringing-trolley");
  const auto sizes = [this] { return std::get<Split>(first().carcass().inside.content).sizes; };
  const auto layout = layOut(session().job(), first());
  std::size_t shelf = 0;
  while (layout->panels[shelf].kind != PanelKind::Shelf) ++shelf;
  const QPoint from = elevation()->panelRect(shelf).center().toPoint();
  QTest::mousePress(elevation(), Qt::LeftButton, {}, from);
  QTest::mouseMove(elevation(), from + QPoint(0, 20));
  QTest::mouseRelease(elevation(), Qt::LeftButton, {}, from + QPoint(0, 20));
  ASSERT_TRUE(sizes()[0].fixed.has_value());
  const Length dragged = *sizes()[0].fixed;
  EXPECT_GT(dragged, Length::in(6));  // down: the opening above has grown
  EXPECT_FALSE(sizes()[1].fixed.has_value());
  chooseOpening({0}, Qt::Key_Up);
  press(Qt::Key_Down, Qt::ShiftModifier);
  EXPECT_EQ(*sizes()[0].fixed, dragged + Length::in(0, 1, 32));
  press(Qt::Key_Up, Qt::ShiftModifier);
  EXPECT_EQ(*sizes()[0].fixed, dragged);
}

TEST_F(Draw, badValuesAreRefusedInPlaceAndNothingIsLost) {
  struct Row {
    const char* demo;
    const char* word;
    const char* value;
    const char* says;
  };
  const Row rows[] = {{"ringing-trolley", "dado depth", "1", "dado depth"},
                      {"ringing-trolley", "front gap", "0 - 1", "0 or more"},
                      {"ringing-trolley", "width", "1", "width"},
                      {"porthole", "number of pieces", "2", "from 3"},
                      {"porthole", "side", "5", "bevels"},
                      {"hide-bench", "hinge rail", "3", "leaning back"},
                      {"hide-bench", "lean", "80", "45 degrees"},
                      {"log-wall", "stretcher", "0", ""}};
  for (const Row& row : rows) {
    if (std::string(row.says).empty()) continue;
    open(row.demo);
    const Job before = session().job();
    set(row.word, row.value);
    bool said = false;
    for (const QLabel* label : window_->findChildren<QLabel*>())
      said = said || (label->isVisible() && label->text().contains(QString::fromUtf8(row.says)));
    EXPECT_TRUE(said) << row.demo << " " << row.word;
    EXPECT_EQ(session().job(), before) << row.word;
    press(Qt::Key_Escape);
  }
}

TEST_F(Draw, assembliesAreCopiedMirroredMovedRepeatedAndKept) {
  open("log-wall");
  const std::size_t before = session().job().assemblies.size();
  auto* list = named<QListWidget>(window_.get(), QStringLiteral("Assemblies"));
  ASSERT_NE(list, nullptr);
  list->setCurrentRow(3);
  click(window_.get(), QStringLiteral("Copy assembly"));
  ASSERT_EQ(session().job().assemblies.size(), before + 1);
  const std::string copy = session().pointing().selection().assembly;
  click(window_.get(), QStringLiteral("Mirror assembly"));
  EXPECT_EQ(withoutIds(*findAssembly(session().job(), copy)).carcass(),
            mirrored(withoutIds(session().job().assemblies[3]).carcass()));
  click(window_.get(), QStringLiteral("Move assembly up"));
  EXPECT_EQ(session().job().assemblies[before - 1].code, copy);
  set("copies", "3");
  EXPECT_EQ(findAssembly(session().job(), copy)->copies, 3);
  click(window_.get(), QStringLiteral("Keep assembly in the library"));
  click(window_.get(), QStringLiteral("Add assembly"));
  byMouse_ = true;
  pick(QStringLiteral("four-drawer bank"));
  EXPECT_TRUE(session().breakdown().troubles.empty());
  EXPECT_EQ(session().job().assemblies.back().name, "four-drawer bank");
}

// An undo takes the assembly back while its name is being taken over.
TEST_F(Draw, theNameOfAnAssemblyThatIsGoneIsNotTaken) {
  open("ringing-trolley");
  const std::size_t before = job().assemblies.size();
  click(window_.get(), QStringLiteral("Copy assembly"));
  ASSERT_TRUE(test::waitFor([&] { return job().assemblies.size() == before + 1; }));
  session().deriver().setFrame(Deriver::Duration(0));
  auto* list = named<QListWidget>(window_.get(), QStringLiteral("Assemblies"));
  ASSERT_EQ(list->count(), static_cast<int>(before) + 1);
  session().undo();
  list->item(static_cast<int>(before))->setText(QStringLiteral("T9  another"));
  test::settle();
  EXPECT_EQ(job().assemblies.size(), before);
  EXPECT_EQ(session().undoText().contains(QStringLiteral("rename")), false);
}

// Its words are still shown while what took it away is worked out.
TEST_F(Draw, theWordsOfAnAssemblyThatIsGoneChangeNoOther) {
  open("ringing-trolley");
  const Job before = job();
  click(window_.get(), QStringLiteral("Copy assembly"));
  ASSERT_TRUE(test::waitFor([&] { return job().assemblies.size() == 2; }));
  test::settle();
  session().deriver().setFrame(Deriver::Duration(0));
  auto* foot = named<QPushButton>(window_.get(), QStringLiteral("foot"));
  session().undo();
  foot->click();
  test::settle();
  EXPECT_EQ(QApplication::activePopupWidget(), nullptr);
  EXPECT_EQ(job(), before);
}

// Two sizes typed one after the other, the second before the first is worked out.
TEST_F(Draw, aWordIsPressedWhileAnEditIsWorkedOut) {
  open("ringing-trolley");
  test::settle();
  session().deriver().setFrame(Deriver::Duration(0));
  auto* height = named<QPushButton>(window_.get(), QStringLiteral("height"));
  Job next = session().draft();
  next.assemblies[0].carcass().width = Length::nm(25'400'000 * 31);
  ASSERT_TRUE(session().edit(QStringLiteral("wider"), next).empty());
  height->click();
  const auto hasKeyboard = [] {
    const QWidget* focus = QApplication::focusWidget();
    return focus != nullptr && focus->accessibleName() == QStringLiteral("height, new value");
  };
  ASSERT_TRUE(test::waitFor(hasKeyboard));
  type(QStringLiteral("33"));
  press(Qt::Key_Return);
  ASSERT_TRUE(test::waitFor(
      [&] { return job().assemblies[0].carcass().height == Length::nm(25'400'000 * 33); }));
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::nm(25'400'000 * 31));
}

TEST_F(Draw, theViewInSpaceTurnsAndComesApart) {
  open("hide-bench");
  auto* space = named<SpaceView>(window_.get(), QStringLiteral("View in space"));
  ASSERT_NE(space, nullptr);
  space->setFocus();
  test::settle();
  const QImage before = space->grab().toImage();
  const double turn = space->view().turn;
  press(Qt::Key_Right);
  EXPECT_EQ(space->view().turn, turn + 15);
  EXPECT_NE(space->grab().toImage(), before);
  press(Qt::Key_R);
  EXPECT_EQ(space->grab().toImage(), before);
  press(Qt::Key_X);
  EXPECT_TRUE(space->accessibleDescription().contains(QStringLiteral("apart")));
  EXPECT_NE(space->grab().toImage(), before);
  press(Qt::Key_S);
  EXPECT_EQ(space->view().turn, 90);
  press(Qt::Key_P);
  EXPECT_EQ(space->view().tilt, 90);
}

TEST_F(Draw, everyKindIsAddedPlainAndHasParts) {
  open("log-wall");
  for (const char* kind : {"carcass", "worktop", "base frame", "wall panel", "seat box", "platform",
                           "ring", "boards"}) {
    click(window_.get(), QStringLiteral("Add assembly"));
    test::chooseInMenu(QStringLiteral("plain %1").arg(QString::fromUtf8(kind)));
    const Assembly& added = session().job().assemblies.back();
    EXPECT_EQ(added.name, kind);
    EXPECT_FALSE(breakDown(session().job(), added).parts.empty()) << kind;
    EXPECT_TRUE(breakDown(session().job(), added).troubles.empty()) << kind;
  }
}

TEST_F(Draw, aChangeSaysWhatItCostsOrSaves) {
  open("ringing-trolley");
  const QString line = QStringLiteral("What it takes");
  const Effort before = effortOf(session().breakdown().parts, "T1");
  EXPECT_TRUE(
      textOf(window_.get(), line)
          .startsWith(
              QStringLiteral("%1 pieces, %2 settings").arg(before.pieces).arg(before.settings)));
  byMouse_ = true;
  choose("joint", QStringLiteral("butted, glued and screwed"));
  const Effort after = effortOf(session().breakdown().parts, "T1");
  ASSERT_LT(after.settings, before.settings);
  EXPECT_TRUE(textOf(window_.get(), line)
                  .endsWith(QStringLiteral("The last change: %1 settings fewer.")
                                .arg(before.settings - after.settings)))
      << textOf(window_.get(), line).toStdString();
}

TEST_F(Draw, whatIsCutThroughFollowsTheKind) {
  open("hide-bench");
  EXPECT_NE(named(window_.get(), QStringLiteral("Side section")), nullptr);
  open("porthole");
  QWidget* plan = named(window_.get(), QStringLiteral("Plan, cut through"));
  ASSERT_NE(plan, nullptr);
  EXPECT_TRUE(session().pointing().selection().part.empty());
  // From the left edge inwards the first wood met is a piece of the ring.
  for (int x = 0; x < plan->width() && session().pointing().selection().part.empty(); x += 2)
    test::clickAt(plan, {static_cast<double>(x), plan->height() * 0.5});
  EXPECT_TRUE(session().pointing().selection().part.starts_with(first().code));
}

TEST_F(Draw, aRenamedCarcassStaysInItsGroup) {
  open("log-wall");
  auto* list = named<QListWidget>(window_.get(), QStringLiteral("Assemblies"));
  ASSERT_NE(list, nullptr);
  list->setFocus();
  list->setCurrentRow(0);
  press(Qt::Key_F2);
  auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  ASSERT_NE(field, nullptr);
  field->selectAll();
  type(QStringLiteral("C9 map chest"));
  press(Qt::Key_Return);
  EXPECT_TRUE(test::waitFor([this] { return first().code == "C9"; }));
  EXPECT_EQ(first().name, "map chest");
  const auto& group = std::get<CarcassGroup>(findAssembly(session().job(), "G1")->body);
  EXPECT_EQ(findAssembly(session().job(), group.members.front())->code, "C9");
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Undo")), QStringLiteral("Undo: rename"));
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(first().code, "B1");
}

TEST_F(Draw, theWorktopOfAGroupIsSaidInFull) {
  open("log-wall");
  named<QListWidget>(window_.get(), QStringLiteral("Assemblies"))->setCurrentRow(5);
  QApplication::processEvents();
  byMouse_ = true;
  const auto top = [this] {
    return *std::get<CarcassGroup>(findAssembly(session().job(), "G1")->body).top;
  };
  choose("edging corners", QStringLiteral("butted corners"));
  EXPECT_EQ(top().corner, EdgingCorner::Butted);
  set("rear overhang", "15");
  EXPECT_EQ(top().overBack, Length::mm(15));
  set("longest sheet", "1000");
  EXPECT_EQ(top().longest, Length::mm(1000));
  EXPECT_TRUE(session().breakdown().troubles.empty());
}

TEST_F(Draw, theLotAnAssemblyIsCutFromSetsItsThickness) {
  open("log-wall");
  byMouse_ = true;
  choose("lot", QStringLiteral("lot B, September"));
  EXPECT_EQ(first().lot, "B, September");
  EXPECT_EQ(session().breakdown().parts.front().thickness, Length::um(18'200));
  click(window_.get(), QStringLiteral("Undo"));
  EXPECT_EQ(session().breakdown().parts.front().thickness, Length::um(17'800));
}

TEST_F(Draw, aCarcassOfAGroupIsNotTakenOutFromUnderIt) {
  open("log-wall");
  byMouse_ = true;
  click(window_.get(), QStringLiteral("Remove assembly"));
  EXPECT_EQ(first().code, "B1") << "its group stands on it";
}

// P goes through the parts; what is chosen for one follows in the sentence, the drawing follows
// that.
TEST_F(Draw, aPanelHasChoicesOfItsOwn) {
  open("ringing-trolley");
  elevation()->setFocus();
  press(Qt::Key_P);
  const Part first = session().breakdown().parts[0];
  EXPECT_EQ(session().pointing().selection().part, first.code);
  EXPECT_TRUE(elevation()->accessibleDescription().contains(qs(first.name)));
  press(Qt::Key_P, Qt::ShiftModifier);  // the one before the first is the last of the assembly
  EXPECT_NE(session().pointing().selection().part, first.code);
  // A fixed shelf chosen by the mouse is not moved by that.
  const auto layout = layOut(job(), this->first());
  ASSERT_TRUE(layout);
  std::size_t shelf = 0;
  while (layout->panels[shelf].kind != PanelKind::Shelf) ++shelf;
  test::clickAt(elevation(), elevation()->panelRect(shelf).center());
  test::settle();
  const Part* chosen =
      findPart(session().breakdown().parts, {.assembly = this->first().id,
                                             .role = PartRole::FixedShelf,
                                             .opening = layout->panels[shelf].after});
  ASSERT_NE(chosen, nullptr);
  EXPECT_EQ(session().pointing().selection().part, chosen->code);
  EXPECT_FALSE(session().canUndo());
  const Length ruled = chosen->length.total();
  const PartKey key = *session().pointing().selection().piece;
  choose("part right joint", QStringLiteral("pocket screwed"));
  const Part* now = findPart(session().breakdown().parts, key);
  ASSERT_NE(now, nullptr);
  EXPECT_EQ(now->length.total(), ruled - this->first().carcass().dadoDepth);
  EXPECT_EQ(now->quantity, 1) << "the other shelf stays as it was and has a code of its own";
  // An opening chosen is about that opening again.
  test::clickAt(elevation(), elevation()->openingRect(layout->leaves[0].path).center());
  test::settle();
  EXPECT_TRUE(session().pointing().selection().part.empty());
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(job().overrides.empty());
}

}  // namespace
}  // namespace pp::draw_test
