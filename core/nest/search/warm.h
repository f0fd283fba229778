// From a plan back to arrangements: where a search goes on from, and what is changed by hand.
#pragma once

#include "core/nest/sheet/arrangement.h"

namespace pp::nest {

// The arrangement of one group as a plan has it. Placements that the request no longer asks for are
// left out; what the plan does not place yet is not in it, nor in the pool: see complete(). Sheets
// whose row is gone or used up are left out too.
Arrangement arrangementOf(const NestRequest& request, const Group& group, const Plan& plan);

// The sheets of a plan that belong to the group, in the order of arrangementOf()'s sheets.
std::vector<std::size_t> sheetsOf(const NestRequest& request, const Group& group, const Plan& plan);

}  // namespace pp::nest
