#include "core/kinds/ring/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/common/end_joint.h"
#include "core/kinds/common/plain.h"
#include "core/kinds/common/words.h"
#include "core/parts/trig.h"

namespace pp {

Angle ringBevel(int pieces) {
  constexpr std::int64_t kHalfTurn = 180'000;
  return Angle::millidegrees((kHalfTurn + pieces / 2) / pieces);
}

namespace {

Result<std::vector<Part>> ringParts(const PartBuilder& builder, const Ring& ring) {
  const Angle angle = ringBevel(ring.pieces);
  Part part = builder.board(PartRole::RingPiece, ring.material,
                            Reason("side at the long points", ring.side),
                            Reason("board width", ring.width));
  const Length t = part.thickness;
  if (ring.side <= 2 * timesTangent(t, angle))
    return cannot("side", builder.shown(ring.side),
                  "more than the two bevels of a board " + builder.shown(t) + " thick take");
  for (const Edge edge : {Edge::W1, Edge::W2})
    part.machining.push_back(bevel(edge, angle, Face::Outside, "next piece"));
  if (ring.joint != Joint::Butt)
    for (const Edge edge : {Edge::W1, Edge::W2}) {
      part.machining.push_back(mortisesIn(builder.drawn().unit, part, edge, ring.perJoint,
                                          ring.joint == Joint::Dowel,
                                          ring.joint == Joint::Dowel ? "dowels" : "loose tenons"));
      part.joins.push_back({edge, JoinKind::Mitre, "next piece"});
    }
  part.quantity = ring.pieces;
  // From the middle of the ring to the middle of a side: half a side over the bevel's tangent.
  const Length across =
      timesTangent(ring.side / 2, Angle::millidegrees(90'000 - angle.inMillidegrees()));
  const Point middle{across, Length{}, across};
  constexpr std::int64_t kTurn = 360'000;
  for (int i = 0; i < ring.pieces; ++i) {
    const Pose pose{{across - ring.side / 2, Length{}, t},
                    kRight,
                    kBackwards,
                    kDown,
                    Turn{Axis::Y, Angle::millidegrees(kTurn * i / ring.pieces), middle}};
    if (i == 0)
      PartBuilder::place(part, pose);
    else
      part.poses.push_back(pose);
  }
  part.show = Face::Outside;
  return std::vector<Part>{part};
}

}  // namespace

Length widthOf(const Job& /*job*/, const Ring& of) {
  return of.side;
}

std::int64_t mostPieces(const Job& /*job*/, const Ring& of) {
  return of.pieces;
}

void check(Check& to, const std::string& at, const Ring& of) {
  to.within(at + "/pieces", of.pieces, 3, 100);
  to.allPositive(at, {{"/side", of.side}, {"/width", of.width}});
  to.knownMaterial(at + "/material", of.material);
  to.within(at + "/perJoint", of.perJoint, 1, 20);
  if (of.joint != Joint::Butt && of.joint != Joint::LooseTenon && of.joint != Joint::Dowel)
    to.add(at + "/joint", "a joint that a mitre cannot have", "butt, loose tenon or dowel");
}

void begin(const Job& /*job*/, const PlainMaterials& materials, Ring& out) {
  out.material = materials.thick;
}

Ring mirrored(const Ring& of) {
  return of;
}

void make(const PartBuilder& builder, const Ring& of, Made& out) {
  out.take(ringParts(builder, of));
}

void fields(Archive& a, Ring& v) {
  a.must("pieces", v.pieces);
  a.must("side", v.side);
  a.must("width", v.width);
  a.must("material", v.material);
  a.choice("joint", v.joint, kJoints);
  a.unlessDefault("perJoint", v.perJoint);
}

}  // namespace pp
