// How test cuts came out in the shop, so that the next stack is built with what was learned.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/machining/settings.h"

namespace pp::bench {

// A slot of a width, and by how much it came out wider than what goes in (loose), or narrower.
struct Tried {
  Tool tool = Tool::DadoStack;
  Length width;
  Length off;
  bool operator==(const Tried&) const = default;
};

// A line each: tool, width and off in nanometres. What cannot be read is left out.
std::vector<Tried> readTried(const std::string& text);
std::string writeTried(const std::vector<Tried>& all);

// With that one; of a tool and a width only the last is kept.
std::vector<Tried> withTried(std::vector<Tried> all, const Tried& one);

// By how much it was off last, by that tool at the width nearest to it; none further than half a
// millimetre away.
std::optional<Length> lastOff(const std::vector<Tried>& all, Tool tool, Length width);

}  // namespace pp::bench
