#include "core/site/passage.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace pp {
namespace {

// What rounding could add is taken off what is allowed.
constexpr double kSafe = 1e-3;  // millimetres

double inRadians(Angle angle) {
  constexpr double kHalfTurn = 180'000;
  return static_cast<double>(angle.inMillidegrees()) / kHalfTurn * std::numbers::pi;
}

Length down(double mm) {
  constexpr double kNm = 1e6;
  return mm <= 0 ? Length{} : Length::nm(static_cast<std::int64_t>(mm * kNm));
}

// Every way to lay a box: which side lies along, across and upright.
std::array<HowCarried, 6> waysOf(const BoxSides& box) {
  BoxSides sides = box;
  std::sort(sides.begin(), sides.end(), std::greater<>());
  std::array<HowCarried, 6> out;
  constexpr std::array<std::array<std::size_t, 3>, 6> kOrders = {
      {{0, 1, 2}, {0, 2, 1}, {1, 0, 2}, {1, 2, 0}, {2, 0, 1}, {2, 1, 0}}};
  for (std::size_t i = 0; i < out.size(); ++i)
    out[i] = {sides[kOrders[i][0]], sides[kOrders[i][1]], sides[kOrders[i][2]], {}};
  return out;
}

}  // namespace

Length longestRoundCorner(Length a, Length b, Length wide) {
  if (wide >= a || wide >= b) return {};
  const double p = a.inMm();
  const double q = b.inMm();
  const double w = wide.inMm();
  const auto longest = [=](double t) {
    return (p * std::cos(t) + q * std::sin(t) - w) / (std::sin(t) * std::cos(t));
  };
  // It falls from either end to one least value; thirds of what is left close in on it.
  double low = 1e-6;
  double high = std::numbers::pi / 2 - 1e-6;
  constexpr int kSteps = 200;
  for (int i = 0; i < kSteps; ++i) {
    const double nearer = low + (high - low) / 3;
    const double further = high - (high - low) / 3;
    if (longest(nearer) < longest(further))
      high = further;
    else
      low = nearer;
  }
  return down(longest((low + high) / 2) - kSafe);
}

bool passesCorner(Length a, Length b, Length wide, Length along) {
  if ((wide <= a && along <= b) || (wide <= b && along <= a)) return true;
  return along <= longestRoundCorner(a, b, wide);
}

Length tiltedPlan(Length along, Length upright, Angle tilt) {
  return Length::nm(std::llround(static_cast<double>(along.inNm()) * std::cos(inRadians(tilt)) +
                                 static_cast<double>(upright.inNm()) * std::sin(inRadians(tilt))));
}

Length tiltedHeight(Length along, Length upright, Angle tilt) {
  return Length::nm(std::llround(static_cast<double>(along.inNm()) * std::sin(inRadians(tilt)) +
                                 static_cast<double>(upright.inNm()) * std::cos(inRadians(tilt))));
}

std::optional<HowCarried> throughDoor(const BoxSides& box, Length wide, Length high) {
  for (const HowCarried& way : waysOf(box))
    if (way.across <= wide && way.upright <= high) return way;
  return std::nullopt;
}

std::optional<HowCarried> roundCorner(const BoxSides& box, Length a, Length b, Length headroom) {
  const auto ways = waysOf(box);
  for (const HowCarried& way : ways)
    if (way.upright <= headroom && passesCorner(a, b, way.across, way.along)) return way;
  // Tilted: the steepest that goes under the headroom leaves the least in plan.
  constexpr int kStep = 250;  // thousandths of a degree
  for (const HowCarried& way : ways)
    for (int tilt = 90'000; tilt > 0; tilt -= kStep) {
      HowCarried tilted = way;
      tilted.tilt = Angle::millidegrees(tilt);
      if (tiltedHeight(way.along, way.upright, tilted.tilt) > headroom) continue;
      if (passesCorner(a, b, way.across, tiltedPlan(way.along, way.upright, tilted.tilt)))
        return tilted;
    }
  return std::nullopt;
}

bool liesIn(Length p, Length q, Length a, Length b) {
  if (p < q) std::swap(p, q);
  if (a < b) std::swap(a, b);
  if (q > b) return false;
  if (p <= a) return true;
  const double P = p.inMm();
  const double Q = q.inMm();
  const double A = a.inMm();
  const double square = P * P + Q * Q - A * A;
  return b.inMm() - kSafe >=
         (2 * P * Q * A + (P * P - Q * Q) * std::sqrt(square)) / (P * P + Q * Q);
}

std::optional<HowCarried> goesIn(const BoxSides& box, Length wide, Length deep, Length high) {
  for (const HowCarried& way : waysOf(box))
    if (way.upright <= high && liesIn(way.along, way.across, wide, deep)) return way;
  return std::nullopt;
}

std::optional<HowCarried> upStair(const BoxSides& box, const Stair& stair) {
  const double pitch = inRadians(stair.pitch);
  const auto turns = [&stair](Length across, Length along) {
    return stair.turns == 0 || passesCorner(stair.wide, stair.landing, across, along);
  };
  for (const HowCarried& way : waysOf(box)) {
    if (way.across > stair.wide) continue;
    // Lying along the pitch, what stands up from it is less than the headroom at a right angle.
    const bool lying = way.upright.inMm() + kSafe <= stair.headroom.inMm() * std::cos(pitch);
    if (lying && turns(way.across, way.along)) return way;
  }
  for (const HowCarried& way : waysOf(box)) {
    if (way.across > stair.wide) continue;
    // Upright, its upper rear corner reaches higher by what the stair rises over its depth.
    const double reach = way.upright.inMm() + way.along.inMm() * std::tan(pitch) + kSafe;
    if (reach <= stair.headroom.inMm() && turns(way.across, way.along)) return way;
  }
  return std::nullopt;
}

bool canTipUp(Length high, Length wide, Length deep, Length ceiling) {
  const double flat = std::min(wide, deep).inMm();
  return std::hypot(high.inMm(), flat) + kSafe <= ceiling.inMm();
}

}  // namespace pp
