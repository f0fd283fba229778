// What can be asked of the pieces of a layout.
#include <algorithm>

#include "core/kinds/carcass/layout.h"

namespace pp {

PartRole PanelRect::role() const {
  switch (kind) {
    case PanelKind::LeftSide:
      return PartRole::LeftSide;
    case PanelKind::RightSide:
      return PartRole::RightSide;
    case PanelKind::Bottom:
      return PartRole::Bottom;
    case PanelKind::Top:
      return PartRole::Top;
    case PanelKind::FrontRail:
      return PartRole::FrontStretcher;
    case PanelKind::RearRail:
      return PartRole::RearStretcher;
    case PanelKind::Kick:
      return PartRole::KickBoard;
    case PanelKind::LeftLining:
      return PartRole::LeftLining;
    case PanelKind::RightLining:
      return PartRole::RightLining;
    case PanelKind::Divider:
      return PartRole::Divider;
    case PanelKind::Shelf:
      break;
  }
  return PartRole::FixedShelf;
}

bool PanelRect::upright() const {
  return kind == PanelKind::LeftSide || kind == PanelKind::RightSide ||
         kind == PanelKind::LeftLining || kind == PanelKind::RightLining ||
         kind == PanelKind::Divider;
}

const std::string& panelMaterial(const PartChoices& choices, PartRole role, Id after, int layer,
                                 const std::string& ruled) {
  const PartOverride* one = choices.of(role, after, layer);
  return one != nullptr && one->material ? *one->material : ruled;
}

std::vector<Length> sizesAsTyped(const CarcassLayout& layout, const Carcass& carcass,
                                 const OpeningPath& path) {
  const auto& split = std::get<Split>(find(carcass.inside, path)->content);
  const bool across = split.by == SplitBy::Dividers;
  std::vector<Length> low(split.children.size()), high(split.children.size());
  std::vector<bool> seen(split.children.size());
  for (const OpeningRect& leaf : layout.leaves) {
    if (leaf.path.size() <= path.size() || !std::equal(path.begin(), path.end(), leaf.path.begin()))
      continue;
    const FrontRect& r = split.byFrame && layout.frame ? leaf.face : leaf.rect;
    const std::size_t i = leaf.path[path.size()];
    const Length from = across ? r.x : r.z;
    const Length to = across ? r.right() : r.top();
    low[i] = seen[i] ? std::min(low[i], from) : from;
    high[i] = seen[i] ? std::max(high[i], to) : to;
    seen[i] = true;
  }
  std::vector<Length> out;
  for (std::size_t i = 0; i < low.size(); ++i) out.push_back(high[i] - low[i]);
  return out;
}

const PanelRect* panelOf(const CarcassLayout& layout, PanelKind kind) {
  const auto at = std::find_if(layout.panels.begin(), layout.panels.end(),
                               [kind](const PanelRect& one) { return one.kind == kind; });
  return at == layout.panels.end() ? nullptr : &*at;
}

Length thicknessOf(const CarcassLayout& layout, PanelKind kind) {
  const PanelRect* panel = panelOf(layout, kind);
  return panel == nullptr ? Length{} : panel->thickness;
}

FrontRect OpeningRect::passage() const {
  const Length x = std::max(rect.x, face.x);
  const Length z = std::max(rect.z, face.z);
  return {x, z, std::min(rect.right(), face.right()) - x, std::min(rect.top(), face.top()) - z};
}

}  // namespace pp
