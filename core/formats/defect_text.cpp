#include "core/formats/defect_text.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/formats/list_lengths.h"
#include "core/length/format.h"
#include "core/length/parse.h"

namespace pp {
namespace {

std::vector<std::string_view> split(std::string_view text, char at) {
  std::vector<std::string_view> out;
  while (!text.empty()) {
    const std::size_t end = std::min(text.find(at), text.size());
    if (end > 0) out.push_back(text.substr(0, end));
    text.remove_prefix(std::min(end + 1, text.size()));
  }
  return out;
}

Problem unlike(std::string_view found) {
  return {{},
          0,
          {},
          fmt::format("'{}'", shown(std::string(found))),
          "x y dx dy; …, the sides more than 0"};
}

}  // namespace

Result<std::vector<Defect>> parseDefects(std::string_view text, std::optional<Unit> bare) {
  std::vector<Defect> out;
  for (const std::string_view place : split(text, ';')) {
    std::vector<Length> sizes;
    for (const std::string_view word : split(place, ' ')) {
      const auto size = parseLength(word, bare);
      if (!size) return size.problems();
      sizes.push_back(*size);
    }
    if (sizes.empty()) continue;
    if (sizes.size() != 4 || sizes[2] == Length{} || sizes[3] == Length{}) return unlike(place);
    out.push_back({sizes[0], sizes[1], sizes[2], sizes[3]});
  }
  if (out.size() > kMostDefects)
    return Problem{
        {}, 0, {}, fmt::format("{} places", out.size()), fmt::format("at most {}", kMostDefects)};
  return out;
}

std::string defectsText(const std::vector<Defect>& defects, Unit unit) {
  const ListLengths inList(unit);
  const auto length = [&](Length one) {
    return unit == Unit::Millimetre ? formatMm(one) : inList(one);
  };
  std::string out;
  for (const Defect& one : defects) {
    std::string place = fmt::format("{}|{}|{}|{}", length(one.x), length(one.y), length(one.width),
                                    length(one.height));
    std::replace(place.begin(), place.end(), ' ', '-');  // 24-1/2
    std::replace(place.begin(), place.end(), '|', ' ');
    out += (out.empty() ? "" : "; ") + place;
  }
  return out;
}

}  // namespace pp
