#include "core/floor/labels.h"

#include <algorithm>

#include "core/floor/progress.h"
#include "core/floor/record.h"
#include "core/saw/bar_cuts.h"

namespace pp::floor {
namespace {

// The next label of that thing, where it has fewer than are wanted.
void owe(std::vector<LabelOwed>& out, const Progress& progress, Labelled on, int cutting) {
  const auto at = progress.labels.find(on);
  const LabelCount count = at == progress.labels.end() ? LabelCount{} : at->second;
  if (count.printed <= count.again) out.push_back({std::move(on), count.next(), cutting});
}

// What a piece of a plan is, where a label goes on it.
std::optional<Labelled> labelled(const CuttingPlan& plan, const std::string& piece, int cutting) {
  const auto end = std::find_if(plan.plan.ends.begin(), plan.plan.ends.end(),
                                [&](const PieceEnd& one) { return one.piece == piece; });
  if (end == plan.plan.ends.end() || end->kind == PieceEnd::Kind::Waste) return std::nullopt;
  const PlannedSheet& sheet = plan.plan.sheets[end->sheet];
  if (end->kind == PieceEnd::Kind::Leftover)
    return Labelled{std::nullopt, cutting, sheet.leftovers[end->index].id};
  return Labelled{pieceAt(plan, sheet.placements[end->index]), 0, {}};
}

}  // namespace

std::vector<LabelOwed> labelsOwed(const Progress& progress) {
  std::vector<LabelOwed> out;
  for (const auto& [piece, state] : progress.pieces)
    if (!state.spoiled) owe(out, progress, {piece, 0, {}}, state.cutting);
  for (const auto& [number, cutting] : progress.cuttings)
    for (const std::string& leftover : cutting.returned)
      owe(out, progress, {std::nullopt, number, leftover}, number);
  return out;
}

bool isCutFurther(const Cutting& cutting, int plan, int holds, const std::string& piece) {
  for (int later = plan; later < holds; ++later) {
    const CuttingPlan& of = cutting.plans[static_cast<std::size_t>(later)];
    for (const PlannedSheet& sheet : of.plan.sheets)
      if (of.request.stock[sheet.stock].piece == piece) return true;
  }
  return false;
}

std::vector<Labelled> leftoversLying(const std::vector<Cutting>& cuttings,
                                     const Progress& progress) {
  std::vector<Labelled> out;
  for (const Cutting& cutting : cuttings) {
    const auto now = progress.cuttings.find(cutting.number);
    if (now == progress.cuttings.end()) continue;
    for (int plan = 0; plan < now->second.plan; ++plan) {
      const Plan& of = cutting.plans[static_cast<std::size_t>(plan)].plan;
      for (const PieceEnd& end : of.ends)
        if (end.kind == PieceEnd::Kind::Leftover && now->second.bench.count(end.piece) > 0 &&
            !isCutFurther(cutting, plan + 1, now->second.plan, end.piece))
          out.push_back(
              {std::nullopt, cutting.number, of.sheets[end.sheet].leftovers[end.index].id});
    }
  }
  return out;
}

std::vector<LabelOwed> cameOffLast(const Record& record, const Progress& progress) {
  std::vector<LabelOwed> out;
  const auto add = [&](const Labelled& on, int cutting) {
    const auto at = progress.labels.find(on);
    out.push_back({on, at == progress.labels.end() ? 1 : at->second.next(), cutting});
  };
  for (auto event = record.events.rbegin(); out.empty() && event != record.events.rend(); ++event) {
    if (event->kind == EventKind::Spare && progress.pieces.count(*event->piece) > 0)
      add({event->piece, 0, {}}, event->cutting);
    if (event->kind != EventKind::CutMade) continue;
    const auto cutting =
        std::find_if(record.cuttings.begin(), record.cuttings.end(),
                     [&](const Cutting& one) { return one.number == event->cutting; });
    const auto now = progress.cuttings.find(event->cutting);
    if (cutting == record.cuttings.end() || now == progress.cuttings.end()) continue;
    if (event->plan == 0) {
      for (const saw::BarCut& bar : saw::barCuts(cutting->plans.front()))
        if (bar.cut.step == event->step && bar.piece && progress.pieces.count(*bar.piece) > 0)
          add({bar.piece, 0, {}}, event->cutting);
      continue;
    }
    const CuttingPlan& plan = cutting->plans[static_cast<std::size_t>(event->plan - 1)];
    const SawCut& cut = plan.plan.cuts[static_cast<std::size_t>(event->step - 1)];
    for (const auto& piece : {cut.low, cut.high}) {
      const auto on = piece ? labelled(plan, *piece, cutting->number) : std::nullopt;
      if (!on) continue;
      if (on->piece ? progress.pieces.count(*on->piece) > 0 : now->second.bench.count(*piece) > 0)
        add(*on, cutting->number);
    }
  }
  return out;
}

std::optional<LeftoverAt> leftoverOf(const std::vector<Cutting>& cuttings, const Labelled& on) {
  for (const Cutting& cutting : cuttings) {
    if (cutting.number != on.cutting) continue;
    // A later plan may give another the same id: that one lies there.
    for (auto plan = cutting.plans.rbegin(); plan != cutting.plans.rend(); ++plan)
      for (const PlannedSheet& sheet : plan->plan.sheets)
        for (const Leftover& left : sheet.leftovers)
          if (left.id == on.leftover) return LeftoverAt{&*plan, &sheet, &left};
  }
  return std::nullopt;
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
