#include "pictures/paint/dimension.h"

#include <cmath>

#include "pictures/paint/look.h"

namespace pp {

void paintDimension(QPainter& painter, QPointF a, QPointF b, const QString& figure) {
  const bool upright = std::abs(a.x() - b.x()) < std::abs(a.y() - b.y());
  painter.setPen(QPen(look::kPencil, 1));
  painter.drawLine(a, b);
  for (const QPointF& end : {a, b}) painter.drawLine(end + QPointF(-3, 3), end + QPointF(3, -3));
  painter.setFont(look::text(12));
  const double width = painter.fontMetrics().horizontalAdvance(figure) + 8;
  const double length = upright ? std::abs(a.y() - b.y()) : std::abs(a.x() - b.x());
  if (length < width) return;
  painter.save();
  painter.translate((a + b) / 2);
  if (upright) painter.rotate(-90);
  const QRectF box(-width / 2, -8, width, 16);
  painter.fillRect(box, look::kPaper);
  painter.setPen(look::kGraphite);
  painter.drawText(box, Qt::AlignCenter, figure);
  painter.restore();
}

}  // namespace pp
