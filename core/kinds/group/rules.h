// What carcasses side by side share, in the first member's coordinates.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const CarcassGroup& of);
std::int64_t mostPieces(const Job& job, const CarcassGroup& of);
void check(Check& to, const std::string& at, const CarcassGroup& of);
void begin(const Job& job, const PlainMaterials& materials, CarcassGroup& out);
CarcassGroup mirrored(const CarcassGroup& of);
void fields(Archive& archive, CarcassGroup& of);
void make(const PartBuilder& builder, const CarcassGroup& of, Made& out);

}  // namespace pp
