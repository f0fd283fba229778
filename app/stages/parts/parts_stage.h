// Parts: the break-down as a list, and one part in full.
#pragma once

#include <QLabel>
#include <QTableView>

#include "app/shell/field.h"
#include "app/stages/parts/part_view.h"
#include "app/stages/parts/parts_model.h"
#include "app/stages/stage.h"

namespace pp {

class PartsStage : public Stage {
  Q_OBJECT
 public:
  explicit PartsStage(Document& document, QWidget* parent = nullptr);
  QString title() const override { return tr("Parts"); }
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return table_; }

 private:
  void follow();
  void followSelection();
  void choose(int row);
  void addLoose();
  void removeLoose();

  PartsModel* model_;
  QTableView* table_;
  QLabel* total_;
  PartView* part_;
  QTableView* loose_;
  ProblemLine* problem_;
};

}  // namespace pp
