#include "app/sentences/flow_layout.h"

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
  const auto hugging = [](const QLayoutItem* item) {
    const auto* label = qobject_cast<const QLabel*>(const_cast<QLayoutItem*>(item)->widget());
    return label != nullptr && !label->text().isEmpty() && label->text().at(0).isPunct();
  };
  for (qsizetype i = 0; i < items_.size(); ++i) {
    QLayoutItem* item = items_[i];
    if (item->widget() != nullptr && item->widget()->isHidden()) continue;
    const QSize size = item->sizeHint();
    if (hugging(item) && x > rect.x()) x -= kWordGap;
    // A stop is never the first thing on a line: its word goes with it.
    int needed = size.width();
    if (i + 1 < items_.size() && hugging(items_[i + 1]))
      needed += items_[i + 1]->sizeHint().width();
    if (x > rect.x() && x + needed > rect.right() + 1 && !hugging(item)) {
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
