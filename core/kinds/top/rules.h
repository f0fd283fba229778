// Worktops: the sheet is the finished size less the solid edging on its edges.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

Reason topLength(const Top& top);
Reason topWidth(const Top& top);
// The strip along the front edge: mitred corners reach over the side strips, butted ones cover
// them.
Reason frontEdging(const Top& top);
Reason sideEdging(const Top& top);
Result<std::vector<Part>> topParts(const PartBuilder& builder, const Top& top, Point at);
std::int64_t mostPieces(const Top& top, Length width);  // over a run so wide

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const Top& of);
std::int64_t mostPieces(const Job& job, const Top& of);
void check(Check& to, const std::string& at, const Top& of);
void begin(const Job& job, const PlainMaterials& materials, Top& out);
Top mirrored(const Top& of);
void fields(Archive& archive, Top& of);
void make(const PartBuilder& builder, const Top& of, Made& out);

}  // namespace pp
