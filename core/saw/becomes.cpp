#include "core/saw/becomes.h"

namespace pp::saw {

Pieces::Pieces(const NestRequest& request, const Plan& plan) : request_(request), plan_(plan) {
  for (const PieceEnd& end : plan.ends) ends_.emplace(end.piece, &end);
  for (const SawCut& cut : plan.cuts) dividedBy_.emplace(cut.piece, cut.step);
}

Becomes Pieces::of(const std::optional<std::string>& piece) const {
  Becomes out;
  if (!piece) return out;
  out.name = *piece;
  out.what = Becomes::What::Waste;
  if (const auto at = dividedBy_.find(*piece); at != dividedBy_.end()) {
    out.what = Becomes::What::CutFurther;
    out.nextStep = at->second;
    return out;
  }
  const auto at = ends_.find(*piece);
  if (at == ends_.end()) return out;
  const PieceEnd& end = *at->second;
  const PlannedSheet& sheet = plan_.sheets[end.sheet];
  if (end.kind == PieceEnd::Kind::Part) {
    out.what = Becomes::What::Part;
    const Placement& placement = sheet.placements[end.index];
    const PartDemand& part = request_.parts[placement.part];
    out.name = part.code;
    const std::int64_t number = part.number(placement.copy);
    if (part.quantity > 1 || number > 1) out.number = number;
  } else if (end.kind == PieceEnd::Kind::Leftover) {
    out.what = Becomes::What::Leftover;
    out.name = sheet.leftovers[end.index].id;
  }
  return out;
}

}  // namespace pp::saw
