// How a test cut came out: what goes in is tight, right, or loose by so much.
#pragma once

#include <QDialog>

#include "app/fields/field.h"
#include "app/fields/sum_field.h"
#include "core/length/format.h"

namespace pp {

class TrialDialog : public QDialog {
  Q_OBJECT
 public:
  TrialDialog(const LengthStyle& style, const QString& what, QWidget* parent = nullptr);
  // How much wider the slot came out than what goes in; less than 0 where it is tight.
  Length off() const { return off_; }

 private:
  void take(int sign);

  LengthStyle style_;
  SumField* by_;
  Label* words_;
  Length off_;
};

}  // namespace pp
