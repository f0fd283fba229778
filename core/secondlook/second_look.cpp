#include "core/secondlook/second_look.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <map>
#include <utility>

#include "core/length/format.h"
#include "core/secondlook/clash_look.h"
#include "core/secondlook/site_look.h"
#include "core/secondlook/way_look.h"

namespace pp {
namespace {

Assembly* assemblyIn(Job& job, const std::string& code) {
  for (std::size_t i = 0; i < job.assemblies.size(); ++i)
    if (std::as_const(job).assemblies[i].code == code) return &job.assemblies[i];
  return nullptr;
}

struct Nearest {
  bool stocked = false;  // there is a piece of the material
  bool fits = false;
  Length overLength;  // along the part's length, at the nearest piece
  Length overWidth;
};

// Compares a part with every piece of its material in every direction it may lie.
Nearest nearestPiece(const Job& job, const Part& part) {
  Nearest out;
  for (const StockPiece& piece : job.stock) {
    if (piece.material != part.material || piece.quantity == 0) continue;
    const Length trim =
        piece.trim.value_or(piece.kind == StockKind::Sheet ? job.saw.trim : Length{});
    for (const bool turned : {false, true}) {
      const bool free = part.grain == PartGrain::Any || piece.grain == SheetGrain::None;
      const bool alongX = (part.grain == PartGrain::Length) == (piece.grain == SheetGrain::Length);
      if (!free && turned == alongX) continue;
      const Length overLength = part.cutLength() + 2 * trim - (turned ? piece.width : piece.length);
      const Length overWidth = part.cutWidth() + 2 * trim - (turned ? piece.length : piece.width);
      const auto over = [](Length a, Length b) {
        return std::max(a, Length{}) + std::max(b, Length{});
      };
      if (!out.stocked || over(overLength, overWidth) < over(out.overLength, out.overWidth)) {
        out.overLength = overLength;
        out.overWidth = overWidth;
      }
      out.stocked = true;
      out.fits = out.fits || (overLength <= Length{} && overWidth <= Length{});
    }
  }
  return out;
}

// A back is the one panel whose grain may be turned without being seen to be wrong.
std::optional<Fix> turnedBack(const Job& job, const Part& part) {
  const Assembly* assembly = findAssembly(job, part.assembly);
  if (assembly == nullptr || !assembly->isCarcass()) return std::nullopt;
  Part turned = part;
  turned.grain = PartGrain::Any;
  if (!nearestPiece(job, turned).fits) return std::nullopt;
  return Fix{"Run the back's grain across", [code = part.assembly](Job& fixed) {
               assemblyIn(fixed, code)->carcass().back.grain = PanelGrain::Across;
             }};
}

}  // namespace

std::vector<Finding> checkPartFitsSheet(const Job& job, const Breakdown& breakdown) {
  std::vector<Finding> out;
  const LengthStyle style = styleOf(job);
  for (const Part& part : breakdown.parts) {
    if (part.lumber) continue;
    const Nearest nearest = nearestPiece(job, part);
    if (nearest.fits) continue;
    const Material& material = *findMaterial(job, part.material);
    const std::string what = fmt::format("{} {}", material.name, format(material.nominal, style));
    Finding finding;
    finding.severity = Severity::Stop;
    finding.place = {part.assembly, part.opening, part.code};
    if (!nearest.stocked) {
      finding.what = fmt::format("No {} for {} {}", what, part.code, part.name);
      finding.why =
          "The rack has no sheet or offcut of that material that the part may be cut from.";
    } else {
      const bool byLength = nearest.overLength > Length{};
      const Length over = byLength ? nearest.overLength : nearest.overWidth;
      finding.what =
          fmt::format("{} {} is larger than every sheet of {}", part.code, part.name, what);
      finding.why =
          fmt::format("It would fit if it were {} {}; with its grain it cannot be turned.",
                      formatWithUnit(over, style), byLength ? "shorter" : "narrower");
      if (part.grain == PartGrain::Any)
        finding.why = fmt::format("It would fit if it were {} {}.", formatWithUnit(over, style),
                                  byLength ? "shorter" : "narrower");
    }
    if (part.role == PartRole::Back) finding.fix = turnedBack(job, part);
    out.push_back(finding);
  }
  return out;
}

std::vector<Finding> checkPartFitsBar(const Job& job, const Breakdown& breakdown) {
  std::vector<Finding> out;
  const LengthStyle style = styleOf(job);
  for (const Part& part : breakdown.parts) {
    if (!part.lumber) continue;
    std::optional<Length> longest;
    for (const StockPiece& bar : job.stock)
      if (bar.material == part.material && bar.width >= part.cutWidth() && bar.quantity != 0)
        longest = std::max(longest.value_or(Length{}), bar.length);
    if (longest && part.cutLength() <= *longest) continue;
    const Material& material = *findMaterial(job, part.material);
    Finding finding;
    finding.severity = Severity::Stop;
    finding.place = {part.assembly, part.opening, part.code};
    if (longest) {
      finding.what =
          fmt::format("{} {} is longer than every bar of {}", part.code, part.name, material.name);
      finding.why = fmt::format("It would fit if it were {} shorter.",
                                formatWithUnit(part.cutLength() - *longest, style));
    } else {
      finding.what = fmt::format("No bar of {} for {} {}", material.name, part.code, part.name);
      finding.why =
          fmt::format("The rack has none that is {} wide.", formatWithUnit(part.cutWidth(), style));
    }
    out.push_back(finding);
  }
  return out;
}

std::vector<Finding> checkDrawerStacks(const Job& job, const Breakdown& breakdown) {
  std::vector<Finding> out;
  for (const Trouble& trouble : breakdown.troubles) {
    if (!trouble.drawers) continue;
    Finding finding;
    finding.severity = Severity::Stop;
    finding.place = {trouble.assembly, trouble.opening, {}};
    finding.what = fmt::format("The drawers of {} do not go in", trouble.assembly);
    finding.why =
        fmt::format("There is {}; it takes {}.", trouble.problem.found, trouble.problem.expected);
    const auto edit = [code = trouble.assembly, path = trouble.opening](Job& fixed) {
      Assembly& assembly = *assemblyIn(fixed, code);
      Opening opening = *find(assembly.carcass().inside, path);
      auto& bank = std::get<DrawerBank>(opening.content);
      bank.boxHeight.reset();
      for (Share& share : bank.fronts) share.fixed.reset();
      assembly.carcass().inside = replaced(assembly.carcass().inside, path, opening);
    };
    Job fixed = job;
    edit(fixed);
    const Breakdown again = breakDown(fixed, *assemblyIn(fixed, trouble.assembly));
    const bool cured =
        std::none_of(again.troubles.begin(), again.troubles.end(),
                     [&](const Trouble& other) { return other.opening == trouble.opening; });
    if (cured) finding.fix = Fix{"Share the fronts equally", edit};
    out.push_back(finding);
  }
  return out;
}

std::vector<Finding> checkExposedEdges(const Job& job, const Breakdown& breakdown) {
  struct Bare {
    std::int64_t pieces = 0;
    std::string example;
  };
  std::map<std::string, std::array<Bare, 2>> bareOf;  // per assembly: of the case, of the fronts
  for (const Part& part : breakdown.parts)
    for (std::size_t i = 0; i < part.exposed.size(); ++i) {
      if (!part.exposed[i] || !part.bands[i].empty()) continue;
      Bare& bare = bareOf[part.assembly][isFront(part.role) ? 1 : 0];
      bare.pieces += part.quantity;
      if (bare.example.empty()) bare.example = part.code;
    }
  std::vector<Finding> out;
  for (const Assembly& assembly : job.assemblies)
    for (const bool fronts : {false, true}) {
      const auto known = bareOf.find(assembly.code);
      if (known == bareOf.end()) continue;
      const Bare& bare = known->second[fronts ? 1 : 0];
      if (bare.pieces == 0) continue;
      Finding finding;
      finding.place = {assembly.code, {}, bare.example};
      finding.what =
          fmt::format("{} {} of {} show bare plies", bare.pieces,
                      fronts ? "edges of doors and drawer fronts" : "front edges", assembly.code);
      finding.why = "They are seen when the cabinet stands, and no banding is chosen for them.";
      if (!job.bandings.empty() && assembly.isCarcass()) {
        finding.fix = Fix{"Band them with " + job.bandings.front().name,
                          [fronts, code = assembly.code, id = job.bandings.front().id](Job& fixed) {
                            Carcass& carcass = assemblyIn(fixed, code)->carcass();
                            (fronts ? carcass.fronts.banding : carcass.banding) = id;
                          }};
      }
      out.push_back(finding);
    }
  return out;
}

// A lot was measured, and what is drawn has neither its thickness nor that of another one.
std::vector<Finding> checkLots(const Job& job, const Breakdown& breakdown) {
  constexpr std::int64_t kUnlimited = 1'000'000'000;
  std::vector<Finding> out;
  const LengthStyle style = styleOf(job);
  for (const Material& material : job.materials) {
    std::map<Length, const StockPiece*> measured;
    for (const StockPiece& piece : job.stock)
      if (piece.material == material.id && piece.measured && piece.quantity != 0)
        measured.emplace(*piece.measured, &piece);
    const auto isNominal = [&](const Part& part) {
      return part.assembly != kLooseCode && part.material == material.id && part.lot.empty() &&
             part.thickness == material.measured && measured.count(part.thickness) == 0;
    };
    if (measured.empty()) continue;
    const auto at = std::find_if(breakdown.parts.begin(), breakdown.parts.end(), isNominal);
    if (at == breakdown.parts.end()) continue;
    std::string lots;
    const StockPiece* most = measured.begin()->second;
    for (const auto& [thick, piece] : measured) {
      lots += fmt::format("{}{}{}", lots.empty() ? "" : ", ", formatWithUnit(thick, style),
                          piece->lot.empty() ? "" : " in lot " + piece->lot);
      if (!piece->lot.empty() && (most->lot.empty() || piece->quantity.value_or(kUnlimited) >
                                                           most->quantity.value_or(kUnlimited)))
        most = piece;
    }
    Finding finding;
    finding.severity = Severity::Mind;
    finding.place = {at->assembly, {}, at->code};
    finding.what = fmt::format("{} was measured {}; {} is cut for {}", material.name, lots,
                               at->code, formatWithUnit(at->thickness, style));
    finding.why = "Dados and everything between two panels come out wrong by the difference.";
    if (!most->lot.empty())
      finding.fix =
          Fix{fmt::format("Cut all of it from lot {}", most->lot), [lot = most->lot](Job& fixed) {
                for (std::size_t i = 0; i < fixed.assemblies.size(); ++i)
                  if (std::as_const(fixed).assemblies[i].lot.empty()) fixed.assemblies[i].lot = lot;
              }};
    out.push_back(std::move(finding));
  }
  return out;
}

std::vector<Finding> checkEdging(const Job& job, const Breakdown&) {
  std::vector<Finding> out;
  const LengthStyle style = styleOf(job);
  for (const Assembly& assembly : job.assemblies) {
    const Top* top = std::get_if<Top>(&assembly.body);
    if (top == nullptr || top->edging == Length{}) continue;
    const Material* material = findMaterial(job, top->edgingMaterial);
    // Lumber is planed to what is wanted.
    if (material == nullptr || material->lumber) continue;
    const Length thick = cutThickness(job, *material, assembly.lot);
    if (thick == top->edging) continue;
    Finding finding;
    finding.place = {assembly.code, {}, {}};
    finding.what = fmt::format("The edging of {} is {} thick, its material {}", assembly.code,
                               formatWithUnit(top->edging, style), formatWithUnit(thick, style));
    finding.why =
        "A strip of that material stands out or back by the difference, and the top is "
        "cut to the wrong size for it.";
    finding.fix =
        Fix{"Make the edging as thick as its material", [code = assembly.code, thick](Job& fixed) {
              std::get<Top>(assemblyIn(fixed, code)->body).edging = thick;
            }};
    out.push_back(std::move(finding));
  }
  return out;
}

std::vector<Finding> checkReadings(const Job& job, const Breakdown& breakdown) {
  constexpr Length kOff = Length::mm(1);
  const LengthStyle style = styleOf(job);
  std::vector<Finding> out;
  std::map<std::string, std::pair<std::int64_t, std::string>> waiting;
  for (const Part& part : breakdown.parts) {
    if (part.waiting) {
      auto& [pieces, example] = waiting[part.assembly];
      pieces += part.quantity;
      if (example.empty()) example = part.code;
    }
    const Length off = part.readOff < Length{} ? -part.readOff : part.readOff;
    if (off <= kOff) continue;
    Finding finding;
    finding.place = {part.assembly, part.opening, part.code};
    finding.what =
        fmt::format("{} {} was read {} {} than worked out", part.code, part.name,
                    formatWithUnit(off, style), part.readOff < Length{} ? "smaller" : "larger");
    finding.why = "Read it again before it is cut: what it goes into may be out of square.";
    out.push_back(std::move(finding));
  }
  for (const auto& [assembly, of] : waiting) {
    Finding finding;
    finding.severity = Severity::Tip;
    finding.place = {assembly, {}, of.second};
    finding.what = fmt::format("{} pieces of {} wait for a reading", of.first, assembly);
    finding.why =
        "They are laid out as larger blanks; type the readings when what they go into stands.";
    out.push_back(std::move(finding));
  }
  return out;
}

std::vector<Finding> checkSlideEnds(const Job& job, const Breakdown& breakdown) {
  const LengthStyle style = styleOf(job);
  const auto rearOf = [](const Part& part) {
    return part.poses.front().place(part.board()).high[1];
  };
  std::vector<Finding> out;
  for (const Part& pad : breakdown.parts) {
    if ((pad.role != PartRole::SlidePad && pad.role != PartRole::RightSlidePad) ||
        pad.poses.empty() || std::any_of(out.begin(), out.end(), [&pad](const Finding& finding) {
          return finding.place.assembly == pad.assembly;
        }))
      continue;
    const auto side =
        std::find_if(breakdown.parts.begin(), breakdown.parts.end(), [&pad](const Part& part) {
          return part.role == PartRole::BoxLeftSide && part.assembly == pad.assembly &&
                 !part.poses.empty() && part.keys.front().opening == pad.keys.front().opening;
        });
    if (side == breakdown.parts.end()) continue;
    // A box is as long as its slide.
    const Length over = rearOf(*side) - rearOf(pad);
    if (over <= Length::mm(1)) continue;
    Finding finding;
    finding.place = {pad.assembly, pad.opening, pad.code};
    finding.what = fmt::format("The slides of {} end {} behind their pads", pad.assembly,
                               formatWithUnit(over, style));
    finding.why = "Their rear ends have nothing to be screwed into.";
    const Assembly* assembly = findAssembly(job, pad.assembly);
    if (assembly != nullptr && assembly->isCarcass() &&
        assembly->carcass().drawers.padLength > Length{})
      finding.fix = Fix{"Make the pads as long as the slides", [code = pad.assembly](Job& fixed) {
                          assemblyIn(fixed, code)->carcass().drawers.padLength = Length{};
                        }};
    out.push_back(std::move(finding));
  }
  return out;
}

std::vector<Finding> checkSubstitutes(const Job& job, const Breakdown& breakdown) {
  const LengthStyle style = styleOf(job);
  std::vector<Finding> out;
  for (const Part& part : breakdown.parts) {
    if (!part.anySuch) continue;
    const Length nominal = findMaterial(job, part.material)->nominal;
    for (const StockPiece& piece : job.stock) {
      const Material& other = *findMaterial(job, piece.material);
      const Length thick = piece.measured.value_or(other.measured);
      const bool holds =
          std::max(piece.length, piece.width) >= std::max(part.cutLength(), part.cutWidth()) &&
          std::min(piece.length, piece.width) >= std::min(part.cutLength(), part.cutWidth());
      if (piece.kind != StockKind::Offcut || piece.quantity == 0 || other.lumber ||
          other.nominal != nominal || thick == part.thickness || !holds)
        continue;
      Finding finding;
      finding.severity = Severity::Tip;
      finding.place = {part.assembly, part.opening, part.code};
      finding.what = fmt::format("{} {} would come from the offcut {}, which is {} thick",
                                 part.code, part.name, piece.mark, formatWithUnit(thick, style));
      finding.why =
          part.joins.empty()
              ? std::string("Nothing it meets depends on its thickness.")
              : fmt::format("What takes its {} would follow: choose that material for the part.",
                            part.joins.front().kind == JoinKind::Dado ? "edges in dados" : "ends");
      out.push_back(std::move(finding));
      break;
    }
  }
  return out;
}

std::vector<Finding> checkBuildable(const Job&, const Breakdown& breakdown) {
  std::vector<Finding> out;
  for (const Trouble& trouble : breakdown.troubles) {
    if (trouble.drawers) continue;
    Finding finding;
    finding.severity = Severity::Stop;
    finding.place = {trouble.assembly, trouble.opening, {}};
    finding.what = fmt::format("{} cannot be built as drawn", trouble.assembly);
    finding.why = fmt::format("The {}: {}; it takes {}.", trouble.problem.field,
                              trouble.problem.found, trouble.problem.expected);
    out.push_back(finding);
  }
  return out;
}

std::vector<Finding> secondLook(const Job& job, const Breakdown& breakdown) {
  std::vector<Finding> out;
  for (const auto& check :
       {checkBuildable, checkPartFitsSheet, checkPartFitsBar, checkDrawerStacks, checkExposedEdges,
        checkLots, checkEdging, checkReadings, checkSlideEnds, checkSubstitutes, checkSite,
        checkClashes, checkWayIn}) {
    const std::vector<Finding> found = check(job, breakdown);
    out.insert(out.end(), found.begin(), found.end());
  }
  std::stable_sort(out.begin(), out.end(),
                   [](const Finding& a, const Finding& b) { return a.severity < b.severity; });
  return out;
}

}  // namespace pp
