// Boards of a given size that belong to no assembly.
#pragma once

#include "core/breakdown/part.h"

namespace pp {

// The part a loose board is; its code is not given yet. A problem when the banding takes off more
// than there is.
Result<Part> loosePart(const Job& job, const LooseBoard& board);

}  // namespace pp
