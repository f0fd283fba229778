#include "core/kinds/carcass/front.h"

#include <fmt/format.h>

#include <algorithm>
#include <functional>

#include "core/kinds/carcass/drawer.h"
#include "core/kinds/carcass/sliding.h"
#include "core/kinds/common/count.h"

namespace pp {
namespace {

constexpr Angle kFingerPull = Angle::degrees(30);
constexpr Length kCup = Length::mm(35);
constexpr Length kCupCentre = Length::um(22'500);  // 5 mm of wood beside the cup
constexpr Length kCupDepth = Length::um(12'500);
constexpr Length kScrewHole = Length::mm(5);

// How far a front may reach over an edge of its opening: over an outside panel the overlay, over
// one that it shares with a neighbour half of what the gap leaves.
// Whether a front covers that opening.
bool hasFront(const Carcass& carcass, const OpeningRect& opening) {
  const Opening& of = *find(carcass.inside, opening.path);
  const auto* bank = std::get_if<DrawerBank>(&of.content);
  return (of.door && of.door->hinge != Hinge::Sliding) ||
         (bank != nullptr && bank->kind == BankKind::Drawers);
}

// How thick the panel is that ends the opening to that side.
Length behindEdge(const CarcassLayout& layout, const OpeningRect& opening, Side side) {
  const FrontRect& r = opening.rect;
  for (const PanelRect& panel : layout.panels) {
    const FrontRect& p = panel.rect;
    if (panel.upright() && p.z < r.top() && r.z < p.top() &&
        (side == Side::Left ? p.right() == r.x : side == Side::Right && p.x == r.right()))
      return p.width;
    if (!panel.upright() && p.x < r.right() && r.x < p.right() &&
        (side == Side::Bottom ? p.top() == r.z : side == Side::Top && p.z == r.top()))
      return p.height;
  }
  return layout.thickness;
}

// Whether a member of the frame ends the opening to that side.
bool memberBeside(const CarcassLayout& layout, const OpeningRect& opening, Side side) {
  const FrontRect& r = opening.face;
  return std::any_of(layout.members.begin(), layout.members.end(), [&](const FrameMember& member) {
    const FrontRect& m = member.rect;
    const bool level = side == Side::Left || side == Side::Right;
    const bool along = level ? m.z < r.top() && r.z < m.top() : m.x < r.right() && r.x < m.right();
    return along && (side == Side::Left     ? m.right() == r.x
                     : side == Side::Right  ? m.x == r.right()
                     : side == Side::Bottom ? m.top() == r.z
                                            : m.z == r.top());
  });
}

// Whether another front comes up to the panel that ends the opening to that side.
bool meets(const Carcass& carcass, const CarcassLayout& layout, const OpeningRect& opening,
           Side side) {
  constexpr std::int64_t kMostLayers = 3;  // of a panel between two openings
  const Length most = kMostLayers * std::max(layout.thickness, behindEdge(layout, opening, side));
  const FrontRect& r = opening.rect;
  const auto isBeside = [&](const OpeningRect& other) {
    const FrontRect& o = other.rect;
    const bool level = side == Side::Left || side == Side::Right;
    const Length between = side == Side::Left     ? r.x - o.right()
                           : side == Side::Right  ? o.x - r.right()
                           : side == Side::Bottom ? r.z - o.top()
                                                  : o.z - r.top();
    const bool overlaps =
        level ? o.z < r.top() && r.z < o.top() : o.x < r.right() && r.x < o.right();
    return between > Length{} && between <= most && overlaps && hasFront(carcass, other);
  };
  return std::any_of(layout.leaves.begin(), layout.leaves.end(), isBeside) ||
         std::any_of(layout.doors.begin(), layout.doors.end(), isBeside);
}

// Typed for that edge of the opening.
std::optional<Length> typedOver(const OpeningFronts& own, Side side) {
  return side == Side::Left     ? own.left
         : side == Side::Right  ? own.right
         : side == Side::Bottom ? own.bottom
                                : own.top;
}

// Over an outside edge: up to the reveal where one is said.
Length overOutside(const FrontRules& rules, const CarcassLayout& layout, const OpeningRect& opening,
                   Side side) {
  if (!rules.reveal) return rules.overlay;
  const FrontRect& r = opening.rect;
  // A lining stands between the opening and the side.
  const auto open = [&] {
    return side == Side::Left    ? r.x - layout.outer.x
           : side == Side::Right ? layout.outer.right() - r.right()
                                 : behindEdge(layout, opening, side);
  };
  const Length edge = !layout.frame         ? open()
                      : side == Side::Left  ? layout.frameLeft
                      : side == Side::Right ? layout.frameRight
                                            : layout.frame->rail;
  return edge - *rules.reveal;
}

// How far a front goes over an edge of its opening: over an inner panel half of it, less half the
// gap, where it shares that with another front.
Length overEdge(const Carcass& carcass, const CarcassLayout& layout, const OpeningRect& opening,
                Side side, bool outside) {
  const FrontRules rules = frontRules(carcass, opening.path);
  if (rules.fit == FrontFit::Inset) return -rules.gap;
  if (const auto typed = typedOver(find(carcass.inside, opening.path)->fronts, side)) return *typed;
  // Where it is open above a front ends with the sides.
  if (outside)
    return side == Side::Top && carcass.top == TopConstruction::None
               ? Length{}
               : overOutside(rules, layout, opening, side);
  const Length panel = memberBeside(layout, opening, side) ? layout.frame->middle
                                                           : behindEdge(layout, opening, side);
  return std::min(rules.overlay,
                  meets(carcass, layout, opening, side) ? (panel - rules.gap) / 2 : panel);
}

Machining round(MachiningKind cut, std::string receives, Length u, Length v, Length width,
                Length depth, Edge from, Length distance) {
  Machining out;
  out.cut = cut;
  out.receives = std::move(receives);
  out.u0 = out.u1 = u;
  out.v0 = out.v1 = v;
  out.width = width;
  out.depth = depth;
  out.from = from;
  out.distance = distance;
  out.holes = 1;
  out.through = false;
  return out;
}

class FrontMaker {
 public:
  FrontMaker(const PartBuilder& builder, const FrontRules& rules, const FrontPlace& place,
             const FrontOf& of, bool upright)
      : builder_(builder), rules_(rules), place_(place), of_(of), upright_(upright) {}

  std::vector<Part> slab() {
    Part part = board(FrontPiece::Whole, rules_.material, upright_ ? place_.height : place_.width,
                      upright_ ? place_.width : place_.height);
    put(part, Length{}, Length{}, upright_, Length{});
    for (const Side side : {Side::Left, Side::Right, Side::Bottom, Side::Top})
      builder_.show(part, side, rules_.banding);
    return {part};
  }

  Result<std::vector<Part>> framed() {
    const Length width = rules_.frameWidth;
    const Length thickness = builder_.thickness(rules_.material);
    const Length panel = builder_.thickness(panelMaterial());
    if (place_.rect.width <= 2 * width || place_.rect.height <= 2 * width)
      return cannot("front frame", builder_.shown(width) + " wide",
                    "stiles and rails that leave room for a panel");
    if (panel >= thickness || rules_.tongue >= width)
      return cannot("front panel", builder_.shown(panel) + " thick",
                    "thinner than the frame, and a groove less deep than the frame is wide");
    std::vector<Part> out;
    const bool grooved = rules_.style == FrontStyle::GroovedFrame;
    for (const bool left : {true, false}) out.push_back(stile(left, grooved, panel, thickness));
    for (const bool lower : {true, false}) out.push_back(rail(lower, grooved, panel, thickness));
    // Its grain runs as that of a slab would.
    const Reason high = framedPanel(place_.height, rules_);
    const Reason wide = framedPanel(place_.width, rules_);
    Part middle =
        board(FrontPiece::Panel, panelMaterial(), upright_ ? high : wide, upright_ ? wide : high);
    const Length into = rules_.tongue - rules_.panelClearance / 2;
    put(middle, width - into, width - into, upright_,
        grooved ? (thickness - panel) / 2 : thickness - panel);
    out.push_back(std::move(middle));
    return out;
  }

 private:
  const std::string& panelMaterial() const {
    return rules_.panelMaterial.empty() ? rules_.material : rules_.panelMaterial;
  }

  Part board(FrontPiece piece, const std::string& material, Reason length, Reason width) const {
    Part part =
        builder_.board(pieceOf(of_.role, piece), material, std::move(length), std::move(width));
    part.show = Face::Outside;
    part.opening = of_.opening;
    part.keys.front().opening = of_.id;
    if (rules_.finish) part.finish = *rules_.finish;
    return part;
  }

  // At (x, z) from the front's lower left corner, `behind` its face.
  void put(Part& part, Length x, Length z, bool upright, Length behind) const {
    PartBuilder::place(
        part, {{place_.rect.x + x, place_.face + behind + part.thickness, place_.rect.z + z},
               upright ? kUp : kRight,
               upright ? kRight : kUp,
               kForwards});
  }

  static void edgeGroove(Part& part, bool high, Length panel, Length depth) {
    Machining cut;
    cut.cut = MachiningKind::EdgeGroove;
    cut.receives = "panel";
    cut.u1 = part.length.total();
    cut.v0 = high ? part.width.total() - depth : Length{};
    cut.v1 = cut.v0 + depth;
    cut.w0 = part.thickness - panel - (part.thickness - panel) / 2;
    cut.width = panel;
    cut.depth = depth;
    cut.from = high ? Edge::L2 : Edge::L1;
    part.machining.push_back(std::move(cut));
  }

  // The rabbet from behind that takes the panel of a lapped frame.
  void panelRabbet(Part& part, bool high, Length u0, Length u1, Length panel) const {
    Machining cut = grooveAlong(part, "panel", high ? part.width.total() - rules_.tongue : Length{},
                                rules_.tongue, panel);
    cut.u0 = u0;
    cut.u1 = u1;
    cut.through = false;
    part.machining.push_back(std::move(cut));
  }

  Part stile(bool left, bool grooved, Length panel, Length thickness) const {
    const Length width = rules_.frameWidth;
    Part part = board(left ? FrontPiece::LeftStile : FrontPiece::RightStile, rules_.material,
                      place_.height, Reason("stile width", width));
    put(part, left ? Length{} : place_.rect.width - width, Length{}, true, Length{});
    part.hand = left ? Hand::Left : Hand::Right;
    if (grooved) {
      edgeGroove(part, left, panel, rules_.tongue);
    } else {
      for (const Length u : {Length{}, part.length.total() - width})
        part.machining.push_back(
            dadoAcross(part, roleName(of_.role) + " rail", u, width, thickness / 2, Face::Outside));
      panelRabbet(part, left, width - rules_.tongue, part.length.total() - width + rules_.tongue,
                  panel);
    }
    return part;
  }

  Part rail(bool lower, bool grooved, Length panel, Length thickness) const {
    const Length width = rules_.frameWidth;
    Part part = board(lower ? FrontPiece::LowerRail : FrontPiece::UpperRail, rules_.material,
                      grooved ? railLength(place_.width, rules_) : place_.width,
                      Reason("rail width", width));
    put(part, grooved ? width - rules_.tongue : Length{},
        lower ? Length{} : place_.rect.height - width, false, Length{});
    if (grooved) {
      edgeGroove(part, lower, panel, rules_.tongue);
      // What is left in the middle of the thickness is the tongue.
      const Length shoulder = (thickness - panel) / 2;
      for (const Length u : {Length{}, part.length.total() - rules_.tongue}) {
        part.machining.push_back(
            dadoAcross(part, "shoulder of the tongue", u, rules_.tongue, shoulder, Face::Outside));
        part.machining.push_back(dadoAcross(part, "shoulder of the tongue", u, rules_.tongue,
                                            thickness - panel - shoulder, Face::Inside));
      }
    } else {
      for (const Length u : {Length{}, part.length.total() - width})
        part.machining.push_back(dadoAcross(part, roleName(of_.role) + " stile", u, width,
                                            thickness - thickness / 2, Face::Inside));
      panelRabbet(part, lower, width, part.length.total() - width, panel);
    }
    return part;
  }

  const PartBuilder& builder_;
  const FrontRules& rules_;
  const FrontPlace& place_;
  const FrontOf& of_;
  bool upright_;
};

// What stands behind a door where its hinges could be, along the edge that hangs: the panels that
// meet it, and slides.
std::vector<Span> behind(const PartBuilder& builder, const Carcass& carcass,
                         const CarcassLayout& layout, const FrontRect& r, bool flap) {
  constexpr Length kSlide = Length::mm(45);
  std::vector<Span> out;
  const auto add = [&](const FrontRect& one) {
    if (one.x >= r.right() || one.right() <= r.x || one.z >= r.top() || one.top() <= r.z) return;
    out.push_back(flap ? Span{one.x - r.x, one.right() - r.x} : Span{one.z - r.z, one.top() - r.z});
  };
  for (const PanelRect& panel : layout.panels)
    if (panel.kind == (flap ? PanelKind::Divider : PanelKind::Shelf)) add(panel.rect);
  if (flap) return out;
  for (const OpeningRect& leaf : layout.leaves) {
    if (!std::holds_alternative<DrawerBank>(find(carcass.inside, leaf.path)->content)) continue;
    if (const auto drawers = planDrawers(builder.job(), builder.choices(), carcass, layout, leaf))
      for (const DrawerPlan& drawer : *drawers)
        if (drawer.slide != nullptr && drawer.front.rect.height == Length{})
          add({leaf.rect.x, drawer.boxZ, leaf.rect.width, kSlide});
  }
  return out;
}

struct Leaf {
  FrontPlace place;
  Hinge hinge;
  PartRole role;
};

std::vector<Leaf> leavesOf(const Carcass& carcass, const CarcassLayout& layout,
                           const OpeningRect& door,
                           const std::function<Length(PartRole)>& thickness) {
  const Door& of = *find(carcass.inside, door.path)->door;
  const Hinge hinge = of.hinge;
  const FrontRules rules = frontRules(carcass, door.path);
  const FrontReach reach = frontReach(carcass, layout, door);
  const std::int64_t count = hinge == Hinge::Pair ? 2 : 1;
  FrontPlace place;
  const bool stile = hinge == Hinge::Pair && of.centreStile && layout.frame;
  place.width = frontWidth(door.face.width, reach.left, reach.right,
                           stile ? betweenFronts(rules, *layout.frame) : rules.gap, count,
                           stile ? "at the stile" : "gap");
  FrontReach upright = reach;
  if (rules.lidHinge != LidHinge::Cups && hinge == Hinge::Top) upright.top -= rules.knuckle;
  if (rules.lidHinge != LidHinge::Cups && hinge == Hinge::Bottom) upright.bottom -= rules.knuckle;
  place.height = frontWidth(door.face.height, upright.bottom, upright.top, rules.gap, 1);
  place.rect = {door.face.x - reach.left, door.face.z - upright.bottom, place.width.total(),
                place.height.total()};
  const auto faceOf = [&](PartRole role) {
    return layout.frameFront - (rules.fit == FrontFit::Overlay ? thickness(role) : Length{});
  };
  const bool flap = hinge == Hinge::Top || hinge == Hinge::Bottom;
  const PartRole alone = flap ? PartRole::Lid : PartRole::Door;
  place.face = faceOf(count == 1 ? alone : PartRole::LeftDoor);
  if (count == 1) return {{place, hinge, alone}};
  FrontPlace right = place;
  right.face = faceOf(PartRole::RightDoor);
  right.rect.x = door.face.right() + reach.right - right.rect.width;
  return {{place, Hinge::Left, PartRole::LeftDoor}, {right, Hinge::Right, PartRole::RightDoor}};
}

}  // namespace

Machining opener(const FrontRules& rules, const Part& part, Edge free, Length in) {
  if (rules.fingerPull) return bevel(free, kFingerPull, Face::Outside, "finger pull");
  Machining out =
      round(MachiningKind::Hole, "pull", part.length.total() / 2,
            free == Edge::L2 ? part.width.total() - in : in, kScrewHole, part.thickness, free, in);
  out.through = true;
  return out;
}

HingesAlong hingesAlong(LidHinge hinge, Length lid) {
  constexpr Length kScrewEvery = Length::mm(75);
  constexpr Length kHingeEvery = Length::mm(600);
  constexpr int kButtScrews = 6;
  if (hinge == LidHinge::Continuous)
    return {1, lid, 2 * static_cast<int>(lid.inNm() / kScrewEvery.inNm() + 1)};
  return {static_cast<int>(begun(lid, kHingeEvery)) + 1, {}, kButtScrews};
}

std::string lidHinges(LidHinge hinge, Length lid, const LengthStyle& style) {
  const HingesAlong of = hingesAlong(hinge, lid);
  if (of.length > Length{})
    return fmt::format("continuous hinge {} long, {} screws", formatWithUnit(of.length, style),
                       of.screws);
  return fmt::format("{} butt hinges", of.count);
}

FrontRules frontRules(const Carcass& carcass, const OpeningPath& opening) {
  FrontRules out = carcass.fronts;
  const OpeningFronts& own = find(carcass.inside, opening)->fronts;
  if (own.style) out.style = *own.style;
  if (own.gap) out.gap = *own.gap;
  return out;
}

Length betweenFronts(const FrontRules& rules, const FaceFrame& frame) {
  if (rules.fit == FrontFit::Inset) return frame.middle + 2 * rules.gap;
  return frame.middle - 2 * std::min(rules.overlay, (frame.middle - rules.gap) / 2);
}

void turnGrain(const PartBuilder& builder, const Carcass& carcass, const OpeningPath& opening,
               bool upright, Part& part) {
  const auto grain = find(carcass.inside, opening)->fronts.grain;
  const FrontPiece piece = *frontPieceOf(part.role);
  if (!grain || (piece != FrontPiece::Whole && piece != FrontPiece::Panel) ||
      !findMaterial(builder.job(), part.material)->grained)
    return;
  part.grain = *grain == PanelGrain::Either                 ? PartGrain::Any
               : (*grain == PanelGrain::Upright) == upright ? PartGrain::Length
                                                            : PartGrain::Width;
}

FrontReach frontReach(const Carcass& carcass, const CarcassLayout& layout,
                      const OpeningRect& opening) {
  const FrontRect& r = opening.rect;
  const FrontRect& clear = layout.clear;
  const auto over = [&](Side side, bool outside) {
    return overEdge(carcass, layout, opening, side, outside);
  };
  return {over(Side::Left, r.x == clear.x), over(Side::Right, r.right() == clear.right()),
          over(Side::Bottom, r.z == clear.z), over(Side::Top, r.top() == clear.top())};
}

Reason frontWidth(Length opening, Length reachLow, Length reachHigh, Length gap, std::int64_t count,
                  const char* between) {
  Reason out("opening", opening);
  if (reachLow < Length{} && reachLow == reachHigh)
    out.minus("gap", -reachLow, 2);
  else if (reachLow == reachHigh)
    out.plus("overlay", reachLow, 2);
  else
    out.plus("overlay", reachLow).plus("overlay", reachHigh);
  out.minus(between, gap, count - 1);
  return count > 1 ? out.shared(count) : out;
}

Reason railLength(const Reason& width, const FrontRules& rules) {
  return Reason("front width", width.total())
      .minus("stile", rules.frameWidth, 2)
      .plus("tongue", rules.tongue, 2);
}

Reason framedPanel(const Reason& size, const FrontRules& rules) {
  return Reason("front", size.total())
      .minus("frame", rules.frameWidth, 2)
      .plus(rules.style == FrontStyle::LappedFrame ? "rabbet" : "groove", rules.tongue, 2)
      .minus("clearance", rules.panelClearance);
}

std::vector<Length> hingePlaces(Length height, double grams, const std::vector<Span>& blocked) {
  constexpr Length kFromEnd = Length::mm(100);
  constexpr Length kClear = Length::mm(30) + kCup / 2;  // of the rim from a face
  constexpr double kHeavy = 15'000;
  std::int64_t count = height <= Length::mm(1'000) ? 2 : height <= Length::mm(1'600) ? 3 : 4;
  if (grams > kHeavy) ++count;
  const Length end = std::min(kFromEnd, height / 4);
  std::vector<Length> out;
  for (std::int64_t i = 0; i < count; ++i) {
    Length at = end + i * (height - 2 * end) / (count - 1);
    for (const Span& face : blocked) {
      const Length below = face.low - kClear;
      const Length above = face.high + kClear;
      if (at <= below || at >= above) continue;
      const bool up = at - below >= above - at;
      const bool roomAbove = above <= height - kCup;
      const bool roomBelow = below >= kCup;
      if (roomAbove && (up || !roomBelow))
        at = above;
      else if (roomBelow)
        at = below;
    }
    out.push_back(at);
  }
  return out;
}

Result<std::vector<Part>> frontParts(const PartBuilder& builder, const FrontRules& rules,
                                     const FrontPlace& place, const FrontOf& of, bool upright) {
  if (place.rect.width <= Length{} || place.rect.height <= Length{})
    return cannot("fronts", "an opening that the gaps take up", "smaller gaps or a larger opening");
  FrontMaker front(builder, rules, place, of, upright);
  if (rules.style == FrontStyle::Slab) return front.slab();
  return front.framed();
}

Result<std::vector<Part>> doorParts(const PartBuilder& builder, const Carcass& carcass,
                                    const CarcassLayout& layout, const OpeningRect& door) {
  if (find(carcass.inside, door.path)->door->hinge == Hinge::Sliding)
    return slidingParts(builder, carcass, layout, door);
  std::vector<Part> out;
  const auto thickness = [&](PartRole role) {
    return builder.thickness(role, door.id, carcass.fronts.material);
  };
  for (const Leaf& leaf : leavesOf(carcass, layout, door, thickness)) {
    FrontRules rules = frontRules(carcass, door.path);
    rules.material = builder.material(leaf.role, door.id, rules.material);
    const Material& material = *findMaterial(builder.job(), rules.material);
    const bool flap = leaf.hinge == Hinge::Top || leaf.hinge == Hinge::Bottom;
    constexpr Length kLeast = Length::mm(45);  // a cup and 5 mm of wood on either side
    if (const Length across = flap ? leaf.place.rect.height : leaf.place.rect.width;
        rules.style == FrontStyle::Slab && across > Length{} && across < kLeast &&
        !(flap && rules.lidHinge != LidHinge::Cups))
      return cannot(flap ? "lid" : "door", builder.shown(across) + (flap ? " high" : " wide"),
                    "at least " + builder.shown(kLeast) + ", room for its hinge cups");
    auto made = frontParts(builder, rules, leaf.place, {leaf.role, door.id, door.path}, !flap);
    if (!made) return made.problems();
    std::vector<Part> parts = std::move(made).value();
    const FrontRect& r = leaf.place.rect;
    const double grams = (r.width * r.height).inM2() * material.measured.inMm() *
                         static_cast<double>(material.density);
    const std::vector<Span> blocked = behind(builder, carcass, layout, r, flap);
    for (Part& part : parts) {
      turnGrain(builder, carcass, door.path, !flap, part);
      const bool slab = rules.style == FrontStyle::Slab;
      const FrontPiece piece = *frontPieceOf(part.role);
      const bool stile = piece == FrontPiece::LeftStile || piece == FrontPiece::RightStile;
      const bool low = leaf.hinge == Hinge::Left || leaf.hinge == Hinge::Bottom;
      if (!flap && part.hand == Hand::None && slab)
        part.hand = leaf.hinge == Hinge::Left ? Hand::Left : Hand::Right;
      const bool hinged = slab || (!flap && stile && (part.hand == Hand::Left) == low) ||
                          (flap && piece == (low ? FrontPiece::LowerRail : FrontPiece::UpperRail));
      const bool pulled = slab || (!flap && stile && (part.hand == Hand::Left) != low) ||
                          (flap && piece == (low ? FrontPiece::UpperRail : FrontPiece::LowerRail));
      const Length along = flap && !slab ? part.length.total() : flap ? r.width : r.height;
      const Length v = low ? kCupCentre : part.width.total() - kCupCentre;
      if (hinged && flap && rules.lidHinge != LidHinge::Cups)
        part.note = lidHinges(rules.lidHinge, along, styleOf(builder.job()));
      else if (hinged)
        for (const Length u : hingePlaces(along, grams, blocked))
          part.machining.push_back(round(MachiningKind::HingeCup, "hinge", u, v, kCup, kCupDepth,
                                         low ? Edge::L1 : Edge::L2, kCupCentre));
      if (!pulled) continue;
      const Edge free = low ? Edge::L2 : Edge::L1;
      part.machining.push_back(
          opener(rules, part, free, std::min(rules.pullFromEdge, part.width.total() / 2)));
    }
    out.insert(out.end(), parts.begin(), parts.end());
  }
  return out;
}

std::vector<FrontRect> doorRects(const Carcass& carcass, const CarcassLayout& layout,
                                 const OpeningRect& door) {
  if (find(carcass.inside, door.path)->door->hinge == Hinge::Sliding)
    return slidingRects(carcass, door);
  std::vector<FrontRect> out;
  const auto flat = [](PartRole) { return Length{}; };
  for (const Leaf& leaf : leavesOf(carcass, layout, door, flat)) out.push_back(leaf.place.rect);
  return out;
}

}  // namespace pp
