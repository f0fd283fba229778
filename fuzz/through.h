// What a reader has accepted goes all the way: whatever is in it, nothing after the reader may
// fail.
#pragma once

#include <cstdint>
#include <string_view>

#include "core/plan/request.h"

namespace pp::fuzz {

// Written and read again, broken down, looked at, laid out, played back, put into lists, labelled.
// Ends the process where something is not as it should be.
void through(const Job& job);
// Laid out in a few steps and played back.
void through(const NestRequest& request);

// Ends the process, saying why, unless it holds.
void must(bool holds, const char* what);

inline std::string_view text(const std::uint8_t* data, std::size_t size) {
  return {reinterpret_cast<const char*>(data), size};
}

}  // namespace pp::fuzz
