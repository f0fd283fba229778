// Plans from the linear program over patterns: solve it, make a pattern it likes a sheet of the
// plan, and go on with what is left (price and round, a diving heuristic; Sadykov, Vanderbeck,
// Pessoa, Tahiri & Uchoa 2019). What finds no room in the end is mended by ruin and recreate.
// Strong where parts repeat and sheets must be filled nearly to the last strip.
#pragma once

#include <memory>
#include <stop_token>

#include "core/nest/sheet/arrangement.h"

namespace pp::nest {

class Dive {
 public:
  // Where a dive has something to offer: some dozens of different blocks, and no pins.
  static bool isWorthTrying(const Group& group);

  // Begins with the sheets of a complete arrangement.
  Dive(const Group& group, const Arrangement& known, std::uint64_t seed);
  ~Dive();

  // Prices of the blocks that bound the cost, the dearest stock row's being 1: the first program
  // soon has sensible prices of its own beside them. May be empty.
  void begin(std::vector<double> prices);

  // A round of new patterns, a sheet fixed, or a spell of mending; some milliseconds each. Aims
  // below a cost, which may fall from step to step. True when found() is a complete arrangement
  // that costs less. Deterministic; used by one thread at a time.
  bool step(Cost below, const std::stop_token& stop);
  const Arrangement& found() const;

 private:
  class Work;
  std::unique_ptr<Work> work_;
};

}  // namespace pp::nest
