#include "core/parts/feature_cuts.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/parts/machining.h"
#include "core/parts/part_builder.h"
#include "core/parts/trig.h"

namespace pp {

Edge edgeOf(BoardEdge edge) {
  switch (edge) {
    case BoardEdge::Long1:
      return Edge::L1;
    case BoardEdge::Long2:
      return Edge::L2;
    case BoardEdge::Short1:
      return Edge::W1;
    case BoardEdge::Short2:
      break;
  }
  return Edge::W2;
}

namespace {

class FeatureCutter {
 public:
  FeatureCutter(Part& part, const Feature& feature, const Job& job)
      : part_(part),
        f_(feature),
        job_(job),
        style_(styleOf(job)),
        length_(part.length.total()),
        width_(part.width.total()) {}

  Problems run() {
    switch (f_.kind) {
      case FeatureKind::Hole:
        return holes(1, MachiningKind::Hole);
      case FeatureKind::HoleRow:
        return holes(f_.count, MachiningKind::HoleRow);
      case FeatureKind::Slot:
        return slot();
      case FeatureKind::Notch:
        return notched();
      case FeatureKind::Dado:
        return dado();
      case FeatureKind::Groove:
        return groove();
      case FeatureKind::Rabbet:
        return rabbet();
      case FeatureKind::Taper:
        return f_.thickness ? thicknessTaper() : taper();
      case FeatureKind::Curve:
        return curve();
      case FeatureKind::Corner:
      case FeatureKind::RoundEnd:
        return rounded();
      case FeatureKind::Bevel:
        return bevelled();
      case FeatureKind::Recess:
        return recess();
      case FeatureKind::RoundOver:
      case FeatureKind::Chamfer:
        return eased();
    }
    return {};
  }

 private:
  std::string show(Length length) const { return formatWithUnit(length, style_); }
  Problems outside(const char* what) const {
    return {cannot(part_.name, std::string("a ") + what + " that leaves the board",
                   "one inside " + show(length_) + " × " + show(width_))};
  }
  Problems add(Machining cut) {
    part_.machining.push_back(std::move(cut));
    return {};
  }
  // A length of `size` that begins `from` the near or the far end of `whole`, from the near one.
  static Length placed(Length from, Length size, Length whole, bool far) {
    return far ? whole - from - size : from;
  }
  // 0: through.
  Length depth() const { return f_.depth > Length{} ? f_.depth : part_.thickness; }
  Problems tooDeep() const {
    if (f_.depth > Length{} && f_.depth < part_.thickness) return {};
    return {cannot(part_.name, show(f_.depth) + " deep",
                   "more than 0 and less than the thickness of " + show(part_.thickness))};
  }

  Problems holes(std::int64_t count, MachiningKind kind) {
    const bool row = kind == MachiningKind::HoleRow;
    if (row && (count < 2 || count > 1'000 || f_.pitch < f_.size))
      return {cannot(part_.name, std::to_string(count) + " holes " + show(f_.pitch) + " apart",
                     "a row of 2 to 1000 holes that do not run into one another")};
    const Length span = row ? (count - 1) * f_.pitch : Length{};
    const Length along = f_.crosswise ? Length{} : span;
    const Length across = f_.crosswise ? span : Length{};
    const Length half = f_.size / 2;
    const Length u0 = placed(f_.along, along, length_, f_.farEnd);
    const Length v0 = placed(f_.across, across, width_, f_.farEdge);
    if (f_.size <= Length{} || u0 < half || v0 < half || u0 + along + half > length_ ||
        v0 + across + half > width_)
      return outside(row ? "row of holes" : "hole");
    Machining cut;
    cut.cut = kind;
    cut.face = f_.face;
    cut.u0 = u0;
    cut.u1 = u0 + along;
    cut.v0 = v0;
    cut.v1 = v0 + across;
    // A row runs along the edge that it is measured from.
    const bool lengthwise = row && !f_.crosswise;
    cut.from = lengthwise ? (f_.farEdge ? Edge::L2 : Edge::L1) : (f_.farEnd ? Edge::W2 : Edge::W1);
    cut.distance = lengthwise ? f_.across : f_.along;
    cut.width = f_.size;
    cut.depth = depth();
    cut.holes = static_cast<int>(count);
    cut.pitch = f_.pitch;
    cut.through = false;
    return add(cut);
  }

  Problems slot() {
    const Length u0 = placed(f_.along - f_.length / 2, f_.length, length_, f_.farEnd);
    const Length v0 = placed(f_.across, Length{}, width_, f_.farEdge);
    if (f_.size <= Length{} || f_.length < f_.size || u0 < Length{} || v0 < f_.size / 2 ||
        u0 + f_.length > length_ || v0 + f_.size / 2 > width_)
      return outside("slot");
    Machining cut;
    cut.cut = MachiningKind::Slot;
    cut.face = f_.face;
    cut.u0 = u0;
    cut.u1 = u0 + f_.length;
    cut.v0 = cut.v1 = v0;
    cut.width = f_.size;
    cut.depth = depth();
    cut.from = f_.farEdge ? Edge::L2 : Edge::L1;
    cut.distance = f_.across;
    cut.through = false;
    return add(cut);
  }

  Problems notched() {
    const Length u0 = placed(f_.along, f_.length, length_, f_.farEnd);
    const Length v0 = placed(f_.across, f_.width, width_, f_.farEdge);
    if (f_.length <= Length{} || f_.width <= Length{} || u0 < Length{} || v0 < Length{} ||
        u0 + f_.length > length_ || v0 + f_.width > width_ ||
        (f_.length == length_ && f_.width == width_))
      return outside("notch");
    return add(notch(part_, "notch", u0, u0 + f_.length, v0, v0 + f_.width));
  }

  // What is kept at either end of a dado, groove or rabbet that runs along `run`.
  Problems stop(Machining& cut, Length Machining::*low, Length Machining::*high, Length run,
                const char* what) {
    if (f_.keepLow + f_.keepHigh >= run) return outside(what);
    cut.*low = f_.keepLow;
    cut.*high = run - f_.keepHigh;
    cut.through = f_.keepLow == Length{} && f_.keepHigh == Length{};
    return {};
  }

  Problems dado() {
    const Length u0 = placed(f_.along, f_.size, length_, f_.farEnd);
    if (f_.size <= Length{} || u0 < Length{} || u0 + f_.size > length_) return outside("dado");
    if (const Problems deep = tooDeep(); !deep.empty()) return deep;
    Machining cut = dadoAcross(part_, "mate", u0, f_.size, f_.depth, f_.face);
    if (const Problems out = stop(cut, &Machining::v0, &Machining::v1, width_, "dado");
        !out.empty())
      return out;
    return add(cut);
  }

  Problems groove() {
    const Length v0 = placed(f_.across, f_.size, width_, f_.farEdge);
    if (f_.size <= Length{} || v0 < Length{} || v0 + f_.size > width_) return outside("groove");
    if (const Problems deep = tooDeep(); !deep.empty()) return deep;
    Machining cut = grooveAlong(part_, "mate", v0, f_.size, f_.depth, f_.face);
    if (const Problems out = stop(cut, &Machining::u0, &Machining::u1, length_, "groove");
        !out.empty())
      return out;
    return add(cut);
  }

  Problems rabbet() {
    const Edge edge = edgeOf(f_.edge);
    const bool end = isEnd(edge);
    const Length whole = end ? length_ : width_;
    if (f_.size <= Length{} || f_.size >= whole) return outside("rabbet");
    if (const Problems deep = tooDeep(); !deep.empty()) return deep;
    const bool far = edge == Edge::W2 || edge == Edge::L2;
    const Length at = far ? whole - f_.size : Length{};
    Machining cut = end ? dadoAcross(part_, "mate", at, f_.size, f_.depth, f_.face)
                        : grooveAlong(part_, "mate", at, f_.size, f_.depth, f_.face);
    const Problems out = end ? stop(cut, &Machining::v0, &Machining::v1, width_, "rabbet")
                             : stop(cut, &Machining::u0, &Machining::u1, length_, "rabbet");
    if (!out.empty()) return out;
    return add(cut);
  }

  Problems taper() {
    const Edge edge = edgeOf(f_.edge);
    const bool end = isEnd(edge);
    const Length run = end ? width_ : length_;
    const Length wide = end ? length_ : width_;
    if (f_.across > wide || f_.size > wide || f_.across == f_.size || f_.along >= run ||
        f_.across + f_.size <= Length{})
      return outside("taper");
    if (f_.along > Length{} && (f_.across != wide || f_.size > f_.across))
      return {
          cannot(part_.name,
                 "a taper that begins " + show(f_.along) + " along, " + show(f_.across) + " wide",
                 "one that begins at the board's full " + show(wide))};
    Machining cut;
    cut.cut = MachiningKind::Taper;
    cut.receives = "taper";
    cut.from = edge;
    const bool far = edge == Edge::L2 || edge == Edge::W2;
    // Where the cut edge lies at both ends of the run, from the near edge.
    Length begin = far ? f_.across : wide - f_.across;
    Length finish = far ? f_.size : wide - f_.size;
    Length from = f_.along;
    Length to = run;
    if (f_.farEnd) {
      from = Length{};
      to = run - f_.along;
      std::swap(begin, finish);
    }
    cut.u0 = end ? begin : from;
    cut.u1 = end ? finish : to;
    cut.v0 = end ? from : begin;
    cut.v1 = end ? to : finish;
    cut.angle =
        slopeOf(f_.across > f_.size ? f_.across - f_.size : f_.size - f_.across, run - f_.along);
    return add(cut);
  }

  // Along the board: what is left of its thickness where it begins and at the end.
  Problems thicknessTaper() {
    if (f_.edge != BoardEdge::Long1)
      return {cannot(part_.name, "an edge beside a taper of the thickness",
                     "the face it is cut from, no edge")};
    if (f_.across > part_.thickness || f_.size > part_.thickness || f_.across == f_.size ||
        f_.along >= length_ || f_.across + f_.size <= Length{})
      return {cannot(part_.name, "a taper from " + show(f_.across) + " to " + show(f_.size),
                     "two different ones of at most the thickness of " + show(part_.thickness))};
    if (f_.along > Length{} && (f_.across != part_.thickness || f_.size > f_.across))
      return {cannot(part_.name, "a taper that begins further on at " + show(f_.across),
                     "one that begins at the full thickness of " + show(part_.thickness))};
    Machining cut;
    cut.cut = MachiningKind::ThicknessTaper;
    cut.receives = "taper";
    cut.face = f_.face;
    cut.u0 = f_.farEnd ? Length{} : f_.along;
    cut.u1 = f_.farEnd ? length_ - f_.along : length_;
    cut.v1 = width_;
    cut.w0 = f_.farEnd ? f_.size : f_.across;
    cut.depth = f_.farEnd ? f_.across : f_.size;
    cut.angle = slopeOf(f_.across > f_.size ? f_.across - f_.size : f_.size - f_.across,
                        length_ - f_.along);
    return add(cut);
  }

  Problems curve() {
    const Edge edge = edgeOf(f_.edge);
    const bool end = isEnd(edge);
    const Length run = end ? width_ : length_;
    const Length wide = end ? length_ : width_;
    const Length over = f_.length > Length{} ? f_.length : run - f_.along;
    const Length from = placed(f_.along, over, run, f_.farEnd);
    // A circle's arc: half of one at most.
    if (over <= Length{} || from < Length{} || from + over > run || f_.depth <= Length{} ||
        f_.depth >= wide || 2 * f_.depth > over)
      return outside(f_.bulging ? "bulge" : "hollow");
    Machining cut;
    cut.cut = f_.bulging ? MachiningKind::Bulge : MachiningKind::Arc;
    cut.from = edge;
    cut.depth = f_.depth;
    (end ? cut.v0 : cut.u0) = from;
    (end ? cut.v1 : cut.u1) = from + over;
    return add(cut);
  }

  Problems rounded() {
    const bool whole = f_.kind == FeatureKind::RoundEnd;
    const Length radius = whole && f_.size == Length{} ? width_ / 2 : f_.size;
    if (radius <= Length{} || radius > length_ || radius > width_ || (whole && 2 * radius > width_))
      return outside(whole ? "rounded end" : "rounded corner");
    Machining cut;
    cut.cut = whole ? MachiningKind::RoundEnd : MachiningKind::RoundCorner;
    cut.from = f_.farEnd ? Edge::W2 : Edge::W1;
    cut.u0 = placed(Length{}, radius, length_, f_.farEnd);
    cut.u1 = cut.u0 + radius;
    cut.v0 = whole ? Length{} : placed(Length{}, radius, width_, f_.farEdge);
    cut.v1 = whole ? width_ : cut.v0 + radius;
    cut.width = radius;
    cut.depth = part_.thickness;
    return add(cut);
  }

  Problems bevelled() {
    if (f_.angle == Angle{}) return {cannot(part_.name, "a bevel of 0°", "an angle off square")};
    return add(
        bevel(edgeOf(f_.edge),
              f_.angle < Angle{} ? Angle::millidegrees(-f_.angle.inMillidegrees()) : f_.angle,
              f_.angle < Angle{} ? Face::Inside : Face::Outside, "bevel"));
  }

  Problems recess() {
    const Length u0 = placed(f_.along, f_.length, length_, f_.farEnd);
    const Length v0 = placed(f_.across, f_.width, width_, f_.farEdge);
    if (f_.length <= Length{} || f_.width <= Length{} || u0 < Length{} || v0 < Length{} ||
        u0 + f_.length > length_ || v0 + f_.width > width_)
      return outside("recess");
    if (const Problems deep = tooDeep(); !deep.empty()) return deep;
    if (2 * f_.size > std::min(f_.length, f_.width))
      return {cannot(part_.name, "corners of radius " + show(f_.size) + " in a recess",
                     "at most half of its " + show(std::min(f_.length, f_.width)))};
    Machining cut;
    cut.cut = MachiningKind::Recess;
    cut.face = f_.face;
    cut.u0 = u0;
    cut.u1 = u0 + f_.length;
    cut.v0 = v0;
    cut.v1 = v0 + f_.width;
    cut.from = f_.farEnd ? Edge::W2 : Edge::W1;
    cut.distance = f_.along;
    cut.width = f_.size;
    cut.depth = f_.depth;
    cut.through = false;
    return add(cut);
  }

  // An edge that is rounded over or chamfered: never one that is joined to another part, nor deeper
  // than what it is edged with, nor so far that the two faces' cuts meet.
  Problems eased() {
    const Edge edge = edgeOf(f_.edge);
    const char* what = f_.kind == FeatureKind::RoundOver ? "a round-over" : "a chamfer";
    const Length most = f_.bothFaces ? part_.thickness / 2 : part_.thickness;
    if (f_.size <= Length{} || f_.size > most)
      return {cannot(part_.name, std::string(what) + " of " + show(f_.size),
                     "more than 0 and at most " + show(most))};
    for (const Join& join : part_.joins)
      if (join.edge == edge)
        return {cannot(part_.name,
                       fmt::format("{} along the {} edge, which is joined to the {}", what,
                                   sideName(part_.edges[static_cast<std::size_t>(edge)]), join.to),
                       "an edge that meets no other part")};
    if (const Banding* banding = findBanding(job_, part_.bands[static_cast<std::size_t>(edge)]);
        banding != nullptr && f_.size > banding->thickness)
      return {cannot(part_.name, std::string(what) + " of " + show(f_.size),
                     "at most " + show(banding->thickness) + ", as thick as the edge banding is")};
    Machining cut;
    cut.cut = f_.kind == FeatureKind::RoundOver ? MachiningKind::RoundOver : MachiningKind::Chamfer;
    cut.face = f_.face;
    cut.from = edge;
    cut.u1 = length_;
    cut.v1 = width_;
    cut.width = cut.depth = f_.size;
    cut.bothFaces = f_.bothFaces;
    cut.assembled = f_.assembled;
    return add(cut);
  }

  Part& part_;
  const Feature& f_;
  const Job& job_;
  LengthStyle style_;
  Length length_, width_;
};

}  // namespace

Problems cutFeature(Part& part, const Feature& feature, const Job& job) {
  return FeatureCutter(part, feature, job).run();
}

}  // namespace pp
