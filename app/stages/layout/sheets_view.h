// All sheets of a plan, one below the other.
#pragma once

#include <QWidget>

#include "app/session/session.h"
#include "core/nest/changes/by_hand.h"

namespace pp {

class SheetsView : public QWidget {
  Q_OBJECT
 public:
  explicit SheetsView(QWidget* parent = nullptr);
  void setPlan(const PlanShown& shown);
  // The part that is pointed at; its first copy where it lies in several places.
  void setSelected(const std::string& code);
  // The very place that was chosen last, if the plan still has it.
  std::optional<nest::PlacementRef> selection() const { return at_; }
  int sheetCount() const;
  const PlanShown& shown() const { return shown_; }

 signals:
  void chosen(std::size_t part);  // index into the shown parts

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void resizeEvent(QResizeEvent*) override { arrange(); }

 private:
  void arrange();
  void choose(nest::PlacementRef at);
  QRectF room(std::size_t sheet) const;

  PlanShown shown_;
  std::string selected_;
  std::optional<nest::PlacementRef> at_;
  std::vector<QRectF> rooms_;
};

}  // namespace pp
