// What carcasses stand on: a levelled frame, built in sections, or runners.
#pragma once

#include "core/breakdown/layout.h"
#include "core/breakdown/maker.h"

namespace pp {

// Equal sections no longer than the longest; how many.
std::int64_t sectionCount(Length width, Length longest);
// Cross pieces of one section: at both ends and never further apart than `every`, centre to centre.
std::int64_t crossCount(Length section, Length thickness, Length every);
Reason crossLength(Length depth, Length thickness);

// The frame with its lower left front corner at `at`.
Result<std::vector<Part>> baseFrameParts(const Maker& maker, const BaseFrame& frame, Point at);

// The frame a stand describes, under panels `outer`, so deep.
BaseFrame frameOf(const Stand& stand, Length width, Length depth);

// What stands under one carcass.
Result<std::vector<Part>> standParts(const Maker& maker, const Stand& stand, const Carcass& carcass,
                                     const CarcassLayout& layout);

// From the rear edge of the panels: what a moulding at the wall takes off a stand's depth.
Length mouldingDepth(const Carcass& carcass);

}  // namespace pp
