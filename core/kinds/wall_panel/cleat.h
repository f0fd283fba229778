// Strips ripped at 45 degrees that hang something on a wall: one half on it, one on the wall, and a
// spacer of the same thickness below.
#pragma once

#include "core/parts/part_builder.h"

namespace pp {

// Width of the strip that gives two halves, each so high at its long face.
Reason cleatBlank(Length height, Length thickness, Length kerf);

// Both halves, `length` long from `x`, behind the plane `y`; the hook's long face begins at `z`.
Result<Part> cleatPart(const PartBuilder& builder, const std::string& material, Reason length,
                       Length height, Length x, Length y, Length z);
Part spacerPart(const PartBuilder& builder, const std::string& material, Reason length,
                Length height, Length x, Length y, Length z);

}  // namespace pp
