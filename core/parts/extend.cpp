#include "core/parts/extend.h"

#include <fmt/format.h>

namespace pp {
namespace {

// One direction of a cut: what touched either edge of the board still does.
void move(Length& low, Length& high, Length whole, bool near, Length by, bool point) {
  if (!point && low == high) return;  // what runs from end to end, however long the board is
  const bool atLow = !point && low == Length{};
  const bool atHigh = !point && high == whole;
  if (near) {
    low += by;
    high += by;
    if (atLow) low = Length{};
    if (atHigh) high = whole + by;
    return;
  }
  if (atHigh) high += by;
}

bool isPoint(MachiningKind cut) {
  return isRow(cut) || cut == MachiningKind::Hole || cut == MachiningKind::Slot;
}

}  // namespace

void extend(Part& part, Edge edge, Length by) {
  if (by == Length{}) return;
  const bool end = isEnd(edge);
  const bool near = edge == Edge::W1 || edge == Edge::L1;
  Reason& size = end ? part.length : part.width;
  const Length whole = size.total();
  const std::string where = sideName(part.edges[static_cast<std::size_t>(edge)]);
  if (by > Length{})
    size.plus(fmt::format("beyond the {}", where), by);
  else
    size.minus(fmt::format("set back at the {}", where), -by);
  for (Machining& cut : part.machining) {
    if (end)
      move(cut.u0, cut.u1, whole, near, by, isPoint(cut.cut) && cut.u0 == cut.u1);
    else
      move(cut.v0, cut.v1, whole, near, by, isPoint(cut.cut) && cut.v0 == cut.v1);
    // What is measured from that edge is further from it by as much.
    if (cut.from == edge && cut.distance > Length{}) cut.distance += by;
  }
  for (Pose& pose : part.poses)
    if (near) {
      const Direction along = end ? pose.u : pose.v;
      pose.origin[static_cast<std::size_t>(along.axis)] -= along.sign * by;
    }
}

Problems extendAsChosen(const PartBuilder& builder, Part& part, Edge edge, Length by) {
  const Reason& size = isEnd(edge) ? part.length : part.width;
  if (size.total() + by <= Length{})
    return {cannot(sideName(part.edges[static_cast<std::size_t>(edge)]) + " of the " + part.name,
                   builder.shown(-by) + " set back", "less than it has")};
  extend(part, edge, by);
  return {};
}

EdgeMoves movesFor(const Part& part, bool ofWidth, Length size, SizeMoves moves) {
  const Length by = size - (ofWidth ? part.width : part.length).total();
  const Length half = by / 2;
  EdgeMoves out{{ofWidth ? Edge::L1 : Edge::W1, ofWidth ? Edge::L2 : Edge::W2}, {}};
  out.by[0] = moves == SizeMoves::Far ? Length{} : moves == SizeMoves::Near ? by : half;
  out.by[1] = by - out.by[0];
  return out;
}

void sizeByHand(Part& part, bool ofWidth, Length size, const EdgeMoves& moves) {
  for (std::size_t i = 0; i < moves.edges.size(); ++i) extend(part, moves.edges[i], moves.by[i]);
  (ofWidth ? part.width : part.length) = Reason("set by hand", size);
}

}  // namespace pp
