#include "core/assembly/sections.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "core/assembly/installing.h"
#include "core/kinds/kind.h"

namespace pp {
namespace {

using bench::Carried;
using bench::Carry;

class Sections {
 public:
  Sections(const Job& job, const Breakdown& breakdown)
      : job_(job), parts_(breakdown.parts), pieces_(bench::piecesAtBench({}, {}, parts_)) {}

  std::vector<Section> run() {
    const std::vector<Carried> all =
        bench::carriedOf(bench::assemblyOrder(pieces_, job_), pieces_, job_);
    std::set<std::string> carried;
    std::map<std::string, Load> loose;
    for (const Carried& one : all) {
      carried.insert(one.assembly);
      carried.insert(one.of);
      if (one.kind == Carry::Drawer || bends(pieces_[one.row].part, one.pieces.size())) continue;
      const bool apart = isApart(one, all);
      if (isLoose(one.kind) && !(one.kind == Carry::Panel && apart))
        bundle(loose[one.of], pieces_[one.row].part);
      else
        put(one, apart);
    }
    // What has no place in the drawing is carried board by board.
    for (const Part& part : parts_)
      if (carried.count(part.assembly) == 0 && !isOfBox(part.role))
        bundle(loose[part.assembly], part);
    for (const auto& [assembly, load] : loose)
      out_.push_back({assembly, SectionKind::Loose, "the largest of its loose pieces", load, {}});
    return std::move(out_);
  }

 private:
  static bool isLoose(Carry kind) {
    return kind == Carry::Panel || kind == Carry::Shelf || kind == Carry::Front ||
           kind == Carry::Cleat;
  }
  // Of what is joined in place there are several.
  static bool isApart(const Carried& one, const std::vector<Carried>& all) {
    const auto goesWithIt = [&one](const Carried& other) {
      return other.of == one.of && other.assembly == one.assembly &&
             (one.kind == Carry::Panel || other.kind == one.kind || other.kind == Carry::Panel);
    };
    return !one.joinedThere.empty() && std::count_if(all.begin(), all.end(), goesWithIt) > 1;
  }
  // An edging by itself goes round every corner.
  static bool bends(const Part& part, std::size_t pieces) {
    constexpr Length kThin = Length::mm(12), kNarrow = Length::mm(100);
    return pieces == 1 && std::min(part.thickness, part.width.total()) <= kThin &&
           std::max(part.thickness, part.width.total()) <= kNarrow;
  }

  // As long as the longest of them, as wide as the widest, as thick as the thickest, as heavy as
  // the heaviest.
  void bundle(Load& load, const Part& part) const {
    const std::array<Length, 3> sides = {part.length.total(), part.width.total(), part.thickness};
    for (std::size_t i = 0; i < sides.size(); ++i) load.box[i] = std::max(load.box[i], sides[i]);
    load.grams = std::max<std::int64_t>(load.grams, std::llround(gramsOf(job_, part)));
  }

  void put(const Carried& one, bool isApart) {
    const Assembly* assembly = findAssembly(job_, one.kind == Carry::Case ? one.assembly : one.of);
    if (assembly == nullptr) return;
    Section out;
    out.assembly = assembly->code;
    std::tie(out.kind, out.what) = kindOf(one, *assembly, isApart);
    out.load.grams = std::llround(one.grams);
    const bool turned =
        out.kind != SectionKind::Case && out.kind != SectionKind::Loose && one.depth > one.width;
    out.load.box = {turned ? one.depth : one.width, turned ? one.width : one.depth, one.height};
    if (out.kind == SectionKind::Top || out.kind == SectionKind::Frame)
      for (const bench::PieceAt& at : one.pieces) {
        const Part& part = pieces_[at.row].part;
        const Box room = part.poses[at.pose].place(part.board());
        const std::size_t axis = turned ? 1 : 0;
        out.pieces.push_back({bench::keyAt(part, at.pose), room.low[axis], room.high[axis]});
      }
    const bool isKnown = std::any_of(out_.begin(), out_.end(), [&out](const Section& other) {
      return other.assembly == out.assembly && other.kind == out.kind &&
             other.load.box == out.load.box && other.load.grams == out.load.grams;
    });
    if (!isKnown) out_.push_back(std::move(out));
  }
  static std::pair<SectionKind, const char*> kindOf(const Carried& one, const Assembly& assembly,
                                                    bool isApart) {
    switch (one.kind) {
      case Carry::Panel:
        return {SectionKind::Loose, "a part of it, put together there"};
      case Carry::Base:
        return {SectionKind::Base, "a section of its base"};
      case Carry::Top:
        return {SectionKind::Top, isApart ? "a piece of its top" : "its top"};
      case Carry::Frame:
        return {SectionKind::Frame, isApart ? "a section of its face frame" : "its face frame"};
      default:
        break;
    }
    switch (pp::kindOf(assembly).installing.carried) {
      case CarriedAs::Case:
        if (isApart) return {SectionKind::Loose, "a part of it, put together there"};
        return {SectionKind::Case, "the case"};
      case CarriedAs::Bench:
        return {SectionKind::Bench, "a section of it"};
      case CarriedAs::Platform:
        return {SectionKind::Box, "a box of it"};
      case CarriedAs::Base:
        return {SectionKind::Base, "a section of its base"};
      case CarriedAs::Top:
        return {SectionKind::Top, isApart ? "a piece of its top" : "its top"};
      default:
        return {SectionKind::Whole, "it"};
    }
  }

  const Job& job_;
  const std::vector<Part>& parts_;
  std::vector<bench::Pieces> pieces_;
  std::vector<Section> out_;
};

}  // namespace

std::vector<Section> sectionsOf(const Job& job, const Breakdown& breakdown) {
  return Sections(job, breakdown).run();
}

std::optional<std::vector<JointGluing>> joinedInPlace(const Job& job, const Section& section,
                                                      Length longest) {
  std::vector<Section::Piece> row = section.pieces;
  std::stable_sort(row.begin(), row.end(), [](const Section::Piece& a, const Section::Piece& b) {
    return std::pair(a.from, a.to) < std::pair(b.from, b.to);
  });
  std::vector<std::size_t> of(row.size(), 0);
  std::size_t sections = 0;
  std::optional<Length> begin;
  for (std::size_t i = 0; i < row.size(); ++i) {
    // One that is longer goes alone.
    if (row[i].to - row[i].from > longest) {
      of[i] = row.size() + i;
      continue;
    }
    if (!begin || row[i].to - *begin > longest) ++sections, begin = row[i].from;
    of[i] = sections;
  }
  std::vector<JointGluing> out = job.gluing;
  bool any = false;
  for (std::size_t a = 0; a < row.size(); ++a)
    for (std::size_t b = a + 1; b < row.size(); ++b) {
      if (of[a] == of[b] || row[b].from > row[a].to) continue;
      const auto isSaid = [&](const JointGluing& one) {
        return std::minmax(one.part, one.mate) == std::minmax(row[a].key, row[b].key);
      };
      any = true;
      if (std::none_of(out.begin(), out.end(), isSaid))
        out.push_back({row[a].key, row[b].key, Gluing::InPlace});
    }
  return any && out.size() > job.gluing.size() ? std::optional(std::move(out)) : std::nullopt;
}

bool shorten(Assembly& assembly, SectionKind kind, Length longest) {
  constexpr Length kLeast = Length::mm(300);
  if (longest < kLeast) return false;
  switch (kind) {
    case SectionKind::Base:
      if (auto* frame = std::get_if<BaseFrame>(&assembly.body))
        return frame->longest = longest, true;
      if (auto* group = std::get_if<CarcassGroup>(&assembly.body); group != nullptr && group->stand)
        return group->stand->longest = longest, true;
      if (assembly.isCarcass() && assembly.carcass().stand)
        return assembly.carcass().stand->longest = longest, true;
      return false;
    case SectionKind::Top:
      if (auto* top = std::get_if<Top>(&assembly.body)) {
        if (top->build == TopBuild::GluedUp) return false;
        return top->longest = longest, true;
      }
      if (auto* group = std::get_if<CarcassGroup>(&assembly.body);
          group != nullptr && group->top && group->top->build != TopBuild::GluedUp)
        return group->top->longest = longest, true;
      return false;
    case SectionKind::Bench:
      return std::get<SeatBox>(assembly.body).longest = longest, true;
    case SectionKind::Box: {
      auto& platform = std::get<Platform>(assembly.body);
      const std::int64_t across = (platform.width.inNm() + longest.inNm() - 1) / longest.inNm();
      constexpr std::int64_t kMost = 20;
      if (across > kMost) return false;
      return platform.across = static_cast<int>(across), true;
    }
    case SectionKind::Case:
    case SectionKind::Frame:
    case SectionKind::Whole:
    case SectionKind::Loose:
      break;
  }
  return false;
}

}  // namespace pp
