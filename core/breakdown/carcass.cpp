#include "core/breakdown/carcass.h"

#include <fmt/format.h>

#include "core/breakdown/banding.h"

namespace pp {

Reason insideWidth(Length width, Length thickness) {
  return Reason("width", width).minus("side", thickness, 2);
}

Reason shelfLength(Length clearWidth, Joint joint, Length dadoDepth) {
  Reason out("clear width", clearWidth);
  if (joint == Joint::Dado) out.plus("dado depth", dadoDepth, 2);
  return out;
}

Reason dividerLength(Length clearHeight, Joint joint, Length dadoDepth) {
  Reason out("clear height", clearHeight);
  if (joint == Joint::Dado) out.plus("dado depth", dadoDepth, 2);
  return out;
}

Reason shelfDepth(Length depth, Length backThickness) {
  return Reason("depth", depth).minus("back", backThickness);
}

Reason backSize(const char* clearName, Length clear, const Back& back) {
  return Reason(clearName, clear)
      .plus("rabbet depth", back.rabbetDepth, 2)
      .minus("clearance", back.clearance);
}

Reason adjustableShelfLength(Length clearWidth, const ShelfRules& rules) {
  return Reason("clear width", clearWidth).minus("clearance", rules.clearance);
}

Reason adjustableShelfDepth(Length clearDepth, const ShelfRules& rules) {
  return Reason("inside depth", clearDepth)
      .minus("clearance", rules.clearance)
      .minus("set-back", rules.setBack);
}

PinRow pinRow(Length clearHeight, Length pitch) {
  const std::int64_t keep = clearHeight >= 8 * pitch ? 3 : 1;
  const Length room = clearHeight - 2 * keep * pitch;
  if (room < Length{}) return {};
  const std::int64_t steps = room.inNm() / pitch.inNm();
  return {(clearHeight - steps * pitch) / 2, static_cast<int>(steps) + 1};
}

namespace {

constexpr Direction kRight{Axis::X, 1}, kLeft{Axis::X, -1}, kBackwards{Axis::Y, 1}, kUp{Axis::Z, 1},
    kDown{Axis::Z, -1};

class Builder {
 public:
  Builder(const Job& job, const Assembly& assembly, const CarcassLayout& layout)
      : job_(job),
        assembly_(assembly),
        carcass_(assembly.carcass),
        layout_(layout),
        t_(layout.thickness),
        joint_(carcass_.joint == Joint::Dado ? carcass_.dadoDepth : Length{}) {}

  Result<std::vector<Part>> run() {
    for (const PanelRect& panel : layout_.panels) panels_.push_back(makePanel(panel));
    for (std::size_t i = 0; i < panels_.size(); ++i) join(i);
    for (const OpeningRect& leaf : layout_.leaves) adjustableShelves(leaf);
    if (!problems_.empty()) return problems_;
    if (const Problems meeting = meetingDados(); !meeting.empty()) return meeting;
    std::vector<Part> out = std::move(panels_);
    out.insert(out.end(), shelves_.begin(), shelves_.end());
    out.push_back(makeBack());
    return out;
  }

 private:
  Part make(std::string name, Reason length, Reason width) const {
    Part part;
    part.name = std::move(name);
    part.assembly = assembly_.code;
    part.material = carcass_.material;
    part.thickness = t_;
    part.length = std::move(length);
    part.width = std::move(width);
    part.grain = findMaterial(job_, part.material)->grained ? PartGrain::Length : PartGrain::Any;
    return part;
  }

  void bandFront(Part& part) const {
    part.exposed[static_cast<std::size_t>(Edge::L1)] = true;
    band(part, Edge::L1, findBanding(job_, carcass_.banding));
  }

  Part makePanel(const PanelRect& panel) const {
    switch (panel.kind) {
      case PanelKind::LeftSide:
      case PanelKind::RightSide:
        return makeSide(panel.kind == PanelKind::LeftSide);
      case PanelKind::Kick:
        return makeKick(panel);
      case PanelKind::Divider:
        return makeDivider(panel);
      default:
        return makeHorizontal(panel);
    }
  }

  Part makeSide(bool left) const {
    Part part = make(left ? "left side" : "right side", Reason("height", carcass_.height),
                     Reason("depth", carcass_.depth));
    part.hand = left ? Hand::Left : Hand::Right;
    part.edges = {Side::Front, Side::Back, Side::Bottom, Side::Top};
    part.poses = {{{left ? t_ : carcass_.width - t_, Length{}, Length{}},
                   kUp,
                   kBackwards,
                   left ? kLeft : kRight}};
    bandFront(part);
    backRabbet(part);
    if (carcass_.toe) {
      Machining notch;
      notch.cut = Cut::Notch;
      notch.receives = "toe";
      notch.u1 = carcass_.toe->height;
      notch.v1 = carcass_.toe->depth;
      notch.width = carcass_.toe->depth;
      notch.depth = t_;
      notch.through = false;
      part.machining.push_back(notch);
    }
    return part;
  }

  Part makeHorizontal(const PanelRect& panel) const {
    const bool shelf = panel.kind == PanelKind::Shelf;
    const bool top = panel.kind == PanelKind::Top;
    Part part = make(shelf ? "fixed shelf"
                     : top ? "top"
                           : "bottom",
                     shelfLength(panel.rect.width, carcass_.joint, carcass_.dadoDepth),
                     shelf ? shelfDepth(carcass_.depth, layout_.backThickness)
                           : Reason("depth", carcass_.depth));
    part.edges = {Side::Front, Side::Back, Side::Left, Side::Right};
    part.opening = panel.path;
    part.poses = {{{panel.rect.x - joint_, Length{}, top ? panel.rect.z : panel.rect.z + t_},
                   kRight,
                   kBackwards,
                   top ? kUp : kDown}};
    bandFront(part);
    if (!shelf) backRabbet(part);
    return part;
  }

  Part makeDivider(const PanelRect& panel) const {
    Part part =
        make("divider", dividerLength(panel.rect.height, carcass_.joint, carcass_.dadoDepth),
             shelfDepth(carcass_.depth, layout_.backThickness));
    part.edges = {Side::Front, Side::Back, Side::Bottom, Side::Top};
    part.opening = panel.path;
    part.poses = {{{panel.rect.x, Length{}, panel.rect.z - joint_}, kUp, kBackwards, kRight}};
    bandFront(part);
    return part;
  }

  Part makeKick(const PanelRect& panel) const {
    Part part = make("kick board", insideWidth(carcass_.width, t_),
                     Reason("toe height", carcass_.toe->height));
    part.show = Face::Outside;
    part.edges = {Side::Bottom, Side::Top, Side::Left, Side::Right};
    part.poses = {
        {{panel.rect.x, carcass_.toe->depth + t_, Length{}}, kRight, kUp, Direction{Axis::Y, -1}}};
    return part;
  }

  Part makeBack() const {
    const Back& back = carcass_.back;
    Part part = make("back", backSize("clear height", layout_.clear.height, back),
                     backSize("clear width", layout_.clear.width, back));
    part.material = back.material;
    part.thickness = layout_.backThickness;
    part.grain = !findMaterial(job_, back.material)->grained || back.grain == BackGrain::Either
                     ? PartGrain::Any
                 : back.grain == BackGrain::Upright ? PartGrain::Length
                                                    : PartGrain::Width;
    part.edges = {Side::Left, Side::Right, Side::Bottom, Side::Top};
    const Length outwards = back.rabbetDepth - back.clearance / 2;
    part.poses = {{{layout_.clear.x - outwards, layout_.clearDepth, layout_.clear.z - outwards},
                   kUp,
                   kRight,
                   kBackwards}};
    return part;
  }

  void backRabbet(Part& part) const {
    Machining rabbet;
    rabbet.cut = Cut::Rabbet;
    rabbet.receives = "back";
    rabbet.u1 = part.length.total();
    rabbet.v0 = layout_.clearDepth;
    rabbet.v1 = carcass_.depth;
    rabbet.from = Edge::L2;
    rabbet.width = layout_.backThickness;
    rabbet.depth = carcass_.back.rabbetDepth;
    part.machining.push_back(rabbet);
  }

  // The panel that ends where (x, z) begins on its low or high side, or none.
  struct Meets {
    std::size_t panel;
    Face face;
  };

  // The upright panel whose face lies at x and that is there at height z. `onLeft`: the panel is to
  // the left of x.
  std::optional<Meets> upright(Length x, Length z, bool onLeft) const {
    for (std::size_t i = 0; i < panels_.size(); ++i) {
      const PanelRect& panel = layout_.panels[i];
      const bool side = panel.kind == PanelKind::LeftSide || panel.kind == PanelKind::RightSide;
      if (!side && panel.kind != PanelKind::Divider) continue;
      const FrontRect& r = panel.rect;
      if (z < r.z || z >= r.z + r.height || (onLeft ? r.x + r.width : r.x) != x) continue;
      return Meets{i, side || !onLeft ? Face::Inside : Face::Outside};
    }
    return std::nullopt;
  }

  // The lying panel whose face lies at z and that is there at x. `below`: the panel is under z.
  std::optional<Meets> lying(Length x, Length z, bool below) const {
    for (std::size_t i = 0; i < panels_.size(); ++i) {
      const PanelRect& panel = layout_.panels[i];
      const bool shelf = panel.kind == PanelKind::Shelf;
      if (!shelf && panel.kind != PanelKind::Bottom && panel.kind != PanelKind::Top) continue;
      const FrontRect& r = panel.rect;
      if (x < r.x || x >= r.x + r.width || (below ? r.z + r.height : r.z) != z) continue;
      return Meets{i, !shelf || below ? Face::Inside : Face::Outside};
    }
    return std::nullopt;
  }

  void join(std::size_t i) {
    if (carcass_.joint != Joint::Dado) return;
    const PanelRect& panel = layout_.panels[i];
    const FrontRect& r = panel.rect;
    const std::string name = panels_[i].name;
    switch (panel.kind) {
      case PanelKind::Divider:
        dado(lying(r.x, r.z, true), name, r.x);
        dado(lying(r.x, r.z + r.height, false), name, r.x);
        break;
      case PanelKind::Bottom:
      case PanelKind::Top:
      case PanelKind::Shelf:
        dado(upright(r.x, r.z, true), name, r.z);
        dado(upright(r.x + r.width, r.z, false), name, r.z);
        break;
      default:
        break;
    }
  }

  // A dado one thickness wide that begins at `at` (x or z) in the panel met.
  void dado(const std::optional<Meets>& meets, const std::string& receives, Length at) {
    if (!meets) return;
    Part& part = panels_[meets->panel];
    const Pose& pose = part.poses.front();
    Machining cut;
    cut.face = meets->face;
    cut.receives = receives;
    cut.u0 = at - pose.origin[static_cast<std::size_t>(pose.u.axis)];
    cut.u1 = cut.u0 + t_;
    cut.v1 = part.width.total();
    cut.depth = carcass_.dadoDepth;
    cut.width = t_;
    cut.distance = cut.u0;
    const bool atEnd = cut.u1 == part.length.total();
    cut.cut = atEnd || cut.u0 == Length{} ? Cut::Rabbet : Cut::Dado;
    if (atEnd) {
      cut.from = Edge::W2;
      cut.distance = Length{};
    }
    part.machining.push_back(cut);
  }

  void adjustableShelves(const OpeningRect& leaf) {
    const auto* content =
        std::get_if<AdjustableShelves>(&find(carcass_.inside, leaf.path)->content);
    if (content == nullptr) return;
    const ShelfRules& rules = carcass_.shelves;
    Part part = make("adjustable shelf", adjustableShelfLength(leaf.rect.width, rules),
                     adjustableShelfDepth(layout_.clearDepth, rules));
    const Length air = leaf.rect.height - content->count * t_;
    if (air <= Length{} || part.length.total() <= Length{} || part.width.total() <= Length{}) {
      problems_.push_back({{},
                           0,
                           "adjustable shelves",
                           fmt::format("{} in an opening {} high and {} wide", content->count,
                                       formatWithUnit(leaf.rect.height, styleOf(job_)),
                                       formatWithUnit(leaf.rect.width, styleOf(job_))),
                           "fewer shelves or a larger opening"});
      return;
    }
    part.edges = {Side::Front, Side::Back, Side::Left, Side::Right};
    part.opening = leaf.path;
    bandFront(part);
    part.quantity = content->count;
    const Length space = air / (content->count + 1);
    for (int i = 0; i < content->count; ++i)
      part.poses.push_back(
          {{leaf.rect.x + rules.clearance / 2, rules.setBack, leaf.rect.z + (i + 1) * (space + t_)},
           kRight,
           kBackwards,
           kDown});
    shelves_.push_back(part);
    pins(leaf, upright(leaf.rect.x, leaf.rect.z, true));
    pins(leaf, upright(leaf.rect.x + leaf.rect.width, leaf.rect.z, false));
  }

  void pins(const OpeningRect& leaf, const std::optional<Meets>& meets) {
    const ShelfRules& rules = carcass_.shelves;
    const PinRow row = pinRow(leaf.rect.height, rules.pinPitch);
    if (!meets || row.holes == 0) return;
    Part& part = panels_[meets->panel];
    Machining holes;
    holes.cut = Cut::PinHoles;
    holes.face = meets->face;
    holes.receives = "adjustable shelf";
    holes.u0 = leaf.rect.z + row.first - part.poses.front().origin[2];
    holes.u1 = holes.u0 + (row.holes - 1) * rules.pinPitch;
    holes.depth = rules.pinDepth;
    holes.from = Edge::L1;
    holes.width = rules.pinDiameter;
    holes.holes = row.holes;
    holes.pitch = rules.pinPitch;
    holes.through = false;
    for (const Length v : {rules.pinSetBack, layout_.clearDepth - rules.pinSetBack}) {
      holes.v0 = holes.v1 = holes.distance = v;
      part.machining.push_back(holes);
    }
  }

  // A panel cut through because dados lie opposite one another in its two faces.
  Problems meetingDados() const {
    for (const Part& part : panels_)
      for (const Machining& a : part.machining)
        for (const Machining& b : part.machining)
          if (a.face == Face::Inside && b.face == Face::Outside && a.cut != Cut::PinHoles &&
              b.cut != Cut::PinHoles && a.u0 < b.u1 && b.u0 < a.u1 &&
              a.depth + b.depth >= part.thickness)
            return {{{},
                     0,
                     "dado depth",
                     formatWithUnit(a.depth, styleOf(job_)),
                     fmt::format("less than {}, because dados lie opposite one another in the {}",
                                 formatWithUnit(part.thickness / 2, styleOf(job_)), part.name)}};
    return {};
  }

  const Job& job_;
  const Assembly& assembly_;
  const Carcass& carcass_;
  const CarcassLayout& layout_;
  Length t_;
  Length joint_;               // how far panels enter one another
  std::vector<Part> panels_;   // same order as layout_.panels
  std::vector<Part> shelves_;  // adjustable
  Problems problems_;
};

}  // namespace

Result<std::vector<Part>> carcassParts(const Job& job, const Assembly& assembly,
                                       const CarcassLayout& layout) {
  return Builder(job, assembly, layout).run();
}

}  // namespace pp
