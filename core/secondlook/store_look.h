// A job's rack held against the store.
#pragma once

#include "core/secondlook/second_look.h"
#include "core/shop/job_rack.h"

namespace pp {

// The differences as one finding, which taking over mends.
std::vector<Finding> lookAtStore(const Job& job, const StoreState& state);

}  // namespace pp
