// The first minute: the page before there is a job, a new job, what is typed and what answers.
#include <gtest/gtest.h>

#include <QAbstractButton>
#include <QComboBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QPointer>
#include <QPrinter>
#include <QProcess>
#include <QPushButton>
#include <QTemporaryDir>

#include "app/session/remembered.h"
#include "app/shell/demo_jobs.h"
#include "app/shell/print_dialog.h"
#include "core/formats/file.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::opening_test {
namespace {

using test::appear;
using test::click;
using test::named;
using test::press;
using test::textOf;
using test::type;
using test::waitFor;
using test::willAnswer;
using test::willChooseFile;

class Opening : public test::ShownWindow {
 protected:
  void SetUp() override {
    remembered().clear();
    begin();
    window_->showOpening();
    ASSERT_TRUE(loaded());
  }
  bool loaded() {
    return waitFor([this] { return window_->opening().isLoaded(); });
  }
  QAbstractButton* card(const QString& name) { return named<QAbstractButton>(window_.get(), name); }
};

TEST_F(Opening, demoJobsAreCardsThatSayWhatTheyAre) {
  for (const DemoJob& demo : demoJobs()) {
    window_->showOpening();
    ASSERT_NE(card(demo.title), nullptr);
    EXPECT_EQ(card(demo.title)->accessibleDescription(), demo.about);
    click(window_.get(), demo.title);
    EXPECT_FALSE(window_->isAtOpening());
    EXPECT_FALSE(session().breakdown().parts.empty()) << demo.name.toStdString();
  }
}

TEST_F(Opening, aNewJobBeginsInTheUnitThatIsChosen) {
  click(window_.get(), QStringLiteral("New job in inches"));
  EXPECT_FALSE(window_->isAtOpening());
  EXPECT_EQ(job().unit, Unit::Inch);
  EXPECT_EQ(job().shareStep, Length::in(0, 1, 32));
  EXPECT_EQ(job().stock[0].length, Length::in(96));
  window_->showOpening();
  click(window_.get(), QStringLiteral("New job in millimetres"));
  EXPECT_EQ(job().unit, Unit::Millimetre);
  EXPECT_EQ(job().shareStep, Length::um(500));
  EXPECT_EQ(job().stock[0].length, Length::mm(2440));
}

TEST_F(Opening, jobsLastOpenAreThereWithWhatWasDoneNewestFirst) {
  ASSERT_TRUE(window_->openDemo(QStringLiteral("ringing-trolley")));
  edit([](Job& next) { next.name = "Trolley of mine"; });
  ASSERT_TRUE(planned());
  willChooseFile(path("one.plainpatch"));
  press(Qt::Key_S, Qt::ControlModifier);
  ASSERT_TRUE(waitFor([this] { return !session().isModified() && !session().path().isEmpty(); }));
  willChooseFile(path("two.plainpatch"));
  willAnswer(QStringLiteral("Make a copy there"));
  press(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
  ASSERT_EQ(session().path(), path("two.plainpatch"));
  EXPECT_EQ(lastJobs(), QStringList({path("two.plainpatch"), path("one.plainpatch")}));
  window_->showOpening();
  ASSERT_TRUE(loaded());
  QAbstractButton* first = card(QStringLiteral("Trolley of mine"));
  ASSERT_NE(first, nullptr);
  EXPECT_TRUE(first->accessibleDescription().contains(QStringLiteral("laid out on 5 sheets")))
      << first->accessibleDescription().toStdString();
  EXPECT_TRUE(first->accessibleDescription().contains(QStringLiteral("saved")));
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Back")),
            QStringLiteral("Back to Trolley of mine"));
  press(Qt::Key_Escape);
  EXPECT_FALSE(window_->isAtOpening()) << "Escape goes back to what is open";
  // Enter on a card opens it.
  window_->showOpening();
  ASSERT_TRUE(loaded());
  card(QStringLiteral("Trolley of mine"))->setFocus();
  press(Qt::Key_Return);
  EXPECT_TRUE(waitFor([this] { return !window_->isAtOpening(); }));
}

TEST_F(Opening, aFileThatIsGoneIsNotOffered) {
  ASSERT_TRUE(window_->openDemo(QStringLiteral("porthole")));
  willChooseFile(path("gone.plainpatch"));
  press(Qt::Key_S, Qt::ControlModifier);
  ASSERT_EQ(session().path(), path("gone.plainpatch"));
  QFile::remove(path("gone.plainpatch"));
  EXPECT_TRUE(lastJobs().isEmpty());
}

TEST_F(Opening, aPartsListBecomesAJob) {
  const QString list = path("hut.csv");
  ASSERT_FALSE(writeFile(list.toStdString(),
                         "# unit: in\ncode,qty,length,width,thickness,material,band_l1\n"
                         "A,4,29 1/16,20,3/4,oak,oak strip\nB,2,12,7 1/2,1/2,birch,\n")
                   .has_value());
  willChooseFile(list);
  click(window_.get(), QStringLiteral("New job from a parts list (CSV)"));
  EXPECT_FALSE(window_->isAtOpening());
  EXPECT_EQ(job().name, "hut");
  EXPECT_EQ(job().unit, Unit::Inch);
  ASSERT_EQ(job().loose.size(), 2U);
  EXPECT_EQ(job().loose[0].length, Length::in(29, 1, 16));
  const Material* oak = findMaterial(job(), job().loose[0].material);
  ASSERT_NE(oak, nullptr);
  EXPECT_EQ(oak->name, "oak");
  EXPECT_EQ(oak->measured, Length::in(0, 3, 4));
  ASSERT_TRUE(planned());
  EXPECT_TRUE(session().plans().shown().plan->complete()) << "there is a sheet of what is new";
  // What is wrong with a list is said, and nothing is begun.
  ASSERT_FALSE(writeFile(list.toStdString(),
                         "code,qty,length,width,thickness,material\nA,4,long,20,18,oak\n")
                   .has_value());
  window_->showOpening();
  willChooseFile(list);
  const Job before = job();
  click(window_.get(), QStringLiteral("New job from a parts list (CSV)"));
  EXPECT_EQ(job(), before);
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Message")).contains(QStringLiteral("'long'")));
}

class FirstMinute : public test::ShownWindow {
 protected:
  void SetUp() override {
    begin();
    open("ringing-trolley");
  }
};

TEST_F(FirstMinute, aSumSaysWhatItComesToWhileItIsTyped) {
  click(window_.get(), QStringLiteral("width"));
  auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  ASSERT_NE(field, nullptr);
  const int narrow = field->width();
  field->selectAll();
  type(QStringLiteral("31"));
  const auto shown = [this] {
    for (const auto* label : window_->findChildren<QLabel*>())
      if (label->accessibleName() == QStringLiteral("Comes to") && label->isVisible())
        return label->text();
    return QString();
  };
  EXPECT_TRUE(shown().isEmpty()) << "a plain size needs no answer";
  type(QStringLiteral(" - 5 - 1 1/2"));
  EXPECT_EQ(shown(), QStringLiteral("= 24 1/2 in"));
  type(QStringLiteral(" - 10 mm - 20 mm + 20 mm + 10 mm"));
  EXPECT_EQ(shown(), QStringLiteral("= 24 1/2 in"));
  EXPECT_GT(field->width(), narrow) << "it grows with what is typed";
  press(Qt::Key_Return);
  QApplication::processEvents();
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::in(24, 1, 2));
  EXPECT_TRUE(shown().isEmpty());
}

TEST_F(FirstMinute, theNameOfTheJobIsChangedWhereItStands) {
  test::clickAt(named<QLabel>(window_.get(), QStringLiteral("Job")), QPointF(10, 10));
  QWidget* dialog = QApplication::activeModalWidget();
  ASSERT_NE(dialog, nullptr);
  appear(dialog);
  auto* name = named<QLineEdit>(dialog, QStringLiteral("Name of the job"));
  name->setFocus();
  name->selectAll();
  type(QStringLiteral("Trolley 2"));
  click(dialog, QStringLiteral("Take over"));
  EXPECT_EQ(job().name, "Trolley 2");
  test::settle();
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Job")).startsWith(QStringLiteral("Trolley 2")));
}

TEST_F(FirstMinute, theTapeFollowsAnAssemblyThatIsAdded) {
  open("log-wall");
  click(window_.get(), QStringLiteral("Copy assembly"));
  const std::string code = session().pointing().selection().assembly;
  EXPECT_NE(code, "B1");
  EXPECT_EQ(session().pointing().measuredWhat(), QStringLiteral("width of %1").arg(qs(code)));
  EXPECT_EQ(session().pointing().measured(), Length::mm(900));
}

TEST_F(FirstMinute, theFractionIsChosenInTheWindow) {
  auto* fraction = named<QComboBox>(window_.get(), QStringLiteral("Finest fraction"));
  ASSERT_NE(fraction, nullptr);
  EXPECT_EQ(fraction->currentText(), QStringLiteral("1/32"));
  fraction->setFocus();
  press(Qt::Key_Up);
  emit fraction->activated(fraction->currentIndex());
  EXPECT_EQ(job().fraction, 16);
  EXPECT_EQ(job().shareStep, Length{}) << "exact shares stay exact";
  session().undo();
  EXPECT_EQ(job().fraction, 32);
  edit([](Job& next) { next.shareStep = Length::in(0, 1, 32); });
  fraction->setCurrentIndex(fraction->findText(QStringLiteral("1/8")));
  emit fraction->activated(fraction->currentIndex());
  EXPECT_EQ(job().shareStep, Length::in(0, 1, 8));
  click(window_.get(), QStringLiteral("Show millimetres"));
  test::settle();
  EXPECT_FALSE(fraction->isVisible());
  EXPECT_EQ(job().shareStep, Length::in(0, 1, 8)) << "the unit that is shown changes no size";
}

TEST_F(FirstMinute, sharesLandOnAStepWhenThatIsAsked) {
  const auto fronts = [this] {
    std::vector<Length> out;
    for (const Part& part : session().breakdown().parts)
      if (part.role == PartRole::DrawerFront) out.push_back(part.width.total());
    return out;
  };
  const std::vector<Length> exact = fronts();
  ASSERT_EQ(exact.size(), 1U) << "two equal fronts";
  press(Qt::Key_F4);
  auto* shares = named<QComboBox>(QApplication::activeModalWidget(),
                                  QStringLiteral("Sizes that are shared out"));
  ASSERT_NE(shares, nullptr);
  EXPECT_EQ(shares->currentText(), QStringLiteral("exactly"));
  shares->setCurrentText(QStringLiteral("to 1/32 in"));
  click(QApplication::activeModalWidget(), QStringLiteral("Take over"));
  EXPECT_EQ(job().shareStep, Length::in(0, 1, 32));
  // 14 1/8 less three gaps of 5/64 makes 13 57/64: to 6 31/32 or so, and what is left.
  for (const Length front : fronts()) EXPECT_LE(front, exact[0] + Length::in(0, 1, 32));
  const Length first = fronts().front();
  EXPECT_EQ(first.inNm() % Length::in(0, 1, 32).inNm(), 0) << formatMm(first);
}

TEST_F(FirstMinute, pagesAreSeenBeforeTheyArePrinted) {
  ASSERT_TRUE(planned());
  PrintDialog dialog(session(), window_.get());
  appear(&dialog);
  auto* kinds = named<QListWidget>(&dialog, QStringLiteral("Pages"));
  ASSERT_NE(kinds, nullptr);
  ASSERT_TRUE(waitFor([&] { return dialog.previewedPages() == 1; })) << "29 pieces are one page";
  kinds->setCurrentRow(1);
  const int sheets = static_cast<int>(session().plans().shown().plan->sheets.size());
  ASSERT_TRUE(waitFor([&] { return dialog.previewedPages() == sheets; }));
  EXPECT_TRUE(textOf(&dialog, QStringLiteral("Page shown"))
                  .startsWith(QStringLiteral("page 1 of %1").arg(sheets)));
  click(&dialog, QStringLiteral("Next page"));
  EXPECT_TRUE(textOf(&dialog, QStringLiteral("Page shown")).startsWith(QStringLiteral("page 2")));
  kinds->setCurrentRow(3);
  auto* across = named<QSpinBox>(&dialog, QStringLiteral("Labels across"));
  ASSERT_NE(across, nullptr);
  across->setValue(2);
  named<QSpinBox>(&dialog, QStringLiteral("Labels down"))->setValue(4);
  // 29 labels on eight a sheet; the first with three fields used up.
  ASSERT_TRUE(waitFor([&] { return dialog.previewedPages() == 4; }));
  named<QSpinBox>(&dialog, QStringLiteral("First free label"))->setValue(5);
  ASSERT_TRUE(waitFor([&] { return dialog.previewedPages() == 5; }));
}

TEST_F(FirstMinute, theFolderOfPagesIsChosenOrLeftWithTheDialog) {
  ASSERT_TRUE(planned());
  const QTemporaryDir folder;
  QPointer<PrintDialog> dialog = new PrintDialog(session(), window_.get());
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  appear(dialog);
  auto* into = named<QLineEdit>(dialog, QStringLiteral("Folder"));
  ASSERT_NE(into, nullptr);
  test::willChooseFile(folder.path());
  click(dialog, QStringLiteral("Choose …"));
  EXPECT_TRUE(waitFor([&] { return into->text() == folder.path(); }));
  // Both are closed while the question is open, the dialog that asked it first.
  click(dialog, QStringLiteral("Choose …"));
  QPointer<QFileDialog> question = dialog->findChild<QFileDialog*>();
  ASSERT_TRUE(waitFor([&] { return question && question->isVisible(); }));
  dialog->close();
  EXPECT_TRUE(waitFor([&] { return dialog.isNull() && question.isNull(); }));
}

TEST_F(FirstMinute, aPrinterGetsWhatIsTicked) {
  ASSERT_TRUE(planned());
  PrintDialog dialog(session(), window_.get());
  appear(&dialog);
  auto* kinds = named<QListWidget>(&dialog, QStringLiteral("Pages"));
  // The cutting list, and the machining after it.
  for (int row = 0; row < kinds->count(); ++row)
    if (row != 2 && row != 6) kinds->item(row)->setCheckState(Qt::Unchecked);
  // What a printer would get, into a file.
  auto printer = std::make_shared<QPrinter>(QPrinter::HighResolution);
  printer->setOutputFormat(QPrinter::PdfFormat);
  printer->setOutputFileName(path("printed.pdf"));
  dialog.printOn(printer);
  ASSERT_TRUE(waitFor([&] { return !dialog.isWriting(); }));
  EXPECT_TRUE(textOf(&dialog, QStringLiteral("Written")).contains(QStringLiteral("Cutting list")));
  QProcess process;
  process.start(QStringLiteral("pdftotext"), {path("printed.pdf"), QStringLiteral("-")});
  ASSERT_TRUE(process.waitForFinished());
  const QString words = QString::fromUtf8(process.readAllStandardOutput());
  EXPECT_TRUE(words.contains(QStringLiteral("T1-01")));
  EXPECT_TRUE(words.contains(QStringLiteral("at the fence")));
}

TEST_F(Opening, whatCannotBeReadSaysSo) {
  const QString bad = path("bad.plainpatch");
  ASSERT_FALSE(writeFile(bad.toStdString(), "no job").has_value());
  keepLastJob(bad);
  window_->showOpening();
  ASSERT_TRUE(loaded());
  ASSERT_NE(card(QStringLiteral("bad")), nullptr);
  EXPECT_EQ(card(QStringLiteral("bad"))->accessibleDescription(),
            QStringLiteral("It cannot be read as a job."));
  const Job before = job();
  click(window_.get(), QStringLiteral("bad"));
  EXPECT_EQ(job(), before);
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Message"))
                  .contains(QStringLiteral("nothing here has changed")));
}

TEST_F(Opening, isUsedWithTheKeyboardAlone) {
  // The first thing that can be done has the keyboard; Tab goes on in the order of the eye.
  EXPECT_EQ(QApplication::focusWidget()->accessibleName(),
            QStringLiteral("New job in millimetres"));
  QStringList met;
  for (int i = 0; i < 8; ++i) {
    press(Qt::Key_Tab);
    met << QApplication::focusWidget()->accessibleName();
  }
  EXPECT_EQ(met.mid(0, 3), QStringList({QStringLiteral("New job in inches"),
                                        QStringLiteral("New job from a parts list (CSV)"),
                                        QStringLiteral("Open another file")}));
  EXPECT_EQ(met[3], QStringLiteral("Log wall"));
  while (QApplication::focusWidget()->accessibleName() != QStringLiteral("Hide bench"))
    press(Qt::Key_Tab);
  press(Qt::Key_Space);
  EXPECT_EQ(job().name, "Hide bench");
}

TEST_F(FirstMinute, whatIsNoSumHasNoAnswerAndEscapeLeavesIt) {
  click(window_.get(), QStringLiteral("width"));
  auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  ASSERT_NE(field, nullptr);
  field->selectAll();
  type(QStringLiteral("12 + 3 mm"));
  const auto answers = [this] {
    int out = 0;
    for (const auto* label : window_->findChildren<QLabel*>())
      out += label->accessibleName() == QStringLiteral("Comes to") && label->isVisible() ? 1 : 0;
    return out;
  };
  EXPECT_EQ(answers(), 1);
  type(QStringLiteral(" +"));
  EXPECT_EQ(answers(), 0) << "a sum that is not finished comes to nothing yet";
  press(Qt::Key_Escape);
  test::settle();
  EXPECT_EQ(answers(), 0);
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::in(30));
}

TEST_F(FirstMinute, aSumIsTypedIntoATableToo) {
  window_->showStage(QStringLiteral("rack"));
  set("Sheets and offcuts", 0, 5, "2 * 1220 mm + 1/2");
  EXPECT_EQ(job().stock[0].length, Length::mm(2440) + Length::in(0, 1, 2));
}

TEST_F(FirstMinute, emptyStagesSayWhatToDo) {
  session().openNew(Unit::Millimetre);
  test::settle();
  window_->showStage(QStringLiteral("parts"));
  test::settle();
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Totals"))
                  .startsWith(QStringLiteral("No parts yet: draw an assembly")));
  window_->showStage(QStringLiteral("lay-out"));
  test::settle();
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Plan"))
                  .startsWith(QStringLiteral("Nothing to lay out yet")));
}

TEST_F(FirstMinute, nothingIsPrintedOfWhatIsNotThere) {
  session().openNew(Unit::Inch);
  test::settle();
  PrintDialog dialog(session(), window_.get());
  appear(&dialog);
  auto* kinds = named<QListWidget>(&dialog, QStringLiteral("Pages"));
  ASSERT_NE(kinds, nullptr);
  for (int row = 0; row < kinds->count(); ++row) {
    EXPECT_FALSE(kinds->item(row)->flags().testFlag(Qt::ItemIsEnabled)) << row;
    EXPECT_EQ(kinds->item(row)->checkState(), Qt::Unchecked) << row;
    EXPECT_FALSE(kinds->item(row)->toolTip().isEmpty()) << row;
  }
  dialog.printInto(path("nothing"));
  ASSERT_TRUE(waitFor([&] { return !dialog.isWriting(); }));
  EXPECT_FALSE(QFileInfo::exists(path("nothing")));
}

}  // namespace
}  // namespace pp::opening_test
