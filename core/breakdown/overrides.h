// What the user has made other than the rules say: which parts it is about.
#pragma once

#include "core/breakdown/breakdown.h"

namespace pp {

// Whether the choice is for the part that has the key.
bool isAbout(const PartOverride& one, const PartKey& key);

// What was chosen for the part, or null.
const PartOverride* overrideOf(const Job& job, const Part& part);

// Makes `made` the choice for the part, in the place of any other; `made.part` is not looked at. It
// is hung on every key of the part: where that is all there are of a role in an opening it holds
// for those too that may be added there.
void setOverride(Job& job, const std::vector<Part>& parts, const Part& part, PartOverride made);
void dropOverride(Job& job, const Part& part);

// Choices and pins of what the job no longer has.
struct Lost {
  std::vector<PartOverride> overrides;
  std::vector<JobPin> pins;
  bool empty() const { return overrides.empty() && pins.empty(); }
};
// Takes them out of the job. What only has no part just now, because another top was chosen or a
// drawing cannot be built, stays.
Lost dropLost(Job& job);

}  // namespace pp
