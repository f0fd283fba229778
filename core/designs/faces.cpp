#include "core/designs/faces.h"

namespace pp {

std::string sideName(Side side) {
  switch (side) {
    case Side::Front:
      return "front";
    case Side::Back:
      return "back";
    case Side::Left:
      return "left";
    case Side::Right:
      return "right";
    case Side::Top:
      return "top";
    case Side::Bottom:
      return "bottom";
  }
  return {};
}

}  // namespace pp
