#include "core/saw/sequence.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <map>
#include <stdexcept>
#include <utility>

#include "core/saw/schedule.h"

namespace pp::saw {
namespace {

std::string pieceName(const std::string& sheet, int piece) {
  return piece == 0 ? sheet : fmt::format("{}.{}", sheet, piece);
}

std::string machineName(const Shop& shop, const Cut& cut) {
  if (cut.machine < 0) return "no saw";
  const std::string& name = shop.machines[static_cast<std::size_t>(cut.machine)].name;
  return cut.tilted ? name + ", tilted 45" : name;
}

SawCut named(const Shop& shop, std::size_t sheet, const std::string& name, const Cut& cut) {
  SawCut out;
  out.sheet = sheet;
  out.piece = pieceName(name, cut.piece);
  out.machine = machineName(shop, cut);
  out.direction = cut.direction;
  out.at = cut.at;
  out.kerf = cut.kerf;
  out.tilted = cut.tilted;
  out.kind = cut.kind;
  out.play = cut.play;
  out.fence = cut.fence;
  out.distance = cut.distance;
  if (cut.low >= 0) out.low = pieceName(name, cut.low);
  if (cut.high >= 0) out.high = pieceName(name, cut.high);
  return out;
}

// What every piece is that no cut of the sheet divides.
void addEnds(std::size_t sheet, const std::string& name, const Takedown& taken, Plan& plan) {
  using Kind = PieceEnd::Kind;
  constexpr int kCutFurther = -1;
  std::map<int, int> of;  // piece to its place among the ends to be
  std::vector<PieceEnd> ends;
  const auto lies = [&](int piece) {
    if (piece < 0) return;
    of[piece] = static_cast<int>(ends.size());
    ends.push_back({pieceName(name, piece), Kind::Waste, sheet, 0});
  };
  lies(0);
  for (const Cut& cut : taken.cuts) {
    of[cut.piece] = kCutFurther;
    lies(cut.low);
    lies(cut.high);
  }
  const auto is = [&](int piece, Kind kind, std::size_t index) {
    const int at = of.at(piece);
    if (at == kCutFurther) throw std::logic_error("a piece that becomes a part is cut further");
    PieceEnd& end = ends[static_cast<std::size_t>(at)];
    end.kind = kind;
    end.index = index;
  };
  for (std::size_t i = 0; i < taken.placed.size(); ++i) is(taken.placed[i], Kind::Part, i);
  for (std::size_t i = 0; i < taken.kept.size(); ++i) is(taken.kept[i], Kind::Leftover, i);
  for (const auto& [piece, at] : of)
    if (at != kCutFurther) plan.ends.push_back(std::move(ends[static_cast<std::size_t>(at)]));
}

// Every sheet taken apart, as roughly as makes settings and then cuts fewest, its parts in place:
// what is parted roughly needs no setting for that, but the parts beside it are cut to sizes that
// another may not need. Sheet by sheet where there are not too many, else all alike.
std::vector<Takedown> fewestSettings(const NestRequest& request, Plan& plan,
                                     const std::stop_token& stop) {
  constexpr std::array kAll = {Roughs::All, Roughs::Leftovers, Roughs::None};
  constexpr std::size_t kMany = 24;
  const SizeCount sizes = countSizes(request);
  std::array<std::vector<Takedown>, kAll.size()> taken;
  std::array<std::vector<std::vector<Placement>>, kAll.size()> places;
  for (std::size_t k = 0; k < kAll.size(); ++k)
    for (PlannedSheet& sheet : plan.sheets) {
      if (stop.stop_requested()) return {};
      taken[k].push_back(takeDown(request, sizes, sheet, kAll[k]));
      places[k].push_back(sheet.placements);
    }
  using Value = std::pair<int, std::size_t>;
  const auto valueOf = [&](const std::vector<std::size_t>& choice) {
    std::vector<const std::vector<Cut>*> all;
    Value out;
    for (std::size_t i = 0; i < choice.size(); ++i) {
      all.push_back(&taken[choice[i]][i].cuts);
      out.second += all.back()->size();
    }
    out.first = countSettings(all, request.shop).first;
    return out;
  };
  std::vector<std::size_t> best(plan.sheets.size());
  Value least = valueOf(best);
  const auto tryOne = [&](const std::vector<std::size_t>& choice) {
    const Value value = valueOf(choice);
    if (value >= least) return;
    least = value;
    best = choice;
  };
  for (std::size_t k = 1; k < kAll.size(); ++k)
    tryOne(std::vector<std::size_t>(plan.sheets.size(), k));
  for (std::size_t i = 0; i < plan.sheets.size() && plan.sheets.size() <= kMany; ++i)
    for (std::size_t k = 0; k < kAll.size() && !stop.stop_requested(); ++k) {
      std::vector<std::size_t> choice = best;
      if (std::exchange(choice[i], k) != k) tryOne(choice);
    }
  std::vector<Takedown> out;
  for (std::size_t i = 0; i < best.size(); ++i) {
    plan.sheets[i].placements = std::move(places[best[i]][i]);
    out.push_back(std::move(taken[best[i]][i]));
  }
  return out;
}

}  // namespace

void sequence(const NestRequest& request, Plan& plan, const std::stop_token& stop) {
  const std::vector<Takedown> sheets = fewestSettings(request, plan, stop);
  if (sheets.size() != plan.sheets.size()) return;  // stopped
  std::vector<std::string> names;
  plan.ends.clear();
  for (PlannedSheet& sheet : plan.sheets) {
    if (stop.stop_requested()) return;
    const std::size_t index = names.size();
    sheet.leftovers = sheets[index].leftovers;
    names.push_back(sheetName(request, plan, index));
    for (std::size_t k = 0; k < sheet.leftovers.size(); ++k)
      sheet.leftovers[k].id = fmt::format("{}-K{}", names.back(), k + 1);
    addEnds(index, names.back(), sheets[index], plan);
  }
  std::vector<const std::vector<Cut>*> cuts;
  for (const Takedown& sheet : sheets) cuts.push_back(&sheet.cuts);
  plan.cuts.clear();
  plan.troubles.clear();
  plan.setups = 0;
  for (const Step& step : schedule(cuts, request.shop, stop)) {
    if (stop.stop_requested()) return;
    const Cut& cut = sheets[step.sheet].cuts[step.cut];
    plan.cuts.push_back(named(request.shop, step.sheet, names[step.sheet], cut));
    plan.cuts.back().step = static_cast<int>(plan.cuts.size());
    plan.cuts.back().setup = step.setup;
    plan.setups = std::max(plan.setups, step.setup);
    if (cut.machine < 0)
      plan.troubles.push_back(
          {plan.cuts.back().step, true, "no saw of the shop reaches far enough for this cut"});
    else if (cut.heavy)
      plan.troubles.push_back(
          {plan.cuts.back().step, false, "the piece is more than one person carries to that saw"});
  }
}

}  // namespace pp::saw
