// A case that is too long to be carried, built as several that stand side by side.
#pragma once

#include "core/job/job.h"

namespace pp {

// As wide in all as it was, each of them, walls and what is kept clear of them not counted, no
// longer than `longest`. An inside divided by dividers is shared out column by column, any other is
// repeated in each. A group keeps them together and takes over the base, the face frame and the
// place on the wall. Whether the job was changed: a case built more than once is not, nor one whose
// cases would be narrower than 300 mm or would be no case any more.
bool splitCase(Job& job, const std::string& code, Length longest);

}  // namespace pp
