// What of the parts is glued to one another and so takes no finish.
#pragma once

#include "core/parts/finish_area.h"

namespace pp {

// By part, in their order: of one piece, the same for all of a part.
std::vector<FinishArea> finishAreasOf(const Job& job, const std::vector<Part>& parts);

}  // namespace pp
