// The label of what came off last, as it comes out of the printer, and how the printer is.
#pragma once

#include <QPushButton>
#include <QWidget>

#include "app/fields/field.h"
#include "app/session/later.h"
#include "app/session/session.h"

namespace pp {

class LabelStrip : public QWidget {
  Q_OBJECT
 public:
  explicit LabelStrip(Session& session, QWidget* parent = nullptr);
  // What came off is another, or has its label now.
  void follow();

 signals:
  void asked();  // for all labels

 private:
  void draw();

  Session& session_;
  QLabel* picture_;
  Label* words_;
  Label* printer_;
  QPushButton* all_;
  std::optional<floor::Labelled> shown_;
  Later drawing_{[this] { draw(); }, this};
};

}  // namespace pp
