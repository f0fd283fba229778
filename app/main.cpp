// The window. `plainpatch [FILE]` or `plainpatch --demo NAME`; `--picture FILE.png` saves a picture
// of the window once the first plan is there, and ends: for machines without a display.
#include <QApplication>
#include <QCommandLineParser>
#include <QDir>
#include <QPushButton>
#include <QTimer>
#include <algorithm>
#include <functional>
#include <iostream>
#include <memory>
#include <string_view>

#include "app/jobs/ways_runner.h"
#include "app/shell/main_window.h"
#include "app/shell/printer_window.h"

namespace {

// Clicks what is named so, one after the other, in the dialog that is open or else in the window,
// each when nothing is looked for any more; then goes on.
void pressAll(pp::MainWindow& window, QStringList names, const std::function<void()>& then) {
  QWidget* over = QApplication::activeModalWidget();
  const auto* ways = over == nullptr ? nullptr : over->findChild<pp::WaysRunner*>();
  constexpr int kSoon = 50;
  if (ways != nullptr && ways->isRunning()) {
    QTimer::singleShot(kSoon, &window, [&window, names, then] { pressAll(window, names, then); });
    return;
  }
  if (names.isEmpty()) return then();
  const QString name = names.takeFirst();
  QWidget* in = over == nullptr ? &window : over;
  for (auto* button : in->findChildren<QPushButton*>())
    if (!name.isEmpty() && button->isVisible() &&
        (button->accessibleName() == name || button->text() == name)) {
      button->click();
      break;
    }
  // What it shows comes with the events to follow.
  QTimer::singleShot(0, &window, [&window, names, then] { pressAll(window, names, then); });
}

// Grabs the window when the search has ended, or when the opening page has its pictures; what is
// named so is clicked before, and a dialog that it opens is grabbed instead.
void pictureWhenThere(pp::MainWindow& window, const QString& path, const QStringList& press) {
  const auto grab = [&window, path] {
    window.session().store().finish();
    QApplication::processEvents();
    QWidget* over = QApplication::activeModalWidget();
    const bool saved = (over != nullptr ? over : &window)->grab().save(path);
    std::cout << (saved ? "picture saved: " : "picture could not be saved: ") << path.toStdString()
              << std::endl;
    QTimer::singleShot(0, qApp, [saved] { QApplication::exit(saved ? 0 : 1); });
  };
  const auto take = [&window, grab, press] {
    pressAll(window, press, [&window, grab] { QTimer::singleShot(0, &window, grab); });
  };
  if (window.isAtOpening())
    QObject::connect(&window.opening(), &pp::OpeningPage::loaded, &window, take);
  else
    QObject::connect(&window.session().plans().runner(), &pp::PlanRunner::finished, &window, take);
  // Where all is at the saw nothing is searched.
  constexpr int kBegun = 1'500;
  QTimer::singleShot(kBegun, &window, [&window, take] {
    if (!window.isAtOpening() && !window.session().plans().runner().isRunning() &&
        window.session().plans().shown().plan == nullptr)
      take();
  });
}

// Whether only words are asked for, which need no display.
bool wantsWords(int argc, char** argv) {
  return std::any_of(argv + 1, argv + argc, [](const char* one) {
    const std::string_view word = one;
    return word == "--help" || word == "-h" || word == "--help-all" || word == "--version" ||
           word == "-v";
  });
}

}  // namespace

int main(int argc, char** argv) {
  std::unique_ptr<QCoreApplication> application;
  if (wantsWords(argc, argv))
    application = std::make_unique<QCoreApplication>(argc, argv);
  else
    application = std::make_unique<QApplication>(argc, argv);
  QCoreApplication::setApplicationName(QStringLiteral("Plain Patch"));
  QCoreApplication::setApplicationVersion(QStringLiteral(PLAINPATCH_VERSION));
  QCommandLineParser parser;
  parser.addVersionOption();
  parser.setApplicationDescription(QStringLiteral("From a drawing to labelled plywood parts."));
  parser.addHelpOption();
  parser.addPositionalArgument(QStringLiteral("file"), QStringLiteral("job to open (.plainpatch)"),
                               QStringLiteral("[file]"));
  const QCommandLineOption demo(
      QStringLiteral("demo"),
      QStringLiteral(
          "Open a demo job: log-wall, ringing-trolley, hide-bench, nest-boxes, porthole, "
          "specimen-trays, specimen-console or corner-seat."),
      QStringLiteral("name"));
  const QCommandLineOption stage(
      QStringLiteral("stage"),
      QStringLiteral("Stage to begin with: measure, draw, parts, rack, lay-out, saw or bench, "
                     "or its number on the plumb line."),
      QStringLiteral("stage"), QStringLiteral("draw"));
  const QCommandLineOption picture(QStringLiteral("picture"),
                                   QStringLiteral("Save a picture of the window and end."),
                                   QStringLiteral("png"));
  const QCommandLineOption gauge(
      QStringLiteral("gauge"),
      QStringLiteral("A stand-in for a thickness gauge: steady, noisy or late."),
      QStringLiteral("manner"));
  const QCommandLineOption labels(
      QStringLiteral("label-printer"),
      QStringLiteral("A stand-in for a label printer: prompt, slow, no-paper, jamming or "
                     "unplugged; what comes out is kept in the folder plain-patch-labels."),
      QStringLiteral("manner"));
  const QCommandLineOption press(QStringLiteral("press"),
                                 QStringLiteral("Click the button of that name before the picture, "
                                                "or several; a dialog is grabbed alone."),
                                 QStringLiteral("name"));
  parser.addOptions({demo, stage, picture, press, gauge, labels});
  parser.process(*application);
  pp::dressUp();
  pp::MainWindow window;
  if (!window.showStage(parser.value(stage))) {
    std::cerr << "no stage is called '" << parser.value(stage).toStdString()
              << "'; there are measure, draw, parts, rack, lay-out, saw and bench\n";
    return 2;
  }
  if (parser.isSet(gauge)) {
    const auto manner = pp::gaugeManner(parser.value(gauge).toStdString());
    if (!manner) {
      std::cerr << "no gauge is '" << parser.value(gauge).toStdString()
                << "'; there are steady, noisy and late\n";
      return 2;
    }
    constexpr unsigned kSeed = 1;
    window.session().gauge().plug(pp::simulatedGauge(*manner, pp::Length::um(17'900), kSeed));
  }
  std::unique_ptr<pp::PrinterWindow> printer;
  if (parser.isSet(labels)) {
    const auto manner = pp::printerManner(parser.value(labels).toStdString());
    if (!manner) {
      std::cerr << "no label printer is '" << parser.value(labels).toStdString()
                << "'; there are prompt, slow, no-paper, jamming and unplugged\n";
      return 2;
    }
    printer = std::make_unique<pp::PrinterWindow>(
        *manner, QDir::current().filePath(QStringLiteral("plain-patch-labels")));
    window.session().labels().plug(printer->printer());
    printer->show();
  }
  if (parser.isSet(demo))
    window.openDemo(parser.value(demo));
  else if (!parser.positionalArguments().isEmpty())
    window.openFile(parser.positionalArguments().constFirst());
  window.show();
  window.showStage(parser.value(stage));
  const bool opened = parser.isSet(demo) || !parser.positionalArguments().isEmpty();
  if (!opened && !parser.isSet(stage)) window.showOpening();
  // Asked once the window is there and only where nothing else was asked for.
  if (!parser.isSet(picture) && !opened)
    QTimer::singleShot(0, &window, [&window] { window.offerUnsaved(); });
  if (parser.isSet(picture)) pictureWhenThere(window, parser.value(picture), parser.values(press));
  return QApplication::exec();
}
