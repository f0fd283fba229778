// The order in which the cuts of all sheets are made.
#pragma once

#include <stop_token>

#include "core/saw/takedown.h"

namespace pp::saw {

struct Step {
  std::size_t sheet = 0, cut = 0;  // indices
  int setup = 0;                   // 1-based; 0: to a mark, without a setting
};

// Every cut once, none before the cut that makes its piece; what is cut to a mark as soon as its
// piece is there. A setting (machine, tilt, direction,
// distance) lasts as long as any piece at hand needs it. Breakdown comes first, then what needs a
// setting for the last time, then what most pieces wait for; a few rules are tried and the one with
// the fewest settings is taken.
std::vector<Step> schedule(const std::vector<const std::vector<Cut>*>& sheets, const Shop& shop,
                           const std::stop_token& stop = {});

// The ways to choose the next setting where nothing else decides.
enum class Rule { MostReady, FewestBlocked, Widest };

// The number of settings of that schedule, and the rule that gave it.
std::pair<int, Rule> countSettings(const std::vector<const std::vector<Cut>*>& sheets,
                                   const Shop& shop);
// The number by one rule alone, which is never less; where it is bound to be above `atMost`, some
// number above that.
int countSettings(const std::vector<const std::vector<Cut>*>& sheets, const Shop& shop, Rule rule,
                  int atMost);

}  // namespace pp::saw
