#include "core/assembly/joints.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/joinery/contact.h"
#include "core/joinery/joints.h"
#include "core/joinery/rules.h"
#include "core/parts/machining.h"
#include "core/parts/part_builder.h"

namespace pp::bench {
namespace {

constexpr double kTouch = 0.6;  // millimetres that two which meet may be apart
constexpr Length kTouches = Length::mm(1);
constexpr Length kInset = Length::mm(50);
constexpr Length kAside = Length::mm(5);      // a screw is moved by
constexpr Length kFarthest = Length::mm(60);  // and no further
constexpr Length kClear = Length::mm(8);      // of what else is cut there

// A hole stops nobody: what is cut out along edges and faces does.
Part asBody(const Part& part) {
  Part out = part;
  std::erase_if(out.machining, [](const Machining& one) {
    switch (one.cut) {
      case MachiningKind::Hole:
      case MachiningKind::HoleRow:
      case MachiningKind::HingeCup:
      case MachiningKind::Slot:
      case MachiningKind::RoundOver:
      case MachiningKind::Chamfer:
        return true;
      default:
        return isRow(one.cut);
    }
  });
  return out;
}

// The way a direction of the part's own frame goes where it stands.
Vec turned(const Pose& pose, Vec own) {
  return placed(pose, own) - placed(pose, {});
}

// A point in the part's own frame.
Vec ownOf(const Pose& pose, Vec point) {
  const Vec from = point - placed(pose, {});
  return {dot(from, turned(pose, {1, 0, 0})), dot(from, turned(pose, {0, 1, 0})),
          dot(from, turned(pose, {0, 0, 1}))};
}

Vec outOf(Edge edge) {
  switch (edge) {
    case Edge::L1:
      return {0, -1, 0};
    case Edge::L2:
      return {0, 1, 0};
    case Edge::W1:
      return {-1, 0, 0};
    case Edge::W2:
      break;
  }
  return {1, 0, 0};
}

// A point of the middle of an edge, so far along it.
Vec onEdge(const Part& part, Edge edge, double along) {
  const Flat at = atEdge(part, edge, along, 0);
  return {at.u, at.v, part.thickness.inMm() / 2};
}

class Joiner {
 public:
  Joiner(const std::vector<Body>& bodies, Unit unit) : bodies_(bodies), unit_(unit) {}

  Joints run() {
    findSlides();
    for (const joinery::Joint& joint : all()) {
      if (joint.rests) continue;
      if (!joint.chosen)
        held(joint);
      else if (joint.contact.edge)
        said(joint);
    }
    // What is turned meets nothing along the axes: it is joined to what it says by name.
    if (std::any_of(bodies_.begin(), bodies_.end(),
                    [](const Body& body) { return body.pose.turn.has_value(); }))
      for (std::size_t i = 0; i < bodies_.size(); ++i)
        for (const Join& join : bodies_[i].part->joins)
          for (const std::size_t mate : matesOf(i, join))
            if (bodies_[i].pose.turn || bodies_[mate].pose.turn) turnedJoint(i, mate, join);
    return std::move(out_);
  }

 private:
  // Where slides run, in the gap between a box and what stands beside it: half of its height up.
  void findSlides() {
    constexpr double kThinnest = 8, kThickest = 22, kHalf = 25;  // millimetres
    for (const Body& box : bodies_) {
      const PartRole role = box.key().role;
      if (role != PartRole::BoxLeftSide && role != PartRole::BoxRightSide) continue;
      const int axis = static_cast<int>(box.pose.w.axis);
      for (const Body& beside : bodies_) {
        if (isOfBox(beside.key().role)) continue;
        Room gap;
        gap.low = box.low, gap.high = box.high;
        const double up = box.middle().z;
        gap.low.z = up - kHalf, gap.high.z = up + kHalf;
        const bool isHigher = at(beside.low, axis) > at(box.high, axis);
        const double from = isHigher ? at(box.high, axis) : at(beside.high, axis);
        const double to = isHigher ? at(beside.low, axis) : at(box.low, axis);
        along(gap.low, axis) = from - kTouch;
        along(gap.high, axis) = to + kTouch;
        if (to - from < kThinnest || to - from > kThickest || common(gap, beside) <= 0) continue;
        slides_.push_back(gap);
      }
    }
  }

  static double& along(Vec& vec, int axis) { return axis == 0 ? vec.x : axis == 1 ? vec.y : vec.z; }
  // Heads there would be under a slide.
  bool isUnderSlide(const Vec& head) const {
    const double clear = kClear.inMm();
    return std::any_of(slides_.begin(), slides_.end(), [&](const Room& one) {
      return head.x > one.low.x - clear && head.x < one.high.x + clear &&
             head.y > one.low.y - clear && head.y < one.high.y + clear &&
             head.z > one.low.z - clear && head.z < one.high.z + clear;
    });
  }

  // The room of the edge's own face, thickened outwards and so deep inwards.
  static Room rimOf(const Body& body, Edge edge, double deep = 0) {
    const Part& part = *body.part;
    const double u = part.length.total().inMm(), v = part.width.total().inMm();
    Vec low{0, 0, 0}, high{u, v, part.thickness.inMm()};
    switch (edge) {
      case Edge::L1:
        high.y = deep, low.y = -kTouch;
        break;
      case Edge::L2:
        low.y = v - deep, high.y = v + kTouch;
        break;
      case Edge::W1:
        high.x = deep, low.x = -kTouch;
        break;
      case Edge::W2:
        low.x = u - deep, high.x = u + kTouch;
        break;
    }
    return roomOf(body.pose, low, high);
  }

  // What two boxes along the axes have in common, in cubic millimetres.
  static double common(const Room& a, const Room& b) {
    const double x = std::min(a.high.x, b.high.x) - std::max(a.low.x, b.low.x);
    const double y = std::min(a.high.y, b.high.y) - std::max(a.low.y, b.low.y);
    const double z = std::min(a.high.z, b.high.z) - std::max(a.low.z, b.low.z);
    return std::max(0.0, x) * std::max(0.0, y) * std::max(0.0, z);
  }

  // Those of that name that are there, "bracket" of every back bracket; where no part is called so,
  // what it meets most of.
  std::vector<std::size_t> matesOf(std::size_t i, const Join& join) const {
    const double deep = join.kind == JoinKind::Mitre ? bodies_[i].part->thickness.inMm() / 2 : 0;
    const Room rim = rimOf(bodies_[i], join.edge, deep);
    const auto isCalled = [&](const Body& body) {
      return body.part->name.find(join.to) != std::string::npos;
    };
    const bool exactly = std::any_of(bodies_.begin(), bodies_.end(),
                                     [&](const Body& body) { return body.part->name == join.to; });
    const bool isKnown = std::any_of(bodies_.begin(), bodies_.end(), isCalled);
    std::vector<std::size_t> named;
    std::optional<std::size_t> most;
    double mostMet = 0;
    for (std::size_t k = 0; k < bodies_.size(); ++k) {
      if (k == i) continue;
      double met = 0;
      for (const Hull& hull : bodies_[k].hulls) met = std::max(met, common(rim, hull));
      if (met <= 0) continue;
      if (exactly ? bodies_[k].part->name == join.to : isCalled(bodies_[k])) named.push_back(k);
      if (met > mostMet) most = k, mostMet = met;
    }
    if (isKnown || !most) return named;
    return {*most};
  }

  std::vector<joinery::Joint> all() const {
    std::vector<joinery::PlacedBoard> boards;
    for (const Body& body : bodies_) boards.push_back({body.part, body.key(), body.pose});
    return joinery::jointsOf(boards, unit_);
  }

  // With what holds it, but for lines.
  JointAt begun(const joinery::Joint& joint) const {
    JointAt out;
    const joinery::Contact& contact = joint.contact;
    out.piece = contact.a;
    out.mate = contact.b;
    out.edge = contact.edge.value_or(Edge::W1);
    out.flat = !contact.edge;
    out.glued = joint.glued;
    out.kind = joint.chosen.value_or(kindOf(joint));
    if (contact.edge) out.out = turned(bodies_[contact.a].pose, outOf(*contact.edge));
    if (joint.means.empty()) return out;
    out.fasteners.name = joinery::holdName(joint.means.front().hold);
    out.fasteners.length = joint.means.front().length;
    out.fasteners.at = alongEdge(joint, joint.means.front());
    return out;
  }
  static JoinKind kindOf(const joinery::Joint& joint) {
    if (joint.means.empty()) return JoinKind::Glued;
    switch (joint.means.front().hold) {
      case joinery::Hold::Screw:
        return JoinKind::Butt;
      case joinery::Hold::PocketScrew:
        return JoinKind::Pocket;
      case joinery::Hold::Brad:
        return JoinKind::Brads;
      case joinery::Hold::Dowel:
        return JoinKind::Dowel;
      case joinery::Hold::LooseTenon:
        break;
    }
    return JoinKind::LooseTenon;
  }

  // What part of the edge of its first board a joint takes, from the edge's low end.
  std::pair<Length, Length> spanOf(const joinery::Joint& joint) const {
    const Body& body = bodies_[joint.contact.a];
    const Direction along =
        joint.contact.edge && isEnd(*joint.contact.edge) ? body.pose.v : body.pose.u;
    const auto axis = static_cast<std::size_t>(along.axis);
    const Box& room = joint.contact.room;
    const Length p = along.sign * (room.low[axis] - body.pose.origin[axis]);
    const Length q = along.sign * (room.high[axis] - body.pose.origin[axis]);
    return std::minmax(p, q);
  }
  // The places along the edge; of what lies flat, or meets it across, along the joint itself.
  std::vector<Length> alongEdge(const joinery::Joint& joint, const joinery::Means& means) const {
    if (!joint.contact.edge) return means.at;
    const Body& body = bodies_[joint.contact.a];
    const Direction along = isEnd(*joint.contact.edge) ? body.pose.v : body.pose.u;
    if (along.axis != joint.contact.along()) return means.at;
    const auto [low, high] = spanOf(joint);
    std::vector<Length> out;
    for (const Length at : means.at) out.push_back(along.sign > 0 ? low + at : high - at);
    std::sort(out.begin(), out.end());
    return out;
  }

  void held(const joinery::Joint& joint) {
    const auto role = [this](std::size_t body) { return bodies_[body].key().role; };
    if (isDrawerFront(role(joint.contact.a)) || isDrawerFront(role(joint.contact.b))) return;
    JointAt out = begun(joint);
    out.drawn = false;
    out_.held.push_back(std::move(out));
  }

  void said(const joinery::Joint& joint) {
    const Body &body = bodies_[joint.contact.a], &mate = bodies_[joint.contact.b];
    JointAt out = begun(joint);
    if (out.kind == JoinKind::Butt || out.kind == JoinKind::Brads) {
      const auto [low, high] = spanOf(joint);
      out.fasteners.at =
          clearOf(std::move(out.fasteners.at), low, high, takenAlong(out, body, mate));
      drive(out, body, mate);
    } else if (out.kind == JoinKind::Pocket) {
      pockets(out, body);
    }
    out_.drawn.push_back(std::move(out));
  }

  void turnedJoint(std::size_t i, std::size_t k, const Join& join) {
    const Body& body = bodies_[i];
    JointAt out;
    out.piece = i;
    out.mate = k;
    out.edge = join.edge;
    out.kind = join.kind;
    out.out = turned(body.pose, outOf(join.edge));
    const Length edge = body.part->edgeLength(join.edge);
    if (join.kind == JoinKind::Butt || join.kind == JoinKind::Brads) {
      const bool screws = join.kind == JoinKind::Butt;
      const joinery::Spacing spacing =
          screws ? joinery::screwSpacing(unit_) : joinery::bradSpacing(unit_);
      const Length mate = bodies_[k].part->thickness;
      out.fasteners.name = joinery::holdName(screws ? joinery::Hold::Screw : joinery::Hold::Brad);
      out.fasteners.length =
          screws ? joinery::screwIntoEdge(mate, edge, unit_) : joinery::bradFor(mate, edge, unit_);
      out.fasteners.at =
          clearOf(joinery::rowAlong(edge, spacing), {}, edge, takenAlong(out, body, bodies_[k]));
      drive(out, body, bodies_[k]);
    } else if (join.kind == JoinKind::LooseTenon || join.kind == JoinKind::Dowel) {
      for (const Machining& row : body.part->machining) {
        if (row.cut != MachiningKind::Mortises || row.from != join.edge) continue;
        out.fasteners.name = joinery::holdName(
            join.kind == JoinKind::Dowel ? joinery::Hold::Dowel : joinery::Hold::LooseTenon);
        for (const Length at : placesOf(row)) out.fasteners.at.push_back(at);
      }
    }
    out_.drawn.push_back(std::move(out));
  }

  // The lines of a driver through the mate. So thick is what it goes through; where the mate is met
  // by its own edge, too much for any.
  void drive(JointAt& out, const Body& body, const Body& mate) const {
    const Part& part = *body.part;
    double through = 0;
    for (const Hull* hull : hullsAt(body, mate, out.edge))
      through = std::max(through, reachOf(*hull, out.out));
    for (const Length at : out.fasteners.at) {
      const Vec from = placed(body.pose, onEdge(part, out.edge, at.inMm()));
      const double beyond = through - dot(from, out.out);
      constexpr double kMost = 100;
      if (beyond <= 0 || beyond > kMost) continue;
      out.lines.emplace_back(from + (beyond + 0.1) * out.out, from + (beyond + kDriver) * out.out);
    }
  }
  static double reachOf(const Hull& hull, Vec along) {
    double out = -1e9;
    for (const Vec& corner : hull.corners) out = std::max(out, dot(corner, along));
    return out;
  }
  std::vector<const Hull*> hullsAt(const Body& body, const Body& mate, Edge edge) const {
    const Room rim = rimOf(body, edge);
    std::vector<const Hull*> out;
    for (const Hull& hull : mate.hulls)
      if (common(rim, hull) > 0) out.push_back(&hull);
    return out;
  }

  // What is cut along the edge into either part: a screw there would find no wood, or come out.
  std::vector<std::pair<Length, Length>> takenAlong(const JointAt& joint, const Body& body,
                                                    const Body& mate) const {
    const Part& part = *body.part;
    const bool end = isEnd(joint.edge);
    std::vector<std::pair<Length, Length>> out;
    for (const Machining& cut : part.machining) {
      const Box room = removed(cut, part);
      if (room.empty()) continue;
      const Length whole = end ? part.length.total() : part.width.total();
      const Length low = end ? room.low[0] : room.low[1];
      const Length high = end ? room.high[0] : room.high[1];
      const bool near = joint.edge == Edge::W1 || joint.edge == Edge::L1;
      if (near ? low <= kInset : high >= whole - kInset) {
        const Length from = end ? room.low[1] : room.low[0], to = end ? room.high[1] : room.high[0];
        if (to - from < part.edgeLength(joint.edge)) out.emplace_back(from - kClear, to + kClear);
      }
    }
    // In the mate: what lies over the line of the screws, but for the slot the edge sits in.
    const Length edge = part.edgeLength(joint.edge);
    for (Length at; at <= edge; at += kAside) {
      const Vec head = placed(body.pose, onEdge(part, joint.edge, at.inMm())) +
                       mate.part->thickness.inMm() * joint.out;
      if (isUnderSlide(head)) out.emplace_back(at - kAside, at + kAside);
    }
    for (const Machining& cut : mate.part->machining) {
      if (cut.receives == part.name) continue;
      const Length around = cut.width / 2;
      const bool row =
          isRow(cut.cut) || cut.cut == MachiningKind::HoleRow || cut.cut == MachiningKind::Hole;
      const Box room = row ? Box{} : removed(cut, *mate.part);
      if (!row && room.empty()) continue;
      const double u0 = (row ? cut.u0 - around : room.low[0]).inMm();
      const double u1 = (row ? cut.u1 + around : room.high[0]).inMm();
      const double v0 = (row ? cut.v0 - around : room.low[1]).inMm();
      const double v1 = (row ? cut.v1 + around : room.high[1]).inMm();
      std::optional<std::pair<Length, Length>> over;
      for (Length at; at <= edge; at += kAside) {
        const Vec own = ownOf(mate.pose, placed(body.pose, onEdge(part, joint.edge, at.inMm())));
        const double clear = kClear.inMm();
        if (own.x < u0 - clear || own.x > u1 + clear || own.y < v0 - clear || own.y > v1 + clear)
          continue;
        over = over ? std::pair(over->first, at) : std::pair(at, at);
      }
      // One that runs along the whole joint is no place to keep clear of.
      if (over && over->second - over->first < 3 * edge / 4)
        out.emplace_back(over->first - kAside, over->second + kAside);
    }
    return out;
  }

  // Out of the pocket, flat over the face it is cut into.
  static void pockets(JointAt& out, const Body& body) {
    const Part& part = *body.part;
    bool inside = true;
    for (const Machining& row : part.machining)
      if (row.cut == MachiningKind::Pockets && row.from == out.edge)
        inside = row.face == Face::Inside;
    const Vec outwards = outOf(out.edge);
    for (const Length at : out.fasteners.at) {
      constexpr double kIn = 20, kRise = 0.2588190451, kRun = 0.9659258263;  // 15 degrees
      Vec own = onEdge(part, out.edge, at.inMm()) - kIn * outwards;
      own.z = inside ? -0.1 : part.thickness.inMm() + 0.1;
      const Vec way = -kRun * outwards + Vec{0, 0, inside ? -kRise : kRise};
      out.lines.emplace_back(placed(body.pose, own), placed(body.pose, own + kDriver * way));
    }
  }

  const std::vector<Body>& bodies_;
  Unit unit_;
  std::vector<Room> slides_;
  Joints out_;
};

}  // namespace

double at(const Vec& vec, int axis) {
  return axis == 0 ? vec.x : axis == 1 ? vec.y : vec.z;
}

std::vector<Body> bodiesOf(const std::vector<Pieces>& pieces, const std::string& assembly,
                           const Standing& standing) {
  std::vector<Body> out;
  const PlacesTaken taken(pieces);
  for (std::size_t row = 0; row < pieces.size(); ++row) {
    const Part& part = pieces[row].part;
    if (part.assembly != assembly || part.poses.empty() || part.keys.empty()) continue;
    const Part body = asBody(part);
    for (std::size_t pose = 0; pose < part.poses.size(); ++pose) {
      if (!taken.by(row, pose)) continue;
      Body one;
      one.at = {row, pose};
      one.part = &part;
      one.pose = part.poses[pose].in(standing);
      for (const Convex& convex : solidOf(body, one.pose)) {
        Hull hull = hullOf(convex);
        one.take(hull);
        one.hulls.push_back(std::move(hull));
      }
      if (!one.hulls.empty()) out.push_back(std::move(one));
    }
  }
  return out;
}

bool isFastened(JoinKind kind) {
  return kind == JoinKind::Butt || kind == JoinKind::Pocket || kind == JoinKind::Brads;
}

Joints jointsOf(const std::vector<Body>& bodies, Unit unit) {
  return Joiner(bodies, unit).run();
}

Gluings::Gluings(const Job& job, const std::vector<Pieces>& pieces) {
  for (const JointGluing& one : job.gluing) said_[std::minmax(one.part, one.mate)] = one.gluing;
  std::map<std::string, int> of;
  for (const Pieces& one : pieces)
    if (one.part.role == PartRole::TopSheet)
      of[one.part.assembly] += static_cast<int>(one.part.poses.size());
  for (const auto& [assembly, count] : of)
    if (count > 1) sheets(pieces, assembly);
}

void Gluings::sheets(const std::vector<Pieces>& pieces, const std::string& assembly) {
  struct Lies {
    PartKey key;
    Box room;
  };
  std::vector<Lies> laid, rest;
  for (const Pieces& one : pieces) {
    const Part& part = one.part;
    if (part.assembly != assembly || !joinery::isOfTop(part.role) || part.keys.empty()) continue;
    for (std::size_t i = 0; i < part.poses.size(); ++i)
      (part.role == PartRole::TopSheet ? laid : rest)
          .push_back({keyAt(part, i), part.poses[i].place(part.board())});
  }
  for (std::size_t i = 0; i < laid.size(); ++i) sheetOf_[laid[i].key] = i;
  for (const Lies& one : rest) {
    // The one that it lies under most; an edging along several is of none.
    std::size_t best = kNoSheet, under = 0;
    Area most;
    for (std::size_t i = 0; i < laid.size(); ++i) {
      const Length x = std::min(one.room.high[0], laid[i].room.high[0]) -
                       std::max(one.room.low[0], laid[i].room.low[0]);
      const Length y = std::min(one.room.high[1], laid[i].room.high[1]) -
                       std::max(one.room.low[1], laid[i].room.low[1]);
      if (x < Length{} || y < Length{}) continue;
      under += std::max(x, y) > kTouches ? 1 : 0;
      if (best == kNoSheet || x * x + y * y > most) best = i, most = x * x + y * y;
    }
    sheetOf_[one.key] = isSolidEdging(one.key.role) && under > 1 ? kNoSheet : best;
  }
}

Gluing Gluings::between(const PartKey& one, const PartKey& other) const {
  const auto at = said_.find(std::minmax(one, other));
  if (at != said_.end()) return at->second;
  const auto a = sheetOf_.find(one), b = sheetOf_.find(other);
  if (a == sheetOf_.end() || b == sheetOf_.end()) return Gluing::InShop;
  return a->second == b->second && a->second != kNoSheet ? Gluing::InShop : Gluing::InPlace;
}

std::vector<Fastened> fastenedOf(const std::vector<Pieces>& pieces, const Job& job) {
  std::vector<Fastened> out;
  for (const Assembly& assembly : job.assemblies) {
    const std::vector<Body> bodies = bodiesOf(pieces, assembly.code);
    const Joints joints = jointsOf(bodies, job.unit);
    for (const std::vector<JointAt>* all : {&joints.drawn, &joints.held})
      for (const JointAt& joint : *all) {
        if (joint.fasteners.at.empty() || joint.flat) continue;
        Fastened one{bodies[joint.piece].at.row, bodies[joint.mate].at.row, joint.edge, joint.kind,
                     joint.fasteners};
        if (std::find(out.begin(), out.end(), one) == out.end()) out.push_back(std::move(one));
      }
  }
  std::stable_sort(out.begin(), out.end(), [](const Fastened& a, const Fastened& b) {
    return std::pair(a.row, a.edge) < std::pair(b.row, b.edge);
  });
  return out;
}

std::vector<Length> clearOf(std::vector<Length> places, Length low, Length high,
                            const std::vector<std::pair<Length, Length>>& taken) {
  const auto isFree = [&](Length at) {
    return at >= low && at <= high &&
           std::none_of(taken.begin(), taken.end(), [&](const std::pair<Length, Length>& one) {
             return at > one.first && at < one.second;
           });
  };
  for (Length& place : places) {
    const Length even = place;
    Length at = even;
    for (Length off; off <= kFarthest && !isFree(at); off += kAside) {
      at = even + off;
      if (!isFree(at)) at = even - off;
    }
    place = isFree(at) ? at : even;
  }
  return places;
}

}  // namespace pp::bench
