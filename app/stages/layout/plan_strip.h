// The plans found so far, side by side as small pictures with what each is best at.
#pragma once

#include <QWidget>

#include "app/session/session.h"

namespace pp {

class PlanStrip : public QWidget {
  Q_OBJECT
 public:
  explicit PlanStrip(QWidget* parent = nullptr);
  void setPlans(const PlanShown& shown, Unit unit);
  int planCount() const { return static_cast<int>(shown_.kept.size()); }
  // "least cost, fewest settings: 11 sheets, 759.00, 96 settings"
  QString words(std::size_t plan) const;
  QString whenceWords(const Plan& plan) const;

 signals:
  void chosen(const std::shared_ptr<const pp::Plan>& plan);

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent*) override { update(); }
  void focusOutEvent(QFocusEvent*) override { update(); }
  QSize sizeHint() const override { return {400, kHeight}; }

 private:
  static constexpr int kHeight = 84;
  QRectF card(std::size_t plan) const;
  void paintCard(QPainter& painter, std::size_t plan) const;
  QString title(std::size_t plan) const;
  int current() const;

  PlanShown shown_;
  Unit unit_ = Unit::Millimetre;
};

}  // namespace pp
