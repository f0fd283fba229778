// What a job is charged by. Values; part of a job.
#pragma once

#include <cstdint>

#include "core/length/length.h"

namespace pp {

struct Costing {
  std::int64_t minutes = 0;  // of work that the maker plans for it, 0..1 000 000
  Money rate;                // of an hour of work
  std::int64_t margin = 0;   // on all of that, in per cent, 0..1 000
  std::int64_t spare = 0;    // bought beyond what is needed of small things, in per cent, 0..1 000
  bool operator==(const Costing&) const = default;
};

}  // namespace pp
