#include "core/plan/cutting_plan.h"

namespace pp {

PieceId pieceAt(const CuttingPlan& cutting, const Placement& placement) {
  const PartDemand& part = cutting.request.parts[placement.part];
  return {part.code, part.number(placement.copy)};
}

}  // namespace pp
