// Panels that hang on strips.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const WallPanel& of);
std::int64_t mostPieces(const Job& job, const WallPanel& of);
void check(Check& to, const std::string& at, const WallPanel& of);
void begin(const Job& job, const PlainMaterials& materials, WallPanel& out);
WallPanel mirrored(const WallPanel& of);
void fields(Archive& archive, WallPanel& of);
void make(const PartBuilder& builder, const WallPanel& of, Made& out);

}  // namespace pp
