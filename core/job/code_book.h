// The numbers that parts were given. A number stays with its part whatever is added, taken away or
// moved beside it, so that a label or a list that was printed goes on meaning what it meant.
#pragma once

#include <vector>

#include "core/job/part_key.h"

namespace pp {

// The numbers a part has had: the one it has now first, then older ones, which it takes up again.
struct PartNumbers {
  PartKey part;
  std::vector<int> numbers;  // at least one, each >= 1
  bool operator==(const PartNumbers&) const = default;
};

// Of one assembly, or with id 0 of what is loose; by key.
struct AssemblyCodes {
  Id assembly = 0;
  int last = 0;  // no higher number was given
  std::vector<PartNumbers> parts;
  bool operator==(const AssemblyCodes&) const = default;
};

// Numbers groups of parts that are alike and share a code: what was numbered keeps its number. Of
// two groups that had one number together, the one with the lowest key keeps it; the other takes up
// an older one of its own that nobody has now, or the next. Groups come in the order in which new
// numbers are given; each is sorted and not empty. `book` is brought up to date.
std::vector<int> numbered(const std::vector<std::vector<PartKey>>& groups, AssemblyCodes& book);

}  // namespace pp
