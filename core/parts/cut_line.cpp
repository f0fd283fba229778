#include "core/parts/cut_line.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace pp {
namespace {

constexpr double kPi = std::numbers::pi;

// Steps of a turn round so large a circle, that no chord is further from it.
int stepsFor(double radius, double turn) {
  constexpr double kOff = 0.02;  // mm
  if (radius <= kOff) return 1;
  return std::max(1, static_cast<int>(std::ceil(turn / (2 * std::acos(1 - kOff / radius)))));
}

// A piece of a circle, from one angle to another, ends included.
void arc(std::vector<Flat>& out, Flat centre, double radius, double from, double to) {
  const int steps = stepsFor(radius, std::abs(to - from));
  for (int i = 0; i <= steps; ++i) {
    const double turn = from + (to - from) * i / steps;
    out.push_back({centre.u + radius * std::cos(turn), centre.v + radius * std::sin(turn)});
  }
}

// Where a curve begins and ends along its edge: over all of it where that was not said.
std::pair<double, double> stretch(const Machining& cut, const Part& part) {
  const double from = (isEnd(cut.from) ? cut.v0 : cut.u0).inMm();
  const double to = (isEnd(cut.from) ? cut.v1 : cut.u1).inMm();
  if (from == to) return {0, part.edgeLength(cut.from).inMm()};
  return {from, to};
}

// A circle through both ends of a chord, `rise` away from its middle: radius = (c^2/4 + s^2) / 2s.
Line curve(const Machining& cut, const Part& part, double beyond) {
  const auto [from, to] = stretch(cut, part);
  const double chord = to - from;
  const double rise = cut.depth.inMm();
  const double radius = (chord * chord / 4 + rise * rise) / (2 * rise);
  const double half = std::asin(std::min(1.0, chord / 2 / radius));
  const bool bulge = cut.cut == MachiningKind::Bulge;
  const int steps = stepsFor(radius, 2 * half);
  Line out;
  const auto at = [&](double along, double in) {
    out.points.push_back(atEdge(part, cut.from, along, in));
  };
  if (bulge && from > 0) at(std::max(0.0, from - beyond), rise);
  for (int i = 0; i <= steps; ++i) {
    const double turn = -half + 2 * half * i / steps;
    const double deep = radius * std::cos(turn) - (radius - rise);
    at((from + to) / 2 + radius * std::sin(turn), bulge ? rise - deep : deep);
  }
  const double whole = part.edgeLength(cut.from).inMm();
  if (bulge && to < whole) at(std::min(whole, to + beyond), rise);
  return out;
}

Line corner(const Machining& cut, const Part& part, bool far) {
  const double radius = cut.width.inMm();
  const double u = cut.from == Edge::W2 ? part.length.total().inMm() - radius : radius;
  const double v = far ? part.width.total().inMm() - radius : radius;
  const bool right = cut.from == Edge::W2;
  // From the end of the board to its edge.
  const double begin = right ? 0 : kPi;
  const double turn = (right == far ? 1 : -1) * kPi / 2;
  Line out;
  arc(out.points, {u, v}, radius, begin, begin + turn);
  return out;
}

Line slot(const Machining& cut) {
  const double radius = cut.width.inMm() / 2;
  Line out;
  out.closed = true;
  arc(out.points, {cut.u1.inMm() - radius, cut.v0.inMm()}, radius, -kPi / 2, kPi / 2);
  arc(out.points, {cut.u0.inMm() + radius, cut.v0.inMm()}, radius, kPi / 2, 3 * kPi / 2);
  return out;
}

Line recess(const Machining& cut) {
  const double r = cut.width.inMm();
  const double u0 = cut.u0.inMm(), u1 = cut.u1.inMm(), v0 = cut.v0.inMm(), v1 = cut.v1.inMm();
  Line out;
  out.closed = true;
  arc(out.points, {u1 - r, v0 + r}, r, -kPi / 2, 0);
  arc(out.points, {u1 - r, v1 - r}, r, 0, kPi / 2);
  arc(out.points, {u0 + r, v1 - r}, r, kPi / 2, kPi);
  arc(out.points, {u0 + r, v0 + r}, r, kPi, 3 * kPi / 2);
  return out;
}

}  // namespace

std::vector<Line> cutLines(const Machining& cut, const Part& part, double beyond) {
  switch (cut.cut) {
    case MachiningKind::Arc:
    case MachiningKind::Bulge:
      return {curve(cut, part, beyond)};
    case MachiningKind::RoundCorner:
      return {corner(cut, part, cut.v0 != Length{})};
    case MachiningKind::RoundEnd:
      return {corner(cut, part, false), corner(cut, part, true)};
    case MachiningKind::Slot:
      return {slot(cut)};
    case MachiningKind::Recess:
      return {recess(cut)};
    default:
      return {};
  }
}

}  // namespace pp
