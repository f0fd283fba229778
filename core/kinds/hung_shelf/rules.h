// Shelves that hang on a wall.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

// Between the braces, where the strips and the spacer lie.
Reason cleatLength(const HungShelf& shelf, Length brace);

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const HungShelf& of);
std::int64_t mostPieces(const Job& job, const HungShelf& of);
void check(Check& to, const std::string& at, const HungShelf& of);
void begin(const Job& job, const PlainMaterials& materials, HungShelf& out);
HungShelf mirrored(const HungShelf& of);
void fields(Archive& archive, HungShelf& of);
void make(const PartBuilder& builder, const HungShelf& of, Made& out);

}  // namespace pp
