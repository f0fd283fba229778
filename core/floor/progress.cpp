#include "core/floor/progress.h"

namespace pp::floor {

const std::set<int>& CuttingProgress::madeOf(int which) const {
  static const std::set<int> kNone;
  return which >= 1 && which <= static_cast<int>(made.size())
             ? made[static_cast<std::size_t>(which - 1)]
             : kNone;
}

std::map<SawnPiece, SawnPiece> CuttingProgress::became() const {
  std::map<SawnPiece, SawnPiece> out;
  for (const auto& [now, before] : was) out.emplace(before, now);
  return out;
}

bool Progress::isUnderWay(int cutting) const {
  const auto at = cuttings.find(cutting);
  return at != cuttings.end() && !at->second.givenUp;
}

std::int64_t Progress::good(const std::string& code) const {
  std::int64_t out = 0;
  eachOf(code, [&out](const PieceProgress& piece) { out += piece.spoiled ? 0 : 1; });
  return out;
}

std::int64_t Progress::good(const std::string& code, int cutting) const {
  std::int64_t out = 0;
  eachOf(code, [&](const PieceProgress& piece) {
    out += piece.cutting == cutting && !piece.spoiled ? 1 : 0;
  });
  return out;
}

}  // namespace pp::floor
