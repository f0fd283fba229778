#include "core/kinds/carcass/box_parts.h"

#include <fmt/format.h>

#include <algorithm>

namespace pp {
namespace {

class BoxMaker {
 public:
  BoxMaker(const PartBuilder& builder, const DrawerRules& rules, BankKind kind,
           const DrawerBox& box, const BoxPlace& place)
      : builder_(builder),
        rules_(rules),
        kind_(kind),
        box_(box),
        place_(place),
        sizes_(drawerBoxSizes(box, rules)) {}

  std::vector<Part> run() {
    side(true);
    side(false);
    boxFront();
    boxBack();
    bottom();
    if (kind_ == BankKind::Platforms)
      for (Part& part : parts_) turnOver(part);
    return std::move(parts_);
  }

 private:
  bool is(DrawerSchool school) const { return rules_.school == school; }
  // The bottom lies in grooves of the sides.
  bool grooved() const { return !is(DrawerSchool::Brads); }
  Length lift() const { return grooved() ? Length{} : box_.bottom; }

  Part make(PartRole role, const std::string& material, Reason length, Reason width) const {
    Part part = builder_.board(role, builder_.material(role, place_.id, material),
                               std::move(length), std::move(width), boxName(kind_));
    part.opening = place_.opening;
    part.keys.front().opening = place_.id;
    return part;
  }

  std::string nameOf(PartRole role) const { return roleName(role, boxName(kind_)); }

  Point at(Length x, Length y, Length z) const {
    return {place_.x + x, place_.y + y, place_.z + z};
  }

  Machining groove(const Part& part) const {
    return grooveAlong(part, "drawer bottom", rules_.grooveUp, box_.bottom, rules_.grooveDepth);
  }

  void side(bool left) {
    Part part = make(left ? PartRole::BoxLeftSide : PartRole::BoxRightSide, rules_.boxMaterial,
                     sizes_.sideLength, sizes_.sideHeight);
    part.hand = left ? Hand::Left : Hand::Right;
    const bool rabbeted = is(DrawerSchool::RabbetedFront);
    const Length y = rabbeted                 ? box_.front - rules_.frontRabbet
                     : is(DrawerSchool::Over) ? box_.front
                                              : Length{};
    PartBuilder::place(part, {at(left ? box_.side : box_.width - box_.right, y, lift()), kBackwards,
                              kUp, left ? kLeft : kRight});
    if (grooved()) part.machining.push_back(groove(part));
    if (rabbeted)
      part.machining.push_back(dadoAcross(part, "drawer back",
                                          box_.depth - rules_.backSetIn - box_.back - y, box_.back,
                                          rules_.backDado));
    if (!grooved() || is(DrawerSchool::Over)) part.hand = Hand::None;
    if (rabbeted) part.joins.push_back({Edge::W1, JoinKind::Rabbet, nameOf(PartRole::BoxFront)});
    if (is(DrawerSchool::Over)) {
      part.joins.push_back({Edge::W1, JoinKind::Butt, nameOf(PartRole::BoxFront)});
      part.joins.push_back({Edge::W2, JoinKind::Butt, nameOf(PartRole::BoxBack)});
    }
    parts_.push_back(part);
  }

  void boxFront() {
    Part part =
        make(PartRole::BoxFront, rules_.boxMaterial, sizes_.frontLength, sizes_.frontHeight);
    const bool whole = is(DrawerSchool::RabbetedFront) || is(DrawerSchool::Over);
    PartBuilder::place(
        part, {at(whole ? Length{} : box_.side, box_.front, lift()), kRight, kUp, kForwards});
    if (grooved()) part.machining.push_back(groove(part));
    // Where the front runs past the sides, its groove stops at them, unless it lies in the rabbets
    // that take them.
    if (is(DrawerSchool::Over)) stopGroove(part);
    if (is(DrawerSchool::RabbetedFront)) {
      if (rules_.grooveDepth > rules_.frontRabbet) stopGroove(part);
      part.machining.push_back(
          dadoAcross(part, "drawer left side", Length{}, box_.side, rules_.frontRabbet));
      part.machining.push_back(dadoAcross(part, "drawer right side",
                                          part.length.total() - box_.right, box_.right,
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
    part.joins.push_back({Edge::W1, kind, nameOf(PartRole::BoxLeftSide)});
    part.joins.push_back({Edge::W2, kind, nameOf(PartRole::BoxRightSide)});
  }

  void stopGroove(Part& part) const {
    Machining& cut = part.machining.back();
    cut.u0 = box_.side - rules_.grooveDepth;
    cut.u1 = part.length.total() - (box_.right - rules_.grooveDepth);
    cut.through = false;
  }

  void boxBack() {
    Part part = make(PartRole::BoxBack, rules_.boxMaterial, sizes_.backLength, sizes_.backHeight);
    const Length rear = box_.depth - box_.back;
    switch (rules_.school) {
      case DrawerSchool::RabbetedFront:
        PartBuilder::place(part, {at(box_.side - rules_.backDado, rear - rules_.backSetIn,
                                     rules_.grooveUp + box_.bottom),
                                  kRight, kUp, kBackwards});
        break;
      case DrawerSchool::CutDownBack:
        PartBuilder::place(
            part, {at(box_.side, rear, rules_.grooveUp + box_.bottom), kRight, kUp, kBackwards});
        break;
      default:
        PartBuilder::place(part, {at(is(DrawerSchool::Over) ? Length{} : box_.side, rear, lift()),
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
      PartBuilder::place(part, {at(Length{}, Length{}, box_.bottom), kRight, kBackwards, kDown});
    } else {
      const Length ease = rules_.bottomClearance / 2;
      const bool slidesIn = is(DrawerSchool::RabbetedFront) || is(DrawerSchool::CutDownBack);
      PartBuilder::place(part, {at(box_.side - rules_.grooveDepth + ease,
                                   box_.front - rules_.grooveDepth + (slidesIn ? Length{} : ease),
                                   rules_.grooveUp + box_.bottom),
                                kRight, kBackwards, kDown});
    }
    parts_.push_back(part);
  }

  // Half a turn about the line from front to back through the box's middle.
  void turnOver(Part& part) const {
    const Length x = 2 * place_.x + box_.width;
    const Length z = 2 * place_.z + box_.height;
    for (Pose& pose : part.poses) {
      pose.origin[0] = x - pose.origin[0];
      pose.origin[2] = z - pose.origin[2];
      for (Direction* direction : {&pose.u, &pose.v, &pose.w})
        if (direction->axis != Axis::Y) direction->sign = -direction->sign;
    }
    const std::vector<Pose> poses = std::move(part.poses);
    part.poses.clear();
    for (const Pose& pose : poses) PartBuilder::place(part, pose);
  }

  const PartBuilder& builder_;
  const DrawerRules& rules_;
  BankKind kind_;
  const DrawerBox& box_;
  const BoxPlace& place_;
  DrawerBoxSizes sizes_;
  std::vector<Part> parts_;
};

Problem boxMisfit(const std::string& found, const std::string& expected) {
  return cannot("drawers", found, expected);
}

}  // namespace

std::vector<Part> boxParts(const PartBuilder& builder, const DrawerRules& rules, BankKind kind,
                           const DrawerBox& box, const BoxPlace& place) {
  return BoxMaker(builder, rules, kind, box, place).run();
}

Problems boxProblems(const DrawerBox& box, const DrawerRules& rules, const LengthStyle& style) {
  const auto show = [&style](Length length) { return formatWithUnit(length, style); };
  const bool brads = rules.school == DrawerSchool::Brads;
  if (box.height <= (brads ? Length{} : rules.grooveUp) + box.bottom ||
      box.width <= box.side + box.right || box.depth <= box.front + box.back)
    return {boxMisfit(fmt::format("a box {} wide and {} high", show(box.width), show(box.height)),
                      "room for its sides, the groove and the bottom")};
  const Length side = std::min(box.side, box.right);
  if (!brads && rules.grooveDepth >= std::min({side, box.front, box.back}))
    return {boxMisfit(fmt::format("a groove {} deep", show(rules.grooveDepth)),
                      "less than the thickness of the drawer's sides")};
  if (rules.school == DrawerSchool::RabbetedFront &&
      (rules.frontRabbet >= box.front || rules.backDado >= side ||
       rules.backSetIn + box.front + box.back >= box.depth))
    return {boxMisfit("a rabbet, dado or set-in of the drawer box that leaves no wood",
                      "less than the thickness of the panel it is cut into")};
  return {};
}

}  // namespace pp
