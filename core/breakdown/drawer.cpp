#include "core/breakdown/drawer.h"

#include <fmt/format.h>

#include "core/job/size_list.h"

namespace pp {

DrawerBoxSizes drawerBoxSizes(const DrawerBox& box, const DrawerRules& rules) {
  DrawerBoxSizes out;
  const Reason inside = Reason("box width", box.width).minus("box side", box.side, 2);
  out.sideLength = Reason("box depth", box.depth);
  out.sideHeight = out.frontHeight = out.backHeight = Reason("box height", box.height);
  out.frontLength = out.backLength = inside;
  out.bottomWidth = Reason(inside)
                        .plus("groove depth", rules.grooveDepth, 2)
                        .minus("clearance", rules.bottomClearance);
  out.bottomDepth = Reason("box depth", box.depth)
                        .minus("front and back", box.front, 2)
                        .plus("groove depth", rules.grooveDepth, 2)
                        .minus("clearance", rules.bottomClearance);
  const Reason cutDown = Reason("box height", box.height)
                             .minus("groove's lower edge", rules.grooveUp)
                             .minus("bottom", box.bottom);
  switch (rules.school) {
    case DrawerSchool::Between:
      break;
    case DrawerSchool::RabbetedFront:
      out.sideLength.minus("box front", box.front).plus("front's rabbet", rules.frontRabbet);
      out.frontLength = Reason("box width", box.width);
      out.backLength = Reason(inside).plus("dado depth", rules.backDado, 2);
      out.backHeight = cutDown;
      out.bottomDepth = Reason("box depth", box.depth)
                            .minus("box front", box.front)
                            .plus("groove depth", rules.grooveDepth)
                            .minus("back's set-in", rules.backSetIn);
      break;
    case DrawerSchool::Over:
      out.sideLength.minus("front and back", box.front, 2);
      out.frontLength = out.backLength = Reason("box width", box.width);
      break;
    case DrawerSchool::CutDownBack:
      out.backHeight = cutDown;
      out.bottomDepth = Reason("box depth", box.depth)
                            .minus("box front", box.front)
                            .plus("groove depth", rules.grooveDepth);
      break;
    case DrawerSchool::Brads:
      out.sideHeight = out.frontHeight = out.backHeight =
          Reason("box height", box.height).minus("bottom", box.bottom);
      out.bottomWidth = Reason("box width", box.width);
      out.bottomDepth = Reason("box depth", box.depth);
      break;
  }
  return out;
}

Reason drawerBoxWidth(Length openingWidth, const Slide* slide, const DrawerRules& rules) {
  Reason out("opening width", openingWidth);
  if (slide != nullptr) out.minus("slide", slide->thickness, 2);
  return out.minus("ease", rules.ease);
}

Result<std::vector<DrawerCell>> drawerCells(Length openingHeight, const std::vector<Share>& fronts,
                                            Length gap, const LengthStyle& style) {
  return drawerCells(openingHeight, -gap, -gap, fronts, gap, style);
}

Result<std::vector<DrawerCell>> drawerCells(Length openingHeight, Length low, Length high,
                                            const std::vector<Share>& fronts, Length gap,
                                            const LengthStyle& style) {
  const auto count = static_cast<std::int64_t>(fronts.size());
  Reason rest("opening height", openingHeight);
  if (low == -gap && high == -gap)
    rest.minus("gap", gap, count + 1);
  else
    rest.plus("below the opening", low)
        .plus("above the opening", high)
        .minus("gap", gap, count - 1);
  const auto heights = shareOut(rest.total(), fronts, style);
  if (!heights) return heights.problems();
  std::int64_t shares = 0;
  for (const Share& front : fronts) {
    if (front.fixed)
      rest.minus("typed front", *front.fixed);
    else
      ++shares;
  }
  // Equal overlay fronts hide equal shares of the opening, whatever they hide beside it.
  const bool equal = shares == count && low > -gap && high > -gap;
  std::vector<DrawerCell> out;
  Length top = openingHeight + high + gap;  // lower edge of what lies above, gap not yet taken
  for (const Share& front : fronts) {
    DrawerCell cell;
    cell.frontHeight = front.fixed ? Reason("typed height", *front.fixed) : rest.shared(shares);
    cell.frontBottom = top - gap - cell.frontHeight.total();
    cell.bottom = count == 1 ? Length{} : cell.frontBottom - gap / 2;
    cell.height = count == 1 ? openingHeight : cell.frontHeight.total() + gap;
    if (equal) {
      const auto below = count - 1 - static_cast<std::int64_t>(out.size());
      cell.bottom = below * openingHeight / count;
      cell.height = openingHeight / count;
    }
    top = cell.frontBottom;
    out.push_back(cell);
  }
  return out;
}

const Slide* longestSlide(const std::vector<Slide>& slides, Length depth, Length reserve,
                          SlideKind kind) {
  const Slide* best = nullptr;
  for (const Slide& slide : slides)
    if (slide.kind == kind && slide.length + reserve <= depth &&
        (best == nullptr || slide.length > best->length))
      best = &slide;
  return best;
}

namespace {

Problem misfit(const std::string& found, const std::string& expected) {
  return cannot("drawers", found, expected);
}

struct Clearance {
  Length below, above;
};

Clearance clearanceOf(const DrawerRules& rules, const Slide* slide) {
  Clearance out{rules.lowerClearance, rules.upperClearance};
  if (rules.running == Running::WoodenRunners) out.below = rules.runnerHeight;
  if (rules.running == Running::Loose) out.below = Length{};
  if (slide != nullptr && slide->below) out.below = *slide->below;
  if (slide != nullptr && slide->above) out.above = *slide->above;
  return out;
}

// What keeps a box from being made or from going in, or nothing.
Problems boxProblems(const DrawerPlan& drawer, const DrawerRules& rules, const LengthStyle& style) {
  const auto show = [&style](Length length) { return formatWithUnit(length, style); };
  const DrawerBox& box = drawer.box;
  const Clearance clearance = clearanceOf(rules, drawer.slide);
  const Length needed = box.height + clearance.below + clearance.above;
  const bool brads = rules.school == DrawerSchool::Brads;
  if (needed > drawer.cell.height)
    return {misfit(fmt::format("a box {} high that needs {} with its clearances", show(box.height),
                               show(needed)),
                   fmt::format("at most the {} between its neighbours", show(drawer.cell.height)))};
  if (box.height <= (brads ? Length{} : rules.grooveUp) + box.bottom || box.width <= 2 * box.side ||
      box.depth <= 2 * box.front)
    return {misfit(fmt::format("a box {} wide and {} high", show(box.width), show(box.height)),
                   "room for its sides, the groove and the bottom")};
  if (!brads && (rules.grooveDepth >= box.side || rules.grooveDepth >= box.front))
    return {misfit(fmt::format("a groove {} deep", show(rules.grooveDepth)),
                   "less than the thickness of the drawer's sides")};
  if (rules.school == DrawerSchool::RabbetedFront &&
      (rules.frontRabbet >= box.front || rules.backDado >= box.side ||
       rules.backSetIn + 2 * box.front >= box.depth))
    return {misfit("a rabbet, dado or set-in of the drawer box that leaves no wood",
                   "less than the thickness of the panel it is cut into")};
  return {};
}

}  // namespace

Result<std::vector<DrawerPlan>> planDrawers(const Job& job, const Carcass& carcass,
                                            const CarcassLayout& layout, const OpeningRect& leaf) {
  const LengthStyle style = styleOf(job);
  const auto show = [&style](Length length) { return formatWithUnit(length, style); };
  const DrawerRules& rules = carcass.drawers;
  const auto& bank = std::get<DrawerBank>(find(carcass.inside, leaf.path)->content);
  const bool fronts = bank.kind == BankKind::Drawers;
  const FrontRect& face = leaf.face;
  const FrontRect pass = leaf.passage();
  FrontReach reach;
  if (fronts) reach = frontReach(carcass, layout, leaf);
  const auto cells = drawerCells(face.height, reach.bottom, reach.top, bank.fronts,
                                 fronts ? carcass.fronts.gap : Length{}, style);
  if (!cells)
    return misfit(cells.problems().front().found + " for the drawer fronts",
                  cells.problems().front().expected + " beside the gaps");
  const Length thickness = findMaterial(job, carcass.fronts.material)->measured;
  const bool inset = carcass.fronts.fit == FrontFit::Inset;
  const Length boxY = fronts ? layout.frameFront + (inset ? thickness : Length{}) : leaf.setIn;
  Length depth = layout.clearDepth - boxY;
  // A rail that stands at the rear, or strips that hold the back, are in the way.
  const bool upmost = leaf.rect.top() == layout.clear.top();
  if (carcass.top == TopSchool::StandingRail && upmost) depth -= layout.thickness;
  if (carcass.back.school == BackSchool::None && upmost) depth -= layout.thickness;
  const bool slides = rules.running == Running::SideSlides || rules.running == Running::UnderSlides;
  const Slide* slide = nullptr;
  if (slides) {
    const SlideKind kind =
        rules.running == Running::UnderSlides ? SlideKind::Under : SlideKind::Side;
    slide = longestSlide(job.slides, depth, rules.slideReserve, kind);
    if (slide == nullptr)
      return misfit(fmt::format("{} behind the front", show(depth)),
                    fmt::format("a slide in stock that is at least {} shorter than that",
                                show(rules.slideReserve)));
  }
  std::vector<DrawerPlan> out;
  for (std::size_t i = 0; i < cells->size(); ++i) {
    const DrawerCell& cell = cells.value()[i];
    DrawerPlan drawer;
    drawer.id = bank.fronts[i].id;
    drawer.cell = cell;
    drawer.slide = slide;
    if (fronts) {
      drawer.front.width = frontWidth(face.width, reach.left, reach.right, carcass.fronts.gap, 1);
      drawer.front.height = cell.frontHeight;
      drawer.front.rect = {face.x - reach.left, face.z + cell.frontBottom,
                           drawer.front.width.total(), cell.frontHeight.total()};
      drawer.front.face = layout.frameFront - (inset ? Length{} : thickness);
      if (drawer.front.rect.width <= Length{} || drawer.front.rect.height <= Length{})
        return misfit("an opening that the gaps take up", "smaller gaps or a larger opening");
    }
    const Clearance clearance = clearanceOf(rules, slide);
    // An overlaid front hides the edges of its opening; the box keeps inside them.
    const Length low = std::max(face.z + cell.bottom, pass.z);
    const Length high = std::min(face.z + cell.bottom + cell.height, pass.top());
    drawer.cell.bottom = low - face.z;
    drawer.cell.height = high - low;
    drawer.width = drawerBoxWidth(pass.width, slide, rules);
    drawer.depth = slide != nullptr
                       ? Reason("slide length", slide->length)
                       : Reason("inside depth", depth).minus("reserve", rules.slideReserve);
    drawer.height = bank.boxHeight ? Reason("typed height", *bank.boxHeight)
                                   : Reason("room of the drawer", drawer.cell.height)
                                         .minus("lower clearance", clearance.below)
                                         .minus("upper clearance", clearance.above);
    drawer.box = {drawer.width.total(),
                  drawer.depth.total(),
                  drawer.height.total(),
                  findMaterial(job, rules.boxMaterial)->measured,
                  findMaterial(job, rules.boxMaterial)->measured,
                  findMaterial(job, rules.bottomMaterial)->measured};
    drawer.boxX = pass.x + (pass.width - drawer.box.width) / 2;
    drawer.boxY = boxY;
    drawer.boxZ = low + clearance.below;
    if (const Problems problems = boxProblems(drawer, rules, style); !problems.empty())
      return problems;
    out.push_back(drawer);
  }
  return out;
}

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

  // What brings the inside of the opening flush with the frame, so that slides can be screwed on.
  void pads() {
    constexpr Length kPad = Length::mm(45);
    const Length left = pass_.x - leaf_.rect.x;
    const Length right = leaf_.rect.right() - pass_.right();
    for (const bool first : {true, false}) {
      const Length thick = first ? left : right;
      if (thick <= Length{}) continue;
      const Length begin = std::max(drawer_->boxY, leaf_.setIn);
      Part part = make(PartRole::SlidePad, carcass_.material,
                       Reason("slide length", drawer_->slide->length)
                           .minus("before the case", begin - drawer_->boxY),
                       Reason("pad", std::min(kPad, box().height)));
      part.thickness = thick;
      part.note = fmt::format("packed or planed to {} thick", maker_.shown(thick));
      Maker::place(
          part, {{first ? leaf_.rect.x + thick : leaf_.rect.right() - thick, begin, drawer_->boxZ},
                 kBackwards,
                 kUp,
                 first ? kLeft : kRight});
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
