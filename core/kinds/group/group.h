// Carcasses that stand together, as a value. Sizes are outer sizes, > 0 unless
// said otherwise; materials are ids.
#pragma once

#include <optional>
#include <vector>

#include "core/job/id.h"
#include "core/kinds/carcass/carcass.h"
#include "core/kinds/top/top.h"

namespace pp {

// Carcasses side by side, from the left, that share what stands under, before and on them. A member
// keeps its own sizes; its own frame and stand are left out.
struct CarcassGroup {
  std::vector<Id> members;  // ids of carcasses
  std::optional<Stand> stand;
  std::optional<FaceFrame> frame;
  std::optional<Top> top;  // its width and depth follow from the members
  bool operator==(const CarcassGroup&) const = default;
};

}  // namespace pp
