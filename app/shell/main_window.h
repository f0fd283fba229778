// The one window: plumb line, stages, second look, tape, top strip and menus.
#pragma once

#include <QMainWindow>
#include <QStackedWidget>

#include "app/session/later.h"
#include "app/session/session.h"
#include "app/shell/dress.h"
#include "app/shell/keys_overlay.h"
#include "app/shell/opening_page.h"
#include "app/shell/plumb_line.h"
#include "app/shell/second_look_panel.h"
#include "app/shell/top_strip.h"

namespace pp {

class MainWindow : public QMainWindow {
  Q_OBJECT
 public:
  explicit MainWindow(QWidget* parent = nullptr);
  ~MainWindow() override;

  Session& session() { return session_; }
  void showStage(int index);
  // By its id, or its number on the plumb line; whether there is such a stage.
  bool showStage(const QString& name);
  int stage() const { return stages_->currentIndex(); }
  int stageCount() const { return stages_->count(); }
  // "measure", "draw", "parts", "rack", "lay-out"
  QString stageId() const;

  // Opens a file, offering what a session with it that ended badly has left, and asking where
  // another window has it open. What is wrong with it is said in the window, and what was open
  // stays open.
  bool openFile(const QString& path);
  // Offers what sessions that ended badly have left, newest first. True when something was taken
  // up.
  bool offerUnsaved();
  bool openDemo(const QString& name);
  // The page with the jobs last open; what is open stays open behind it.
  void showOpening();
  bool isAtOpening() const { return pages_->currentWidget() != work_; }
  OpeningPage& opening() { return *opening_; }

 protected:
  void closeEvent(QCloseEvent* event) override;

 private:
  void makeMenus();
  void takeReading(Length length);
  struct StageRow;
  static const StageRow kStages[7];
  void addStage(const StageRow& one);
  void follow();
  void jump(const Place& place);
  void say(const QString& title, const Problems& problems);
  bool mayLeave();
  bool takeUp(const Unsaved& left, Session::Access access);
  void open();
  void newJob(Unit unit);
  void newFromList();
  void showWork();
  bool save();
  bool saveAs();
  void print();
  void nameJob();

  Session session_;
  QStackedWidget* pages_;
  QWidget* work_;
  OpeningPage* opening_;
  PlumbLine* line_;
  QStackedWidget* stages_;
  SecondLookPanel* secondLook_;
  KeysOverlay* keys_;
  QWidget* message_;
  QLabel* messageText_;
  QLabel* unprotected_;  // shown as long as autosaves fail
  Later later_;
};

}  // namespace pp
