#include "core/formats/list_lengths.h"

#include "core/length/format.h"

namespace pp {

std::string ListLengths::unitLine() const {
  return unit_ == Unit::Inch ? "# unit: in\n" : "# unit: mm\n";
}

std::string ListLengths::operator()(Length length) const {
  if (unit_ == Unit::Inch && length >= Length{}) {
    const std::string text = formatExact(length, unit_);
    constexpr std::size_t kUnit = 3;  // " in"
    if (text.find('.') == std::string::npos) return text.substr(0, text.size() - kUnit);
  }
  return formatMm(length) + "mm";
}

}  // namespace pp
