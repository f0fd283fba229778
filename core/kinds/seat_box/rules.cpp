#include "core/kinds/seat_box/rules.h"

#include <algorithm>

#include "core/kinds/boards/rules.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/rules.h"
#include "core/kinds/kind.h"
#include "core/parts/trig.h"

namespace pp {

Reason lidWidth(const SeatBox& seat) {
  return Reason("width", seat.width).minus("gap", seat.lidGap, seat.lids - 1).shared(seat.lids);
}

Reason lidDepth(const SeatBox& seat) {
  return Reason("depth", seat.depth)
      .plus("front overhang", seat.overFront)
      .minus("hinge rail", seat.hingeRail)
      .minus("gap", seat.lidGap);
}

Reason leaningLength(const SeatBox& seat, Length thickness) {
  return Reason("back height ÷ cos lean", overCosine(seat.backHeight, seat.lean))
      .plus("bevel at the foot", timesTangent(thickness, seat.lean));
}

Reason bracketFoot(const SeatBox& seat) {
  return Reason("bracket's upper end", seat.bracketTop)
      .plus("back height × tan lean", timesTangent(seat.backHeight, seat.lean));
}

namespace {

class SeatMaker {
 public:
  SeatMaker(const Maker& maker, const SeatBox& seat)
      : maker_(maker), seat_(seat), t_(maker.thickness(seat.material)) {
    if (seat.batten) {
      notchUp_ = seat.batten->height + kMouldingAir;
      notchIn_ = seat.batten->thickness + kMouldingAir;
    }
    rear_ = seat.depth - std::max(t_, notchIn_);  // where bottom and dividers end at the floor
  }

  Result<std::vector<Part>> run() {
    if (const Problems problems = check(); !problems.empty()) return problems;
    box();
    lids();
    if (seat_.backHeight > Length{}) back();
    return std::move(out_);
  }

 private:
  Problems check() const {
    if (seat_.width <= (seat_.lids + 1) * t_ + (seat_.lids - 1) * seat_.lidGap)
      return {cannot("width", maker_.shown(seat_.width), "room for the lids and dividers")};
    if (seat_.height <= 2 * t_ + notchUp_)
      return {cannot("height", maker_.shown(seat_.height), "more than the panels and batten take")};
    if (seat_.depth <= seat_.hingeRail + seat_.lidGap + 2 * t_ + notchIn_)
      return {cannot("depth", maker_.shown(seat_.depth),
                     "more than the hinge rail and the panels take")};
    if (seat_.backHeight > Length{} &&
        bracketFoot(seat_).total() + overCosine(t_, seat_.lean) > seat_.hingeRail)
      return {cannot("hinge rail", maker_.shown(seat_.hingeRail),
                     "at least " +
                         maker_.shown(bracketFoot(seat_).total() + overCosine(t_, seat_.lean)) +
                         ", so that the lids open before the leaning back")};
    return {};
  }

  Part make(PartRole role, Reason length, Reason width) const {
    return maker_.board(role, seat_.material, std::move(length), std::move(width));
  }

  void pockets(Part& part, const char* into) const {
    if (seat_.joint != Joint::Pocket) return;
    for (const Edge edge : {Edge::W1, Edge::W2})
      part.machining.push_back(rowAtEnd(part, Cut::Pockets, into, edge, Length::mm(20),
                                        Length::um(9'500), t_ / 2, Face::Inside));
  }

  void box() {
    const Reason clear = Reason("width", seat_.width).minus("end", t_, 2);
    const Reason high = Reason("height", seat_.height).minus("lid", t_);
    for (const bool left : {true, false}) {
      Part end =
          make(left ? PartRole::LeftEnd : PartRole::RightEnd, Reason("depth", seat_.depth), high);
      end.hand = seat_.batten ? (left ? Hand::Left : Hand::Right) : Hand::None;
      Maker::place(end, {{left ? t_ : seat_.width - t_, Length{}, Length{}},
                         kBackwards,
                         kUp,
                         left ? kLeft : kRight});
      if (seat_.batten)
        end.machining.push_back(
            notch(end, "batten", seat_.depth - notchIn_, seat_.depth, Length{}, notchUp_));
      out_.push_back(std::move(end));
    }
    Part front = make(PartRole::SeatFront, clear, high);
    front.show = Face::Outside;
    Maker::place(front, {{t_, t_, Length{}}, kRight, kUp, kForwards});
    pockets(front, "end");
    out_.push_back(std::move(front));
    Part rear = make(PartRole::SeatRear, clear, Reason(high).minus("batten", notchUp_));
    Maker::place(rear, {{t_, seat_.depth - t_, notchUp_}, kRight, kUp, kBackwards});
    pockets(rear, "end");
    out_.push_back(std::move(rear));
    Part bottom =
        make(PartRole::SeatBottom, clear,
             Reason("depth", seat_.depth)
                 .minus("front", t_)
                 .minus(seat_.batten ? "rear panel or batten" : "rear panel", seat_.depth - rear_));
    Maker::place(bottom, {{t_, t_, t_}, kRight, kBackwards, kDown});
    pockets(bottom, "end");
    out_.push_back(std::move(bottom));
    dividers(high);
  }

  void dividers(const Reason& high) {
    const Length lid = lidWidth(seat_).total();
    for (int i = 1; i < seat_.lids; ++i) {
      Part part = make(PartRole::SeatDivider,
                       Reason("depth", seat_.depth).minus("front", t_).minus("rear panel", t_),
                       Reason(high).minus("bottom", t_));
      // Under the gap between two lids.
      const Length middle = i * lid + (i - 1) * seat_.lidGap + seat_.lidGap / 2;
      Maker::place(part, {{middle - t_ / 2, t_, t_}, kBackwards, kUp, kRight});
      const Length in = part.length.total() - (rear_ - t_);
      if (in > Length{} && notchUp_ > t_)
        part.machining.push_back(notch(part, "batten", part.length.total() - in,
                                       part.length.total(), Length{}, notchUp_ - t_));
      out_.push_back(std::move(part));
    }
  }

  void lids() {
    const Length z = seat_.height - t_;
    Part rail = make(PartRole::HingeRail, Reason("width", seat_.width),
                     Reason("hinge rail", seat_.hingeRail));
    Maker::place(rail, {{Length{}, seat_.depth - seat_.hingeRail, z}, kRight, kBackwards, kUp});
    rail.show = Face::Outside;
    out_.push_back(std::move(rail));
    const Length width = lidWidth(seat_).total();
    for (int i = 0; i < seat_.lids; ++i) {
      Part lid = make(PartRole::SeatLid, lidWidth(seat_), lidDepth(seat_));
      lid.show = Face::Outside;
      Maker::place(lid,
                   {{i * (width + seat_.lidGap), -seat_.overFront, z}, kRight, kBackwards, kUp});
      for (const Side side : {Side::Front, Side::Left, Side::Right})
        maker_.show(lid, side, seat_.banding);
      out_.push_back(std::move(lid));
    }
  }

  void back() {
    const Reason foot = bracketFoot(seat_);
    const Length kerf = maker_.job().saw.kerf;
    for (int i = 0; i <= seat_.lids; ++i) {
      Part bracket = make(PartRole::BackBracket, Reason("back height", seat_.backHeight), foot);
      bracket.grain = PartGrain::Any;
      const Length span = seat_.width - t_;
      const Length x = i == seat_.lids ? span : i * span / seat_.lids;
      Maker::place(bracket, {{x, seat_.depth, seat_.height}, kUp, kForwards, kRight});
      Machining taper;
      taper.cut = Cut::Taper;
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
    Part rest = make(PartRole::LeaningBack, Reason("width", seat_.width), leaningLength(seat_, t_));
    rest.show = Face::Outside;
    const Length y = seat_.depth - foot.total();
    Maker::place(rest, {{Length{}, y, seat_.height - timesTangent(t_, seat_.lean)},
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

  const Maker& maker_;
  const SeatBox& seat_;
  Length t_, notchUp_, notchIn_, rear_;
  std::vector<Part> out_;
};

}  // namespace

Length widthOf(const Job& /*job*/, const SeatBox& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const SeatBox& of) {
  return 16 + 8 * std::int64_t{of.lids};
}

void check(Check& to, const std::string& at, const SeatBox& of) {
  to.allPositive(at, {{"/width", of.width},
                      {"/height", of.height},
                      {"/depth", of.depth},
                      {"/hingeRail", of.hingeRail},
                      {"/bracketTop", of.bracketTop}});
  to.noneNegative(
      at, {{"/lidGap", of.lidGap}, {"/overFront", of.overFront}, {"/backHeight", of.backHeight}});
  to.within(at + "/lids", of.lids, 1, 10);
  to.within(at + "/lean", of.lean, 0, 45);
  if (of.batten) check(to, at + "/batten", *of.batten);
  to.knownMaterial(at + "/material", of.material);
  to.knownBanding(at + "/banding", of.banding);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, SeatBox& out) {
  out.material = materials.thick;
  out.banding = materials.banding;
  out.hingeRail = Length::mm(190);
  out.depth = Length::mm(500);
}

void make(const Maker& maker, const SeatBox& of, Made& out) {
  out.take(SeatMaker(maker, of).run());
}

}  // namespace pp
