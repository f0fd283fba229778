#include "core/kinds/boards/rules.h"

#include <fmt/ranges.h>
#include <algorithm>

#include "core/kinds/count.h"
#include "core/kinds/kind.h"
#include "core/parts/trig.h"

namespace pp {

Reason taperBlank(Length wide, Length narrow, Length length, Length kerf) {
  return Reason("wide end", wide)
      .plus("narrow end", narrow)
      .plus("kerf ÷ cos taper", overCosine(kerf, slopeOf(wide - narrow, length)));
}

namespace {

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

class BoardMaker {
 public:
  BoardMaker(const Maker& maker, const LooseBoard& board, std::int64_t copies)
      : maker_(maker), board_(board), copies_(copies) {}

  Result<Part> run() {
    part_ = maker_.board(PartRole::Board, board_.material, Reason("typed length", board_.length),
                         Reason("typed width", board_.width));
    if (!board_.name.empty()) part_.name = board_.name;
    part_.keys.front().opening = board_.id;
    part_.quantity = board_.quantity;
    const bool grained = findMaterial(maker_.job(), board_.material)->grained;
    part_.grain = !grained || board_.grain == BoardGrain::Any ? PartGrain::Any
                  : board_.grain == BoardGrain::Length        ? PartGrain::Length
                                                              : PartGrain::Width;
    // Nobody knows which way a loose board will stand; as drawn, its length lies level.
    part_.edges = {Side::Bottom, Side::Top, Side::Left, Side::Right};
    const auto put = [this](Edge edge, const std::string& name) {
      band(part_, edge, findBanding(maker_.job(), name));
    };
    put(Edge::L1, board_.bandLong);
    put(Edge::L2, board_.farLong.value_or(board_.bandLong));
    put(Edge::W1, board_.bandShort);
    put(Edge::W2, board_.farShort.value_or(board_.bandShort));
    if (part_.cutLength() <= Length{} || part_.cutWidth() <= Length{})
      return cannot(part_.name, "a board that its banding takes up",
                    "a larger board or thinner banding");
    for (const Feature& feature : board_.features)
      if (const Problems problems = add(feature); !problems.empty()) return problems;
    return std::move(part_);
  }

 private:
  Problems outside(const char* what) const {
    return {
        cannot(part_.name, std::string("a ") + what + " that leaves the board",
               "one inside " + maker_.shown(board_.length) + " × " + maker_.shown(board_.width))};
  }

  Problems add(const Feature& f) {
    const Length length = board_.length;
    const Length width = board_.width;
    Machining cut;
    cut.through = false;
    switch (f.kind) {
      case FeatureKind::Hole:
        if (f.size <= Length{} || f.along < f.size / 2 || f.across < f.size / 2 ||
            f.along + f.size / 2 > length || f.across + f.size / 2 > width)
          return outside("hole");
        cut.cut = Cut::Hole;
        cut.u0 = cut.u1 = cut.distance = f.along;
        cut.v0 = cut.v1 = f.across;
        cut.width = f.size;
        cut.depth = f.depth > Length{} ? f.depth : part_.thickness;
        cut.holes = 1;
        break;
      case FeatureKind::Slot:
        if (f.size <= Length{} || f.length < f.size || f.along < f.length / 2 ||
            f.across < f.size / 2 || f.along + f.length / 2 > length ||
            f.across + f.size / 2 > width)
          return outside("slot");
        cut.cut = Cut::Slot;
        cut.u0 = f.along - f.length / 2;
        cut.u1 = cut.u0 + f.length;
        cut.v0 = cut.v1 = f.across;
        cut.width = f.size;
        cut.depth = f.depth > Length{} ? f.depth : part_.thickness;
        cut.distance = f.along;
        break;
      case FeatureKind::Notch:
        if (f.length <= Length{} || f.width <= Length{} || f.along + f.length > length ||
            f.across + f.width > width)
          return outside("notch");
        cut = notch(part_, "notch", f.along, f.along + f.length, f.across, f.across + f.width);
        break;
      case FeatureKind::Dado:
      case FeatureKind::Groove: {
        const bool dado = f.kind == FeatureKind::Dado;
        if (f.size <= Length{} || (dado ? f.along + f.size > length : f.across + f.size > width))
          return outside(dado ? "dado" : "groove");
        if (f.depth <= Length{} || f.depth >= part_.thickness)
          return {cannot(part_.name, maker_.shown(f.depth) + " deep",
                         "less than the thickness of " + maker_.shown(part_.thickness))};
        cut = dado ? dadoAcross(part_, "mate", f.along, f.size, f.depth)
                   : grooveAlong(part_, "mate", f.across, f.size, f.depth);
        break;
      }
      case FeatureKind::Taper:
        return taper(f);
      case FeatureKind::Arc:
        // A circle's arc: half of one at most.
        if (const bool along = f.edge == BoardEdge::Long1 || f.edge == BoardEdge::Long2;
            f.depth <= Length{} || f.depth >= (along ? width : length) ||
            2 * f.depth > (along ? length : width))
          return outside("hollow");
        cut.cut = Cut::Arc;
        cut.from = edgeOf(f.edge);
        cut.depth = f.depth;
        break;
      case FeatureKind::Bevel:
        if (f.angle == Angle{}) return {cannot(part_.name, "a bevel of 0°", "an angle off square")};
        cut = bevel(edgeOf(f.edge),
                    f.angle < Angle{} ? Angle::millidegrees(-f.angle.inMillidegrees()) : f.angle,
                    f.angle < Angle{} ? Face::Inside : Face::Outside, "bevel");
        break;
    }
    part_.machining.push_back(std::move(cut));
    return {};
  }

  Problems taper(const Feature& f) {
    if (f.across > board_.width || f.size > board_.width || f.across == f.size)
      return outside("taper");
    Machining cut;
    cut.cut = Cut::Taper;
    cut.receives = "taper";
    cut.from = Edge::L2;
    cut.v0 = f.across;
    cut.v1 = f.size;
    cut.angle = slopeOf(f.across > f.size ? f.across - f.size : f.size - f.across, board_.length);
    part_.machining.push_back(cut);
    const Reason blank = taperBlank(std::max(f.across, f.size), std::min(f.across, f.size),
                                    board_.length, maker_.job().saw.kerf);
    // Only a plain tapered board of which there are two can share its blank with another.
    const bool plain = board_.bandLong.empty() && board_.bandShort.empty() &&
                       board_.width == std::max(f.across, f.size);
    if (plain && board_.quantity * copies_ > 1 && blank.total() < 2 * board_.width) {
      part_.perBlank = 2;
      part_.blankWidth = blank;
    }
    return {};
  }

  const Maker& maker_;
  const LooseBoard& board_;
  std::int64_t copies_;
  Part part_;
};

}  // namespace

Result<Part> boardPart(const Maker& maker, const LooseBoard& board, std::int64_t copies) {
  return BoardMaker(maker, board, copies).run();
}

namespace {

Result<std::vector<Part>> boardsParts(const Maker& maker, const Boards& boards) {
  const std::int64_t copies = maker.assembly().copies;
  // Laid side by side as on a bench, a hand's width apart.
  constexpr Length kApart = Length::mm(40);
  std::vector<Part> out;
  Length x;
  for (const LooseBoard& board : boards.boards) {
    auto part = boardPart(maker, board, copies);
    if (!part) return part.problems();
    const auto edges = part->edges;
    for (std::int64_t i = 0; i < part->quantity; ++i) {
      part.value().poses.push_back({{x, Length{}, Length{}}, kUp, kRight, kBackwards});
      x += board.width + kApart;
    }
    part.value().edges = edges;
    out.push_back(std::move(part).value());
  }
  return out;
}

}  // namespace

Length widthOf(const Job& /*job*/, const Boards& of) {
  return of.boards.front().length;
}

std::int64_t mostPieces(const SharedRows<LooseBoard>& boards) {
  std::int64_t out = 0;
  for (const LooseBoard& board : boards)
    out = std::min(kTooMany, out + std::clamp<std::int64_t>(board.quantity, 0, kTooMany));
  return out;
}

std::int64_t mostPieces(const Job& /*job*/, const Boards& of) {
  return mostPieces(of.boards);
}

void check(Check& to, const std::string& at, const LooseBoard& of) {
  to.text(at + "/name", of.name);
  to.knownMaterial(at + "/material", of.material);
  to.within(at + "/quantity", of.quantity, 1, 10'000);
  to.positive(at + "/length", of.length);
  to.positive(at + "/width", of.width);
  to.knownBanding(at + "/bandLong", of.bandLong);
  to.knownBanding(at + "/bandShort", of.bandShort);
  if (of.farLong) to.knownBanding(at + "/farLong", *of.farLong);
  if (of.farShort) to.knownBanding(at + "/farShort", *of.farShort);
  for (std::size_t i = 0; i < of.features.size(); ++i) {
    const Feature& one = of.features[i];
    const std::string here = fmt::format("{}/features/{}", at, i);
    to.noneNegative(here, {{"/along", one.along},
                           {"/across", one.across},
                           {"/length", one.length},
                           {"/width", one.width},
                           {"/size", one.size},
                           {"/depth", one.depth}});
    to.within(here + "/angle", one.angle, -60, 60);
    for (const std::string& field : unusedFields(one))
      to.add(here + "/" + field, "a value that this shape does not use",
             fmt::format("nothing; it has {}", fmt::join(fieldsOf(one.kind), ", ")));
  }
}

void check(Check& to, const std::string& at, const Boards& of) {
  const std::string here = at + "/boards";
  if (of.boards.empty()) to.add(here, "nothing", "at least one board");
  for (std::size_t i = 0; i < of.boards.size(); ++i)
    check(to, fmt::format("{}/{}", here, i), of.boards[i]);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, Boards& out) {
  LooseBoard board;
  board.name = "board";
  board.material = materials.thick;
  board.length = Length::mm(600);
  board.width = Length::mm(200);
  out.boards.push_back(std::move(board));
}

void make(const Maker& maker, const Boards& of, Made& out) {
  out.take(boardsParts(maker, of));
}

}  // namespace pp
