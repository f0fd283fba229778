// A plan that was taken to the saw, frozen with its parts, so that what is cut does not change with
// the drawing.
#pragma once

#include <string>
#include <vector>

#include "core/plan/plan.h"

namespace pp {

// Of what parts a plan is made.
struct Scope {
  std::vector<Id> assemblies;   // 0: what is loose; empty: all
  std::vector<PartRole> roles;  // empty: all
  bool operator==(const Scope&) const = default;
  bool isAll() const { return assemblies.empty() && roles.empty(); }
  bool has(const Part& part) const;
};

struct CuttingPlan {
  std::vector<Part> parts;   // row by row those of the request
  std::vector<Part> lumber;  // row by row those of the request's bars
  NestRequest request;
  Plan plan;  // complete, with its bars
};

struct Cutting {
  int number = 0;  // 1, 2, 3 ... in the job
  Scope scope;
  std::vector<CuttingPlan> plans;  // the one that was taken, then those it was changed to
};

// A piece that is cut: the code of its part and its running number.
struct PieceId {
  std::string code;
  std::int64_t number = 0;
  auto operator<=>(const PieceId&) const = default;
};

// The piece that lies at a placement of the plan.
PieceId pieceAt(const CuttingPlan& cutting, const Placement& placement);

}  // namespace pp
