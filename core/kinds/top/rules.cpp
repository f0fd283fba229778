#include "core/kinds/top/rules.h"

#include <fmt/format.h>

#include <utility>

#include "core/fields/archive.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/common/count.h"
#include "core/kinds/common/plain.h"

namespace pp {
namespace {

constexpr Angle kMitre = Angle::degrees(45);

bool edged(const Top& top, bool side) {
  return !top.edgingMaterial.empty() && top.edging > Length{} && side;
}

}  // namespace

Reason topLength(const Top& top) {
  const std::int64_t edges =
      (edged(top, top.edgeLeft) ? 1 : 0) + (edged(top, top.edgeRight) ? 1 : 0);
  return Reason("run", top.width)
      .plus("left overhang", top.overLeft)
      .plus("right overhang", top.overRight)
      .minus("edging", top.edging, edges);
}

Reason topWidth(const Top& top) {
  const std::int64_t edges =
      (edged(top, top.edgeFront) ? 1 : 0) + (edged(top, top.edgeBack) ? 1 : 0);
  return Reason("depth", top.depth)
      .plus("front overhang", top.overFront)
      .plus("rear overhang", top.overBack)
      .minus("edging", top.edging, edges);
}

Reason frontEdging(const Top& top) {
  const std::int64_t edges =
      (edged(top, top.edgeLeft) ? 1 : 0) + (edged(top, top.edgeRight) ? 1 : 0);
  return Reason("top's edge", topLength(top).total()).plus("edging", top.edging, edges);
}

Reason sideEdging(const Top& top) {
  const bool mitred = top.corner == EdgingCorner::Mitred;
  const std::int64_t edges =
      (edged(top, top.edgeFront) ? 1 : 0) + (edged(top, top.edgeBack) ? 1 : 0);
  return Reason("top's edge", topWidth(top).total()).plus("edging", top.edging, mitred ? edges : 0);
}

namespace {

class TopMaker {
 public:
  TopMaker(const PartBuilder& builder, const Top& top, Point at) : builder_(builder), top_(top) {
    // From the run's corner to the sheet's.
    x_ = at[0] - top.overLeft + (edged(top, top.edgeLeft) ? top.edging : Length{});
    y_ = at[1] - top.overFront + (edged(top, top.edgeFront) ? top.edging : Length{});
    z_ = at[2];
    length_ = topLength(top);
    width_ = topWidth(top);
  }

  Result<std::vector<Part>> run() {
    const Length taken = top_.build == TopBuild::Single ? 2 * top_.strip : Length{};
    if (length_.total() <= taken || width_.total() <= taken)
      return cannot("top", builder_.shown(width_.total()) + " deep",
                    "more than its edging and strips take");
    const Length sheet = builder_.thickness(top_.material);
    if (const Problems problems = edgingHangsFree(); !problems.empty()) return problems;
    const Length under = z_;
    if (top_.build == TopBuild::Laminated) layers();
    if (top_.build == TopBuild::Single && top_.strip > Length{}) {
      strips();
      z_ += sheet;
    }
    if (top_.build == TopBuild::GluedUp) {
      glued();
    } else {
      for (Part& part : flat(PartRole::TopSheet, top_.material, width_, y_, Joints::InLine)) {
        part.show = Face::Outside;
        out_.push_back(std::move(part));
      }
    }
    const Length thick = z_ + sheet - under;
    z_ = under - top_.below;
    edging(top_.below + thick + top_.proud);
    return std::move(out_);
  }

 private:
  enum class Joints { InLine, Staggered };

  // What hangs below must hang beside what the top lies on.
  Problems edgingHangsFree() const {
    if (top_.below == Length{}) return {};
    const auto short_ = [this](bool side, Length over) {
      return edged(top_, side) && over < top_.edging;
    };
    if (!short_(top_.edgeLeft, top_.overLeft) && !short_(top_.edgeRight, top_.overRight) &&
        !short_(top_.edgeFront, top_.overFront) && !short_(top_.edgeBack, top_.overBack))
      return {};
    return {cannot(
        "edging", builder_.shown(top_.below) + " below what the top lies on",
        "an overhang of at least its " + builder_.shown(top_.edging) + " on every edged side")};
  }

  // From the lowest up; joints of one lie over the middle of the next one's sheets.
  void layers() {
    const std::string& material = top_.lowerMaterial.empty() ? top_.material : top_.lowerMaterial;
    for (int layer = top_.layers - 1; layer > 0; --layer) {
      const Joints joints = layer % 2 == 1 ? Joints::Staggered : Joints::InLine;
      for (Part& part : flat(PartRole::TopLowerLayer, material, width_, y_, joints)) {
        part.oversize = top_.oversize;
        part.oversizeWhy = "flush-trimmed after gluing";
        out_.push_back(std::move(part));
      }
      z_ += builder_.thickness(material);
    }
  }

  // As few strips as the width takes, all alike, the joints of neighbours apart.
  void glued() {
    const std::int64_t n = begun(width_.total(), top_.glueStrip);
    const Reason strip = width_.shared(n);
    // As many strips to a slab as go through the planer together.
    const Length planer = builder_.job().shop.planerWidth;
    const std::int64_t together =
        planer > Length{} ? std::max<std::int64_t>(1, planer.inNm() / strip.total().inNm()) : n;
    const std::int64_t slabs = (n + together - 1) / together;
    for (std::int64_t i = 0; i < n; ++i)
      for (Part& part : flat(PartRole::TopStrip, top_.material, strip, y_ + i * strip.total(),
                             i % 2 == 0 ? Joints::InLine : Joints::Staggered)) {
        part.show = Face::Outside;
        part.oversize = top_.planing;
        part.oversizeWhy = "planed, glued edge to edge and trimmed";
        if (top_.planing > Length{})
          part.note = "rough " + builder_.shown(part.thickness + top_.planing) + " thick";
        if (slabs > 1)
          part.note += fmt::format("{}glued up in {} slabs that the planer takes, then to one",
                                   part.note.empty() ? "" : "; ", slabs);
        out_.push_back(std::move(part));
      }
  }

  // The whole length, in as many equal sections as no sheet would hold. What lies under the sheets
  // is staggered: it begins and ends with half a section, so that no joint lies under a joint.
  std::vector<Part> flat(PartRole role, const std::string& material, const Reason& width, Length y,
                         Joints joints) const {
    const std::int64_t sections = sectionCount(length_.total(), longest(role, material));
    const bool halves = joints == Joints::Staggered && sections > 1;
    const std::int64_t pieces = sections + (halves ? 1 : 0);
    std::vector<Part> out;
    Length x = x_;
    for (std::int64_t i = 0; i < pieces; ++i) {
      const bool half = halves && (i == 0 || i + 1 == pieces);
      const Reason length =
          sections == 1 ? length_ : length_.shared(half ? 2 * sections : sections);
      out.push_back(builder_.board(role, material, length, width));
      PartBuilder::place(out.back(), {{x, y, z_}, kRight, kBackwards, kUp});
      x += length.total();
    }
    return out;
  }

  // What one piece may be: no longer than typed, nor than the sheets of the material that the rack
  // has.
  Length longest(PartRole role, const std::string& material) const {
    const Job& job = builder_.job();
    const bool grained = findMaterial(job, material)->grained;
    const bool bars = findMaterial(job, material)->lumber;
    const Length most = top_.longest > Length{} ? top_.longest : length_.total();
    Length out;
    for (const StockPiece& piece : job.stock) {
      if (piece.material != material || piece.kind != StockKind::Sheet || piece.quantity == 0)
        continue;
      if (bars) {
        out = std::max(out, piece.length);
        continue;
      }
      const bool along = !grained || piece.grain != SheetGrain::Width;
      const bool across = !grained || piece.grain != SheetGrain::Length;
      const Length trim = 2 * piece.trim.value_or(job.saw.trim);
      if (along && piece.width - trim >= width_.total()) out = std::max(out, piece.length - trim);
      if (across && piece.length - trim >= width_.total()) out = std::max(out, piece.width - trim);
    }
    constexpr Length kLeast = Length::mm(300);
    out -= role == PartRole::TopStrip ? top_.planing : Length{};
    return out < kLeast ? most : std::min(out, most);
  }

  void strips() {
    const Reason strip("strip width", top_.strip);
    for (const bool front : {true, false})
      for (Part& part :
           flat(front ? PartRole::FrontLongStrip : PartRole::RearLongStrip, top_.material, strip,
                front ? y_ : y_ + width_.total() - top_.strip, Joints::Staggered))
        out_.push_back(std::move(part));
    const Reason between = Reason("top's depth", width_.total()).minus("strip", top_.strip, 2);
    const Length centres = length_.total() - top_.strip;
    const std::int64_t gaps =
        (centres.inNm() + top_.stripEvery.inNm() - 1) / top_.stripEvery.inNm();
    for (std::int64_t i = 0; i <= gaps; ++i) {
      Part part = builder_.board(PartRole::CrossStrip, top_.material, between, strip);
      const Length along = i == gaps ? centres : i * centres / gaps;
      PartBuilder::place(part, {{x_ + along, y_ + top_.strip, z_}, kBackwards, kRight, kUp});
      out_.push_back(std::move(part));
    }
  }

  Part stripOf(PartRole role, const Reason& length, Length high) const {
    Part part = builder_.board(role, top_.edgingMaterial, length, Reason("top's thickness", high));
    part.thickness = top_.edging;
    part.show = Face::Outside;
    return part;
  }

  void edging(Length high) {
    const bool left = edged(top_, top_.edgeLeft);
    const bool right = edged(top_, top_.edgeRight);
    const bool front = edged(top_, top_.edgeFront);
    const bool back = edged(top_, top_.edgeBack);
    const bool mitred = top_.corner == EdgingCorner::Mitred;
    const Length e = top_.edging;
    for (const bool fore : {true, false}) {
      if (!(fore ? front : back)) continue;
      Part part =
          stripOf(fore ? PartRole::FrontEdging : PartRole::RearEdging, frontEdging(top_), high);
      const Length x = x_ - (left ? e : Length{});
      // Inside is the face that is glued on.
      PartBuilder::place(
          part,
          {{x, fore ? y_ : y_ + width_.total(), z_}, kRight, kUp, fore ? kForwards : kBackwards});
      if (mitred && left) part.machining.push_back(bevel(Edge::W1, kMitre, Face::Outside, "mitre"));
      if (mitred && right)
        part.machining.push_back(bevel(Edge::W2, kMitre, Face::Outside, "mitre"));
      out_.push_back(std::move(part));
    }
    for (const bool first : {true, false}) {
      if (!(first ? left : right)) continue;
      Part part =
          stripOf(first ? PartRole::LeftEdging : PartRole::RightEdging, sideEdging(top_), high);
      part.hand = mitred && front != back ? (first ? Hand::Left : Hand::Right) : Hand::None;
      const Length y = y_ - (mitred && front ? e : Length{});
      PartBuilder::place(
          part,
          {{first ? x_ : x_ + length_.total(), y, z_}, kBackwards, kUp, first ? kLeft : kRight});
      if (mitred && front)
        part.machining.push_back(bevel(Edge::W1, kMitre, Face::Outside, "mitre"));
      if (mitred && back) part.machining.push_back(bevel(Edge::W2, kMitre, Face::Outside, "mitre"));
      out_.push_back(std::move(part));
    }
  }

  const PartBuilder& builder_;
  const Top& top_;
  Length x_, y_, z_;
  Reason length_, width_;
  std::vector<Part> out_;
};

}  // namespace

Result<std::vector<Part>> topParts(const PartBuilder& builder, const Top& top, Point at) {
  return TopMaker(builder, top, at).run();
}

std::int64_t mostPieces(const Top& top, Length width) {
  const Length length = width + top.overLeft + top.overRight;
  const Length depth = top.depth + top.overFront + top.overBack;
  // Pieces are at least 300 long where the rack says how long they are.
  const Length least =
      top.longest > Length{} ? std::min(top.longest, Length::mm(300)) : Length::mm(300);
  const std::int64_t sections = begun(length, least) + 1;
  const std::int64_t strips =
      top.build == TopBuild::GluedUp ? begun(depth, top.glueStrip) * sections : 0;
  // Layers or a sheet with two rows of strips, strips across, edging on four sides.
  return std::min(kTooMany, strips + (2 + top.layers) * sections + begun(length, top.stripEvery) +
                                1 + 4 * sections);
}

Length widthOf(const Job& /*job*/, const Top& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const Top& of) {
  return mostPieces(of, of.width);
}

void check(Check& to, const std::string& at, const Top& of) {
  to.allPositive(at, {{"/width", of.width}, {"/depth", of.depth}});
  to.atLeast(at + "/stripEvery", of.stripEvery, kLeastSpacing);
  if (of.longest != Length{}) to.atLeast(at + "/longest", of.longest, kLeastSection);
  to.within(at + "/layers", of.layers, 2, 8);
  to.atLeast(at + "/glueStrip", of.glueStrip, Length::mm(10));
  to.noneNegative(at, {{"/overLeft", of.overLeft},
                       {"/overRight", of.overRight},
                       {"/overFront", of.overFront},
                       {"/overBack", of.overBack},
                       {"/oversize", of.oversize},
                       {"/strip", of.strip},
                       {"/edging", of.edging},
                       {"/planing", of.planing},
                       {"/proud", of.proud},
                       {"/below", of.below}});
  to.knownMaterial(at + "/material", of.material);
  if (!of.lowerMaterial.empty()) to.knownMaterial(at + "/lowerMaterial", of.lowerMaterial);
  if (!of.edgingMaterial.empty()) to.knownMaterial(at + "/edgingMaterial", of.edgingMaterial);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, Top& out) {
  out.material = materials.thick;
  out.longest = Length{};
}

Top mirrored(const Top& of) {
  Top out = of;
  std::swap(out.overLeft, out.overRight);
  std::swap(out.edgeLeft, out.edgeRight);
  return out;
}

void make(const PartBuilder& builder, const Top& of, Made& out) {
  out.take(topParts(builder, of, {}));
}

void fields(Archive& a, Top& v) {
  a("width", v.width);
  a("depth", v.depth);
  a("overLeft", v.overLeft);
  a("overRight", v.overRight);
  a("overFront", v.overFront);
  a("overBack", v.overBack);
  a.must("material", v.material);
  a.choice("build", v.build,
           {{"single", TopBuild::Single},
            {"laminated", TopBuild::Laminated},
            {"glued up", TopBuild::GluedUp}});
  a("lowerMaterial", v.lowerMaterial);
  a("oversize", v.oversize);
  a("strip", v.strip);
  a("stripEvery", v.stripEvery);
  a("edgingMaterial", v.edgingMaterial);
  a("edging", v.edging);
  a("edgeLeft", v.edgeLeft);
  a("edgeRight", v.edgeRight);
  a("edgeFront", v.edgeFront);
  a("edgeBack", v.edgeBack);
  a.choice("corner", v.corner,
           {{"mitred", EdgingCorner::Mitred}, {"butted", EdgingCorner::Butted}});
  a("longest", v.longest);
  a.unlessDefault("layers", v.layers);
  a.unlessDefault("glueStrip", v.glueStrip);
  a("planing", v.planing);
  a.unlessDefault("proud", v.proud);
  a.unlessDefault("below", v.below);
}

}  // namespace pp
