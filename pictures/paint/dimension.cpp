#include "pictures/paint/dimension.h"

#include <cmath>

#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"

namespace pp {

void paintDimension(QPainter& painter, QPointF a, QPointF b, const QString& figure) {
  const bool upright = std::abs(a.x() - b.x()) < std::abs(a.y() - b.y());
  painter.setPen(QPen(look::kPencil, 1));
  painter.drawLine(a, b);
  for (const QPointF& end : {a, b}) painter.drawLine(end + QPointF(-3, 3), end + QPointF(3, -3));
  constexpr double kAside = 4;
  const double length = upright ? std::abs(a.y() - b.y()) : std::abs(a.x() - b.x());
  const auto font = fittingFont(figure, length - 2 * kAside, kDimensionRow);
  if (!font) return;
  painter.setFont(*font);
  const double width = textWidth(*font, figure) + 2 * kAside;
  painter.save();
  painter.translate((a + b) / 2);
  if (upright) painter.rotate(-90);
  const QRectF box(-width / 2, -kDimensionRow / 2, width, kDimensionRow);
  painter.fillRect(box, look::kPaper);
  painter.setPen(look::kGraphite);
  drawText(painter, box, Qt::AlignCenter, figure);
  painter.restore();
}

}  // namespace pp
