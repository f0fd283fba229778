#include "core/designs/carcass.h"

#include <utility>

namespace pp {
namespace {

void mirror(Opening& opening) {
  std::swap(opening.fronts.left, opening.fronts.right);
  if (opening.door) {
    if (opening.door->hinge == Hinge::Left)
      opening.door->hinge = Hinge::Right;
    else if (opening.door->hinge == Hinge::Right)
      opening.door->hinge = Hinge::Left;
    else if (opening.door->hinge == Hinge::Sliding)
      opening.door->rightInFront = !opening.door->rightInFront;
  }
  auto* split = std::get_if<Split>(&opening.content);
  if (split == nullptr) return;
  if (split->by == SplitBy::Dividers) {
    split->sizes = {split->sizes.rbegin(), split->sizes.rend()};
    split->children = std::vector<Opening>(split->children.rbegin(), split->children.rend());
  }
  for (Opening& child : split->children) mirror(child);
}

}  // namespace

Carcass mirrored(const Carcass& carcass) {
  Carcass out = carcass;
  std::swap(out.wallLeft, out.wallRight);
  std::swap(out.liningLeft, out.liningRight);
  out.back.fromRight = !out.back.fromRight;
  std::swap(out.endLeft, out.endRight);
  std::swap(out.fillerLeft, out.fillerRight);
  if (out.frame) std::swap(out.frame->overhangLeft, out.frame->overhangRight);
  mirror(out.inside);
  return out;
}

}  // namespace pp
