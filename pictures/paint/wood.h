// Wood seen from above, and the mapping from shop lengths to pixels.
#pragma once

#include <QPainter>
#include <QRectF>

#include "core/job/stock.h"

namespace pp {

// Maps millimetres to pixels: one scale, an origin, and y up or down. Plain arithmetic.
struct Mapping {
  double scale = 1;  // pixels per millimetre
  QPointF origin;    // where (0, 0) lies
  bool yUp = false;

  double x(Length length) const { return origin.x() + length.inMm() * scale; }
  double y(Length length) const { return origin.y() + (yUp ? -1 : 1) * length.inMm() * scale; }
  double size(Length length) const { return length.inMm() * scale; }
  QRectF rect(Length left, Length low, Length width, Length height) const {
    const double top = yUp ? y(low + height) : y(low);
    return {x(left), top, size(width), size(height)};
  }

  // The largest scale at which (width, height) fits `room`, centred.
  static Mapping fit(Length width, Length height, const QRectF& room, bool yUp);
};

QColor woodColour(Tone tone);

// Fills a rectangle with wood whose grain runs along x or y. `seed` varies the figure.
void paintWood(QPainter& painter, const QRectF& rect, Tone tone, bool grainAlongX, unsigned seed);

}  // namespace pp
