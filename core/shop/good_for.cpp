#include "core/shop/good_for.h"

#include <algorithm>

namespace pp {
namespace {

// Whether a rectangle so long and wide lies clear of all defects somewhere: one that does can be
// pushed to the low edges until it touches them or the far side of a defect.
bool liesClear(const RackPiece& piece, Length length, Length width) {
  std::vector<Length> xs = {Length{}};
  std::vector<Length> ys = {Length{}};
  for (const Defect& one : piece.defects) {
    xs.push_back(one.x + one.width);
    ys.push_back(one.y + one.height);
  }
  for (const Length x : xs)
    for (const Length y : ys)
      if (x + length <= piece.length && y + width <= piece.width &&
          std::none_of(piece.defects.begin(), piece.defects.end(),
                       [&](const Defect& one) { return one.meets(x, y, length, width); }))
        return true;
  return false;
}

}  // namespace

std::vector<WantedPart> wantedParts(const Job& job, const std::vector<Part>& parts) {
  std::vector<WantedPart> out;
  for (const Part& part : parts)
    if (const Material* material = findMaterial(job, part.material))
      out.push_back({material->name, material->nominal, part.cutLength(), part.blank(), part.grain,
                     part.blanks()});
  return out;
}

bool gives(const RackPiece& piece, const WantedPart& part) {
  const bool grained = piece.grain != SheetGrain::None && part.grain != PartGrain::Any;
  // Whether the part's length lies along the piece's.
  const bool straight = (piece.grain == SheetGrain::Length) == (part.grain == PartGrain::Length);
  return ((!grained || straight) && liesClear(piece, part.length, part.width)) ||
         ((!grained || !straight) && liesClear(piece, part.width, part.length));
}

std::int64_t goodFor(const std::vector<WantedPart>& parts, const StoreState& state,
                     const RackPiece& piece) {
  const auto theirs =
      std::find_if(state.materials.begin(), state.materials.end(),
                   [&piece](const RackMaterial& one) { return one.id == piece.material; });
  if (theirs == state.materials.end()) return 0;
  std::int64_t out = 0;
  for (const WantedPart& part : parts)
    if (part.material == theirs->name && part.nominal == theirs->nominal && gives(piece, part))
      out += part.count;
  return out;
}

}  // namespace pp
