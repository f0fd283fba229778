// Whether a body gets past another along a straight line: for putting parts together and for the
// line that a driver needs. In millimetres, floating point.
#pragma once

#include "core/parts/solid.h"

namespace pp {

// A convex body by what a line of movement is tried against.
struct Hull {
  std::vector<Vec> corners;
  std::vector<Vec> normals;  // of its faces, one of two that are opposite
  std::vector<Vec> edges;    // their directions, each once
  Vec low, high;
  bool isBox = false;  // along the axes: low and high say all of it
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
