// The job that one begins with: nothing drawn, and a rack of what most shops have.
#pragma once

#include "core/job/job.h"

namespace pp {

// Sheets, slides, saw and the step of shared sizes are those of the unit.
Job newJob(Unit unit);

}  // namespace pp
