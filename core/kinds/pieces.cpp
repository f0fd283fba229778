#include "core/kinds/pieces.h"

#include "core/kinds/boards/rules.h"
#include "core/kinds/carcass/rules.h"
#include "core/kinds/common/count.h"
#include "core/kinds/kind.h"

namespace pp {

std::int64_t piecesAtMost(const Job& job, const Assembly& assembly) {
  return kindOf(assembly).pieces(job, assembly.body);
}

std::int64_t piecesAtMost(const Job& job) {
  std::int64_t out = mostPieces(job.loose);
  for (const Assembly& assembly : job.assemblies)
    out = std::min(kTooMany, out + piecesAtMost(job, assembly) *
                                       std::clamp<std::int64_t>(assembly.copies, 0, 1'000));
  return out;
}

std::int64_t holesAtMost(const Assembly& assembly) {
  return assembly.isCarcass() ? mostPinHoles(assembly.carcass()) : 0;
}

}  // namespace pp
