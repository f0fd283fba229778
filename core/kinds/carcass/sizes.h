// The sizes of a carcass's panels, shelves and back, each from what it depends on. All in the same
// length unit, exact.
#pragma once

#include "core/kinds/carcass/carcass.h"
#include "core/parts/reason.h"

namespace pp {

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

}  // namespace pp
