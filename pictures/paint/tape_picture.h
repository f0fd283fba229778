// The steel tape around a length: graduations, the one to look for in red, its look-alikes beside
// it.
#pragma once

#include <QPainter>

#include "core/length/format.h"

namespace pp {

// Graduations of a tape in one unit: the step between ticks and the tick nearest to a length.
struct TapeScale {
  Length step;                 // between the finest ticks
  std::int64_t nearest = 0;    // number of steps
  std::int64_t lookAlike = 0;  // steps to the neighbours that are easily read instead
};
TapeScale tapeScale(Length length, const LengthStyle& style);

// Draws the tape of the style's unit around `length`, with the figure in both unit systems.
void paintTape(QPainter& painter, const QRectF& room, const QString& what, Length length,
               const LengthStyle& style);

}  // namespace pp
