// A plan with the parts that it cuts, whole, and the numbers of their pieces.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/designs/shared_rows.h"
#include "core/plan/plan.h"

namespace pp {

struct CuttingPlan {
  SharedRows<Part> parts;   // row by row those of the request; plans of a cutting share them
  SharedRows<Part> lumber;  // row by row those of the request's bars
  NestRequest request;
  Plan plan;  // complete, with its bars
};

// A row of what a plan cuts: a part, its code, and the numbers of its pieces.
struct CutRow {
  const Part& part;
  const std::string& code;
  std::int64_t quantity;
  const std::vector<std::int64_t>& given;  // as many as quantity, or none: 1, 2, 3 ...

  std::int64_t number(std::int64_t copy) const {
    return given.empty() ? copy : given[static_cast<std::size_t>(copy - 1)];
  }
  // Calls `see` with the number of every piece.
  template <class See>
  void eachNumber(const See& see) const {
    for (std::int64_t copy = 1; copy <= quantity; ++copy) see(number(copy));
  }
};

// Calls `see` with every row, those of sheets first, then the lumber.
template <class See>
void eachRow(const CuttingPlan& plan, const See& see) {
  for (std::size_t i = 0; i < plan.parts.size(); ++i) {
    const PartDemand& row = plan.request.parts[i];
    see(CutRow{plan.parts[i], row.code, row.quantity, row.numbers});
  }
  for (std::size_t i = 0; i < plan.lumber.size(); ++i) {
    const BarDemand& row = plan.request.barParts[i].wanted;
    see(CutRow{plan.lumber[i], row.code, row.quantity, row.numbers});
  }
}

// A piece that is cut: the code of its part and its running number.
struct PieceId {
  std::string code;
  std::int64_t number = 0;
  auto operator<=>(const PieceId&) const = default;
};

// The piece that lies at a placement of the plan.
PieceId pieceAt(const CuttingPlan& cutting, const Placement& placement);

}  // namespace pp
