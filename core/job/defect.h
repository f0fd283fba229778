// A rectangle of a sheet that no part may have: a dent, a patch, a printed stamp. A value.
#pragma once

#include <cstddef>

#include "core/length/length.h"

namespace pp {

// On one piece; with more it is the maker who says what is left of it.
inline constexpr std::size_t kMostDefects = 8;

// Its low corner from the sheet's own, x along the sheet's length.
struct Defect {
  Length x, y;           // >= 0
  Length width, height;  // along x and y, > 0
  bool operator==(const Defect&) const = default;

  // Whether it and a rectangle of the sheet have more than an edge in common.
  bool meets(Length left, Length low, Length dx, Length dy) const {
    return left < x + width && x < left + dx && low < y + height && y < low + dy;
  }
  // Whether it lies wholly on a piece of that size.
  bool isOn(Length length, Length across) const {
    return x >= Length{} && y >= Length{} && width > Length{} && height > Length{} &&
           x + width <= length && y + height <= across;
  }
};

}  // namespace pp
