#include "pictures/paint/wood.h"

#include <algorithm>

namespace pp {

Mapping Mapping::fit(Length width, Length height, const QRectF& room, bool yUp) {
  Mapping out;
  const double w = std::max(width.inMm(), 1.0);
  const double h = std::max(height.inMm(), 1.0);
  out.scale = std::max(0.001, std::min(room.width() / w, room.height() / h));
  out.yUp = yUp;
  const double left = room.x() + (room.width() - w * out.scale) / 2;
  const double top = room.y() + (room.height() - h * out.scale) / 2;
  out.origin = {left, yUp ? top + h * out.scale : top};
  return out;
}

QColor woodColour(Tone tone) {
  switch (tone) {
    case Tone::Birch:
      return {0xEE, 0xDF, 0xBC};
    case Tone::Ash:
      return {0xE4, 0xD0, 0xA8};
    case Tone::Oak:
      return {0xD3, 0xB3, 0x80};
    case Tone::Walnut:
      return {0xB0, 0x8C, 0x6A};
    case Tone::White:
      return {0xF8, 0xF6, 0xF0};
  }
  return {0xEE, 0xDF, 0xBC};
}

void paintWood(QPainter& painter, const QRectF& rect, Tone tone, bool grainAlongX, unsigned seed) {
  painter.fillRect(rect, woodColour(tone));
  if (tone == Tone::White) return;
  painter.save();
  painter.setClipRect(rect, Qt::IntersectClip);
  QColor line = woodColour(tone).darker(112);
  painter.setPen(QPen(line, 1));
  const double across = grainAlongX ? rect.height() : rect.width();
  const double along = grainAlongX ? rect.width() : rect.height();
  unsigned state = seed * 2654435761U + 12345U;
  const auto next = [&state] {
    state = state * 1664525U + 1013904223U;
    return static_cast<double>(state >> 8U) / static_cast<double>(1U << 24U);
  };
  for (double at = next() * 6; at < across; at += 4 + next() * 9) {
    const double from = next() * along * 0.3;
    const double to = along * (0.7 + 0.3 * next());
    if (grainAlongX)
      painter.drawLine(QPointF(rect.x() + from, rect.y() + at),
                       QPointF(rect.x() + to, rect.y() + at));
    else
      painter.drawLine(QPointF(rect.x() + at, rect.y() + from),
                       QPointF(rect.x() + at, rect.y() + to));
  }
  painter.restore();
}

}  // namespace pp
