#include "core/site/reading.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>

namespace pp {
namespace {

constexpr Length kInch = Length::in(1);

// Whether changing two digits beside one another makes one number of the other.
bool digitsSwapped(std::int64_t a, std::int64_t b) {
  const std::string from = std::to_string(a);
  const std::string to = std::to_string(b);
  if (from.size() != to.size() || a == b) return false;
  for (std::size_t i = 0; i + 1 < from.size(); ++i) {
    std::string other = from;
    std::swap(other[i], other[i + 1]);
    if (other == to) return true;
  }
  return false;
}

struct OnGrid {
  std::int64_t whole;
  Length rest;
};
OnGrid onGrid(Length of, Length step) {
  const std::int64_t whole = of.inNm() / step.inNm();
  return {whole, of - whole * step};
}

Length apart(Length a, Length b) {
  return a < b ? b - a : a - b;
}

}  // namespace

Length readingTolerance(Unit unit) {
  return usual(unit, Length::mm(2), Length::in(0, 1, 16));
}

Slip slipBetween(Length a, Length b, Unit unit) {
  const bool inches = unit == Unit::Inch;
  const OnGrid one = onGrid(a, inches ? kInch : Length::mm(1));
  const OnGrid other = onGrid(b, inches ? kInch : Length::mm(1));
  if (one.rest == other.rest && digitsSwapped(one.whole, other.whole)) return Slip::DigitsSwapped;
  const Length off = apart(a, b);
  if (off == kInch) return Slip::BurntInch;
  if (off == Length::mm(100)) return Slip::BurntDecimetre;
  if (off == Length::mm(10)) return Slip::BurntCentimetre;
  // Counted back from the next inch, or the next centimetre.
  const Length mark = inches ? kInch : Length::mm(10);
  const OnGrid low = onGrid(a, mark);
  const OnGrid high = onGrid(b, mark);
  if (low.whole == high.whole && low.rest != high.rest && low.rest + high.rest == mark)
    return Slip::OtherSide;
  return Slip::Apart;
}

Judged judge(const SizeRead& read, ReadFor use, Unit unit) {
  const Length within = readingTolerance(unit);
  const auto agree = [within](Length a, Length b) { return apart(a, b) <= within; };
  const auto safe = [use](std::initializer_list<Length> all) {
    if (use == ReadFor::Space) return std::min(all);
    if (use == ReadFor::Clearing) return std::max(all);
    return std::max(all, [](Length a, Length b) { return apart(a, {}) < apart(b, {}); });
  };
  Judged out;
  if (!read.first) {
    out.size = read.second;
    return out;
  }
  const Length a = *read.first;
  if (!read.second) {
    out.size = a;
    return out;
  }
  const Length b = *read.second;
  if (agree(a, b)) {
    out.size = safe({a, b});
    out.confirmed = true;
    return out;
  }
  out.slip = slipBetween(a, b, unit);
  if (!read.third) {
    out.size = safe({a, b});
    out.wantsThird = true;
    return out;
  }
  const Length c = *read.third;
  const bool first = agree(a, c);
  const bool second = agree(b, c);
  out.confirmed = first || second;
  out.wantsThird = !out.confirmed;
  out.size = first && second ? safe({a, b, c})
             : first         ? safe({a, c})
             : second        ? safe({b, c})
                             : safe({a, b, c});
  return out;
}

std::string slipWords(Slip slip, Length a, Length b, const LengthStyle& style) {
  constexpr std::array kWords = {"",
                                 "two digits changed places",
                                 "one is counted back from the other side of the mark",
                                 "exactly an inch apart, as from a burnt inch or a forgotten hook",
                                 "exactly 100 mm apart, as from a burnt decimetre",
                                 "exactly 10 mm apart, as from a burnt centimetre",
                                 "too far apart for any usual slip"};
  if (slip == Slip::None) return {};
  return fmt::format("{} and {}: {}", format(a, style), format(b, style),
                     kWords[static_cast<std::size_t>(slip)]);
}

}  // namespace pp
