#include "core/store/good_for.h"

#include <algorithm>

namespace pp {
namespace {

// Whether a rectangle so long and wide lies clear of all defects in some corner.
bool liesInACorner(const RackPiece& piece, Length length, Length width) {
  if (length > piece.length || width > piece.width) return false;
  for (const Length x : {Length{}, piece.length - length})
    for (const Length y : {Length{}, piece.width - width})
      if (std::none_of(piece.defects.begin(), piece.defects.end(),
                       [&](const Defect& one) { return one.meets(x, y, length, width); }))
        return true;
  return false;
}

}  // namespace

bool gives(const RackPiece& piece, const Part& part) {
  const Length length = part.cutLength();
  const Length width = part.blank();
  const bool grained = piece.grain != SheetGrain::None && part.grain != PartGrain::Any;
  // Whether the part's length lies along the piece's.
  const bool straight = (piece.grain == SheetGrain::Length) == (part.grain == PartGrain::Length);
  return ((!grained || straight) && liesInACorner(piece, length, width)) ||
         ((!grained || !straight) && liesInACorner(piece, width, length));
}

std::int64_t goodFor(const Job& job, const std::vector<Part>& parts, const StoreState& state,
                     const RackPiece& piece) {
  const auto theirs =
      std::find_if(state.materials.begin(), state.materials.end(),
                   [&piece](const RackMaterial& one) { return one.id == piece.material; });
  if (theirs == state.materials.end()) return 0;
  std::int64_t out = 0;
  for (const Part& part : parts) {
    const Material* own = findMaterial(job, part.material);
    if (own != nullptr && own->name == theirs->name && own->nominal == theirs->nominal &&
        gives(piece, part))
      out += part.blanks();
  }
  return out;
}

}  // namespace pp
