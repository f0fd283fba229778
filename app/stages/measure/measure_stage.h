// Measure: the place with its readings, what is on its walls, what stands where, the way in.
#pragma once

#include <QComboBox>

#include "app/fields/changed_parts.h"
#include "app/grid/leaves.h"
#include "app/stages/measure/site_view.h"
#include "app/stages/stage.h"

namespace pp {

class MeasureStage : public Stage {
  Q_OBJECT
 public:
  explicit MeasureStage(Session& session, QWidget* parent = nullptr);
  QString title() const override { return tr("Measure"); }
  // Sizes not confirmed yet.
  int openCount() const override;
  std::vector<KeyHelp> keys() const override;
  QWidget* firstFocus() override { return kind_; }

 protected:
  void refresh() override;
  void hideEvent(QHideEvent* event) override;

 private:
  void addLeaves();
  void setKindOfPlace(int kind);
  void say();

  QComboBox* kind_;
  Label* left_;
  Leaves* leaves_;
  SiteView* view_;
  ChangedParts* changes_;
  ProblemLine* problem_;
};

}  // namespace pp
