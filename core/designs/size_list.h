// The typed lists of a carcass: what splits an opening, `9 1/2, rest, 9 1/2`, `3 equal`, `4 1/2, 6,
// rest`; and rails instead of a back, `100 at 0, 80 at 500`.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/designs/carcass.h"
#include "core/length/format.h"
#include "core/result/result.h"

namespace pp {

inline constexpr int kMostOfBack = 20;  // pieces of a back, or rails instead of it

// Reads a list of sizes separated by commas. An item is a length or a sum of lengths, `rest` (one
// share of what is left), `N equal` (N such shares), or `centred` and a size (a share, the size, a
// share). A lone whole number N means `N equal` when
// `countAlone` is set, because "3" for drawers means three of them. At most 50 sizes.
Result<std::vector<Share>> parseSizeList(std::string_view text, Unit bare, bool countAlone);

// Sizes that were typed anew are still of what they were of, as far as there are as many: the ids
// of those before.
void keepIds(std::vector<Share>& sizes, const std::vector<Share>& before);

// The list that reads back as these sizes.
std::string formatSizeList(const std::vector<Share>& sizes, const LengthStyle& style);

// Reads rails separated by commas, each its width and how high its lower edge is above the bottom;
// both may be sums. Nothing typed: none. At most 20; from the bottom up, however they were typed.
Result<std::vector<BackRail>> parseRailList(std::string_view text, Unit bare);
// The list that reads back as these.
std::string formatRailList(const std::vector<BackRail>& rails, const LengthStyle& style);

// The sizes themselves: `total` less nothing (the caller has taken panels and gaps off), fixed
// sizes first, the rest in equal shares. Share k of n ends at the multiple of `step` that is
// nearest to k/n of the rest, the last at the rest, so none is off by more than a step; with no
// step, or one that is not small beside a share, what does not divide evenly goes to the last
// share. A problem when the fixed sizes leave nothing for the shares, or do not add up and nothing
// gives.
Result<std::vector<Length>> shareOut(Length total, const std::vector<Share>& sizes,
                                     const LengthStyle& style, Length step = {});

}  // namespace pp
