// What once ended the window or lost work, each as its user came to it.
#include <gtest/gtest.h>

#include <QApplication>
#include <QCheckBox>
#include <QDir>
#include <QFile>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QMouseEvent>
#include <QPushButton>
#include <QStandardPaths>
#include <QTableView>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>

#include "app/shell/main_window.h"
#include "app/shell/plumb_line.h"
#include "app/shell/print_dialog.h"
#include "app/stages/draw/elevation_view.h"
#include "app/stages/draw/library.h"
#include "app/stages/layout/sheets_view.h"
#include "core/formats/job_json.h"
#include "tests/app/driver.h"
#include "tests/faults/jobs.h"
#include "words/figures.h"

namespace pp::reliability_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;

class Reliable : public testing::Test {
 protected:
  void SetUp() override {
    QStandardPaths::setTestModeEnabled(false);
    QDir(JobFile::folder()).removeRecursively();  // other tests end without asking
    window_ = newWindow();
  }
  void TearDown() override {
    if (window_) window_->session().file().end();
    window_.reset();
  }
  static std::unique_ptr<MainWindow> newWindow() {
    auto out = std::make_unique<MainWindow>();
    out->resize(1280, 800);
    test::appear(out.get());
    return out;
  }
  void open(const char* demo, const char* stage = "draw") {
    ASSERT_TRUE(window_->openDemo(QString::fromLatin1(demo)));
    ASSERT_TRUE(window_->showStage(QString::fromLatin1(stage)));
    test::settle();
  }
  Session& session() { return window_->session(); }
  // The smallest edit there is; the job as it is then.
  Job rename(const char* name) {
    Job next = job();
    next.name = name;
    EXPECT_TRUE(session().edit(QStringLiteral("rename"), next).empty());
    return next;
  }
  const Job& job() { return session().job(); }
  ElevationView* elevation() {
    return named<ElevationView>(window_.get(), QStringLiteral("Elevation"));
  }
  QLineEdit* answerField() {
    for (QLineEdit* field : window_->findChildren<QLineEdit*>())
      if (field->isVisible() && field->hasFocus()) return field;
    return nullptr;
  }
  // Presses that button of the next question, and tells what was asked.
  void answerNext(const QString& button) {
    asked_.clear();
    auto* timer = new QTimer(window_.get());
    QObject::connect(timer, &QTimer::timeout, [this, timer, button] {
      QWidget* question = QApplication::activeModalWidget();
      if (question == nullptr) return;
      timer->deleteLater();
      for (const QLabel* label : question->findChildren<QLabel*>()) asked_ += label->text();
      for (QPushButton* one : question->findChildren<QPushButton*>())
        if (one->text() == button) return one->click();
      ADD_FAILURE() << "no button " << button.toStdString();
      question->close();
    });
    timer->start(1);
  }

  std::unique_ptr<MainWindow> window_;
  QString asked_;
};

// A cell is typed into and left for another stage without Enter, by each way there is.
TEST_F(Reliable, aCellLeftForAnotherStageIsTaken) {
  const std::pair<const char*, std::function<void()>> ways[] = {
      {"Ctrl+2", [] { press(Qt::Key_2, Qt::ControlModifier); }},
      {"Ctrl+3", [] { press(Qt::Key_3, Qt::ControlModifier); }},
      {"Page Up", [] { press(Qt::Key_PageUp); }},
      {"the plumb line", [this] {
         test::clickAt(window_->findChild<PlumbLine*>(), {30, 60});
       }}};
  for (const auto& [name, go] : ways) {
    open("log-wall", "rack");
    auto* table = named<QTableView>(window_.get(), QStringLiteral("Sheets and offcuts"));
    ASSERT_NE(table, nullptr);
    int column = 0;
    while (table->model()->headerData(column, Qt::Horizontal).toString() !=
           QStringLiteral("Measured"))
      ++column;
    table->setFocus();
    table->setCurrentIndex(table->model()->index(0, column));
    press(Qt::Key_F2);
    type(QStringLiteral("17.5"));
    go();
    test::settle();
    EXPECT_NE(window_->stageId(), QStringLiteral("rack")) << name;
    ASSERT_TRUE(job().stock[0].measured.has_value()) << name;
    EXPECT_EQ(*job().stock[0].measured, Length::um(17'500)) << name;
  }
}

TEST_F(Reliable, aQuestionIsWithdrawnWithWhatItIsAbout) {
  const std::pair<const char*, std::function<void()>> ends[] = {
      {"undo", [this] { session().undo(); }},
      {"the assembly is removed",
       [this] { click(window_.get(), QStringLiteral("Remove assembly")); }},
      {"another assembly",
       [this] {
         session().pointing().select({"B2", std::nullopt, {}});
       }},
      {"another opening",
       [this] {
         Selection selection = session().pointing().selection();
         selection.opening = OpeningPath{};
         session().pointing().select(selection);
       }},
      {"another job", [this] { session().openNew(Unit::Millimetre); }}};
  for (const auto& [name, end] : ends)
    for (const Qt::Key letter : {Qt::Key_V, Qt::Key_D, Qt::Key_O, Qt::Key_A}) {
      open("log-wall");
      Job next = job();
      next.name = "something to undo";
      ASSERT_TRUE(session().edit(QStringLiteral("rename"), next).empty());
      test::settle();
      elevation()->setFocus();
      press(letter);
      ASSERT_NE(answerField(), nullptr) << name;
      end();
      test::settle();
      const Job before = job();
      press(Qt::Key_Return);
      EXPECT_EQ(job(), before) << name << ": the answer went to something else";
    }
}

TEST_F(Reliable, undoWhileAPanelIsDraggedEndsTheDrag) {
  open("log-wall");
  Job next = job();
  next.assemblies[0].carcass().width += Length::mm(10);
  ASSERT_TRUE(session().edit(QStringLiteral("wider"), next).empty());
  session().pointing().select({"B3", std::nullopt, {}});
  for (const Assembly& one : job().assemblies)
    if (one.isCarcass() && std::holds_alternative<Split>(one.carcass().inside.content))
      session().pointing().select({one.code, std::nullopt, {}});
  test::settle();
  ElevationView* view = elevation();
  ASSERT_FALSE(view->panelRect(0).isEmpty());
  const QPoint from = view->panelRect(0).center().toPoint();
  QTest::mousePress(view, Qt::LeftButton, {}, from);
  QMouseEvent move(QEvent::MouseMove, from + QPointF(0, 30), view->mapToGlobal(QPointF(from)),
                   Qt::NoButton, Qt::LeftButton, Qt::NoModifier);
  QApplication::sendEvent(view, &move);
  session().undo();
  const Job before = job();
  QApplication::sendEvent(view, &move);
  QTest::mouseRelease(view, Qt::LeftButton, {}, from + QPoint(0, 30));
  test::settle();
  EXPECT_EQ(job(), before);
}

TEST_F(Reliable, aSwapIsWithdrawnWithItsPlan) {
  open("ringing-trolley", "lay-out");
  ASSERT_TRUE(waitFor([this] { return session().plans().isCurrent(); }));
  rename("something to undo");
  ASSERT_TRUE(waitFor(
      [this] { return session().plans().isCurrent() && !session().plans().runner().isRunning(); }));
  test::settle();
  auto* sheets = named<SheetsView>(window_.get(), QStringLiteral("Sheets with their parts"));
  sheets->setFocus();
  press(Qt::Key_Right);
  press(Qt::Key_W);
  ASSERT_TRUE(
      textOf(window_.get(), QStringLiteral("By hand")).startsWith(QStringLiteral("Now choose")));
  session().undo();
  test::settle();
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("By hand")).isEmpty());
  const Job before = job();
  sheets->setFocus();
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  EXPECT_EQ(job(), before);
}

TEST_F(Reliable, aMenuOfTheSentenceDiesWithItsSentence) {
  open("log-wall");
  rename("something to undo");
  test::settle();
  click(window_.get(), QStringLiteral("finish"));
  ASSERT_NE(QApplication::activePopupWidget(), nullptr);
  session().undo();
  test::settle();
  EXPECT_EQ(QApplication::activePopupWidget(), nullptr);
}

TEST_F(Reliable, namesAreShownAsTheyAreWritten) {
  open("log-wall");
  Job next = job();
  const std::string name = "<b>bold</b> & <i>co</i>";
  next.name = name;
  for (std::size_t i = 0; i < next.assemblies.size(); ++i) next.assemblies[i].name = name;
  for (Material& material : next.materials) material.name = name;
  LooseBoard board;
  board.name = name;
  board.material = next.materials.front().id;
  board.length = Length::mm(300);
  board.width = Length::mm(100);
  next.loose.push_back(board);
  ASSERT_TRUE(session().edit(qs(name), next).empty());
  for (int stage = 0; stage < window_->stageCount(); ++stage) {
    window_->showStage(stage);
    test::settle();
    for (const QLabel* label : window_->findChildren<QLabel*>())
      if (label->isVisible() && label->text().contains(QStringLiteral("bold"))) {
        EXPECT_EQ(label->textFormat(), Qt::PlainText) << label->text().toStdString();
      }
    for (const QPushButton* button : window_->findChildren<QPushButton*>())
      if (button->isVisible() && button->text().contains(QStringLiteral("bold"))) {
        EXPECT_TRUE(button->text().contains(QStringLiteral("&&"))) << button->text().toStdString();
      }
  }
  EXPECT_TRUE(window_->windowTitle().startsWith(qs(name)));
}

TEST_F(Reliable, enterPressesTheButtonThatHasTheKeyboard) {
  open("ringing-trolley", "parts");
  auto* more = named<QPushButton>(window_.get(), QStringLiteral("Add a part"));
  const std::size_t before = job().loose.size();
  more->setFocus();
  press(Qt::Key_Return);
  EXPECT_EQ(job().loose.size(), before + 1);
}

TEST_F(Reliable, tabGoesFromTheDrawingThroughTheWordsInTheirOrder) {
  open("log-wall");
  std::vector<QString> words;
  for (const QPushButton* word : window_->findChildren<QPushButton*>(QStringLiteral("value")))
    if (word->isVisibleTo(window_.get())) words.push_back(word->accessibleName());
  ASSERT_GT(words.size(), 10U);
  elevation()->setFocus();
  for (const QString& word : words) {
    press(Qt::Key_Tab);
    ASSERT_NE(QApplication::focusWidget(), nullptr);
    EXPECT_EQ(QApplication::focusWidget()->accessibleName(), word);
  }
}

TEST_F(Reliable, aJobThatWasNeverSavedIsOfferedAtTheNextStart) {
  open("hide-bench");
  const Job next = rename("Hide bench, wider");
  session().file().settle();
  window_.reset();  // as if it had been killed
  window_ = newWindow();
  answerNext(QStringLiteral("Take it up"));
  EXPECT_TRUE(window_->offerUnsaved());
  EXPECT_TRUE(asked_.contains(QStringLiteral("Hide bench, wider"))) << asked_.toStdString();
  EXPECT_EQ(job(), next);
  EXPECT_TRUE(session().isModified());
  for (const QString& name :
       QDir(JobFile::folder()).entryList({QStringLiteral("*.autosave")}, QDir::Files)) {
    const auto permissions = QFile::permissions(JobFile::folder() + QLatin1Char('/') + name);
    EXPECT_FALSE(permissions & (QFile::ReadGroup | QFile::ReadOther)) << name.toStdString();
  }
}

TEST_F(Reliable, anEditTakenBackLeavesNothingToTakeUp) {
  open("hide-bench");
  rename("not for long");
  session().undo();
  session().file().settle();
  window_.reset();
  window_ = newWindow();
  EXPECT_FALSE(window_->offerUnsaved()) << "nothing is asked";
}

TEST_F(Reliable, aFileOpenInAnotherWindowIsOpenedToRead) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("job.plainpatch"));
  open("ringing-trolley");
  ASSERT_FALSE(session().save(path).has_value());
  const auto second = newWindow();
  answerNext(QStringLiteral("Cancel"));
  EXPECT_FALSE(second->openFile(path));
  EXPECT_TRUE(asked_.contains(QStringLiteral("open in another window"))) << asked_.toStdString();
  answerNext(QStringLiteral("Open to read"));
  ASSERT_TRUE(second->openFile(path));
  EXPECT_TRUE(second->session().file().isToRead());
  Job next = second->session().job();
  next.name = "from the second window";
  ASSERT_TRUE(second->session().edit(QStringLiteral("rename"), next).empty());
  EXPECT_TRUE(second->session().save(path).has_value()) << "the first window's file is not touched";
  const QString other = folder.filePath(QStringLiteral("other.plainpatch"));
  EXPECT_FALSE(second->session().save(other).has_value());
  EXPECT_FALSE(second->session().file().isToRead());
  // The first window's work is still its own.
  rename("from the first window");
  EXPECT_FALSE(session().save(path).has_value());
  second->session().file().end();
}

TEST_F(Reliable, aFileChangedByAnotherProgramIsNotWrittenOverWithoutAWord) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("job.plainpatch"));
  open("ringing-trolley");
  ASSERT_FALSE(session().save(path).has_value());
  Job theirs = job();
  theirs.name = "theirs";
  ASSERT_FALSE(writeFile(path.toStdString(), writeJob(theirs)).has_value());
  const Job mine = rename("mine");
  answerNext(QStringLiteral("Cancel"));
  press(Qt::Key_S, Qt::ControlModifier);
  EXPECT_TRUE(asked_.contains(QStringLiteral("changed by something else"))) << asked_.toStdString();
  EXPECT_EQ(readJob("f", readFile(path.toStdString()).value()).value(), theirs);
  EXPECT_TRUE(session().isModified());
  answerNext(QStringLiteral("Write over it"));
  press(Qt::Key_S, Qt::ControlModifier);
  EXPECT_EQ(readJob("f", readFile(path.toStdString()).value()).value(), mine);
  EXPECT_FALSE(session().isModified());
}

TEST_F(Reliable, anAutosaveIsOfferedAlsoWhereItsFileIsNewer) {
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("job.plainpatch"));
  open("ringing-trolley");
  ASSERT_FALSE(session().save(path).has_value());
  const Job mine = rename("mine");
  session().file().settle();
  window_.reset();
  Job theirs = mine;
  theirs.name = "theirs, and later";
  ASSERT_FALSE(writeFile(path.toStdString(), writeJob(theirs)).has_value());
  window_ = newWindow();
  answerNext(QStringLiteral("Open the saved file"));
  ASSERT_TRUE(window_->openFile(path));
  EXPECT_TRUE(asked_.contains(QStringLiteral("changed since by something else")))
      << asked_.toStdString();
  EXPECT_EQ(job(), theirs);
  answerNext(QStringLiteral("Take it up"));
  ASSERT_TRUE(window_->openFile(path));
  EXPECT_EQ(job(), mine);
  EXPECT_TRUE(session().isModified());
}

TEST_F(Reliable, closingAsksAndCancelStays) {
  open("ringing-trolley");
  const Job mine = rename("mine");
  answerNext(QStringLiteral("Cancel"));
  EXPECT_FALSE(window_->close());
  EXPECT_EQ(job(), mine);
  answerNext(QStringLiteral("Discard"));
  EXPECT_TRUE(window_->close());
  window_ = newWindow();
  EXPECT_FALSE(window_->offerUnsaved()) << "what was thrown away is not offered again";
}

TEST_F(Reliable, whatIsKeptIsReadBesideTheWindowAndTooLargeAFileLeftOut) {
  ASSERT_TRUE(QDir().mkpath(libraryFolder()));
  QFile huge(libraryFolder() + QStringLiteral("/huge.json"));
  ASSERT_TRUE(huge.open(QIODevice::WriteOnly));
  ASSERT_TRUE(huge.resize(qint64{3} << 30));  // of nothing; its disk blocks are never read
  QFile deep(libraryFolder() + QStringLiteral("/deep.json"));
  ASSERT_TRUE(deep.open(QIODevice::WriteOnly));
  deep.write(QByteArray(110'000, '[') + QByteArray(110'000, ']'));
  deep.close();
  open("ringing-trolley");
  click(window_.get(), QStringLiteral("Add assembly"));
  ASSERT_TRUE(waitFor([] { return QApplication::activePopupWidget() != nullptr; }));
  QStringList offered;
  for (const QAction* action : qobject_cast<QMenu*>(QApplication::activePopupWidget())->actions())
    offered << action->text();
  EXPECT_TRUE(offered.contains(QStringLiteral("plain carcass")));
  EXPECT_FALSE(offered.join(QLatin1Char(' ')).contains(QStringLiteral("huge")));
  press(Qt::Key_Escape);
  huge.remove();
  deep.remove();
}

TEST_F(Reliable, printingIsStoppedAndLeavesNothingHalf) {
  const QTemporaryDir folder;
  ASSERT_TRUE(session().edit(QStringLiteral("many"), test::jobNamed("boards")).empty());
  PrintDialog dialog(session(), window_.get());
  dialog.show();
  for (QCheckBox* box : dialog.findChildren<QCheckBox*>())
    box->setChecked(box->text().startsWith(QStringLiteral("Labels")));
  dialog.printInto(folder.path());
  ASSERT_TRUE(dialog.isWriting());
  click(&dialog, QStringLiteral("Stop"));
  ASSERT_TRUE(waitFor([&dialog] { return !dialog.isWriting(); }));
  EXPECT_TRUE(textOf(&dialog, QStringLiteral("What is wrong"))
                  .contains(QStringLiteral("printing stopped")));
  EXPECT_TRUE(QDir(folder.path()).entryList(QDir::Files | QDir::Hidden).isEmpty());
}

TEST(PlanRunner, ofManySearchesOnlyTheLastIsHeardOf) {
  const auto job = std::make_shared<const Job>(test::jobNamed("kinds"));
  PlanShown what;
  what.parts = std::make_shared<const std::vector<Part>>(sheetParts(breakDown(*job).parts));
  what.request = std::make_shared<const NestRequest>(requestOf(*job, *what.parts));
  PlanRunner runner;
  std::vector<std::shared_ptr<const Job>> heard;
  int finished = 0;
  QObject::connect(&runner, &PlanRunner::progressed,
                   [&heard](const PlanShown& shown) { heard.push_back(shown.job); });
  QObject::connect(&runner, &PlanRunner::finished, [&finished] { ++finished; });
  std::shared_ptr<const Job> last;
  constexpr int kMany = 30;
  for (int i = 0; i < kMany; ++i) {
    what.job = last = std::make_shared<const Job>(*job);
    runner.start(what, 0.2);
  }
  EXPECT_EQ(finished, kMany - 1) << "each but the last was stopped at once";
  ASSERT_TRUE(waitFor([&runner] { return !runner.isRunning(); }));
  ASSERT_FALSE(heard.empty());
  for (const auto& one : heard) EXPECT_EQ(one, last);
  EXPECT_EQ(finished, kMany);
  heard.clear();
  runner.start(what, 60);
  runner.stop();
  EXPECT_FALSE(runner.isRunning());
  test::settle();
  EXPECT_TRUE(heard.empty()) << "what was stopped is not heard of";
}

}  // namespace
}  // namespace pp::reliability_test
