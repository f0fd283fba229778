#include "app/stages/bench/step_list.h"

#include <QMouseEvent>
#include <QPainter>
#include <QSignalBlocker>

#include "pictures/paint/look.h"

namespace pp {

StepList::StepList(QWidget* parent) : QListWidget(parent) {
  setAccessibleName(tr("The order of its steps"));
  setToolTip(tr("Drag a step to another place; Shift+↑ and Shift+↓ move the one that is shown."));
  setFont(look::text(look::kBody));
  setFocusPolicy(Qt::NoFocus);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setTextElideMode(Qt::ElideRight);
}

void StepList::setSteps(const QStringList& steps) {
  const QSignalBlocker quiet(this);
  pressed_.reset();
  gap_.reset();
  clear();
  for (int i = 0; i < steps.size(); ++i) addItem(tr("%1  %2").arg(i + 1).arg(steps[i]));
}

int StepList::gapAt(int y) const {
  int out = 0;
  for (int row = 0; row < count(); ++row)
    if (visualItemRect(item(row)).center().y() < y) out = row + 1;
  return out;
}

void StepList::mousePressEvent(QMouseEvent* event) {
  const int row = this->row(itemAt(event->position().toPoint()));
  pressed_ = event->button() == Qt::LeftButton && row >= 0 ? std::optional(row) : std::nullopt;
  gap_.reset();
}

void StepList::mouseMoveEvent(QMouseEvent* event) {
  if (!pressed_) return;
  const int y = event->position().toPoint().y();
  if (!gap_ && visualItemRect(item(*pressed_)).top() <= y &&
      y <= visualItemRect(item(*pressed_)).bottom())
    return;
  gap_ = gapAt(y);
  viewport()->update();
}

void StepList::mouseReleaseEvent(QMouseEvent*) {
  const auto pressed = std::exchange(pressed_, std::nullopt);
  const auto gap = std::exchange(gap_, std::nullopt);
  viewport()->update();
  if (!pressed) return;
  const auto from = static_cast<std::size_t>(*pressed);
  if (!gap) {
    emit chosen(from);
    return;
  }
  // The place that is left when it is taken out of the list.
  const auto to = static_cast<std::size_t>(*gap > *pressed ? *gap - 1 : *gap);
  if (to != from) emit dragged(from, to);
}

void StepList::paintEvent(QPaintEvent* event) {
  QListWidget::paintEvent(event);
  if (!gap_ || count() == 0) return;
  const int y = *gap_ < count() ? visualItemRect(item(*gap_)).top()
                                : visualItemRect(item(count() - 1)).bottom();
  QPainter painter(viewport());
  constexpr int kLine = 3;
  painter.fillRect(0, y - 1, viewport()->width(), kLine, look::kRed);
}

}  // namespace pp
