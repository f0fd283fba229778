#include "core/site/words.h"

#include <fmt/format.h>

#include <array>

namespace pp {

std::string sizeName(const SiteSize& size) {
  const std::string side = size.wall == WallAt::Left ? "left" : "right";
  switch (size.kind) {
    case SizeKind::Width:
      return "width";
    case SizeKind::Depth:
      return "depth on the " + side;
    case SizeKind::Height:
      return "height to the ceiling";
    case SizeKind::Plumb:
      return side + " wall out of plumb";
    case SizeKind::Level:
      return "floor higher on the right by";
    case SizeKind::Diagonal:
      return "diagonal from the " + side + " corner";
  }
  return {};
}

std::string sizeWords(const SiteSize& size, const LengthStyle& style) {
  const std::string name = sizeName(size);
  if (size.at == Length{}) return name;
  const std::string at = format(size.at, style);
  switch (size.kind) {
    case SizeKind::Width:
    case SizeKind::Depth:
      return fmt::format("{}, {} up", name, at);
    case SizeKind::Height:
      return fmt::format("{}, {} along", name, at);
    case SizeKind::Plumb:
      return fmt::format("{} over {}", name, at);
    default:
      return name;
  }
}

std::string obstacleWords(ObstacleKind kind) {
  constexpr std::array kWords = {"outlet", "switch", "pipe",  "vent", "valve",
                                 "window", "door",   "hatch", "foot", "step"};
  return kWords[static_cast<std::size_t>(kind)];
}

std::string obstacleName(const Obstacle& obstacle) {
  return obstacle.name.empty() ? obstacleWords(obstacle.kind) : obstacle.name;
}

}  // namespace pp
