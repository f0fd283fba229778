#include "core/length/format.h"

#include <fmt/format.h>

#include <array>
#include <numeric>

namespace pp {
namespace {

constexpr std::int64_t kNmPerInch = 25'400'000;

std::string raisedDigits(std::int64_t value) {
  static constexpr std::array<const char*, 10> kRaised = {"⁰", "¹", "²", "³", "⁴",
                                                          "⁵", "⁶", "⁷", "⁸", "⁹"};
  std::string out;
  for (const char c : std::to_string(value)) out += kRaised[static_cast<std::size_t>(c - '0')];
  return out;
}

std::string loweredDigits(std::int64_t value) {
  static constexpr std::array<const char*, 10> kLowered = {"₀", "₁", "₂", "₃", "₄",
                                                           "₅", "₆", "₇", "₈", "₉"};
  std::string out;
  for (const char c : std::to_string(value)) out += kLowered[static_cast<std::size_t>(c - '0')];
  return out;
}

std::string fraction(std::int64_t numerator, std::int64_t denominator, bool raised) {
  if (raised) return raisedDigits(numerator) + "/" + loweredDigits(denominator);
  return fmt::format("{}/{}", numerator, denominator);
}

// `parts` of 1/denominator inch as whole and reduced fraction.
std::string inches(std::int64_t parts, std::int64_t denominator, bool raised) {
  const std::int64_t whole = parts / denominator;
  std::int64_t rest = parts % denominator;
  if (rest == 0) return std::to_string(whole);
  const std::int64_t common = std::gcd(rest, denominator);
  const std::string piece = fraction(rest / common, denominator / common, raised);
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

struct Rounded {
  std::int64_t steps;
  int error;  // sign of true length minus shown length
};

// Nearest multiple of numerator/denominator nanometres, halves away from zero.
Rounded nearest(std::int64_t nm, std::int64_t numerator, std::int64_t denominator) {
  const Int128 scaled = static_cast<Int128>(nm) * denominator;
  const Int128 steps = (2 * scaled + numerator) / (2 * static_cast<Int128>(numerator));
  const Int128 back = steps * numerator;
  return {static_cast<std::int64_t>(steps), scaled > back ? 1 : scaled < back ? -1 : 0};
}

}  // namespace

std::string format(Length length, const LengthStyle& style) {
  const bool negative = length < Length{};
  const std::int64_t nm = negative ? -length.inNm() : length.inNm();
  Rounded rounded{};
  std::string text;
  if (style.unit == Unit::Inch) {
    rounded = nearest(nm, kNmPerInch, style.denominator);
    text = inches(rounded.steps, style.denominator, style.raised);
  } else {
    std::int64_t step = 1'000'000;
    for (int i = 0; i < style.decimals; ++i) step /= 10;
    rounded = nearest(nm, step, 1);
    text = decimal(rounded.steps, style.decimals);
  }
  const int error = negative ? -rounded.error : rounded.error;
  if (negative) text = "−" + text;
  if (error != 0) text += error > 0 ? " +" : " −";
  return text;
}

std::string formatExact(Length length, Unit unit) {
  if (unit == Unit::Millimetre) return formatMm(length) + " mm";
  const bool negative = length < Length{};
  const std::int64_t nm = negative ? -length.inNm() : length.inNm();
  const std::string sign = negative ? "−" : "";
  const Rounded sixtyFourths = nearest(nm, kNmPerInch, 64);
  if (sixtyFourths.error == 0) return sign + inches(sixtyFourths.steps, 64, false) + " in";
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
