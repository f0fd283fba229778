// Lengths in the lists that are written: in the unit of the job, and always exact.
#pragma once

#include <string>

#include "core/length/length.h"

namespace pp {

class ListLengths {
 public:
  explicit ListLengths(Unit unit) : unit_(unit) {}

  // The first line of the list.
  std::string unitLine() const;
  // In inches whole 64ths, `24 1/2`; what does not lie on one is written in millimetres with its
  // unit, so that it is read back as it is.
  std::string operator()(Length length) const;

 private:
  Unit unit_;
};

}  // namespace pp
