#include "core/floor/open_parts.h"

#include <algorithm>
#include <map>

namespace pp::floor {
namespace {

// What cuttings hold: so many pieces of each part, and the numbers that pieces have.
struct Held {
  std::map<PartKey, std::int64_t> pieces;
  std::map<std::string, std::set<std::int64_t>> numbers;

  void add(const Part& part, std::int64_t count) {
    const auto keys = static_cast<std::int64_t>(part.keys.size());
    for (std::int64_t k = 0; k < keys; ++k)
      pieces[part.keys[static_cast<std::size_t>(k)]] += count / keys + (k < count % keys ? 1 : 0);
  }
};

// The numbers of a row of a request that are held.
std::vector<std::int64_t> heldOf(const std::string& code, std::int64_t quantity,
                                 const std::vector<std::int64_t>& numbers, bool underWay,
                                 const Progress& progress) {
  std::vector<std::int64_t> out;
  for (std::int64_t copy = 1; copy <= quantity; ++copy) {
    const std::int64_t number =
        numbers.empty() ? copy : numbers[static_cast<std::size_t>(copy - 1)];
    const auto piece = progress.pieces.find({code, number});
    if (underWay || (piece != progress.pieces.end() && !piece->second.spoiled))
      out.push_back(number);
  }
  return out;
}

Held heldBy(const std::vector<Cutting>& cuttings, const Progress& progress) {
  Held out;
  for (const Cutting& cutting : cuttings) {
    const auto at = progress.cuttings.find(cutting.number);
    if (at == progress.cuttings.end()) continue;
    // A changed plan wants what is left; all that is wanted at all is in the first.
    const CuttingPlan& first = cutting.plans.front();
    const bool underWay = !at->second.givenUp;
    const auto hold = [&](const Part& part, const std::string& code, std::int64_t quantity,
                          const std::vector<std::int64_t>& numbers) {
      const auto held = heldOf(code, quantity, numbers, underWay, progress);
      out.add(part, std::ssize(held));
      if (!held.empty()) out.numbers[code].insert(held.begin(), held.end());
    };
    for (std::size_t i = 0; i < first.parts.size(); ++i) {
      const PartDemand& row = first.request.parts[i];
      hold(first.parts[i], row.code, row.quantity, row.numbers);
    }
    for (std::size_t i = 0; i < first.lumber.size(); ++i) {
      const BarDemand& row = first.request.barParts[i].wanted;
      hold(first.lumber[i], row.code, row.quantity, row.numbers);
    }
  }
  // A piece that was spoiled, or a spare, has its number too.
  for (const auto& [piece, state] : progress.pieces) out.numbers[piece.code].insert(piece.number);
  return out;
}

}  // namespace

std::vector<OpenPart> openParts(const std::vector<Part>& drawn, const Scope& scope,
                                const std::vector<Cutting>& cuttings, const Progress& progress) {
  const Held held = heldBy(cuttings, progress);
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

OpenRequest openRequest(const Job& job, const std::vector<Part>& drawn, const Record& record,
                        const Progress& progress) {
  OpenRequest out;
  std::vector<Part> all;
  std::vector<std::vector<std::int64_t>> numbers, barNumbers;
  for (OpenPart& open : openParts(drawn, record.scope, record.cuttings, progress)) {
    (open.part.lumber ? out.lumber : out.parts).push_back(open.part);
    (open.part.lumber ? barNumbers : numbers).push_back(std::move(open.numbers));
    all.push_back(std::move(open.part));
  }
  out.request = requestOf(job, all);
  for (std::size_t i = 0; i < numbers.size(); ++i)
    out.request.parts[i].numbers = std::move(numbers[i]);
  for (std::size_t i = 0; i < barNumbers.size(); ++i)
    out.request.barParts[i].wanted.numbers = std::move(barNumbers[i]);
  for (const Cutting& cutting : record.cuttings)
    for (const CuttingPlan& plan : cutting.plans)
      out.request.firstSheet =
          std::max(out.request.firstSheet,
                   plan.request.firstSheet + static_cast<int>(plan.plan.sheets.size()));
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
