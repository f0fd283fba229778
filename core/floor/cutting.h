// A plan that was taken to the saw, frozen with its parts, so that what is cut does not change with
// the drawing.
#pragma once

#include <string>
#include <vector>

#include "core/designs/shared_rows.h"
#include "core/plan/cutting_plan.h"
#include "core/saw/bar_cuts.h"

namespace pp {

// Of what parts a plan is made.
struct Scope {
  std::vector<Id> assemblies;   // 0: what is loose; empty: all
  std::vector<PartRole> roles;  // empty: all
  bool operator==(const Scope&) const = default;
  bool isAll() const { return assemblies.empty() && roles.empty(); }
  bool has(const Part& part) const;
};

// How a plan was found is of no use once it is cut.
void forgetTrees(Plan& plan);

struct Cutting {
  int number = 0;  // 1, 2, 3 ... in the job
  Scope scope;
  // The one that was taken, then those it was changed to. None is ever removed or changed.
  SharedRows<CuttingPlan> plans;
  std::vector<saw::BarCut> bars;  // of the plan that was taken: bars are never planned anew
  // What today's checks find wrong with the last of them, which is kept as it was taken. Not in the
  // file.
  std::string doubt;
};

}  // namespace pp
