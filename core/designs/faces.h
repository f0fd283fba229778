// The faces of a board and the ways its edges can look.
#pragma once

#include <string>

namespace pp {

// The two faces of a part. Machining is measured on the face it is cut into.
enum class Face { Inside, Outside };
constexpr Face opposite(Face face) {
  return face == Face::Inside ? Face::Outside : Face::Inside;
}

// Which way an edge looks when the part is in its place.
enum class Side { Front, Back, Left, Right, Top, Bottom };
std::string sideName(Side side);  // "front", "top", ...

}  // namespace pp
