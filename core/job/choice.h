// What the maker has chosen for a part other than the rules say.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/designs/boards.h"
#include "core/designs/carcass.h"
#include "core/job/part_key.h"

namespace pp {

// For one edge, by the way it looks where the part stands.
struct EdgeChoice {
  Side side = Side::Front;
  Length beyond;                       // further out than by the rules; below zero: set back
  std::optional<Joint> joint;          // of an end where two panels of a carcass meet
  std::optional<std::string> banding;  // empty: none
  bool operator==(const EdgeChoice&) const = default;
};

inline constexpr std::size_t kMostReadings = 8;

struct WorkReading {
  bool ofWidth = false;
  Length allowance = Length::mm(10);  // >= 0
  std::vector<Length> readings;       // each > 0; at most 8
  bool operator==(const WorkReading&) const = default;
};

// Which of the two edges moves where a size is set by hand: the one the length or width is counted
// to (the far one), the one it is counted from, or both by half.
enum class SizeMoves { Far, Near, Both };

// A part that is made other than the rules say, and why. What depends on its material, joints and
// edges follows. A size set by hand moves edges that no joint holds, as `beyond` would.
struct PartOverride {
  PartKey part;
  bool alike = true;                    // every one of them there, whatever its index
  std::string why;                      // not empty
  std::optional<std::string> material;  // id of a Material
  std::optional<Length> length, width;  // finished
  SizeMoves lengthMoves = SizeMoves::Far, widthMoves = SizeMoves::Far;
  std::optional<BoardGrain> grain;
  std::optional<std::string> banding;  // on the edges that the rules band; empty: none
  std::vector<EdgeChoice> edges;       // no side twice
  std::optional<Face> show;
  std::optional<Finish> finishInside, finishOutside;
  std::optional<Length> oversize;
  // Its size is read off the work, of its width where that is said, else of its length. Until there
  // is a reading it is cut larger by `allowance`; the smallest reading is its size.
  std::optional<WorkReading> reads;
  bool anySuch = false;            // any sheets as thick as its own will do: it does not show
  std::optional<PartKey> follows;  // the part whose figure runs on into it, cut from one strip
  std::vector<Feature> features;   // measured as the rules have the part; after all else
  bool operator==(const PartOverride&) const = default;

  // What is chosen for the edge that looks to `side`, or null.
  const EdgeChoice* edge(Side side) const;
};

struct Job;

// The choices for the parts of one assembly.
class PartChoices {
 public:
  PartChoices() = default;
  // The job is kept by reference.
  PartChoices(const Job& job, Id assembly);
  // For the part in that role of that opening, drawer or board; null where there is none.
  const PartOverride* of(PartRole role, Id opening = 0, int index = 1) const;
  const PartOverride* of(const PartKey& key) const { return of(key.role, key.opening, key.index); }
  // The material of that part where `ruled` is what the rules say.
  const std::string& material(PartRole role, Id opening, const std::string& ruled) const;
  const std::vector<const PartOverride*>& all() const { return all_; }

 private:
  std::vector<const PartOverride*> all_;
};

}  // namespace pp
