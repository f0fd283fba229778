#include "core/breakdown/effort.h"

#include <set>
#include <tuple>

namespace pp {

Effort effortOf(const std::vector<Part>& parts, const std::string& assembly) {
  std::set<std::tuple<MachiningKind, Length, Length, Length, Angle>> settings;
  Effort out;
  for (const Part& part : parts) {
    if (part.assembly != assembly) continue;
    out.pieces += part.quantity;
    for (const Machining& cut : part.machining)
      settings.insert({cut.cut, cut.width, cut.depth, cut.distance, cut.angle});
  }
  out.settings = static_cast<std::int64_t>(settings.size());
  return out;
}

}  // namespace pp
