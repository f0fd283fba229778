// Labels of what comes off the saw: which are printed and which are still to be.
#pragma once

#include <compare>
#include <optional>
#include <string>
#include <vector>

#include "core/floor/cutting.h"

namespace pp::floor {

struct Progress;

// What a label is stuck on: a piece of a part, or a leftover of a cutting by its id in the plan.
struct Labelled {
  std::optional<PieceId> piece;
  int cutting = 0;       // of a leftover; 0 for a piece, whose number is the job's
  std::string leftover;  // "S1-K1"
  auto operator<=>(const Labelled&) const = default;
};

struct LabelCount {
  int printed = 0;
  int again = 0;  // asked for beyond the first
  bool operator==(const LabelCount&) const = default;
  int next() const { return printed + 1; }
};

// A label that is to be printed: what is there and has fewer than are wanted. `nth` of that thing,
// 1-based: with it the label is the only one of its kind in the job.
struct LabelOwed {
  Labelled on;
  int nth = 1;
  int cutting = 0;  // it comes from
  bool operator==(const LabelOwed&) const = default;
};
// Pieces that are cut and not spoiled, by code and number, then leftovers that went to the rack.
std::vector<LabelOwed> labelsOwed(const Progress& progress);

// The part of a piece, as it was cut; null: no cutting has it.
const Part* partOf(const std::vector<Cutting>& cuttings, const PieceId& piece);

}  // namespace pp::floor
