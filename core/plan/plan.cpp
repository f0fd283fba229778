#include "core/plan/plan.h"

namespace pp {

double Plan::yield() const {
  return sheetArea == Area{} ? 0.0 : partArea.inM2() / sheetArea.inM2();
}

}  // namespace pp
