#include <fmt/format.h>

#include <algorithm>
#include <initializer_list>
#include <map>
#include <numeric>
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
    out_.unit = unit();
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
  // The greatest that all lengths are multiples of.
  std::int64_t unit() const {
    std::int64_t out = 0;
    const auto see = [&out](std::initializer_list<Length> lengths) {
      for (const Length one : lengths) out = std::gcd(out, one.inNm());
    };
    for (const CuttingPlan& of : cutting_.plans) {
      for (const PlannedSheet& sheet : of.plan.sheets) {
        for (const Placement& p : sheet.placements) see({p.x, p.y});
        for (const Leftover& left : sheet.leftovers) see({left.x, left.y, left.dx, left.dy});
      }
      for (const SawCut& cut : of.plan.cuts) {
        see({cut.at, cut.distance});
        if (cut.play) see({cut.play->from, cut.play->to});
      }
    }
    return std::clamp<std::int64_t>(out, 1, kLargestUnit);
  }
  std::int64_t inUnits(Length length) const { return length.inNm() / out_.unit; }

  // Whether it can be written in rows.
  bool plan(std::size_t k, PlanForm& form) {
    const CuttingPlan& of = cutting_.plans[k];
    const CuttingPlan& first = cutting_.plans.front();
    const NestRequest& request = of.request;
    if (!shares(of.parts, first.parts) || !shares(of.lumber, first.lumber) ||
        request.barParts != first.request.barParts || request.barStock != first.request.barStock ||
        of.plan.bars != first.plan.bars || !of.plan.complete() || !wanted(request, form))
      return false;
    stock(k, form);
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

  void stock(std::size_t k, PlanForm& form) {
    const NestRequest& request = cutting_.plans[k].request;
    RowsWriter rows;
    for (const StockSupply& one : request.stock) {
      StockSupply row = one;
      row.quantity.reset();
      std::vector<std::size_t>& like = stock_[{row.id, row.piece}];
      auto at = std::find_if(like.begin(), like.end(),
                             [&](std::size_t i) { return out_.stock[i] == row; });
      if (at == like.end()) {
        at = like.insert(at, out_.stock.size());
        out_.stock.push_back(std::move(row));
      }
      rows.add(static_cast<std::int64_t>(*at));
      rows.add(one.quantity.value_or(-1));
      rows.end();
    }
    form.stock = rows.take();
    if (k == 0 || request.shop != cutting_.plans[k - 1].request.shop) form.shop = request.shop;
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
      if (i == 0 || cut.setup != of.plan.cuts[i - 1].setup) {
        if (i > 0) order.end();
        order.add(cut.setup);
      }
      order.add(static_cast<std::int64_t>(cut.sheet));
    }
    if (!of.plan.cuts.empty()) order.end();
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
           {static_cast<std::int64_t>(p.part), p.copy, inUnits(p.x), inUnits(p.y)})
        rows.add(one);
      rows.add(p.turned ? 1 : 0);
      rows.end();
    }
    out.placements = rows.take();
    for (std::size_t n = 0; n < sheet.leftovers.size(); ++n) {
      const Leftover& left = sheet.leftovers[n];
      if (left.id != fmt::format("{}-K{}", name, n + 1)) return false;
      for (const Length one : {left.x, left.y, left.dx, left.dy}) rows.add(inUnits(one));
      rows.end();
    }
    out.leftovers = rows.take();
    for (const SawCut* cut : cuts) {
      const auto piece = numberIn(cut->piece, name);
      if (!piece) return false;
      rows.add(*piece);
      rows.add(sawOf(*cut));
      rows.add(codeOf(*cut));
      rows.add(inUnits(cut->at));
      rows.add(inUnits(cut->distance - cut->at));
      for (const auto* off : {&cut->low, &cut->high}) {
        const auto number = *off ? numberIn(**off, name) : std::optional(-1);
        if (!number) return false;
        rows.add(*number);
      }
      if (cut->play) {
        rows.add(inUnits(cut->play->from));
        rows.add(inUnits(cut->play->to));
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
  // Rows of the stock, by what they are called.
  std::map<std::pair<std::string, std::string>, std::vector<std::size_t>> stock_;
};

}  // namespace

CuttingForm formOf(const Cutting& cutting) {
  return Writer(cutting).run();
}

}  // namespace pp
