#include "core/breakdown/settle.h"

#include <algorithm>
#include <utility>

#include "core/job/ids.h"
#include "core/kinds/validate.h"

namespace pp {

Result<Settled> settle(Job& job, Id lastId) {
  job.lastId = std::max(job.lastId, lastId);
  giveIds(job);
  Settled out;
  out.lost = dropLost(job);
  if (Problems problems = validate(job); !problems.empty()) return problems;
  out.breakdown = breakDown(job);
  job.codes = out.breakdown.codes;
  return out;
}

}  // namespace pp
