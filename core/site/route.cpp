#include "core/site/route.h"

#include <algorithm>
#include <array>

namespace pp {
namespace {

// Every field with its name and whether it says something.
std::vector<std::pair<std::string, bool>> saidBy(const Gate& gate) {
  return {{"width", gate.width > Length{}}, {"height", gate.height > Length{}},
          {"depth", gate.depth > Length{}}, {"into", gate.into > Length{}},
          {"turns", gate.turns != 0},       {"pitch", gate.pitch != Angle{}},
          {"people", gate.people != 0},     {"grams", gate.grams != 0}};
}

bool has(const std::vector<std::string>& fields, const std::string& name) {
  return std::find(fields.begin(), fields.end(), name) != fields.end();
}

// Those that a gate cannot do without: a corridor may go straight on, a stair without a turn or
// level.
std::vector<std::string> neededBy(const Gate& gate) {
  switch (gate.kind) {
    case GateKind::Corridor:
      return {"width", "height"};
    case GateKind::Stair:
      if (gate.turns == 0) return {"width", "height"};
      return {"width", "height", "depth"};
    default:
      return fieldsOf(gate.kind);
  }
}

}  // namespace

std::vector<std::string> fieldsOf(GateKind kind) {
  switch (kind) {
    case GateKind::Door:
      return {"width", "height"};
    case GateKind::Corridor:
      return {"width", "height", "into"};
    case GateKind::Stair:
      return {"width", "height", "depth", "turns", "pitch"};
    case GateKind::Lift:
    case GateKind::Van:
      return {"width", "height", "depth"};
    case GateKind::Flat:
      return {"width"};
    case GateKind::People:
      break;
  }
  return {"people", "grams"};
}

std::vector<std::string> unusedFields(const Gate& gate) {
  const std::vector<std::string> known = fieldsOf(gate.kind);
  std::vector<std::string> out;
  for (const auto& [name, says] : saidBy(gate))
    if (says && !has(known, name)) out.push_back(name);
  return out;
}

std::vector<std::string> missingFields(const Gate& gate) {
  const std::vector<std::string> needed = neededBy(gate);
  std::vector<std::string> out;
  for (const auto& [name, says] : saidBy(gate))
    if (!says && has(needed, name)) out.push_back(name);
  return out;
}

std::string gateWords(GateKind kind) {
  constexpr std::array kWords = {"door", "corridor", "stair",       "lift",
                                 "van",  "people",   "flat surface"};
  return kWords[static_cast<std::size_t>(kind)];
}

}  // namespace pp
