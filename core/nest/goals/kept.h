// Which plan serves a goal better, and the plans that none beats.
#pragma once

#include <memory>
#include <vector>

#include "core/plan/plan.h"

namespace pp::nest {

// Summed over the sheets, the area of the largest leftover worth keeping, in square metres.
double largestLeftovers(const Plan& plan);

// How many different lengths and widths lie on its sheets: no plan of these parts is likely to do
// with fewer settings, since each has to be set somewhere.
std::int64_t sizesOn(const Plan& plan);

// What a plan is best at among several.
struct BestAt {
  bool cost = false, settings = false, leftovers = false;
};
BestAt bestAt(const std::vector<std::shared_ptr<const Plan>>& plans, std::size_t index);

// Whether `a` serves the goal better than `b`; both of one request. More parts placed come first,
// then the price, then the area of the stock, then what the goal asks for.
bool betterFor(Goal goal, const Plan& a, const Plan& b);

// The plans that none beats on all of cost, settings and leftovers, cheapest first.
class Kept {
 public:
  using Shared = std::shared_ptr<const Plan>;

  // `ease`: what fewer settings may cost beyond the least.
  explicit Kept(Money ease = {}) : ease_(ease) {}

  // False when one of those kept is as good in everything.
  bool offer(Shared plan);
  const std::vector<Shared>& plans() const { return plans_; }
  Shared bestFor(Goal goal) const;
  void setBound(const Bound& bound);

 private:
  Money ease_;
  std::vector<Shared> plans_;
};

}  // namespace pp::nest
