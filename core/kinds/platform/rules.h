// Boxes under a deck.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const Platform& of);
std::int64_t mostPieces(const Job& job, const Platform& of);
void check(Check& to, const std::string& at, const Platform& of);
void begin(const Job& job, const PlainMaterials& materials, Platform& out);
Platform mirrored(const Platform& of);
void fields(Archive& archive, Platform& of);
void make(const PartBuilder& builder, const Platform& of, Made& out);

}  // namespace pp
