#include "core/plan/plan.h"

namespace pp {

double Plan::yield() const {
  return sheetArea == Area{} ? 0.0 : partArea.inM2() / sheetArea.inM2();
}

std::int64_t Plan::missing() const {
  std::int64_t out = 0;
  for (const Unplaced& one : unplaced) out += one.count;
  return out;
}

}  // namespace pp
