#include "app/stages/draw/flow_layout.h"

#include <QLabel>
#include <QWidget>

namespace pp {
namespace {

constexpr int kWordGap = 4;  // a comma or full stop hugs the word before it
constexpr int kLineGap = 2;

}  // namespace

FlowLayout::FlowLayout(QWidget* parent) : QLayout(parent) {
  setContentsMargins(0, 0, 0, 0);
}

FlowLayout::~FlowLayout() {
  while (QLayoutItem* item = takeAt(0)) delete item;
}

QLayoutItem* FlowLayout::takeAt(int index) {
  return index >= 0 && index < items_.size() ? items_.takeAt(index) : nullptr;
}

QSize FlowLayout::minimumSize() const {
  QSize size;
  for (const QLayoutItem* item : items_) size = size.expandedTo(item->minimumSize());
  return size;
}

void FlowLayout::setGeometry(const QRect& rect) {
  QLayout::setGeometry(rect);
  arrange(rect, true);
}

int FlowLayout::arrange(const QRect& rect, bool apply) const {
  int x = rect.x();
  int y = rect.y();
  int line = 0;
  for (QLayoutItem* item : items_) {
    if (item->widget() != nullptr && item->widget()->isHidden()) continue;
    const QSize size = item->sizeHint();
    const auto* label = qobject_cast<const QLabel*>(item->widget());
    const bool hugs = label != nullptr && !label->text().isEmpty() && label->text().at(0).isPunct();
    if (hugs && x > rect.x()) x -= kWordGap;
    if (x > rect.x() && x + size.width() > rect.right() + 1) {
      x = rect.x();
      y += line + kLineGap;
      line = 0;
    }
    if (apply) item->setGeometry(QRect(QPoint(x, y), size));
    x += size.width() + kWordGap;
    line = qMax(line, size.height());
  }
  return y + line - rect.y();
}

}  // namespace pp
