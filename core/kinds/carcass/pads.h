// What brings the inside of an opening flush with a frame, so that slides can be screwed on: boards
// laid on one another.
#pragma once

#include "core/job/job.h"

namespace pp {

// The layers of one pad, materials by id, from the panel outwards.
struct PadLayers {
  std::vector<std::string> materials;
  Length sum;  // of their measured thicknesses
};

// Up to four layers of the sheets that the rack has, whose sum is nearest to `thickness`, where a
// layer more must bring it nearer by a millimetre; else thick ones before thin ones, and of equally
// thick sheets `otherwise`, where it is one. Of `otherwise` where the rack has no sheet.
PadLayers padLayers(const Job& job, Length thickness, const std::string& otherwise);

}  // namespace pp
