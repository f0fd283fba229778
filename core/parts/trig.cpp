#include "core/parts/trig.h"

#include <cmath>
#include <numbers>

namespace pp {
namespace {

constexpr double kHalfTurn = 180'000;  // millidegrees

double radians(Angle angle) {
  return static_cast<double>(angle.inMillidegrees()) / kHalfTurn * std::numbers::pi;
}

Length scaled(Length length, double by) {
  return Length::nm(std::llround(static_cast<double>(length.inNm()) * by));
}

}  // namespace

Length timesTangent(Length length, Angle angle) {
  return scaled(length, std::tan(radians(angle)));
}

Length overCosine(Length length, Angle angle) {
  return scaled(length, 1 / std::cos(radians(angle)));
}

Length scaled(Length length, Length by, Length per) {
  const Int128 product = static_cast<Int128>(length.inNm()) * by.inNm();
  const Int128 whole = per.inNm();
  const Int128 twice = 2 * product + ((product < 0) == (whole < 0) ? whole : -whole);
  return Length::nm(static_cast<std::int64_t>(twice / (2 * whole)));
}

Angle slopeOf(Length rise, Length run) {
  return Angle::millidegrees(
      std::llround(std::atan2(static_cast<double>(rise.inNm()), static_cast<double>(run.inNm())) *
                   kHalfTurn / std::numbers::pi));
}

}  // namespace pp
