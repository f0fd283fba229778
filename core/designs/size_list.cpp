#include "core/designs/size_list.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/length/parse.h"
#include "core/result/text.h"

namespace pp {
namespace {

constexpr std::size_t kMostSizes = 50;

Problem refused(std::string_view found, std::string expected) {
  return Problem{{}, 0, {}, "'" + shown(std::string(found)) + "'", std::move(expected)};
}

// What reads back must not be rounded.
std::string exact(Length length, const LengthStyle& style) {
  return offShown(length, style) == Length{} ? format(length, style)
                                             : formatExact(length, style.unit);
}

// `N equal`: how many, 0 where the item is something else.
std::int64_t equalShares(std::string_view item) {
  constexpr std::string_view kEqual = "equal";
  if (!item.ends_with(kEqual)) return 0;
  const auto count =
      parseCount(trimmed(item.substr(0, item.size() - kEqual.size())), 1, kMostSizes);
  return count ? *count : 0;
}

Problems addItem(std::string_view item, Unit bare, std::vector<Share>& out) {
  if (item == "rest") {
    out.push_back({});
    return {};
  }
  // `centred 300`: so much in the middle, the rest shared on both sides.
  constexpr std::string_view kCentred = "centred";
  if (item.starts_with(kCentred)) {
    const auto middle = parseExpression(trimmed(item.substr(kCentred.size())), bare);
    if (!middle || *middle <= Length{}) return {refused(item, "a size after `centred`")};
    out.insert(out.end(), {Share{}, Share{*middle}, Share{}});
    return {};
  }
  if (const std::int64_t count = equalShares(item); count > 0) {
    out.insert(out.end(), static_cast<std::size_t>(count), Share{});
    return {};
  }
  const auto length = parseExpression(item, bare);
  if (!length || *length <= Length{})
    return {refused(item, "a size above 0, `rest`, or `3 equal`")};
  out.push_back({*length});
  return {};
}

}  // namespace

Result<std::vector<Share>> parseSizeList(std::string_view text, Unit bare, bool countAlone) {
  std::vector<Share> out;
  if (countAlone)
    if (const auto count = parseCount(trimmed(text), 1, kMostSizes))
      return std::vector<Share>(static_cast<std::size_t>(*count));
  for (std::size_t begin = 0; begin <= text.size();) {
    const std::size_t comma = std::min(text.find(',', begin), text.size());
    const Problems problems = addItem(trimmed(text.substr(begin, comma - begin)), bare, out);
    if (!problems.empty()) return problems;
    if (out.size() > kMostSizes) return refused(text, "at most 50 sizes");
    begin = comma + 1;
  }
  return out;
}

void keepIds(std::vector<Share>& sizes, const std::vector<Share>& before) {
  for (std::size_t i = 0; i < sizes.size() && i < before.size(); ++i) sizes[i].id = before[i].id;
}

std::string formatSizeList(const std::vector<Share>& sizes, const LengthStyle& style) {
  const bool allShared =
      std::none_of(sizes.begin(), sizes.end(), [](const Share& share) { return share.fixed; });
  if (allShared && sizes.size() > 1) return fmt::format("{} equal", sizes.size());
  std::string out;
  for (const Share& share : sizes) {
    if (!out.empty()) out += ", ";
    if (!share.fixed) {
      out += "rest";
      continue;
    }
    out += exact(*share.fixed, style);
  }
  return out;
}

Result<std::vector<BackRail>> parseRailList(std::string_view text, Unit bare) {
  std::vector<BackRail> out;
  if (trimmed(text).empty()) return out;
  for (std::size_t begin = 0; begin <= text.size();) {
    const std::size_t comma = std::min(text.find(',', begin), text.size());
    const std::string_view item = trimmed(text.substr(begin, comma - begin));
    const std::size_t at = item.find(" at ");
    if (at == std::string_view::npos)
      return refused(item, "a width and where it is, such as `100 at 0`");
    const auto width = parseExpression(trimmed(item.substr(0, at)), bare);
    const auto up = parseExpression(trimmed(item.substr(at + 4)), bare);
    if (!width || *width <= Length{} || !up || *up < Length{})
      return refused(item, "a width above 0, `at`, and a height above the bottom");
    out.push_back({*up, *width});
    if (out.size() > kMostOfBack) return refused(text, "at most 20 rails");
    begin = comma + 1;
  }
  std::sort(out.begin(), out.end(),
            [](const BackRail& a, const BackRail& b) { return a.up < b.up; });
  return out;
}

std::string formatRailList(const std::vector<BackRail>& rails, const LengthStyle& style) {
  std::string out;
  for (const BackRail& rail : rails)
    out += (out.empty() ? "" : ", ") + exact(rail.width, style) + " at " + exact(rail.up, style);
  return out;
}

Result<std::vector<Length>> shareOut(Length total, const std::vector<Share>& sizes,
                                     const LengthStyle& style, Length step) {
  Length fixed;
  std::int64_t shares = 0;
  for (const Share& share : sizes) {
    if (share.fixed)
      fixed += *share.fixed;
    else
      ++shares;
  }
  const Length rest = total - fixed;
  if (shares == 0 && rest != Length{})
    return Problem{
        {},
        0,
        {},
        fmt::format("sizes that add up to {}, {} too {}", formatWithUnit(fixed, style),
                    formatWithUnit(rest < Length{} ? -rest : rest, style),
                    rest < Length{} ? "much" : "little"),
        fmt::format("{} in all, or `rest` for one of them", formatWithUnit(total, style))};
  if (shares > 0 && rest.inNm() < shares)
    return Problem{{},
                   0,
                   {},
                   fmt::format("{} taken by fixed sizes", formatWithUnit(fixed, style)),
                   fmt::format("less than the {} there are, so that something is left to share",
                               formatWithUnit(total, style))};
  std::vector<Length> out;
  constexpr std::int64_t kSmall = 4;  // a share is at least so many steps, or steps do not count
  const bool stepped = step > Length{} && shares > 0 && rest / shares >= kSmall * step;
  const auto end = [&](std::int64_t k) {
    if (k == shares) return rest;
    if (!stepped) return k * (rest / shares);
    const Int128 nm = static_cast<Int128>(rest.inNm()) * k;
    const Int128 unit = static_cast<Int128>(step.inNm()) * shares;
    return static_cast<std::int64_t>((2 * nm + unit) / (2 * unit)) * step;
  };
  std::int64_t k = 0;
  for (const Share& share : sizes) {
    if (share.fixed) {
      out.push_back(*share.fixed);
      continue;
    }
    out.push_back(end(k + 1) - end(k));
    ++k;
  }
  return out;
}

}  // namespace pp
