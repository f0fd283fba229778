// Writing lengths, areas and money for people. Only the display rounds; a mark says when it did.
#pragma once

#include <string>

#include "core/length/length.h"

namespace pp {

// How lengths are shown: inches to a fraction, or millimetres to so many decimals.
struct LengthStyle {
  Unit unit = Unit::Millimetre;
  int denominator = 32;  // finest fraction of an inch: 2, 4, 8, 16, 32 or 64
  int decimals = 1;      // decimals of a millimetre, 0 to 6; trailing zeros are dropped
};

// A length rounded to the style's grid, without a unit. Where it does not lie on the grid a small
// wedge follows: `▴` when the true length is more than what is shown, `▾` when it is less.
std::string format(Length length, const LengthStyle& style);

// By how much the true length is more than what format() shows; negative where it is less.
Length offShown(Length length, const LengthStyle& style);

// The exact value: the fraction (to 1/64) where it is one, else decimals down to the nanometre.
std::string formatExact(Length length, Unit unit);

// Plain millimetres with at most six decimals and no trailing zeros, as the file formats want them.
std::string formatMm(Length length);

// Shown size with its unit: `23 7/16▴ in`, `595.3 mm`.
std::string formatWithUnit(Length length, const LengthStyle& style);

// Money with two decimals, or four where needed.
std::string format(Money money);

}  // namespace pp
