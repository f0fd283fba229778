// A levelled frame, built in sections.
#pragma once

#include "core/job/check.h"
#include "core/kinds/common/made.h"
#include "core/parts/part_builder.h"

namespace pp {

struct PlainMaterials;

// Equal sections no longer than the longest; how many.
std::int64_t sectionCount(Length width, Length longest);
// Cross pieces of one section: at both ends and never further apart than `every`, centre to centre.
std::int64_t crossCount(Length section, Length thickness, Length every);
Reason crossLength(Length depth, Length thickness);
// Which of so many cross pieces of a section have legs beside them, the first and last always.
std::vector<std::int64_t> leggedPieces(std::int64_t pieces, Length section, Length every);

// The frame with its lower left front corner at `at`.
Result<std::vector<Part>> baseFrameParts(const PartBuilder& builder, const BaseFrame& frame,
                                         Point at);
// Rails and cross pieces of a frame in sections, see pieces.h.
std::int64_t mostPiecesOfFrame(Length width, Length longest, Length every);

// What the table of kinds asks of every kind.
Length widthOf(const Job& job, const BaseFrame& of);
std::int64_t mostPieces(const Job& job, const BaseFrame& of);
void check(Check& to, const std::string& at, const BaseFrame& of);
void begin(const Job& job, const PlainMaterials& materials, BaseFrame& out);
BaseFrame mirrored(const BaseFrame& of);
void fields(Archive& archive, BaseFrame& of);
void make(const PartBuilder& builder, const BaseFrame& of, Made& out);

}  // namespace pp
