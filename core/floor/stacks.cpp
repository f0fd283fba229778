#include "core/floor/stacks.h"

#include <algorithm>

namespace pp::floor {
namespace {

bool isDone(const Progress& progress, const PieceId& piece) {
  const auto at = progress.pieces.find(piece);
  return at != progress.pieces.end() && !at->second.spoiled;
}

}  // namespace

std::vector<Stack> byAssembly(const Cutting& cutting, const Progress& progress) {
  std::vector<Stack> out;
  const auto of = [&out](const std::string& name) -> Count& {
    const auto at =
        std::find_if(out.begin(), out.end(), [&](const Stack& one) { return one.name == name; });
    if (at != out.end()) return at->parts;
    return out.emplace_back(Stack{name, {}}).parts;
  };
  // What was planned first is what is wanted; what is done may come of a later plan.
  eachRow(cutting.plans.front(),
          [&](const CutRow& row) { of(row.part.assembly).of += row.quantity; });
  std::set<PieceId> seen;
  for (const CuttingPlan& plan : cutting.plans)
    eachRow(plan, [&](const CutRow& row) {
      for (std::int64_t copy = 1; copy <= row.quantity; ++copy) {
        const PieceId id{row.code, row.number(copy)};
        if (isDone(progress, id) && seen.insert(id).second) ++of(row.part.assembly).done;
      }
    });
  return out;
}

std::vector<Stack> bySheet(const CuttingPlan& plan, const Progress& progress) {
  std::vector<Stack> out;
  for (std::size_t i = 0; i < plan.plan.sheets.size(); ++i) {
    Stack one{sheetName(plan.request, plan.plan, i), {}};
    for (const Placement& placement : plan.plan.sheets[i].placements) {
      ++one.parts.of;
      if (isDone(progress, pieceAt(plan, placement))) ++one.parts.done;
    }
    out.push_back(std::move(one));
  }
  return out;
}

}  // namespace pp::floor
