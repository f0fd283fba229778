// Dimensions as a draughtsman puts them: a thin line, oblique ticks, the figure on a gap in it.
#pragma once

#include <QPainter>
#include <QString>

namespace pp {

// How high a line of dimensions is.
constexpr double kDimensionRow = 20;

// From `a` to `b`, level or upright. The figure is left out where it would not fit.
void paintDimension(QPainter& painter, QPointF a, QPointF b, const QString& figure);

}  // namespace pp
