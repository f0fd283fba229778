#include "core/parts/way.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace pp {
namespace {

constexpr double kTouch = 0.02;  // millimetres that two may overlap by and still only touch
constexpr double kParallel = 1e-6;

double length(Vec a) {
  return std::sqrt(dot(a, a));
}

// Unless one along the same line is there.
void addLine(std::vector<Vec>& out, Vec line) {
  const double long_ = length(line);
  if (long_ < kParallel) return;
  line = (1 / long_) * line;
  for (const Vec& one : out)
    if (length(cross(one, line)) < kParallel) return;
  out.push_back(line);
}

bool isAlongAnAxis(Vec line) {
  return std::abs(line.x) + std::abs(line.y) + std::abs(line.z) < 1 + kParallel;
}

struct Reach {
  double from, to;
};

Reach reach(const Hull& hull, Vec line) {
  Reach out{std::numeric_limits<double>::max(), std::numeric_limits<double>::lowest()};
  for (const Vec& corner : hull.corners) {
    const double at = dot(corner, line);
    out = {std::min(out.from, at), std::max(out.to, at)};
  }
  return out;
}

// From when to when something overlaps, along the way it goes.
struct While {
  double from = 0, to = std::numeric_limits<double>::max();
  bool never() const { return from >= to; }

  // `moving` and `still` along a line, on which the one advances by `speed` a millimetre of way.
  void narrow(Reach moving, Reach still, double speed) {
    const double begin = still.from + kTouch - moving.to;
    const double end = still.to - kTouch - moving.from;
    if (std::abs(speed) < kParallel) {
      if (begin >= 0 || end <= 0) to = from;
      return;
    }
    from = std::max(from, speed > 0 ? begin / speed : end / speed);
    to = std::min(to, speed > 0 ? end / speed : begin / speed);
  }
};

}  // namespace

Room roomOf(const Pose& pose, Vec low, Vec high) {
  Room out;
  for (int i = 0; i < 8; ++i)
    out.take(placed(pose, {(i & 1) != 0 ? high.x : low.x, (i & 2) != 0 ? high.y : low.y,
                           (i & 4) != 0 ? high.z : low.z}));
  return out;
}

Hull hullOf(const Convex& body) {
  Hull out;
  for (const std::vector<Vec>& face : body.faces) {
    addLine(out.normals, planeOf(face).normal);
    for (std::size_t i = 0; i < face.size(); ++i) {
      const Vec p = face[i];
      addLine(out.edges, face[(i + 1) % face.size()] - p);
      out.take(p);
      const bool isThere = std::any_of(
          out.corners.begin(), out.corners.end(),
          [&](const Vec& other) { return dot(other - p, other - p) < kParallel * kParallel; });
      if (!isThere) out.corners.push_back(p);
    }
  }
  out.isBox = out.normals.size() == 3 && out.corners.size() == 8 &&
              std::all_of(out.normals.begin(), out.normals.end(), isAlongAnAxis);
  return out;
}

bool comesThrough(const Hull& moving, Vec along, const Hull& still, double far) {
  While both;
  both.to = far;
  both.narrow({moving.low.x, moving.high.x}, {still.low.x, still.high.x}, along.x);
  if (both.never()) return false;
  both.narrow({moving.low.y, moving.high.y}, {still.low.y, still.high.y}, along.y);
  if (both.never()) return false;
  both.narrow({moving.low.z, moving.high.z}, {still.low.z, still.high.z}, along.z);
  if (both.never()) return false;
  if (moving.isBox && still.isBox) return true;
  const auto narrow = [&](Vec line) {
    both.narrow(reach(moving, line), reach(still, line), dot(along, line));
    return !both.never();
  };
  for (const Vec& line : moving.normals)
    if (!narrow(line)) return false;
  for (const Vec& line : still.normals)
    if (!narrow(line)) return false;
  for (const Vec& a : moving.edges)
    for (const Vec& b : still.edges) {
      const Vec line = cross(a, b);
      const double size = length(line);
      if (size > kParallel && !narrow((1 / size) * line)) return false;
    }
  // A line square to the way along which the two only touch is one of the bodies' own, or one
  // between an edge and the way.
  for (const Hull* hull : {&moving, &still})
    for (const Vec& edge : hull->edges) {
      const Vec line = cross(edge, along);
      const double size = length(line);
      if (size > kParallel && !narrow((1 / size) * line)) return false;
    }
  return true;
}

bool lineComesThrough(Vec from, Vec to, const Hull& body) {
  const Vec all = to - from;
  const double size = length(all);
  if (size < kParallel) return false;
  While in;
  in.to = size;
  const Vec along = (1 / size) * all;
  const auto narrow = [&](Vec line) {
    const double at = dot(from, line);
    in.narrow({at, at}, reach(body, line), dot(along, line));
    return !in.never();
  };
  return std::all_of(body.normals.begin(), body.normals.end(), narrow);
}

}  // namespace pp
