#include "core/breakdown/assign_ids.h"

#include <algorithm>

#include "core/breakdown/cut_outs.h"
#include "core/breakdown/fit.h"
#include "core/job/ids.h"
#include "core/kinds/validate.h"

namespace pp {

Result<Lost> assignIdsAndCodes(Job& job, Id lastId) {
  job.lastId = std::max(job.lastId, lastId);
  giveIds(job);
  Lost lost = dropLost(job);
  if (Problems problems = validate(job); !problems.empty()) return problems;
  // Not one or the other: what is cut out follows the widths.
  const bool fitted = fitWidths(job);
  if (followObstacles(job) || fitted)
    if (Problems problems = validate(job); !problems.empty()) return problems;
  return lost;
}

}  // namespace pp
