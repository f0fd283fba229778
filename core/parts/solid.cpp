#include "core/parts/solid.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace pp {

double dot(Vec a, Vec b) {
  return a.x * b.x + a.y * b.y + a.z * b.z;
}

Vec cross(Vec a, Vec b) {
  return {a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x};
}

Plane planeOf(const std::vector<Vec>& face) {
  Vec normal;  // Newell's, which does not mind points that nearly coincide
  for (std::size_t i = 0; i < face.size(); ++i)
    normal = normal + cross(face[i], face[(i + 1) % face.size()]);
  const double length = std::sqrt(dot(normal, normal));
  if (length > 0) normal = (1 / length) * normal;
  return {normal, dot(normal, face.front())};
}

namespace {

constexpr double kSame = 1e-7;  // millimetres

Convex boxOf(const Box& box) {
  const Vec a{box.low[0].inMm(), box.low[1].inMm(), box.low[2].inMm()};
  const Vec b{box.high[0].inMm(), box.high[1].inMm(), box.high[2].inMm()};
  const auto at = [&](int i) {
    return Vec{(i & 1) != 0 ? b.x : a.x, (i & 2) != 0 ? b.y : a.y, (i & 4) != 0 ? b.z : a.z};
  };
  const auto face = [&](int i, int j, int k, int l) {
    return std::vector<Vec>{at(i), at(j), at(k), at(l)};
  };
  return {{face(0, 2, 3, 1), face(4, 5, 7, 6), face(0, 1, 5, 4), face(2, 6, 7, 3), face(0, 4, 6, 2),
           face(1, 3, 7, 5)}};
}

double tangent(Angle angle) {
  constexpr double kHalfTurn = 180'000;
  return std::tan(static_cast<double>(angle.inMillidegrees()) / kHalfTurn * std::numbers::pi);
}

// What a bevel or taper leaves, as a half space in the part's own frame.
Plane leftBy(const Machining& cut, const Part& part) {
  const double length = part.length.total().inMm();
  const double width = part.width.total().inMm();
  if (cut.cut == MachiningKind::Taper) {
    const SlantedEdge at = slantedEdge(cut, part);
    const double run = (at.u1 - at.u0).inMm();
    const double rise = (at.v1 - at.v0).inMm();
    Vec normal{-rise, run, 0};
    // What is kept lies towards the opposite edge.
    const bool end = isEnd(cut.from);
    if (end ? (cut.from == Edge::W1) == (normal.x > 0) : (cut.from == Edge::L1) == (normal.y > 0))
      normal = -1 * normal;
    normal = (1 / std::sqrt(dot(normal, normal))) * normal;
    return {normal, dot(normal, {at.u0.inMm(), at.v0.inMm(), 0})};
  }
  if (cut.cut == MachiningKind::ThicknessTaper) {
    const double thick = part.thickness.inMm();
    const bool inside = cut.face == Face::Inside;
    const auto at = [&](Length left) { return inside ? thick - left.inMm() : left.inMm(); };
    Vec normal{-(at(cut.depth) - at(cut.w0)), 0, (cut.u1 - cut.u0).inMm()};
    if (inside) normal = -1 * normal;
    normal = (1 / std::sqrt(dot(normal, normal))) * normal;
    return {normal, dot(normal, {cut.u0.inMm(), 0, at(cut.w0)})};
  }
  const double slope = tangent(cut.angle);
  const bool inside = cut.face == Face::Inside;
  const double back = inside ? 0 : part.thickness.inMm() * slope;
  const double k = inside ? slope : -slope;
  switch (cut.from) {
    case Edge::L1:
      return {{0, -1, k}, -back};
    case Edge::L2:
      return {{0, 1, k}, width - back};
    case Edge::W1:
      return {{-1, 0, k}, -back};
    case Edge::W2:
      break;
  }
  return {{1, 0, k}, length - back};
}

}  // namespace

Convex clipped(const Convex& body, const Plane& plane) {
  Convex out;
  std::vector<Vec> rim;
  for (const std::vector<Vec>& face : body.faces) {
    std::vector<Vec> kept;
    for (std::size_t i = 0; i < face.size(); ++i) {
      const Vec a = face[i];
      const Vec b = face[(i + 1) % face.size()];
      const double da = dot(plane.normal, a) - plane.distance;
      const double db = dot(plane.normal, b) - plane.distance;
      if (da <= kSame) kept.push_back(a);
      if ((da <= kSame) != (db <= kSame)) {
        const Vec cut = a + (da / (da - db)) * (b - a);
        kept.push_back(cut);
        rim.push_back(cut);
      }
    }
    if (kept.size() >= 3) out.faces.push_back(std::move(kept));
  }
  if (rim.size() < 3) return out;
  // The new face: the cut points in order round their middle.
  Vec middle;
  for (const Vec p : rim) middle = middle + p;
  middle = (1.0 / static_cast<double>(rim.size())) * middle;
  const Vec first = rim.front() - middle;
  const Vec second = cross(plane.normal, first);
  std::sort(rim.begin(), rim.end(), [&](Vec a, Vec b) {
    const auto turn = [&](Vec p) {
      return std::atan2(dot(p - middle, second) * std::sqrt(dot(first, first)),
                        dot(p - middle, first) * std::sqrt(dot(second, second)));
    };
    return turn(a) < turn(b);
  });
  rim.erase(std::unique(rim.begin(), rim.end(),
                        [](Vec a, Vec b) { return dot(a - b, a - b) < kSame * kSame; }),
            rim.end());
  if (rim.size() >= 3) out.faces.push_back(std::move(rim));
  return out;
}

double volume(const Convex& body) {
  if (body.empty()) return 0;
  const Vec from = body.faces.front().front();
  double six = 0;
  for (const std::vector<Vec>& face : body.faces)
    for (std::size_t i = 1; i + 1 < face.size(); ++i)
      six += dot(face[0] - from, cross(face[i] - from, face[i + 1] - from));
  constexpr double kTetrahedra = 6;
  return six / kTetrahedra;
}

double commonVolume(const Convex& a, const Convex& b) {
  Convex common = a;
  for (const std::vector<Vec>& face : b.faces) {
    if (common.empty()) return 0;
    common = clipped(common, planeOf(face));
  }
  return std::max(0.0, volume(common));
}

Flat atEdge(const Part& part, Edge edge, double along, double in) {
  switch (edge) {
    case Edge::L1:
      return {along, in};
    case Edge::L2:
      return {along, part.width.total().inMm() - in};
    case Edge::W1:
      return {in, along};
    case Edge::W2:
      break;
  }
  return {part.length.total().inMm() - in, along};
}

Vec placed(const Pose& pose, Vec own) {
  std::array<double, 3> out = {pose.origin[0].inMm(), pose.origin[1].inMm(), pose.origin[2].inMm()};
  for (const auto& [direction, along] :
       {std::pair{pose.u, own.x}, std::pair{pose.v, own.y}, std::pair{pose.w, own.z}})
    out[static_cast<std::size_t>(direction.axis)] += direction.sign * along;
  if (pose.turn) {
    const auto axis = static_cast<std::size_t>(pose.turn->axis);
    const std::size_t i = (axis + 1) % 3;
    const std::size_t k = (axis + 2) % 3;
    constexpr double kHalfTurn = 180'000;
    const double angle =
        static_cast<double>(pose.turn->angle.inMillidegrees()) / kHalfTurn * std::numbers::pi;
    const double a = out[i] - pose.turn->about[i].inMm();
    const double b = out[k] - pose.turn->about[k].inMm();
    out[i] = pose.turn->about[i].inMm() + std::cos(angle) * a - std::sin(angle) * b;
    out[k] = pose.turn->about[k].inMm() + std::sin(angle) * a + std::cos(angle) * b;
  }
  return {out[0], out[1], out[2]};
}

namespace {

constexpr int kFacets = 24;     // of a full circle
constexpr int kRowFacets = 12;  // of each hole of a row

// How deep a hollow over a chord is so far from its middle.
double hollowAt(double chord, double rise, double off) {
  const double radius = (chord * chord / 4 + rise * rise) / (2 * rise);
  return std::sqrt(std::max(0.0, radius * radius - off * off)) - (radius - rise);
}

std::vector<std::vector<Flat>> curved(const Machining& cut, const Part& part) {
  const bool end = isEnd(cut.from);
  const double whole = (end ? part.width : part.length).total().inMm();
  double from = (end ? cut.v0 : cut.u0).inMm();
  double to = (end ? cut.v1 : cut.u1).inMm();
  if (from == to) from = 0, to = whole;
  const double chord = to - from;
  const double rise = cut.depth.inMm();
  const auto point = [&](double along, double in) { return atEdge(part, cut.from, along, in); };
  std::vector<std::vector<Flat>> out;
  if (cut.cut == MachiningKind::Arc) {
    std::vector<Flat>& hollow = out.emplace_back();
    for (int i = 0; i <= kFacets; ++i) {
      const double a = chord * i / kFacets;
      hollow.push_back(point(from + a, hollowAt(chord, rise, a - chord / 2)));
    }
    return out;
  }
  if (from > 0) out.push_back({point(0, 0), point(from, 0), point(from, rise), point(0, rise)});
  if (to < whole)
    out.push_back({point(to, 0), point(whole, 0), point(whole, rise), point(to, rise)});
  for (int i = 0; i < kFacets; ++i) {
    const double a = chord * i / kFacets;
    const double b = chord * (i + 1) / kFacets;
    out.push_back({point(from + a, 0), point(from + b, 0),
                   point(from + b, rise - hollowAt(chord, rise, b - chord / 2)),
                   point(from + a, rise - hollowAt(chord, rise, a - chord / 2))});
  }
  return out;
}

// Between a corner of the board and the quarter circle that rounds it.
void roundOff(std::vector<std::vector<Flat>>& out, Flat corner, double radius, double u, double v) {
  constexpr int kQuarter = kFacets / 4;
  const Flat centre{corner.u + u * radius, corner.v + v * radius};
  const auto at = [&](int i) {
    const double turn = std::numbers::pi / 2 * i / kQuarter;
    return Flat{centre.u - u * radius * std::cos(turn), centre.v - v * radius * std::sin(turn)};
  };
  for (int i = 0; i < kQuarter; ++i) out.push_back({corner, at(i), at(i + 1)});
}

std::vector<Flat> circle(double u0, double u1, double v, double radius, int facets) {
  std::vector<Flat> out;
  for (int i = 0; i < facets; ++i) {
    const double turn = 2 * std::numbers::pi * (i + 0.5) / facets;
    const double u = std::cos(turn) >= 0 ? u1 : u0;
    out.push_back({u + radius * std::cos(turn), v + radius * std::sin(turn)});
  }
  return out;
}

}  // namespace

std::vector<std::vector<Flat>> cutOff(const Machining& cut, const Part& part) {
  const double radius = cut.width.inMm() / 2;
  switch (cut.cut) {
    case MachiningKind::Arc:
    case MachiningKind::Bulge:
      return curved(cut, part);
    case MachiningKind::RoundCorner:
    case MachiningKind::RoundEnd: {
      std::vector<std::vector<Flat>> out;
      const double width = part.width.total().inMm();
      const bool far = cut.from == Edge::W2;
      const double u = far ? part.length.total().inMm() : 0;
      const double inwards = far ? -1 : 1;
      const bool both = cut.cut == MachiningKind::RoundEnd;
      if (both || cut.v0 == Length{}) roundOff(out, {u, 0}, cut.width.inMm(), inwards, 1);
      if (both || cut.v0 != Length{}) roundOff(out, {u, width}, cut.width.inMm(), inwards, -1);
      return out;
    }
    case MachiningKind::Hole:
      return {circle(cut.u0.inMm(), cut.u0.inMm(), cut.v0.inMm(), radius, kFacets)};
    case MachiningKind::Slot:  // its centres lie inside its ends
      return {
          circle(cut.u0.inMm() + radius, cut.u1.inMm() - radius, cut.v0.inMm(), radius, kFacets)};
    case MachiningKind::HoleRow: {
      std::vector<std::vector<Flat>> out;
      const bool along = cut.u1 > cut.u0;
      for (int i = 0; i < cut.holes; ++i) {
        const double step = (i * cut.pitch).inMm();
        const double u = cut.u0.inMm() + (along ? step : 0);
        out.push_back(circle(u, u, cut.v0.inMm() + (along ? 0 : step), radius, kRowFacets));
      }
      return out;
    }
    default:
      return {};
  }
}

namespace {

// What is taken out, as half spaces that hold it.
std::vector<Plane> toolOf(const std::vector<Flat>& outline, const Machining& cut,
                          const Part& part) {
  Flat middle;
  for (const Flat& p : outline) {
    middle.u += p.u / static_cast<double>(outline.size());
    middle.v += p.v / static_cast<double>(outline.size());
  }
  std::vector<Plane> out;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Flat& p = outline[i];
    const Flat& q = outline[(i + 1) % outline.size()];
    Vec normal{q.v - p.v, p.u - q.u, 0};
    const double length = std::sqrt(dot(normal, normal));
    if (length < kSame) continue;
    normal = (1 / length) * normal;
    double distance = dot(normal, {p.u, p.v, 0});
    if (dot(normal, {middle.u, middle.v, 0}) > distance) {
      normal = -1 * normal;
      distance = -distance;
    }
    out.push_back({normal, distance});
  }
  const double thick = part.thickness.inMm();
  const bool through = cut.cut == MachiningKind::Arc || cut.cut == MachiningKind::Bulge;
  const double deep = through ? thick : cut.depth.inMm();
  if (deep < thick) {
    // From the face it is cut into.
    if (cut.face == Face::Inside)
      out.push_back({{0, 0, 1}, deep});
    else
      out.push_back({{0, 0, -1}, deep - thick});
  }
  return out;
}

// A body less what the half spaces hold between them.
std::vector<Convex> without(const Convex& body, const std::vector<Plane>& tool) {
  constexpr double kNothing = 1e-6;  // cubic millimetres: the two only touch
  std::vector<Convex> out;
  Convex rest = body;
  for (const Plane& plane : tool) {
    Convex beyond = clipped(rest, {-1 * plane.normal, -plane.distance});
    if (volume(beyond) > kNothing) out.push_back(std::move(beyond));
    rest = clipped(rest, plane);
    if (rest.empty()) return {body};
  }
  if (volume(rest) <= kNothing) return {body};
  return out;
}

// A body and where it lies in the plane of the board.
struct Piece {
  Convex body;
  Flat low, high;

  explicit Piece(Convex of) : body(std::move(of)), low{1e9, 1e9}, high{-1e9, -1e9} {
    for (const std::vector<Vec>& face : body.faces)
      for (const Vec& p : face) widen({p.x, p.y});
  }
  explicit Piece(const std::vector<Flat>& outline) : low{1e9, 1e9}, high{-1e9, -1e9} {
    for (const Flat& p : outline) widen(p);
  }
  void widen(Flat p) {
    low = {std::min(low.u, p.u), std::min(low.v, p.v)};
    high = {std::max(high.u, p.u), std::max(high.v, p.v)};
  }
  bool meets(const Piece& other) const {
    return low.u < other.high.u && other.low.u < high.u && low.v < other.high.v &&
           other.low.v < high.v;
  }
};

// Holes, slots, curves and roundings taken out of the bodies of a board. Of rows of holes no more
// than anyone can tell apart in a picture.
std::vector<Convex> cutOut(std::vector<Convex> bodies, const Part& part) {
  constexpr std::size_t kMostHoles = 60;
  std::vector<Piece> pieces;
  for (Convex& body : bodies) pieces.emplace_back(std::move(body));
  std::size_t holes = 0;
  for (const Machining& machining : part.machining) {
    const std::vector<std::vector<Flat>> outlines = cutOff(machining, part);
    if (machining.cut == MachiningKind::HoleRow && (holes += outlines.size()) > kMostHoles)
      continue;
    for (const std::vector<Flat>& outline : outlines) {
      const Piece room(outline);
      const std::vector<Plane> tool = toolOf(outline, machining, part);
      std::vector<Piece> left;
      for (Piece& piece : pieces) {
        if (!piece.meets(room)) {
          left.push_back(std::move(piece));
          continue;
        }
        for (Convex& rest : without(piece.body, tool)) left.emplace_back(std::move(rest));
      }
      pieces = std::move(left);
    }
  }
  std::vector<Convex> out;
  for (Piece& piece : pieces) out.push_back(std::move(piece.body));
  return out;
}

}  // namespace

std::vector<Convex> solidOf(const Part& part, const Pose& pose) {
  std::vector<Box> boxes = {part.board()};
  for (const Machining& machining : part.machining) {
    const Box room = removed(machining, part);
    if (room.empty()) continue;
    std::vector<Box> next;
    for (const Box& box : boxes) {
      const std::vector<Box> pieces = difference(box, room);
      next.insert(next.end(), pieces.begin(), pieces.end());
    }
    boxes = std::move(next);
  }
  // A left-handed frame turns the faces inside out.
  const auto axis = [](Direction d) {
    Vec out;
    (d.axis == Axis::X ? out.x : d.axis == Axis::Y ? out.y : out.z) = d.sign;
    return out;
  };
  const bool flip = dot(cross(axis(pose.u), axis(pose.v)), axis(pose.w)) < 0;
  std::vector<Convex> out;
  for (const Box& box : boxes) {
    Convex body = boxOf(box);
    for (const Machining& machining : part.machining)
      if (machining.cut == MachiningKind::Bevel || machining.cut == MachiningKind::Taper ||
          machining.cut == MachiningKind::ThicknessTaper)
        body = clipped(body, leftBy(machining, part));
    if (!body.empty()) out.push_back(std::move(body));
  }
  out = cutOut(std::move(out), part);
  for (Convex& body : out)
    for (std::vector<Vec>& face : body.faces) {
      for (Vec& point : face) point = placed(pose, point);
      if (flip) std::reverse(face.begin(), face.end());
    }
  return out;
}

}  // namespace pp
