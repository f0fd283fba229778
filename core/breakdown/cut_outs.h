// What is cut out of boards for what is in the wall behind them: sockets, pipes, valves, vents.
#pragma once

#include "core/breakdown/breakdown.h"

namespace pp {

// How what stands on a wall lies on it: `left` and `foot` in its own measures are at `along` from
// the wall's left end and `up` from the floor.
struct OnWall {
  Length left, foot, along, up;
};
// `parts`: all of what stands there, as partsInPlace() has them. None where it has no part with a
// place.
std::optional<OnWall> onWall(const Job& job, const SiteStand& stand,
                             const std::vector<Part>& parts);

// What is cut out of the part there, with room all round; none where it leaves the part whole.
std::optional<Feature> cutOutFor(Unit unit, const Obstacle& obstacle, const OnWall& at,
                                 const Part& part, const Pose& pose);

// What was cut out for an obstacle moves with it, and with the board; it goes where the obstacle
// does. Whether anything changed. Precondition: the job is valid.
bool followObstacles(Job& job);

}  // namespace pp
