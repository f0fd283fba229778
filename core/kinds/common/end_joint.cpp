#include "core/kinds/common/end_joint.h"

namespace pp {
namespace {

constexpr Length kPocketIn = Length::mm(20);
constexpr Length kPocketWide = Length::um(9'500);
constexpr Length kTenonWide = Length::mm(20);
constexpr Length kDowelWide = Length::mm(8);
constexpr Length kMortiseDeep = Length::mm(20);

}  // namespace

void joinEnds(Part& part, Joint joint, const std::string& into, Face face) {
  for (const Edge end : {Edge::W1, Edge::W2}) {
    part.joins.push_back({end, joinKind(joint), into});
    if (joint == Joint::Pocket)
      part.machining.push_back(rowAtEnd(part, MachiningKind::Pockets, into, end, kPocketIn,
                                        kPocketWide, part.thickness / 2, face));
    if (joint == Joint::LooseTenon || joint == Joint::Dowel)
      part.machining.push_back(rowAtEnd(part, MachiningKind::Mortises, into, end, Length{},
                                        joint == Joint::Dowel ? kDowelWide : kTenonWide,
                                        kMortiseDeep, Face::Inside));
  }
}

Machining mortisesIn(const Part& part, Edge end, int count, bool dowels, std::string receives) {
  Machining row;
  row.cut = MachiningKind::Mortises;
  row.face = Face::Inside;
  row.receives = std::move(receives);
  row.pitch = part.width.total() / count;
  row.v0 = row.pitch / 2;
  row.v1 = row.v0 + (count - 1) * row.pitch;
  row.u0 = row.u1 = end == Edge::W1 ? Length{} : part.length.total();
  row.from = end;
  row.width = dowels ? kDowelWide : kTenonWide;
  row.depth = kMortiseDeep;
  row.holes = count;
  row.through = false;
  return row;
}

}  // namespace pp
