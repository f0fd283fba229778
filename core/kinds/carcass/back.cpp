#include "core/kinds/carcass/back.h"

#include <algorithm>

#include "core/designs/size_list.h"
#include "core/kinds/carcass/shelves.h"
#include "core/kinds/carcass/sizes.h"

namespace pp {
namespace {

constexpr Length kBatten = Length::mm(80);

class BackMaker {
 public:
  BackMaker(const PartBuilder& builder, const Carcass& carcass, const CarcassLayout& layout)
      : builder_(builder),
        carcass_(carcass),
        layout_(layout),
        material_(builder.material(PartRole::Back, 0, carcass.back.material)) {}

  Result<std::vector<Part>> run() {
    outline();
    if (Problems problems = part(); !problems.empty()) return problems;
    std::vector<Part> out;
    for (std::size_t k = 0; k <= joints_.size(); ++k) out.push_back(piece(k));
    for (Part& batten : battens_) out.push_back(std::move(batten));
    return out;
  }

 private:
  // The whole of it, its clearance taken off.
  void outline() {
    const PanelKind top = carcass_.hasRails() ? PanelKind::FrontRail : PanelKind::Top;
    BackReach reach =
        backReach(carcass_, {thicknessOf(layout_, PanelKind::LeftSide),
                             thicknessOf(layout_, PanelKind::RightSide),
                             thicknessOf(layout_, PanelKind::Bottom), thicknessOf(layout_, top)});
    const FrontRect& in = layout_.inner;
    if (layout_.backMeetsMoulding()) {
      reach.bottom = std::min(reach.bottom, in.z - layout_.moulding->z);
      // The bottom has no rabbet for it then.
      if (layout_.bottomDepth > layout_.clearDepth) reach.bottom = std::min(reach.bottom, Length{});
    }
    const BackSchool school = carcass_.back.school;
    const char* depth = carcass_.backSetIn()           ? "groove depth"
                        : school == BackSchool::Behind ? "side"
                                                       : "rabbet depth";
    const char* lying = school == BackSchool::Behind || school == BackSchool::RabbetSides ||
                                school == BackSchool::Channels
                            ? "top and bottom"
                            : depth;
    height_ = backSize("clear height", in.height, lying, reach.bottom, reach.top, reach.clearance);
    width_ = backSize("clear width", in.width, depth, reach.left, reach.right, reach.clearance);
    const Length half = reach.clearance / 2;
    rect_ = {in.x - reach.left + half, in.z - reach.bottom + half, width_.total(), height_.total()};
    y_ = school == BackSchool::Behind ? layout_.sideDepth : layout_.clearDepth;
  }

  bool fits(Length width, Length height) const {
    return fitsSheet(builder_.job(), material_, carcass_.back.grain, width, height);
  }

  // Says where the pieces meet. One that no sheet gives and that cannot be parted stays whole, for
  // the second look to find.
  Problems part() {
    if (carcass_.back.pieces > 0) return shareOut(carcass_.back.pieces, restsOn());
    // One that would go on a sheet the other way round is not parted: the maker may turn its grain.
    if (fits(rect_.width, rect_.height) ||
        fitsSheet(builder_.job(), material_, PanelGrain::Either, rect_.width, rect_.height))
      return {};
    // Side by side where that is enough, else one above the other.
    int count = fewest([this](int n) { return fits(rect_.width / n, rect_.height); });
    if (count == 0) {
      stacked_ = true;
      count = fewest([this](int n) { return fits(rect_.width, rect_.height / n); });
    }
    const std::vector<Length> rests = restsOn();
    if (count > 0 && meetOn(rests)) return battens();
    if (count > 0 && !shareOut(count, rests).empty()) {
      joints_.clear();
      battens_.clear();
    }
    return {};
  }

  template <class Fits>
  static int fewest(const Fits& fits) {
    for (int n = 1; n <= kMostOfBack; ++n)
      if (fits(n)) return n;
    return 0;
  }

  Length low() const { return stacked_ ? rect_.z : rect_.x; }
  Length high() const { return stacked_ ? rect_.top() : rect_.right(); }
  bool fitsAlong(Length size) const {
    return stacked_ ? fits(rect_.width, size) : fits(size, rect_.height);
  }

  // A length of a joint between pieces side by side, from below.
  struct Run {
    Length from, to;
  };
  // Where such a joint has neither a divider nor a shelf before it.
  std::vector<Run> bareAt(Length joint) const {
    std::vector<Run> out = {{layout_.clear.z, layout_.clear.top()}};
    for (const PanelRect& panel : layout_.panels) {
      const FrontRect& r = panel.rect;
      // Both pieces need wood to be fixed to.
      const Length bite = panel.kind == PanelKind::Divider ? r.width / 4 : Length{};
      if ((panel.kind != PanelKind::Divider && panel.kind != PanelKind::Shelf) ||
          r.x + bite > joint || r.right() - bite < joint)
        continue;
      std::vector<Run> left;
      for (const Run& run : out) {
        if (r.z > run.from) left.push_back({run.from, std::min(run.to, r.z)});
        if (r.top() < run.to) left.push_back({std::max(run.from, r.top()), run.to});
      }
      std::erase_if(left, [](const Run& run) { return run.from >= run.to; });
      out = std::move(left);
    }
    return out;
  }
  Length battenThickness() const {
    return builder_.thickness(PartRole::BackBatten, 0, carcass_.material);
  }
  bool battensBehind() const {
    return carcass_.backSetIn() && carcass_.back.setIn >= battenThickness();
  }
  // Whether an opening without anything in it has room for a batten on that run.
  bool takesBatten(Length joint, const Run& run) const {
    return std::any_of(layout_.leaves.begin(), layout_.leaves.end(), [&](const OpeningRect& leaf) {
      return leaf.rect.x <= joint - kBatten / 2 && joint + kBatten / 2 <= leaf.rect.right() &&
             leaf.rect.z <= run.from && run.to <= leaf.rect.top() &&
             std::holds_alternative<OpenSpace>(find(carcass_.inside, leaf.path)->content);
    });
  }
  bool takesBattens(Length joint) const {
    if (battensBehind()) return true;
    const std::vector<Run> bare = bareAt(joint);
    return std::all_of(bare.begin(), bare.end(),
                       [&](const Run& run) { return takesBatten(joint, run); });
  }

  // The middles of the panels that two pieces can meet on, in order; a divider that ends at a shelf
  // is gone on with by a batten.
  std::vector<Length> restsOn() const {
    std::vector<Length> out;
    const FrontRect& clear = layout_.clear;
    for (const PanelRect& panel : layout_.panels) {
      const FrontRect& r = panel.rect;
      if (!stacked_ && panel.kind == PanelKind::Divider && takesBattens(r.x + r.width / 2))
        out.push_back(r.x + r.width / 2);
      if (stacked_ && panel.kind == PanelKind::Shelf && r.x == clear.x &&
          r.right() == clear.right())
        out.push_back(r.z + r.height / 2);
    }
    for (Length& at : out) at = turned(at);
    std::sort(out.begin(), out.end());
    out.erase(std::unique(out.begin(), out.end()), out.end());
    return out;
  }

  bool fromHigh() const { return !stacked_ && carcass_.back.fromRight; }
  // Joints are looked for from the low end; from the high one what is found is seen in a mirror.
  Length turned(Length at) const { return fromHigh() ? low() + high() - at : at; }
  void keep(std::vector<Length> joints) {
    joints_.clear();
    for (const Length at : joints) joints_.push_back(turned(at));
    std::sort(joints_.begin(), joints_.end());
  }

  // As few pieces as the sheets give, each from one panel to another; whether there are such.
  bool meetOn(const std::vector<Length>& rests) {
    std::vector<Length> joints;
    Length at = low();
    while (!fitsAlong(high() - at)) {
      const Length from = at;
      for (const Length rest : rests)
        if (rest > at && fitsAlong(rest - from)) at = rest;
      if (at == from) return false;
      joints.push_back(at);
    }
    keep(std::move(joints));
    return true;
  }

  // The first of those that are as near as any, to a millimetre: a step of shares is no reason.
  static std::optional<Length> nearestTo(Length at, const std::vector<Length>& rests) {
    std::optional<Length> out;
    for (const Length rest : rests)
      if (!out || distance(rest, at) + Length::mm(1) < distance(*out, at)) out = rest;
    return out;
  }

  // So many pieces: each joint on the panel nearest to its even share, or on a batten.
  Problems shareOut(int count, const std::vector<Length>& rests) {
    const Length whole = high() - low();
    const Length reach = whole / (2 * count);
    std::vector<Length> joints;
    for (int k = 1; k < count; ++k) {
      const Length even = low() + k * whole / count;
      const auto nearest = nearestTo(even, rests);
      const bool rested = nearest && distance(*nearest, even) < reach;
      joints.push_back(rested ? *nearest : even);
    }
    keep(std::move(joints));
    if (Problems problems = battens(); !problems.empty()) return problems;
    Length from = low();
    for (std::size_t k = 0; k <= joints_.size(); ++k) {
      const Length to = k < joints_.size() ? joints_[k] : high();
      if (carcass_.back.pieces == 0 && !fitsAlong(to - from))
        return {cannot("back", "a piece of " + builder_.shown(to - from),
                       "pieces that the sheets give; say how many")};
      from = to;
    }
    return {};
  }

  Problems battens() {
    const std::vector<Length> rests = stacked_ ? restsOn() : std::vector<Length>{};
    for (const Length joint : joints_) {
      const bool rested = stacked_ ? std::find(rests.begin(), rests.end(), joint) != rests.end()
                                   : bareAt(joint).empty();
      if (rested) continue;
      if (Problems problems = batten(joint); !problems.empty()) return problems;
    }
    return {};
  }

  // Behind the back where that is set in far enough, else before it where nothing is in the way.
  Problems batten(Length joint) {
    if (stacked_ || !takesBattens(joint))
      return {cannot("back", "pieces that meet " + builder_.shown(joint - low()) + " along it",
                     stacked_ ? "a fixed shelf there"
                              : "a divider there, an empty opening for a batten, or a groove set "
                                "in by more than " +
                                    builder_.shown(battenThickness()))};
    const bool behind = battensBehind();
    const std::vector<Run> bare =
        behind ? std::vector<Run>{{layout_.clear.z, layout_.clear.top()}} : bareAt(joint);
    for (const Run& run : bare) battens_.push_back(battenOn(joint, run, behind));
    return {};
  }

  Part battenOn(Length joint, const Run& run, bool behind) const {
    const FrontRect& in = layout_.inner;
    const bool lowest = run.from == layout_.clear.z;
    const bool upmost = run.to == layout_.clear.top();
    const bool rail = !behind && upmost && carcass_.top == TopConstruction::StandingRail;
    Length from = lowest ? in.z : run.from;
    Length to = rail ? layout_.outer.top() - carcass_.stretcher : upmost ? in.top() : run.to;
    if (carcass_.back.school == BackSchool::Between) {
      from += carcass_.back.strip;
      if (!rail) to -= carcass_.back.strip;
    }
    if (layout_.moulding && lowest) from = std::max(from, layout_.moulding->z + from - in.z);
    Part part = builder_.board(PartRole::BackBatten,
                               builder_.material(PartRole::BackBatten, 0, carcass_.material),
                               Reason("clear height", to - from), Reason("batten", kBatten));
    const Length y =
        behind ? layout_.clearDepth + layout_.backThickness + part.thickness : layout_.clearDepth;
    PartBuilder::place(part, {{joint - kBatten / 2, y, from}, kUp, kRight, kForwards});
    return part;
  }

  Part piece(std::size_t k) const {
    const Length from = k == 0 ? low() : joints_[k - 1];
    const Length to = k < joints_.size() ? joints_[k] : high();
    const auto along = [&](const Reason& whole) {
      return joints_.empty() ? whole : Reason("from joint to joint", to - from);
    };
    Part part = builder_.board(PartRole::Back, material_, stacked_ ? along(height_) : height_,
                               stacked_ ? width_ : along(width_));
    part.grain = builder_.grainOf(material_, carcass_.back.grain);
    PartBuilder::place(
        part,
        {{stacked_ ? rect_.x : from, y_, stacked_ ? from : rect_.z}, kUp, kRight, kBackwards});
    return part;
  }

  const PartBuilder& builder_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
  const std::string& material_;
  Reason width_{"", Length{}}, height_{"", Length{}};
  FrontRect rect_;
  Length y_;
  bool stacked_ = false;  // the pieces lie one above the other
  std::vector<Length> joints_;
  std::vector<Part> battens_;
};

Result<std::vector<Part>> railParts(const PartBuilder& builder, const Carcass& carcass,
                                    const CarcassLayout& layout, std::vector<Part>& panels) {
  const bool behind = carcass.back.railPlace == RailPlace::Behind;
  std::vector<Part> out;
  for (const FrontRect& r : layout.rails) {
    const bool across = carcass.back.railPlace != RailPlace::PerBay;
    Part part =
        builder.board(PartRole::BackRail, builder.material(PartRole::BackRail, 0, carcass.material),
                      Reason(across ? "width over the sides" : "clear width", r.width),
                      Reason("rail width", r.height));
    PartBuilder::place(
        part, {{r.x, behind ? layout.rear : layout.clearDepth, r.z}, kRight, kUp, kForwards});
    if (carcass.back.railPlace == RailPlace::Notched)
      for (std::size_t i = 0; i < layout.panels.size(); ++i) {
        const PanelRect& panel = layout.panels[i];
        if (!panel.upright() || panel.rect.z >= r.top() || panel.rect.top() <= r.z) continue;
        Part& other = panels[i];
        const Pose& pose = other.poses.front();
        const Length v0 = layout.clearDepth - part.thickness - pose.origin[1];
        if (v0 <= Length{})
          return cannot("back rail", builder.shown(part.thickness) + " thick",
                        "thinner than the " + other.name + " is deep");
        other.machining.push_back(notch(other, part.name, r.z - pose.origin[2],
                                        r.top() - pose.origin[2], v0, other.width.total()));
      }
    out.push_back(std::move(part));
  }
  return out;
}

}  // namespace

bool fitsSheet(const Job& job, const std::string& material, PanelGrain grain, Length width,
               Length height) {
  const bool grained = findMaterial(job, material)->grained && grain != PanelGrain::Either;
  bool any = false;
  for (const StockPiece& stock : job.stock) {
    if (stock.material != material || stock.quantity == 0) continue;
    any = true;
    const Length trim =
        stock.trim.value_or(stock.kind == StockKind::Sheet ? job.saw.trim : Length{});
    const Length along = stock.length - 2 * trim;
    const Length across = stock.width - 2 * trim;
    const bool lies = width <= across && height <= along;  // the length upright
    const bool turned = width <= along && height <= across;
    const bool free = !grained || stock.grain == SheetGrain::None;
    const bool upright = (grain == PanelGrain::Upright) == (stock.grain == SheetGrain::Length);
    if (free ? lies || turned : upright ? lies : turned) return true;
  }
  return !any;
}

Result<std::vector<Part>> backParts(const PartBuilder& builder, const Carcass& carcass,
                                    const CarcassLayout& layout, std::vector<Part>& panels) {
  if (carcass.back.school == BackSchool::None) return railParts(builder, carcass, layout, panels);
  return BackMaker(builder, carcass, layout).run();
}

}  // namespace pp
