// What may stand in a text that people read: well-formed UTF-8 without characters that hide or turn
// what is beside them.
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <string_view>

namespace pp {

// Length of the well-formed UTF-8 sequence that begins at `at`, 0 where the bytes are not one.
// Surrogates, overlong forms and what lies beyond U+10FFFF are not well-formed.
std::size_t sequenceLength(std::string_view text, std::size_t at);

// Without the spaces and tabs at both ends.
std::string_view trimmed(std::string_view text);

enum class Lines {
  One,  // a name: line ends and tabs are refused too
  Many  // a note
};

// The first thing in `text` that cannot be shown as it is, in words such as "the control character
// U+0007"; none where there is none. Refused are bytes that are not UTF-8, control characters, and
// the marks that turn the direction of writing.
std::optional<std::string> hiddenCharacter(std::string_view text, Lines lines);

}  // namespace pp
