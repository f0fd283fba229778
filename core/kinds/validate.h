// Whether a job is sound as data.
#pragma once

#include "core/job/job.h"

namespace pp {

// Everything that makes the job unusable as data: ids that are not unique or name nothing, sizes
// that are not above zero. `field` of each problem is a JSON pointer into the job's file. Whether
// the job can be built is not asked here; the break-down and the second look say that.
Problems validate(const Job& job);

}  // namespace pp
