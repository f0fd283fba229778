#include "core/kinds/seat_box/section.h"

#include <algorithm>

#include "core/kinds/boards/rules.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/front.h"
#include "core/kinds/common/end_joint.h"
#include "core/parts/trig.h"

namespace pp {
namespace {

constexpr Length kLetIn = Length::mm(6);

// One locker box with what lies on it and leans behind it; x from its own left end.
class SectionMaker {
 public:
  SectionMaker(const PartBuilder& builder, const SeatBox& seat, const SeatSection& section,
               Length clearLeft, Length clearRight)
      : builder_(builder),
        seat_(seat),
        section_(section),
        width_(section.width.total()),
        t_(builder.thickness(seat.material)),
        left_(clearLeft),
        right_(width_ - clearRight),
        foot_(seat.toe ? seat.toe->height : Length{}),
        high_("height", seat.height) {
    high_.minus("lid", t_);
    if (seat.batten) {
      notchUp_ = seat.batten->height + kMouldingAir;
      notchIn_ = seat.batten->thickness + kMouldingAir;
    }
    if (seat.joint == Joint::Dado) let_ = std::min(kLetIn, t_ / 2);
    // Where bottom and dividers end at the floor.
    rear_ = seat.depth - (foot_ >= notchUp_ ? t_ : std::max(t_, notchIn_));
    uprights();
  }

  Result<std::vector<Part>> run() {
    if (const Problems problems = check(); !problems.empty()) return problems;
    box();
    dividers();
    if (!seat_.postMaterial.empty()) posts();
    if (seat_.seat == SeatTop::Lids)
      lids();
    else
      hatches();
    if (seat_.backHeight > Length{}) back();
    PartBuilder::stand(out_, {{section_.x, Length{}, Length{}}, 0});
    return std::move(out_);
  }

 private:
  Problems check() const {
    const int n = section_.lids;
    if (right_ - left_ <= (n + 1) * t_ || width_ <= (n - 1) * seat_.lidGap + n * t_)
      return {cannot("width", builder_.shown(width_), "room for the lids and dividers")};
    if (seat_.height <= 2 * t_ + std::max(notchUp_, foot_ + t_))
      return {cannot("height", builder_.shown(seat_.height),
                     "more than the panels, toe and batten take")};
    if (seat_.depth <= seat_.hingeRail + seat_.lidGap + 2 * t_ + notchIn_)
      return {cannot("depth", builder_.shown(seat_.depth),
                     "more than the hinge rail and the panels take")};
    if (seat_.toe && seat_.toe->depth + t_ >= rear_)
      return {cannot("toe", builder_.shown(seat_.toe->depth), "less than the depth of the box")};
    if (seat_.backHeight > Length{} &&
        bracketFoot(seat_).total() + overCosine(t_, seat_.lean) > seat_.hingeRail)
      return {cannot("hinge rail", builder_.shown(seat_.hingeRail),
                     "at least " +
                         builder_.shown(bracketFoot(seat_).total() + overCosine(t_, seat_.lean)) +
                         ", so that the lids open before the leaning back")};
    if (seat_.seat == SeatTop::Hatches) return checkHatches();
    return {};
  }

  Problems checkHatches() const {
    const Length least = t_ + seat_.overFront + seat_.ledge;
    if (seat_.hatchFrame < least)
      return {cannot(
          "hatch frame", builder_.shown(seat_.hatchFrame),
          "at least " + builder_.shown(least) + ", so that its ledge clears the front of the box")};
    if (seat_.hingeRail < t_ + seat_.ledge)
      return {cannot("hinge rail", builder_.shown(seat_.hingeRail),
                     "at least " + builder_.shown(t_ + seat_.ledge) +
                         ", so that its ledge clears the rear panel")};
    if (hatchOpening(seat_, section_).total() <= 2 * seat_.lidGap + seat_.ledge ||
        hatchDeep().total() <= 2 * seat_.lidGap + 2 * seat_.ledge)
      return {cannot("hatches", std::to_string(section_.lids) + " in " + builder_.shown(width_),
                     "fewer, or a narrower frame round them")};
    return {};
  }

  // Between the front rail and the hinge rail.
  Reason hatchDeep() const {
    return Reason("depth", seat_.depth)
        .plus("front overhang", seat_.overFront)
        .minus("front rail", seat_.hatchFrame)
        .minus("hinge rail", seat_.hingeRail);
  }

  // What stands between the front and the rear of the box: its ends and, under the gaps between
  // lids or the sides of the hatches' frame, dividers.
  void uprights() {
    uprights_ = {left_};
    const bool lids = seat_.seat == SeatTop::Lids;
    const Length each =
        lids ? lidWidth(seat_, section_).total() : hatchOpening(seat_, section_).total();
    for (int i = 1; i < section_.lids; ++i)
      uprights_.push_back((lids ? firstLid() + i * each + (i - 1) * seat_.lidGap + seat_.lidGap / 2
                                : i * (each + seat_.hatchFrame) + seat_.hatchFrame / 2) -
                          t_ / 2);
    uprights_.push_back(right_ - t_);
  }

  // Half a gap in, where another section stands on the left.
  Length firstLid() const {
    return section_.seams == 2 || (section_.seams == 1 && section_.x > Length{}) ? seat_.lidGap / 2
                                                                                 : Length{};
  }

  Part make(PartRole role, Reason length, Reason width) const {
    return builder_.board(role, seat_.material, std::move(length), std::move(width));
  }

  void join(Part& part) const { joinEnds(builder_.drawn().unit, part, seat_.joint, "end"); }

  void box() {
    Reason clear = section_.whole();
    if (left_ > Length{}) clear.minus("clear of the left", left_);
    if (right_ < width_) clear.minus("clear of the right", width_ - right_);
    clear.minus("end", t_, 2);
    if (let_ > Length{}) clear.plus("dado", let_, 2);
    for (const bool left : {true, false}) {
      Part end =
          make(left ? PartRole::LeftEnd : PartRole::RightEnd, Reason("depth", seat_.depth), high_);
      const bool handed = seat_.batten || seat_.toe || let_ > Length{};
      end.hand = handed ? (left ? Hand::Left : Hand::Right) : Hand::None;
      PartBuilder::place(end, {{left ? left_ + t_ : right_ - t_, Length{}, Length{}},
                               kBackwards,
                               kUp,
                               left ? kLeft : kRight});
      if (seat_.batten)
        end.machining.push_back(
            notch(end, "batten", seat_.depth - notchIn_, seat_.depth, Length{}, notchUp_));
      if (seat_.toe)
        end.machining.push_back(notch(end, "toe", Length{}, seat_.toe->depth, Length{}, foot_));
      if (let_ > Length{}) dados(end);
      out_.push_back(std::move(end));
    }
    Reason front = high_;
    if (seat_.toe) front.minus("toe", foot_);
    panel(PartRole::SeatFront, clear, front, {left_ + t_ - let_, t_, foot_}, kForwards);
    out_.back().show = Face::Outside;
    panel(PartRole::SeatRear, clear, Reason(high_).minus("batten", notchUp_),
          {left_ + t_ - let_, seat_.depth - t_, notchUp_}, kBackwards);
    if (seat_.toe) {
      panel(PartRole::KickBoard, clear, Reason("toe height", foot_),
            {left_ + t_ - let_, seat_.toe->depth + t_, Length{}}, kForwards);
      out_.back().show = Face::Outside;
    }
    Part bottom =
        make(PartRole::SeatBottom, clear,
             Reason("depth", seat_.depth)
                 .minus("front", t_)
                 .minus(seat_.batten ? "rear panel or batten" : "rear panel", seat_.depth - rear_));
    PartBuilder::place(bottom, {{left_ + t_ - let_, t_, foot_ + t_}, kRight, kBackwards, kDown});
    join(bottom);
    out_.push_back(std::move(bottom));
  }

  // For front, rear, bottom and kick board, each as far as what goes into it does.
  void dados(Part& end) const {
    const auto upright = [&](const char* receives, Length from, Length low, Length high) {
      Machining cut = dadoAcross(end, receives, from, t_, let_);
      cut.v0 = low;
      cut.v1 = high;
      cut.through = low == Length{} && high == end.width.total();
      end.machining.push_back(std::move(cut));
    };
    const Length high = high_.total();
    upright("front", Length{}, foot_, high);
    upright("rear panel", seat_.depth - t_, notchUp_, high);
    if (seat_.toe) upright("kick board", seat_.toe->depth, Length{}, foot_);
    Machining bottom = grooveAlong(end, "bottom", foot_, t_, let_);
    bottom.u0 = t_;
    bottom.u1 = rear_;
    bottom.through = false;
    end.machining.push_back(std::move(bottom));
  }

  // Upright between the ends, its outside looking to the front or the rear.
  void panel(PartRole role, const Reason& length, const Reason& width, Point at, Direction out) {
    Part part = make(role, length, width);
    PartBuilder::place(part, {at, kRight, kUp, out});
    join(part);
    out_.push_back(std::move(part));
  }

  void dividers() {
    for (std::size_t i = 1; i + 1 < uprights_.size(); ++i) {
      Reason high = high_;
      if (seat_.toe) high.minus("toe", foot_);
      Part part = make(PartRole::SeatDivider,
                       Reason("depth", seat_.depth).minus("front", t_).minus("rear panel", t_),
                       high.minus("bottom", t_));
      PartBuilder::place(part, {{uprights_[i], t_, foot_ + t_}, kBackwards, kUp, kRight});
      const Length in = part.length.total() - (rear_ - t_);
      if (in > Length{} && notchUp_ > foot_ + t_)
        part.machining.push_back(notch(part, "batten", part.length.total() - in,
                                       part.length.total(), Length{}, notchUp_ - foot_ - t_));
      out_.push_back(std::move(part));
    }
  }

  void posts() {
    Reason high = high_;
    if (seat_.toe) high.minus("toe", foot_);
    high.minus("bottom", t_);
    if (seat_.seat == SeatTop::Hatches) high.minus("ledge", t_);
    for (const bool left : {true, false})
      for (const bool front : {true, false}) {
        Part post = builder_.board(PartRole::CornerPost, seat_.postMaterial, high,
                                   Reason("post", seat_.post));
        const Length y = front ? t_ : rear_ - post.thickness;
        PartBuilder::place(post, {{left ? left_ + t_ : right_ - t_ - seat_.post, y, foot_ + t_},
                                  kUp,
                                  kRight,
                                  kBackwards});
        out_.push_back(std::move(post));
      }
  }

  void hingeRail() {
    Part rail = make(PartRole::HingeRail, section_.width, Reason("hinge rail", seat_.hingeRail));
    PartBuilder::place(
        rail,
        {{Length{}, seat_.depth - seat_.hingeRail, seat_.height - t_}, kRight, kBackwards, kUp});
    rail.show = Face::Outside;
    out_.push_back(std::move(rail));
  }

  // Lies on the box, seen from above.
  Part& onTop(PartRole role, const Reason& length, const Reason& width, Length x, Length y) {
    Part part = make(role, length, width);
    part.show = Face::Outside;
    PartBuilder::place(part, {{x, y, seat_.height - t_}, kRight, kBackwards, kUp});
    return out_.emplace_back(std::move(part));
  }

  void lids() {
    hingeRail();
    const Reason width = lidWidth(seat_, section_);
    for (int i = 0; i < section_.lids; ++i) {
      Part& lid = onTop(PartRole::SeatLid, width, lidDepth(seat_),
                        firstLid() + i * (width.total() + seat_.lidGap), -seat_.overFront);
      for (const Side side : {Side::Front, Side::Left, Side::Right})
        builder_.show(lid, side, seat_.banding);
      lid.note = lidHinges(seat_.hinge, width.total(), styleOf(builder_.job()));
    }
  }

  void hatches() {
    hingeRail();
    const Length front = -seat_.overFront;
    Part& rail = onTop(PartRole::SeatFrameRail, section_.width,
                       Reason("hatch frame", seat_.hatchFrame), Length{}, front);
    builder_.show(rail, Side::Front, seat_.banding);
    const Reason open = hatchOpening(seat_, section_);
    const Length step = open.total() + seat_.hatchFrame;
    const Length y = front + seat_.hatchFrame;
    for (int i = 0; i <= section_.lids; ++i) {
      // The last one ends where the rails do, whatever the shares leave over.
      const Length x = i == section_.lids ? width_ - seat_.hatchFrame : i * step;
      Part side =
          make(PartRole::SeatFrameSide, hatchDeep(), Reason("hatch frame", seat_.hatchFrame));
      side.show = Face::Outside;
      PartBuilder::place(side, {{x, y, seat_.height - t_}, kBackwards, kRight, kUp});
      joinEnds(builder_.drawn().unit, side, Joint::Pocket, "rail", Face::Inside);
      out_.push_back(std::move(side));
    }
    const Length deep = hatchDeep().total();
    for (int i = 0; i < section_.lids; ++i) {
      onTop(PartRole::SeatHatch,
            Reason("hatch opening", open.total()).minus("gap", seat_.lidGap, 2),
            hatchDeep().minus("gap", seat_.lidGap, 2), i * step + seat_.hatchFrame + seat_.lidGap,
            y + seat_.lidGap);
      const auto at = static_cast<std::size_t>(i);
      const Length from = uprights_[at] + t_;
      for (const Length edge : {y, y + deep}) {
        Part ledge =
            make(PartRole::HatchLedge, Reason("between uprights", uprights_[at + 1] - from),
                 Reason("ledge", seat_.ledge, 2));
        PartBuilder::place(
            ledge, {{from, edge - seat_.ledge, seat_.height - 2 * t_}, kRight, kBackwards, kUp});
        out_.push_back(std::move(ledge));
      }
    }
  }

  void back() {
    const Reason foot = bracketFoot(seat_);
    const Length kerf = builder_.job().saw.kerf;
    std::vector<Length> at;
    for (int i = 0; i <= section_.lids; ++i) {
      Part bracket = make(PartRole::BackBracket, Reason("back height", seat_.backHeight), foot);
      bracket.grain = PartGrain::Any;
      const Length span = width_ - t_;
      at.push_back(i == section_.lids ? span : i * span / section_.lids);
      PartBuilder::place(bracket, {{at.back(), seat_.depth, seat_.height}, kUp, kForwards, kRight});
      Machining taper;
      taper.cut = MachiningKind::Taper;
      taper.receives = "leaning back";
      taper.from = Edge::L2;
      taper.v0 = foot.total();
      taper.v1 = seat_.bracketTop;
      taper.angle = seat_.lean;
      bracket.machining.push_back(std::move(taper));
      bracket.perBlank = 2;
      bracket.blankWidth = taperBlank(foot.total(), seat_.bracketTop, seat_.backHeight, kerf);
      out_.push_back(std::move(bracket));
    }
    storage(at);
    Part rest = make(PartRole::LeaningBack, section_.width, leaningLength(seat_, t_));
    rest.show = Face::Outside;
    const Length y = seat_.depth - foot.total();
    PartBuilder::place(rest, {{Length{}, y, seat_.height - timesTangent(t_, seat_.lean)},
                              kRight,
                              kUp,
                              kForwards,
                              Turn{Axis::X,
                                   Angle::millidegrees(-seat_.lean.inMillidegrees()),
                                   {Length{}, y, seat_.height}}});
    if (seat_.lean > Angle{})
      rest.machining.push_back(bevel(Edge::L1, seat_.lean, Face::Outside, "seat"));
    out_.push_back(std::move(rest));
  }

  // Shelves between the brackets at equal heights, each as deep as there is room at its upper face.
  void storage(const std::vector<Length>& brackets) {
    const int n = seat_.storage.value_or(0);
    for (int k = 1; k <= n; ++k) {
      const Length z = k * seat_.backHeight / (n + 1);
      for (std::size_t i = 0; i + 1 < brackets.size(); ++i) {
        const Length from = brackets[i] + t_;
        const Reason deep = storageDepth(seat_, z + t_);
        Part shelf =
            make(PartRole::StorageShelf, Reason("between brackets", brackets[i + 1] - from), deep);
        PartBuilder::place(
            shelf, {{from, seat_.depth - deep.total(), seat_.height + z}, kRight, kBackwards, kUp});
        // Brackets are too thin where they end to be let into.
        joinEnds(builder_.drawn().unit, shelf,
                 seat_.joint == Joint::Dado ? Joint::Butt : seat_.joint, "bracket");
        out_.push_back(std::move(shelf));
      }
    }
  }

  const PartBuilder& builder_;
  const SeatBox& seat_;
  const SeatSection& section_;
  Length width_, t_, left_, right_, foot_, notchUp_, notchIn_, rear_;
  Length let_;  // into the ends, where the panels are in dados
  Reason high_;
  std::vector<Length> uprights_;  // left faces
  std::vector<Part> out_;
};

}  // namespace

Result<std::vector<Part>> sectionParts(const PartBuilder& builder, const SeatBox& seat,
                                       const SeatSection& section, Length clearLeft,
                                       Length clearRight) {
  return SectionMaker(builder, seat, section, clearLeft, clearRight).run();
}

}  // namespace pp
