// Brings a job that was just edited in order.
#pragma once

#include "core/breakdown/breakdown.h"
#include "core/breakdown/overrides.h"

namespace pp {

struct Settled {
  Breakdown breakdown;
  Lost lost;  // what the edit took with it
};

// Ids for what is new, counted on from `lastId`, the highest that any state of the job had, undone
// ones included, so that no id comes back as another thing; choices and pins of what is gone taken
// out; numbers for new parts. Problems, as of validate(), when the job is not valid.
Result<Settled> settle(Job& job, Id lastId);

}  // namespace pp
