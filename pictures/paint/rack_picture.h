// The shop's rack: sheets standing side by side, offcuts to the same scale, hatched what is
// promised to somebody.
#pragma once

#include <QPainter>

#include "core/shop/job_rack.h"

namespace pp {

// Where a row of the rack is drawn, in pixels.
struct RackPlace {
  Id piece = 0;
  QRectF face;   // the wood
  QRectF words;  // beneath it
};

// As many as there is room for, in their order; the scale is the largest by which the highest of
// those has room.
std::vector<RackPlace> rackPlaces(const QRectF& room, const std::vector<RackMaterial>& materials,
                                  const std::vector<RackRow>& rows, const LengthStyle& style);

void paintRack(QPainter& painter, const QRectF& room, const std::vector<RackMaterial>& materials,
               const std::vector<RackRow>& rows, Id chosen, const LengthStyle& style);

// "ash 18".
QString rackMaterialWords(const std::vector<RackMaterial>& materials, Id id,
                          const LengthStyle& style);

}  // namespace pp
