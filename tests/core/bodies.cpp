#include "tests/core/bodies.h"

#include <algorithm>
#include <cmath>

namespace pp::test {
namespace {

constexpr double kSliver = 100;  // cubic millimetres: less than a micrometre over a panel

double clash(const Body& a, const Body& b) {
  constexpr double kTouch = 1e-4;
  if (a.low.x > b.high.x - kTouch || b.low.x > a.high.x - kTouch || a.low.y > b.high.y - kTouch ||
      b.low.y > a.high.y - kTouch || a.low.z > b.high.z - kTouch || b.low.z > a.high.z - kTouch)
    return 0;
  double out = 0;
  for (const Convex& p : a.pieces)
    for (const Convex& q : b.pieces) out += commonVolume(p, q);
  return out;
}

}  // namespace

std::vector<Body> bodiesOf(const Breakdown& breakdown) {
  std::vector<Body> out;
  for (const Part& part : breakdown.parts)
    for (const Pose& pose : part.poses) {
      Body body;
      body.name = part.code + " " + part.name;
      body.pieces = solidOf(part, pose);
      for (Convex& piece : body.pieces)
        for (std::vector<Vec>& face : piece.faces)
          for (Vec& p : face) {
            body.low = {std::min(body.low.x, p.x), std::min(body.low.y, p.y),
                        std::min(body.low.z, p.z)};
            body.high = {std::max(body.high.x, p.x), std::max(body.high.y, p.y),
                         std::max(body.high.z, p.z)};
          }
      out.push_back(std::move(body));
    }
  return out;
}

std::string clashes(const std::vector<Body>& bodies) {
  std::string out;
  for (std::size_t i = 0; i < bodies.size(); ++i)
    for (std::size_t k = i + 1; k < bodies.size(); ++k)
      if (const double room = clash(bodies[i], bodies[k]); room > kSliver)
        out += bodies[i].name + " and " + bodies[k].name + ": " + std::to_string(room) + " mm³\n";
  return out;
}

std::string clashes(const Breakdown& breakdown) {
  return clashes(bodiesOf(breakdown));
}

std::vector<PieceRoom> pieceRooms(const Breakdown& breakdown) {
  std::vector<PieceRoom> out;
  for (const Body& body : bodiesOf(breakdown)) {
    PieceRoom one{body.name, 0, body.low, body.high, {}};
    for (const Convex& piece : body.pieces) {
      const Vec from = piece.faces.front().front();
      for (const auto& face : piece.faces)
        for (std::size_t i = 1; i + 1 < face.size(); ++i) {
          constexpr double kTetrahedra = 6;
          const double volume =
              dot(face[0] - from, cross(face[i] - from, face[i + 1] - from)) / kTetrahedra;
          one.volume += volume;
          one.middle = one.middle + (volume / 4) * (from + face[0] + face[i] + face[i + 1]);
        }
    }
    one.middle = (1 / one.volume) * one.middle;
    out.push_back(one);
  }
  return out;
}

std::string withoutMirrorImage(const std::vector<PieceRoom>& before,
                               const std::vector<PieceRoom>& after, double width) {
  constexpr double kRounding = 2e-3;  // millimetres
  constexpr double kMiddle = 2e-2;
  if (before.size() != after.size()) return "not as many pieces";
  std::vector<bool> used(after.size());
  const auto image = [width](const PieceRoom& one, const PieceRoom& other) {
    return std::abs(other.volume - one.volume) <= 1 &&
           std::abs(width - other.high.x - one.low.x) <= kRounding &&
           std::abs(other.low.y - one.low.y) <= kRounding &&
           std::abs(other.low.z - one.low.z) <= kRounding &&
           std::abs(width - other.middle.x - one.middle.x) <= kMiddle &&
           std::abs(other.middle.y - one.middle.y) <= kMiddle;
  };
  for (const PieceRoom& one : before) {
    std::size_t i = 0;
    while (i < after.size() && (used[i] || !image(one, after[i]))) ++i;
    if (i == after.size()) return one.name;
    used[i] = true;
  }
  return {};
}

}  // namespace pp::test
