#include "core/floor/cutting.h"

#include <algorithm>

namespace pp {

bool Scope::has(const Part& part) const {
  const auto in = [](const auto& list, auto one) {
    return list.empty() || std::find(list.begin(), list.end(), one) != list.end();
  };
  return in(assemblies, part.keys.front().assembly) && in(roles, part.role);
}

void forgetTrees(Plan& plan) {
  for (PlannedSheet& sheet : plan.sheets) {
    sheet.tree = {};
    sheet.tree.kind = CutTree::Kind::Waste;
  }
}

}  // namespace pp
