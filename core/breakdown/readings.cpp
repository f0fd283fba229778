#include "core/breakdown/readings.h"

#include <algorithm>

#include "core/breakdown/overrides.h"
#include "core/job/ids.h"

namespace pp {
namespace {

// The bank that waits for its opening to be read and has that drawer; null where none does.
DrawerBank* bankOf(Opening& opening, Id drawer) {
  if (auto* split = std::get_if<Split>(&opening.content)) {
    for (Opening& child : split->children)
      if (DrawerBank* bank = bankOf(child, drawer)) return bank;
    return nullptr;
  }
  auto* bank = std::get_if<DrawerBank>(&opening.content);
  if (bank == nullptr || !bank->waits) return nullptr;
  const bool has = std::any_of(bank->fronts.begin(), bank->fronts.end(),
                               [drawer](const Share& front) { return front.id == drawer; });
  return has ? bank : nullptr;
}

// All of a box but its sides follows from the opening's width.
bool followsOpening(PartRole role) {
  return role == PartRole::BoxFront || role == PartRole::BoxBack || role == PartRole::BoxBottom;
}

}  // namespace

std::optional<Reads> readsOf(const Job& job, const Part& part) {
  if (const PartOverride* made = overrideOf(job, part); made != nullptr && made->reads)
    return made->reads->ofWidth ? Reads::Width : Reads::Length;
  const Assembly* assembly = findAssembly(job, part.keys.front().assembly);
  if (assembly == nullptr || !assembly->isCarcass() || !followsOpening(part.role))
    return std::nullopt;
  Opening inside = assembly->carcass().inside;
  if (bankOf(inside, part.keys.front().opening) == nullptr) return std::nullopt;
  return Reads::OpeningWidth;
}

bool addReading(Job& job, const Part& part, Length reading) {
  const auto add = [reading](std::vector<Length>& readings) {
    if (readings.size() >= kMostReadings) return false;
    readings.push_back(reading);
    return true;
  };
  const auto reads = readsOf(job, part);
  if (!reads) return false;
  if (*reads != Reads::OpeningWidth) {
    bool added = false;
    for (PartOverride& one : job.overrides)
      if (one.reads && std::any_of(part.keys.begin(), part.keys.end(),
                                   [&](const PartKey& key) { return isAbout(one, key); }))
        added = add(one.reads->readings) || added;
    return added;
  }
  for (std::size_t i = 0; i < job.assemblies.size(); ++i) {
    if (std::as_const(job).assemblies[i].id != part.keys.front().assembly) continue;
    Opening& inside = job.assemblies[i].carcass().inside;
    DrawerBank* bank = bankOf(inside, part.keys.front().opening);
    return bank != nullptr && add(bank->readings);
  }
  return false;
}

}  // namespace pp
