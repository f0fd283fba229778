// A size of the place, read twice: the second time without seeing the first, and a third time where
// the two do not agree.
#pragma once

#include <optional>
#include <string>

#include "core/length/format.h"

namespace pp {

struct SizeRead {
  std::optional<Length> first, second, third;
  bool operator==(const SizeRead&) const = default;
};

// What the size is for: what must go into a space counts the smaller reading, what must be cleared
// the larger, and what stands off the larger of its amount, whichever way it stands off.
enum class ReadFor { Space, Clearing, Off };

// How two readings came to differ, as far as their figures tell.
enum class Slip {
  None,
  DigitsSwapped,   // 45 and 54
  OtherSide,       // 12 3/8 and 12 5/8, counted back from the next inch; 243 and 247 likewise
  BurntInch,       // one began at the first inch, or its hook was forgotten
  BurntDecimetre,  // 100 mm
  BurntCentimetre,
  Apart  // none of these
};

struct Judged {
  std::optional<Length> size;  // none: not read at all
  bool confirmed = false;      // by two readings that agree
  Slip slip = Slip::None;      // of the first two, where they do not
  bool wantsThird = false;     // they do not, and no third one decides
};

// Readings agree within 2 mm, or 1/16 in where they are taken in inches.
Length readingTolerance(Unit unit);
Judged judge(const SizeRead& read, ReadFor use, Unit unit);

// Which slip makes one reading of the other; Apart where none does.
Slip slipBetween(Length a, Length b, Unit unit);
// "45 and 54: two digits changed places"; empty for None.
std::string slipWords(Slip slip, Length a, Length b, const LengthStyle& style);

}  // namespace pp
