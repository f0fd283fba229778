// Brings a job that was just edited in order.
#pragma once

#include "core/breakdown/overrides.h"

namespace pp {

// Ids for what is new, counted on from `lastId`, the highest that any state of the job had, undone
// ones included, so that no id comes back as another thing; choices and pins of what is gone taken
// out, which are returned. Problems, as of validate(), when the job is not valid.
Result<Lost> assignIdsAndCodes(Job& job, Id lastId);

}  // namespace pp
