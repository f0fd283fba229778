// A number that stands for a value whose parts are added one by one (FNV-1a, 64 bits): the same on
// any machine.
#pragma once

#include <fmt/format.h>

#include <cstdint>
#include <optional>
#include <string>
#include <type_traits>

#include "core/length/length.h"

namespace pp {

class Hash {
 public:
  // Numbers, choices and yes or no.
  template <class T>
  void add(T whole) requires(std::is_integral_v<T> || std::is_enum_v<T>) {
    const auto value = static_cast<std::int64_t>(whole);
    for (int byte = 0; byte < 8; ++byte) {
      constexpr std::uint64_t kPrime = 1'099'511'628'211ULL;
      hash_ ^= static_cast<std::uint64_t>(value) >> (8 * byte) & 0xFFU;
      hash_ *= kPrime;
    }
  }
  void add(Length length) { add(length.inNm()); }
  void add(const std::string& text) {
    add(std::ssize(text));
    for (const char c : text) add(c);
  }
  template <class T>
  void add(const std::optional<T>& value) {
    add(value.has_value());
    if (value) add(*value);
  }
  std::string text() const { return fmt::format("{:016x}", hash_); }

 private:
  std::uint64_t hash_ = 14'695'981'039'346'656'037ULL;
};

}  // namespace pp
