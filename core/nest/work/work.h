// One group under way: what is best so far, what is proven, and who is searching.
#pragma once

#include <memory>
#include <vector>

#include "core/nest/bounds/bound.h"
#include "core/nest/dive/dive.h"
#include "core/nest/search/glue.h"
#include "core/nest/search/regroup.h"

namespace pp::nest {

struct Work {
  const Group* group = nullptr;
  Arrangement best;
  Cost bestCost = 0;
  std::unique_ptr<Bounder> bounder;
  GroupBound bound;
  std::vector<Condition> conditions;
  std::vector<std::unique_ptr<Search>> searches;  // or, for a large group:
  std::unique_ptr<Regroup> regroup;
  std::unique_ptr<Glue> glue;  // beside either, where no waste is to be
  std::optional<Arrangement> glued;
  std::unique_ptr<Dive> dive;  // where worth trying, once the bound has done what it can
  bool diving = false;         // it is under way

  bool settled() const {
    if (best.pool.empty() && bestCost <= bound.cost) return true;
    return !regroup && !searches.empty() && searches.front()->settled();
  }
  // What could still be saved, in units of cost.
  double gain() const {
    return best.pool.empty() ? static_cast<double>(bestCost - bound.cost)
                             : static_cast<double>(bestCost);
  }
};

}  // namespace pp::nest
