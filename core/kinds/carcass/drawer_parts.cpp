#include <fmt/format.h>

#include "core/kinds/carcass/box_parts.h"
#include "core/kinds/carcass/pads.h"

namespace pp {
namespace {

// A blank is larger by this until its size was read off the work.
constexpr Length kWaitingAllowance = Length::mm(10);

class Boxes {
 public:
  Boxes(const PartBuilder& builder, const Carcass& carcass, const OpeningRect& leaf, BankKind kind)
      : builder_(builder),
        carcass_(carcass),
        rules_(carcass.drawers),
        leaf_(leaf),
        pass_(leaf.passage()),
        kind_(kind) {}

  Problems add(const DrawerPlan& drawer) {
    drawer_ = &drawer;
    if (kind_ == BankKind::Drawers)
      if (const Problems problems = front(); !problems.empty()) return problems;
    for (Part& part : boxParts(builder_, rules_, kind_, drawer.box,
                               {drawer.id, leaf_.path, drawer.boxX, drawer.boxY, drawer.boxZ})) {
      // All of the box but its sides follows from the opening's width.
      const bool follows = part.role == PartRole::BoxFront || part.role == PartRole::BoxBack ||
                           part.role == PartRole::BoxBottom;
      if (follows && drawer.waits) {
        part.waiting = true;
        part.oversize = kWaitingAllowance;
        part.oversizeWhy = "the opening is still to be read off the work";
      }
      if (follows) part.readOff = drawer.readOff;
      parts_.push_back(std::move(part));
    }
    if (rules_.running == Running::WoodenRunners) runners();
    if (drawer.slide != nullptr && drawer.slide->kind == SlideKind::Side) pads();
    return {};
  }

  std::vector<Part> take() { return std::move(parts_); }

 private:
  Part make(PartRole role, const std::string& material, Reason length, Reason width) const {
    Part part = builder_.board(role, builder_.material(role, drawer_->id, material),
                               std::move(length), std::move(width), boxName(kind_));
    part.opening = leaf_.path;
    part.keys.front().opening = drawer_->id;
    return part;
  }

  Problems front() {
    FrontRules rules = frontRules(carcass_, leaf_.path);
    rules.material = builder_.material(PartRole::DrawerFront, drawer_->id, rules.material);
    // A drawer too low for a frame has a plain front.
    if (drawer_->front.rect.height < 3 * rules.frameWidth) rules.style = FrontStyle::Slab;
    auto made = frontParts(builder_, rules, drawer_->front,
                           {PartRole::DrawerFront, drawer_->id, leaf_.path}, false);
    if (!made) return made.problems();
    for (Part& part : made.value()) {
      turnGrain(builder_, carcass_, leaf_.path, false, part);
      if (part.role == PartRole::DrawerFront || part.role == PartRole::DrawerFrontUpperRail) {
        const Length width = part.width.total();
        part.machining.push_back(opener(rules, part, Edge::L2, width - width / 2));
      }
      parts_.push_back(std::move(part));
    }
    return {};
  }

  void runners() {
    const Length begin = std::max(drawer_->boxY, leaf_.setIn);
    Part part = make(
        PartRole::BoxRunner, rules_.boxMaterial,
        Reason("box depth", drawer_->depth.total()).minus("before the case", begin - drawer_->boxY),
        Reason("runner height", rules_.runnerHeight));
    for (const bool left : {true, false}) {
      Part one = part;
      PartBuilder::place(one, {{left ? pass_.x + one.thickness : pass_.right() - one.thickness,
                                begin, drawer_->boxZ - rules_.runnerHeight},
                               kBackwards,
                               kUp,
                               left ? kLeft : kRight});
      parts_.push_back(one);
    }
  }

  void pads() {
    pad(pass_.x - leaf_.rect.x, true);
    pad(leaf_.rect.right() - pass_.right(), false);
  }

  // Brings one side of the opening flush with the frame, in layers of what the rack has.
  void pad(Length thick, bool left) {
    if (thick <= Length{}) return;
    const PadLayers layers = padLayers(builder_.job(), thick, carcass_.material);
    const Length begin = std::max(drawer_->boxY, leaf_.setIn);
    const Reason length = rules_.padLength > Length{}
                              ? Reason("pad length", rules_.padLength)
                              : Reason("slide length", drawer_->slide->length)
                                    .minus("before the case", begin - drawer_->boxY);
    Length from;  // the panel
    for (std::size_t i = 0; i < layers.materials.size(); ++i) {
      Part part = make(left ? PartRole::SlidePad : PartRole::RightSlidePad, layers.materials[i],
                       length, Reason("pad width", std::min(rules_.padWidth, drawer_->box.height)));
      part.note = fmt::format("on the {}", left ? "left" : "right");
      if (layers.materials.size() > 1)
        part.note += fmt::format(", one of {} layers", layers.materials.size());
      part.note += fmt::format("; {} in all", builder_.shown(thick));
      if (layers.sum < thick)
        part.note += fmt::format(", packed by {}", builder_.shown(thick - layers.sum));
      if (layers.sum > thick)
        part.note += fmt::format(", planed by {}", builder_.shown(layers.sum - thick));
      // The last one fills what is left, packed or planed.
      const bool last = i + 1 == layers.materials.size();
      if (last && layers.sum > thick) part.thickness = thick - from;
      const Length high = last ? thick : from + part.thickness;
      PartBuilder::place(
          part, {{left ? leaf_.rect.x + high : leaf_.rect.right() - high, begin, drawer_->boxZ},
                 kBackwards,
                 kUp,
                 left ? kLeft : kRight});
      from = high;
      parts_.push_back(part);
    }
  }

  const PartBuilder& builder_;
  const Carcass& carcass_;
  const DrawerRules& rules_;
  const OpeningRect& leaf_;
  FrontRect pass_;
  BankKind kind_;
  const DrawerPlan* drawer_ = nullptr;
  std::vector<Part> parts_;
};

}  // namespace

Result<std::vector<Part>> drawerParts(const PartBuilder& builder, const Carcass& carcass,
                                      const std::vector<DrawerPlan>& drawers,
                                      const OpeningRect& leaf) {
  const auto& bank = std::get<DrawerBank>(find(carcass.inside, leaf.path)->content);
  Boxes boxes(builder, carcass, leaf, bank.kind);
  for (const DrawerPlan& drawer : drawers)
    if (const Problems problems = boxes.add(drawer); !problems.empty()) return problems;
  return boxes.take();
}

}  // namespace pp
