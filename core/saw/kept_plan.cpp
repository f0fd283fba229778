#include "core/saw/kept_plan.h"

#include <algorithm>

#include "core/saw/playback.h"

namespace pp::saw {
namespace {

bool areWithin(const CutTree& tree, std::size_t placements) {
  if (tree.kind == CutTree::Kind::Part && tree.placement >= placements) return false;
  return std::all_of(tree.children.begin(), tree.children.end(),
                     [&](const CutTree& child) { return areWithin(child, placements); });
}

// Whether all indices of the plan are of things that the request and the plan have.
bool areWithin(const NestRequest& request, const Plan& plan) {
  const auto part = [&request](const auto& one) { return one.part < request.parts.size(); };
  return std::all_of(plan.sheets.begin(), plan.sheets.end(),
                     [&](const PlannedSheet& sheet) {
                       return sheet.stock < request.stock.size() &&
                              std::all_of(sheet.placements.begin(), sheet.placements.end(), part) &&
                              areWithin(sheet.tree, sheet.placements.size());
                     }) &&
         std::all_of(plan.unplaced.begin(), plan.unplaced.end(), part) &&
         std::all_of(plan.cuts.begin(), plan.cuts.end(),
                     [&plan](const SawCut& cut) { return cut.sheet < plan.sheets.size(); });
}

}  // namespace

std::optional<Plan> planFor(const Record& record, const NestRequest& request) {
  if (!record.plan || record.plan->nested != fingerprint(request)) return std::nullopt;
  Plan plan = record.plan->plan;
  if (!areWithin(request, plan)) return std::nullopt;
  for (const PlannedSheet& sheet : plan.sheets) {
    const StockSupply& stock = request.stock[sheet.stock];
    plan.sheetArea += stock.length * stock.width;
    for (const Placement& p : sheet.placements) plan.partArea += p.dx * p.dy;
  }
  if (!verify(request, plan).empty()) return std::nullopt;
  return plan;
}

}  // namespace pp::saw
