#include "core/result/result.h"

#include <fmt/format.h>

#include "core/result/text.h"

namespace pp {

std::string shown(const std::string& text, std::size_t limit) {
  std::string out;
  for (std::size_t i = 0; i < text.size();) {
    const std::size_t length = sequenceLength(text, i);
    const bool hidden =
        length == 0 || hiddenCharacter(std::string_view(text).substr(i, length), Lines::One);
    if (out.size() + (hidden ? 1 : length) > limit) return out + "...";
    if (hidden)
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
