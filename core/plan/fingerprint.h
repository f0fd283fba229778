// Whether a plan is still of what is wanted.
#pragma once

#include <string>

#include "core/plan/request.h"

namespace pp {

// Everything in the request that has a say in how it is nested, as sixteen hexadecimal digits: cut
// sizes, stock, saws, goal and pins, but no code, no mark and no piece's number. The same for equal
// requests, on any machine (FNV-1a, 64 bits).
std::string fingerprint(const NestRequest& request);

}  // namespace pp
