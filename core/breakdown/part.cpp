#include "core/breakdown/part.h"

#include <fmt/format.h>

namespace pp {

std::string sideName(Side side) {
  switch (side) {
    case Side::Front:
      return "front";
    case Side::Back:
      return "back";
    case Side::Left:
      return "left";
    case Side::Right:
      return "right";
    case Side::Top:
      return "top";
    case Side::Bottom:
      return "bottom";
  }
  return {};
}

std::string cutName(Cut cut) {
  switch (cut) {
    case Cut::Dado:
      return "dado";
    case Cut::Rabbet:
      return "rabbet";
    case Cut::Groove:
      return "groove";
    case Cut::Notch:
      return "notch";
    case Cut::PinHoles:
      return "pin holes";
  }
  return {};
}

std::optional<Edge> Part::edgeAt(Side side) const {
  for (const Edge edge : kEdges)
    if (edges[static_cast<std::size_t>(edge)] == side) return edge;
  return std::nullopt;
}

Box Part::board() const {
  return {{}, {length.total(), width.total(), thickness}};
}

Box removed(const Machining& machining, const Part& part) {
  if (machining.cut == Cut::PinHoles) return {};
  Box out{{machining.u0, machining.v0, Length{}}, {machining.u1, machining.v1, machining.depth}};
  if (machining.face == Face::Outside) {
    out.low[2] = part.thickness - machining.depth;
    out.high[2] = part.thickness;
  }
  return out;
}

std::string describe(const Machining& machining, const Part& part, const LengthStyle& style) {
  const std::string edge = sideName(part.edges[static_cast<std::size_t>(machining.from)]);
  const std::string face = machining.face == Face::Inside ? "inside" : "outside";
  const auto show = [&style](Length length) { return format(length, style); };
  if (machining.cut == Cut::Notch)
    return fmt::format("notch {} × {} at the {} and {}", show(machining.u1 - machining.u0),
                       show(machining.v1 - machining.v0),
                       sideName(part.edges[static_cast<std::size_t>(Edge::W1)]),
                       sideName(part.edges[static_cast<std::size_t>(Edge::L1)]));
  if (machining.cut == Cut::PinHoles)
    return fmt::format(
        "{} pin holes {} wide, {} deep, {} apart, {} face, row {} from the {} edge, "
        "first hole {} up",
        machining.holes, show(machining.width), show(machining.depth), show(machining.pitch), face,
        show(machining.distance), edge, show(machining.u0));
  return fmt::format("{} for the {}, {} face, {} from the {} edge, {} wide, {} deep{}",
                     cutName(machining.cut), machining.receives, face, show(machining.distance),
                     edge, show(machining.width), show(machining.depth),
                     machining.through ? "" : ", stopped");
}

}  // namespace pp
