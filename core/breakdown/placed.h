// All parts of an assembly where they are, those of a group's members among them.
#pragma once

#include "core/breakdown/breakdown.h"

namespace pp {

// In the assembly's own coordinates: x to the right, y to the wall, z up.
std::vector<Part> partsInPlace(const Job& job, const Breakdown& breakdown,
                               const Assembly& assembly);

}  // namespace pp
