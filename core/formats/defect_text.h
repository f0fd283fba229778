// Places that must stay free of a sheet, as a person writes them: `x y dx dy; …`.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/job/defect.h"
#include "core/result/result.h"

namespace pp {

// Four lengths each, in any accepted spelling that holds no blank (24-1/2, not 24 1/2), the places
// parted by semicolons; empty: none. A problem without file and field for what is no length, no
// four of them, a side of 0, or more than kMostDefects places. Whether they lie on the sheet is
// another matter.
Result<std::vector<Defect>> parseDefects(std::string_view text, std::optional<Unit> bare);

// What parseDefects() reads back as it is.
std::string defectsText(const std::vector<Defect>& defects, Unit unit);

}  // namespace pp
