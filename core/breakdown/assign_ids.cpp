#include "core/breakdown/assign_ids.h"

#include <algorithm>

#include "core/breakdown/fit.h"
#include "core/job/ids.h"
#include "core/kinds/validate.h"

namespace pp {

Result<Lost> assignIdsAndCodes(Job& job, Id lastId) {
  job.lastId = std::max(job.lastId, lastId);
  giveIds(job);
  Lost lost = dropLost(job);
  if (Problems problems = validate(job); !problems.empty()) return problems;
  if (fitWidths(job))
    if (Problems problems = validate(job); !problems.empty()) return problems;
  return lost;
}

}  // namespace pp
