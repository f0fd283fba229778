// Sides, bottom, top, back, kick board, linings, dividers, fixed, adjustable and loose shelves of
// one carcass.
#pragma once

#include "core/breakdown/layout.h"
#include "core/breakdown/maker.h"

namespace pp {

// The rules, each from the sizes they depend on. All in the same length unit, exact.
Reason insideWidth(Length width, Length thickness);
Reason shelfLength(Length clearWidth, Joint joint, Length dadoDepth);
Reason dividerLength(Length clearHeight, Joint joint, Length dadoDepth);
Reason shelfDepth(Length depth, Length backThickness);  // shelves and dividers stop at the back
Reason adjustableShelfLength(Length clearWidth, const ShelfRules& rules);
Reason adjustableShelfDepth(Length clearDepth, const ShelfRules& rules);

// The size of a back in one direction: it goes `low` and `high` beyond the clear size, `depthName`
// being what that is.
Reason backSize(const char* clearName, Length clear, const char* depthName, Length low, Length high,
                Length clearance);

// How far the back goes beyond the inner opening on each side.
struct BackReach {
  Length left, right, bottom, top, clearance;
};
BackReach backReach(const Carcass& carcass, Length thickness);

// A row of pin holes in an opening of `clearHeight`: the first hole's centre above the opening's
// foot, how many, always the same for equal openings. The row keeps three pitches from both ends
// where there is room for that, and is centred in what is left.
struct PinRow {
  Length first;
  int holes = 0;
};
PinRow pinRow(Length clearHeight, Length pitch);

// The parts of the carcass without its drawers, doors and frame. Codes are not given yet. A problem
// when dados from both sides of a divider would meet.
Result<std::vector<Part>> carcassParts(const Maker& maker, const Carcass& carcass,
                                       const CarcassLayout& layout);

}  // namespace pp
