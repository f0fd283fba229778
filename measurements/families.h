// The nesting problems that the engine is measured on: each family is made from fixed seeds, so
// that figures of different days can be compared.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/plan/request.h"

namespace pp::bench {

struct Instance {
  std::string name;
  NestRequest request;
  std::int64_t planted = 0;  // sheets of a plan that is known to exist, 0: none is known
};

// Built-in and cabinet parts of one material, 60 to 150 of them, grain up the doors and sides.
Instance cabinet(std::uint64_t seed);

// Sheets cut apart at random, from edge to edge, then thinned out until `fill` (0..1) of the usable
// area is left as parts. 15 to 25 parts a sheet; 1 is a set without waste.
Instance planted(std::uint64_t seed, int sheets, double fill);

// The ten standard random classes, 1..6 of Berkey & Wang (1987), 7..10 of Martello & Vigo (1998); n
// parts that may be turned, no kerf.
Instance standardClass(int which, int n, std::uint64_t seed);

// Cabinet parts on three sheet sizes of different price per area and a rack of six to ten offcuts.
Instance mixedStock(std::uint64_t seed);

// Parts of three materials, about `parts` of them, 100 to 1100 mm long.
Instance large(std::uint64_t seed, int parts);

}  // namespace pp::bench
