// Menus, the plumb line and the questions of the window, by mouse and keys.
#include <QLabel>
#include <QMenu>
#include <QMenuBar>
#include <QStandardPaths>
#include <QTest>
#include <set>

#include "app/shell/plumb_line.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "tests/app/shown_window.h"

namespace pp::menus_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::waitFor;
using test::willAnswer;
using test::willChooseFile;

class Menus : public test::ShownWindow {
 protected:
  // Opens a menu of the bar with the mouse and chooses what it offers, also in menus within it.
  void choose(const QString& menu, const QStringList& entries) {
    QMenuBar* bar = window_->menuBar();
    for (QAction* action : bar->actions())
      if (plain(action) == menu)
        QTest::mouseClick(bar, Qt::LeftButton, {}, bar->actionGeometry(action).center());
    for (const QString& entry : entries) {
      ASSERT_TRUE(waitFor([] { return QApplication::activePopupWidget() != nullptr; }));
      auto* open = qobject_cast<QMenu*>(QApplication::activePopupWidget());
      ASSERT_NE(open, nullptr);
      QAction* found = nullptr;
      for (QAction* action : open->actions())
        if (plain(action) == entry) found = action;
      ASSERT_NE(found, nullptr) << entry.toStdString();
      QTest::mouseClick(open, Qt::LeftButton, {}, open->actionGeometry(found).center());
      if (found->menu() == nullptr) continue;
      ASSERT_TRUE(waitFor([found] { return found->menu()->isVisible(); }));
    }
    test::settle();
  }
  static QString plain(const QAction* action) { return action->text().remove(QLatin1Char('&')); }
  void rename(const char* name) {
    edit([name](Job& job) { job.name = name; });
  }
  Job written() { return readJob("job", readFile(path().toStdString()).value()).value(); }
};

TEST_F(Menus, aJobIsSavedClosedAndOpenedAgain) {
  open("ringing-trolley");
  rename("mine");
  test::settle();
  EXPECT_TRUE(window_->isWindowModified());
  willChooseFile(path());
  choose(QStringLiteral("File"), {QStringLiteral("Save")});
  EXPECT_FALSE(window_->isWindowModified());
  EXPECT_EQ(written(), job());
  rename("mine again");
  choose(QStringLiteral("File"), {QStringLiteral("Save")});
  EXPECT_EQ(written().name, "mine again") << "it has its file now, and nothing is asked";
  choose(QStringLiteral("File"), {QStringLiteral("New job in millimetres")});
  EXPECT_TRUE(job().assemblies.empty());
  willChooseFile(path());
  choose(QStringLiteral("File"), {QStringLiteral("Open …")});
  EXPECT_EQ(job().name, "mine again");
  EXPECT_EQ(session().path(), path());
}

TEST_F(Menus, leavingAJobThatIsNotSavedAsksFirst) {
  open("ringing-trolley");
  rename("mine");
  willAnswer(QStringLiteral("Cancel"));
  choose(QStringLiteral("File"), {QStringLiteral("Open a demo job"), QStringLiteral("Hide bench")});
  EXPECT_EQ(job().name, "mine");
  willAnswer(QStringLiteral("Save"));
  willChooseFile(path());
  choose(QStringLiteral("File"), {QStringLiteral("Open a demo job"), QStringLiteral("Hide bench")});
  EXPECT_EQ(job().name, "Hide bench");
  EXPECT_EQ(written().name, "mine");
  rename("thrown away");
  willAnswer(QStringLiteral("Discard"));
  choose(QStringLiteral("File"), {QStringLiteral("New job in millimetres")});
  EXPECT_TRUE(job().assemblies.empty());
  rename("saved on closing");
  willAnswer(QStringLiteral("Save"));
  willChooseFile(path("second.plainpatch"));
  choose(QStringLiteral("File"), {QStringLiteral("Quit")});
  EXPECT_FALSE(window_->isVisible());
  EXPECT_TRUE(QFile::exists(path("second.plainpatch")));
}

TEST_F(Menus, editsAreTakenBackAndDoneAgain) {
  open("ringing-trolley");
  const std::string was = job().name;
  rename("mine");
  choose(QStringLiteral("Edit"), {QStringLiteral("Undo")});
  EXPECT_EQ(job().name, was);
  choose(QStringLiteral("Edit"), {QStringLiteral("Redo")});
  EXPECT_EQ(job().name, "mine");
}

TEST_F(Menus, everyStageIsGoneTo) {
  open("ringing-trolley");
  const std::pair<const char*, const char*> stages[] = {{"Measure", "Sizes of the place"},
                                                        {"Parts", "Parts"},
                                                        {"Rack", "Sheets and offcuts"},
                                                        {"Lay out", "Goal"},
                                                        {"Draw", "Elevation"}};
  for (const auto& [stage, shown] : stages) {
    choose(QStringLiteral("Go"), {QString::fromLatin1(stage)});
    EXPECT_NE(named(window_.get(), QString::fromLatin1(shown)), nullptr) << stage;
  }
  choose(QStringLiteral("Go"), {QStringLiteral("Next stage")});
  EXPECT_EQ(window_->stageId(), QStringLiteral("parts"));
  choose(QStringLiteral("Go"), {QStringLiteral("Stage before")});
  EXPECT_EQ(window_->stageId(), QStringLiteral("draw"));
}

TEST_F(Menus, theFirstFixIsDone) {
  open("ringing-trolley");
  click(window_.get(), QStringLiteral("front edge banding"));
  test::chooseInMenu(QStringLiteral("no banding"));
  ASSERT_EQ(session().findings().size(), 1U);
  choose(QStringLiteral("Edit"), {QStringLiteral("Do the first fix")});
  EXPECT_TRUE(session().findings().empty());
}

TEST_F(Menus, aNameAndAPlaceAreAskedFor) {
  open("ringing-trolley");
  choose(QStringLiteral("File"), {QStringLiteral("Name and place …")});
  EXPECT_NE(named(window_.get(), QStringLiteral("Name of the job")), nullptr);
}

// From top to bottom of the line every knot is met, and each shows its stage.
TEST_F(Menus, thePlumbLineIsClickedAndWalkedWithArrows) {
  open("ringing-trolley");
  auto* line = named<PlumbLine>(window_.get(), QStringLiteral("Stages of the work"));
  ASSERT_NE(line, nullptr);
  std::set<QString> met;
  for (int y = 1; y < line->height(); y += 8) {
    test::clickAt(line, QPointF(30, y));
    met.insert(window_->stageId());
  }
  EXPECT_EQ(met, (std::set<QString>{QStringLiteral("measure"), QStringLiteral("draw"),
                                    QStringLiteral("parts"), QStringLiteral("rack"),
                                    QStringLiteral("lay-out"), QStringLiteral("saw"),
                                    QStringLiteral("bench")}));
  window_->showStage(QStringLiteral("measure"));
  line->setFocus();
  press(Qt::Key_Down);
  EXPECT_EQ(window_->stageId(), QStringLiteral("draw"));
  line->setFocus();
  press(Qt::Key_Up);
  EXPECT_EQ(window_->stageId(), QStringLiteral("measure"));
  line->setFocus();
  press(Qt::Key_Up);
  EXPECT_EQ(window_->stageId(), QStringLiteral("measure")) << "there is nothing above the first";
}

TEST_F(Menus, eightKnotsAreMetInALowWindow) {
  PlumbLine line;
  line.resize(124, 500);  // what a window 640 high leaves of it
  std::vector<PlumbLine::Knot> knots;
  for (int i = 0; i < 8; ++i) knots.push_back({QString::number(i), i + 1, 0});
  line.setKnots(std::move(knots));
  std::set<int> met;
  QObject::connect(&line, &PlumbLine::chosen, [&met](int i) { met.insert(i); });
  for (int y = 0; y < line.height(); y += 4)
    QTest::mouseClick(&line, Qt::LeftButton, {}, QPoint(30, y));
  EXPECT_EQ(met.size(), 8U);
}

// A card whose count stays the same but whose words change is shown anew.
TEST_F(Menus, aCardSaysWhatIsTrueNow) {
  open("ringing-trolley");
  click(window_.get(), QStringLiteral("front edge banding"));
  test::chooseInMenu(QStringLiteral("no banding"));
  ASSERT_EQ(textOf(window_.get(), QStringLiteral("Mind")),
            QStringLiteral("6 front edges of T1 show bare plies"));
  edit([](Job& job) { job.assemblies[0].code = "T9"; });
  test::settle();
  ASSERT_EQ(session().findings().size(), 1U);
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Mind")),
            QStringLiteral("6 front edges of T9 show bare plies"));
}

TEST_F(Menus, whatIsKeptAlreadyIsReplacedOnlyWhenToldTo) {
  QStandardPaths::setTestModeEnabled(true);
  open("ringing-trolley");
  edit([](Job& job) { job.assemblies[0].name = "kept twice"; });
  test::settle();
  click(window_.get(), QStringLiteral("Keep assembly in the library"));
  const QString file = QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
                       QStringLiteral("/library/kept twice.json");
  ASSERT_TRUE(QFile::exists(file));
  const std::string first = readFile(file.toStdString()).value();
  edit([](Job& job) { job.assemblies[0].carcass().width = Length::in(31); });
  test::settle();
  willAnswer(QStringLiteral("Cancel"));
  click(window_.get(), QStringLiteral("Keep assembly in the library"));
  EXPECT_EQ(readFile(file.toStdString()).value(), first);
  willAnswer(QStringLiteral("Replace it"));
  click(window_.get(), QStringLiteral("Keep assembly in the library"));
  EXPECT_NE(readFile(file.toStdString()).value(), first);
  EXPECT_TRUE(QFile::remove(file));
}

}  // namespace
}  // namespace pp::menus_test
