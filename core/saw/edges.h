// Which edges are fit to measure from while a plan is cut, and whether every cut goes by that.
#pragma once

#include "core/saw/playback.h"

namespace pp::saw {

// The cuts are made in order, and of every edge it is kept what made it: as bought (clean where the
// stock is not trimmed), a trim, an over or a final cut. Problems where
// - a final cut is measured from an edge that is not clean,
// - a trim is a setting, or made on a table saw,
// - settings are not numbered as they change from one over or final cut to the next,
// - a part is left with an edge that is not clean, or of two opposite edges the later comes from
//   another cut than a final one: that gives no size.
// Precondition: the plan plays back.
Problems verifyEdges(const NestRequest& request, const Plan& plan);

// How much a trim takes off, blade included.
Length trimmedOff(const SawCut& trim, const MadeCut& made);

}  // namespace pp::saw
