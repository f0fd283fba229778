#include "core/floor/labels.h"

#include <algorithm>

#include "core/floor/progress.h"

namespace pp::floor {
namespace {

// The next label of that thing, where it has fewer than are wanted.
void owe(std::vector<LabelOwed>& out, const Progress& progress, Labelled on, int cutting) {
  const auto at = progress.labels.find(on);
  const LabelCount count = at == progress.labels.end() ? LabelCount{} : at->second;
  if (count.printed <= count.again) out.push_back({std::move(on), count.next(), cutting});
}

}  // namespace

std::vector<LabelOwed> labelsOwed(const Progress& progress) {
  std::vector<LabelOwed> out;
  for (const auto& [piece, state] : progress.pieces)
    if (!state.spoiled) owe(out, progress, {piece, 0, {}}, state.cutting);
  for (const auto& [number, cutting] : progress.cuttings)
    for (const auto& [leftover, piece] : cutting.returned)
      owe(out, progress, {std::nullopt, number, leftover}, number);
  return out;
}

const Part* partOf(const std::vector<Cutting>& cuttings, const PieceId& piece) {
  const Part* out = nullptr;
  for (const Cutting& cutting : cuttings)
    for (const CuttingPlan& plan : cutting.plans)
      eachRow(plan, [&](const CutRow& row) {
        if (row.code != piece.code) return;
        // A spare has a number beyond all that were planned: any row of its code will do.
        if (out == nullptr) out = &row.part;
        for (std::int64_t copy = 1; copy <= row.quantity; ++copy)
          if (row.number(copy) == piece.number) out = &row.part;
      });
  return out;
}

}  // namespace pp::floor
