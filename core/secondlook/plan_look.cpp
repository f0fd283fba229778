#include "core/secondlook/plan_look.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>
#include <utility>

#include "core/length/format.h"

namespace pp {

std::vector<Finding> checkCuts(const Job&, const std::vector<Part>& parts,
                               const NestRequest& request, const Plan& plan) {
  std::vector<Finding> out;
  for (const bool impossible : {true, false}) {
    const auto is = [impossible](const CutTrouble& one) { return one.impossible == impossible; };
    const auto first = std::find_if(plan.troubles.begin(), plan.troubles.end(), is);
    if (first == plan.troubles.end()) continue;
    const auto count = std::count_if(plan.troubles.begin(), plan.troubles.end(), is);
    const SawCut& cut = plan.cuts[static_cast<std::size_t>(first->step - 1)];
    Finding finding;
    finding.severity = impossible ? Severity::Stop : Severity::Mind;
    const PlannedSheet& sheet = plan.sheets[cut.sheet];
    if (!sheet.placements.empty()) {
      const Part& part = parts[sheet.placements.front().part];
      finding.place = {part.assembly, {}, part.code};
    }
    finding.what = fmt::format("{} {} on {}: {}", count, count == 1 ? "cut" : "cuts",
                               sheetName(request, plan, cut.sheet),
                               impossible ? "no saw makes it" : "needs a second person");
    finding.why = impossible
                      ? fmt::format("Cut {}, {}: {}. Give a saw more reach, or smaller stock.",
                                    first->step, request.stock[sheet.stock].id, first->why)
                      : fmt::format("Cut {}: {}. The shop has no track saw to leave it lying.",
                                    first->step, first->why);
    out.push_back(std::move(finding));
  }
  return out;
}

std::vector<Finding> checkLots(const Job&, const std::vector<Part>& parts,
                               const NestRequest& request, const Plan& plan) {
  std::vector<Finding> out;
  std::map<std::pair<std::string, Length>, std::map<std::string, std::size_t>> lots;
  for (const PlannedSheet& sheet : plan.sheets)
    for (const Placement& p : sheet.placements)
      if (request.parts[p.part].shows)
        lots[{request.parts[p.part].material, request.parts[p.part].thickness}]
            [request.stock[sheet.stock].lot] = p.part;
  for (const auto& [material, of] : lots) {
    if (of.size() < 2) continue;
    Finding finding;
    const Part& part = parts[of.rbegin()->second];
    finding.place = {part.assembly, {}, part.code};
    finding.what = fmt::format("{} that shows comes from {} lots", material.first, of.size());
    finding.why =
        "Two lots finish to two colours, and no one lot in the rack has room for all that shows.";
    out.push_back(std::move(finding));
  }
  return out;
}

Finding nearlyFinding(const Job& job, const std::vector<Part>& parts, const nest::Nearly& nearly) {
  const Part& part = parts[nearly.parts.front()];
  const LengthStyle style = styleOf(job);
  Finding out;
  out.severity = Severity::Tip;
  out.place = {part.assembly, part.opening, part.code};
  const std::string gain =
      fmt::format("{} {}", nearly.sheets, nearly.sheets == 1 ? "sheet" : "sheets");
  std::string what = fmt::format("{} {}", part.code, part.name);
  if (nearly.parts.size() > 1)
    what += fmt::format(" and {} of the same size", nearly.parts.size() - 1);
  if (!nearly.material.empty()) {
    out.what = fmt::format("{} from {} would save {}", what, nearly.material, gain);
    out.why = fmt::format("Tried: the plan is then {} cheaper.", format(nearly.saved));
    return out;
  }
  const std::string by = formatWithUnit(nearly.by, style);
  out.what =
      fmt::format("{} {} {} would save {}", what, by, nearly.length ? "shorter" : "narrower", gain);
  out.why = fmt::format("Tried: with {} that much smaller the plan is {} cheaper.",
                        part.quantity == 1 && nearly.parts.size() == 1 ? "it" : "all of them",
                        format(nearly.saved));
  std::set<Id> boards;
  for (const std::size_t changed : nearly.parts)
    for (const PartKey& key : parts[changed].keys) {
      if (key.assembly != 0) return out;  // it follows from a drawing
      boards.insert(key.opening);
    }
  out.fix = Fix{fmt::format("Make it {} {}", by, nearly.length ? "shorter" : "narrower"),
                [boards, length = nearly.length, less = nearly.by](Job& fixed) {
                  for (std::size_t i = 0; i < fixed.loose.size(); ++i) {
                    if (boards.count(std::as_const(fixed).loose[i].id) == 0) continue;
                    (length ? fixed.loose[i].length : fixed.loose[i].width) -= less;
                  }
                }};
  return out;
}

std::vector<Finding> lookAtPlan(const Job& job, const std::vector<Part>& parts,
                                const NestRequest& request, const Plan& plan) {
  std::vector<Finding> out = checkCuts(job, parts, request, plan);
  const std::vector<Finding> lots = checkLots(job, parts, request, plan);
  out.insert(out.end(), lots.begin(), lots.end());
  return out;
}

}  // namespace pp
