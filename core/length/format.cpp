#include "core/length/format.h"

#include <fmt/format.h>

#include <numeric>

namespace pp {
namespace {

// `parts` of 1/denominator inch as whole and reduced fraction.
std::string inches(std::int64_t parts, std::int64_t denominator) {
  const std::int64_t whole = parts / denominator;
  std::int64_t rest = parts % denominator;
  if (rest == 0) return std::to_string(whole);
  const std::int64_t common = std::gcd(rest, denominator);
  const std::string piece = fmt::format("{}/{}", rest / common, denominator / common);
  return whole == 0 ? piece : fmt::format("{} {}", whole, piece);
}

// `value` units of 10^-decimals as a decimal number without trailing zeros.
std::string decimal(std::int64_t value, int decimals) {
  std::int64_t scale = 1;
  for (int i = 0; i < decimals; ++i) scale *= 10;
  std::string out = std::to_string(value / scale);
  std::string rest = decimals > 0 ? fmt::format("{:0{}}", value % scale, decimals) : "";
  while (!rest.empty() && rest.back() == '0') rest.pop_back();
  return rest.empty() ? out : out + "." + rest;
}

// In inches 1/denominator, else 1/denominator of a millimetre.
struct Grid {
  std::int64_t unit;  // nanometres
  std::int64_t denominator;
};

Grid gridOf(const LengthStyle& style) {
  if (style.unit == Unit::Inch) return {kNmPerInch, style.denominator};
  std::int64_t parts = 1;
  for (int i = 0; i < style.decimals; ++i) parts *= 10;
  return {1'000'000, parts};
}

// The nearest number of steps, halves away from zero.
std::int64_t nearest(std::int64_t nm, const Grid& grid) {
  const Int128 scaled = static_cast<Int128>(nm < 0 ? -nm : nm) * grid.denominator;
  const auto steps = static_cast<std::int64_t>((2 * scaled + grid.unit) / (2 * grid.unit));
  return nm < 0 ? -steps : steps;
}

// How far the length lies over so many steps, in nanometres times the denominator.
Int128 over(std::int64_t nm, std::int64_t steps, const Grid& grid) {
  return static_cast<Int128>(nm) * grid.denominator - static_cast<Int128>(steps) * grid.unit;
}

}  // namespace

std::string format(Length length, const LengthStyle& style) {
  const Grid grid = gridOf(style);
  const std::int64_t steps = nearest(length.inNm(), grid);
  const std::int64_t shown = steps < 0 ? -steps : steps;
  std::string text = length < Length{} ? "−" : "";
  text +=
      style.unit == Unit::Inch ? inches(shown, style.denominator) : decimal(shown, style.decimals);
  const Int128 error = over(length.inNm(), steps, grid);
  if (error != 0) text += error > 0 ? "▴" : "▾";
  return text;
}

Length offShown(Length length, const LengthStyle& style) {
  const Grid grid = gridOf(style);
  const Int128 error = over(length.inNm(), nearest(length.inNm(), grid), grid);
  return Length::nm(static_cast<std::int64_t>(error / grid.denominator));
}

std::string formatExact(Length length, Unit unit) {
  if (unit == Unit::Millimetre) return formatMm(length) + " mm";
  const bool negative = length < Length{};
  const std::int64_t nm = negative ? -length.inNm() : length.inNm();
  const std::string sign = negative ? "−" : "";
  const Grid sixtyFourths{kNmPerInch, 64};
  const std::int64_t steps = nearest(nm, sixtyFourths);
  if (over(nm, steps, sixtyFourths) == 0) return sign + inches(steps, 64) + " in";
  // Ten decimals of an inch tell every nanometre apart.
  const Int128 scaled = (static_cast<Int128>(nm) * 10'000'000'000 + kNmPerInch / 2) / kNmPerInch;
  return sign + decimal(static_cast<std::int64_t>(scaled), 10) + " in";
}

std::string formatMm(Length length) {
  const std::int64_t nm = length.inNm();
  return nm < 0 ? "-" + decimal(-nm, 6) : decimal(nm, 6);
}

std::string formatWithUnit(Length length, const LengthStyle& style) {
  return format(length, style) + (style.unit == Unit::Inch ? " in" : " mm");
}

std::string format(Money money) {
  const std::int64_t units = money.inTenThousandths();
  if (units % 100 != 0) return fmt::format("{}.{:04}", units / 10'000, units % 10'000);
  return fmt::format("{}.{:02}", units / 10'000, units % 10'000 / 100);
}

}  // namespace pp
