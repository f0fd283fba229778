#include "core/floor/pieces.h"

#include <algorithm>
#include <cctype>
#include <charconv>
#include <map>

namespace pp::bench {
namespace {

std::optional<std::int64_t> numberIn(std::string_view text) {
  std::int64_t out = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), out);
  if (error != std::errc() || end != text.data() + text.size()) return std::nullopt;
  return out;
}

std::string upper(std::string text) {
  std::transform(text.begin(), text.end(), text.begin(), [](unsigned char c) {
    return c < 0x80 ? static_cast<char>(std::toupper(c)) : static_cast<char>(c);
  });
  return text;
}

}  // namespace

std::vector<Pieces> piecesAtBench(const std::vector<Cutting>& cuttings,
                                  const floor::Progress& progress, const std::vector<Part>& drawn) {
  std::vector<Pieces> out;
  std::map<std::string, std::size_t> rowOf;
  const auto rowFor = [&](const Part& part) -> Pieces& {
    const auto [at, isNew] = rowOf.try_emplace(part.code, out.size());
    if (isNew) out.push_back({part, {}});
    return out[at->second];
  };
  bool taken = false;
  for (const Cutting& cutting : cuttings) {
    const auto now = progress.cuttings.find(cutting.number);
    if (now == progress.cuttings.end()) continue;
    taken = true;
    for (std::size_t plan = 0; plan < cutting.plans.size(); ++plan) {
      // What is not cut yet comes from the plan in force alone.
      const bool inForce = static_cast<int>(plan) + 1 == now->second.plan && !now->second.givenUp;
      eachRow(cutting.plans[plan], [&](const CutRow& row) {
        for (std::int64_t copy = 1; copy <= row.quantity; ++copy) {
          const PieceId id{row.code, row.number(copy)};
          const auto piece = progress.pieces.find(id);
          const bool cut = piece != progress.pieces.end();
          if (cut ? piece->second.spoiled : !inForce) continue;
          rowFor(row.part).numbers.push_back(id.number);
        }
      });
    }
  }
  if (!taken)
    for (const Part& part : drawn)
      for (std::int64_t copy = 1; copy <= part.quantity; ++copy)
        rowFor(part).numbers.push_back(copy);
  // Spares have numbers that no plan gave.
  for (const auto& [id, piece] : progress.pieces)
    if (piece.spare && !piece.spoiled)
      if (const auto at = rowOf.find(id.code); at != rowOf.end())
        out[at->second].numbers.push_back(id.number);
  for (Pieces& one : out) {
    std::sort(one.numbers.begin(), one.numbers.end());
    one.numbers.erase(std::unique(one.numbers.begin(), one.numbers.end()), one.numbers.end());
  }
  std::erase_if(out, [](const Pieces& one) { return one.numbers.empty(); });
  return out;
}

PlacesTaken::PlacesTaken(const std::vector<Pieces>& pieces) : pieces_(pieces) {
  for (std::size_t row = 0; row < pieces.size(); ++row)
    if (const Part& part = pieces[row].part; part.keys.size() == part.poses.size())
      for (const PartKey& key : part.keys) last_[key] = row;
}

bool PlacesTaken::by(std::size_t row, std::size_t pose) const {
  const Part& part = pieces_[row].part;
  return part.keys.size() != part.poses.size() || last_.at(part.keys[pose]) == row;
}

std::vector<Part> whereTheyStand(const std::vector<Pieces>& pieces) {
  const PlacesTaken taken(pieces);
  std::vector<Part> out;
  for (std::size_t row = 0; row < pieces.size(); ++row) {
    Part& part = out.emplace_back(pieces[row].part);
    for (std::size_t pose = part.poses.size(); pose-- > 0;)
      if (!taken.by(row, pose)) {
        part.poses.erase(part.poses.begin() + static_cast<std::ptrdiff_t>(pose));
        part.keys.erase(part.keys.begin() + static_cast<std::ptrdiff_t>(pose));
      }
  }
  return out;
}

std::optional<PieceId> scanned(const std::string& code, const std::string& job,
                               const std::vector<Pieces>& pieces) {
  // "PP1:JOB:assembly.number:copy"
  const std::string head = "PP1:" + upper(job) + ":";
  if (upper(code.substr(0, std::min(head.size(), code.size()))) != head) return std::nullopt;
  const std::string_view rest = std::string_view(code).substr(head.size());
  const std::size_t dot = rest.find('.');
  const std::size_t colon = rest.find(':');
  if (dot == std::string_view::npos || colon == std::string_view::npos || dot > colon)
    return std::nullopt;
  const auto assembly = numberIn(rest.substr(0, dot));
  const auto number = numberIn(rest.substr(dot + 1, colon - dot - 1));
  const auto copy = numberIn(rest.substr(colon + 1));
  if (!assembly || !number || !copy) return std::nullopt;
  for (const auto& [part, numbers] : pieces)
    if (part.number == *number && (part.keys.empty() ? 0 : part.keys.front().assembly) == *assembly)
      return PieceId{part.code, *copy};
  return std::nullopt;
}

PieceId pieceMeant(const std::string& words, const std::string& job,
                   const std::vector<Pieces>& pieces) {
  if (const auto label = scanned(words, job, pieces)) return *label;
  const std::size_t space = words.find(' ');
  PieceId out;
  const std::string code = upper(words.substr(0, space));
  for (const auto& [part, numbers] : pieces)
    if (upper(part.code) == code) out.code = part.code;
  if (space != std::string::npos)
    out.number = numberIn(std::string_view(words).substr(space + 1)).value_or(-1);
  return out;
}

}  // namespace pp::bench
