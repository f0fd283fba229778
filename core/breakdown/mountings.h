// What is bought and mounted on the pieces: slides, hinges, pins, pulls, casters, legs. Each once,
// with where it goes, so that it is counted, bored for and put in as the same thing.
#pragma once

#include "core/job/hardware_kind.h"
#include "core/parts/part.h"

namespace pp {

// On every piece with that key.
struct Mounting {
  HardwareKind kind = HardwareKind::Other;
  std::string name;  // without its length: "cup hinge", or what a slide is called
  Length length;     // of a slide, of a continuous hinge; 0: it has none
  PartKey on;
  std::int64_t pieces = 1;  // of the job that have that key
  std::int64_t count = 1;   // on each piece; of slides pairs
  // Of cups and butt hinges: their middles along the hinged edge, from where the edge begins.
  std::vector<Length> at;
  std::optional<Length> up;  // a slide's middle above what its box stands over
  std::int64_t screws = 0;   // of each, as they come with it; of a pair of both
  Length screw;              // no longer than this, or it comes out
  bool operator==(const Mounting&) const = default;
};

// By part, in their order; what stands on casters or legs says so of its bottom.
std::vector<Mounting> mountingsOf(const Job& job, const std::vector<Part>& parts);

// Casters or legs under something so wide: four, and two more for every 900 mm begun beyond that.
int feetUnder(Length width);

}  // namespace pp
