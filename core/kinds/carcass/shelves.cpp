#include "core/kinds/carcass/shelves.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/kinds/carcass/meetings.h"
#include "core/kinds/carcass/sizes.h"

namespace pp {
namespace {

class ShelfFiller {
 public:
  ShelfFiller(const PartBuilder& builder, const Carcass& carcass, const CarcassLayout& layout,
              std::vector<Part>& panels)
      : builder_(builder), carcass_(carcass), layout_(layout), panels_(panels) {}

  Result<std::vector<Part>> run() {
    for (const OpeningRect& leaf : layout_.leaves) fill(leaf);
    if (!problems_.empty()) return problems_;
    return std::move(shelves_);
  }

 private:
  Part board(PartRole role, const OpeningRect& leaf, Reason length, Reason width) const {
    Part part = builder_.board(role, builder_.material(role, leaf.id, carcass_.material),
                               std::move(length), std::move(width));
    part.opening = leaf.path;
    part.keys.front().opening = leaf.id;
    return part;
  }

  void fill(const OpeningRect& leaf) {
    const OpeningContent& content = find(carcass_.inside, leaf.path)->content;
    if (const auto* pins = std::get_if<AdjustableShelves>(&content))
      shelves(leaf, pins->count, true);
    if (const auto* loose = std::get_if<LooseShelves>(&content)) shelves(leaf, loose->count, false);
    const bool drawers = std::holds_alternative<DrawerBank>(content);
    if (nailingStrip() > Length{} && !drawers) strips(leaf);
    if (carcass_.back.school == BackSchool::None && carcass_.back.rails.empty()) rails(leaf);
  }

  // A rail on edge stands before the back at the top of the opening, or where it is said.
  Length railBehind(const OpeningRect& leaf) const {
    const bool upmost = leaf.rect.top() == layout_.clear.top();
    if (upmost && carcass_.top == TopConstruction::StandingRail)
      return std::max(leaf.behind, thicknessOf(layout_, PanelKind::RearRail));
    if (upmost && carcass_.back.school == BackSchool::None && carcass_.back.rails.empty())
      return builder_.thickness(PartRole::RearRail, leaf.id, carcass_.material);
    return leaf.behind;
  }

  void shelves(const OpeningRect& leaf, int count, bool pinned) {
    const ShelfRules& rules = carcass_.shelves;
    const Length front = rules.setBack + leaf.setIn;
    const Length behind = railBehind(leaf);
    Part part = board(pinned ? PartRole::AdjustableShelf : PartRole::LooseShelf, leaf,
                      adjustableShelfLength(leaf.rect.width, rules),
                      adjustableShelfDepth(layout_.clearDepth, rules)
                          .minus("behind the door", leaf.setIn)
                          .minus("rear rail", behind));
    // Between two shelves there must be room for what hangs under one.
    const Length t = part.thickness;
    const Length air = leaf.rect.height - count * t;
    const Length under = (pinned ? rules.lip : rules.ledge) + nailingStrip();
    // A strip on either side carries a loose one.
    const Length ledge = builder_.thickness(PartRole::ShelfSupport, leaf.id, carcass_.material);
    const bool tooNarrow = !pinned && leaf.rect.width <= 2 * ledge;
    if (air <= (count + 1) * under || tooNarrow || part.length.total() <= Length{} ||
        part.width.total() <= Length{}) {
      problems_.push_back(
          cannot(pinned ? "adjustable shelves" : "loose shelves",
                 fmt::format("{} in an opening {} high and {} wide", count,
                             builder_.shown(leaf.rect.height), builder_.shown(leaf.rect.width)),
                 "fewer shelves or a larger opening"));
      return;
    }
    part.quantity = count;
    const Length space = air / (count + 1);
    if (layout_.moulding && leaf.rect.z + space < layout_.moulding->z + under) {
      problems_.push_back(cannot(pinned ? "adjustable shelves" : "loose shelves",
                                 "the lowest before the moulding",
                                 "fewer shelves, or a lower moulding"));
      return;
    }
    Part strip = board(PartRole::ShelfSupport, leaf,
                       Reason("inside depth", layout_.clearDepth)
                           .minus("clearance", rules.clearance)
                           .minus("set-back", rules.setBack)
                           .minus("behind the door", leaf.setIn)
                           .minus("rear rail", behind),
                       Reason("strip", rules.ledge));
    Part lip = board(PartRole::ShelfLip, leaf, part.length, Reason("lip height", rules.lip));
    strip.quantity = 2 * count;
    lip.quantity = count;
    for (int i = 0; i < count; ++i) {
      const Length z = leaf.rect.z + (i + 1) * space + i * t;  // underside
      PartBuilder::place(
          part, {{leaf.rect.x + rules.clearance / 2, front, z + t}, kRight, kBackwards, kDown});
      for (const bool left : {true, false})
        PartBuilder::place(strip, {{left ? leaf.rect.x + ledge : leaf.rect.right() - ledge, front,
                                    z - strip.width.total()},
                                   kBackwards,
                                   kUp,
                                   left ? kLeft : kRight});
      PartBuilder::place(lip,
                         {{leaf.rect.x + rules.clearance / 2, front + lip.thickness, z - rules.lip},
                          kRight,
                          kUp,
                          kForwards});
    }
    builder_.show(part, Side::Front, carcass_.banding);
    shelves_.push_back(part);
    if (rules.lip > Length{} && pinned) {
      builder_.show(lip, Side::Bottom, carcass_.banding);
      shelves_.push_back(lip);
    }
    if (!pinned) {
      shelves_.push_back(strip);
      return;
    }
    pins(leaf, upright(layout_, leaf.rect.x, leaf.rect.z, true));
    pins(leaf, upright(layout_, leaf.rect.right(), leaf.rect.z, false));
  }

  void pins(const OpeningRect& leaf, const std::optional<Meets>& meets) {
    const ShelfRules& rules = carcass_.shelves;
    const Length low = aboveMoulding(leaf.rect.z);
    const PinRow row = pinRow(leaf.rect.top() - low, rules.pinPitch);
    if (!meets || row.holes == 0) return;
    Part& part = panels_[meets->panel];
    Machining holes;
    holes.cut = MachiningKind::PinHoles;
    holes.face = meets->face;
    holes.receives = "adjustable shelf";
    holes.u0 = low + row.first - part.poses.front().origin[2];
    holes.u1 = holes.u0 + (row.holes - 1) * rules.pinPitch;
    holes.depth = rules.pinDepth;
    holes.from = Edge::L1;
    holes.width = rules.pinDiameter;
    holes.holes = row.holes;
    holes.pitch = rules.pinPitch;
    holes.through = false;
    for (const Length v : {leaf.setIn + rules.pinSetBack, layout_.clearDepth - rules.pinSetBack}) {
      holes.v0 = holes.v1 = holes.distance = v - part.poses.front().origin[1];
      part.machining.push_back(holes);
    }
  }

  Length aboveMoulding(Length z) const {
    return layout_.moulding ? std::max(z, layout_.moulding->z) : z;
  }

  // How wide strips are that a back between the sides is nailed to; 0: there are none.
  Length nailingStrip() const {
    return carcass_.back.school == BackSchool::Between ? carcass_.back.strip : Length{};
  }

  // Above and below in every opening.
  void strips(const OpeningRect& leaf) {
    const Length wide = nailingStrip();
    if (leaf.rect.top() - aboveMoulding(leaf.rect.z) < 3 * wide) return;
    const bool rail =
        carcass_.top == TopConstruction::StandingRail && leaf.rect.top() == layout_.clear.top();
    Part part = board(PartRole::NailingStrip, leaf, Reason("clear width", leaf.rect.width),
                      Reason("strip", wide));
    part.quantity = rail ? 1 : 2;
    for (const Length z : {leaf.rect.z, leaf.rect.top() - wide})
      if (z == leaf.rect.z || !rail)
        PartBuilder::place(
            part, {{leaf.rect.x, layout_.clearDepth, aboveMoulding(z)}, kRight, kUp, kForwards});
    shelves_.push_back(part);
  }

  // Rails that keep a case without a back square.
  void rails(const OpeningRect& leaf) {
    const Length height = carcass_.stretcher;
    if (leaf.rect.top() != layout_.clear.top() || leaf.rect.height < 2 * height ||
        carcass_.top == TopConstruction::StandingRail)
      return;
    Part part = board(PartRole::RearRail, leaf, Reason("clear width", leaf.rect.width),
                      Reason("stretcher width", height));
    PartBuilder::place(
        part,
        {{leaf.rect.x, layout_.clearDepth, leaf.rect.top() - height}, kRight, kUp, kForwards});
    shelves_.push_back(part);
  }

  const PartBuilder& builder_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
  std::vector<Part>& panels_;
  std::vector<Part> shelves_;  // and strips
  Problems problems_;
};

}  // namespace

Result<std::vector<Part>> shelfParts(const PartBuilder& builder, const Carcass& carcass,
                                     const CarcassLayout& layout, std::vector<Part>& panels) {
  return ShelfFiller(builder, carcass, layout, panels).run();
}

}  // namespace pp
