#include "core/floor/open_parts.h"

#include <algorithm>
#include <map>
#include <utility>

namespace pp::floor {
namespace {

void add(Holdings& to, const Part& part, std::int64_t count) {
  const auto keys = static_cast<std::int64_t>(part.keys.size());
  for (std::int64_t k = 0; k < keys; ++k)
    to.pieces[part.keys[static_cast<std::size_t>(k)]] += count / keys + (k < count % keys ? 1 : 0);
}

bool isAllCut(const Cutting& cutting, const CuttingProgress& at) {
  const auto plan = static_cast<std::size_t>(at.plan - 1);
  return at.madeOf(at.plan).size() == cutting.plans[plan].plan.cuts.size() &&
         at.bars.size() == cutting.bars.size();
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
      add(out, row.part, underWay ? row.quantity : progress.good(row.code, cutting.number));
    });
    if (at->second.givenUp) continue;
    // A number that any plan of it gives is no other piece's, cut yet or not.
    for (const CuttingPlan& plan : cutting.plans)
      eachRow(plan, [&](const CutRow& row) {
        std::set<std::int64_t>& numbers = out.numbers[row.code];
        row.eachNumber([&numbers](std::int64_t number) { numbers.insert(number); });
      });
  }
  // A piece that was spoiled, or a spare, has its number too.
  for (const auto& [piece, state] : progress.pieces) out.numbers[piece.code].insert(piece.number);
}

// What of a row of the rack is whole still, and what is cut into.
class Stock {
 public:
  Stock(const Cutting& cutting, const CuttingProgress& at, std::vector<HeldStock>& out)
      : cutting_(cutting), at_(at), out_(out), begin_(out.size()), became_(at.became()) {}

  void run() {
    // One that was never taken has nothing; one that was taken back freed its sheets.
    for (const int number : at_.taken) {
      const CuttingPlan& plan = cutting_.plans[static_cast<std::size_t>(number - 1)];
      for (std::size_t k = 0; k < plan.plan.sheets.size(); ++k) {
        const StockSupply& stock = plan.request.stock[plan.plan.sheets[k].stock];
        if (stock.piece.empty()) sheet({number, 0, static_cast<int>(k)}, stock);
      }
    }
    bars();
  }

 private:
  HeldStock& held(Id row, Id store) {
    for (std::size_t i = begin_; i < out_.size(); ++i)
      if (out_[i].row == row) return out_[i];
    out_.push_back({cutting_.number, row, store, 0, 0});
    return out_.back();
  }

  // Through all plans that it was taken over by.
  void sheet(SawnPiece piece, const StockSupply& stock) {
    for (auto next = became_.find(piece); next != became_.end(); next = became_.find(piece))
      piece = next->second;
    if (at_.bench.count(piece) == 0)
      ++held(stock.row, stock.store).cutInto;
    else if (!at_.givenUp && piece.plan == at_.plan)
      ++held(stock.row, stock.store).whole;
  }

  void bars() {
    const CuttingPlan& plan = cutting_.plans.front();
    std::map<std::size_t, std::set<int>> into;  // those cut into, by row of the request
    for (const saw::BarCut& cut : cutting_.bars)
      if (at_.bars.count(cut.cut.step) > 0) into[cut.stock].insert(cut.bar);
    std::set<std::size_t> rows;
    for (const BarList& list : plan.plan.bars)
      for (std::size_t k = 0; k < list.stock.size(); ++k) {
        const std::size_t row = list.stock[k];
        const BarSupply& bar = plan.request.barStock[row];
        const std::int64_t all = barsFor(plan.request, list, k);
        if (at_.givenUp && into.count(row) == 0) continue;
        HeldStock& of = held(bar.row, bar.store);
        if (!at_.givenUp) of.whole += all;
        if (!rows.insert(row).second) continue;
        const std::int64_t cut = std::ssize(into[row]);
        of.cutInto += cut;
        if (!at_.givenUp) of.whole -= cut;
      }
  }

  const Cutting& cutting_;
  const CuttingProgress& at_;
  std::vector<HeldStock>& out_;
  const std::size_t begin_;
  const std::map<SawnPiece, SawnPiece> became_;
};

}  // namespace

std::vector<HeldStock> heldStock(const std::vector<Cutting>& cuttings, const Progress& progress) {
  std::vector<HeldStock> out;
  for (const Cutting& cutting : cuttings) {
    const auto at = progress.cuttings.find(cutting.number);
    if (at != progress.cuttings.end()) Stock(cutting, at->second, out).run();
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
  // How it was found is of no more use.
  forgetTrees(plan);
  CuttingPlan& taken = out.plans.emplace_back();
  taken.parts.append(open.parts.begin(), open.parts.end());
  taken.lumber.append(open.lumber.begin(), open.lumber.end());
  taken.request = open.request;
  taken.plan = std::move(plan);
  out.bars = saw::barCuts(std::as_const(out).plans.front());
  return out;
}

}  // namespace pp::floor
