#include "core/result/text.h"

#include <fmt/format.h>

namespace pp {
namespace {

char32_t codePoint(std::string_view text, std::size_t at, std::size_t length) {
  const auto lead = static_cast<unsigned char>(text[at]);
  if (length == 1) return lead;
  char32_t out = lead & (0xFFU >> (length + 1));
  for (std::size_t i = 1; i < length; ++i)
    out = (out << 6) | (static_cast<unsigned char>(text[at + i]) & 0x3FU);
  return out;
}

bool isControl(char32_t c) {
  return c < 0x20 || (c >= 0x7F && c < 0xA0);
}

bool turnsDirection(char32_t c) {
  return c == 0x061C || c == 0x200E || c == 0x200F || (c >= 0x202A && c <= 0x202E) ||
         (c >= 0x2066 && c <= 0x2069);
}

bool endsLine(char32_t c) {
  return c == 0x2028 || c == 0x2029;
}

}  // namespace

std::size_t sequenceLength(std::string_view text, std::size_t at) {
  const auto lead = static_cast<unsigned char>(text[at]);
  if (lead < 0x80) return 1;
  const std::size_t length = lead >= 0xF0 && lead < 0xF5   ? 4
                             : lead >= 0xE0 && lead < 0xF0 ? 3
                             : lead >= 0xC2 && lead < 0xE0 ? 2
                                                           : 0;
  if (length == 0 || at + length > text.size()) return 0;
  for (std::size_t i = 1; i < length; ++i)
    if ((static_cast<unsigned char>(text[at + i]) & 0xC0U) != 0x80) return 0;
  const auto second = static_cast<unsigned char>(text[at + 1]);
  if ((lead == 0xE0 && second < 0xA0) || (lead == 0xED && second > 0x9F) ||
      (lead == 0xF0 && second < 0x90) || (lead == 0xF4 && second > 0x8F))
    return 0;
  return length;
}

std::optional<std::string> hiddenCharacter(std::string_view text, Lines lines) {
  for (std::size_t i = 0; i < text.size();) {
    const std::size_t length = sequenceLength(text, i);
    if (length == 0)
      return fmt::format("the byte 0x{:02X}, which is no UTF-8",
                         static_cast<unsigned char>(text[i]));
    const char32_t c = codePoint(text, i, length);
    i += length;
    if (lines == Lines::Many && (c == '\n' || c == '\t')) continue;
    if (isControl(c) || endsLine(c))
      return fmt::format("the control character U+{:04X}", static_cast<std::uint32_t>(c));
    if (turnsDirection(c))
      return fmt::format("U+{:04X}, which turns the direction of writing",
                         static_cast<std::uint32_t>(c));
  }
  return std::nullopt;
}

std::string_view trimmed(std::string_view text) {
  constexpr std::string_view kBlank = " \t";
  const std::size_t first = text.find_first_not_of(kBlank);
  if (first == std::string_view::npos) return {};
  return text.substr(first, text.find_last_not_of(kBlank) + 1 - first);
}

}  // namespace pp
