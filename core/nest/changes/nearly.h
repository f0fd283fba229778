// The smallest change that would save a sheet: offered, never made.
#pragma once

#include "core/nest/nest.h"

namespace pp::nest {

struct NearlyOptions {
  Length most = Length::mm(10);  // a part may become smaller by this much
  std::int64_t steps = 6'000;    // of search for each try
  std::uint64_t seed = 1;
};

struct Nearly {
  std::vector<std::size_t> parts;  // rows of the request: all of one size and material, all copies
  bool length = false;             // their length becomes smaller, else their width
  Length by;                       // zero where they go to another material instead:
  std::string material;            // the same thickness in another material
  Money saved;                     // of the cost
  std::int64_t sheets = 0;         // fewer
};

// Tries every group of equal parts, smaller in length or in width by up to the most allowed, and in
// another material of the same thickness that the rack has; the smallest change of a size comes
// before a change of material. Nothing where none of them saves a sheet, the plan is proven by a
// wide margin, or it is stopped. `plan` is complete.
std::optional<Nearly> nearly(const NestRequest& request, const Plan& plan,
                             const NearlyOptions& options = {}, std::stop_token stop = {});

}  // namespace pp::nest
