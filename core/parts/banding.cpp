#include "core/parts/banding.h"

namespace pp {

void band(Part& part, Edge edge, const Banding* banding) {
  if (banding == nullptr) return;
  part.bands[static_cast<std::size_t>(edge)] = banding->id;
  if (!banding->deduct) return;
  const bool alongLength = !isEnd(edge);
  (alongLength ? part.bandedWidth : part.bandedLength) += banding->thickness;
}

Length stripFor(const Part& part, Edge edge, const Tools& tools) {
  const bool before = isEnd(edge) == (tools.bandFirst == BandFirst::Ends);
  const Length over = before ? (isEnd(edge) ? part.bandedWidth : part.bandedLength) : Length{};
  return part.edgeLength(edge) - over + part.oversize + tools.bandBeyond;
}

void deductBands(const Job& job, Part& part) {
  part.bandedLength = part.bandedWidth = Length{};
  for (const Edge edge : kEdges)
    if (const std::string id = part.bands[static_cast<std::size_t>(edge)]; !id.empty())
      band(part, edge, findBanding(job, id));
}

}  // namespace pp
