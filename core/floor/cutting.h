// A plan that was taken to the saw, frozen with its parts, so that what is cut does not change with
// the drawing.
#pragma once

#include <string>
#include <vector>

#include "core/plan/cutting_plan.h"

namespace pp {

// Of what parts a plan is made.
struct Scope {
  std::vector<Id> assemblies;   // 0: what is loose; empty: all
  std::vector<PartRole> roles;  // empty: all
  bool operator==(const Scope&) const = default;
  bool isAll() const { return assemblies.empty() && roles.empty(); }
  bool has(const Part& part) const;
};

struct Cutting {
  int number = 0;  // 1, 2, 3 ... in the job
  Scope scope;
  std::vector<CuttingPlan> plans;  // the one that was taken, then those it was changed to
};

}  // namespace pp
