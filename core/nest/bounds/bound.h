// What no plan can beat, for one group: the greatest of three bounds, each of them a condition on
// the stock that every plan must meet.
//
//   area                      parts and usable sheet both inflated by the kerf
//   dual feasible functions   on both axes, respecting how an item may lie (Fekete & Schepers 2001;
//                             Martello & Vigo 1998)
//   column generation         Gilmore & Gomory 1965; the price of the most valuable pattern is
//                             bounded from above, which keeps the bound valid (Farley 1990)
//
// A condition gives every item a whole-numbered weight and every stock row an upper bound on the
// weight a piece of it can hold, so that no rounding of a floating-point number can lift the bound
// above the truth. Limited quantities are respected; where the stock cannot take all blocks the
// bound is that of using everything.
#pragma once

#include <memory>
#include <stop_token>

#include "core/nest/bounds/cover.h"

namespace pp::nest {

struct Arrangement;

struct GroupBound {
  Cost cost = 0;
  std::int64_t sheets = 0;
  const char* method = "area";
};

// Improves the bound of one group step by step. Deterministic; used by one thread at a time.
class Bounder {
 public:
  explicit Bounder(const Group& group);
  ~Bounder();

  const GroupBound& bound() const;
  const std::vector<Condition>& conditions() const;

  // Patterns of a complete arrangement to begin the column generation with.
  void begin(const Arrangement& arrangement);
  // The dual feasible functions first, then a round of column generation a call. False when there
  // is nothing left to gain, or stopped.
  bool step(const std::stop_token& stop);
  // The prices of the items behind the best condition of the column generation, of a whole sheet
  // as 1; empty before it.
  const std::vector<double>& prices() const;

 private:
  class Work;
  std::unique_ptr<Work> work_;
};

}  // namespace pp::nest
