// The window. `plainpatch [FILE]` or `plainpatch --demo NAME`; `--picture FILE.png` saves a picture
// of the window once the first plan is there, and ends: for machines without a display.
#include <QApplication>
#include <QCommandLineParser>
#include <QTimer>
#include <iostream>

#include "app/shell/main_window.h"

namespace {

// Grabs the window when the search has ended.
void pictureWhenPlanned(pp::MainWindow& window, const QString& path) {
  QObject::connect(&window.document().runner(), &pp::PlanRunner::finished, &window,
                   [&window, path] {
                     const bool saved = window.grab().save(path);
                     std::cout << (saved ? "picture saved: " : "picture could not be saved: ")
                               << path.toStdString() << std::endl;
                     QTimer::singleShot(0, qApp, [saved] { QApplication::exit(saved ? 0 : 1); });
                   });
}

}  // namespace

int main(int argc, char** argv) {
  QApplication application(argc, argv);
  QApplication::setApplicationName(QStringLiteral("Plain Patch"));
  QCommandLineParser parser;
  parser.setApplicationDescription(QStringLiteral("From a drawing to labelled plywood parts."));
  parser.addHelpOption();
  parser.addPositionalArgument(QStringLiteral("file"), QStringLiteral("job to open (.plainpatch)"),
                               QStringLiteral("[file]"));
  const QCommandLineOption demo(
      QStringLiteral("demo"),
      QStringLiteral(
          "Open a demo job: log-wall, ringing-trolley, hide-bench, nest-boxes or porthole."),
      QStringLiteral("name"));
  const QCommandLineOption stage(QStringLiteral("stage"),
                                 QStringLiteral("Stage to begin with: 2 to 5."),
                                 QStringLiteral("number"), QStringLiteral("2"));
  const QCommandLineOption picture(QStringLiteral("picture"),
                                   QStringLiteral("Save a picture of the window and end."),
                                   QStringLiteral("png"));
  parser.addOptions({demo, stage, picture});
  parser.process(application);
  pp::dressUp();
  pp::MainWindow window;
  if (parser.isSet(demo))
    window.openDemo(parser.value(demo));
  else if (!parser.positionalArguments().isEmpty())
    window.openFile(parser.positionalArguments().constFirst());
  window.show();
  window.showStage(parser.value(stage).toInt() - 2);
  // Asked once the window is there and only where nothing else was asked for.
  if (!parser.isSet(picture) && !parser.isSet(demo) && parser.positionalArguments().isEmpty())
    QTimer::singleShot(0, &window, [&window] { window.offerUnsaved(); });
  if (parser.isSet(picture)) pictureWhenPlanned(window, parser.value(picture));
  return QApplication::exec();
}
