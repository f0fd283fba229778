// The steel tape along the bottom, around the length that is selected.
#pragma once

#include <QWidget>

#include "app/shell/document.h"

namespace pp {

class TapeBar : public QWidget {
  Q_OBJECT
 public:
  explicit TapeBar(Document& document, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent*) override;

 private:
  void follow();
  Document& document_;
};

}  // namespace pp
