// One stage of the work: a widget that shows the document and edits it, and knows its own keys.
#pragma once

#include <QString>
#include <QWidget>
#include <vector>

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
      : QWidget(parent), document_(document) {}
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

 private:
  Document& document_;
};

}  // namespace pp
