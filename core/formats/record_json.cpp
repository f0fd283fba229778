#include "core/formats/record_json.h"

#include <fmt/format.h>

#include <algorithm>
#include <functional>
#include <optional>
#include <thread>
#include <utility>

#include "core/fields/archive.h"
#include "core/formats/cutting_form.h"
#include "core/formats/event_json.h"
#include "core/formats/part_fields.h"
#include "core/formats/plan_fields.h"
#include "core/formats/texts.h"
#include "core/nest/work/workers.h"
#include "core/saw/playback.h"

namespace pp {

void fields(Archive& a, ReservedCodes& v) {
  a.must("assembly", v.assembly);
  a.must("code", v.code);
  a.must("last", v.last);
  a("onPaper", v.onPaper);
}

void fields(Archive& a, KeptPlan& v) {
  a.must("nested", v.nested);
  a.must("plan", v.plan);
}

void fields(Archive& a, Scope& v) {
  a("assemblies", v.assemblies);
  texts(
      a, "roles", v.roles, [](PartRole role) { return std::string(roleWord(role)); }, parseRole,
      "the word for what a part is");
}

void fields(Archive& a, CuttingPlan& v) {
  a.must("parts", v.parts);
  a("lumber", v.lumber);
  a.must("request", v.request);
  a.must("plan", v.plan);
}

void fields(Archive& a, SheetForm& v) {
  a.must("stock", v.stock);
  a.unlessDefault("plan", v.plan);
  a.unlessDefault("sheet", v.sheet);
  a.unlessDefault("order", v.order);
  a.unlessDefault("placements", v.placements);
  a.unlessDefault("leftovers", v.leftovers);
  a.unlessDefault("cuts", v.cuts);
  a.unlessDefault("parts", v.parts);
  a.unlessDefault("kept", v.kept);
}

void fields(Archive& a, SawForm& v) {
  a.must("machine", v.machine);
  a.must("kerf", v.kerf);
  a.unlessDefault("tilted", v.tilted);
}

void fields(Archive& a, PlanForm& v) {
  if (a.wants("whole", v.whole)) return a("whole", *v.whole);
  a.unlessDefault("quantities", v.quantities);
  a.must("stock", v.stock);
  a("shop", v.shop);
  restOfRequest(a, v.request);
  a.must("order", v.order);
  a.must("sheets", v.sheets);
  restOfPlan(a, v.troubles, v.bound, v.cost, v.setups);
}

void fields(Archive& a, PieceId& v) {
  a.must("code", v.code);
  a.must("number", v.number);
}

namespace saw {

void fields(Archive& a, BarCut& v) {
  a.must("cut", v.cut);
  a.unlessDefault("after", v.after);
  a("gives", v.piece);
  a.must("length", v.length);
  a.must("width", v.width);
  a.must("stock", v.stock);
  a.must("bar", v.bar);
}

}  // namespace saw

void fields(Archive& a, CuttingForm& v) {
  a.must("number", v.number);
  a("scope", v.scope);
  a.sparse("parts", v.parts);
  a.sparse("lumber", v.lumber);
  a.sparse("wanted", v.wanted);
  a.sparse("stock", v.stock);
  a("barParts", v.barParts);
  a("barStock", v.barStock);
  a("bars", v.bars);
  a.sparse("barCuts", v.barCuts);
  a.unlessDefault("unit", v.unit, 1);
  a("saws", v.saws);
  a.must("plans", v.plans);
}

namespace {

int depthOf(const CutTree& tree) {
  int out = 0;
  for (const CutTree& child : tree.children) out = std::max(out, depthOf(child));
  return out + 1;
}

// A reader stops at two hundred levels; each of a tree's takes two of them.
bool canBeRead(const Plan& plan) {
  constexpr int kDeepest = 90;
  return std::all_of(plan.sheets.begin(), plan.sheets.end(),
                     [](const PlannedSheet& sheet) { return depthOf(sheet.tree) < kDeepest; });
}

}  // namespace

void fields(Archive& a, Record& v) {
  a("codes", v.codes);
  a("scope", v.scope);
  std::optional<KeptPlan> none;
  a("plan", !a.reads() && v.plan && !canBeRead(v.plan->plan) ? none : v.plan);
  std::vector<CuttingForm> cuttings;
  if (!a.reads())
    for (const Cutting& cutting : v.cuttings) cuttings.push_back(formOf(cutting));
  a("cuttings", cuttings);
  if (a.reads()) {
    v.cuttings.clear();
    for (std::size_t i = 0; i < cuttings.size(); ++i) {
      auto made = cuttingOf(std::move(cuttings[i]));
      if (made)
        v.cuttings.push_back(std::move(made).value());
      else
        a.refuse(fmt::format("cuttings/{}/{}", i, made.problems().front().field).c_str(),
                 made.problems().front().found, made.problems().front().expected);
    }
  }
  a("events", v.events);
}

namespace {

// What makes a plan that was cut by one that cannot be. `doubt`: what else is wrong with it, where
// that is asked.
std::optional<std::string> wrongWith(CuttingPlan& one, std::string* doubt) {
  const NestRequest& request = one.request;
  const auto numbered = [](const auto& row) {
    return row.numbers.empty() || std::ssize(row.numbers) == row.quantity;
  };
  if (one.parts.size() != request.parts.size() || one.lumber.size() != request.barParts.size())
    return "other parts than it was asked for";
  const auto keyed = [](const Part& part) { return !part.keys.empty(); };
  if (!std::all_of(one.parts.begin(), one.parts.end(), keyed) ||
      !std::all_of(one.lumber.begin(), one.lumber.end(), keyed))
    return "a part without a key";
  if (!std::all_of(request.parts.begin(), request.parts.end(), numbered) ||
      !std::all_of(request.barParts.begin(), request.barParts.end(),
                   [&](const BarPart& row) { return numbered(row.wanted); }))
    return "another count of numbers than of pieces";
  if (!one.plan.complete()) return "parts without a place";
  if (!saw::isWithin(request, one.plan)) return "a part, sheet or piece that is not there";
  saw::addAreas(request, one.plan);
  if (doubt != nullptr) {
    *doubt = describe(saw::verify(request, one.plan), 200);
    if (doubt->empty()) return std::nullopt;
  }
  if (const Problems wrong = saw::verifyPieces(request, one.plan); !wrong.empty())
    return describe(wrong, 200);
  return std::nullopt;
}

}  // namespace

void check(Record& record, const std::string& pointer, Problems& problems) {
  for (std::size_t i = 0; i < record.cuttings.size(); ++i) {
    Cutting& cutting = record.cuttings[i];
    const std::string at = fmt::format("{}/cuttings/{}", pointer, i);
    if (cutting.number != static_cast<int>(i) + 1 || cutting.plans.empty())
      problems.push_back({{}, 0, at, "a cutting out of turn or without a plan", "1, 2, 3 ..."});
    if (cutting.plans.empty()) continue;
    const std::size_t before = problems.size();
    std::vector<std::optional<std::string>> wrong(cutting.plans.size());
    std::vector<std::function<void()>> tasks;
    for (std::size_t k = 0; k < wrong.size(); ++k)
      tasks.push_back([&wrong, &plan = cutting.plans[k], k,
                       doubt = k + 1 == wrong.size() ? &cutting.doubt : nullptr] {
        wrong[k] = wrongWith(plan, doubt);
      });
    nest::runAll(tasks, std::thread::hardware_concurrency());
    for (std::size_t k = 0; k < wrong.size(); ++k)
      if (wrong[k])
        problems.push_back({{},
                            0,
                            fmt::format("{}/plans/{}", at, k),
                            *wrong[k],
                            "a plan that plays back to its parts"});
    // Before version 6 they were worked out whenever they were needed.
    if (cutting.bars.empty() && problems.size() == before)
      cutting.bars = saw::barCuts(std::as_const(cutting).plans.front());
  }
  for (std::size_t i = 1; i < record.events.size(); ++i)
    if (record.events[i].seq <= record.events[i - 1].seq)
      problems.push_back({{},
                          0,
                          fmt::format("{}/events/{}/seq", pointer, i),
                          std::to_string(record.events[i].seq),
                          "more than the one before"});
}

}  // namespace pp
