#include "core/kinds/carcass/drawer.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>

#include "core/designs/size_list.h"
#include "core/kinds/carcass/box_parts.h"

namespace pp {

std::string_view boxName(BankKind kind) {
  return kind == BankKind::Trays ? "tray" : kind == BankKind::Platforms ? "pull-out" : "drawer";
}

DrawerBox boxOf(const Job& job, const PartChoices& choices, const DrawerRules& rules, Id id,
                Length width, Length depth, Length height) {
  const auto thick = [&](PartRole role, const std::string& ruled) {
    return findMaterial(job, choices.material(role, id, ruled))->measured;
  };
  return {width,
          depth,
          height,
          thick(PartRole::BoxLeftSide, rules.boxMaterial),
          thick(PartRole::BoxFront, rules.boxMaterial),
          thick(PartRole::BoxBottom, rules.bottomMaterial),
          thick(PartRole::BoxRightSide, rules.boxMaterial),
          thick(PartRole::BoxBack, rules.boxMaterial)};
}

namespace {

// Takes both off: as one term where they are alike.
Reason lessBoth(Reason from, const char* both, Length a, const char* nameOfA, Length b,
                const char* nameOfB) {
  return a == b ? from.minus(both, a, 2) : from.minus(nameOfA, a).minus(nameOfB, b);
}

Reason lessFrontAndBack(const DrawerBox& box) {
  return lessBoth(Reason("box depth", box.depth), "front and back", box.front, "box front",
                  box.back, "box back");
}

}  // namespace

DrawerBoxSizes drawerBoxSizes(const DrawerBox& box, const DrawerRules& rules) {
  DrawerBoxSizes out;
  const Reason inside = lessBoth(Reason("box width", box.width), "box side", box.side, "left side",
                                 box.right, "right side");
  out.sideLength = Reason("box depth", box.depth);
  out.sideHeight = out.frontHeight = out.backHeight = Reason("box height", box.height);
  out.frontLength = out.backLength = inside;
  out.bottomWidth = Reason(inside)
                        .plus("groove depth", rules.grooveDepth, 2)
                        .minus("clearance", rules.bottomClearance);
  out.bottomDepth = lessFrontAndBack(box)
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
      out.sideLength = lessFrontAndBack(box);
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
                                            Length gap, const LengthStyle& style, Length step,
                                            bool even) {
  return drawerCells(openingHeight, -gap, -gap, fronts, gap, style, step, even);
}

Result<std::vector<DrawerCell>> drawerCells(Length openingHeight, Length low, Length high,
                                            const std::vector<Share>& fronts, Length gap,
                                            const LengthStyle& style, Length step, bool even) {
  const auto count = static_cast<std::int64_t>(fronts.size());
  Reason rest("opening height", openingHeight);
  if (low == -gap && high == -gap)
    rest.minus("gap", gap, count + 1);
  else
    rest.plus("below the opening", low)
        .plus("above the opening", high)
        .minus("gap", gap, count - 1);
  const auto heights = shareOut(rest.total(), fronts, style, step);
  if (!heights) return heights.problems();
  std::int64_t shares = 0;
  for (const Share& front : fronts) {
    if (front.fixed)
      rest.minus("typed front", *front.fixed);
    else
      ++shares;
  }
  Length least;
  bool stepped = false;
  for (std::size_t i = 0; i < fronts.size(); ++i) {
    if (fronts[i].fixed) continue;
    const Length height = heights.value()[i];
    least = least == Length{} ? height : std::min(least, height);
    stepped = stepped || (step > Length{} && height.inNm() % step.inNm() == 0);
  }
  const bool alike = std::all_of(fronts.begin(), fronts.end(), [&fronts](const Share& front) {
    return front.fixed == fronts.front().fixed;
  });
  const bool overlaid = low > -gap && high > -gap;
  const bool equal = alike && (even || (overlaid && shares == count));
  std::vector<DrawerCell> out;
  Length top = openingHeight + high + gap;  // lower edge of what lies above, gap not yet taken
  for (const Share& front : fronts) {
    DrawerCell cell;
    cell.frontHeight = front.fixed ? Reason("typed height", *front.fixed) : rest.shared(shares);
    // The share as it was worked out, and what brings it on to a step.
    const Length on = heights.value()[out.size()] - cell.frontHeight.total();
    if (stepped && !front.fixed && on > Length{})
      cell.frontHeight.plus("to land on a step", on, shares);
    if (stepped && !front.fixed && on < Length{})
      cell.frontHeight.minus("to land on a step", -on, shares);
    cell.frontBottom = top - gap - cell.frontHeight.total();
    cell.bottom = count == 1 ? Length{} : cell.frontBottom - gap / 2;
    // Fronts that differ by a step have equal boxes.
    cell.height = count == 1 ? openingHeight
                             : (stepped && !front.fixed ? least : cell.frontHeight.total()) + gap;
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
    if (slide.kind == kind && slide.length + slide.setBack + reserve <= depth &&
        (best == nullptr || slide.length > best->length))
      best = &slide;
  return best;
}

namespace {

// A reading that is further out than this is of another opening.
constexpr Length kFarOff = Length::mm(20);

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

// "three", "13".
std::string countWord(std::size_t n) {
  constexpr std::array kWords = {"no",    "one",   "two",  "three", "four",   "five",  "six",
                                 "seven", "eight", "nine", "ten",   "eleven", "twelve"};
  return n < kWords.size() ? kWords[n] : std::to_string(n);
}

// On what is shown, so that what is offered fits.
Length roundedDown(Length length, const LengthStyle& style) {
  const Length step =
      style.unit == Unit::Inch ? Length::in(0, 1, style.denominator) : Length::um(100);
  return (length.inNm() / step.inNm()) * step;
}

// What keeps the boxes of a bank from going in, or nothing: first whether all of them find room in
// `there`, the clear height, then whether each does behind its own front.
Problems stackProblems(const std::vector<DrawerPlan>& drawers, const DrawerRules& rules,
                       Length there, const LengthStyle& style) {
  const auto show = [&style](Length length) { return formatWithUnit(length, style); };
  Length needed, clearances;
  for (const DrawerPlan& drawer : drawers) {
    const Clearance clearance = clearanceOf(rules, drawer.slide);
    clearances += clearance.below + clearance.above;
    needed += drawer.box.height + clearance.below + clearance.above;
  }
  const auto n = std::ssize(drawers);
  if (needed > there)
    return {misfit(
        fmt::format("{} {} {} with {} clearances, there is {}: {} too much",
                    countWord(drawers.size()), n == 1 ? "box needs" : "boxes need", show(needed),
                    n == 1 ? "its" : "their", show(there), show(needed - there)),
        there > clearances
            ? fmt::format("{} of at most {}, or {} more room", n == 1 ? "a box" : "boxes",
                          show(roundedDown((there - clearances) / n, style)), show(needed - there))
            : fmt::format("smaller clearances, fewer boxes, or {} more room",
                          show(needed - there)))};
  for (const DrawerPlan& drawer : drawers) {
    const Clearance clearance = clearanceOf(rules, drawer.slide);
    const Length whole = drawer.box.height + clearance.below + clearance.above;
    if (whole > drawer.cell.height)
      return {misfit(
          fmt::format(
              "a box {} high that needs {} with its clearances, behind a front with room for "
              "{}",
              show(drawer.box.height), show(whole), show(drawer.cell.height)),
          fmt::format("at most {}, so that it does not stand behind its neighbour's front",
                      show(drawer.cell.height - clearance.below - clearance.above)))};
  }
  return {};
}

// The fronts of a bank and the room behind each.
Result<std::vector<DrawerCell>> cellsOf(const Job& job, const Carcass& carcass,
                                        const CarcassLayout& layout, const OpeningRect& leaf) {
  const auto& bank = std::get<DrawerBank>(find(carcass.inside, leaf.path)->content);
  const FrontRules rules = frontRules(carcass, leaf.path);
  const bool fronts = bank.kind == BankKind::Drawers;
  const bool railed = fronts && bank.railed && layout.frame;
  FrontReach reach;
  if (fronts) reach = frontReach(carcass, layout, leaf);
  const Length between = railed   ? betweenFronts(rules, *layout.frame)
                         : fronts ? rules.gap
                                  : Length{};
  auto cells = drawerCells(leaf.face.height, reach.bottom, reach.top, bank.fronts, between,
                           styleOf(job), job.shareStep, carcass.drawers.evenBoxes && !railed);
  if (!cells || !railed) return cells;
  // Between two rails, or a rail and what ends the opening.
  const Length over = (layout.frame->middle - between) / 2;
  Length top = leaf.face.height;
  for (std::size_t i = 0; i < cells->size(); ++i) {
    DrawerCell& cell = cells.value()[i];
    cell.bottom = i + 1 == cells->size() ? Length{} : cell.frontBottom + over;
    cell.height = top - cell.bottom;
    top = cell.bottom - layout.frame->middle;
    if (cell.height <= Length{})
      return misfit("a front " + formatWithUnit(cell.frontHeight.total(), styleOf(job)) + " high",
                    "one that leaves an opening between its rails");
  }
  return cells;
}

}  // namespace

std::vector<FrontRect> bankRails(const Job& job, const Carcass& carcass,
                                 const CarcassLayout& layout, const OpeningRect& leaf) {
  std::vector<FrontRect> out;
  const auto* bank = std::get_if<DrawerBank>(&find(carcass.inside, leaf.path)->content);
  if (bank == nullptr || bank->kind != BankKind::Drawers || !bank->railed || !layout.frame)
    return out;
  const auto cells = cellsOf(job, carcass, layout, leaf);
  if (!cells) return out;
  const FrontRect& face = leaf.face;
  for (std::size_t i = 0; i + 1 < cells->size(); ++i)
    out.push_back({face.x, face.z + cells.value()[i].bottom - layout.frame->middle, face.width,
                   layout.frame->middle});
  return out;
}

Result<std::vector<DrawerPlan>> planDrawers(const Job& job, const PartChoices& choices,
                                            const Carcass& carcass, const CarcassLayout& layout,
                                            const OpeningRect& leaf) {
  const LengthStyle style = styleOf(job);
  const auto show = [&style](Length length) { return formatWithUnit(length, style); };
  const DrawerRules& rules = carcass.drawers;
  const auto& bank = std::get<DrawerBank>(find(carcass.inside, leaf.path)->content);
  const bool fronts = bank.kind == BankKind::Drawers;
  const FrontRect& face = leaf.face;
  const FrontRect pass = leaf.passage();
  FrontReach reach;
  if (fronts) reach = frontReach(carcass, layout, leaf);
  const auto cells = cellsOf(job, carcass, layout, leaf);
  if (!cells)
    return misfit(cells.problems().front().found + " for the drawer fronts",
                  cells.problems().front().expected + " beside the gaps");
  const bool inset = carcass.fronts.fit == FrontFit::Inset;
  // As thick as that drawer's front, for an inset one the box stands behind it.
  const auto frontOf = [&](Id id) {
    return findMaterial(job, choices.material(PartRole::DrawerFront, id, carcass.fronts.material))
        ->measured;
  };
  Length thickest;
  for (const Share& front : bank.fronts) thickest = std::max(thickest, frontOf(front.id));
  // The boxes of a bank stand in one line, as their slides do.
  const Length boxY = fronts ? layout.frameFront + (inset ? thickest : Length{}) : leaf.setIn;
  Length depth = layout.clearDepth - boxY;
  // A rail that stands at the rear, or strips that hold the back, are in the way.
  const bool upmost = leaf.rect.top() == layout.clear.top();
  if (carcass.top == TopConstruction::StandingRail && upmost)
    depth -= thicknessOf(layout, PanelKind::RearRail);
  depth -= leaf.behind;
  if (layout.moulding && leaf.rect.z < layout.moulding->z)
    depth = std::min(depth, layout.moulding->y - boxY);
  if (carcass.back.school == BackSchool::None && carcass.back.rails.empty() && upmost)
    depth -= findMaterial(job, choices.material(PartRole::RearRail, leaf.id, carcass.material))
                 ->measured;
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
      drawer.front.face = layout.frameFront - (inset ? Length{} : frontOf(drawer.id));
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
    drawer.waits = bank.waits && bank.readings.empty();
    if (bank.waits && !bank.readings.empty()) {
      const Length read = *std::min_element(bank.readings.begin(), bank.readings.end());
      if (read < pass.width - kFarOff || read > pass.width + kFarOff)
        return misfit(show(read) + " read off the opening", "about its " + show(pass.width));
      drawer.readOff = read - pass.width;
      drawer.width = drawerBoxWidth(read, slide, rules);
    }
    drawer.depth = slide != nullptr
                       ? Reason("slide length", slide->length)
                       : Reason("inside depth", depth).minus("reserve", rules.slideReserve);
    drawer.height = bank.boxHeight ? Reason("typed height", *bank.boxHeight)
                                   : Reason("room of the drawer", drawer.cell.height)
                                         .minus("lower clearance", clearance.below)
                                         .minus("upper clearance", clearance.above);
    drawer.box = boxOf(job, choices, rules, drawer.id, drawer.width.total(), drawer.depth.total(),
                       drawer.height.total());
    drawer.boxX = pass.x + (pass.width - drawer.box.width) / 2;
    drawer.boxY = boxY;
    drawer.boxZ = low + clearance.below;
    out.push_back(drawer);
  }
  if (Problems problems = stackProblems(out, rules, pass.height, style); !problems.empty())
    return problems;
  for (const DrawerPlan& drawer : out)
    if (Problems problems = boxProblems(drawer.box, rules, style); !problems.empty())
      return problems;
  return out;
}

}  // namespace pp
