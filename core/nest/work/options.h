// What a search for a plan is told, and what it tells meanwhile.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>
#include <optional>
#include <vector>

#include "core/plan/plan.h"

namespace pp::nest {

struct NestOptions {
  double seconds = 5;                 // for the whole job, all materials together
  std::optional<std::int64_t> steps;  // instead of seconds: the same outcome every time
  std::uint64_t seed = 1;
  unsigned threads = 2;               // no part of the outcome when `steps` is given
  std::shared_ptr<const Plan> start;  // to go on from, as far as the request still asks for it
  bool costOnly = false;              // no time for leftovers and settings
  std::optional<Money> enough;        // a complete plan at this cost ends the search
};

struct NestProgress {
  std::shared_ptr<const Plan> plan;               // the best for the goal so far, played back
  std::vector<std::shared_ptr<const Plan>> kept;  // those none beats on cost, settings, leftovers
  double seconds = 0;
  std::int64_t iterations = 0;
  bool settled = false;  // proven, or nothing cheaper is possible
};

// Called on the thread that called nest(), whenever there is something new and at least about ten
// times a second. What it is given may be kept.
using NestCallback = std::function<void(const NestProgress&)>;

}  // namespace pp::nest
