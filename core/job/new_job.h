// The job that one begins with: nothing drawn, and a rack of what most shops have.
#pragma once

#include "core/job/job.h"

namespace pp {

// Sheets, slides, saw and the step of shared sizes are those of the unit.
Job newJob(Unit unit);

// Puts a material into the rack, and as many full sheets of it as are needed, of the size that most
// shops buy in the job's unit.
void addWithSheet(Job& job, Material material, Money price);

}  // namespace pp
