#include "core/floor/balance.h"

#include <algorithm>

namespace pp::floor {
namespace {

// Follows a sheet through its cuts and the plans that took over what was left of it. Sizes are
// reckoned here from the cuts alone.
class Account {
 public:
  Account(const Ledger& ledger, int cutting, const CuttingProgress& at)
      : ledger_(ledger), cutting_(cutting), at_(at), became_(at.became()) {
    for (const auto& [name, piece] : at.returned) returned_.insert(piece);
    for (const LeftoverThere& left : ledger.leftovers())
      if (left.on.cutting == cutting) kept_.insert(left.piece);
  }

  SheetBalance of(const SawnPiece& sheet, const StockSupply& stock) {
    out_ = {};
    out_.cutting = cutting_;
    out_.name = ledger_.nameOf(cutting_, sheet);
    out_.stock = &stock;
    out_.sheet = stock.length * stock.width;
    piece(sheet, stock.length, stock.width);
    return out_;
  }

 private:
  void piece(const SawnPiece& who, Length dx, Length dy) {
    if (const auto next = became_.find(who); next != became_.end()) {
      const CuttingPlan& plan = *ledger_.plan(cutting_, next->second.plan);
      const auto sheet = static_cast<std::size_t>(next->second.which);
      const StockSupply& stock = plan.request.stock[plan.plan.sheets[sheet].stock];
      out_.otherwise += dx * dy - stock.length * stock.width;
      return piece(next->second, stock.length, stock.width);
    }
    const PlanPieces& of = *ledger_.pieces(cutting_, who.plan);
    const PlanPieces::Piece& known = *of.find(who);
    if (at_.madeOf(who.plan).count(known.dividedBy) > 0) return cut(of, known.dividedBy, dx, dy);
    // What lies there, or went to the rack.
    const Area area = dx * dy;
    if (const auto part = of.part(known)) {
      const auto state = ledger_.now().pieces.find(*part);
      const bool spoiled = state != ledger_.now().pieces.end() && state->second.spoiled;
      (spoiled ? out_.spoiled : out_.parts) += area;
    } else if (returned_.count(who) > 0 || kept_.count(who) > 0) {
      out_.leftovers += area;
    } else if (known.dividedBy != 0 && !at_.givenUp && who.plan == at_.plan) {
      out_.toCut += area;
    } else if (known.dividedBy != 0 && Ledger::isWhole(at_, who)) {
      out_.leftovers += area;  // free again as it is
    } else {
      out_.waste += area;
    }
  }

  void cut(const PlanPieces& of, int step, Length dx, Length dy) {
    const int number = of.divided(step)->plan;
    const CuttingPlan& plan = *ledger_.plan(cutting_, number);
    const SawCut& cut = plan.plan.cuts[static_cast<std::size_t>(step - 1)];
    const bool rip = cut.direction == CutDirection::Rip;
    const Length extent = rip ? dy : dx;
    const Length across = rip ? dx : dy;
    Length low = std::max(cut.at, Length{});
    Length high = std::max(extent - cut.at - cut.kerf, Length{});
    // Spares are cut off what came off at the same setting.
    const std::int64_t spares = ledger_.sparesCut(cutting_, number, step);
    Length& off = cut.fence == FenceSide::Low ? high : low;
    off = std::max(Length{}, off - spares * (cut.distance + cut.kerf));
    out_.parts += spares * cut.distance * across;
    out_.kerf += (extent - low - high - spares * cut.distance) * across;
    const auto down = [&](const std::optional<SawnPiece>& who, Length along) {
      if (who)
        piece(*who, rip ? dx : along, rip ? along : dy);
      else
        out_.kerf += along * across;
    };
    down(of.low(step), low);
    down(of.high(step), high);
  }

  const Ledger& ledger_;
  const int cutting_;
  const CuttingProgress& at_;
  const std::map<SawnPiece, SawnPiece> became_;
  std::set<SawnPiece> returned_, kept_;
  SheetBalance out_;
};

}  // namespace

std::vector<SheetBalance> balances(const Ledger& ledger) {
  std::vector<SheetBalance> out;
  for (const auto& [number, at] : ledger.now().cuttings) {
    Account account(ledger, number, at);
    for (const int plan : at.taken) {
      const CuttingPlan& of = *ledger.plan(number, plan);
      for (std::size_t i = 0; i < of.plan.sheets.size(); ++i) {
        const StockSupply& stock = of.request.stock[of.plan.sheets[i].stock];
        if (stock.piece.empty()) out.push_back(account.of({plan, 0, static_cast<int>(i)}, stock));
      }
    }
  }
  return out;
}

std::map<std::string, CodeCount> countsOf(const Ledger& ledger, int cutting) {
  std::map<std::string, CodeCount> out;
  const auto at = ledger.now().cuttings.find(cutting);
  if (at == ledger.now().cuttings.end()) return out;
  // Numbers by code, of the plan that was taken.
  std::map<std::string, std::set<std::int64_t>> first;
  eachRow(*ledger.plan(cutting, 1), [&](const CutRow& row) {
    row.eachNumber([&](std::int64_t number) { first[row.code].insert(number); });
    out[row.code].wanted += row.quantity;
  });
  const auto& pieces = ledger.now().pieces;
  for (const auto& [piece, state] : pieces) {
    if (state.cutting != cutting) continue;
    CodeCount& of = out[piece.code];
    if (state.spare) {
      of.spares += state.spoiled ? 0 : 1;
      continue;
    }
    ++(state.spoiled ? of.spoiled : of.good);
    of.missing += state.spoiled ? 1 : 0;
    if (first[piece.code].count(piece.number) == 0) --of.missing;  // it stands in for another
  }
  if (at->second.givenUp) {
    for (auto& [code, of] : out) of.missing = of.wanted - of.good;
    return out;
  }
  eachRow(*ledger.plan(cutting, at->second.plan), [&](const CutRow& row) {
    CodeCount& of = out[row.code];
    row.eachNumber([&](std::int64_t number) {
      if (pieces.count({row.code, number}) > 0) return;
      ++of.toDo;
      if (first[row.code].count(number) == 0) --of.missing;
    });
  });
  return out;
}

CodeCount countOf(const Ledger& ledger, int cutting, const std::string& code) {
  return countsOf(ledger, cutting)[code];
}

}  // namespace pp::floor
