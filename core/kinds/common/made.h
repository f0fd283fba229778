// What an assembly comes to.
#pragma once

#include <vector>

#include "core/parts/part.h"

namespace pp {

class Archive;  // core/fields/archive.h

// Something that cannot be built as drawn. What it concerns has no parts until it is put right.
struct Trouble {
  std::string assembly;  // code
  OpeningPath opening;   // empty: the assembly as a whole
  bool drawers = false;  // the drawers of that opening do not go in
  Problem problem;
};

// The parts of one assembly, without codes, and what keeps others from being made; whose it is is
// said by whoever asked.
struct Made {
  std::vector<Part> parts;
  std::vector<Trouble> troubles;

  void refuse(const Problems& problems, const OpeningPath& path = {}, bool drawers = false);
  // Takes the parts over, or the problems; whether there were parts.
  bool take(Result<std::vector<Part>> made, const OpeningPath& path = {}, bool drawers = false);
};

}  // namespace pp
