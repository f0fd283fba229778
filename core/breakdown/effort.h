// What building an assembly takes, for setting one choice against another. Counts.
#pragma once

#include "core/parts/part.h"

namespace pp {

struct Effort {
  std::int64_t pieces = 0;    // boards to cut, bars included
  std::int64_t settings = 0;  // times a tool is set anew: equal cuts share one
  bool operator==(const Effort&) const = default;
};

// Of the parts of one assembly. Two cuts share a setting where they are of one kind, as wide, as
// deep, at one angle and as far from the edge they are measured from.
Effort effortOf(const std::vector<Part>& parts, const std::string& assembly);

}  // namespace pp
