// Rack: materials with their measured thickness, sheets and offcuts, supplies, the saw's
// figures.
#pragma once

#include "app/fields/changed_parts.h"
#include "app/grid/grid_model.h"
#include "app/grid/table.h"
#include "app/stages/rack/supplies.h"
#include "app/stages/stage.h"

namespace pp {

class RackStage : public Stage {
  Q_OBJECT
 public:
  explicit RackStage(Session& session, QWidget* parent = nullptr);
  QString title() const override { return tr("Rack"); }
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return stock_; }

 protected:
  void refresh() override;

 private:
  void addMaterial();
  void removeMaterial();
  void addStock(StockKind kind);
  void removeStock();
  void addMachine();
  void removeMachine();
  void hideEvent(QHideEvent* event) override;
  std::string freeMark(const std::string& stem) const;

  ProblemLine* problem_;
  Table* materials_;
  Table* stock_;
  Table* machines_;
  Table* saw_;
  Supplies* supplies_;
  ChangedParts* changes_;
};

}  // namespace pp
