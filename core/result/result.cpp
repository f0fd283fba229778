#include "core/result/result.h"

#include <fmt/format.h>

namespace pp {
namespace {

// Length of the well-formed UTF-8 sequence at `at`, or 0 where the bytes are not one.
std::size_t sequenceLength(const std::string& text, std::size_t at) {
  const auto lead = static_cast<unsigned char>(text[at]);
  if (lead < 0x80) return 1;
  const std::size_t length = lead >= 0xF0 && lead < 0xF5 ? 4
                             : lead >= 0xE0              ? 3
                             : lead >= 0xC2              ? 2
                                                         : 0;
  if (length == 0 || lead >= 0xF5 || at + length > text.size()) return 0;
  for (std::size_t i = 1; i < length; ++i)
    if ((static_cast<unsigned char>(text[at + i]) & 0xC0) != 0x80) return 0;
  return length;
}

}  // namespace

std::string shown(const std::string& text, std::size_t limit) {
  std::string out;
  for (std::size_t i = 0; i < text.size();) {
    const std::size_t length = sequenceLength(text, i);
    const bool control =
        length == 1 && (static_cast<unsigned char>(text[i]) < 0x20 || text[i] == 0x7F);
    if (out.size() + (length == 0 ? 1 : length) > limit) return out + "...";
    if (length == 0 || control)
      out += '?';
    else
      out.append(text, i, length);
    i += length == 0 ? 1 : length;
  }
  return out;
}

std::string describe(const Problem& problem) {
  std::string place = shown(problem.file, 200);
  const auto add = [&place](const std::string& piece) {
    if (!place.empty()) place += ", ";
    place += piece;
  };
  if (problem.line > 0) add(fmt::format("line {}", problem.line));
  if (!problem.field.empty()) add(shown(problem.field, 120));
  return fmt::format("{}{}found {}, expected {}", place, place.empty() ? "" : ": ",
                     shown(problem.found, 160), shown(problem.expected, 240));
}

std::string describe(const Problems& problems, std::size_t limit) {
  constexpr std::size_t kRoomForTheRest = 40;
  std::string out;
  for (std::size_t i = 0; i < problems.size(); ++i) {
    const std::string line = describe(problems[i]) + "\n";
    if (out.size() + line.size() + kRoomForTheRest > limit)
      return out + fmt::format("and {} more\n", problems.size() - i);
    out += line;
  }
  return out;
}

}  // namespace pp
