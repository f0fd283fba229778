#include "core/breakdown/drawer.h"

#include <fmt/format.h>

#include "core/breakdown/banding.h"
#include "core/job/size_list.h"

namespace pp {

DrawerBoxSizes drawerBoxSizes(const DrawerBox& box, const DrawerRules& rules) {
  const bool between = rules.school == DrawerSchool::Between;
  DrawerBoxSizes out;
  const Reason inside = Reason("box width", box.width).minus("box side", box.side, 2);
  out.sideLength = Reason("box depth", box.depth);
  out.sideHeight = Reason("box height", box.height);
  out.frontHeight = Reason("box height", box.height);
  out.bottomWidth = Reason(inside)
                        .plus("groove depth", rules.grooveDepth, 2)
                        .minus("clearance", rules.bottomClearance);
  out.bottomDepth = Reason("box depth", box.depth);
  if (between) {
    out.frontLength = out.backLength = inside;
    out.backHeight = out.frontHeight;
    out.bottomDepth.minus("front and back", box.front, 2)
        .plus("groove depth", rules.grooveDepth, 2)
        .minus("clearance", rules.bottomClearance);
  } else {
    out.sideLength.minus("box front", box.front).plus("front's rabbet", rules.frontRabbet);
    out.frontLength = Reason("box width", box.width);
    out.backLength = Reason(inside).plus("dado depth", rules.backDado, 2);
    out.backHeight = Reason("box height", box.height)
                         .minus("groove's lower edge", rules.grooveUp)
                         .minus("bottom", box.bottom);
    out.bottomDepth.minus("box front", box.front)
        .plus("groove depth", rules.grooveDepth)
        .minus("back's set-in", rules.backSetIn);
  }
  return out;
}

Reason drawerBoxWidth(Length openingWidth, const Slide& slide, const DrawerRules& rules) {
  return Reason("opening width", openingWidth)
      .minus("slide", slide.thickness, 2)
      .minus("ease", rules.ease);
}

Result<std::vector<DrawerCell>> drawerCells(Length openingHeight, const std::vector<Share>& fronts,
                                            Length gap, const LengthStyle& style) {
  const auto count = static_cast<std::int64_t>(fronts.size());
  Reason rest = Reason("opening height", openingHeight).minus("gap", gap, count + 1);
  const auto heights = shareOut(rest.total(), fronts, style);
  if (!heights) return heights.problems();
  std::int64_t shares = 0;
  for (const Share& front : fronts) {
    if (front.fixed)
      rest.minus("typed front", *front.fixed);
    else
      ++shares;
  }
  std::vector<DrawerCell> out;
  Length top = openingHeight;  // lower edge of what lies above, gap not yet taken
  for (const Share& front : fronts) {
    DrawerCell cell;
    cell.frontHeight = front.fixed ? Reason("typed height", *front.fixed) : rest.shared(shares);
    cell.frontBottom = top - gap - cell.frontHeight.total();
    cell.bottom = count == 1 ? Length{} : cell.frontBottom - gap / 2;
    cell.height = count == 1 ? openingHeight : cell.frontHeight.total() + gap;
    top = cell.frontBottom;
    out.push_back(cell);
  }
  return out;
}

const Slide* longestSlide(const std::vector<Slide>& slides, Length depth, Length reserve) {
  const Slide* best = nullptr;
  for (const Slide& slide : slides)
    if (slide.length + reserve <= depth && (best == nullptr || slide.length > best->length))
      best = &slide;
  return best;
}

namespace {

Problem misfit(const std::string& found, const std::string& expected) {
  return {{}, 0, "drawers", found, expected};
}

// What keeps a box from being made or from going in, or nothing.
Problems boxProblems(const DrawerPlan& drawer, const DrawerRules& rules, const LengthStyle& style) {
  const auto show = [&style](Length length) { return formatWithUnit(length, style); };
  const DrawerBox& box = drawer.box;
  const Length needed = box.height + rules.lowerClearance + rules.upperClearance;
  if (needed > drawer.cell.height)
    return {misfit(fmt::format("a box {} high that needs {} with its clearances", show(box.height),
                               show(needed)),
                   fmt::format("at most the {} between its neighbours", show(drawer.cell.height)))};
  if (box.height <= rules.grooveUp + box.bottom || box.width <= 2 * box.side ||
      drawer.front.width <= Length{})
    return {misfit(fmt::format("a box {} wide and {} high", show(box.width), show(box.height)),
                   "room for its sides, the groove and the bottom")};
  if (rules.grooveDepth >= box.side || rules.grooveDepth >= box.front)
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
  const auto cells = drawerCells(leaf.rect.height, bank.fronts, rules.gap, style);
  if (!cells)
    return misfit(cells.problems().front().found + " for the drawer fronts",
                  cells.problems().front().expected + " beside the gaps");
  const Length front = findMaterial(job, rules.frontMaterial)->measured;
  const Length depth = layout.clearDepth - front;
  const Slide* slide = longestSlide(job.slides, depth, rules.slideReserve);
  if (slide == nullptr)
    return misfit(fmt::format("{} behind the front", show(depth)),
                  fmt::format("a slide in stock that is at least {} shorter than that",
                              show(rules.slideReserve)));
  std::vector<DrawerPlan> out;
  for (const DrawerCell& cell : cells.value()) {
    DrawerPlan drawer;
    drawer.cell = cell;
    drawer.slide = slide;
    drawer.front = {leaf.rect.x + rules.gap, leaf.rect.z + cell.frontBottom,
                    leaf.rect.width - 2 * rules.gap, cell.frontHeight.total()};
    drawer.width = drawerBoxWidth(leaf.rect.width, *slide, rules);
    drawer.height = bank.boxHeight ? Reason("typed height", *bank.boxHeight)
                                   : Reason("room of the drawer", cell.height)
                                         .minus("lower clearance", rules.lowerClearance)
                                         .minus("upper clearance", rules.upperClearance);
    drawer.box = {drawer.width.total(),
                  slide->length,
                  drawer.height.total(),
                  findMaterial(job, rules.boxMaterial)->measured,
                  findMaterial(job, rules.boxMaterial)->measured,
                  findMaterial(job, rules.bottomMaterial)->measured};
    drawer.boxX = leaf.rect.x + (leaf.rect.width - drawer.box.width) / 2;
    drawer.boxY = front;
    drawer.boxZ = leaf.rect.z + cell.bottom + rules.lowerClearance;
    if (const Problems problems = boxProblems(drawer, rules, style); !problems.empty())
      return problems;
    out.push_back(drawer);
  }
  return out;
}

namespace {

constexpr Direction kRight{Axis::X, 1}, kLeft{Axis::X, -1}, kBackwards{Axis::Y, 1},
    kForwards{Axis::Y, -1}, kUp{Axis::Z, 1}, kDown{Axis::Z, -1};

class Boxes {
 public:
  Boxes(const Job& job, const Assembly& assembly, const OpeningRect& leaf)
      : job_(job), assembly_(assembly), rules_(assembly.carcass.drawers), leaf_(leaf) {}

  void add(const DrawerPlan& drawer, int order, bool matched) {
    drawer_ = &drawer;
    sizes_ = drawerBoxSizes(drawer.box, rules_);
    front(order, matched);
    side(true);
    side(false);
    boxFront();
    boxBack();
    bottom();
  }

  std::vector<Part> take() { return std::move(parts_); }

 private:
  bool between() const { return rules_.school == DrawerSchool::Between; }
  const DrawerBox& box() const { return drawer_->box; }

  Part make(std::string name, const std::string& material, Reason length, Reason width) const {
    Part part;
    part.name = std::move(name);
    part.assembly = assembly_.code;
    part.material = material;
    const Material& sheet = *findMaterial(job_, material);
    part.thickness = sheet.measured;
    part.grain = sheet.grained ? PartGrain::Length : PartGrain::Any;
    part.length = std::move(length);
    part.width = std::move(width);
    part.opening = leaf_.path;
    return part;
  }

  Point at(Length x, Length y, Length z) const {
    return {drawer_->boxX + x, drawer_->boxY + y, drawer_->boxZ + z};
  }

  void front(int order, bool matched) {
    Part part = make("drawer front", rules_.frontMaterial,
                     Reason("opening width", leaf_.rect.width).minus("gap", rules_.gap, 2),
                     drawer_->cell.frontHeight);
    part.show = Face::Outside;
    part.edges = {Side::Bottom, Side::Top, Side::Left, Side::Right};
    const Banding* banding = findBanding(job_, rules_.frontBanding);
    for (const Edge edge : kEdges) {
      part.exposed[static_cast<std::size_t>(edge)] = true;
      band(part, edge, banding);
    }
    part.poses = {{{drawer_->front.x, part.thickness, drawer_->front.z}, kRight, kUp, kForwards}};
    if (matched) {
      part.run = assembly_.code + "-fronts";
      for (const std::size_t index : leaf_.path) part.run += fmt::format("-{}", index + 1);
      part.runOrder = order;
    }
    parts_.push_back(part);
  }

  Machining groove(const Part& part, Length v0) const {
    Machining cut;
    cut.cut = Cut::Groove;
    cut.receives = "drawer bottom";
    cut.u1 = part.length.total();
    cut.v0 = v0;
    cut.v1 = v0 + box().bottom;
    cut.depth = rules_.grooveDepth;
    cut.from = Edge::L1;
    cut.distance = v0;
    cut.width = box().bottom;
    return cut;
  }

  // A cut across the part, from `u0` so wide: a dado, or a rabbet at an end.
  static Machining across(const Part& part, Cut kind, std::string receives, Length u0, Length width,
                          Length depth) {
    Machining cut;
    cut.cut = kind;
    cut.receives = std::move(receives);
    cut.u0 = u0;
    cut.u1 = u0 + width;
    cut.v1 = part.width.total();
    cut.depth = depth;
    cut.width = width;
    const bool atEnd = cut.u1 == part.length.total();
    cut.from = atEnd ? Edge::W2 : Edge::W1;
    cut.distance = atEnd ? Length{} : u0;
    return cut;
  }

  void side(bool left) {
    Part part = make(left ? "drawer left side" : "drawer right side", rules_.boxMaterial,
                     sizes_.sideLength, sizes_.sideHeight);
    part.hand = left ? Hand::Left : Hand::Right;
    part.edges = {Side::Bottom, Side::Top, Side::Front, Side::Back};
    const Length y = between() ? Length{} : box().front - rules_.frontRabbet;
    part.poses = {{at(left ? box().side : box().width - box().side, y, Length{}), kBackwards, kUp,
                   left ? kLeft : kRight}};
    part.machining.push_back(groove(part, rules_.grooveUp));
    if (!between())
      part.machining.push_back(across(part, Cut::Dado, "drawer back",
                                      box().depth - rules_.backSetIn - box().front - y, box().front,
                                      rules_.backDado));
    parts_.push_back(part);
  }

  void boxFront() {
    Part part =
        make("drawer box front", rules_.boxMaterial, sizes_.frontLength, sizes_.frontHeight);
    part.edges = {Side::Bottom, Side::Top, Side::Left, Side::Right};
    part.poses = {
        {at(between() ? box().side : Length{}, box().front, Length{}), kRight, kUp, kForwards}};
    part.machining.push_back(groove(part, rules_.grooveUp));
    if (!between()) {
      part.machining.push_back(
          across(part, Cut::Rabbet, "drawer left side", Length{}, box().side, rules_.frontRabbet));
      part.machining.push_back(across(part, Cut::Rabbet, "drawer right side",
                                      part.length.total() - box().side, box().side,
                                      rules_.frontRabbet));
    }
    parts_.push_back(part);
  }

  void boxBack() {
    Part part = make("drawer box back", rules_.boxMaterial, sizes_.backLength, sizes_.backHeight);
    part.edges = {Side::Bottom, Side::Top, Side::Left, Side::Right};
    if (between()) {
      part.poses = {{at(box().side, box().depth - box().front, Length{}), kRight, kUp, kBackwards}};
      part.machining.push_back(groove(part, rules_.grooveUp));
    } else {
      part.poses = {{at(box().side - rules_.backDado, box().depth - rules_.backSetIn - box().front,
                        rules_.grooveUp + box().bottom),
                     kRight, kUp, kBackwards}};
    }
    parts_.push_back(part);
  }

  void bottom() {
    Part part =
        make("drawer bottom", rules_.bottomMaterial, sizes_.bottomWidth, sizes_.bottomDepth);
    part.grain = PartGrain::Any;
    part.edges = {Side::Front, Side::Back, Side::Left, Side::Right};
    const Length ease = rules_.bottomClearance / 2;
    part.poses = {{at(box().side - rules_.grooveDepth + ease,
                      box().front - rules_.grooveDepth + (between() ? ease : Length{}),
                      rules_.grooveUp + box().bottom),
                   kRight, kBackwards, kDown}};
    parts_.push_back(part);
  }

  const Job& job_;
  const Assembly& assembly_;
  const DrawerRules& rules_;
  const OpeningRect& leaf_;
  const DrawerPlan* drawer_ = nullptr;
  DrawerBoxSizes sizes_;
  std::vector<Part> parts_;
};

}  // namespace

std::vector<Part> drawerParts(const Job& job, const Assembly& assembly,
                              const std::vector<DrawerPlan>& drawers, const OpeningRect& leaf) {
  const auto& bank = std::get<DrawerBank>(find(assembly.carcass.inside, leaf.path)->content);
  Boxes boxes(job, assembly, leaf);
  int order = 0;
  for (const DrawerPlan& drawer : drawers)
    boxes.add(drawer, ++order, bank.matched && drawers.size() > 1);
  return boxes.take();
}

}  // namespace pp
