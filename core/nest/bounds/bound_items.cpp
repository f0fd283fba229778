#include "core/nest/bounds/bound_items.h"

#include <algorithm>

namespace pp::nest {

std::vector<BoundItem> boundItems(const Group& group) {
  std::vector<BoundItem> out;
  for (std::size_t b = 0; b < group.blocks.size(); ++b) {
    const Block& block = group.blocks[b];
    const Lie& first = block.lies.front();
    const auto across = [](const Lie& lie, const Member& m) { return lie.alongX ? m.dy : m.dx; };
    const Nm kerf = (first.alongX ? first.h : first.w) - [&] {
      Nm most = 0;
      for (const Member& member : first.members) most = std::max(most, across(first, member));
      return most;
    }();
    const bool even =
        std::all_of(first.members.begin(), first.members.end(), [&](const Member& member) {
          return across(first, member) == across(first, first.members.front());
        });
    const auto inflated = [kerf](const Member& m) {
      return static_cast<Int128>(m.dx + kerf) * (m.dy + kerf);
    };
    if (even) {
      BoundItem item{block.lies, block.copies, 0, b};
      item.area = static_cast<Int128>(first.w) * first.h;
      out.push_back(std::move(item));
      continue;
    }
    for (std::size_t k = 0; k < first.members.size(); ++k) {
      BoundItem item{{}, block.copies, inflated(first.members[k]), b};
      for (const Lie& lie : block.lies) {
        Lie alone;
        alone.w = lie.members[k].dx + kerf;
        alone.h = lie.members[k].dy + kerf;
        std::copy(std::begin(lie.allowed), std::end(lie.allowed), std::begin(alone.allowed));
        item.lies.push_back(std::move(alone));
      }
      out.push_back(std::move(item));
    }
  }
  return out;
}

}  // namespace pp::nest
