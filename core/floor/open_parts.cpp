#include "core/floor/open_parts.h"

#include <algorithm>
#include <map>

#include "core/saw/bar_cuts.h"

namespace pp::floor {
namespace {

void add(Holdings& to, const Part& part, std::int64_t count) {
  const auto keys = static_cast<std::int64_t>(part.keys.size());
  for (std::int64_t k = 0; k < keys; ++k)
    to.pieces[part.keys[static_cast<std::size_t>(k)]] += count / keys + (k < count % keys ? 1 : 0);
}

// The numbers of a row that are held.
std::vector<std::int64_t> heldOf(const CutRow& row, bool underWay, const Progress& progress) {
  std::vector<std::int64_t> out;
  for (std::int64_t copy = 1; copy <= row.quantity; ++copy) {
    const std::int64_t number = row.number(copy);
    const auto piece = progress.pieces.find({row.code, number});
    if (underWay || (piece != progress.pieces.end() && !piece->second.spoiled))
      out.push_back(number);
  }
  return out;
}

bool isAllCut(const Cutting& cutting, const CuttingProgress& at) {
  const auto plan = static_cast<std::size_t>(at.plan - 1);
  return at.made[plan].size() == cutting.plans[plan].plan.cuts.size() &&
         at.bars.size() == saw::barCuts(cutting.plans.front()).size();
}

// Good ones of a code.
std::int64_t sparesOf(const std::string& code, int cutting, const Progress& progress) {
  return std::count_if(progress.pieces.begin(), progress.pieces.end(), [&](const auto& piece) {
    return piece.first.code == code && piece.second.cutting == cutting && piece.second.spare &&
           !piece.second.spoiled;
  });
}

void holdPieces(const std::vector<Cutting>& cuttings, const Progress& progress, Holdings& out) {
  for (const Cutting& cutting : cuttings) {
    const auto at = progress.cuttings.find(cutting.number);
    if (at == progress.cuttings.end()) continue;
    // A changed plan wants what is left; all that is wanted at all is in the first. One that is all
    // cut gives nothing more: what was spoiled of it since is wanted again, unless a spare stands
    // in.
    const bool underWay = !at->second.givenUp && !isAllCut(cutting, at->second);
    eachRow(cutting.plans.front(), [&](const CutRow& row) {
      if (!underWay) add(out, row.part, sparesOf(row.code, cutting.number, progress));
      const auto held = heldOf(row, underWay, progress);
      add(out, row.part, std::ssize(held));
      if (!held.empty()) out.numbers[row.code].insert(held.begin(), held.end());
    });
  }
  // A piece that was spoiled, or a spare, has its number too.
  for (const auto& [piece, state] : progress.pieces) out.numbers[piece.code].insert(piece.number);
}

}  // namespace

std::vector<HeldStock> heldStock(const std::vector<Cutting>& cuttings, const Progress& progress) {
  std::vector<HeldStock> out;
  for (const Cutting& cutting : cuttings) {
    const auto at = progress.cuttings.find(cutting.number);
    if (at == progress.cuttings.end()) continue;
    const auto begin = std::ssize(out);
    const auto held = [&](Id row, Id store) -> HeldStock& {
      const auto known = std::find_if(out.begin() + begin, out.end(),
                                      [row](const HeldStock& one) { return one.row == row; });
      if (known != out.end()) return *known;
      out.push_back({cutting.number, row, store, 0, 0});
      return out.back();
    };
    // Whole sheets of an earlier plan that the one that holds goes on from.
    std::set<std::string> wanted;
    const CuttingPlan& last = cutting.plans[static_cast<std::size_t>(at->second.plan - 1)];
    for (const PlannedSheet& sheet : last.plan.sheets)
      wanted.insert(last.request.stock[sheet.stock].piece);
    for (int i = 0; i < at->second.plan; ++i) {
      const CuttingPlan& plan = cutting.plans[static_cast<std::size_t>(i)];
      const bool holds = !at->second.givenUp && i + 1 == at->second.plan;
      for (std::size_t k = 0; k < plan.plan.sheets.size(); ++k) {
        const StockSupply& stock = plan.request.stock[plan.plan.sheets[k].stock];
        if (!stock.piece.empty()) continue;
        const std::string name = sheetName(plan.request, plan.plan, k);
        if (at->second.bench.count(name) == 0)
          ++held(stock.row, stock.store).cutInto;
        else if (holds || (!at->second.givenUp && wanted.count(name) > 0))
          ++held(stock.row, stock.store).whole;
      }
      if (!holds) continue;
      for (const BarList& list : plan.plan.bars)
        for (std::size_t k = 0; k < list.stock.size(); ++k) {
          const BarSupply& bar = plan.request.barStock[list.stock[k]];
          held(bar.row, bar.store).whole += barsFor(plan.request, list, k);
        }
    }
  }
  return out;
}

Holdings holdingsOf(const std::vector<Cutting>& cuttings, const Progress& progress) {
  Holdings out;
  holdPieces(cuttings, progress, out);
  for (const HeldStock& held : heldStock(cuttings, progress))
    out.used[held.row] += held.whole + held.cutInto;
  for (const Cutting& cutting : cuttings)
    for (const CuttingPlan& plan : cutting.plans)
      out.firstSheet = std::max(
          out.firstSheet, plan.request.firstSheet + static_cast<int>(plan.plan.sheets.size()));
  return out;
}

std::int64_t nextNumber(const Holdings& held, const std::string& code) {
  std::int64_t out = 1;
  if (const auto taken = held.numbers.find(code); taken != held.numbers.end())
    while (taken->second.count(out) > 0) ++out;
  return out;
}

std::vector<OpenPart> openParts(const std::vector<Part>& drawn, const Scope& scope,
                                const Holdings& held) {
  std::vector<OpenPart> out;
  for (const Part& part : drawn) {
    if (!scope.has(part)) continue;
    std::int64_t have = 0;
    for (const PartKey& key : part.keys)
      if (const auto at = held.pieces.find(key); at != held.pieces.end()) have += at->second;
    const std::int64_t wanted = part.blanks() - have;
    if (wanted <= 0) continue;
    OpenPart open{part, {}};
    // Where several share a blank, blanks are counted.
    if (have > 0) open.part.quantity = std::min(part.quantity, wanted * part.perBlank);
    const auto taken = held.numbers.find(part.code);
    if (taken != held.numbers.end())
      for (std::int64_t number = 1; std::ssize(open.numbers) < wanted; ++number)
        if (taken->second.count(number) == 0) open.numbers.push_back(number);
    out.push_back(std::move(open));
  }
  return out;
}

OpenRequest openRequest(const Job& job, const std::vector<Part>& drawn, const Scope& scope,
                        const Holdings& held) {
  OpenRequest out;
  std::vector<Part> all;
  std::vector<std::vector<std::int64_t>> numbers, barNumbers;
  for (OpenPart& open : openParts(drawn, scope, held)) {
    (open.part.lumber ? barNumbers : numbers).push_back(std::move(open.numbers));
    all.push_back(std::move(open.part));
  }
  out.request = requestOf(job, all);
  for (Part& part : all) (part.lumber ? out.lumber : out.parts).push_back(std::move(part));
  for (std::size_t i = 0; i < numbers.size(); ++i)
    out.request.parts[i].numbers = std::move(numbers[i]);
  for (std::size_t i = 0; i < barNumbers.size(); ++i)
    out.request.barParts[i].wanted.numbers = std::move(barNumbers[i]);
  const auto take = [&held](Id row, std::optional<std::int64_t>& quantity) {
    const auto at = held.used.find(row);
    if (at != held.used.end() && quantity)
      *quantity = std::max<std::int64_t>(0, *quantity - at->second);
  };
  for (StockSupply& stock : out.request.stock) take(stock.row, stock.quantity);
  for (BarSupply& supply : out.request.barStock) take(supply.row, supply.bar.quantity);
  out.request.firstSheet = std::max(out.request.firstSheet, held.firstSheet);
  return out;
}

Cutting frozen(const Record& record, const OpenRequest& open, Plan plan) {
  Cutting out;
  out.number = record.cuttings.empty() ? 1 : record.cuttings.back().number + 1;
  out.scope = record.scope;
  out.plans.push_back({open.parts, open.lumber, open.request, std::move(plan)});
  return out;
}

}  // namespace pp::floor
