#include "core/secondlook/way_look.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>
#include <tuple>

#include "core/assembly/sections.h"
#include "core/breakdown/split_case.h"
#include "core/job/ids.h"

namespace pp {
namespace {

std::string named(const Gate& gate) {
  return gate.name.empty() ? "the " + gateWords(gate.kind) : gate.name;
}

const char* isTooMuch(GateKind kind) {
  switch (kind) {
    case GateKind::People:
      return "is too heavy for";
    case GateKind::Flat:
      return "is longer than";
    default:
      return "does not come through";
  }
}

// A length that can be typed and sawn: whole centimetres, or half inches.
Length rounded(Length length, Unit unit) {
  const Length step = usual(unit, Length::mm(10), Length::in(0, 1, 2));
  return length.inNm() / step.inNm() * step;
}

std::int64_t piecesOf(const Job& job, const std::vector<Id>& assemblies) {
  std::int64_t out = 0;
  for (const Id id : assemblies) out += pieceCount(breakDown(job, *findAssembly(job, id)).parts);
  return out;
}

// As several cases side by side, and how many parts that makes of how many.
std::optional<Fix> beside(const Job& job, const Section& section, Length longest) {
  Job tried = job;
  if (!splitCase(tried, section.assembly, longest)) return std::nullopt;
  std::vector<Id> now;
  for (std::size_t i = job.assemblies.size(); i < tried.assemblies.size(); ++i)
    now.push_back(std::as_const(tried).assemblies[i].id);
  const auto cases = 1 + std::count_if(now.begin(), now.end(), [&tried](Id id) {
                       return findAssembly(tried, id)->isCarcass();
                     });
  const Id first = findAssembly(job, section.assembly)->id;
  now.push_back(first);
  return Fix{fmt::format("Build it as {} cases side by side, screwed together in place: {} parts "
                         "become {}",
                         cases, piecesOf(job, {first}), piecesOf(tried, now)),
             [section, longest](Job& fixed) { splitCase(fixed, section.assembly, longest); }};
}

std::optional<Fix> shorter(const Job& job, const Section& section, Length longest) {
  if (section.kind == SectionKind::Case) return beside(job, section, longest);
  const Assembly* known = findAssembly(job, section.assembly);
  if (known == nullptr) return std::nullopt;
  if (section.kind == SectionKind::Frame || section.kind == SectionKind::Top) {
    const auto gluing = joinedInPlace(job, section, longest);
    if (!gluing) return std::nullopt;
    return Fix{"Carry it in sections of at most " + formatWithUnit(longest, styleOf(job)) +
                   ", joined in place",
               [gluing](Job& fixed) { fixed.gluing = *gluing; }};
  }
  Assembly tried = *known;
  if (!shorten(tried, section.kind, longest)) return std::nullopt;
  return Fix{"Build it in sections of at most " + formatWithUnit(longest, styleOf(job)),
             [section, longest](Job& fixed) {
               for (std::size_t i = 0; i < fixed.assemblies.size(); ++i)
                 if (std::as_const(fixed).assemblies[i].code == section.assembly)
                   shorten(fixed.assemblies[i], section.kind, longest);
             }};
}

}  // namespace

std::vector<Finding> checkWayIn(const Job& job, const Breakdown& breakdown) {
  std::vector<Finding> out;
  if (job.route.empty()) return out;
  const LengthStyle style = styleOf(job);
  std::set<std::tuple<std::string, SectionKind, std::size_t>> said;
  for (const Section& section : sectionsOf(job, breakdown)) {
    for (std::size_t i = 0; i < job.route.size(); ++i) {
      const Gate& gate = job.route[i];
      if (passes(section.load, gate) || !said.insert({section.assembly, section.kind, i}).second)
        continue;
      Finding finding;
      finding.place = {section.assembly, {}, {}};
      const bool stops = gate.kind != GateKind::People && gate.kind != GateKind::Flat;
      finding.severity = stops ? Severity::Stop : Severity::Mind;
      finding.what = fmt::format("{}: {} {} {}", section.assembly, section.what,
                                 isTooMuch(gate.kind), named(gate));
      const Length most = longestThrough(section.load, gate);
      const auto& box = section.load.box;
      const std::string size = fmt::format("{} × {} × {}", format(box[0], style),
                                           format(box[1], style), formatWithUnit(box[2], style));
      finding.why =
          most > Length{}
              ? fmt::format("It is {}; {} shorter it would, turned and tilted as the way allows.",
                            size, formatWithUnit(box[0] - most, style))
              : fmt::format("It is {}, and would not however short: it must come in parts.", size);
      const Length all = rounded(longestThrough(section.load, job.route), job.unit);
      if (all > Length{}) finding.fix = shorter(job, section, all);
      out.push_back(std::move(finding));
    }
  }
  return out;
}

}  // namespace pp
