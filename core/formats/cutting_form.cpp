#include "core/formats/cutting_form.h"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <limits>
#include <map>
#include <sstream>
#include <utility>

#include "core/formats/whole_rows.h"

namespace pp {
namespace {

constexpr std::int64_t kMost = 1'000'000'000'000'000;  // of nanometres and of anything counted

// The number in the name of a piece of that sheet, 0 for the sheet itself; none: it is called
// otherwise.
std::optional<int> numberIn(const std::string& piece, const std::string& sheet) {
  if (piece == sheet) return 0;
  if (!piece.starts_with(sheet) || piece.size() < sheet.size() + 2 || piece[sheet.size()] != '.')
    return std::nullopt;
  int out = 0;
  const char* const first = piece.data() + sheet.size() + 1;
  const char* const last = piece.data() + piece.size();
  const auto [end, error] = std::from_chars(first, last, out);
  if (error != std::errc() || end != last || out < 1 || *first == '0') return std::nullopt;
  return out;
}

std::string pieceNamed(const std::string& sheet, std::int64_t number) {
  return number == 0 ? sheet : fmt::format("{}.{}", sheet, number);
}

// Direction, fence and kind in one number: 1 across, 2 the high side, and four times the kind.
std::int64_t codeOf(const SawCut& cut) {
  return (cut.direction == CutDirection::Cross ? 1 : 0) + (cut.fence == FenceSide::High ? 2 : 0) +
         4 * static_cast<int>(cut.kind);
}

// The pieces of a sheet that are not cut further, in the order of their numbers.
std::vector<PieceEnd> endsOf(std::size_t sheet, const std::string& name,
                             const std::vector<const SawCut*>& cuts,
                             const std::map<int, PieceEnd>& known) {
  std::map<int, bool> lies{{0, true}};
  for (const SawCut* cut : cuts) {
    lies[numberIn(cut->piece, name).value_or(0)] = false;
    for (const auto* off : {&cut->low, &cut->high})
      if (*off) lies.emplace(numberIn(**off, name).value_or(0), true);
  }
  std::vector<PieceEnd> out;
  for (const auto& [number, there] : lies) {
    if (!there) continue;
    const auto end = known.find(number);
    out.push_back(end != known.end()
                      ? end->second
                      : PieceEnd{pieceNamed(name, number), PieceEnd::Kind::Waste, sheet, 0});
  }
  return out;
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

class Reader {
 public:
  explicit Reader(CuttingForm form) : form_(std::move(form)) {}

  Result<Cutting> run() {
    out_.number = form_.number;
    out_.scope = form_.scope;
    out_.bars = form_.barCuts;
    for (std::size_t k = 0; k < form_.plans.size(); ++k) {
      if (form_.plans[k].whole) {
        out_.plans.push_back(std::move(*form_.plans[k].whole));
        continue;
      }
      CuttingPlan made;
      if (const std::string where = plan(k, made); !where.empty())
        return Problem{{},
                       0,
                       fmt::format("plans/{}/{}", k, where),
                       "rows that are none of a plan's",
                       "whole numbers of what the plan has"};
      out_.plans.push_back(std::move(made));
    }
    return std::move(out_);
  }

 private:
  // Empty, or the field that is wrong.
  std::string plan(std::size_t k, CuttingPlan& made) {
    PlanForm& form = form_.plans[k];
    made.parts = form_.parts;
    made.lumber = form_.lumber;
    made.request = std::move(form.request);
    made.request.barParts = form_.barParts;
    made.request.barStock = form_.barStock;
    made.plan.bars = form_.bars;
    made.plan.troubles = std::move(form.troubles);
    made.plan.bound = form.bound;
    made.plan.cost = form.cost;
    made.plan.setups = form.setups;
    if (form.from < 0 || form.from > static_cast<int>(k)) return "from";
    const CuttingPlan* before =
        form.from > 0 ? &std::as_const(out_.plans)[static_cast<std::size_t>(form.from - 1)]
                      : nullptr;
    if (form.shop)
      made.request.shop = std::move(*form.shop);
    else if (before != nullptr)
      made.request.shop = before->request.shop;
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
    if (!stock(form, before, made.request)) return "stockQuantities";
    return sheets(k, made);
  }

  static bool stock(PlanForm& form, const CuttingPlan* before, NestRequest& request) {
    if (before != nullptr) request.stock = before->request.stock;
    RowsReader rows(form.stockQuantities);
    while (rows.row()) {
      const std::int64_t at = rows.next(0, std::ssize(request.stock) - 1);
      const std::int64_t quantity = rows.next(-1, kMost);
      if (rows.isWrong()) break;
      auto& of = request.stock[static_cast<std::size_t>(at)].quantity;
      of = quantity < 0 ? std::nullopt : std::optional(quantity);
    }
    for (StockSupply& one : form.stock) request.stock.push_back(std::move(one));
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
    while (rows.row()) {
      const std::int64_t at = rows.next(0, std::ssize(cuts) - 1);
      const std::int64_t setup = rows.next(0, kMost);
      if (rows.isWrong()) return false;
      const auto sheet = static_cast<std::size_t>(at);
      if (next[sheet] >= cuts[sheet].size()) return false;
      SawCut& cut = plan.cuts.emplace_back(std::move(cuts[sheet][next[sheet]++]));
      cut.step = static_cast<int>(plan.cuts.size());
      cut.setup = static_cast<int>(std::min<std::int64_t>(setup, std::numeric_limits<int>::max()));
    }
    for (std::size_t i = 0; i < cuts.size(); ++i)
      if (next[i] != cuts[i].size()) return false;
    return !rows.isWrong();
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
      p.x = Length::nm(placements.next(-kMost, kMost));
      p.y = Length::nm(placements.next(-kMost, kMost));
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
      for (Length* one : {&left.x, &left.y, &left.dx, &left.dy})
        *one = Length::nm(leftovers.next(-kMost, kMost));
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
    out.at = Length::nm(rows.next(-kMost, kMost));
    out.distance = out.at + Length::nm(rows.next(-kMost, kMost));
    for (auto* off : {&out.low, &out.high})
      if (const std::int64_t number = rows.next(-1, kMost); number >= 0)
        *off = pieceNamed(name, number);
    if (rows.more()) {
      const Length from = Length::nm(rows.next(-kMost, kMost));
      out.play = Play{from, Length::nm(rows.next(-kMost, kMost))};
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

CuttingForm formOf(const Cutting& cutting) {
  return Writer(cutting).run();
}

Result<Cutting> cuttingOf(CuttingForm form) {
  return Reader(std::move(form)).run();
}

}  // namespace pp
