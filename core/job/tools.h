// What the shop has for dados, rabbets and holes. Values; part of a job's shop.
#pragma once

#include <vector>

#include "core/length/length.h"

namespace pp {

// Which edges of a part are banded first: those across its length, or those along it. What comes
// later covers the ends of what came first.
enum class BandFirst { Ends, Sides };

struct Tools {
  // Widths that the dado stack can be built to; `dadoMost` 0: there is none.
  Length dadoLeast = Length::mm(6), dadoMost = Length::mm(22);
  // Straight router bits, by diameter; none: there is no router.
  std::vector<Length> bits = {Length::mm(5), Length::mm(6), Length::mm(8), Length::mm(12)};
  Length tableReach = Length::mm(250);  // router table: from its fence to the bit; 0: there is none
  Length fenceReach = Length::mm(700);  // of the saw's fence; 0: no limit
  Length bandBeyond = Length::mm(25);   // a strip of banding is longer than its edge by that
  BandFirst bandFirst = BandFirst::Ends;
  bool operator==(const Tools&) const = default;
};

}  // namespace pp
