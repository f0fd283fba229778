// Which edges are fit to measure from while a plan is cut, and whether every cut goes by that.
#pragma once

#include <set>

#include "core/saw/playback.h"

namespace pp::saw {

// The cuts are made in order, and of every edge it is kept what made it: as bought (clean where the
// stock is not trimmed), a trim, a rough, an over or a final cut; and where it lies. A rough cut
// may come to anything within its play. What is measured from an edge moves with it; a trim's edge
// lies as planned from the opposite edge where that is clean, else at its planned place. So every
// edge lies at a known place, or so far from a known place as one rough cut does. Problems where,
// for any combination of what the rough cuts come to,
// - a final cut is measured from an edge that is not clean,
// - a trim or rough cut is a setting, or made on a table saw; or any but a rough cut on a saw that
//   makes no clean edge,
// - a rough cut does not lie within its play, or another cut has one,
// - a cut misses its piece, or leaves nothing where a piece is cut on or kept,
// - settings are not numbered as they change from one over or final cut to the next,
// - a part is left with an edge that is not clean or another size than its own, or of two opposite
//   edges the later comes from another cut than a final one: that gives no size,
// - a leftover is smaller than it is said to be.
// Precondition: the plan plays back.
Problems verifyEdges(const NestRequest& request, const Plan& plan);

// A piece as it lies there for sure, whatever the rough cuts before it have come to: its planned
// place, the size it has at least, what must come off its edges.
struct SurePiece {
  PlayedPiece at;
  EdgeTrims trims;
};
// What lies on the bench once the cuts of these steps are made, by name. Precondition: the plan
// plays back, and no cut is made before the one that makes its piece.
std::map<std::string, SurePiece> sureAfter(const NestRequest& request, const Plan& plan,
                                           const std::set<int>& made);

// How much a trim takes off, blade included; as planned.
Length trimmedOff(const SawCut& trim, const MadeCut& made);

}  // namespace pp::saw
