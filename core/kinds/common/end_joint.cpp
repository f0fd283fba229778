#include "core/kinds/common/end_joint.h"

namespace pp {
namespace {

Length widthOf(Unit unit, bool dowels) {
  return dowels ? usual(unit, Length::mm(8), Length::in(0, 5, 16))
                : usual(unit, Length::mm(20), Length::in(0, 3, 4));
}
Length depthInEnd(Unit unit) {
  return usual(unit, Length::mm(20), Length::in(0, 3, 4));
}

}  // namespace

EndSpan wholeEnd(const Part& part) {
  return {{}, part.width.total()};
}

Machining pocketsAt(Unit unit, const Part& part, std::string into, Edge end, EndSpan span,
                    Face face) {
  return rowAtEnd(MachiningKind::Pockets, std::move(into), part, end, span,
                  usual(unit, Length::mm(20), Length::in(0, 3, 4)),
                  usual(unit, Length::um(9'500), Length::in(0, 3, 8)), part.thickness / 2, face,
                  usualSpacing(unit));
}

Machining mortisesAt(Unit unit, const Part& part, std::string into, Edge end, EndSpan span,
                     bool dowels) {
  return rowAtEnd(MachiningKind::Mortises, std::move(into), part, end, span, Length{},
                  widthOf(unit, dowels), depthInEnd(unit), Face::Inside, usualSpacing(unit));
}

Length mortiseInFace(Unit unit) {
  return usual(unit, Length::mm(10), Length::in(0, 3, 8));
}

void joinEnds(Unit unit, Part& part, Joint joint, const std::string& into, Face face) {
  for (const Edge end : {Edge::W1, Edge::W2}) {
    part.joins.push_back({end, joinKind(joint), into});
    if (joint == Joint::Pocket)
      part.machining.push_back(pocketsAt(unit, part, into, end, wholeEnd(part), face));
    if (joint == Joint::LooseTenon || joint == Joint::Dowel)
      part.machining.push_back(
          mortisesAt(unit, part, into, end, wholeEnd(part), joint == Joint::Dowel));
  }
}

Machining mortisesIn(Unit unit, const Part& part, Edge end, int count, bool dowels,
                     std::string receives) {
  Machining row;
  row.cut = MachiningKind::Mortises;
  row.face = Face::Inside;
  row.receives = std::move(receives);
  row.pitch = part.width.total() / count;
  row.v0 = row.pitch / 2;
  row.v1 = row.v0 + (count - 1) * row.pitch;
  row.u0 = row.u1 = end == Edge::W1 ? Length{} : part.length.total();
  row.from = end;
  row.width = widthOf(unit, dowels);
  row.depth = depthInEnd(unit);
  row.holes = count;
  row.through = false;
  return row;
}

}  // namespace pp
