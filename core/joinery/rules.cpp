#include "core/joinery/rules.h"

#include <algorithm>
#include <array>
#include <iterator>

namespace pp::joinery {

const std::vector<Length>& screwLengths(Unit unit) {
  static const std::vector<Length> kMetric = [] {
    std::vector<Length> out;
    for (const int mm : {16, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 100})
      out.push_back(Length::mm(mm));
    return out;
  }();
  static const std::vector<Length> kInch = {
      Length::in(0, 5, 8), Length::in(0, 3, 4), Length::in(1), Length::in(1, 1, 4),
      Length::in(1, 1, 2), Length::in(1, 3, 4), Length::in(2), Length::in(2, 1, 2),
      Length::in(3),       Length::in(3, 1, 2), Length::in(4)};
  return unit == Unit::Inch ? kInch : kMetric;
}

Length longestScrew(Length most, Unit unit) {
  const std::vector<Length>& lengths = screwLengths(unit);
  const auto longer = std::upper_bound(lengths.begin(), lengths.end(), most);
  return longer == lengths.begin() ? lengths.front() : *std::prev(longer);
}

std::optional<Length> shortestScrew(Length least, Unit unit) {
  const std::vector<Length>& lengths = screwLengths(unit);
  const auto at = std::lower_bound(lengths.begin(), lengths.end(), least);
  return at == lengths.end() ? std::nullopt : std::optional(*at);
}

namespace {

// A tip stays so far inside.
Length skin(Unit unit) {
  return usual(unit, Length::mm(3), Length::in(0, 1, 8));
}

}  // namespace

Length screwIntoEdge(Length through, Length deep, Unit unit) {
  const Length bite = usual(unit, Length::mm(25), Length::in(1));
  const Length out = shortestScrew(through + bite, unit).value_or(screwLengths(unit).back());
  const Length most = through + deep - skin(unit);
  return out <= most ? out : longestScrew(most, unit);
}

std::optional<Length> screwIntoFace(Length through, Length into, Unit unit) {
  const Length out = longestScrew(through + into - skin(unit), unit);
  const Length bite = std::max(usual(unit, Length::mm(10), Length::in(0, 3, 8)), 11 * into / 20);
  return out >= through + bite && out <= through + into - skin(unit) ? std::optional(out)
                                                                     : std::nullopt;
}

Length pocketScrewFor(Length thickness, Unit unit) {
  const bool inch = unit == Unit::Inch;
  if (thickness <= Length::mm(14)) return inch ? Length::in(1) : Length::mm(25);
  if (thickness <= Length::mm(20)) return inch ? Length::in(1, 1, 4) : Length::mm(32);
  if (thickness <= Length::mm(30)) return inch ? Length::in(1, 1, 2) : Length::mm(38);
  return inch ? Length::in(2, 1, 2) : Length::mm(64);
}

Length bradFor(Length through, Length behind, Unit unit) {
  const Length least = usual(unit, Length::mm(18), Length::in(0, 3, 4));
  const Length longest = usual(unit, Length::mm(60), Length::in(2, 1, 2));
  const Length wanted = std::min(std::max(3 * through, least), longest);
  const Length out = shortestScrew(wanted, unit).value_or(screwLengths(unit).back());
  const Length most = through + behind - usual(unit, Length::mm(2), Length::in(0, 1, 16));
  return out <= most ? out : longestScrew(most, unit);
}

Length frontScrew(Length box, Length front, Unit unit) {
  return longestScrew(box + 7 * front / 10, unit);
}

Length mountingScrew(Length thickness, Unit unit) {
  const Length most = thickness - usual(unit, Length::um(500), Length::in(0, 1, 64));
  const auto sold = unit == Unit::Inch
                        ? std::array{Length::in(0, 5, 8), Length::in(0, 1, 2), Length::in(0, 7, 16),
                                     Length::in(0, 3, 8)}
                        : std::array{Length::mm(15), Length::mm(13), Length::mm(11), Length::mm(9)};
  const auto at =
      std::find_if(sold.begin(), sold.end(), [&](Length length) { return length <= most; });
  return at == sold.end() ? sold.back() : *at;
}

Spacing screwSpacing(Unit unit) {
  return {usual(unit, Length::mm(65), Length::in(2, 1, 2)),
          usual(unit, Length::mm(20), Length::in(0, 3, 4)),
          usual(unit, Length::mm(50), Length::in(2)), usual(unit, Length::mm(200), Length::in(8))};
}
Spacing bradSpacing(Unit unit) {
  return {usual(unit, Length::mm(40), Length::in(1, 1, 2)),
          usual(unit, Length::mm(10), Length::in(0, 3, 8)),
          usual(unit, Length::mm(50), Length::in(2)), usual(unit, Length::mm(100), Length::in(4))};
}
Spacing backSpacing(Unit unit) {
  Spacing out = bradSpacing(unit);
  out.every = usual(unit, Length::mm(150), Length::in(6));
  return out;
}

std::vector<Length> rowAlong(Length length, const Spacing& spacing) {
  if (length <= Length{}) return {};
  if (length < spacing.one) return {length / 2};
  const Length end = std::clamp(length / 5, spacing.least, spacing.most);
  const Length between = length - 2 * end;
  const std::int64_t gaps =
      std::max<std::int64_t>(1, (between.inNm() + spacing.every.inNm() - 1) / spacing.every.inNm());
  std::vector<Length> out;
  for (std::int64_t i = 0; i <= gaps; ++i) out.push_back(end + i * between / gaps);
  return out;
}

}  // namespace pp::joinery
