#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <sstream>
#include <utility>

#include "core/formats/cutting_form.h"
#include "core/formats/cutting_names.h"
#include "core/formats/whole_rows.h"

namespace pp {
namespace {

// Direction, fence and kind in one number: 1 across, 2 the high side, and four times the kind.
std::int64_t codeOf(const SawCut& cut) {
  return (cut.direction == CutDirection::Cross ? 1 : 0) + (cut.fence == FenceSide::High ? 2 : 0) +
         4 * static_cast<int>(cut.kind);
}

class Writer {
 public:
  explicit Writer(const Cutting& cutting) : cutting_(cutting) {}

  CuttingForm run() {
    out_.number = cutting_.number;
    out_.scope = cutting_.scope;
    if (cutting_.plans.empty()) return std::move(out_);
    const CuttingPlan& first = cutting_.plans.front();
    out_.parts = first.parts;
    out_.lumber = first.lumber;
    out_.wanted = first.request.parts;
    out_.barParts = first.request.barParts;
    out_.barStock = first.request.barStock;
    out_.bars = first.plan.bars;
    out_.barCuts = cutting_.bars;
    for (std::size_t k = 0; k < cutting_.plans.size(); ++k) {
      PlanForm form;
      if (!plan(k, form)) {
        form = {};
        form.whole = cutting_.plans[k];
      }
      out_.plans.push_back(std::move(form));
    }
    return std::move(out_);
  }

 private:
  // Whether it can be written in rows.
  bool plan(std::size_t k, PlanForm& form) {
    const CuttingPlan& of = cutting_.plans[k];
    const CuttingPlan& first = cutting_.plans.front();
    const NestRequest& request = of.request;
    if (!shares(of.parts, first.parts) || !shares(of.lumber, first.lumber) ||
        request.barParts != first.request.barParts || request.barStock != first.request.barStock ||
        of.plan.bars != first.plan.bars || !of.plan.complete() || !wanted(request, form) ||
        !stock(k, form))
      return false;
    form.request = request;
    form.request.parts.clear();
    form.request.stock.clear();
    form.request.barParts.clear();
    form.request.barStock.clear();
    form.request.shop = {};
    form.troubles = of.plan.troubles;
    form.bound = of.plan.bound;
    form.cost = of.plan.cost;
    form.setups = of.plan.setups;
    return sheets(k, form);
  }

  static bool shares(const SharedRows<Part>& a, const SharedRows<Part>& b) {
    if (a.size() != b.size()) return false;
    for (std::size_t i = 0; i < a.size(); ++i)
      if (!a.sharesRow(i, b, i)) return false;
    return true;
  }

  bool wanted(const NestRequest& request, PlanForm& form) const {
    if (request.parts.size() != out_.wanted.size()) return false;
    RowsWriter rows;
    for (std::size_t i = 0; i < request.parts.size(); ++i) {
      const PartDemand& now = request.parts[i];
      PartDemand same = out_.wanted[i];
      if (now == same) continue;
      same.quantity = now.quantity;
      same.numbers = now.numbers;
      if (now != same) return false;
      rows.add(static_cast<std::int64_t>(i));
      rows.add(now.quantity);
      for (const std::int64_t number : now.numbers) rows.add(number);
      rows.end();
    }
    form.quantities = rows.take();
    return true;
  }

  // Against the last plan before it that it goes on from: one that was taken back is none.
  bool stock(std::size_t k, PlanForm& form) const {
    const NestRequest& request = cutting_.plans[k].request;
    if (k == 0) {
      form.shop = request.shop;
      form.stock = request.stock;
      return true;
    }
    std::size_t from = k;
    while (from > 0 && !continues(cutting_.plans[from - 1].request, request)) --from;
    if (from == 0) return false;
    const NestRequest& before = cutting_.plans[from - 1].request;
    form.from = static_cast<int>(from);
    RowsWriter rows;
    for (std::size_t i = 0; i < before.stock.size(); ++i) {
      if (request.stock[i].quantity == before.stock[i].quantity) continue;
      rows.add(static_cast<std::int64_t>(i));
      rows.add(request.stock[i].quantity.value_or(-1));
      rows.end();
    }
    form.stockQuantities = rows.take();
    if (request.shop != before.shop) form.shop = request.shop;
    form.stock.assign(request.stock.begin() + std::ssize(before.stock), request.stock.end());
    return true;
  }

  // Whether its stock begins with that of the other but for how many there are.
  static bool continues(const NestRequest& before, const NestRequest& after) {
    if (after.stock.size() < before.stock.size()) return false;
    for (std::size_t i = 0; i < before.stock.size(); ++i) {
      StockSupply same = before.stock[i];
      same.quantity = after.stock[i].quantity;
      if (same != after.stock[i]) return false;
    }
    return true;
  }

  std::int64_t sawOf(const SawCut& cut) {
    const SawForm saw{cut.machine, cut.kerf, cut.tilted};
    const auto at = std::find(out_.saws.begin(), out_.saws.end(), saw);
    if (at != out_.saws.end()) return at - out_.saws.begin();
    out_.saws.push_back(saw);
    return std::ssize(out_.saws) - 1;
  }

  bool sheets(std::size_t k, PlanForm& form) {
    const CuttingPlan& of = cutting_.plans[k];
    std::vector<std::vector<const SawCut*>> cuts(of.plan.sheets.size());
    std::vector<std::vector<const PieceEnd*>> ends(of.plan.sheets.size());
    RowsWriter order;
    for (std::size_t i = 0; i < of.plan.cuts.size(); ++i) {
      const SawCut& cut = of.plan.cuts[i];
      if (cut.sheet >= cuts.size() || cut.step != static_cast<int>(i) + 1) return false;
      cuts[cut.sheet].push_back(&cut);
      order.add(static_cast<std::int64_t>(cut.sheet));
      order.add(cut.setup);
      order.end();
    }
    form.order = order.take();
    for (const PieceEnd& end : of.plan.ends) {
      if (end.sheet >= ends.size()) return false;
      ends[end.sheet].push_back(&end);
    }
    for (std::size_t i = 0; i < of.plan.sheets.size(); ++i) {
      SheetForm sheet;
      if (of.plan.sheets[i].stock >= of.request.stock.size()) return false;
      const std::string name = sheetName(of.request, of.plan, i);
      if (!rows(of, i, name, cuts[i], ends[i], sheet)) return false;
      const std::size_t stock = of.plan.sheets[i].stock;
      if (auto same = asBefore(name, sheet))
        sheet = std::move(*same);
      else
        written_[name].push_back({static_cast<int>(k) + 1, i, sheet});
      sheet.stock = stock;
      form.sheets.push_back(std::move(sheet));
    }
    return true;
  }

  bool rows(const CuttingPlan& of, std::size_t i, const std::string& name,
            const std::vector<const SawCut*>& cuts, const std::vector<const PieceEnd*>& ends,
            SheetForm& out) {
    const PlannedSheet& sheet = of.plan.sheets[i];
    RowsWriter rows;
    for (const Placement& p : sheet.placements) {
      if (p.part >= of.request.parts.size()) return false;
      const PartDemand& part = of.request.parts[p.part];
      if (p.dx != (p.turned ? part.width : part.length) ||
          p.dy != (p.turned ? part.length : part.width))
        return false;
      for (const std::int64_t one :
           {static_cast<std::int64_t>(p.part), p.copy, p.x.inNm(), p.y.inNm()})
        rows.add(one);
      rows.add(p.turned ? 1 : 0);
      rows.end();
    }
    out.placements = rows.take();
    for (std::size_t n = 0; n < sheet.leftovers.size(); ++n) {
      const Leftover& left = sheet.leftovers[n];
      if (left.id != fmt::format("{}-K{}", name, n + 1)) return false;
      for (const Length one : {left.x, left.y, left.dx, left.dy}) rows.add(one.inNm());
      rows.end();
    }
    out.leftovers = rows.take();
    for (const SawCut* cut : cuts) {
      const auto piece = numberIn(cut->piece, name);
      if (!piece) return false;
      rows.add(*piece);
      rows.add(sawOf(*cut));
      rows.add(codeOf(*cut));
      rows.add(cut->at.inNm());
      rows.add((cut->distance - cut->at).inNm());
      for (const auto* off : {&cut->low, &cut->high}) {
        const auto number = *off ? numberIn(**off, name) : std::optional(-1);
        if (!number) return false;
        rows.add(*number);
      }
      if (cut->play) {
        rows.add(cut->play->from.inNm());
        rows.add(cut->play->to.inNm());
      }
      rows.end();
    }
    out.cuts = rows.take();
    return becomes(i, name, cuts, ends, sheet, out);
  }

  // What the pieces become; whether that is all that is said of them.
  static bool becomes(std::size_t i, const std::string& name,
                      const std::vector<const SawCut*>& cuts,
                      const std::vector<const PieceEnd*>& ends, const PlannedSheet& sheet,
                      SheetForm& out) {
    std::vector<std::int64_t> parts(sheet.placements.size(), -1);
    std::vector<std::int64_t> kept(sheet.leftovers.size(), -1);
    std::map<int, PieceEnd> known;
    for (const PieceEnd* end : ends) {
      const auto number = numberIn(end->piece, name);
      if (!number) return false;
      if (end->kind == PieceEnd::Kind::Waste) continue;
      auto& list = end->kind == PieceEnd::Kind::Part ? parts : kept;
      if (end->index >= list.size()) return false;
      list[end->index] = *number;
      known.emplace(*number, *end);
    }
    const std::vector<PieceEnd> again = endsOf(i, name, cuts, known);
    if (!std::equal(again.begin(), again.end(), ends.begin(), ends.end(),
                    [](const PieceEnd& a, const PieceEnd* b) { return a == *b; }))
      return false;
    RowsWriter rows;
    for (const auto& [list, text] : {std::pair(&parts, &out.parts), std::pair(&kept, &out.kept)}) {
      for (const std::int64_t one : *list) {
        if (one < 0) return false;
        rows.add(one);
      }
      if (!list->empty()) rows.end();
      *text = rows.take();
    }
    return true;
  }

  struct Written {
    int plan = 0;
    std::size_t sheet = 0;
    SheetForm form;
  };

  static std::vector<std::string> split(const std::string& rows) {
    std::vector<std::string> out;
    std::istringstream in(rows);
    for (std::string one; std::getline(in, one, ';');) out.push_back(one);
    return out;
  }

  // The same sheet of an earlier plan, where there is one.
  std::optional<SheetForm> asBefore(const std::string& name, const SheetForm& sheet) const {
    const auto known = written_.find(name);
    if (known == written_.end()) return std::nullopt;
    for (const Written& one : known->second) {
      const SheetForm& was = one.form;
      if (was.placements != sheet.placements || was.leftovers != sheet.leftovers ||
          was.parts != sheet.parts || was.kept != sheet.kept ||
          was.cuts.size() != sheet.cuts.size())
        continue;
      SheetForm out;
      out.plan = one.plan;
      out.sheet = one.sheet;
      if (was.cuts == sheet.cuts) return out;
      std::map<std::string, std::size_t> place;
      for (std::string& row : split(was.cuts)) place.emplace(std::move(row), place.size());
      RowsWriter order;
      bool same = true;
      for (const std::string& row : split(sheet.cuts)) {
        const auto at = place.find(row);
        same = same && at != place.end();
        if (same) order.add(static_cast<std::int64_t>(at->second));
      }
      if (!same) continue;
      order.end();
      out.order = order.take();
      return out;
    }
    return std::nullopt;
  }

  const Cutting& cutting_;
  CuttingForm out_;
  std::map<std::string, std::vector<Written>> written_;
};

}  // namespace

CuttingForm formOf(const Cutting& cutting) {
  return Writer(cutting).run();
}

}  // namespace pp
