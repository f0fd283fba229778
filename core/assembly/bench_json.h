// The bench as data: joints, what is mounted, units and their steps, machining, banding, coats and
// loads of a job as it is drawn. docs/formats.md gives the fields.
#pragma once

#include <string>

#include "core/job/job.h"
#include "core/parts/part.h"
#include "core/shop/rows.h"

namespace pp::bench {

// Lengths in millimetres. `finishes`: of the shop; without them coats are named and no more.
std::string writeBench(const Job& job, const std::vector<Part>& parts,
                       const std::vector<ShopFinish>& finishes = {});

}  // namespace pp::bench
