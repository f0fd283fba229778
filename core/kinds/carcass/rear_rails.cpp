#include "core/kinds/carcass/rear_rails.h"

namespace pp {
namespace {

// Over the whole width.
FrontRect bandOf(const CarcassLayout& layout, const BackRail& rail) {
  return {layout.outer.x, layout.inner.z + rail.up, layout.outer.width, rail.width};
}

bool overlap(const FrontRect& a, const FrontRect& b) {
  return a.z < b.top() && b.z < a.top();
}

// What is under the top, or under the rail that stands there on edge.
Length roofOf(const Carcass& carcass, const CarcassLayout& layout) {
  if (carcass.top == TopConstruction::StandingRail && carcass.back.railPlace != RailPlace::Behind)
    return layout.outer.top() - carcass.stretcher;
  return carcass.top == TopConstruction::None ? layout.outer.top() : layout.inner.top();
}

// One in every bay between the uprights.
void layInBays(const FrontRect& band, CarcassLayout& layout) {
  Length from = layout.clear.x;
  const auto bay = [&](Length to) {
    if (to > from) layout.rails.push_back({from, band.z, to - from, band.height});
  };
  for (const PanelRect& panel : layout.panels) {
    if (panel.kind != PanelKind::Divider || !overlap(panel.rect, band)) continue;
    bay(panel.rect.x);
    from = panel.rect.right();
  }
  bay(layout.clear.right());
}

}  // namespace

bool hasBackRails(const Carcass& carcass) {
  return carcass.back.school == BackSchool::None && !carcass.back.rails.empty();
}

bool standBehind(const Carcass& carcass, const CarcassLayout& layout, const FrontRect& opening) {
  if (!hasBackRails(carcass) || carcass.back.railPlace == RailPlace::Behind) return false;
  for (const BackRail& rail : carcass.back.rails)
    if (overlap(bandOf(layout, rail), opening)) return true;
  return false;
}

Problems layRails(const Carcass& carcass, const LengthStyle& style, CarcassLayout& layout) {
  if (!hasBackRails(carcass)) return {};
  const auto show = [&style](Length length) { return formatWithUnit(length, style); };
  const RailPlace place = carcass.back.railPlace;
  Length above;
  for (const BackRail& rail : carcass.back.rails) {
    const FrontRect band = bandOf(layout, rail);
    const auto refused = [&](const std::string& found, const std::string& expected) {
      return Problems{{{}, 0, "back rail at " + show(rail.up), found, expected}};
    };
    if (rail.up < above)
      return refused(show(rail.width) + " wide", "rails from the bottom up, clear of one another");
    above = rail.up + rail.width;
    if (band.top() > roofOf(carcass, layout))
      return refused(show(rail.width) + " wide", "a rail under the top");
    if (layout.moulding && band.z < layout.moulding->z)
      return refused("behind it a moulding",
                     "at least " + show(layout.moulding->z - layout.inner.z) + " up");
    if (place != RailPlace::Behind)
      for (const PanelRect& panel : layout.panels)
        if (panel.kind == PanelKind::Shelf && overlap(panel.rect, band))
          return refused("a fixed shelf there", "a rail above or below it");
    if (place == RailPlace::PerBay)
      layInBays(band, layout);
    else
      layout.rails.push_back(band);
  }
  return {};
}

}  // namespace pp
