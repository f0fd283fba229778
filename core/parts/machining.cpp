#include "core/parts/machining.h"

#include <algorithm>

namespace pp {

CutSpan spanOf(const Machining& cut, const Part& part) {
  const bool end = isEnd(cut.from);
  const Length low = end ? cut.v0 : cut.u0;
  const Length high = end ? cut.v1 : cut.u1;
  const Length whole = end ? part.width.total() : part.length.total();
  const bool isRow = cut.holes > 0;
  return low == high && !isRow ? CutSpan{Length{}, whole} : CutSpan{low, high};
}

bool goesThrough(const Machining& cut, const Part& part) {
  switch (cut.cut) {
    case MachiningKind::Hole:
    case MachiningKind::HoleRow:
    case MachiningKind::Slot:
    case MachiningKind::PinHoles:
    case MachiningKind::HingeCup:
    case MachiningKind::Recess:
      return cut.depth >= part.thickness;
    case MachiningKind::Dado:
    case MachiningKind::Rabbet:
    case MachiningKind::Groove:
    case MachiningKind::EdgeGroove:
      return cut.through;
    case MachiningKind::Notch:
    case MachiningKind::Taper:
    case MachiningKind::Arc:
    case MachiningKind::Bulge:
    case MachiningKind::RoundCorner:
    case MachiningKind::RoundEnd:
    case MachiningKind::Bevel:
      return true;
    case MachiningKind::Pockets:
    case MachiningKind::Mortises:
    case MachiningKind::ThicknessTaper:
    case MachiningKind::RoundOver:
    case MachiningKind::Chamfer:
      break;
  }
  return false;
}

Machining dadoAcross(const Part& part, std::string receives, Length u0, Length width, Length depth,
                     Face face) {
  Machining cut;
  cut.face = face;
  cut.receives = std::move(receives);
  cut.u0 = u0;
  cut.u1 = u0 + width;
  cut.v1 = part.width.total();
  cut.depth = depth;
  cut.width = width;
  const bool atEnd = cut.u1 == part.length.total();
  cut.cut = atEnd || u0 == Length{} ? MachiningKind::Rabbet : MachiningKind::Dado;
  cut.from = atEnd ? Edge::W2 : Edge::W1;
  cut.distance = atEnd ? Length{} : u0;
  return cut;
}

Machining grooveAlong(const Part& part, std::string receives, Length v0, Length width, Length depth,
                      Face face) {
  Machining cut;
  cut.face = face;
  cut.receives = std::move(receives);
  cut.u1 = part.length.total();
  cut.v0 = v0;
  cut.v1 = v0 + width;
  cut.depth = depth;
  cut.width = width;
  const bool atEdge = cut.v1 == part.width.total();
  cut.cut = atEdge || v0 == Length{} ? MachiningKind::Rabbet : MachiningKind::Groove;
  cut.from = atEdge ? Edge::L2 : Edge::L1;
  cut.distance = atEdge ? Length{} : v0;
  return cut;
}

Machining notch(const Part& part, std::string receives, Length u0, Length u1, Length v0,
                Length v1) {
  Machining cut;
  cut.cut = MachiningKind::Notch;
  cut.receives = std::move(receives);
  cut.u0 = u0;
  cut.u1 = u1;
  cut.v0 = v0;
  cut.v1 = v1;
  cut.width = v1 - v0;
  cut.depth = part.thickness;
  // From the edge that it is in, or from the lower one.
  const bool upper = v0 > Length{} && v1 == part.width.total();
  cut.from = upper ? Edge::L2 : Edge::L1;
  cut.distance = upper ? Length{} : v0;
  cut.through = false;
  return cut;
}

Machining bevel(Edge edge, Angle angle, Face full, std::string receives) {
  Machining cut;
  cut.cut = MachiningKind::Bevel;
  cut.face = full;
  cut.receives = std::move(receives);
  cut.from = edge;
  cut.angle = angle;
  return cut;
}

Machining rowAtEnd(MachiningKind cut, std::string receives, const Part& part, Edge edge,
                   EndSpan span, Length in, Length width, Length depth, Face face,
                   RowSpacing spacing) {
  const Length across = span.high - span.low;
  const Length margin = std::min(spacing.fromEdge, across / 4);
  const Length between = across - 2 * margin;
  const std::int64_t gaps =
      std::max<std::int64_t>(1, (between.inNm() + spacing.every.inNm() - 1) / spacing.every.inNm());
  Machining row;
  row.cut = cut;
  row.face = face;
  row.receives = std::move(receives);
  row.u0 = row.u1 = edge == Edge::W1 ? in : part.length.total() - in;
  row.v0 = span.low + margin;
  row.v1 = row.v0 + between;
  row.from = edge;
  row.distance = in;
  row.width = width;
  row.depth = depth;
  row.holes = static_cast<int>(gaps) + 1;
  row.pitch = between / gaps;
  row.through = false;
  return row;
}

std::vector<Length> placesOf(const Machining& row) {
  std::vector<Length> out;
  const Length first = isEnd(row.from) ? row.v0 : row.u0;
  for (int n = 0; n < row.holes; ++n) out.push_back(first + n * row.pitch);
  return out;
}

}  // namespace pp
