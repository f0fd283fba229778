#include "core/floor/plan_pieces.h"

#include <type_traits>
#include <unordered_map>

namespace pp::floor {

template <class Self>
auto* PlanPieces::findIn(Self& self, const SawnPiece& piece) {
  using Found = std::conditional_t<std::is_const_v<Self>, const Piece, Piece>;
  constexpr Found* kNone = nullptr;
  if (piece.plan != self.number_ || piece.which < 0 || piece.step < 0) return kNone;
  if (piece.step == 0)
    return piece.which < static_cast<int>(self.sheets_.size())
               ? &self.sheets_[static_cast<std::size_t>(piece.which)]
               : kNone;
  if (piece.step > static_cast<int>(self.cuts_.size()) || piece.which > 1) return kNone;
  auto& off = self.cuts_[static_cast<std::size_t>(piece.step - 1)].off[piece.which];
  return off ? &*off : kNone;
}

PlanPieces::PlanPieces(const CuttingPlan& of, int number) : plan_(of), number_(number) {
  const Plan& plan = of.plan;
  std::unordered_map<std::string, SawnPiece> lying;  // the last of each name, as cuts follow
  for (std::size_t i = 0; i < plan.sheets.size(); ++i) {
    if (plan.sheets[i].stock >= of.request.stock.size()) {
      sheets_.push_back({{}, i, 0, nullptr});
      continue;
    }
    sheets_.push_back({sheetName(of.request, plan, i), i, 0, nullptr});
    lying[sheets_.back().name] = {number_, 0, static_cast<int>(i)};
  }
  cuts_.resize(plan.cuts.size());
  for (std::size_t i = 0; i < plan.cuts.size(); ++i) {
    const SawCut& cut = plan.cuts[i];
    const int step = static_cast<int>(i) + 1;
    const auto at = lying.find(cut.piece);
    if (at == lying.end()) continue;
    cuts_[i].divided = at->second;
    findIn(*this, at->second)->dividedBy = step;
    lying.erase(at);
    int which = 0;
    for (const auto* name : {&cut.low, &cut.high}) {
      if (*name) {
        cuts_[i].off[which] = Piece{**name, cut.sheet, 0, nullptr};
        lying[**name] = {number_, step, which};
      }
      ++which;
    }
  }
  for (const PieceEnd& end : plan.ends)
    if (const auto at = lying.find(end.piece); at != lying.end())
      findIn(*this, at->second)->end = &end;
}

const PlanPieces::Piece* PlanPieces::find(const SawnPiece& piece) const {
  return findIn(*this, piece);
}

std::optional<SawnPiece> PlanPieces::divided(int step) const {
  if (step < 1 || step > static_cast<int>(cuts_.size())) return std::nullopt;
  return cuts_[static_cast<std::size_t>(step - 1)].divided;
}

std::optional<SawnPiece> PlanPieces::low(int step) const {
  const SawnPiece out{number_, step, 0};
  return step >= 1 && find(out) != nullptr ? std::optional(out) : std::nullopt;
}

std::optional<SawnPiece> PlanPieces::high(int step) const {
  const SawnPiece out{number_, step, 1};
  return step >= 1 && find(out) != nullptr ? std::optional(out) : std::nullopt;
}

std::optional<PieceId> PlanPieces::part(const Piece& piece) const {
  if (piece.end == nullptr || piece.end->kind != PieceEnd::Kind::Part ||
      piece.end->sheet >= plan_.plan.sheets.size())
    return std::nullopt;
  const PlannedSheet& sheet = plan_.plan.sheets[piece.end->sheet];
  if (piece.end->index >= sheet.placements.size()) return std::nullopt;
  const Placement& placement = sheet.placements[piece.end->index];
  if (placement.part >= plan_.request.parts.size()) return std::nullopt;
  const PartDemand& part = plan_.request.parts[placement.part];
  if (placement.copy < 1 || (!part.numbers.empty() && placement.copy > std::ssize(part.numbers)))
    return std::nullopt;
  return PieceId{part.code, part.number(placement.copy)};
}

const Leftover* PlanPieces::leftover(const Piece& piece) const {
  if (piece.end == nullptr || piece.end->kind != PieceEnd::Kind::Leftover ||
      piece.end->sheet >= plan_.plan.sheets.size())
    return nullptr;
  const PlannedSheet& sheet = plan_.plan.sheets[piece.end->sheet];
  return piece.end->index < sheet.leftovers.size() ? &sheet.leftovers[piece.end->index] : nullptr;
}

}  // namespace pp::floor
