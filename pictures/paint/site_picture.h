// The place as it was measured: its plan, its walls unfolded below, the gates of the way in.
#pragma once

#include <QPainter>

#include "core/job/job.h"

namespace pp {

// What stands on a wall, in the wall's own measures.
struct StandPicture {
  QString code;
  WallAt wall = WallAt::Back;
  Length along, up, width, height, depth;
};

// To scale, as far as it is measured: what is not read yet is drawn at a usual size, dashed.
void paintSite(QPainter& painter, const QRectF& room, const Site& site,
               const std::vector<StandPicture>& stands, const LengthStyle& style);

// The gates of a route from left to right, openings to one scale.
void paintRoute(QPainter& painter, const QRectF& room, const std::vector<Gate>& route,
                const LengthStyle& style);

}  // namespace pp
