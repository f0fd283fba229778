#include "core/job/choice.h"

#include <algorithm>

#include "core/job/job.h"

namespace pp {

const EdgeChoice* PartOverride::edge(Side side) const {
  const auto at = std::find_if(edges.begin(), edges.end(),
                               [side](const EdgeChoice& one) { return one.side == side; });
  return at == edges.end() ? nullptr : &*at;
}

PartChoices::PartChoices(const Job& job, Id assembly) {
  for (const PartOverride& one : job.overrides)
    if (one.part.assembly == assembly) all_.push_back(&one);
}

const PartOverride* PartChoices::of(PartRole role, Id opening, int index) const {
  const PartOverride* out = nullptr;
  for (const PartOverride* one : all_)
    if (one->part.role == role && one->part.opening == opening &&
        (one->alike || one->part.index == index))
      out = one;
  return out;
}

const std::string& PartChoices::material(PartRole role, Id opening,
                                         const std::string& ruled) const {
  const PartOverride* one = of(role, opening);
  return one != nullptr && one->material ? *one->material : ruled;
}

}  // namespace pp
