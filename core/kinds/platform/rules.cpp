#include "core/kinds/platform/rules.h"

#include "core/fields/archive.h"
#include "core/kinds/common/end_joint.h"
#include "core/kinds/common/plain.h"
#include "core/kinds/common/words.h"

namespace pp {
namespace {

class PlatformMaker {
 public:
  PlatformMaker(const PartBuilder& builder, const Platform& platform)
      : builder_(builder),
        of_(platform),
        t_(builder.thickness(platform.material)),
        deck_(platform.deckMaterial.empty() ? platform.material : platform.deckMaterial),
        width_(Reason("width", platform.width).shared(platform.across)),
        depth_(Reason("depth", platform.depth).shared(platform.deep)) {}

  Result<std::vector<Part>> run() {
    high_ = Reason("height", of_.height)
                .minus(of_.slats > 0 ? "slats" : "deck", builder_.thickness(deck_));
    if (width_.total() <= 2 * t_ || depth_.total() <= 2 * t_ || high_.total() <= Length{})
      return cannot("platform", "boxes " + builder_.shown(width_.total()) + " wide",
                    "fewer boxes, or a larger platform");
    if (of_.joint == Joint::Dado && of_.dadoDepth >= t_)
      return cannot("platform", "dados " + builder_.shown(of_.dadoDepth) + " deep",
                    "less than the thickness of " + builder_.shown(t_));
    for (int i = 0; i < of_.across; ++i)
      for (int k = 0; k < of_.deep; ++k) {
        box(i * width_.total(), k * depth_.total());
        if (of_.slats == 0) deck(i * width_.total(), k * depth_.total());
      }
    if (of_.slats == 0) return std::move(out_);
    for (int i = 0; i < of_.across; ++i)
      if (const Problems problems = slats(i * width_.total()); !problems.empty()) return problems;
    return std::move(out_);
  }

 private:
  void box(Length x, Length y) {
    const bool let = of_.joint == Joint::Dado;
    for (const bool left : {true, false}) {
      Part side = builder_.board(PartRole::PlatformSide, of_.material, depth_, high_);
      // Inside is the face to the box.
      PartBuilder::place(side, {{left ? x + t_ : x + width_.total() - t_, y, Length{}},
                                kBackwards,
                                kUp,
                                left ? kLeft : kRight});
      if (let)
        for (const Length at : {Length{}, depth_.total() - t_})
          side.machining.push_back(
              dadoAcross(side, roleName(PartRole::PlatformEnd), at, t_, of_.dadoDepth));
      out_.push_back(std::move(side));
    }
    const Length in = let ? t_ - of_.dadoDepth : t_;
    for (const bool front : {true, false}) {
      Reason length("box width", width_.total());
      length.minus("side", t_, 2);
      if (let) length.plus("rabbet", of_.dadoDepth, 2);
      Part end = builder_.board(PartRole::PlatformEnd, of_.material, length, high_);
      PartBuilder::place(end, {{x + in, front ? y + t_ : y + depth_.total() - t_, Length{}},
                               kRight,
                               kUp,
                               front ? kForwards : kBackwards});
      joinEnds(builder_.drawn().unit, end, of_.joint, roleName(PartRole::PlatformSide));
      out_.push_back(std::move(end));
    }
  }

  void deck(Length x, Length y) {
    Part deck = builder_.board(PartRole::Deck, deck_, width_, depth_);
    deck.show = Face::Outside;
    PartBuilder::place(deck, {{x, y, high_.total()}, kRight, kBackwards, kUp});
    out_.push_back(std::move(deck));
  }

  // Over one column of boxes, the first flush with the front, the last with the rear.
  Problems slats(Length x) {
    const std::int64_t gaps = of_.slats - 1;
    const Length free = of_.depth - of_.slats * of_.slat;
    if (free < Length{})
      return {cannot("slats",
                     std::to_string(of_.slats) + " of " + builder_.shown(of_.slat) + " width",
                     "at most " + builder_.shown(of_.depth) + " in all")};
    for (std::int64_t i = 0; i < of_.slats; ++i) {
      Part slat = builder_.board(PartRole::Slat, deck_, width_, Reason("slat width", of_.slat));
      slat.show = Face::Outside;
      // Equal gaps to the nanometre: the k-th slat begins at k of n shares of what is free.
      const Length y = i * of_.slat + Length::nm(free.inNm() * i / gaps);
      PartBuilder::place(slat, {{x, y, high_.total()}, kRight, kBackwards, kUp});
      out_.push_back(std::move(slat));
    }
    return {};
  }

  const PartBuilder& builder_;
  const Platform& of_;
  Length t_;
  const std::string& deck_;
  Reason width_, depth_, high_;
  std::vector<Part> out_;
};

}  // namespace

Length widthOf(const Job& /*job*/, const Platform& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const Platform& of) {
  return 6 * std::int64_t{of.across} * of.deep + of.across + of.deep +
         std::int64_t{of.slats} * of.across;
}

void check(Check& to, const std::string& at, const Platform& of) {
  to.allPositive(at, {{"/width", of.width}, {"/depth", of.depth}, {"/height", of.height}});
  to.within(at + "/across", of.across, 1, 20);
  to.within(at + "/deep", of.deep, 1, 20);
  to.knownMaterial(at + "/material", of.material);
  if (!of.deckMaterial.empty()) to.knownMaterial(at + "/deckMaterial", of.deckMaterial);
  to.allPositive(at, {{"/dadoDepth", of.dadoDepth}, {"/slat", of.slat}});
  to.within(at + "/slats", of.slats, 0, 100);
  if (of.slats == 1) to.add(at + "/slats", "1", "0 for a deck, or at least 2");
}

void begin(const Job& /*job*/, const PlainMaterials& materials, Platform& out) {
  out.material = materials.thick;
}

Platform mirrored(const Platform& of) {
  return of;
}

void make(const PartBuilder& builder, const Platform& of, Made& out) {
  out.take(PlatformMaker(builder, of).run());
}

void fields(Archive& a, Platform& v) {
  a.must("width", v.width);
  a.must("depth", v.depth);
  a.must("height", v.height);
  a.must("material", v.material);
  a("across", v.across);
  a("deep", v.deep);
  a.choice("joint", v.joint, kJoints);
  a.unlessDefault("dadoDepth", v.dadoDepth);
  a.unlessDefault("slats", v.slats);
  a.unlessDefault("slat", v.slat);
  a.unlessDefault("deckMaterial", v.deckMaterial);
}

}  // namespace pp
