#include "core/secondlook/floor_look.h"

#include <fmt/format.h>

namespace pp {
namespace {

std::string piecesOf(std::int64_t count) {
  return count == 1 ? "1 piece" : fmt::format("{} pieces", count);
}

std::string sizeOf(const Part& part, const LengthStyle& style) {
  return fmt::format("{} × {}", format(part.cutLength(), style), format(part.blank(), style));
}

// Of the same size it is the material or the grain that is another.
std::string drawnAs(const Job& job, const Part& was, const Part& now, const LengthStyle& style) {
  if (was.material == now.material && sizeOf(was, style) != sizeOf(now, style))
    return sizeOf(now, style);
  const Material* material = findMaterial(job, now.material);
  if (was.material != now.material && material != nullptr) return "of " + material->name;
  return "with its grain the other way";
}

}  // namespace

std::vector<Finding> lookAtFloor(const Job& job, const std::vector<Part>& drawn,
                                 const std::vector<Cutting>& cuttings,
                                 const floor::Progress& progress) {
  const LengthStyle style = styleOf(job);
  std::vector<Finding> out;
  for (const floor::Compared& one : floor::compared(drawn, cuttings, progress)) {
    if (one.fate == floor::Fate::Usable) continue;
    const Part& part = one.now != nullptr ? *one.now : *one.was;
    const std::string name = fmt::format("{} {}", one.was->code, one.was->name);
    Finding finding;
    finding.place.assembly = findAssembly(job, part.assembly) != nullptr ? part.assembly : "";
    if (one.now != nullptr) finding.place = {part.assembly, part.opening, part.code};
    if (one.fate == floor::Fate::Unwanted) {
      finding.severity = Severity::Tip;
      finding.what =
          fmt::format("{} is {} and drawn no more", name, one.cut > 0 ? "cut" : "at the saw");
      finding.why = fmt::format("{} would be left over.", piecesOf(one.cut + one.uncut));
      out.push_back(std::move(finding));
      continue;
    }
    finding.what =
        fmt::format("{} is {} {} and now drawn {}", name, one.cut > 0 ? "cut" : "at the saw as",
                    sizeOf(*one.was, style), drawnAs(job, *one.was, *one.now, style));
    finding.severity = Severity::Mind;
    if (one.cut > 0 && one.fate == floor::Fate::Trimmable)
      finding.why = fmt::format("{} can be trimmed.", piecesOf(one.cut));
    if (one.cut > 0 && one.fate == floor::Fate::Spoiled) {
      finding.severity = Severity::Stop;
      finding.why = fmt::format("{} cannot be used as drawn.", piecesOf(one.cut));
    }
    if (one.uncut > 0)
      finding.why += fmt::format(
          "{}{} will be cut as when the plan was taken; give the cutting up to lay them out anew.",
          finding.why.empty() ? "" : " ", piecesOf(one.uncut));
    out.push_back(std::move(finding));
  }
  return out;
}

}  // namespace pp
