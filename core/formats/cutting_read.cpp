#include <fmt/format.h>

#include <algorithm>
#include <functional>
#include <limits>
#include <map>
#include <thread>
#include <utility>

#include "core/formats/cutting_form.h"
#include "core/formats/cutting_names.h"
#include "core/formats/whole_rows.h"
#include "core/nest/work/workers.h"

namespace pp {
namespace {

constexpr std::int64_t kMost = 1'000'000'000'000'000;  // of nanometres and of anything counted

class Reader {
 public:
  explicit Reader(CuttingForm form) : form_(std::move(form)) {}

  Result<Cutting> run() {
    if (form_.unit < 1 || form_.unit > kLargestUnit)
      return Problem{
          {}, 0, "unit", std::to_string(form_.unit), fmt::format("from 1 to {}", kLargestUnit)};
    out_.number = form_.number;
    out_.scope = form_.scope;
    out_.bars = form_.barCuts;
    std::vector<CuttingPlan> made(form_.plans.size());
    std::vector<std::string> wrong(made.size());
    std::vector<std::function<void()>> tasks;
    for (std::size_t k = 0; k < made.size(); ++k) {
      PlanForm& form = form_.plans[k];
      if (form.whole) {
        made[k] = std::move(*form.whole);
        continue;
      }
      made[k].request = std::move(form.request);
      if (form.shop)
        made[k].request.shop = std::move(*form.shop);
      else if (k > 0)
        made[k].request.shop = made[k - 1].request.shop;
      tasks.push_back([&, k] { wrong[k] = plan(k, made[k]); });
    }
    nest::runAll(tasks, std::thread::hardware_concurrency());
    for (std::size_t k = 0; k < made.size(); ++k) {
      if (!wrong[k].empty())
        return Problem{{},
                       0,
                       fmt::format("plans/{}/{}", k, wrong[k]),
                       "rows that are none of a plan's",
                       "whole numbers of what the plan has"};
      out_.plans.push_back(std::move(made[k]));
    }
    return std::move(out_);
  }

 private:
  // Empty, or the field that is wrong. Of the plans before it only what they are written as is
  // read: several are made at a time.
  std::string plan(std::size_t k, CuttingPlan& made) {
    PlanForm& form = form_.plans[k];
    made.parts = form_.parts;
    made.lumber = form_.lumber;
    made.request.barParts = form_.barParts;
    made.request.barStock = form_.barStock;
    made.plan.bars = form_.bars;
    made.plan.troubles = std::move(form.troubles);
    made.plan.bound = form.bound;
    made.plan.cost = form.cost;
    made.plan.setups = form.setups;
    made.request.parts = form_.wanted;
    RowsReader rows(form.quantities);
    const auto parts = std::ssize(made.request.parts) - 1;
    while (rows.row()) {
      const std::int64_t at = rows.next(0, parts);
      if (rows.isWrong()) break;
      PartDemand& part = made.request.parts[static_cast<std::size_t>(at)];
      part.quantity = rows.next(0, kMost);
      part.numbers.clear();
      while (rows.more() && !rows.isWrong()) part.numbers.push_back(rows.next(0, kMost));
    }
    if (rows.isWrong()) return "quantities";
    if (!stock(form, made.request)) return "stock";
    return sheets(k, made);
  }

  bool stock(const PlanForm& form, NestRequest& request) const {
    RowsReader rows(form.stock);
    while (rows.row()) {
      const std::int64_t at = rows.next(0, std::ssize(form_.stock) - 1);
      const std::int64_t quantity = rows.next(-1, kMost);
      if (rows.isWrong()) break;
      StockSupply& row = request.stock.emplace_back(form_.stock[static_cast<std::size_t>(at)]);
      if (quantity >= 0) row.quantity = quantity;
    }
    return !rows.isWrong();
  }

  std::string sheets(std::size_t k, CuttingPlan& made) {
    PlanForm& form = form_.plans[k];
    Plan& plan = made.plan;
    for (const SheetForm& sheet : form.sheets) {
      if (sheet.stock >= made.request.stock.size()) return "sheets";
      plan.sheets.emplace_back().stock = sheet.stock;
    }
    forgetTrees(plan);
    std::vector<std::vector<SawCut>> cuts;
    for (std::size_t i = 0; i < form.sheets.size(); ++i) {
      SheetForm& sheet = form.sheets[i];
      if (sheet.plan != 0) {
        const auto of = static_cast<std::size_t>(sheet.plan - 1);
        if (sheet.plan < 0 || of >= k || form_.plans[of].whole ||
            sheet.sheet >= form_.plans[of].sheets.size() ||
            form_.plans[of].sheets[sheet.sheet].plan != 0)
          return fmt::format("sheets/{}", i);
        const std::size_t stock = sheet.stock;
        std::string order = std::move(sheet.order);
        SheetForm same = form_.plans[of].sheets[sheet.sheet];
        same.stock = stock;
        cuts.emplace_back();
        if (const char* wrong = rows(same, i, made, cuts.back()))
          return fmt::format("sheets/{}/{}", i, wrong);
        if (!order.empty() && !put(order, cuts.back())) return fmt::format("sheets/{}/order", i);
        continue;
      }
      cuts.emplace_back();
      if (const char* wrong = rows(sheet, i, made, cuts.back()))
        return fmt::format("sheets/{}/{}", i, wrong);
    }
    return inOrder(form.order, cuts, plan) ? std::string() : "order";
  }

  static bool put(const std::string& order, std::vector<SawCut>& cuts) {
    RowsReader rows(order);
    std::vector<SawCut> out;
    std::vector<bool> taken(cuts.size());
    if (!rows.row()) return false;
    while (rows.more() && !rows.isWrong()) {
      const std::int64_t at = rows.next(0, std::ssize(cuts) - 1);
      if (rows.isWrong() || taken[static_cast<std::size_t>(at)]) return false;
      taken[static_cast<std::size_t>(at)] = true;
      out.push_back(std::move(cuts[static_cast<std::size_t>(at)]));
    }
    if (rows.row() || rows.isWrong() || out.size() != cuts.size()) return false;
    cuts = std::move(out);
    return true;
  }

  static bool inOrder(const std::string& order, std::vector<std::vector<SawCut>>& cuts,
                      Plan& plan) {
    std::vector<std::size_t> next(cuts.size());
    RowsReader rows(order);
    std::size_t all = 0;
    for (const auto& ofSheet : cuts) all += ofSheet.size();
    plan.cuts.reserve(all);
    while (rows.row()) {
      const std::int64_t setup = rows.next(0, std::numeric_limits<int>::max());
      do {
        const std::int64_t at = rows.next(0, std::ssize(cuts) - 1);
        if (rows.isWrong()) return false;
        const auto sheet = static_cast<std::size_t>(at);
        if (next[sheet] >= cuts[sheet].size()) return false;
        SawCut& cut = plan.cuts.emplace_back(std::move(cuts[sheet][next[sheet]++]));
        cut.step = static_cast<int>(plan.cuts.size());
        cut.setup = static_cast<int>(setup);
      } while (rows.more());
    }
    for (std::size_t i = 0; i < cuts.size(); ++i)
      if (next[i] != cuts[i].size()) return false;
    return !rows.isWrong();
  }

  Length length(RowsReader& rows) const {
    const std::int64_t most = kMost / form_.unit;
    return Length::nm(rows.next(-most, most) * form_.unit);
  }

  // Null, or the field that is wrong.
  const char* rows(const SheetForm& form, std::size_t i, CuttingPlan& made,
                   std::vector<SawCut>& cuts) const {
    PlannedSheet& sheet = made.plan.sheets[i];
    const std::string name = sheetName(made.request, made.plan, i);
    RowsReader placements(form.placements);
    while (placements.row()) {
      const std::int64_t at = placements.next(0, std::ssize(made.request.parts) - 1);
      if (placements.isWrong()) break;
      const PartDemand& part = made.request.parts[static_cast<std::size_t>(at)];
      Placement p;
      p.part = static_cast<std::size_t>(at);
      p.copy = placements.next(1, part.quantity);
      p.x = length(placements);
      p.y = length(placements);
      p.turned = placements.next(0, 1) == 1;
      p.dx = p.turned ? part.width : part.length;
      p.dy = p.turned ? part.length : part.width;
      sheet.placements.push_back(p);
    }
    if (placements.isWrong()) return "placements";
    RowsReader leftovers(form.leftovers);
    while (leftovers.row()) {
      Leftover left;
      left.id = fmt::format("{}-K{}", name, sheet.leftovers.size() + 1);
      for (Length* one : {&left.x, &left.y, &left.dx, &left.dy}) *one = length(leftovers);
      sheet.leftovers.push_back(std::move(left));
    }
    if (leftovers.isWrong()) return "leftovers";
    RowsReader each(form.cuts);
    while (each.row()) cuts.push_back(cut(each, i, name));
    if (each.isWrong()) return "cuts";
    return ends(form, i, name, cuts, made.plan);
  }

  SawCut cut(RowsReader& rows, std::size_t sheet, const std::string& name) const {
    SawCut out;
    out.sheet = sheet;
    out.piece = pieceNamed(name, rows.next(0, kMost));
    const std::int64_t saw = rows.next(0, std::ssize(form_.saws) - 1);
    const std::int64_t code = rows.next(0, 15);
    if (rows.isWrong()) return out;
    const SawForm& of = form_.saws[static_cast<std::size_t>(saw)];
    out.machine = of.machine;
    out.kerf = of.kerf;
    out.tilted = of.tilted;
    out.direction = code % 2 == 1 ? CutDirection::Cross : CutDirection::Rip;
    out.fence = code / 2 % 2 == 1 ? FenceSide::High : FenceSide::Low;
    out.kind = static_cast<CutKind>(code / 4);
    out.at = length(rows);
    out.distance = out.at + length(rows);
    for (auto* off : {&out.low, &out.high})
      if (const std::int64_t number = rows.next(-1, kMost); number >= 0)
        *off = pieceNamed(name, number);
    if (rows.more()) {
      const Length from = length(rows);
      out.play = Play{from, length(rows)};
    }
    return out;
  }

  static const char* ends(const SheetForm& form, std::size_t i, const std::string& name,
                          const std::vector<SawCut>& cuts, Plan& plan) {
    std::map<int, PieceEnd> known;
    const auto read = [&](const std::string& text, PieceEnd::Kind kind, std::size_t count) {
      RowsReader rows(text);
      std::size_t index = 0;
      while (rows.row())
        while (rows.more() && !rows.isWrong()) {
          const std::int64_t number = rows.next(0, std::numeric_limits<int>::max());
          known.emplace(static_cast<int>(number),
                        PieceEnd{pieceNamed(name, number), kind, i, index++});
        }
      return !rows.isWrong() && index == count;
    };
    if (!read(form.parts, PieceEnd::Kind::Part, plan.sheets[i].placements.size())) return "parts";
    if (!read(form.kept, PieceEnd::Kind::Leftover, plan.sheets[i].leftovers.size())) return "kept";
    std::vector<const SawCut*> all;
    for (const SawCut& cut : cuts) all.push_back(&cut);
    for (PieceEnd& end : endsOf(i, name, all, known)) plan.ends.push_back(std::move(end));
    return nullptr;
  }

  CuttingForm form_;
  Cutting out_;
};

}  // namespace

Result<Cutting> cuttingOf(CuttingForm form) {
  return Reader(std::move(form)).run();
}

}  // namespace pp
