// How many pieces a size comes to, without overflow whatever the size is.
#pragma once

#include <algorithm>
#include <cstdint>

#include "core/length/length.h"

namespace pp {

inline constexpr std::int64_t kTooMany = 1'000'000'000;  // sums and products of it stay in 64 bits

// How often `step` is begun within `length`; a step that is not above 0: too many.
inline std::int64_t begun(Length length, Length step) {
  if (step <= Length{}) return kTooMany;
  return std::clamp<std::int64_t>((length.inNm() + step.inNm() - 1) / step.inNm(), 0, kTooMany);
}

}  // namespace pp
