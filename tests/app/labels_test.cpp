// Labels in the real window: printed as parts come off, on a sheet, once more, and none lost or
// printed twice whatever the printer does.
#include <gtest/gtest.h>

#include <QDir>
#include <QFile>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>
#include <QTest>

#include "app/shell/printer_window.h"
#include "app/stages/saw/labels_dialog.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::labels_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::waitFor;
using test::willChooseFile;

class LabelsAtTheSaw : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    open("ringing-trolley", "lay-out");
    ASSERT_TRUE(planned());
    willChooseFile(path());
    click(window_.get(), QStringLiteral("Take to the saw"));
    ASSERT_EQ(session().floor().record().cuttings.size(), 1U);
    window_->showStage(QStringLiteral("saw"));
    test::settle();
  }
  QString labels() const { return folder_.filePath(QStringLiteral("labels")); }
  std::shared_ptr<SimulatedPrinter> plug(PrinterManner manner) {
    auto out = std::make_shared<SimulatedPrinter>(manner, labels().toStdString());
    session().labels().plug(out);
    return out;
  }
  std::size_t pieces() { return session().floor().progress().pieces.size(); }
  // Cuts until so many pieces have come off.
  void cutUntil(std::size_t wanted) {
    for (int i = 0; i < 400 && pieces() < wanted; ++i) press(Qt::Key_Space);
    ASSERT_GE(pieces(), wanted);
  }
  void cutAll() {
    for (int i = 0; i < 400 && textOf(window_.get(), QStringLiteral("The cut is made"))
                                   .startsWith(QStringLiteral("Done"));
         ++i)
      press(Qt::Key_Space);
  }
  // The ids that came out, in order.
  QStringList cameOut() const {
    QFile file(labels() + QStringLiteral("/out.txt"));
    if (!file.open(QIODevice::ReadOnly)) return {};
    return QString::fromUtf8(file.readAll()).split(QLatin1Char('\n'), Qt::SkipEmptyParts);
  }
  bool allOut() {
    return waitFor(
        [this] { return session().labels().owed().empty() && !session().labels().sent(); });
  }
  void expectOnceEach(std::size_t count) {
    QStringList once = cameOut();
    EXPECT_EQ(once.size(), static_cast<qsizetype>(count));
    once.removeDuplicates();
    EXPECT_EQ(once.size(), static_cast<qsizetype>(count)) << "one came out twice";
    EXPECT_EQ(QDir(labels()).entryList({QStringLiteral("*.pdf")}).size(),
              static_cast<qsizetype>(count));
  }
  QDialog* labelsDialog() {
    press(Qt::Key_L);
    return qobject_cast<QDialog*>(QApplication::activeModalWidget());
  }
};

TEST_F(LabelsAtTheSaw, comeOutAsPartsComeOff) {
  plug(PrinterManner::Prompt);
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("What came off last")),
            QStringLiteral("Nothing has come off yet."));
  cutUntil(3);
  ASSERT_TRUE(allOut());
  expectOnceEach(pieces());
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Labels")),
            QStringLiteral("Label printer: ready. Every piece has its label."));
  // The one that is shown is of what came off last.
  const auto last = session().floor().ledger().cameOffLast();
  ASSERT_FALSE(last.empty());
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("What came off last"))
                  .contains(qs(last.back().on.piece->code)));
  auto* picture = named<QLabel>(window_.get(), QStringLiteral("Its label"));
  const QImage shown = picture->pixmap().toImage().convertToFormat(QImage::Format_Grayscale8);
  const QImage out(labels() + QLatin1Char('/') + cameOut().last() + QStringLiteral(".png"));
  EXPECT_EQ(shown.size(), out.size());
}

TEST_F(LabelsAtTheSaw, troublesOfThePrinterLoseNothing) {
  for (const PrinterManner manner : {PrinterManner::Jamming, PrinterManner::NoPaper}) {
    const std::size_t before = pieces();
    const auto printer = plug(manner);
    cutUntil(before + 5);
    const PrinterState stuck =
        manner == PrinterManner::Jamming ? PrinterState::Jammed : PrinterState::OutOfPaper;
    ASSERT_TRUE(waitFor([&] { return session().labels().state() == stuck; }));
    EXPECT_EQ(cameOut().size(), static_cast<qsizetype>(before + 3));
    EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Labels"))
                    .startsWith(manner == PrinterManner::Jamming
                                    ? QStringLiteral("Label printer: jammed.")
                                    : QStringLiteral("Label printer: out of paper.")));
    printer->tend();
    ASSERT_TRUE(allOut());
    expectOnceEach(pieces());
  }
}

TEST_F(LabelsAtTheSaw, whatCameOutBeforeACrashIsNotPrintedAgain) {
  // It came out, and the window was gone before that was noted.
  cutUntil(2);
  const auto printer = plug(PrinterManner::Slow);
  ASSERT_TRUE(waitFor([this] { return session().labels().sent().has_value(); }));
  session().labels().plug(nullptr);
  while (!printer->take()) {
  }
  EXPECT_EQ(cameOut().size(), 1);
  begin();
  ASSERT_TRUE(window_->openFile(path()));
  window_->showStage(QStringLiteral("saw"));
  plug(PrinterManner::Prompt);
  ASSERT_TRUE(allOut());
  expectOnceEach(pieces());
}

// Another job is opened while a label is under way: nothing is noted there, and when the first is
// open again the label is noted, not printed anew.
TEST_F(LabelsAtTheSaw, labelsOfAnotherJobAreLeftToIt) {
  cutUntil(2);
  const std::size_t count = pieces();
  const auto printer = plug(PrinterManner::Slow);
  ASSERT_TRUE(waitFor([this] { return session().labels().sent().has_value(); }));
  ASSERT_TRUE(window_->openDemo(QStringLiteral("log-wall-at-the-saw")));
  ASSERT_TRUE(waitFor([this] { return !session().labels().sent(); }));
  for (const Event& event : session().floor().record().events)
    EXPECT_NE(event.kind, EventKind::LabelPrinted);
  // It has no file: nothing can be noted, and that is said.
  EXPECT_TRUE(session().labels().printed(session().labels().owed()).has_value());
  ASSERT_TRUE(window_->openFile(path()));
  ASSERT_TRUE(allOut());
  expectOnceEach(count);
}

TEST_F(LabelsAtTheSaw, anAbsentOneIsNotWaitedFor) {
  plug(PrinterManner::Unplugged);
  cutUntil(2);
  EXPECT_EQ(session().labels().owed().size(), pieces());
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Labels"))
                  .startsWith(QStringLiteral("Label printer: not there. ")));
  press(Qt::Key_Z);
  EXPECT_EQ(session().labels().owed().size(), pieces());
}

TEST_F(LabelsAtTheSaw, arePrintedOnASheetFromAFreeFieldOn) {
  cutUntil(3);
  const std::size_t count = pieces();
  QDialog* dialog = labelsDialog();
  ASSERT_NE(dialog, nullptr);
  auto* list = named<QListWidget>(dialog, QStringLiteral("Pieces and their labels"));
  EXPECT_EQ(list->count(), static_cast<int>(count));
  EXPECT_TRUE(list->item(0)->text().endsWith(QStringLiteral("to be printed")));
  auto* first = named<QSpinBox>(dialog, QStringLiteral("First free label"));
  first->setValue(5);
  const QString sheet = folder_.filePath(QStringLiteral("sheet.pdf"));
  willChooseFile(sheet);
  click(dialog, QStringLiteral("Print those that wait on a sheet"));
  ASSERT_TRUE(allOut());
  QFile file(sheet);
  ASSERT_TRUE(file.open(QIODevice::ReadOnly));
  EXPECT_TRUE(file.readAll().startsWith("%PDF"));
  EXPECT_EQ(first->value(), 5 + static_cast<int>(count));
  EXPECT_TRUE(list->item(0)->text().endsWith(QStringLiteral("printed")));
  // One of them once more: it waits again, and is had by hand.
  list->setCurrentRow(1);
  click(dialog, QStringLiteral("Print the chosen once more"));
  ASSERT_EQ(session().labels().owed().size(), 1U);
  EXPECT_EQ(session().labels().owed()[0].nth, 2);
  click(dialog, QStringLiteral("Those that wait have labels"));
  ASSERT_TRUE(allOut());
  EXPECT_TRUE(list->item(1)->text().endsWith(QStringLiteral("printed 2 times")));
  click(dialog, QStringLiteral("Close"));
  // The next sheet begins where this one ended, whoever asks.
  test::settle();
  dialog = labelsDialog();
  EXPECT_EQ(named<QSpinBox>(dialog, QStringLiteral("First free label"))->value(),
            5 + static_cast<int>(count));
  click(dialog, QStringLiteral("Close"));
}

TEST_F(LabelsAtTheSaw, leftoversGoToTheRackAndGetTheirNumbers) {
  session().store().setPath(folder_.filePath(QStringLiteral("store.sqlite")).toStdString());
  cutAll();
  const std::size_t count = pieces();
  const auto lying = session().floor().ledger().leftovers();
  ASSERT_FALSE(lying.empty());
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("The cut is made"))
                  .startsWith(QString::number(lying.size())));
  plug(PrinterManner::Prompt);
  press(Qt::Key_Space);
  EXPECT_EQ(session().floor().progress().cuttings.at(1).returned.size(), lying.size());
  ASSERT_TRUE(allOut());
  expectOnceEach(count + lying.size());
  const auto says = session().labels().says(lying.front().on);
  ASSERT_TRUE(says);
  EXPECT_EQ(std::get<RackTag>(*says).tag, QStringLiteral("R1"));
  // Nothing more goes there.
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("The cut is made")),
            QStringLiteral("Nothing to cut"));
}

TEST_F(LabelsAtTheSaw, theStandInShowsWhatCameOut) {
  PrinterWindow printer(PrinterManner::NoPaper, labels());
  session().labels().plug(printer.printer());
  printer.show();
  cutUntil(4);
  const auto says = [&] { return textOf(&printer, QStringLiteral("How the printer is")); };
  EXPECT_TRUE(waitFor([&] { return says().startsWith(QStringLiteral("out of paper. 3 labels")); }));
  click(&printer, QStringLiteral("Paper in, plug in, free it"));
  ASSERT_TRUE(waitFor([&] {
    return cameOut().size() == static_cast<qsizetype>(pieces()) ||
           session().labels().state() == PrinterState::OutOfPaper;
  }));
  click(&printer, QStringLiteral("Pull the plug"));
  EXPECT_TRUE(waitFor([&] { return says().startsWith(QStringLiteral("not there")); }));
}

}  // namespace
}  // namespace pp::labels_test
