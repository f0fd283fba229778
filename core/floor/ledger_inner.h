// What the ledger keeps of a cutting: the pieces of its plans, made when they are first asked for.
#pragma once

#include <map>
#include <memory>
#include <utility>
#include <vector>

#include "core/floor/ledger.h"

namespace pp::floor {

struct Ledger::Of {
  explicit Of(const Cutting& of) : cutting(of), pieces(of.plans.size()), sure(of.plans.size()) {}

  const Cutting& cutting;
  std::map<std::pair<int, int>, std::int64_t> spares;  // by plan and step of the cut
  // Per plan.
  mutable std::vector<std::unique_ptr<PlanPieces>> pieces;
  mutable std::vector<std::map<std::string, saw::SurePiece>> sure;  // empty: cut since
};

}  // namespace pp::floor
