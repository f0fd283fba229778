// What happened, as it stands in a job's file and, a line each, in its journal.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <utility>

#include "core/floor/event.h"

namespace pp {

class Archive;

// With the event's hash, which is checked on reading.
void fields(Archive& a, Event& v);

// "2026-11-26T08:01:02.345+01:00", as the shop's clock showed it.
std::string timeText(std::int64_t time, int offset);
// Milliseconds since 1970, UTC, and the minutes of the offset; nothing where it is no such text.
std::optional<std::pair<std::int64_t, int>> parseTime(const std::string& text);

}  // namespace pp
