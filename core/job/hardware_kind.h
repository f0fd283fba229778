// What holds furniture together and lets it move.
#pragma once

namespace pp {

enum class HardwareKind { Slide, Hinge, Screw, Pin, Caster, Pull, Insert, Glue, Other };

// The word for it in lists.
constexpr const char* hardwareWord(HardwareKind kind) {
  constexpr const char* kWords[] = {"slide", "hinge",  "screw", "pin",  "caster",
                                    "pull",  "insert", "glue",  "other"};
  return kWords[static_cast<int>(kind)];
}

}  // namespace pp
