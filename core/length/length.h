// The exact quantities of the trade: lengths in whole nanometres, areas, angles, money. 1/64 in is
// 396 875 nm, so neither inches nor millimetres are ever rounded inside the program.
#pragma once

#include <compare>
#include <cstdint>
#include <string>

namespace pp {

__extension__ typedef __int128 Int128;

enum class Unit { Inch, Millimetre };

// A length in nanometres. Construction names its unit; there is no implicit conversion.
class Length {
 public:
  constexpr Length() = default;
  static constexpr Length nm(std::int64_t n) { return Length(n); }
  static constexpr Length um(std::int64_t n) { return Length(n * 1'000); }
  static constexpr Length mm(std::int64_t n) { return Length(n * 1'000'000); }
  static constexpr Length in(std::int64_t whole, std::int64_t numerator = 0,
                             std::int64_t denominator = 1) {
    return Length(whole * 25'400'000 + numerator * 25'400'000 / denominator);
  }

  constexpr std::int64_t inNm() const { return nm_; }
  constexpr double inMm() const { return static_cast<double>(nm_) / 1e6; }

  constexpr auto operator<=>(const Length&) const = default;
  constexpr Length operator-() const { return Length(-nm_); }
  constexpr Length& operator+=(Length other) { return nm_ += other.nm_, *this; }
  constexpr Length& operator-=(Length other) { return nm_ -= other.nm_, *this; }
  friend constexpr Length operator+(Length a, Length b) { return Length(a.nm_ + b.nm_); }
  friend constexpr Length operator-(Length a, Length b) { return Length(a.nm_ - b.nm_); }
  friend constexpr Length operator*(std::int64_t n, Length a) { return Length(n * a.nm_); }
  // The n-th part, rounded towards zero; the caller decides where the remainder goes.
  friend constexpr Length operator/(Length a, std::int64_t n) { return Length(a.nm_ / n); }

 private:
  explicit constexpr Length(std::int64_t n) : nm_(n) {}
  std::int64_t nm_ = 0;
};

inline constexpr std::int64_t kNmPerInch = 25'400'000;

// How far the two lie apart, >= 0.
constexpr Length distance(Length a, Length b) {
  return a < b ? b - a : a - b;
}

// A size of the shop's own in either unit: where the trade has one it is not the other's,
// converted.
constexpr Length usual(Unit unit, Length metric, Length inch) {
  return unit == Unit::Inch ? inch : metric;
}

// The longest length the readers accept: one kilometre. Sums of any real job stay far inside 64
// bits.
inline constexpr Length kLongest = Length::mm(1'000'000);

// An area in square nanometres. 128 bits: two full sheets already overflow 64.
class Area {
 public:
  constexpr Area() = default;
  static constexpr Area nm2(Int128 n) { return Area(n); }
  constexpr Int128 inNm2() const { return nm2_; }
  constexpr double inM2() const { return static_cast<double>(nm2_) / 1e18; }
  constexpr bool operator==(const Area&) const = default;
  constexpr auto operator<=>(const Area&) const = default;
  constexpr Area& operator+=(Area other) { return nm2_ += other.nm2_, *this; }
  friend constexpr Area operator+(Area a, Area b) { return Area(a.nm2_ + b.nm2_); }
  friend constexpr Area operator-(Area a, Area b) { return Area(a.nm2_ - b.nm2_); }
  friend constexpr Area operator*(std::int64_t n, Area a) { return Area(n * a.nm2_); }

 private:
  explicit constexpr Area(Int128 n) : nm2_(n) {}
  Int128 nm2_ = 0;
};

constexpr Area operator*(Length a, Length b) {
  return Area::nm2(static_cast<Int128>(a.inNm()) * b.inNm());
}

// An angle in thousandths of a degree.
class Angle {
 public:
  constexpr Angle() = default;
  static constexpr Angle degrees(std::int64_t n) { return Angle(n * 1000); }
  static constexpr Angle millidegrees(std::int64_t n) { return Angle(n); }
  constexpr std::int64_t inMillidegrees() const { return millidegrees_; }
  constexpr auto operator<=>(const Angle&) const = default;

 private:
  explicit constexpr Angle(std::int64_t n) : millidegrees_(n) {}
  std::int64_t millidegrees_ = 0;
};

// Money in ten-thousandths of the shop's currency.
class Money {
 public:
  constexpr Money() = default;
  static constexpr Money tenThousandths(std::int64_t n) { return Money(n); }
  static constexpr Money whole(std::int64_t n) { return Money(n * 10'000); }
  constexpr std::int64_t inTenThousandths() const { return units_; }
  constexpr double asDouble() const { return static_cast<double>(units_) / 1e4; }
  constexpr auto operator<=>(const Money&) const = default;
  constexpr Money& operator+=(Money other) { return units_ += other.units_, *this; }
  friend constexpr Money operator+(Money a, Money b) { return Money(a.units_ + b.units_); }
  friend constexpr Money operator-(Money a, Money b) { return Money(a.units_ - b.units_); }
  friend constexpr Money operator*(std::int64_t n, Money a) { return Money(n * a.units_); }

 private:
  explicit constexpr Money(std::int64_t n) : units_(n) {}
  std::int64_t units_ = 0;
};

}  // namespace pp
