// Lay out: the search for a plan, and the sheets with the parts on them.
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>

#include "app/stages/layout/sheets_view.h"
#include "app/stages/stage.h"

namespace pp {

class LayoutStage : public Stage {
  Q_OBJECT
 public:
  explicit LayoutStage(Document& document, QWidget* parent = nullptr);
  QString title() const override { return tr("Lay out"); }
  int openCount() const override;
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return search_; }

 private:
  void follow();
  void followGoal();
  QString unplacedWords() const;

  QComboBox* goal_;
  QPushButton* search_;
  QProgressBar* progress_;
  QLabel* result_;
  QLabel* bound_;
  QLabel* unplaced_;
  SheetsView* sheets_;
  double searchSeconds_ = 2;
};

}  // namespace pp
