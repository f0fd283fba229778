// Plans from the linear program over patterns: solve it, make the pattern it likes best a sheet of
// the plan, and go on with what is left (price and round, a diving heuristic; Sadykov, Vanderbeck,
// Pessoa, Tahiri & Uchoa 2019). What does not find room in the end is mended by ruin and recreate.
// Strong where parts repeat and the sheets must be filled nearly to the last strip.
#pragma once

#include <memory>
#include <stop_token>

#include "core/nest/arrangement.h"

namespace pp::nest {

class Dive {
 public:
  // Where a dive has something to offer: some dozens of different blocks, and no pins.
  static bool isWorthTrying(const Group& group);

  // Begins with the sheets of a complete arrangement and with the prices of the blocks that bound
  // the cost (of the dearest stock row as 1; may be empty).
  Dive(const Group& group, const Arrangement& known, std::vector<double> prices,
       std::uint64_t seed);
  ~Dive();

  // One solution of the program with its new patterns, one sheet fixed, or a spell of mending; some
  // milliseconds each. Aims below a cost, which may fall from step to step. True when found() is a
  // complete arrangement that costs less.
  bool step(Cost below, const std::stop_token& stop);
  const Arrangement& found() const;

 private:
  class Work;
  std::unique_ptr<Work> work_;
};

}  // namespace pp::nest
