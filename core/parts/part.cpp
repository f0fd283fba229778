#include "core/parts/part.h"

#include <fmt/format.h>

#include <algorithm>

namespace pp {

std::string cutName(MachiningKind cut) {
  switch (cut) {
    case MachiningKind::Dado:
      return "dado";
    case MachiningKind::Rabbet:
      return "rabbet";
    case MachiningKind::Groove:
      return "groove";
    case MachiningKind::Notch:
      return "notch";
    case MachiningKind::PinHoles:
      return "pin holes";
    case MachiningKind::EdgeGroove:
      return "edge groove";
    case MachiningKind::Bevel:
      return "bevel";
    case MachiningKind::Taper:
      return "taper";
    case MachiningKind::Arc:
      return "arc";
    case MachiningKind::Hole:
      return "hole";
    case MachiningKind::Slot:
      return "slot";
    case MachiningKind::HingeCup:
      return "hinge cups";
    case MachiningKind::Pockets:
      return "pocket holes";
    case MachiningKind::Mortises:
      return "mortises";
    case MachiningKind::Bulge:
      return "bulge";
    case MachiningKind::RoundCorner:
      return "rounded corner";
    case MachiningKind::RoundEnd:
      return "rounded end";
    case MachiningKind::HoleRow:
      return "row of holes";
    case MachiningKind::ThicknessTaper:
      return "taper of the thickness";
    case MachiningKind::Recess:
      return "recess";
    case MachiningKind::RoundOver:
      return "round-over";
    case MachiningKind::Chamfer:
      return "chamfer";
  }
  return {};
}

bool isRow(MachiningKind cut) {
  return cut == MachiningKind::PinHoles || cut == MachiningKind::HingeCup ||
         cut == MachiningKind::Pockets || cut == MachiningKind::Mortises ||
         cut == MachiningKind::HoleRow;
}

bool Part::isOf(const PartKey& key, Id opening) const {
  if (keys.size() <= poses.size()) return key.opening == opening;
  return std::any_of(keys.begin(), keys.end(),
                     [opening](const PartKey& key) { return key.opening == opening; });
}
bool Part::isJoined(Edge edge) const {
  return std::any_of(joins.begin(), joins.end(),
                     [edge](const Join& join) { return join.edge == edge; });
}

std::optional<Edge> Part::edgeAt(Side side) const {
  for (const Edge edge : kEdges)
    if (edges[static_cast<std::size_t>(edge)] == side) return edge;
  return std::nullopt;
}

Box Part::board() const {
  return {{}, {length.total(), width.total(), thickness}};
}

void readOffTheWork(Part& part, Reason& size, const std::vector<Length>& readings,
                    Length allowance) {
  if (readings.empty()) {
    part.waiting = true;
    part.oversize = std::max(part.oversize, allowance);
    part.oversizeWhy = "its size is still to be read off the work";
    return;
  }
  const Length smallest = *std::min_element(readings.begin(), readings.end());
  part.readOff = smallest - size.total();
  size = Reason(readings.size() > 1 ? "smallest reading" : "reading", smallest);
}

SlantedEdge slantedEdge(const Machining& taper, const Part& part) {
  const bool end = isEnd(taper.from);
  if (end || taper.u0 != taper.u1) return {taper.u0, taper.v0, taper.u1, taper.v1};
  return {Length{}, taper.v0, part.length.total(), taper.v1};
}

Box removed(const Machining& machining, const Part& part) {
  if (machining.cut != MachiningKind::EdgeGroove && machining.cut != MachiningKind::Dado &&
      machining.cut != MachiningKind::Rabbet && machining.cut != MachiningKind::Groove &&
      machining.cut != MachiningKind::Notch && machining.cut != MachiningKind::Recess)
    return {};
  if (machining.cut == MachiningKind::EdgeGroove)
    return {{machining.u0, machining.v0, machining.w0},
            {machining.u1, machining.v1, machining.w0 + machining.width}};
  Box out{{machining.u0, machining.v0, Length{}}, {machining.u1, machining.v1, machining.depth}};
  if (machining.face == Face::Outside) {
    out.low[2] = part.thickness - machining.depth;
    out.high[2] = part.thickness;
  }
  return out;
}

JoinKind joinKind(Joint joint) {
  switch (joint) {
    case Joint::Dado:
      return JoinKind::Dado;
    case Joint::Pocket:
      return JoinKind::Pocket;
    case Joint::LooseTenon:
      return JoinKind::LooseTenon;
    case Joint::Dowel:
      return JoinKind::Dowel;
    case Joint::Brads:
      return JoinKind::Brads;
    case Joint::Butt:
      break;
  }
  return JoinKind::Butt;
}

std::string describe(const Join& join, const Part& part) {
  const std::string end =
      fmt::format("{} {}", sideName(part.edges[static_cast<std::size_t>(join.edge)]),
                  isEnd(join.edge) ? "end" : "edge");
  switch (join.kind) {
    case JoinKind::Dado:
      return fmt::format("{} in a dado of the {}", end, join.to);
    case JoinKind::Rabbet:
      return fmt::format("{} in a rabbet of the {}", end, join.to);
    case JoinKind::Pocket:
      return fmt::format("{} against the {}, pocket screws", end, join.to);
    case JoinKind::LooseTenon:
      return fmt::format("{} against the {}, loose tenons", end, join.to);
    case JoinKind::Dowel:
      return fmt::format("{} against the {}, dowels", end, join.to);
    case JoinKind::Brads:
      return fmt::format("{} against the {}, glue and brads", end, join.to);
    case JoinKind::Mitre:
      return fmt::format("{} mitred to the {}", end, join.to);
    case JoinKind::Glued:
      return fmt::format("{} glued to the {}", end, join.to);
    case JoinKind::Butt:
      break;
  }
  return fmt::format("{} against the {}, glue and screws", end, join.to);
}

namespace {

// Out of a corner, in an edge, or inside the board: each is marked out in another way.
template <class Show>
std::string describeNotch(const Machining& cut, const Part& part, const Show& show) {
  const auto named = [&part](Edge edge) {
    return sideName(part.edges[static_cast<std::size_t>(edge)]);
  };
  const std::string size = fmt::format("{} × {}", show(cut.u1 - cut.u0), show(cut.v1 - cut.v0));
  const bool foot = cut.u0 == Length{};
  const bool far = cut.u1 == part.length.total();
  const bool low = cut.v0 == Length{};
  const bool high = cut.v1 == part.width.total();
  const std::string end = named(foot || !far ? Edge::W1 : Edge::W2);
  const std::string edge = named(low || !high ? Edge::L1 : Edge::L2);
  if ((foot || far) && (low || high))
    return fmt::format("notch {} out of the {} {} corner", size, end, edge);
  if (low || high)
    return fmt::format("notch {} in the {} edge, {} from the {} end", size, edge, show(cut.u0),
                       named(Edge::W1));
  if (foot || far)
    return fmt::format("notch {} in the {} end, {} from the {} edge", size, end, show(cut.v0),
                       named(Edge::L1));
  return fmt::format("cut-out {}, {} from the {} end, {} from the {} edge", size, show(cut.u0),
                     named(Edge::W1), show(cut.v0), named(Edge::L1));
}

// "10 deep in the outside face, "; nothing for what goes through from the inside.
template <class Show>
std::string deepIn(const Machining& cut, const Part& part, const Show& show) {
  const char* face = cut.face == Face::Inside ? "inside" : "outside";
  if (cut.depth < part.thickness)
    return fmt::format("{} deep in the {} face, ", show(cut.depth), face);
  return {};
}

template <class Show>
std::string describeTaper(const Machining& cut, const Part& part, const std::string& degrees,
                          const Show& show) {
  const std::string edge = sideName(part.edges[static_cast<std::size_t>(cut.from)]);
  const SlantedEdge at = slantedEdge(cut, part);
  const bool end = isEnd(cut.from);
  const bool near = cut.from == Edge::L1 || cut.from == Edge::W1;
  const auto left = [&](Length along, Length across) {
    const Length whole = end ? part.length.total() : part.width.total();
    const Length edgeAt = end ? along : across;
    return show(near ? whole - edgeAt : edgeAt);
  };
  const char* size = end ? "long" : "wide";
  std::string out =
      fmt::format("taper {} along the {} {}, from {} {} to {} {}", degrees, edge,
                  end ? "end" : "edge", left(at.u0, at.v0), size, left(at.u1, at.v1), size);
  const Length from = end ? at.v0 : at.u0;
  const Length to = end ? at.v1 : at.u1;
  const Length whole = end ? part.width.total() : part.length.total();
  if (from > Length{} || to < whole)
    out += fmt::format(", over {} to {} {}", show(from), show(to), end ? "across" : "along");
  return out;
}

template <class Show>
std::string describeCurve(const Machining& cut, const Part& part, const Show& show) {
  const std::string edge = sideName(part.edges[static_cast<std::size_t>(cut.from)]);
  const bool end = isEnd(cut.from);
  const Length from = end ? cut.v0 : cut.u0;
  const Length to = end ? cut.v1 : cut.u1;
  const Length whole = end ? part.width.total() : part.length.total();
  std::string out = cut.cut == MachiningKind::Bulge
                        ? fmt::format("bulge along the {} {}, {} beyond the rest of it", edge,
                                      end ? "end" : "edge", show(cut.depth))
                        : fmt::format("arc along the {} {}, {} hollow in the middle", edge,
                                      end ? "end" : "edge", show(cut.depth));
  if (from != to && (from > Length{} || to < whole))
    out += fmt::format(", over {} to {} {}", show(from), show(to), end ? "across" : "along");
  return out;
}

}  // namespace

std::string describe(const Machining& machining, const Part& part, const LengthStyle& style) {
  const std::string edge = sideName(part.edges[static_cast<std::size_t>(machining.from)]);
  const std::string face = machining.face == Face::Inside ? "inside" : "outside";
  const auto named = [&part](Edge at) {
    return sideName(part.edges[static_cast<std::size_t>(at)]);
  };
  const auto show = [&style](Length length) { return format(length, style); };
  const auto degrees = [&machining] {
    constexpr double kMillidegrees = 1000;
    return fmt::format("{}°",
                       static_cast<double>(machining.angle.inMillidegrees()) / kMillidegrees);
  };
  switch (machining.cut) {
    case MachiningKind::EdgeGroove:
      return fmt::format(
          "groove for the {} in the {} edge, {} from the inside face, {} wide, {} deep",
          machining.receives, edge, show(machining.w0), show(machining.width),
          show(machining.depth));
    case MachiningKind::Bevel:
      return fmt::format("bevel {} along the {} edge, {} face full size", degrees(), edge, face);
    case MachiningKind::Taper:
      return describeTaper(machining, part, degrees(), show);
    case MachiningKind::ThicknessTaper:
      return fmt::format(
          "taper {} of the thickness, {} face, from {} thick {} along to {} thick {} "
          "along",
          degrees(), face, show(machining.w0), show(machining.u0), show(machining.depth),
          show(machining.u1));
    case MachiningKind::Arc:
    case MachiningKind::Bulge:
      return describeCurve(machining, part, show);
    case MachiningKind::RoundCorner:
      return fmt::format(
          "{} {} corner rounded, radius {}", edge,
          sideName(
              part.edges[static_cast<std::size_t>(machining.v0 == Length{} ? Edge::L1 : Edge::L2)]),
          show(machining.width));
    case MachiningKind::RoundEnd:
      return fmt::format("{} end rounded, radius {}", edge, show(machining.width));
    case MachiningKind::Hole:
      return fmt::format("hole {} wide, {}{} along, {} across", show(machining.width),
                         deepIn(machining, part, show), show(machining.u0), show(machining.v0));
    case MachiningKind::Recess:
      return fmt::format(
          "recess {} × {}, {} deep in the {} face, {} from the {} end, {} from the {} "
          "edge, corners of radius {}",
          show(machining.u1 - machining.u0), show(machining.v1 - machining.v0),
          show(machining.depth), face, show(machining.u0), named(Edge::W1), show(machining.v0),
          named(Edge::L1), show(machining.width));
    case MachiningKind::RoundOver:
    case MachiningKind::Chamfer:
      return fmt::format("{} {} along the {} edge, {}{}", cutName(machining.cut),
                         show(machining.width), edge,
                         machining.bothFaces ? "both faces" : face + " face",
                         machining.assembled ? ", when it has been put in" : "");
    case MachiningKind::HoleRow:
      return fmt::format("{} holes {} wide, {}the first {} along, {} across, {} apart {} the board",
                         machining.holes, show(machining.width), deepIn(machining, part, show),
                         show(machining.u0), show(machining.v0), show(machining.pitch),
                         machining.u1 > machining.u0 ? "along" : "across");
    case MachiningKind::Slot:
      return fmt::format("slot {} wide, {} long, {}its middle {} along, {} across",
                         show(machining.width), show(machining.u1 - machining.u0),
                         deepIn(machining, part, show), show((machining.u0 + machining.u1) / 2),
                         show(machining.v0));
    case MachiningKind::HingeCup:
    case MachiningKind::Pockets:
    case MachiningKind::Mortises:
      return fmt::format("{} {} for the {}, {} face, {} from the {} edge, first {}, {} apart",
                         machining.holes, cutName(machining.cut), machining.receives, face,
                         show(machining.distance), edge,
                         show(std::min(machining.u1 > machining.u0 ? machining.u0 : machining.v0,
                                       machining.u1 > machining.u0 ? machining.u1 : machining.v1)),
                         show(machining.pitch));
    default:
      break;
  }
  if (machining.cut == MachiningKind::Notch) return describeNotch(machining, part, show);
  if (machining.cut == MachiningKind::PinHoles)
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

bool cutAlike(Length a, Length b) {
  constexpr Length kSame = Length::um(1);
  return a - b < kSame && b - a < kSame;
}

const Part* findPart(const std::vector<Part>& parts, const PartKey& key) {
  const auto at = std::find_if(parts.begin(), parts.end(), [&key](const Part& part) {
    return std::binary_search(part.keys.begin(), part.keys.end(), key);
  });
  return at == parts.end() ? nullptr : &*at;
}

std::string codeOf(const std::vector<Part>& parts, const PartKey& key) {
  const Part* part = findPart(parts, key);
  return part == nullptr ? std::string() : part->code;
}

std::string nextOperations(const Part& part) {
  std::vector<std::string> out;
  const auto once = [&out](std::string words) {
    if (std::find(out.begin(), out.end(), words) == out.end()) out.push_back(std::move(words));
  };
  for (const Machining& machining : part.machining)
    if (!machining.assembled) once(cutName(machining.cut));
  const bool allRound = std::none_of(part.bands.begin(), part.bands.end(),
                                     [](const std::string& band) { return band.empty(); });
  if (allRound) once("band all round");
  bool first = true;
  for (const Edge edge : kEdges) {
    const auto i = static_cast<std::size_t>(edge);
    if (part.bands[i].empty() || allRound) continue;
    once((first ? "band " : "") + sideName(part.edges[i]));
    first = false;
  }
  return fmt::format("{}", fmt::join(out, ", "));
}

}  // namespace pp
