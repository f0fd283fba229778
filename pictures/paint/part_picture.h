// A part drawn by itself: its face with machining, banded edges and the marks for front and top.
#pragma once

#include <QPainter>

#include "core/parts/part.h"

namespace pp {

// How a part lies in its picture: upright parts stand as they do in the cabinet, with the front
// edge where an eye on the inside face would see it; so the two of a mirrored pair are mirrored.
struct PartAspect {
  bool lengthUp = false;    // the length runs upwards, else to the right
  bool flipAcross = false;  // upright only: edge 1 along the length lies at the right
};
PartAspect aspectOf(const Part& part);

// Draws the inside face (or the outside one) into `room`, with sizes along two sides.
void paintPart(QPainter& painter, const QRectF& room, const Job& job, const Part& part, Face face);

}  // namespace pp
