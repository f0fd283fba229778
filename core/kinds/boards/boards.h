// Boards drawn one by one, with what is cut into them. Values; part of a job.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/job/id.h"
#include "core/job/shared_rows.h"
#include "core/length/length.h"

namespace pp {

// Which dimension of a board follows the grain.
enum class BoardGrain { Length, Width, Any };

enum class FeatureKind {
  Hole,    // round, `size` wide, its centre at (along, across)
  Slot,    // `size` wide with round ends, `length` long, lying along the board, centre as a hole
  Notch,   // a corner or an edge cut away: from (along, across), `length` by `width`, through
  Dado,    // across the board, `size` wide, its near side at `along`, `depth` deep
  Groove,  // along the board, `size` wide, its near side at `across`, `depth` deep
  Taper,   // the upper long edge cut from `across` at the board's foot to `size` at its far end
  Arc,     // the upper long edge hollowed by `depth` in the middle
  Bevel,   // the end or edge named by `edge`, `angle` off square
};

enum class BoardEdge { Long1, Long2, Short1, Short2 };  // at width 0, full width, length 0, full

// One thing cut into a board. Lengths are measured along the board from its first end and across it
// from its lower edge; those a kind does not name are 0.
struct Feature {
  FeatureKind kind = FeatureKind::Hole;
  Length along, across, length, width, size, depth;
  Angle angle;
  BoardEdge edge = BoardEdge::Long1;
  bool operator==(const Feature&) const = default;
};

// The fields that a kind of feature has, by their names in the job's file; "kind" not counted.
std::vector<std::string> fieldsOf(FeatureKind kind);
// Those beside them that are not 0; empty where there is none.
std::vector<std::string> unusedFields(const Feature& feature);
// The feature with 0 in them.
Feature withoutUnused(Feature feature);

// A board of a given size: a lid, a bracket, a spare shelf.
struct LooseBoard {
  std::string name;
  std::string material;       // id of a Material
  std::int64_t quantity = 1;  // 1..10 000
  Length length, width;       // finished, banding included, > 0
  BoardGrain grain = BoardGrain::Length;
  std::string bandLong, bandShort;  // on both edges along the length, and along the width; or empty
  std::optional<std::string> farLong, farShort;  // on the far edge, where that has another or none
  std::vector<Feature> features;
  Id id = 0;
  bool operator==(const LooseBoard&) const = default;
};

// Boards that make one thing together: a bracket, a leg, a nest box.
struct Boards {
  SharedRows<LooseBoard> boards;
  bool operator==(const Boards&) const = default;
};

}  // namespace pp
