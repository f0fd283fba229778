// What to point out where what is at the saw is drawn otherwise by now.
#pragma once

#include "core/floor/compare.h"
#include "core/secondlook/second_look.h"

namespace pp {

// One finding a part: pieces that can be trimmed, that are spoiled, that are still cut as they were
// taken, or that nobody wants any more.
std::vector<Finding> lookAtFloor(const Job& job, const std::vector<Part>& drawn,
                                 const std::vector<Cutting>& cuttings,
                                 const floor::Progress& progress);

}  // namespace pp
