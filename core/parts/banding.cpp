#include "core/parts/banding.h"

namespace pp {

void band(Part& part, Edge edge, const Banding* banding) {
  if (banding == nullptr) return;
  part.bands[static_cast<std::size_t>(edge)] = banding->id;
  if (!banding->deduct) return;
  const bool alongLength = edge == Edge::L1 || edge == Edge::L2;
  (alongLength ? part.bandedWidth : part.bandedLength) += banding->thickness;
}

}  // namespace pp
