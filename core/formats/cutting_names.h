// How pieces are called in the rows of a file, and what of them is not written because it follows.
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/plan/plan.h"

namespace pp {

inline constexpr std::int64_t kLargestUnit = 1'000'000'000;  // nanometres; see CuttingForm::unit

// The number in the name of a piece of that sheet, 0 for the sheet itself; none: it is called
// otherwise.
std::optional<int> numberIn(const std::string& piece, const std::string& sheet);
std::string pieceNamed(const std::string& sheet, std::int64_t number);

// The pieces of a sheet that are not cut further, in the order of their numbers: what they are
// known to be, else waste. `cuts`: of that sheet.
std::vector<PieceEnd> endsOf(std::size_t sheet, const std::string& name,
                             const std::vector<const SawCut*>& cuts,
                             const std::map<int, PieceEnd>& known);

}  // namespace pp
