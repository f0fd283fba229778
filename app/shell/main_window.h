// The one window: plumb line, stages, second look, tape, top strip and menus.
#pragma once

#include <QMainWindow>
#include <QStackedWidget>

#include "app/shell/document.h"
#include "app/shell/keys_overlay.h"
#include "app/shell/plumb_line.h"
#include "app/shell/second_look_panel.h"
#include "app/shell/top_strip.h"

namespace pp {

class MainWindow : public QMainWindow {
  Q_OBJECT
 public:
  explicit MainWindow(QWidget* parent = nullptr);

  Document& document() { return document_; }
  void showStage(int index);
  int stage() const { return stages_->currentIndex(); }

  // Opens a file, offering the autosave of a session that ended badly. What is wrong with it is
  // said in the window, and what was open stays open.
  bool openFile(const QString& path);
  bool openDemo(const QString& name);

 protected:
  void closeEvent(QCloseEvent* event) override;

 private:
  void makeMenus();
  void addStage(Stage* stage, int key);
  void follow();
  void jump(const Place& place);
  void say(const QString& title, const Problems& problems);
  bool mayLeave();
  void open();
  bool save();
  bool saveAs();
  void print();

  Document document_;
  PlumbLine* line_;
  QStackedWidget* stages_;
  SecondLookPanel* secondLook_;
  KeysOverlay* keys_;
  QWidget* message_;
  QLabel* messageText_;
  std::vector<int> stageKeys_;
};

// Colours and fonts of the whole program; call once after the application exists.
void dressUp();

}  // namespace pp
