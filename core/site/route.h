// The way from the shop to where a thing will stand, gate by gate. Values; part of a job.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/length/length.h"

namespace pp {

enum class GateKind {
  Door,      // `width`, `height`
  Corridor,  // `width`, `height`; at its end a right angle into one `into` wide, 0: none
  Stair,     // `width` of the flights, `depth` of a landing, `turns`, `height` as headroom, `pitch`
  Lift,      // `width`, `depth`, `height`
  Van,       // the same of its floor and loading height
  People,    // `people` of whom each carries `grams`
  Flat       // the longest flat surface of the shop, `width` long: what is put together lies on it
};

// What a kind does not use is 0.
struct Gate {
  GateKind kind = GateKind::Door;
  std::string name;  // as the maker calls it, or empty
  Length width, height, depth, into;
  std::int64_t turns = 0;
  Angle pitch;
  std::int64_t people = 0, grams = 0;
  bool operator==(const Gate&) const = default;
};

// The fields that a kind of gate has, by their names in the job's file; "kind" and "name" not
// counted.
std::vector<std::string> fieldsOf(GateKind kind);
// Those beside them that say something.
std::vector<std::string> unusedFields(const Gate& gate);
// Those of its own that say nothing though they must.
std::vector<std::string> missingFields(const Gate& gate);
// "door 762 × 2000", by its name where it has one.
std::string gateWords(GateKind kind);

}  // namespace pp
