// What has become of parts at the saw, now that the drawing has changed.
#pragma once

#include "core/floor/progress.h"

namespace pp::floor {

enum class Fate {
  Usable,     // as it is drawn
  Trimmable,  // larger than it is drawn now
  Spoiled,    // too small, or of another material or grain
  Unwanted    // drawn no more
};

// Pieces of one part of a cutting that have one fate.
struct Compared {
  const Part* was = nullptr;  // as it was taken, of the cutting
  const Part* now = nullptr;  // as it is drawn, of the parts compared with; null: no more
  Fate fate = Fate::Usable;
  std::int64_t cut = 0;    // pieces that are cut and good
  std::int64_t uncut = 0;  // still to cut; they are cut as they were taken
};

// Of all cuttings, part by part; of one that was given up what is cut. Both are pointed into.
std::vector<Compared> compared(const std::vector<Part>& drawn, const std::vector<Cutting>& cuttings,
                               const Progress& progress);

}  // namespace pp::floor
