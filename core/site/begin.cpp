#include "core/site/begin.h"

#include <algorithm>

namespace pp {

void setKind(Site& site, SiteKind kind, Unit unit) {
  site.kind = kind;
  for (const WallAt wall : wallsOf(kind)) {
    if (std::any_of(site.walls.begin(), site.walls.end(),
                    [wall](const SiteWall& one) { return one.at == wall; }))
      continue;
    site.walls.push_back(wallAt(site, wall));
  }
  std::erase_if(site.sizes, [](const SiteSize& size) { return size.read == SizeRead{}; });
  // Back in the order of the tape, what else was read after it.
  std::vector<SiteSize> sizes = sizesToRead(kind, unit);
  for (const SiteSize& known : site.sizes) {
    const auto at = std::find_if(sizes.begin(), sizes.end(), [&known](const SiteSize& one) {
      return one.kind == known.kind && one.wall == known.wall && one.at == known.at;
    });
    if (at == sizes.end())
      sizes.push_back(known);
    else
      *at = known;
  }
  site.sizes = std::move(sizes);
}

void setKind(Gate& gate, GateKind kind) {
  const std::string name = gate.name;
  gate = {};
  gate.kind = kind;
  gate.name = name;
  const auto mm = [](int value) { return Length::mm(value); };
  switch (kind) {
    case GateKind::Door:
      gate.width = mm(762);
      gate.height = mm(1'981);
      return;
    case GateKind::Corridor:
      gate.width = mm(900);
      gate.height = mm(2'400);
      return;
    case GateKind::Stair:
      gate.width = gate.depth = mm(800);
      gate.height = mm(2'000);
      gate.turns = 1;
      gate.pitch = Angle::degrees(38);
      return;
    case GateKind::Lift:
      gate.width = mm(1'100);
      gate.depth = mm(1'400);
      gate.height = mm(2'100);
      return;
    case GateKind::Van:
      gate.width = mm(1'300);
      gate.depth = mm(2'500);
      gate.height = mm(1'400);
      return;
    case GateKind::People:
      gate.people = 2;
      gate.grams = 25'000;
      return;
    case GateKind::Flat:
      gate.width = mm(2'440);
      return;
  }
}

}  // namespace pp
