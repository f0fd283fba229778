// The joints of a job by what stands together: an assembly alone, or a group with its members.
#pragma once

#include "core/joinery/joint.h"

namespace pp {

struct JointSet {
  Id assembly = 0;          // it, or the group
  std::int64_t copies = 1;  // so many of it are built
  std::vector<joinery::PlacedBoard> boards;
  std::vector<joinery::Joint> joints;
};
// The parts are kept by reference. Loose boards are joined to nothing, and so is what cannot be put
// in a row.
std::vector<JointSet> jointSetsOf(const Job& job, const std::vector<Part>& parts);

}  // namespace pp
