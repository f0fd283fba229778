// How a piece lies in a picture of the bench: seen from above, one edge at the right.
#pragma once

#include <QPainter>

#include "core/parts/part.h"

namespace pp {

struct Lie {
  // As large as goes into `inner`, no side shorter than `least`.
  Lie(const Part& part, Edge right, const QRectF& inner, double least);
  double x(Length fromRight) const { return board.right() - fromRight.inMm() * scale; }
  double y(Length fromTop) const { return board.top() + fromTop.inMm() * scale; }

  bool ends;  // an end is at the right
  Length across, along;
  double scale;  // pixels or millimetres of paper to a millimetre
  QRectF board;
};

// "front", "top": which way an edge looks in its place.
QString edgeWord(const Part& part, Edge edge);

// The names of the four edges round the board, that at the right beyond what stands there.
void paintEdgeNames(QPainter& painter, const QRectF& room, const Lie& lie, const Part& part,
                    Edge right, Edge top, double beyond);

}  // namespace pp
