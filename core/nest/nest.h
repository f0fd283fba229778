// Nesting: parts and stock in, plans out. Anytime: the first plan comes at once and better ones
// follow until the time is up, the bound is met, or somebody says stop.
#pragma once

#include <stop_token>

#include "core/nest/work/options.h"

namespace pp::nest {

// Returns the best plan found. Every plan returned or reported has passed saw::verify; one that
// does not is a broken invariant and throws std::logic_error. Stopping is answered within 20 ms
// with the best plan so far; a large job that is stopped before its first plan places nothing.
Plan nest(const NestRequest& request, const NestOptions& options, std::stop_token stop = {},
          const NestCallback& progress = {});

}  // namespace pp::nest
