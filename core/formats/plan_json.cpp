#include "core/formats/plan_json.h"

#include <algorithm>
#include <nlohmann/json.hpp>

namespace pp {
namespace {

using Json = nlohmann::ordered_json;

// Millimetres as a number. A double of this many digits prints back as exactly these nanometres.
Json mm(Length length) {
  return length.inMm();
}

// Square metres to six decimals, so that the text does not depend on the last bits of a sum.
Json m2(Area area) {
  constexpr Int128 kNm2PerMicro = 1'000'000'000'000;
  return static_cast<double>((area.inNm2() + kNm2PerMicro / 2) / kNm2PerMicro) / 1e6;
}

Json cutJson(const SawCut& cut, bool ownKerf) {
  const auto name = [](const std::optional<std::string>& piece) {
    return piece ? Json(*piece) : Json(nullptr);
  };
  Json out = {{"step", cut.step},
              {"piece", cut.piece},
              {"machine", cut.machine},
              {"direction", cut.direction == CutDirection::Rip ? "rip" : "cross"},
              {"at", mm(cut.at)}};
  if (ownKerf) out["kerf"] = mm(cut.kerf);
  out["fence"] = cut.fence == FenceSide::Low ? "low" : "high";
  static constexpr const char* kCutKinds[] = {"trim", "rough", "over", "final"};
  out["kind"] = kCutKinds[static_cast<std::size_t>(cut.kind)];
  if (cut.play) out["play"] = Json::array({mm(cut.play->from), mm(cut.play->to)});
  out["gives"] = Json::array({name(cut.low), name(cut.high)});
  out["setup"] = cut.setup;
  return out;
}

Json sheetJson(const NestRequest& request, const Plan& plan, std::size_t index,
               const std::vector<const SawCut*>& itsCuts, bool ownKerfs) {
  const PlannedSheet& sheet = plan.sheets[index];
  const StockSupply& stock = request.stock[sheet.stock];
  Json placements = Json::array();
  for (const Placement& p : sheet.placements)
    placements.push_back({{"code", request.parts[p.part].code},
                          {"copy", p.copy},
                          {"x", mm(p.x)},
                          {"y", mm(p.y)},
                          {"dx", mm(p.dx)},
                          {"dy", mm(p.dy)},
                          {"turned", p.turned}});
  Json offcuts = Json::array();
  for (const Leftover& k : sheet.leftovers)
    offcuts.push_back(
        {{"id", k.id}, {"x", mm(k.x)}, {"y", mm(k.y)}, {"dx", mm(k.dx)}, {"dy", mm(k.dy)}});
  Json cuts = Json::array();
  for (const SawCut* cut : itsCuts) cuts.push_back(cutJson(*cut, ownKerfs));
  Json out = {{"index", index + 1},         {"stock", stock.id},
              {"material", stock.material}, {"thickness", mm(stock.thickness)},
              {"length", mm(stock.length)}, {"width", mm(stock.width)}};
  // Put in one by one: a list in braces would copy them.
  out["placements"] = std::move(placements);
  out["offcuts"] = std::move(offcuts);
  out["cuts"] = std::move(cuts);
  return out;
}

}  // namespace

std::string writePlan(const NestRequest& request, const Plan& plan) {
  Json unplaced = Json::array();
  for (const Unplaced& u : plan.unplaced)
    unplaced.push_back(
        {{"code", request.parts[u.part].code}, {"count", u.count}, {"reason", u.reason}});
  const bool ownKerfs =
      std::any_of(plan.cuts.begin(), plan.cuts.end(),
                  [&request](const SawCut& cut) { return cut.kerf != request.kerf; });
  std::vector<std::vector<const SawCut*>> cuts(plan.sheets.size());
  for (const SawCut& cut : plan.cuts) cuts[cut.sheet].push_back(&cut);
  Json sheets = Json::array();
  for (std::size_t i = 0; i < plan.sheets.size(); ++i)
    sheets.push_back(sheetJson(request, plan, i, cuts[i], ownKerfs));
  constexpr double kYieldSteps = 1e6;
  const double yield =
      static_cast<double>(static_cast<std::int64_t>(plan.yield() * kYieldSteps + 0.5)) /
      kYieldSteps;
  constexpr double kMilli = 1e3;
  const double seconds =
      static_cast<double>(static_cast<std::int64_t>(plan.seconds * kMilli + 0.5)) / kMilli;
  Json document = {{"format", "plain-patch-plan"},
                   {"version", 1},
                   {"units", "mm"},
                   {"kerf", mm(request.kerf)},
                   {"status", plan.complete() ? "complete" : "partial"},
                   {"unplaced", unplaced},
                   {"bound",
                    {{"cost", plan.bound.cost.asDouble()},
                     {"sheets", plan.bound.sheets},
                     {"method", plan.bound.method}}},
                   {"totals",
                    {{"sheets", plan.sheets.size()},
                     {"cost", plan.cost.asDouble()},
                     {"part_area", m2(plan.partArea)},
                     {"sheet_area", m2(plan.sheetArea)},
                     {"yield", yield},
                     {"cuts", plan.cuts.size()},
                     {"saw_setups", plan.setups},
                     {"seconds", seconds}}}};
  document["sheets"] = std::move(sheets);
  return document.dump(1) + "\n";
}

}  // namespace pp
