// How the maker has things put together, where that is other than it is worked out.
#pragma once

#include "core/job/part_key.h"

namespace pp {

// When a joint is glued: before anything is carried, where it will stand, or never, for it is
// bolted or comes apart again.
enum class Gluing { InShop, InPlace, Never };

// Of all joints between two parts, whichever of them is named first.
struct JointGluing {
  PartKey part, mate;
  Gluing gluing = Gluing::InPlace;
  bool operator==(const JointGluing&) const = default;
};

// A step of the assembly that was moved: what the part is put in with goes in right before what the
// other is put in with, or right after it.
struct MovedStep {
  PartKey part, other;
  bool after = false;
  bool operator==(const MovedStep&) const = default;
};

// Of either; one whose part is not there has no effect.
inline constexpr std::size_t kMostMade = 10'000;

}  // namespace pp
