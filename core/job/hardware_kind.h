// What holds furniture together and lets it move.
#pragma once

namespace pp {

enum class HardwareKind { Slide, Hinge, Screw, Pin, Caster, Pull, Insert, Glue, Other };

}  // namespace pp
