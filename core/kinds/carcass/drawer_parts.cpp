#include <fmt/format.h>

#include "core/kinds/carcass/drawer.h"
#include "core/kinds/carcass/pads.h"

namespace pp {
namespace {

class Boxes {
 public:
  Boxes(const Maker& maker, const Carcass& carcass, const OpeningRect& leaf, BankKind kind)
      : maker_(maker),
        carcass_(carcass),
        rules_(carcass.drawers),
        leaf_(leaf),
        pass_(leaf.passage()),
        kind_(kind) {}

  Problems add(const DrawerPlan& drawer, int order, bool matched) {
    drawer_ = &drawer;
    sizes_ = drawerBoxSizes(drawer.box, rules_);
    if (kind_ == BankKind::Drawers)
      if (const Problems problems = front(order, matched); !problems.empty()) return problems;
    const std::size_t first = parts_.size();
    side(true);
    side(false);
    boxFront();
    boxBack();
    bottom();
    if (kind_ == BankKind::Platforms)
      for (std::size_t i = first; i < parts_.size(); ++i) turnOver(parts_[i]);
    if (rules_.running == Running::WoodenRunners) runners();
    if (drawer.slide != nullptr && drawer.slide->kind == SlideKind::Side) pads();
    return {};
  }

  std::vector<Part> take() { return std::move(parts_); }

 private:
  bool is(DrawerSchool school) const { return rules_.school == school; }
  const DrawerBox& box() const { return drawer_->box; }
  // The bottom lies in grooves of the sides.
  bool grooved() const { return !is(DrawerSchool::Brads); }
  Length lift() const { return grooved() ? Length{} : box().bottom; }

  Part make(PartRole role, const std::string& material, Reason length, Reason width) const {
    const char* thing = kind_ == BankKind::Trays       ? "tray"
                        : kind_ == BankKind::Platforms ? "pull-out"
                                                       : "drawer";
    Part part = maker_.board(role, material, std::move(length), std::move(width), thing);
    part.opening = leaf_.path;
    part.keys.front().opening = drawer_->id;
    return part;
  }

  Point at(Length x, Length y, Length z) const {
    return {drawer_->boxX + x, drawer_->boxY + y, drawer_->boxZ + z};
  }

  Problems front(int order, bool matched) {
    FrontRules rules = carcass_.fronts;
    // A drawer too low for a frame has a plain front.
    if (drawer_->front.rect.height < 3 * rules.frameWidth) rules.style = FrontStyle::Slab;
    auto made = frontParts(maker_, rules, drawer_->front,
                           {PartRole::DrawerFront, drawer_->id, leaf_.path}, false);
    if (!made) return made.problems();
    for (Part& part : made.value()) {
      if (matched && part.role == PartRole::DrawerFront) {
        part.run = maker_.assembly().code + "-fronts";
        for (const std::size_t index : leaf_.path) part.run += fmt::format("-{}", index + 1);
        part.runOrder = order;
      }
      if (part.role == PartRole::DrawerFront || part.role == PartRole::DrawerFrontUpperRail) {
        const Length width = part.width.total();
        part.machining.push_back(opener(rules, part, Edge::L2, width - width / 2));
      }
      parts_.push_back(std::move(part));
    }
    return {};
  }

  Machining groove(const Part& part) const {
    return grooveAlong(part, "drawer bottom", rules_.grooveUp, box().bottom, rules_.grooveDepth);
  }

  void side(bool left) {
    Part part = make(left ? PartRole::BoxLeftSide : PartRole::BoxRightSide, rules_.boxMaterial,
                     sizes_.sideLength, sizes_.sideHeight);
    part.hand = left ? Hand::Left : Hand::Right;
    const bool rabbeted = is(DrawerSchool::RabbetedFront);
    const Length y = rabbeted                 ? box().front - rules_.frontRabbet
                     : is(DrawerSchool::Over) ? box().front
                                              : Length{};
    Maker::place(part, {at(left ? box().side : box().width - box().side, y, lift()), kBackwards,
                        kUp, left ? kLeft : kRight});
    if (grooved()) part.machining.push_back(groove(part));
    if (rabbeted)
      part.machining.push_back(dadoAcross(part, "drawer back",
                                          box().depth - rules_.backSetIn - box().front - y,
                                          box().front, rules_.backDado));
    if (!grooved() || is(DrawerSchool::Over)) part.hand = Hand::None;
    if (rabbeted) part.joins.push_back({Edge::W1, JoinKind::Rabbet, "box front"});
    if (is(DrawerSchool::Over)) {
      part.joins.push_back({Edge::W1, JoinKind::Butt, "box front"});
      part.joins.push_back({Edge::W2, JoinKind::Butt, "box back"});
    }
    parts_.push_back(part);
  }

  void boxFront() {
    Part part =
        make(PartRole::BoxFront, rules_.boxMaterial, sizes_.frontLength, sizes_.frontHeight);
    const bool whole = is(DrawerSchool::RabbetedFront) || is(DrawerSchool::Over);
    Maker::place(part,
                 {at(whole ? Length{} : box().side, box().front, lift()), kRight, kUp, kForwards});
    if (grooved()) part.machining.push_back(groove(part));
    // Where the front runs past the sides, its groove stops at them.
    if (is(DrawerSchool::Over)) stopGroove(part);
    if (is(DrawerSchool::RabbetedFront)) {
      stopGroove(part);
      part.machining.push_back(
          dadoAcross(part, "drawer left side", Length{}, box().side, rules_.frontRabbet));
      part.machining.push_back(dadoAcross(part, "drawer right side",
                                          part.length.total() - box().side, box().side,
                                          rules_.frontRabbet));
    }
    joinToSides(part);
    parts_.push_back(part);
  }

  // Ends of the box's front and back that meet the sides.
  void joinToSides(Part& part) const {
    const bool back = part.role == PartRole::BoxBack;
    if (is(DrawerSchool::Over) || (is(DrawerSchool::RabbetedFront) && !back)) return;
    const JoinKind kind = is(DrawerSchool::RabbetedFront) ? JoinKind::Dado
                          : is(DrawerSchool::Brads)       ? JoinKind::Brads
                                                          : JoinKind::Butt;
    part.joins.push_back({Edge::W1, kind, "left box side"});
    part.joins.push_back({Edge::W2, kind, "right box side"});
  }

  void stopGroove(Part& part) const {
    Machining& cut = part.machining.back();
    cut.u0 = box().side - rules_.grooveDepth;
    cut.u1 = part.length.total() - cut.u0;
    cut.through = false;
  }

  void boxBack() {
    Part part = make(PartRole::BoxBack, rules_.boxMaterial, sizes_.backLength, sizes_.backHeight);
    const Length rear = box().depth - box().front;
    switch (rules_.school) {
      case DrawerSchool::RabbetedFront:
        Maker::place(part, {at(box().side - rules_.backDado, rear - rules_.backSetIn,
                               rules_.grooveUp + box().bottom),
                            kRight, kUp, kBackwards});
        break;
      case DrawerSchool::CutDownBack:
        Maker::place(
            part, {at(box().side, rear, rules_.grooveUp + box().bottom), kRight, kUp, kBackwards});
        break;
      default:
        Maker::place(part, {at(is(DrawerSchool::Over) ? Length{} : box().side, rear, lift()),
                            kRight, kUp, kBackwards});
        if (grooved()) part.machining.push_back(groove(part));
        if (is(DrawerSchool::Over)) stopGroove(part);
        break;
    }
    joinToSides(part);
    parts_.push_back(part);
  }

  void bottom() {
    Part part =
        make(PartRole::BoxBottom, rules_.bottomMaterial, sizes_.bottomWidth, sizes_.bottomDepth);
    part.grain = PartGrain::Any;
    if (!grooved()) {
      Maker::place(part, {at(Length{}, Length{}, box().bottom), kRight, kBackwards, kDown});
    } else {
      const Length ease = rules_.bottomClearance / 2;
      const bool slidesIn = is(DrawerSchool::RabbetedFront) || is(DrawerSchool::CutDownBack);
      Maker::place(part, {at(box().side - rules_.grooveDepth + ease,
                             box().front - rules_.grooveDepth + (slidesIn ? Length{} : ease),
                             rules_.grooveUp + box().bottom),
                          kRight, kBackwards, kDown});
    }
    parts_.push_back(part);
  }

  // Half a turn about the line from front to back through the box's middle.
  void turnOver(Part& part) const {
    const Length x = 2 * drawer_->boxX + box().width;
    const Length z = 2 * drawer_->boxZ + box().height;
    for (Pose& pose : part.poses) {
      pose.origin[0] = x - pose.origin[0];
      pose.origin[2] = z - pose.origin[2];
      for (Direction* direction : {&pose.u, &pose.v, &pose.w})
        if (direction->axis != Axis::Y) direction->sign = -direction->sign;
    }
    const std::vector<Pose> poses = std::move(part.poses);
    part.poses.clear();
    for (const Pose& pose : poses) Maker::place(part, pose);
  }

  void runners() {
    const Length begin = std::max(drawer_->boxY, leaf_.setIn);
    Part part = make(
        PartRole::BoxRunner, rules_.boxMaterial,
        Reason("box depth", drawer_->depth.total()).minus("before the case", begin - drawer_->boxY),
        Reason("runner height", rules_.runnerHeight));
    for (const bool left : {true, false}) {
      Part one = part;
      Maker::place(one, {{left ? pass_.x + one.thickness : pass_.right() - one.thickness, begin,
                          drawer_->boxZ - rules_.runnerHeight},
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
    const PadLayers layers = padLayers(maker_.job(), thick, carcass_.material);
    const Length begin = std::max(drawer_->boxY, leaf_.setIn);
    const Reason length = rules_.padLength > Length{}
                              ? Reason("pad length", rules_.padLength)
                              : Reason("slide length", drawer_->slide->length)
                                    .minus("before the case", begin - drawer_->boxY);
    Length from;  // the panel
    for (std::size_t i = 0; i < layers.materials.size(); ++i) {
      Part part = make(left ? PartRole::SlidePad : PartRole::RightSlidePad, layers.materials[i],
                       length, Reason("pad width", std::min(rules_.padWidth, box().height)));
      part.note = fmt::format("on the {}", left ? "left" : "right");
      if (layers.materials.size() > 1)
        part.note += fmt::format(", one of {} layers", layers.materials.size());
      part.note += fmt::format("; {} in all", maker_.shown(thick));
      if (layers.sum < thick)
        part.note += fmt::format(", packed by {}", maker_.shown(thick - layers.sum));
      if (layers.sum > thick)
        part.note += fmt::format(", planed by {}", maker_.shown(layers.sum - thick));
      // The last one fills what is left, packed or planed.
      const bool last = i + 1 == layers.materials.size();
      if (last && layers.sum > thick) part.thickness = thick - from;
      const Length high = last ? thick : from + part.thickness;
      Maker::place(part,
                   {{left ? leaf_.rect.x + high : leaf_.rect.right() - high, begin, drawer_->boxZ},
                    kBackwards,
                    kUp,
                    left ? kLeft : kRight});
      from = high;
      parts_.push_back(part);
    }
  }

  const Maker& maker_;
  const Carcass& carcass_;
  const DrawerRules& rules_;
  const OpeningRect& leaf_;
  FrontRect pass_;
  BankKind kind_;
  const DrawerPlan* drawer_ = nullptr;
  DrawerBoxSizes sizes_;
  std::vector<Part> parts_;
};

}  // namespace

Result<std::vector<Part>> drawerParts(const Maker& maker, const Carcass& carcass,
                                      const std::vector<DrawerPlan>& drawers,
                                      const OpeningRect& leaf) {
  const auto& bank = std::get<DrawerBank>(find(carcass.inside, leaf.path)->content);
  Boxes boxes(maker, carcass, leaf, bank.kind);
  int order = 0;
  for (const DrawerPlan& drawer : drawers)
    if (const Problems problems = boxes.add(drawer, ++order, bank.matched && drawers.size() > 1);
        !problems.empty())
      return problems;
  return boxes.take();
}

}  // namespace pp
