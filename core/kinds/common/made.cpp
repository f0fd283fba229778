#include "core/kinds/common/made.h"

#include <iterator>

namespace pp {

void Made::refuse(const Problems& problems, const OpeningPath& path, bool drawers) {
  for (const Problem& problem : problems) troubles.push_back({{}, path, drawers, problem});
}

bool Made::take(Result<std::vector<Part>> made, const OpeningPath& path, bool drawers) {
  if (!made) {
    refuse(made.problems(), path, drawers);
    return false;
  }
  parts.insert(parts.end(), std::make_move_iterator(made.value().begin()),
               std::make_move_iterator(made.value().end()));
  return true;
}

}  // namespace pp
