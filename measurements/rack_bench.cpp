// The Rack stage over ten thousand pieces: opened, searched word by word, and beside an edit.
#include <QApplication>
#include <QElapsedTimer>
#include <iostream>

#include "app/shell/main_window.h"
#include "app/stages/rack/rack_view.h"
#include "measurements/full_rack.h"

int main(int argc, char** argv) {
  using namespace pp;
  const QApplication application(argc, argv);
  const measurements::FullRack rack;
  MainWindow window;
  window.session().store().setPath(rack.store.path());
  window.resize(1280, 800);
  window.show();
  window.openDemo(QStringLiteral("log-wall"));
  QApplication::processEvents();
  QElapsedTimer timer;
  const auto say = [&timer](const char* what) {
    constexpr double kPerMs = 1e6;
    std::cout << what << ": " << static_cast<double>(timer.nsecsElapsed()) / kPerMs << " ms\n";
  };
  timer.start();
  window.showStage(QStringLiteral("rack"));
  QApplication::processEvents();
  say("the stage is there");
  window.session().store().finish();
  QApplication::processEvents();
  say("and all of the rack");
  auto* view = window.findChild<RackView*>();
  for (const char* words : {"b", "birch", "birch L4", "birch L42 rack", "nothing"}) {
    timer.restart();
    view->search(QString::fromLatin1(words));
    view->repaint();
    say(words);
  }
  timer.restart();
  Job next = window.session().draft();
  next.name = "another";
  (void)window.session().edit(QStringLiteral("name"), std::move(next));
  QApplication::processEvents();
  say("an edit");
  return 0;
}
