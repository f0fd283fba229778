// Rings of equal bevelled pieces.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

// Source of the bevel: the sum of a polygon's outer angles is a full turn, halved at each joint.
Angle ringBevel(int pieces);

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const Ring& of);
std::int64_t mostPieces(const Job& job, const Ring& of);
void check(Check& to, const std::string& at, const Ring& of);
void begin(const Job& job, const PlainMaterials& materials, Ring& out);
Ring mirrored(const Ring& of);
void fields(Archive& archive, Ring& of);
void make(const PartBuilder& builder, const Ring& of, Made& out);

}  // namespace pp
