#include "core/parts/finish_area.h"

#include <algorithm>

namespace pp {
namespace {

// Of floors on a face; where one runs across another both are counted, no more than the face is.
Area floorsOn(const Part& part, Face face) {
  Area out;
  for (const Machining& cut : part.machining) {
    if (cut.face != face || !keepsGlue(cut)) continue;
    const Box room = intersection(removed(cut, part), part.board());
    if (!room.empty()) out += (room.high[0] - room.low[0]) * (room.high[1] - room.low[1]);
  }
  return std::min(out, part.length.total() * part.width.total());
}

}  // namespace

std::int64_t inCm2(Area area) {
  constexpr Int128 kNm2PerCm2 = 100'000'000'000'000;
  return static_cast<std::int64_t>((area.inNm2() + kNm2PerCm2 - 1) / kNm2PerCm2);
}

bool keepsGlue(const Machining& cut) {
  return (cut.cut == MachiningKind::Dado || cut.cut == MachiningKind::Rabbet ||
          cut.cut == MachiningKind::Groove) &&
         !cut.receives.empty();
}

FinishArea finishArea(const Part& part) {
  FinishArea out;
  for (const Face face : {Face::Inside, Face::Outside}) {
    if (part.hidden[static_cast<std::size_t>(face)]) continue;
    const Area floors = floorsOn(part, face);
    out.bare += floors;
    (face == Face::Inside ? out.inside : out.outside) =
        part.length.total() * part.width.total() - floors;
  }
  for (const Edge edge : kEdges) {
    (part.isJoined(edge) ? out.bare : out.edges) += part.edgeLength(edge) * part.thickness;
  }
  return out;
}

}  // namespace pp
