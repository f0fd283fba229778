// The place as it was measured: its plan, its walls unfolded beside it, the gates of the way in.
#pragma once

#include <QPainter>

#include "core/job/job.h"
#include "pictures/paint/wood.h"

namespace pp {

// What stands on a wall, in the wall's own measures.
struct StandPicture {
  Id assembly = 0;
  QString code;
  WallAt wall = WallAt::Back;
  Length along, up, width, height, depth;
  bool fills = false;  // its place along the wall follows from the wall
};

// A wall as it is unfolded: pixels.
struct WallRoom {
  WallAt wall = WallAt::Back;
  QRectF face;
  double left = 0;   // of the wall itself; only a part of it may be unfolded
  double scale = 1;  // pixels a millimetre

  QRectF rect(Length along, Length up, Length width, Length height) const;
  // How far along the wall and above the floor a point is.
  Length along(double x) const;
  Length up(double y) const;
};
// Where paintSite() draws the walls in that room.
std::vector<WallRoom> wallRooms(const QRectF& room, const Site& site,
                                const std::vector<StandPicture>& stands, Unit unit);

// To scale, as far as it is measured: what is not read yet is drawn at a usual size, dashed.
void paintSite(QPainter& painter, const QRectF& room, const Site& site,
               const std::vector<StandPicture>& stands, const LengthStyle& style);

// A wall in light pencil behind the front view of what stands before it: its ends, its moulding,
// what is on it. `left` and `floor` are where its left end and the floor lie in that view.
void paintWallBehind(QPainter& painter, const Mapping& map, const Site& site, WallAt wall,
                     Length left, Length floor, Unit unit);

// The gates of a route from left to right, openings to one scale.
void paintRoute(QPainter& painter, const QRectF& room, const std::vector<Gate>& route,
                const LengthStyle& style);

}  // namespace pp
