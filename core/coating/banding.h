// Edge banding worked off edge by edge: which strips are cut from which roll, the longest first,
// and when each is glued. Worked out from the parts as they were cut.
#pragma once

#include "core/floor/pieces.h"
#include "core/job/job.h"

namespace pp::bench {

enum class Glued {
  BeforeCuts,  // before the bevels that end the edge are cut, so that the mitre is clean
  OnPart,
  OnCase,  // when the case is together, over the joints that come out at the edge
  Between  // then, from one of those to the next
};

// One edge of a part.
struct Strip {
  std::size_t row = 0;  // of the pieces
  Edge edge = Edge::L1;
  Length edgeLength;  // of the finished part
  Length length;      // that is cut from the roll
  bool operator==(const Strip&) const = default;
};

// Strips of one banding that are glued one after the other.
struct Roll {
  Glued glued = Glued::OnPart;
  bool ends = false;          // across the length of their parts
  std::string banding;        // its id
  std::vector<Strip> strips;  // longest first
};

// What is glued before the cuts first, then what is on parts, then on the case; in each the ends or
// the long edges first, as the shop prefers.
std::vector<Roll> rolls(const std::vector<Pieces>& pieces, const Job& job);

// All strips of a banding, and from how many rolls of its length they are cut whole.
struct RollCount {
  std::string banding;  // its id
  std::int64_t strips = 0;
  Length run;
  std::int64_t rolls = 0;
  bool operator==(const RollCount&) const = default;
};
std::vector<RollCount> rollCounts(const std::vector<Roll>& rolls, const std::vector<Pieces>& pieces,
                                  const Job& job);

// Edges of sheet material that are seen and have no banding.
struct BareEdge {
  std::size_t row = 0;
  Edge edge = Edge::L1;
  bool operator==(const BareEdge&) const = default;
};
std::vector<BareEdge> bareEdges(const std::vector<Pieces>& pieces);

// Solid edging of a top, cut from bars with the other lumber, in the order in which it is glued:
// where corners are mitred the front first and the others to it; where they are butted the sides
// first, flushed, and the front over their ends.
struct SolidEdging {
  std::size_t row = 0;
  bool isMitred = false;
  bool meetsOthers = false;  // of the same top, at a corner
  bool operator==(const SolidEdging&) const = default;
};
std::vector<SolidEdging> solidEdgings(const std::vector<Pieces>& pieces);
// Of two of one top the lower is glued first.
int turnOf(const Part& edging);

// What the record calls the banding of an edge: "band l1".
std::string bandName(Edge edge);

}  // namespace pp::bench
