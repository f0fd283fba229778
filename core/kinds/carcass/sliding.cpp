#include "core/kinds/carcass/sliding.h"

#include <algorithm>

namespace pp {
namespace {

constexpr const char* kPanel = "sliding panel";

constexpr Length kIn = Length::mm(6);              // of the first groove, behind the front edges
constexpr Length kEase = Length::mm(1);            // a groove is so much wider than its panel
constexpr Length kBetweenGrooves = Length::mm(4);  // two grooves
constexpr Length kAir = Length::mm(1);             // above a panel that stands in the upper groove
constexpr Length kLap = Length::mm(25);
constexpr Length kFingerHole = Length::mm(25);

// Where a panel's groove begins.
Length trackAt(Length thickness, std::size_t track) {
  return kIn + static_cast<std::int64_t>(track) * (thickness + kEase + kBetweenGrooves);
}

// Behind the panels' front edges, or behind a frame that stands on a tongue.
Length tracksBegin(const CarcassLayout& layout) {
  return layout.frame ? std::max(Length{}, layout.frameFront + layout.frameThickness) : Length{};
}

// What bounds the opening below or above; none where nothing does so over its whole width.
std::optional<std::size_t> lyingAt(const CarcassLayout& layout, const FrontRect& r, bool below) {
  for (std::size_t i = 0; i < layout.panels.size(); ++i) {
    const PanelRect& panel = layout.panels[i];
    const FrontRect& p = panel.rect;
    if (panel.upright() || panel.kind == PanelKind::Kick || panel.kind == PanelKind::RearRail)
      continue;
    if ((below ? p.top() == r.z : p.z == r.top()) && p.x <= r.x && r.right() <= p.right()) return i;
  }
  return std::nullopt;
}

}  // namespace

bool isSliding(const Part& part) {
  return part.name == kPanel;
}

Length slidingThickness(const Job& job, const PartChoices& choices, const Carcass& carcass,
                        Id first) {
  const auto thick = [&](PartRole role) {
    return findMaterial(job, choices.material(role, first, carcass.fronts.material))->measured;
  };
  return std::max(thick(PartRole::LeftDoor), thick(PartRole::RightDoor));
}

Length slidingDepth(Length thickness) {
  return trackAt(thickness, 1) + thickness + kEase;
}

std::vector<FrontRect> slidingRects(const Carcass& carcass, const OpeningRect& door) {
  const FrontRect& r = door.rect;
  const Length groove = carcass.fronts.slideGroove;
  const Length width = (r.width + kLap) / 2;
  const Length height = r.height + 2 * groove - kAir;
  return {{r.x, r.z - groove, width, height}, {r.right() - width, r.z - groove, width, height}};
}

Result<std::vector<Part>> slidingParts(const PartBuilder& builder, const Carcass& carcass,
                                       const CarcassLayout& layout, const OpeningRect& door) {
  const FrontRules& rules = carcass.fronts;
  const Length thick = slidingThickness(builder.job(), builder.choices(), carcass, door.id);
  const std::vector<FrontRect> rects = slidingRects(carcass, door);
  std::vector<Part> out;
  for (std::size_t i = 0; i < rects.size(); ++i) {
    const PartRole role = i == 0 ? PartRole::LeftDoor : PartRole::RightDoor;
    Part part = builder.board(role, builder.material(role, door.id, rules.material),
                              Reason("clear height", door.rect.height)
                                  .plus("lower groove", rules.slideGroove, 2)
                                  .minus("air", kAir),
                              Reason("clear width", door.rect.width).plus("lap", kLap).shared(2));
    part.name = kPanel;
    part.show = Face::Outside;
    part.opening = door.path;
    part.keys.front().opening = door.id;
    if (rules.finish) part.finish = *rules.finish;
    const bool front = (i == 0) != find(carcass.inside, door.path)->door->rightInFront;
    const Length y =
        tracksBegin(layout) + trackAt(thick, front ? 0 : 1) + kEase / 2 + part.thickness;
    PartBuilder::place(part, {{rects[i].x, y, rects[i].z}, kUp, kRight, kForwards});
    // Near the edge that is pushed.
    Machining hole;
    hole.cut = MachiningKind::Hole;
    hole.receives = "finger";
    hole.u0 = hole.u1 = part.length.total() / 2;
    hole.distance = std::min(rules.pullFromEdge, part.width.total() / 2);
    hole.from = i == 0 ? Edge::L1 : Edge::L2;
    hole.v0 = hole.v1 = i == 0 ? hole.distance : part.width.total() - hole.distance;
    hole.width = kFingerHole;
    hole.depth = part.thickness;
    hole.holes = 1;
    part.machining.push_back(std::move(hole));
    out.push_back(std::move(part));
  }
  return out;
}

Problems cutSlidingGrooves(const PartBuilder& builder, const Carcass& carcass,
                           const CarcassLayout& layout, std::vector<Part>& panels) {
  const Length groove = carcass.fronts.slideGroove;
  for (const OpeningRect& door : layout.doors) {
    if (find(carcass.inside, door.path)->door->hinge != Hinge::Sliding) continue;
    const FrontRect& r = door.rect;
    const Length thick = slidingThickness(builder.job(), builder.choices(), carcass, door.id);
    for (const bool below : {true, false}) {
      const auto at = lyingAt(layout, r, below);
      if (!at)
        return {cannot("sliding panels", below ? "nothing below them" : "nothing above them",
                       "a panel over the whole width that their groove is cut into")};
      const PanelRect& panel = layout.panels[*at];
      Part& part = panels[*at];
      const Length depth = below ? groove : 2 * groove;
      if (depth >= part.thickness)
        return {cannot("sliding panels", "a groove " + builder.shown(depth) + " deep",
                       "less than the thickness of " + builder.shown(part.thickness) + " of the " +
                           part.name)};
      const bool under = panel.kind == PanelKind::Shelf && !below;
      const Pose& pose = part.poses.front();
      const bool whole = panel.rect.x == r.x && panel.rect.right() == r.right();
      for (std::size_t track = 0; track < 2; ++track) {
        const Length v0 = tracksBegin(layout) + trackAt(thick, track) - pose.origin[1];
        if (v0 < Length{} || v0 + thick + kEase > part.width.total())
          return {cannot("sliding panels", "their groove beside the " + part.name,
                         "a panel that reaches as far as they do")};
        Machining cut = grooveAlong(part, "sliding panel", v0, thick + kEase, depth,
                                    under ? Face::Outside : Face::Inside);
        if (!whole) {
          cut.u0 = r.x - pose.origin[0];
          cut.u1 = r.right() - pose.origin[0];
          cut.through = false;
        }
        part.machining.push_back(std::move(cut));
      }
    }
  }
  return {};
}

}  // namespace pp
