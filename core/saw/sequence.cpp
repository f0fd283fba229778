#include "core/saw/sequence.h"

#include <fmt/format.h>

#include "core/saw/schedule.h"

namespace pp::saw {
namespace {

std::string pieceName(std::size_t sheet, int piece) {
  return piece == 0 ? fmt::format("S{}", sheet + 1) : fmt::format("S{}.{}", sheet + 1, piece);
}

std::string machineName(const Shop& shop, const Cut& cut) {
  if (cut.machine < 0) return "no saw";
  const std::string& name = shop.machines[static_cast<std::size_t>(cut.machine)].name;
  return cut.tilted ? name + ", tilted 45" : name;
}

SawCut named(const Shop& shop, std::size_t sheet, const Cut& cut) {
  SawCut out;
  out.sheet = sheet;
  out.piece = pieceName(sheet, cut.piece);
  out.machine = machineName(shop, cut);
  out.direction = cut.direction;
  out.at = cut.at;
  out.kerf = cut.kerf;
  out.tilted = cut.tilted;
  out.fence = cut.fence;
  out.distance = cut.distance;
  if (cut.low >= 0) out.low = pieceName(sheet, cut.low);
  if (cut.high >= 0) out.high = pieceName(sheet, cut.high);
  return out;
}

}  // namespace

void sequence(const NestRequest& request, Plan& plan, const std::stop_token& stop) {
  const SizeCount sizes = countSizes(request);
  std::vector<Takedown> sheets;
  for (PlannedSheet& sheet : plan.sheets) {
    if (stop.stop_requested()) return;
    sheets.push_back(takeDown(request, sizes, sheet));
    sheet.leftovers = sheets.back().leftovers;
    for (std::size_t k = 0; k < sheet.leftovers.size(); ++k)
      sheet.leftovers[k].id = fmt::format("S{}-K{}", sheets.size(), k + 1);
  }
  std::vector<const std::vector<Cut>*> cuts;
  for (const Takedown& sheet : sheets) cuts.push_back(&sheet.cuts);
  plan.cuts.clear();
  plan.troubles.clear();
  plan.setups = 0;
  for (const Step& step : schedule(cuts, request.shop, stop)) {
    if (stop.stop_requested()) return;
    const Cut& cut = sheets[step.sheet].cuts[step.cut];
    plan.cuts.push_back(named(request.shop, step.sheet, cut));
    plan.cuts.back().step = static_cast<int>(plan.cuts.size());
    plan.cuts.back().setup = plan.setups = step.setup;
    if (cut.machine < 0)
      plan.troubles.push_back(
          {plan.cuts.back().step, true, "no saw of the shop reaches far enough for this cut"});
    else if (cut.heavy)
      plan.troubles.push_back(
          {plan.cuts.back().step, false, "the piece is more than one person carries to that saw"});
  }
}

}  // namespace pp::saw
