// A field for a length that takes sums in any unit. It grows with what is typed, and says below it
// what that comes to.
#pragma once

#include <QLineEdit>
#include <QPointer>

#include "core/length/format.h"

class QLabel;

namespace pp {

class SumField : public QLineEdit {
  Q_OBJECT
 public:
  // At least so many pixels wide.
  explicit SumField(LengthStyle style, int least = 96, QWidget* parent = nullptr);
  ~SumField() override;
  void setStyleOfLengths(LengthStyle style) { style_ = style; }

 protected:
  void focusOutEvent(QFocusEvent* event) override;
  void hideEvent(QHideEvent* event) override;

 private:
  void grow();
  void follow();

  LengthStyle style_;
  int least_;
  QPointer<QLabel> result_;  // lies on the window, over what is below
};

}  // namespace pp
