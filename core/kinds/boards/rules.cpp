#include "core/kinds/boards/rules.h"

#include <fmt/ranges.h>
#include <algorithm>

#include "core/kinds/count.h"
#include "core/kinds/kind.h"
#include "core/parts/feature_cuts.h"
#include "core/parts/trig.h"

namespace pp {

Reason taperBlank(Length wide, Length narrow, Length length, Length kerf) {
  return Reason("wide end", wide)
      .plus("narrow end", narrow)
      .plus("kerf ÷ cos taper", overCosine(kerf, slopeOf(wide - narrow, length)));
}

namespace {

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
    const LengthStyle style = styleOf(maker_.job());
    for (const Feature& feature : board_.features)
      if (Problems problems = cutFeature(part_, feature, style); !problems.empty()) return problems;
    shareBlank();
    return std::move(part_);
  }

 private:
  // Only a plain tapered board of which there are two can share its blank with another.
  void shareBlank() {
    const auto isTaper = [](const Feature& one) { return one.kind == FeatureKind::Taper; };
    const auto& all = board_.features;
    if (std::count_if(all.begin(), all.end(), isTaper) != 1) return;
    const Feature& f = *std::find_if(all.begin(), all.end(), isTaper);
    const bool plain = board_.bandLong.empty() && board_.bandShort.empty() && !f.thickness &&
                       f.along == Length{} && board_.width == std::max(f.across, f.size) &&
                       (f.edge == BoardEdge::Long1 || f.edge == BoardEdge::Long2);
    if (!plain || board_.quantity * copies_ < 2) return;
    const Reason blank = taperBlank(std::max(f.across, f.size), std::min(f.across, f.size),
                                    board_.length, maker_.job().saw.kerf);
    if (blank.total() >= 2 * board_.width) return;
    part_.perBlank = 2;
    part_.blankWidth = blank;
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

void check(Check& to, const std::string& at, const Feature& of) {
  to.noneNegative(at, {{"/along", of.along},
                       {"/across", of.across},
                       {"/length", of.length},
                       {"/width", of.width},
                       {"/size", of.size},
                       {"/depth", of.depth},
                       {"/pitch", of.pitch},
                       {"/keepLow", of.keepLow},
                       {"/keepHigh", of.keepHigh}});
  to.within(at + "/angle", of.angle, -60, 60);
  to.within(at + "/count", of.count, 0, 1'000);
  for (const std::string& field : unusedFields(of))
    to.add(at + "/" + field, "a value that this shape does not use",
           fmt::format("nothing; it has {}", fmt::join(fieldsOf(of.kind), ", ")));
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
  for (std::size_t i = 0; i < of.features.size(); ++i)
    check(to, fmt::format("{}/features/{}", at, i), of.features[i]);
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
