#include "core/machining/tried.h"

#include <fmt/format.h>

#include <algorithm>
#include <sstream>

namespace pp::bench {
namespace {

constexpr Length kNearSize = Length::um(500);

Length away(Length a, Length b) {
  return std::max(a - b, b - a);
}

}  // namespace

std::vector<Tried> readTried(const std::string& text) {
  std::vector<Tried> out;
  std::istringstream lines(text);
  for (std::string line; std::getline(lines, line);) {
    std::istringstream fields(line);
    int tool = 0;
    std::int64_t width = 0, off = 0;
    std::string more;
    if (!(fields >> tool >> width >> off) || fields >> more) continue;
    constexpr std::int64_t kMost = Length::mm(1'000).inNm();
    if (tool < 0 || tool > static_cast<int>(Tool::EaseBit) || width <= 0 || width > kMost ||
        off > kMost || off < -kMost)
      continue;
    out.push_back({static_cast<Tool>(tool), Length::nm(width), Length::nm(off)});
  }
  return out;
}

std::string writeTried(const std::vector<Tried>& all) {
  std::string out;
  for (const Tried& one : all)
    out += fmt::format("{} {} {}\n", static_cast<int>(one.tool), one.width.inNm(), one.off.inNm());
  return out;
}

std::vector<Tried> withTried(std::vector<Tried> all, const Tried& one) {
  std::erase_if(all,
                [&](const Tried& old) { return old.tool == one.tool && old.width == one.width; });
  all.push_back(one);
  return all;
}

std::optional<Length> lastOff(const std::vector<Tried>& all, Tool tool, Length width) {
  const Tried* best = nullptr;
  for (const Tried& one : all) {
    if (one.tool != tool || away(one.width, width) > kNearSize) continue;
    if (best == nullptr || away(one.width, width) <= away(best->width, width)) best = &one;
  }
  if (best == nullptr) return std::nullopt;
  return best->off;
}

}  // namespace pp::bench
