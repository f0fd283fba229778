#include "core/length/parse.h"

#include <fmt/format.h>

#include <numeric>
#include <string>

namespace pp {
namespace {

constexpr const char* kSpellings = "a length such as 24 1/2, 24.5in, 2' 6\", 622.3mm or 62.23cm";
constexpr std::size_t kMostDigits = 12;  // keeps every single number far from overflow

bool isDigit(char c) {
  return c >= '0' && c <= '9';
}

Int128 gcd(Int128 a, Int128 b) {
  if (a < 0) a = -a;
  while (b != 0) {
    const Int128 rest = a % b;
    a = b;
    b = rest;
  }
  return a == 0 ? 1 : a;
}

// An exact fraction; `overflowed` sticks through arithmetic and is looked at once, at the end.
struct Ratio {
  Int128 numerator = 0;
  Int128 denominator = 1;
  bool overflowed = false;

  void reduce() {
    const Int128 common = gcd(numerator, denominator);
    numerator /= common;
    denominator /= common;
    if (denominator < 0) numerator = -numerator, denominator = -denominator;
  }
};

Ratio times(const Ratio& a, const Ratio& b) {
  Ratio out;
  out.overflowed = a.overflowed || b.overflowed ||
                   __builtin_mul_overflow(a.numerator, b.numerator, &out.numerator) ||
                   __builtin_mul_overflow(a.denominator, b.denominator, &out.denominator);
  if (!out.overflowed) out.reduce();
  return out;
}

Ratio plus(const Ratio& a, const Ratio& b) {
  Ratio out;
  Int128 left = 0;
  Int128 right = 0;
  out.overflowed = a.overflowed || b.overflowed ||
                   __builtin_mul_overflow(a.numerator, b.denominator, &left) ||
                   __builtin_mul_overflow(b.numerator, a.denominator, &right) ||
                   __builtin_add_overflow(left, right, &out.numerator) ||
                   __builtin_mul_overflow(a.denominator, b.denominator, &out.denominator);
  if (!out.overflowed) out.reduce();
  return out;
}

struct Quantity {
  Ratio ratio;  // nanometres when isLength, else a plain number
  bool isLength = false;
};

constexpr std::int64_t kNmPerMm = 1'000'000;

std::int64_t nmPer(Unit unit) {
  return unit == Unit::Inch ? kNmPerInch : kNmPerMm;
}

// Recursive descent over one text. Every function leaves `failed_` set on the first fault.
class Reader {
 public:
  // `bare` is the unit of plain numbers where lengths and plain numbers are added.
  Reader(std::string_view text, bool arithmetic, Unit bare)
      : text_(text), arithmetic_(arithmetic), bare_(bare) {}

  bool failed() const { return failed_; }
  void skipSpaces() {
    while (at_ < text_.size() && (text_[at_] == ' ' || text_[at_] == '\t')) ++at_;
  }
  bool atEnd() {
    skipSpaces();
    return at_ == text_.size();
  }

  // number [fraction] [unit], or feet and inches.
  Quantity quantity() {
    skipSpaces();
    Quantity out{number(), false};
    if (failed_) return out;
    if (take("'")) return feet(out.ratio);
    if (const std::int64_t per = unit(); per > 0) {
      out.ratio = times(out.ratio, Ratio{per, 1});
      out.isLength = true;
    }
    return out;
  }

  Quantity sum() {
    Quantity out = product();
    while (!failed_) {
      const int sign = take("+") ? 1 : take("-") || take("−") ? -1 : 0;
      if (sign == 0) break;
      Quantity next = product();
      next.ratio = times(next.ratio, Ratio{sign, 1});
      if (out.isLength != next.isLength) {
        toLength(out, bare_);
        toLength(next, bare_);
      }
      out.ratio = plus(out.ratio, next.ratio);
    }
    return out;
  }

  static void toLength(Quantity& quantity, Unit bare) {
    if (!quantity.isLength) quantity.ratio = times(quantity.ratio, Ratio{nmPer(bare), 1});
    quantity.isLength = true;
  }

 private:
  bool take(std::string_view token) {
    const std::size_t before = at_;
    skipSpaces();
    if (text_.substr(at_, token.size()) == token) {
      at_ += token.size();
      return true;
    }
    at_ = before;
    return false;
  }

  std::optional<Int128> digits() {
    const std::size_t begin = at_;
    Int128 value = 0;
    while (at_ < text_.size() && isDigit(text_[at_]) && at_ - begin <= kMostDigits)
      value = value * 10 + (text_[at_++] - '0');
    if (at_ == begin || at_ - begin > kMostDigits) {
      at_ = begin;
      return std::nullopt;
    }
    return value;
  }

  // `/ digits` not followed by a decimal point: the lower half of a fraction.
  std::optional<Int128> denominator() {
    const std::size_t before = at_;
    if (take("/")) {
      skipSpaces();
      const auto value = digits();
      if (value && *value > 0 && (at_ == text_.size() || text_[at_] != '.')) return value;
    }
    at_ = before;
    return std::nullopt;
  }

  // The fraction that belongs to a whole number: after a space or a hyphen.
  std::optional<Ratio> fractionPart() {
    const std::size_t before = at_;
    skipSpaces();
    bool joined = at_ > before;
    const bool spaced = joined;
    if (at_ < text_.size() && text_[at_] == '-' && !(arithmetic_ && spaced)) {
      ++at_;
      joined = true;
      if (!arithmetic_) skipSpaces();
    }
    if (joined) {
      const auto top = digits();
      const auto bottom = top ? denominator() : std::nullopt;
      if (bottom) return Ratio{*top, *bottom};
    }
    at_ = before;
    return std::nullopt;
  }

  Ratio number() {
    const auto whole = digits();
    const bool decimal = at_ < text_.size() && text_[at_] == '.';
    if (!whole && !decimal) return fail();
    if (decimal) return decimals(whole.value_or(0));
    if (const auto bottom = denominator()) return reduced(*whole, *bottom);
    const Ratio base{*whole, 1};
    if (const auto fraction = fractionPart()) return plus(base, *fraction);
    return base;
  }

  Ratio decimals(Int128 whole) {
    ++at_;  // the point
    const std::size_t begin = at_;
    const auto digitsAfter = digits();
    if (!digitsAfter) return fail();
    Int128 scale = 1;
    for (std::size_t i = begin; i < at_; ++i) scale *= 10;
    return reduced(whole * scale + *digitsAfter, scale);
  }

  static Ratio reduced(Int128 numerator, Int128 denominator) {
    Ratio out{numerator, denominator};
    out.reduce();
    return out;
  }

  Quantity feet(const Ratio& whole) {
    Quantity out{times(whole, Ratio{12 * kNmPerInch, 1}), true};
    if (whole.denominator != 1) return fail(), out;
    const std::size_t before = at_;
    skipSpaces();
    if (at_ == text_.size() || !(isDigit(text_[at_]) || text_[at_] == '.')) {
      at_ = before;
      return out;
    }
    const Ratio inches = number();
    if (!take("\"") && !take("in")) fail();
    out.ratio = plus(out.ratio, times(inches, Ratio{kNmPerInch, 1}));
    return out;
  }

  // Nanometres of the unit that stands here, 0 where none does.
  std::int64_t unit() {
    if (take("\"") || take("in")) return kNmPerInch;
    if (take("mm")) return kNmPerMm;
    if (take("cm")) return 10 * kNmPerMm;
    if (take("m")) return 1000 * kNmPerMm;
    return 0;
  }

  Quantity product() {
    Quantity out = factor();
    while (!failed_) {
      if (take("*") || take("×")) {
        const Quantity next = factor();
        if (out.isLength && next.isLength) return fail(), out;
        out.ratio = times(out.ratio, next.ratio);
        out.isLength = out.isLength || next.isLength;
      } else if (take("/")) {
        const Quantity next = factor();
        if (next.ratio.numerator == 0 || next.isLength) return fail(), out;
        out.ratio = times(
            out.ratio, Ratio{next.ratio.denominator, next.ratio.numerator, next.ratio.overflowed});
      } else {
        break;
      }
    }
    return out;
  }

  Quantity factor() {
    constexpr int kDeepest = 50;
    if (take("(")) {
      if (++depth_ > kDeepest) return fail(), Quantity{};
      Quantity inner = sum();
      if (!take(")")) fail();
      --depth_;
      return inner;
    }
    return quantity();
  }

  Ratio fail() {
    failed_ = true;
    return {};
  }

  std::string_view text_;
  bool arithmetic_;
  Unit bare_;
  std::size_t at_ = 0;
  int depth_ = 0;
  bool failed_ = false;
};

Problem refused(std::string_view text, std::string expected) {
  return Problem{{}, 0, {}, "'" + shown(std::string(text)) + "'", std::move(expected)};
}

}  // namespace

Result<Length> parseLength(std::string_view text, std::optional<Unit> bare) {
  Reader reader(text, false, bare.value_or(Unit::Millimetre));
  Quantity quantity = reader.quantity();
  if (reader.failed() || !reader.atEnd()) return refused(text, kSpellings);
  if (!quantity.isLength && !bare)
    return refused(text, "a unit with the number (in or mm), or a unit for the file");
  if (!quantity.isLength) Reader::toLength(quantity, *bare);
  if (quantity.ratio.overflowed ||
      quantity.ratio.numerator / quantity.ratio.denominator > static_cast<Int128>(kLongest.inNm()))
    return refused(text, "a length of at most 1000 m");
  if (quantity.ratio.denominator != 1)
    return refused(text, "a length of whole nanometres (1/64 in and six decimals of a mm are)");
  return Length::nm(static_cast<std::int64_t>(quantity.ratio.numerator));
}

Result<Length> parseExpression(std::string_view text, Unit bare) {
  Reader reader(text, true, bare);
  Quantity quantity = reader.sum();
  if (reader.failed() || !reader.atEnd())
    return refused(text, "a length or a sum such as 31 - 5 - 1 1/2 or 2*3/4in + 10mm");
  Reader::toLength(quantity, bare);
  const Ratio& ratio = quantity.ratio;
  if (ratio.overflowed) return refused(text, "a sum with smaller numbers");
  // Far above every length, and small enough to be doubled.
  constexpr Int128 kMost = Int128{1} << 120;
  if (ratio.numerator > kMost || ratio.numerator < -kMost || ratio.denominator > kMost)
    return refused(text, "a length of at most 1000 m");
  const Int128 twice =
      2 * ratio.numerator + (ratio.numerator < 0 ? -ratio.denominator : ratio.denominator);
  const Int128 nm = twice / (2 * ratio.denominator);
  if (nm > kLongest.inNm() || nm < -kLongest.inNm())
    return refused(text, "a length of at most 1000 m");
  return Length::nm(static_cast<std::int64_t>(nm));
}

Result<Money> parseMoney(std::string_view text) {
  constexpr std::size_t kMostWhole = 9;
  constexpr std::size_t kMostDecimals = 4;
  const std::size_t point = text.find('.');
  const std::string_view whole = text.substr(0, point);
  const std::string_view decimals =
      point == std::string_view::npos ? std::string_view{} : text.substr(point + 1);
  const auto allDigits = [](std::string_view part) {
    for (const char c : part)
      if (!isDigit(c)) return false;
    return true;
  };
  if (whole.empty() || whole.size() > kMostWhole || decimals.size() > kMostDecimals ||
      (point != std::string_view::npos && decimals.empty()) || !allDigits(whole) ||
      !allDigits(decimals))
    return refused(text, "a price such as 62.5, zero or more, at most four decimals");
  std::int64_t units = 0;
  for (const char c : whole) units = units * 10 + (c - '0');
  for (std::size_t i = 0; i < kMostDecimals; ++i)
    units = units * 10 + (i < decimals.size() ? decimals[i] - '0' : 0);
  return Money::tenThousandths(units);
}

Result<std::int64_t> parseCount(std::string_view text, std::int64_t least, std::int64_t most) {
  std::int64_t value = 0;
  bool good = !text.empty() && text.size() <= kMostDigits;
  for (const char c : text) {
    good = good && isDigit(c);
    if (good) value = value * 10 + (c - '0');
  }
  if (!good || value < least || value > most)
    return refused(text, fmt::format("a whole number from {} to {}", least, most));
  return value;
}

}  // namespace pp
