// Rack: what the shop has, whatever the job, and what of it this job counts on.
#pragma once

#include <QLineEdit>
#include <QPushButton>

#include "app/fields/changed_parts.h"
#include "app/stages/rack/rack_leaves.h"
#include "app/stages/rack/rack_view.h"
#include "app/stages/stage.h"

namespace pp {

class RackStage : public Stage {
  Q_OBJECT
 public:
  explicit RackStage(Session& session, QWidget* parent = nullptr);
  QString title() const override { return tr("Rack"); }
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return leaves_->shownTable(); }

 protected:
  void refresh() override;
  void showEvent(QShowEvent* event) override;
  void hideEvent(QHideEvent* event) override;

 private:
  QLayout* storeHead();
  void followStore();
  void sayChosen();
  void takeOverFromStore();
  void putIntoStore();

  QLineEdit* search_;
  Label* chosen_;
  Label* differs_;
  QPushButton* takeOver_;
  QPushButton* put_;
  RackView* view_;
  RackLeaves* leaves_;
  ChangedParts* changes_;
  ProblemLine* problem_;
};

}  // namespace pp
