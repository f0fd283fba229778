#include "core/breakdown/bought.h"

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <charconv>

#include "core/job/ids.h"
#include "core/kinds/carcass/layout.h"

namespace pp {
namespace {

// Openings that are not split, as they are read.
std::vector<Id> openingsOf(const Carcass& carcass) {
  std::vector<Id> out;
  for (const OpeningPath& path : leaves(carcass.inside))
    out.push_back(find(carcass.inside, path)->id);
  return out;
}

}  // namespace

BoughtSize sizeOf(const Job& job, const BoughtIn& bought) {
  BoughtSize out{bought.length, bought.width};
  const Assembly* place = bought.assembly == 0 ? nullptr : findAssembly(job, bought.assembly);
  if (place != nullptr && place->isCarcass() && bought.opening != 0)
    if (const auto layout = layOut(job, *place))
      for (const OpeningRect& leaf : layout->leaves)
        if (leaf.id == bought.opening) {
          if (out.length == Length{}) out.length = leaf.rect.width - bought.clearance;
          if (out.width == Length{}) out.width = leaf.rect.height - bought.clearance;
        }
  for (Length* size : {&out.length, &out.width})
    if (*size > Length{}) *size += bought.oversize;
  return out;
}

std::string placeOf(const Job& job, const BoughtIn& bought) {
  const Assembly* place = bought.assembly == 0 ? nullptr : findAssembly(job, bought.assembly);
  if (place == nullptr) return {};
  if (!place->isCarcass() || bought.opening == 0) return place->code;
  const std::vector<Id> all = openingsOf(place->carcass());
  for (std::size_t i = 0; i < all.size(); ++i)
    if (all[i] == bought.opening) return fmt::format("{}.{}", place->code, i + 1);
  return place->code;
}

Problems setPlace(const Job& job, BoughtIn& bought, const std::string& text) {
  bought.assembly = bought.opening = 0;
  if (text.empty()) return {};
  const std::size_t dot = text.find('.');
  const Assembly* place = findAssembly(job, text.substr(0, dot));
  if (place == nullptr) return {{{}, 0, "place", "'" + text + "'", "the code of an assembly"}};
  bought.assembly = place->id;
  if (dot == std::string::npos) return {};
  const std::string number = text.substr(dot + 1);
  std::size_t at = 0;
  const auto read = std::from_chars(number.data(), number.data() + number.size(), at);
  const std::vector<Id> all = place->isCarcass() ? openingsOf(place->carcass()) : std::vector<Id>{};
  if (read.ec != std::errc() || read.ptr != number.data() + number.size() || at < 1 ||
      at > all.size())
    return {{{},
             0,
             "place",
             "'" + text + "'",
             all.empty() ? place->code + ", which has no openings"
                         : fmt::format("{0}.1 to {0}.{1}", place->code, all.size())}};
  bought.opening = all[at - 1];
  return {};
}

std::string boughtRemarks(const Job& job, const BoughtIn& bought) {
  const LengthStyle style = styleOf(job);
  std::vector<std::string> out;
  if (bought.have > 0)
    out.push_back(fmt::format("{} of {} in the shop", bought.have, bought.quantity));
  if (const std::string place = placeOf(job, bought); !place.empty()) out.push_back("for " + place);
  if (bought.thickness > Length{})
    out.push_back(formatWithUnit(bought.thickness, style) + " thick");
  if (bought.oversize > Length{})
    out.push_back(formatWithUnit(bought.oversize, style) + " larger than it will be");
  if (!bought.note.empty()) out.push_back(bought.note);
  return fmt::format("{}", fmt::join(out, "; "));
}

}  // namespace pp
