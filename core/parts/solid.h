// What a part fills in space: convex pieces in millimetres, in floating point. For pictures and for
// checking that parts fit together; no size is ever computed from them.
#pragma once

#include <vector>

#include "core/parts/part.h"

namespace pp {

struct Vec {
  double x = 0, y = 0, z = 0;
  friend Vec operator+(Vec a, Vec b) { return {a.x + b.x, a.y + b.y, a.z + b.z}; }
  friend Vec operator-(Vec a, Vec b) { return {a.x - b.x, a.y - b.y, a.z - b.z}; }
  friend Vec operator*(double k, Vec a) { return {k * a.x, k * a.y, k * a.z}; }
};
double dot(Vec a, Vec b);
Vec cross(Vec a, Vec b);

// The half space of all p with dot(normal, p) <= distance.
struct Plane {
  Vec normal;
  double distance = 0;
};

// A convex body by its faces, each a polygon that runs anticlockwise seen from outside.
struct Convex {
  std::vector<std::vector<Vec>> faces;
  bool empty() const { return faces.size() < 4; }
};

// The plane a face lies in, its normal pointing out; no normal where the face has no area.
Plane planeOf(const std::vector<Vec>& face);
Convex clipped(const Convex& body, const Plane& plane);
double volume(const Convex& body);
double commonVolume(const Convex& a, const Convex& b);

// The pieces of one copy of a part where it stands, machining cut away.
std::vector<Convex> solidOf(const Part& part, const Pose& pose);

// A point of a board, along and across it, in mm.
struct Flat {
  double u = 0, v = 0;
};
// So far `along` an edge, and so far inside it.
Flat atEdge(const Part& part, Edge edge, double along, double in);
// What is cut off the outline of a board: convex polygons. Circles are 24-gons, those of a row
// 12-gons. Empty for what leaves the outline whole.
std::vector<std::vector<Flat>> cutOff(const Machining& cut, const Part& part);

// A point of the part's own frame where the copy stands.
Vec placed(const Pose& pose, Vec own);

}  // namespace pp
