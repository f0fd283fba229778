// One stage of the work: a widget that shows the document and edits it, and knows its own keys.
#pragma once

#include <QString>
#include <QWidget>
#include <vector>

#include "app/session/later.h"
#include "app/session/session.h"

namespace pp {

struct KeyHelp {
  QString key;
  QString what;
};

class Stage : public QWidget {
  Q_OBJECT
 public:
  explicit Stage(Session& session, QWidget* parent = nullptr)
      : QWidget(parent), session_(session), later_([this] { catchUp(); }, nullptr) {}
  virtual QString title() const = 0;
  // What is left to do here: 0 when settled.
  virtual int openCount() const { return 0; }
  virtual std::vector<KeyHelp> keys() const { return {}; }
  // Where the keyboard goes when the stage is entered.
  virtual QWidget* firstFocus() { return this; }

 signals:
  // What is selected wants to be seen where it is drawn.
  void showDrawing();
  // The job is to be saved in a file of its own now, before this returns.
  void saveWanted();

 protected:
  Session& session() { return session_; }
  const Session& session() const { return session_; }

  // What is shown no longer follows the document: it is refreshed once, when control is back in the
  // event loop; a stage that is not seen waits until it is.
  void stale() {
    stale_ = true;
    if (isVisible()) later_.ask();
  }
  // At once, where what is pressed means what is shown.
  void catchUp() {
    if (!stale_ || !isVisible()) return;
    stale_ = false;
    refresh();
  }
  virtual void refresh() {}
  void showEvent(QShowEvent* event) override {
    QWidget::showEvent(event);
    catchUp();
  }

 private:
  Session& session_;
  Later later_;
  bool stale_ = true;
};

}  // namespace pp
