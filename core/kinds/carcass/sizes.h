// The sizes of a carcass's panels, shelves and back, each from what it depends on. All in the same
// length unit, exact.
#pragma once

#include "core/designs/carcass.h"
#include "core/parts/reason.h"

namespace pp {

Reason insideWidth(Length width, Length left, Length right);  // between sides so thick
// Of a panel between two others, as its ends are joined.
Reason shelfLength(Length clearWidth, Joint left, Joint right, Length dadoDepth);
Reason dividerLength(Length clearHeight, Joint lower, Joint upper, Length dadoDepth);
Reason shelfDepth(Length depth, Length backThickness);  // shelves and dividers stop at the back
Reason adjustableShelfLength(Length clearWidth, const ShelfRules& rules);
Reason adjustableShelfDepth(Length clearDepth, const ShelfRules& rules);

// The size of a back in one direction: it goes `low` and `high` beyond the clear size; `depthName`
// is what that is where both are the same, else what the low one is.
Reason backSize(const char* clearName, Length clear, const char* depthName, Length low, Length high,
                Length clearance);

// How far the back goes beyond the inner opening on each side.
struct BackReach {
  Length left, right, bottom, top, clearance;
};
// How thick the outside panels round a back are.
struct Around {
  Length left, right, bottom, top;
};
BackReach backReach(const Carcass& carcass, const Around& panels);

// A row of pin holes in an opening of `clearHeight`: the first hole's centre above the opening's
// foot, how many, always the same for equal openings. The row keeps three pitches from both ends
// where there is room for that, and is centred in what is left.
struct PinRow {
  Length first;
  int holes = 0;
};
PinRow pinRow(Length clearHeight, Length pitch);

}  // namespace pp
