#include "core/formats/cutting_names.h"

#include <charconv>

namespace pp {

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
  return number == 0 ? sheet : sheet + '.' + std::to_string(number);
}

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

}  // namespace pp
