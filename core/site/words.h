// How sizes of a place and what is on its walls are called.
#pragma once

#include <string>

#include "core/length/format.h"
#include "core/site/site.h"

namespace pp {

// "width", "depth on the left"; and with where it is read: "width, 1000 up".
std::string sizeName(const SiteSize& size);
std::string sizeWords(const SiteSize& size, const LengthStyle& style);
std::string obstacleWords(ObstacleKind kind);
// Its name where it has one.
std::string obstacleName(const Obstacle& obstacle);

}  // namespace pp
