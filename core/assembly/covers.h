// Heads that are seen when all is built, and what covers them.
#pragma once

#include "core/assembly/joints.h"
#include "core/shop/needs.h"

namespace pp::bench {

// Heads in faces that are seen, of all pieces: they are plugged or filled before anything is
// sanded. Those in boxes that are pulled out are let be.
struct SeenHeads {
  std::int64_t screws = 0, brads = 0;
  std::int64_t painted = 0;  // of the screws, in faces that are painted: filled, not plugged
  bool operator==(const SeenHeads&) const = default;
};
SeenHeads seenHeads(const std::vector<Pieces>& pieces, const Job& job);
// A plug a screw, and filler where heads are painted over.
std::vector<Need> coverNeeds(const SeenHeads& heads);
// Of all that is drawn.
std::vector<Need> coverNeeds(const std::vector<Part>& parts, const Job& job);

}  // namespace pp::bench
