#include "core/saw/kept_plan.h"

#include <algorithm>

#include "core/plan/fingerprint.h"
#include "core/saw/playback.h"

namespace pp::saw {
namespace {

bool areWithin(const CutTree& tree, std::size_t placements) {
  if (tree.kind == CutTree::Kind::Part && tree.placement >= placements) return false;
  return std::all_of(tree.children.begin(), tree.children.end(),
                     [&](const CutTree& child) { return areWithin(child, placements); });
}

}  // namespace

bool isWithin(const NestRequest& request, const Plan& plan) {
  const auto part = [&request](const auto& one) { return one.part < request.parts.size(); };
  const auto sheet = [&plan](const auto& one) { return one.sheet < plan.sheets.size(); };
  return std::all_of(plan.sheets.begin(), plan.sheets.end(),
                     [&](const PlannedSheet& one) {
                       return one.stock < request.stock.size() &&
                              std::all_of(one.placements.begin(), one.placements.end(), part) &&
                              areWithin(one.tree, one.placements.size());
                     }) &&
         std::all_of(plan.unplaced.begin(), plan.unplaced.end(), part) &&
         std::all_of(plan.cuts.begin(), plan.cuts.end(), sheet) &&
         std::all_of(plan.ends.begin(), plan.ends.end(), sheet);
}

void addAreas(const NestRequest& request, Plan& plan) {
  plan.sheetArea = plan.partArea = {};
  for (const PlannedSheet& sheet : plan.sheets) {
    const StockSupply& stock = request.stock[sheet.stock];
    plan.sheetArea += stock.length * stock.width;
    for (const Placement& p : sheet.placements) plan.partArea += p.dx * p.dy;
  }
}

std::optional<Plan> planFor(const KeptPlan& kept, const NestRequest& request) {
  if (kept.nested != fingerprint(request) || !isWithin(request, kept.plan)) return std::nullopt;
  Plan plan = kept.plan;
  addAreas(request, plan);
  if (!verify(request, plan).empty()) return std::nullopt;
  return plan;
}

}  // namespace pp::saw
