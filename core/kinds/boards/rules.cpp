#include "core/kinds/boards/rules.h"

#include <fmt/ranges.h>

#include <algorithm>
#include <map>
#include <tuple>

#include "core/kinds/boards/places.h"
#include "core/kinds/common/count.h"
#include "core/kinds/common/plain.h"
#include "core/parts/feature_cuts.h"
#include "core/parts/trig.h"

namespace pp {

Reason taperBlank(Length wide, Length narrow, Length length, Length kerf) {
  return Reason("wide end", wide)
      .plus("narrow end", narrow)
      .plus("kerf ÷ cos taper", overCosine(kerf, slopeOf(wide - narrow, length)));
}

namespace {

bool isThrough(const Feature& feature) {
  switch (feature.kind) {
    case FeatureKind::Hole:
    case FeatureKind::HoleRow:
    case FeatureKind::Slot:
      return feature.depth == Length{};
    case FeatureKind::Notch:
    case FeatureKind::Curve:
    case FeatureKind::Corner:
    case FeatureKind::RoundEnd:
      return true;
    case FeatureKind::Taper:
      return !feature.thickness;
    default:
      return false;
  }
}

class BoardMaker {
 public:
  BoardMaker(const PartBuilder& builder, const LooseBoard& board, std::int64_t copies)
      : builder_(builder), board_(board), copies_(copies) {}

  Result<std::vector<BoardPiece>> run() {
    if (board_.hand == BoardHand::Pairs && isEitherHand()) {
      if (const Problems problems = make(true, board_.quantity); !problems.empty()) return problems;
      out_.front().part.hand = Hand::None;
      out_.front().part.note = "half of them turned over";
    } else if (board_.hand == BoardHand::Pairs) {
      if (board_.quantity % 2 != 0)
        return cannot(board_.name, std::to_string(board_.quantity) + " boards in pairs",
                      "an even number");
      for (const bool left : {true, false})
        if (const Problems problems = make(left, board_.quantity / 2); !problems.empty())
          return problems;
    } else if (const Problems problems = make(board_.hand != BoardHand::Right, board_.quantity);
               !problems.empty()) {
      return problems;
    }
    return std::move(out_);
  }

 private:
  // The board, and the layers under it. A right one is the left one seen in a mirror: the same with
  // its faces changed.
  Problems make(bool left, std::int64_t quantity) {
    auto face = board(quantity);
    if (!face) return face.problems();
    Part part = std::move(face).value();
    part.hand = board_.hand == BoardHand::None ? Hand::None : left ? Hand::Left : Hand::Right;
    part.show = left ? board_.show : opposite(board_.show);
    for (const Feature& feature : board_.features) {
      const bool here = board_.layers.empty() || isThrough(feature) || isOfAnEdge(feature) ||
                        feature.face == Face::Outside;
      if (here)
        if (Problems problems = cut(part, feature, left); !problems.empty()) return problems;
    }
    shareBlank(part);
    Length under;
    const Part first = part;
    out_.push_back({std::move(part), Length{}, Length{}});
    for (std::size_t i = 0; i < board_.layers.size(); ++i)
      if (Problems problems = layer(first, i, left, under); !problems.empty()) return problems;
    return {};
  }

  Problems cut(Part& part, const Feature& feature, bool left) const {
    return cutFeature(part, left ? feature : flipped(feature, Flip::Faces), builder_.job());
  }

  Result<Part> board(std::int64_t quantity) const {
    Part part =
        builder_.board(PartRole::Board, board_.material, Reason("typed length", board_.length),
                       Reason("typed width", board_.width));
    if (!board_.name.empty()) part.name = board_.name;
    part.keys.front().opening = board_.id;
    part.quantity = quantity;
    part.grain = grainOf(board_.material);
    part.edges = looks();
    const auto put = [&](Edge edge, const std::string& name) {
      band(part, edge, findBanding(builder_.job(), name));
    };
    put(Edge::L1, board_.bandLong);
    put(Edge::L2, board_.farLong.value_or(board_.bandLong));
    put(Edge::W1, board_.bandShort);
    put(Edge::W2, board_.farShort.value_or(board_.bandShort));
    if (part.cutLength() <= Length{} || part.cutWidth() <= Length{})
      return cannot(part.name, "a board that its banding takes up",
                    "a larger board or thinner banding");
    return part;
  }

  PartGrain grainOf(const std::string& material) const {
    if (!findMaterial(builder_.job(), material)->grained || board_.grain == BoardGrain::Any)
      return PartGrain::Any;
    return board_.grain == BoardGrain::Length ? PartGrain::Length : PartGrain::Width;
  }

  // Which way L1, L2, W1 and W2 look: where nobody knows, its length lies level as drawn.
  std::array<Side, 4> looks() const {
    using enum Side;
    if (!board_.front) return {Bottom, Top, Left, Right};
    switch (*board_.front) {
      case BoardEdge::Long1:
        return {Front, Back, Left, Right};
      case BoardEdge::Long2:
        return {Back, Front, Left, Right};
      case BoardEdge::Short1:
        return {Left, Right, Front, Back};
      case BoardEdge::Short2:
        break;
    }
    return {Left, Right, Back, Front};
  }

  // What of a layer lies between its gaps, from the first end on.
  Result<std::vector<std::pair<Length, Length>>> piecesOf(const BoardLayer& layer) const {
    std::vector<std::pair<Length, Length>> out;
    Length from;
    for (const LayerGap& gap : layer.gaps) {
      if (gap.at < from || gap.at + gap.length > board_.length)
        return cannot(board_.name,
                      "a gap of " + builder_.shown(gap.length) + " at " + builder_.shown(gap.at) +
                          " in a layer",
                      "gaps one after the other, inside " + builder_.shown(board_.length));
      if (gap.at > from) out.emplace_back(from, gap.at);
      from = gap.at + gap.length;
    }
    if (from < board_.length) out.emplace_back(from, board_.length);
    if (out.empty()) return cannot(board_.name, "a layer that is all gaps", "some of it left");
    return out;
  }

  Problems layer(const Part& first, std::size_t index, bool left, Length& under) {
    const BoardLayer& of = board_.layers[index];
    const std::string& material = of.material.empty() ? board_.material : of.material;
    const auto pieces = piecesOf(of);
    if (!pieces) return pieces.problems();
    const bool last = index + 1 == board_.layers.size();
    Length thick;
    for (std::size_t k = 0; k < pieces->size(); ++k) {
      const auto [from, to] = pieces.value()[k];
      const bool whole = pieces->size() == 1 && to - from == board_.length;
      Part part =
          builder_.board(PartRole::BoardLayer, material,
                         whole ? first.length : Reason("between gaps", to - from), first.width);
      thick = part.thickness;
      part.name = fmt::format("{}, layer {}", first.name, index + 2);
      if (!whole) part.name += fmt::format(", piece {} of {}", k + 1, pieces->size());
      part.keys.front().opening = board_.id;
      part.quantity = first.quantity;
      part.hand = first.hand;
      part.edges = first.edges;
      part.grain = grainOf(material);
      part.oversize = of.oversize;
      if (of.oversize > Length{}) part.oversizeWhy = "flush-trimmed after gluing";
      for (const Feature& feature : board_.features)
        if (isThrough(feature) || (last && feature.face == Face::Inside && !isOfAnEdge(feature)))
          if (Problems problems = inPiece(part, feature, from, to, left); !problems.empty())
            return problems;
      for (const Feature& feature : of.features)
        if (Problems problems = inPiece(part, feature, from, to, left); !problems.empty())
          return problems;
      if (whole && of.features.empty()) shareBlank(part);
      const Length up = left ? -(under + thick) : first.thickness + under;
      out_.push_back({std::move(part), from, up});
    }
    under += thick;
    return {};
  }

  // Cut when all is glued; the board's own list says it.
  static bool isOfAnEdge(const Feature& feature) {
    return feature.kind == FeatureKind::Bevel || feature.kind == FeatureKind::RoundOver ||
           feature.kind == FeatureKind::Chamfer;
  }

  // What lies within the piece from `from` to `to` of the whole length; nothing where it lies in
  // another piece or in a gap. What crosses the end of a piece is cut when the layers are glued.
  Problems inPiece(Part& part, Feature feature, Length from, Length to, bool left) const {
    if (from == Length{} && to == board_.length) return cut(part, feature, left);
    if (feature.kind == FeatureKind::Taper && !feature.thickness) {
      const Length begins = feature.farEnd ? board_.length - feature.along : feature.along;
      if (begins > from && begins < to) {
        part.note = "taper it with the board when the layers are glued";
        return {};
      }
      if (const auto own = taperIn(feature, from, to)) return cut(part, *own, left);
      return {};
    }
    if (feature.kind == FeatureKind::Groove || feature.kind == FeatureKind::Rabbet) {
      const bool end = feature.kind == FeatureKind::Rabbet &&
                       (feature.edge == BoardEdge::Short1 || feature.edge == BoardEdge::Short2);
      if (end && (feature.edge == BoardEdge::Short1 ? from > Length{} : to < board_.length))
        return {};
      // Where it stops is at the ends of the whole board.
      if (!end && from > Length{}) feature.keepLow = Length{};
      if (!end && to < board_.length) feature.keepHigh = Length{};
      return cut(part, feature, left);
    }
    if (feature.kind == FeatureKind::Corner || feature.kind == FeatureKind::RoundEnd) {
      const bool here = feature.farEnd ? to == board_.length : from == Length{};
      return here ? cut(part, feature, left) : Problems{};
    }
    if (feature.kind == FeatureKind::Curve) {
      part.note = "trim it to the curve of the board when the layers are glued";
      return {};
    }
    if (!alongTheBoard(feature)) return {};
    if (feature.farEnd) {
      feature.along = board_.length - feature.along - spanOf(feature);
      feature.farEnd = false;
    }
    const Length half = feature.kind == FeatureKind::Hole || feature.kind == FeatureKind::HoleRow
                            ? feature.size / 2
                        : feature.kind == FeatureKind::Slot ? feature.length / 2
                                                            : Length{};
    const Length low = feature.along - half;
    const Length high = feature.along + spanOf(feature) + half;
    if (high <= from || low >= to) return {};
    if (low < from || high > to) {
      part.note = "finish the " + std::string(word(feature)) + " when the layers are glued";
      return {};
    }
    feature.along -= from;
    return cut(part, feature, left);
  }

  // What a taper of a long edge is in a piece of the board in which it does not begin; nothing
  // where the piece keeps its width.
  std::optional<Feature> taperIn(const Feature& taper, Length from, Length to) const {
    if (taper.edge != BoardEdge::Long1 && taper.edge != BoardEdge::Long2) return std::nullopt;
    const Length run = board_.length - taper.along;
    const auto wide = [&](Length at) {
      const Length along = (taper.farEnd ? board_.length - at : at) - taper.along;
      return along <= Length{} ? taper.across
                               : taper.across + scaled(taper.size - taper.across, along, run);
    };
    Feature out = taper;
    out.along = Length{};
    out.farEnd = false;
    out.across = wide(from);
    out.size = wide(to);
    if (out.across == out.size) return std::nullopt;
    return out;
  }

  static bool alongTheBoard(const Feature& feature) {
    switch (feature.kind) {
      case FeatureKind::Hole:
      case FeatureKind::HoleRow:
      case FeatureKind::Slot:
      case FeatureKind::Notch:
      case FeatureKind::Dado:
      case FeatureKind::Recess:
        return true;
      default:
        return false;
    }
  }
  // From `along` on, for what has no middle.
  static Length spanOf(const Feature& feature) {
    switch (feature.kind) {
      case FeatureKind::HoleRow:
        return feature.crosswise ? Length{} : (feature.count - 1) * feature.pitch;
      case FeatureKind::Notch:
      case FeatureKind::Recess:
        return feature.length;
      case FeatureKind::Dado:
        return feature.size;
      default:
        return {};
    }
  }
  static const char* word(const Feature& feature) {
    switch (feature.kind) {
      case FeatureKind::Notch:
        return "notch";
      case FeatureKind::Dado:
        return "dado";
      case FeatureKind::Recess:
        return "recess";
      case FeatureKind::Slot:
        return "slot";
      default:
        return "holes";
    }
  }

  // Whether a left one turned over is a right one, and two of them come from one blank.
  bool isEitherHand() const {
    return board_.quantity % 2 == 0 && board_.layers.empty() && board_.bandLong.empty() &&
           !board_.features.empty() &&
           std::all_of(board_.features.begin(), board_.features.end(), [](const Feature& one) {
             return one.kind == FeatureKind::Taper && !one.thickness;
           });
  }

  // Only a plain tapered board of which there are two can share its blank with another.
  void shareBlank(Part& part) const {
    const auto isTaper = [](const Feature& one) { return one.kind == FeatureKind::Taper; };
    const auto& all = board_.features;
    if (std::count_if(all.begin(), all.end(), isTaper) != 1) return;
    const Feature& f = *std::find_if(all.begin(), all.end(), isTaper);
    const bool plain = board_.bandLong.empty() && board_.bandShort.empty() && !f.thickness &&
                       f.along == Length{} && board_.width == std::max(f.across, f.size) &&
                       (f.edge == BoardEdge::Long1 || f.edge == BoardEdge::Long2);
    if (!plain || part.quantity * copies_ < 2) return;
    Reason blank = taperBlank(std::max(f.across, f.size), std::min(f.across, f.size), board_.length,
                              builder_.job().saw.kerf);
    blank.plus("oversize", part.oversize, 2);
    if (blank.total() >= 2 * (board_.width + part.oversize)) return;
    part.perBlank = 2;
    part.blankWidth = blank;
  }

  const PartBuilder& builder_;
  const LooseBoard& board_;
  std::int64_t copies_;
  std::vector<BoardPiece> out_;
};

}  // namespace

Result<std::vector<BoardPiece>> boardPieces(const PartBuilder& builder, const LooseBoard& board,
                                            std::int64_t copies) {
  return BoardMaker(builder, board, copies).run();
}

namespace {

Result<std::vector<Part>> boardsParts(const PartBuilder& builder, const Boards& boards) {
  const std::int64_t copies = builder.assembly().copies;
  // Laid side by side as on a bench, a hand's width apart.
  constexpr Length kApart = Length::mm(40);
  std::vector<Part> out;
  Length x, next;
  std::map<std::tuple<Id, PartRole, Length, Length>, std::size_t> places;  // taken, by piece
  for (const LooseBoard& board : boards.boards) {
    auto pieces = boardPieces(builder, board, copies);
    if (!pieces) return pieces.problems();
    for (BoardPiece& piece : pieces.value()) {
      // Each board stands where its own layers do.
      if (piece.part.role == PartRole::Board) x = next;
      Length at = x;
      // Of pairs the left ones have the first places.
      std::size_t& place = places[{board.id, piece.part.role, piece.along, piece.up}];
      for (std::int64_t i = 0; i < piece.part.quantity; ++i, ++place) {
        if (place < board.places.size()) {
          const std::array<Side, 4> edges = piece.part.edges;
          PartBuilder::place(piece.part, poseOf(board.places[place], piece.along, piece.up));
          if (board.front || i > 0) piece.part.edges = edges;
          continue;
        }
        piece.part.poses.push_back({{at, piece.up, piece.along}, kUp, kRight, kBackwards});
        at += board.width + kApart;
      }
      next = std::max(next, at);
      out.push_back(std::move(piece.part));
    }
  }
  joinPlaced(boards.boards, out);
  return out;
}

}  // namespace

Length widthOf(const Job& job, const Boards& of) {
  return widthOfPlaced(job, of).value_or(of.boards.front().length);
}

std::int64_t mostPieces(const SharedRows<LooseBoard>& boards) {
  std::int64_t out = 0;
  for (const LooseBoard& board : boards) {
    std::int64_t each = 1;
    for (const BoardLayer& layer : board.layers)
      each += static_cast<std::int64_t>(layer.gaps.size()) + 1;
    out = std::min(kTooMany, out + each * std::clamp<std::int64_t>(board.quantity, 0, kTooMany));
  }
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
  constexpr std::size_t kMostLayers = 8;
  constexpr std::size_t kMostGaps = 50;
  if (of.layers.size() > kMostLayers)
    to.add(at + "/layers", std::to_string(of.layers.size()), "at most 8");
  for (std::size_t i = 0; i < of.layers.size(); ++i) {
    const BoardLayer& layer = of.layers[i];
    const std::string here = fmt::format("{}/layers/{}", at, i);
    if (!layer.material.empty()) to.knownMaterial(here + "/material", layer.material);
    to.notNegative(here + "/oversize", layer.oversize);
    if (layer.gaps.size() > kMostGaps)
      to.add(here + "/gaps", std::to_string(layer.gaps.size()), "at most 50");
    for (std::size_t k = 0; k < layer.gaps.size(); ++k) {
      to.notNegative(fmt::format("{}/gaps/{}/at", here, k), layer.gaps[k].at);
      to.positive(fmt::format("{}/gaps/{}/length", here, k), layer.gaps[k].length);
    }
    for (std::size_t k = 0; k < layer.features.size(); ++k)
      check(to, fmt::format("{}/features/{}", here, k), layer.features[k]);
  }
  if (std::ssize(of.places) > of.quantity)
    to.add(at + "/places", std::to_string(of.places.size()), "no more than the quantity");
  for (std::size_t i = 0; i < of.places.size(); ++i)
    check(to, fmt::format("{}/places/{}", at, i), of.places[i]);
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

Boards mirrored(const Boards& of) {
  Boards out = of;
  for (std::size_t i = 0; i < out.boards.size(); ++i) {
    LooseBoard& board = out.boards[i];
    switch (board.hand) {
      case BoardHand::Left:
        board.hand = BoardHand::Right;
        break;
      case BoardHand::Right:
        board.hand = BoardHand::Left;
        break;
      case BoardHand::Pairs:
        break;
      case BoardHand::None:
        for (Feature& feature : board.features) feature = flipped(feature, Flip::Faces);
        for (BoardLayer& layer : board.layers)
          for (Feature& feature : layer.features) feature = flipped(feature, Flip::Faces);
        break;
    }
  }
  return out;
}

void make(const PartBuilder& builder, const Boards& of, Made& out) {
  out.take(boardsParts(builder, of));
}

}  // namespace pp
