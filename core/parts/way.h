// Whether a body gets past another along a straight line: for putting parts together and for the
// line that a driver needs. In millimetres, floating point.
#pragma once

#include <algorithm>

#include "core/parts/solid.h"

namespace pp {

// The box along the axes round what it has taken.
struct Room {
  Vec low{1e9, 1e9, 1e9}, high{-1e9, -1e9, -1e9};
  void take(Vec p) {
    low = {std::min(low.x, p.x), std::min(low.y, p.y), std::min(low.z, p.z)};
    high = {std::max(high.x, p.x), std::max(high.y, p.y), std::max(high.z, p.z)};
  }
  void take(const Room& other) {
    take(other.low);
    take(other.high);
  }
  Vec middle() const { return 0.5 * (low + high); }
};
// Of a part's own room from `low` to `high`, where it stands.
Room roomOf(const Pose& pose, Vec low, Vec high);

// A convex body by what a line of movement is tried against.
struct Hull : Room {
  std::vector<Vec> corners;
  std::vector<Vec> normals;  // of its faces, one of two that are opposite
  std::vector<Vec> edges;    // their directions, each once
  bool isBox = false;        // along the axes: low and high say all of it
};
Hull hullOf(const Convex& body);

// Whether `moving`, moved along the unit vector `along`, without end or so far, comes through
// `still`; bodies that only touch, or slide along one another, do not. By separating axes, each of
// which says from when to when the two overlap (Gottschalk, Lin, Manocha, 1996; with movement:
// Eberly, 2001).
bool comesThrough(const Hull& moving, Vec along, const Hull& still, double far = 1e9);

// Whether the line from one point to the other comes through the body.
bool lineComesThrough(Vec from, Vec to, const Hull& body);

}  // namespace pp
