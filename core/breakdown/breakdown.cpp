#include "core/breakdown/breakdown.h"

#include <fmt/format.h>

#include <algorithm>
#include <iterator>
#include <map>

#include "core/breakdown/carcass.h"
#include "core/breakdown/cleat.h"
#include "core/breakdown/frame.h"
#include "core/breakdown/kinds.h"
#include "core/breakdown/stand.h"

namespace pp {
namespace {

// Sizes that differ by less than this come from sharing out nanometres and are cut as one.
constexpr Length kSame = Length::um(1);

bool same(Length a, Length b) {
  return a - b < kSame && b - a < kSame;
}

bool same(const Machining& a, const Machining& b) {
  return a.cut == b.cut && a.face == b.face && a.receives == b.receives && same(a.u0, b.u0) &&
         same(a.u1, b.u1) && same(a.v0, b.v0) && same(a.v1, b.v1) && same(a.depth, b.depth) &&
         a.from == b.from && a.holes == b.holes && same(a.pitch, b.pitch) &&
         a.through == b.through && a.angle == b.angle && same(a.w0, b.w0) && same(a.width, b.width);
}

// Equal in everything but the place in the assembly.
bool sameBoard(const Part& a, const Part& b) {
  return a.run.empty() && b.run.empty() && a.name == b.name && a.hand == b.hand &&
         a.material == b.material && same(a.thickness, b.thickness) && a.finish == b.finish &&
         a.oversize == b.oversize && a.grain == b.grain &&
         same(a.length.total(), b.length.total()) && same(a.width.total(), b.width.total()) &&
         a.bands == b.bands &&
         std::equal(a.machining.begin(), a.machining.end(), b.machining.begin(), b.machining.end(),
                    [](const Machining& x, const Machining& y) { return same(x, y); });
}

std::vector<Part> grouped(const std::vector<Part>& parts) {
  std::vector<Part> out;
  for (const Part& part : parts) {
    const auto twin = std::find_if(out.begin(), out.end(),
                                   [&](const Part& other) { return sameBoard(other, part); });
    if (twin == out.end()) {
      out.push_back(part);
      continue;
    }
    twin->quantity += part.quantity;
    twin->poses.insert(twin->poses.end(), part.poses.begin(), part.poses.end());
    for (const Join& join : part.joins)
      if (std::find(twin->joins.begin(), twin->joins.end(), join) == twin->joins.end())
        twin->joins.push_back(join);
  }
  return out;
}

}  // namespace

namespace {

// Everything one assembly is made of, or what keeps it from being made.
class AssemblyBreaker {
 public:
  // `cut`: the job as the assembly's lot makes it.
  AssemblyBreaker(const Job& job, const Job& cut, const Assembly& assembly)
      : job_(job), assembly_(assembly), maker_(cut, assembly) {}

  Breakdown run() {
    std::visit([this](const auto& body) { breakDown(body); }, assembly_.body);
    for (Part& part : out_.parts) part.quantity *= assembly_.copies;
    return std::move(out_);
  }

 private:
  void trouble(const Problems& problems, const OpeningPath& path = {}, bool drawers = false) {
    for (const Problem& problem : problems)
      out_.troubles.push_back({assembly_.code, path, drawers, problem});
  }

  // Takes the parts over, or the problems; whether there were parts.
  bool take(Result<std::vector<Part>> parts, const OpeningPath& path = {}, bool drawers = false) {
    if (!parts) {
      trouble(parts.problems(), path, drawers);
      return false;
    }
    out_.parts.insert(out_.parts.end(), parts->begin(), parts->end());
    return true;
  }

  void breakDown(const Carcass& carcass) {
    const auto layout = layOut(job_, assembly_);
    if (!layout) return trouble(layout.problems());
    if (!take(carcassParts(maker_, carcass, layout.value()))) return;
    for (const OpeningRect& leaf : layout->leaves) {
      if (!std::holds_alternative<DrawerBank>(find(carcass.inside, leaf.path)->content)) continue;
      const auto drawers = planDrawers(maker_.job(), carcass, layout.value(), leaf);
      if (drawers)
        take(drawerParts(maker_, carcass, drawers.value(), leaf), leaf.path, true);
      else
        trouble(drawers.problems(), leaf.path, true);
    }
    for (const OpeningRect& door : layout->doors)
      take(doorParts(maker_, carcass, layout.value(), door), door.path);
    const CarcassGroup* group = groupOf(job_, assembly_.code);
    if (layout->frame && !(group != nullptr && group->frame))
      take(frameParts(maker_, carcass, layout.value()));
    if (carcass.stand && !(group != nullptr && group->stand))
      take(standParts(maker_, *carcass.stand, carcass, layout.value()));
    if (carcass.cleat) hang(carcass, *carcass.cleat, layout.value());
  }

  void hang(const Carcass& carcass, const Cleat& cleat, const CarcassLayout& layout) {
    const FrontRect& outer = layout.outer;
    const Length rear =
        layout.sideDepth +
        (carcass.back.school == BackSchool::Behind ? layout.backThickness : Length{});
    const Reason length("width", outer.width);
    auto part = cleatPart(maker_, cleat.material, length, cleat.height, outer.x, rear,
                          outer.top() - cleat.height);
    if (!part) return trouble(part.problems());
    out_.parts.push_back(std::move(part).value());
    out_.parts.push_back(
        spacerPart(maker_, cleat.material, length, cleat.height / 2, outer.x, rear, outer.z));
  }

  void breakDown(const CarcassGroup& group) { take(groupParts(maker_, group)); }
  void breakDown(const Top& top) { take(topParts(maker_, top, {})); }
  void breakDown(const BaseFrame& frame) { take(baseFrameParts(maker_, frame, {})); }
  void breakDown(const WallPanel& panel) { take(wallPanelParts(maker_, panel)); }
  void breakDown(const SeatBox& seat) { take(seatBoxParts(maker_, seat)); }
  void breakDown(const Platform& platform) { take(platformParts(maker_, platform)); }
  void breakDown(const Ring& ring) { take(ringParts(maker_, ring)); }
  void breakDown(const Boards& boards) { take(boardsParts(maker_, boards, assembly_.copies)); }

  const Job& job_;
  const Assembly& assembly_;
  Maker maker_;
  Breakdown out_;
};

// What the user has made other than the rules say.
void override(const Job& job, Part& part) {
  for (const PartOverride& one : job.overrides) {
    if (one.part != part.code) continue;
    part.overridden = one.why;
    if (one.length) part.length = Reason("set by hand", *one.length);
    if (one.width) part.width = Reason("set by hand", *one.width);
    if (one.grain)
      part.grain = *one.grain == BoardGrain::Length  ? PartGrain::Length
                   : *one.grain == BoardGrain::Width ? PartGrain::Width
                                                     : PartGrain::Any;
    if (!one.banding) continue;
    part.bandedLength = part.bandedWidth = Length{};
    for (const Edge edge : kEdges) {
      const auto i = static_cast<std::size_t>(edge);
      if (!part.exposed[i] && part.bands[i].empty()) continue;
      part.bands[i].clear();
      band(part, edge, findBanding(job, *one.banding));
    }
  }
}

}  // namespace

Breakdown breakDown(const Job& job, const Assembly& assembly) {
  const bool group = std::holds_alternative<CarcassGroup>(assembly.body);
  Breakdown out = assembly.lot.empty() || group
                      ? AssemblyBreaker(job, job, assembly).run()
                      : AssemblyBreaker(job, asCutFromLot(job, assembly), assembly).run();
  out.parts = grouped(out.parts);
  int number = 0;
  for (Part& part : out.parts) {
    part.code = fmt::format("{}-{:02}", assembly.code, ++number);
    override(job, part);
  }
  return out;
}

Breakdown breakDown(const Job& job) {
  Breakdown out;
  for (const Assembly& assembly : job.assemblies) {
    Breakdown one = breakDown(job, assembly);
    out.parts.insert(out.parts.end(), one.parts.begin(), one.parts.end());
    out.troubles.insert(out.troubles.end(), one.troubles.begin(), one.troubles.end());
  }
  Assembly none;
  none.code = kLooseCode;
  const Maker maker(job, none);
  int number = 0;
  for (const LooseBoard& board : job.loose) {
    auto part = boardPart(maker, board, 1);
    if (!part) {
      out.troubles.push_back({kLooseCode, {}, false, part.problems().front()});
      continue;
    }
    part.value().code = fmt::format("{}-{:02}", kLooseCode, ++number);
    override(job, part.value());
    out.parts.push_back(std::move(part).value());
  }
  return out;
}

std::vector<Part> sheetParts(const std::vector<Part>& parts) {
  std::vector<Part> out;
  std::copy_if(parts.begin(), parts.end(), std::back_inserter(out),
               [](const Part& part) { return !part.lumber; });
  return out;
}

std::vector<PartChange> changedParts(const std::vector<Part>& before,
                                     const std::vector<Part>& now) {
  std::map<std::string, const Part*> known;
  for (const Part& part : before) known[part.code] = &part;
  std::vector<PartChange> out;
  for (const Part& part : now) {
    const auto at = known.find(part.code);
    if (at == known.end() || at->second->name != part.name) continue;
    const Part& old = *at->second;
    if (old.cutLength() != part.cutLength() || old.cutWidth() != part.cutWidth())
      out.push_back({part.code, part.name, old.cutLength(), old.cutWidth(), part.cutLength(),
                     part.cutWidth()});
  }
  return out;
}

PartTotals totalsOf(const Job& job, const std::vector<Part>& parts) {
  PartTotals out;
  for (const Part& part : parts) {
    const std::int64_t n = part.quantity;
    out.pieces += n;
    if (part.lumber)
      out.bars += n * part.cutLength();
    else
      out.sheet += n * (part.cutLength() * part.cutWidth());
    for (const Edge edge : kEdges) {
      if (part.bands[static_cast<std::size_t>(edge)].empty()) continue;
      const bool along = edge == Edge::L1 || edge == Edge::L2;
      out.banding += n * (along ? part.length.total() : part.width.total());
    }
    out.grams += static_cast<double>(n) * (part.length.total() * part.width.total()).inM2() *
                 part.thickness.inMm() *
                 static_cast<double>(findMaterial(job, part.material)->density);
  }
  return out;
}

std::int64_t pieceCount(const std::vector<Part>& parts) {
  std::int64_t out = 0;
  for (const Part& part : parts) out += part.quantity;
  return out;
}

}  // namespace pp
