#include "core/formats/breakdown_lists.h"

#include <fmt/format.h>

#include <optional>

#include "core/breakdown/bought.h"
#include "core/breakdown/fittings.h"
#include "core/formats/csv.h"
#include "core/formats/list_lengths.h"
#include "core/parts/banding.h"
#include "core/parts/machining.h"

namespace pp {
namespace {

const char* finishWord(Finish finish) {
  return finish == Finish::None ? "" : finishName(finish);
}

const char* handWord(Hand hand) {
  return hand == Hand::Left ? "left" : hand == Hand::Right ? "right" : "";
}

const char* edgeWord(Edge edge) {
  return kEdgeCodes[static_cast<std::size_t>(edge)];
}

}  // namespace

std::string writeLumber(const Job& job, const std::vector<Part>& parts) {
  const ListLengths length(job.unit);
  std::string out = length.unitLine() +
                    "code,name,assembly,qty,length,width,thickness,material,finish,note,"
                    "finished_length,finished_width\n";
  for (const Part& part : parts) {
    if (!part.lumber) continue;
    out += fmt::format("{},{},{},{},{},{},{},{},{},{},{},{}\n", csvText(part.code),
                       csvText(part.name), csvText(part.assembly), part.quantity,
                       length(part.cutLength()), length(part.cutWidth()), length(part.thickness),
                       csvText(findMaterial(job, part.material)->name), finishWord(part.finish),
                       csvText(part.note), length(part.length.total()), length(part.width.total()));
  }
  return out;
}

namespace {

// What of a machining the list says beside where it is measured from.
struct Sizes {
  std::optional<Length> radius;  // of corners, of a hole
  bool hasRectangle = false;     // that it takes, or its first and last point
  std::optional<Length> offset;  // from the inside face; of what is left where it begins
  Length width;
};

Sizes sizesOf(const Machining& cut) {
  Sizes out;
  out.width = cut.width;
  switch (cut.cut) {
    case MachiningKind::Bevel:
    case MachiningKind::Arc:
    case MachiningKind::Bulge:
      return out;
    case MachiningKind::RoundOver:
      out.radius = cut.width;
      return out;
    case MachiningKind::Chamfer:
      return out;
    case MachiningKind::Hole:
    case MachiningKind::HoleRow:
    case MachiningKind::PinHoles:
    case MachiningKind::HingeCup:
      out.radius = cut.width / 2;
      break;
    case MachiningKind::Recess:
      out.width = isEnd(cut.from) ? cut.u1 - cut.u0 : cut.v1 - cut.v0;
      out.radius = cut.width;
      break;
    case MachiningKind::RoundCorner:
    case MachiningKind::RoundEnd:
      out.radius = cut.width;
      break;
    case MachiningKind::EdgeGroove:
    case MachiningKind::ThicknessTaper:
      out.offset = cut.w0;
      break;
    default:
      break;
  }
  out.hasRectangle = true;
  return out;
}

}  // namespace

std::string writeMachining(const Job& job, const std::vector<Part>& parts) {
  const ListLengths length(job.unit);
  constexpr double kMillidegrees = 1000;
  const auto known = [&length](bool is, Length value) {
    return is ? length(value) : std::string();
  };
  std::string out = length.unitLine() +
                    "code,assembly,qty,hand,kind,face,receives,from,distance,width,depth,angle,"
                    "begin,end,through,count,pitch,radius,x_begin,x_end,y_begin,y_end,offset,"
                    "both_faces,assembled\n";
  for (const Part& part : parts)
    for (const Machining& cut : part.machining) {
      const bool angled = cut.angle != Angle{};
      const CutSpan span = spanOf(cut, part);
      const Sizes sizes = sizesOf(cut);
      const bool slants = cut.cut == MachiningKind::Taper;
      const SlantedEdge at =
          slants ? slantedEdge(cut, part) : SlantedEdge{cut.u0, cut.v0, cut.u1, cut.v1};
      out += fmt::format(
          "{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{}\n",
          csvText(part.code), csvText(part.assembly), part.quantity, handWord(part.hand),
          csvText(cutName(cut.cut)), cut.face == Face::Inside ? "inside" : "outside",
          csvText(cut.receives), edgeWord(cut.from), length(cut.distance), length(sizes.width),
          length(cut.depth),
          angled
              ? fmt::format("{}", static_cast<double>(cut.angle.inMillidegrees()) / kMillidegrees)
              : "",
          length(span.begin), length(span.end), goesThrough(cut, part) ? "yes" : "no",
          cut.holes > 0 ? std::to_string(cut.holes) : "", known(cut.holes > 1, cut.pitch),
          known(sizes.radius.has_value(), sizes.radius.value_or(Length{})),
          known(sizes.hasRectangle, at.u0), known(sizes.hasRectangle, at.u1),
          known(sizes.hasRectangle, at.v0), known(sizes.hasRectangle, at.v1),
          known(sizes.offset.has_value(), sizes.offset.value_or(Length{})),
          cut.bothFaces ? "yes" : "", cut.assembled ? "yes" : "");
    }
  return out;
}

std::string writeEdges(const Job& job, const std::vector<Part>& parts) {
  const ListLengths length(job.unit);
  std::string out = length.unitLine() + "code,assembly,qty,edge,looks,length,banding\n";
  for (const Part& part : parts)
    for (const Edge edge : kEdges) {
      const auto i = static_cast<std::size_t>(edge);
      const Banding* banding = findBanding(job, part.bands[i]);
      if (banding == nullptr) continue;
      out += fmt::format("{},{},{},{},{},{},{}\n", csvText(part.code), csvText(part.assembly),
                         part.quantity, edgeWord(edge), sideName(part.edges[i]),
                         length(shapedLength(part, edge)), csvText(banding->name));
    }
  return out;
}

std::string writeBought(const Job& job) {
  const ListLengths length(job.unit);
  const auto known = [&length](Length size) {
    return size > Length{} ? length(size) : std::string();
  };
  std::string out = length.unitLine() + "name,qty,price,material,length,width,note\n";
  for (const BoughtIn& one : job.bought) {
    const BoughtSize size = sizeOf(job, one);
    out += fmt::format("{},{},{},{},{},{},{}\n", csvText(one.name), one.quantity, format(one.price),
                       csvText(one.material), known(size.length), known(size.width),
                       csvText(boughtRemarks(job, one)));
  }
  return out;
}

std::string writeHardware(const Job& job, const std::vector<Part>& parts) {
  const ListLengths length(job.unit);
  std::string out = length.unitLine() + "kind,name,length,qty\n";
  for (const Fitting& one : fittingsOf(job, parts))
    out += fmt::format("{},{},{},{}\n", hardwareWord(one.kind), csvText(one.name),
                       one.length == Length{} ? "" : length(one.length), one.count);
  return out;
}

std::string writeFinishes(const Job& job, const std::vector<Part>& parts) {
  constexpr double kCm2PerM2 = 10'000;
  std::string out = "finish,area\n";
  for (const auto& [finish, area] : finishAreas(job, parts))
    out += fmt::format("{},{:.4f}\n", finishName(finish), static_cast<double>(area) / kCm2PerM2);
  return out;
}

}  // namespace pp
