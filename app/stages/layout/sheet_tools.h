// The row above the sheets: where a part is, the order of the cuts, nearer and further.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSlider>

#include "app/stages/layout/sheets_view.h"

namespace pp {

class SheetTools : public QWidget {
  Q_OBJECT
 public:
  explicit SheetTools(SheetsView& sheets, QWidget* parent = nullptr);
  // The sheets show another plan, another sheet, or are larger or smaller.
  void follow();
  void beginFinding();

 signals:
  void said(const QString& words);  // empty: nothing is wrong any more

 private:
  SheetsView& sheets_;
  QLineEdit* find_;
  QSlider* cuts_;
  QLabel* cut_;
  QPushButton* one_;
};

}  // namespace pp
