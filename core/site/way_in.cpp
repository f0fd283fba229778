#include "core/site/way_in.h"

#include <algorithm>

namespace pp {

std::optional<HowCarried> carriedThrough(const BoxSides& box, const Gate& gate) {
  switch (gate.kind) {
    case GateKind::Door:
      return throughDoor(box, gate.width, gate.height);
    case GateKind::Corridor:
      if (gate.into > Length{}) return roundCorner(box, gate.width, gate.into, gate.height);
      return throughDoor(box, gate.width, gate.height);
    case GateKind::Stair:
      return upStair(
          box, {gate.width, gate.depth, static_cast<int>(gate.turns), gate.height, gate.pitch});
    case GateKind::Lift:
    case GateKind::Van:
      return goesIn(box, gate.width, gate.depth, gate.height);
    case GateKind::Flat:
      if (*std::max_element(box.begin(), box.end()) > gate.width) return std::nullopt;
      break;
    case GateKind::People:
      break;
  }
  return HowCarried{box[0], box[1], box[2], {}};
}

bool passes(const Load& load, const Gate& gate) {
  if (gate.kind == GateKind::People) return load.grams <= gate.people * gate.grams;
  return carriedThrough(load.box, gate).has_value();
}

Length longestThrough(const Load& load, const Gate& gate) {
  if (passes(load, gate)) return load.box[0];
  constexpr Length kStep = Length::mm(1);
  // What is shorter passes where what is longer does.
  std::int64_t low = 0;
  std::int64_t high = load.box[0].inNm() / kStep.inNm() + 1;
  const auto cut = [&](std::int64_t steps) {
    Load out = load;
    out.box[0] = steps * kStep;
    out.grams = static_cast<std::int64_t>(static_cast<Int128>(load.grams) * out.box[0].inNm() /
                                          load.box[0].inNm());
    return out;
  };
  while (high - low > 1) {
    const std::int64_t middle = (low + high) / 2;
    (passes(cut(middle), gate) ? low : high) = middle;
  }
  return low * kStep;
}

Length longestThrough(const Load& load, const std::vector<Gate>& route) {
  Length out = load.box[0];
  for (const Gate& gate : route) out = std::min(out, longestThrough(load, gate));
  return out;
}

}  // namespace pp
