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
