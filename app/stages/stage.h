// One stage of the work: a widget that shows the document and edits it, and knows its own keys.
#pragma once

#include <QString>
#include <QWidget>
#include <vector>

#include "app/session/later.h"
#include "app/shell/document.h"

namespace pp {

struct KeyHelp {
  QString key;
  QString what;
};

class Stage : public QWidget {
  Q_OBJECT
 public:
  explicit Stage(Document& document, QWidget* parent = nullptr)
      : QWidget(parent), document_(document), later_([this] { catchUp(); }, nullptr) {}
  virtual QString title() const = 0;
  // What is left to do here: 0 when settled.
  virtual int openCount() const { return 0; }
  virtual std::vector<KeyHelp> keys() const { return {}; }
  // Where the keyboard goes when the stage is entered.
  virtual QWidget* firstFocus() { return this; }

 signals:
  // What is selected wants to be seen where it is drawn.
  void showDrawing();

 protected:
  Document& document() { return document_; }
  const Document& document() const { return document_; }

  // What is shown no longer follows the document: it is refreshed once, when control is back in the
  // event loop; a stage that is not seen waits until it is.
  void stale() {
    stale_ = true;
    if (isVisible()) later_.ask();
  }
  virtual void refresh() {}
  void showEvent(QShowEvent* event) override {
    QWidget::showEvent(event);
    catchUp();
  }

 private:
  void catchUp() {
    if (!stale_ || !isVisible()) return;
    stale_ = false;
    refresh();
  }

  Document& document_;
  Later later_;
  bool stale_ = true;
};

}  // namespace pp
