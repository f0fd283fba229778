// What the things of a job are known by, whatever they are called and wherever they stand.
#pragma once

#include <cstdint>

namespace pp {

// Given once in a job and never again; 0: not given yet. A copy of a thing is another thing.
using Id = std::int64_t;

}  // namespace pp
