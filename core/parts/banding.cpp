#include "core/parts/banding.h"

#include <algorithm>
#include <cmath>

#include "core/parts/machining.h"

namespace pp {

void band(Part& part, Edge edge, const Banding* banding) {
  if (banding == nullptr) return;
  part.bands[static_cast<std::size_t>(edge)] = banding->id;
  if (!banding->deduct) return;
  const bool alongLength = !isEnd(edge);
  (alongLength ? part.bandedWidth : part.bandedLength) += banding->thickness;
}

Length shapedLength(const Part& part, Edge edge) {
  Length out = part.edgeLength(edge);
  const auto more = [&out](double mm, double instead) {
    constexpr double kUm = 1000;
    out += Length::um(std::llround((mm - instead) * kUm));
  };
  for (const Machining& cut : part.machining) {
    if (cut.from != edge) continue;
    if (cut.cut == MachiningKind::Arc || cut.cut == MachiningKind::Bulge) {
      const CutSpan over = spanOf(cut, part);
      const double chord = (over.end - over.begin).inMm();
      const double rise = cut.depth.inMm();
      if (chord <= 0 || rise <= 0) continue;
      const double radius = (chord * chord / 4 + rise * rise) / (2 * rise);
      more(2 * radius * std::asin(std::min(1.0, chord / 2 / radius)), chord);
    } else if (cut.cut == MachiningKind::Taper) {
      const SlantedEdge at = slantedEdge(cut, part);
      const double u = (at.u1 - at.u0).inMm();
      const double v = (at.v1 - at.v0).inMm();
      more(std::hypot(u, v), std::abs(isEnd(edge) ? v : u));
    }
  }
  return out;
}

Length stripFor(const Part& part, Edge edge, const Tools& tools) {
  const bool before = isEnd(edge) == (tools.bandFirst == BandFirst::Ends);
  const Length over = before ? (isEnd(edge) ? part.bandedWidth : part.bandedLength) : Length{};
  return shapedLength(part, edge) - over + part.oversize + tools.bandBeyond;
}

void deductBands(const Job& job, Part& part) {
  part.bandedLength = part.bandedWidth = Length{};
  for (const Edge edge : kEdges)
    if (const std::string id = part.bands[static_cast<std::size_t>(edge)]; !id.empty())
      band(part, edge, findBanding(job, id));
}

}  // namespace pp
