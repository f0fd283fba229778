// Sides, bottom, top, back, kick board, dividers, fixed and adjustable shelves of one carcass.
#pragma once

#include "core/breakdown/layout.h"
#include "core/breakdown/part.h"

namespace pp {

// The rules, each from the sizes they depend on. All in the same length unit, exact.
Reason insideWidth(Length width, Length thickness);
Reason shelfLength(Length clearWidth, Joint joint, Length dadoDepth);
Reason dividerLength(Length clearHeight, Joint joint, Length dadoDepth);
Reason shelfDepth(Length depth, Length backThickness);  // shelves and dividers stop at the back
Reason backSize(const char* clearName, Length clear, const Back& back);
Reason adjustableShelfLength(Length clearWidth, const ShelfRules& rules);
Reason adjustableShelfDepth(Length clearDepth, const ShelfRules& rules);

// A row of pin holes in an opening of `clearHeight`: the first hole's centre above the opening's
// foot, how many, always the same for equal openings. The row keeps three pitches from both ends
// where there is room for that, and is centred in what is left.
struct PinRow {
  Length first;
  int holes = 0;
};
PinRow pinRow(Length clearHeight, Length pitch);

// The parts of the carcass without its drawers. Codes are not given yet. A problem when dados from
// both sides of a divider would meet.
Result<std::vector<Part>> carcassParts(const Job& job, const Assembly& assembly,
                                       const CarcassLayout& layout);

}  // namespace pp
