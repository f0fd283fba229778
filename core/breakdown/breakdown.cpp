#include "core/breakdown/breakdown.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/breakdown/carcass.h"
#include "core/breakdown/loose.h"

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
         a.from == b.from && a.holes == b.holes && same(a.pitch, b.pitch) && a.through == b.through;
}

// Equal in everything but the place in the assembly.
bool sameBoard(const Part& a, const Part& b) {
  return a.run.empty() && b.run.empty() && a.name == b.name && a.hand == b.hand &&
         a.material == b.material && same(a.length.total(), b.length.total()) &&
         same(a.width.total(), b.width.total()) && a.bands == b.bands &&
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
  }
  return out;
}

}  // namespace

Breakdown breakDown(const Job& job, const Assembly& assembly) {
  Breakdown out;
  const auto trouble = [&](const Problems& problems, const OpeningPath& path, bool drawers) {
    for (const Problem& problem : problems)
      out.troubles.push_back({assembly.code, path, drawers, problem});
  };
  const auto layout = layOut(job, assembly.carcass);
  if (!layout) {
    trouble(layout.problems(), {}, false);
    return out;
  }
  auto carcass = carcassParts(job, assembly, layout.value());
  if (!carcass) {
    trouble(carcass.problems(), {}, false);
    return out;
  }
  std::vector<Part> parts = std::move(carcass).value();
  for (const OpeningRect& leaf : layout->leaves) {
    if (!std::holds_alternative<DrawerBank>(find(assembly.carcass.inside, leaf.path)->content))
      continue;
    const auto drawers = planDrawers(job, assembly.carcass, layout.value(), leaf);
    if (!drawers) {
      trouble(drawers.problems(), leaf.path, true);
      continue;
    }
    const std::vector<Part> boxes = drawerParts(job, assembly, drawers.value(), leaf);
    parts.insert(parts.end(), boxes.begin(), boxes.end());
  }
  out.parts = grouped(parts);
  int number = 0;
  for (Part& part : out.parts) part.code = fmt::format("{}-{:02}", assembly.code, ++number);
  return out;
}

Breakdown breakDown(const Job& job) {
  Breakdown out;
  for (const Assembly& assembly : job.assemblies) {
    Breakdown one = breakDown(job, assembly);
    out.parts.insert(out.parts.end(), one.parts.begin(), one.parts.end());
    out.troubles.insert(out.troubles.end(), one.troubles.begin(), one.troubles.end());
  }
  int number = 0;
  for (const LooseBoard& board : job.loose) {
    auto part = loosePart(job, board);
    if (!part) {
      out.troubles.push_back({kLooseCode, {}, false, part.problems().front()});
      continue;
    }
    part.value().code = fmt::format("{}-{:02}", kLooseCode, ++number);
    out.parts.push_back(std::move(part).value());
  }
  return out;
}

std::int64_t pieceCount(const std::vector<Part>& parts) {
  std::int64_t out = 0;
  for (const Part& part : parts) out += part.quantity;
  return out;
}

}  // namespace pp
