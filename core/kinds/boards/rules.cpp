#include "core/kinds/boards/rules.h"

#include <fmt/ranges.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <map>
#include <numbers>
#include <tuple>

#include "core/kinds/count.h"
#include "core/kinds/kind.h"
#include "core/kinds/words.h"
#include "core/length/parse.h"
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
  BoardMaker(const Maker& maker, const LooseBoard& board, std::int64_t copies)
      : maker_(maker), board_(board), copies_(copies) {}

  Result<std::vector<BoardPiece>> run() {
    if (board_.hand == BoardHand::Pairs) {
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
    if (board_.layers.empty()) shareBlank(part);
    Length under;
    const Part first = part;
    out_.push_back({std::move(part), Length{}, Length{}});
    for (std::size_t i = 0; i < board_.layers.size(); ++i)
      if (Problems problems = layer(first, i, left, under); !problems.empty()) return problems;
    return {};
  }

  Problems cut(Part& part, const Feature& feature, bool left) const {
    return cutFeature(part, left ? feature : flipped(feature, Flip::Faces), maker_.job());
  }

  Result<Part> board(std::int64_t quantity) const {
    Part part =
        maker_.board(PartRole::Board, board_.material, Reason("typed length", board_.length),
                     Reason("typed width", board_.width));
    if (!board_.name.empty()) part.name = board_.name;
    part.keys.front().opening = board_.id;
    part.quantity = quantity;
    part.grain = grainOf(board_.material);
    part.edges = looks();
    const auto put = [&](Edge edge, const std::string& name) {
      band(part, edge, findBanding(maker_.job(), name));
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
    if (!findMaterial(maker_.job(), material)->grained || board_.grain == BoardGrain::Any)
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
        return cannot(
            board_.name,
            "a gap of " + maker_.shown(gap.length) + " at " + maker_.shown(gap.at) + " in a layer",
            "gaps one after the other, inside " + maker_.shown(board_.length));
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
          maker_.board(PartRole::BoardLayer, material,
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
    const Reason blank = taperBlank(std::max(f.across, f.size), std::min(f.across, f.size),
                                    board_.length, maker_.job().saw.kerf);
    if (blank.total() >= 2 * board_.width) return;
    part.perBlank = 2;
    part.blankWidth = blank;
  }

  const Maker& maker_;
  const LooseBoard& board_;
  std::int64_t copies_;
  std::vector<BoardPiece> out_;
};

}  // namespace

Result<std::vector<BoardPiece>> boardPieces(const Maker& maker, const LooseBoard& board,
                                            std::int64_t copies) {
  return BoardMaker(maker, board, copies).run();
}

namespace {

Direction directionOf(BoardWay way) {
  static constexpr std::array<Direction, 6> kWays = {kRight,    kLeft, kBackwards,
                                                     kForwards, kUp,   kDown};
  return kWays[static_cast<std::size_t>(way)];
}

std::string_view trimmed(std::string_view text) {
  const std::size_t first = text.find_first_not_of(' ');
  if (first == std::string_view::npos) return {};
  return text.substr(first, text.find_last_not_of(' ') + 1 - first);
}

std::vector<std::string_view> parted(std::string_view text, char at) {
  std::vector<std::string_view> out;
  for (std::size_t begin = 0; begin <= text.size();) {
    const std::size_t end = std::min(text.find(at, begin), text.size());
    out.push_back(trimmed(text.substr(begin, end - begin)));
    begin = end + 1;
  }
  return out;
}

std::string wayWord(BoardWay way) {
  for (const auto& [word, one] : kBoardWays)
    if (one == way) return word;
  return {};
}

std::optional<BoardWay> wayOf(std::string_view text) {
  for (const auto& [word, one] : kBoardWays)
    if (text == word) return one;
  return std::nullopt;
}

std::optional<Angle> angleOf(std::string_view text) {
  double degrees = 0;
  const auto read = std::from_chars(text.data(), text.data() + text.size(), degrees);
  if (read.ec != std::errc() || read.ptr != text.data() + text.size() || !(std::abs(degrees) <= 80))
    return std::nullopt;
  return Angle::millidegrees(std::llround(degrees * 1000));
}

int axisOf(BoardWay way) {
  return static_cast<int>(directionOf(way).axis);
}

// Across both, the way a right-handed screw goes that is turned from the one to the other.
Direction across(Direction a, Direction b) {
  const int from = static_cast<int>(a.axis), to = static_cast<int>(b.axis);
  return {static_cast<Axis>(3 - from - to), a.sign * b.sign * ((to - from + 3) % 3 == 1 ? 1 : -1)};
}

Pose poseOf(const BoardPlace& place, const BoardPiece& piece) {
  Pose out;
  out.u = directionOf(place.length);
  out.v = directionOf(place.width);
  out.w = across(out.u, out.v);
  out.origin = {place.x, place.y, place.z};
  if (place.tilt != Angle{})
    out.turn =
        Turn{out.u.axis, Angle::millidegrees(out.u.sign * place.tilt.inMillidegrees()), out.origin};
  out.origin[static_cast<std::size_t>(out.u.axis)] += out.u.sign * piece.along;
  out.origin[static_cast<std::size_t>(out.w.axis)] += out.w.sign * piece.up;
  return out;
}

// Whether the edge of a board that lies along the axes is against a face of the other.
bool meetsFace(const Part& part, const Pose& pose, Edge edge, const Part& mate, const Pose& at) {
  const Box room = pose.place(part.board()), other = at.place(mate.board());
  const bool end = isEnd(edge);
  const Direction way = end ? pose.u : pose.v;
  if (at.w.axis != way.axis) return false;
  const bool high = (edge == Edge::W2 || edge == Edge::L2) == (way.sign > 0);
  for (std::size_t axis = 0; axis < 3; ++axis) {
    if (axis == static_cast<std::size_t>(way.axis)) {
      if (high ? room.high[axis] != other.low[axis] : room.low[axis] != other.high[axis])
        return false;
    } else if (room.low[axis] >= other.high[axis] || other.low[axis] >= room.high[axis]) {
      return false;
    }
  }
  return true;
}

// A tapered or hollowed edge meets nothing.
bool isStraight(const Part& part, Edge edge) {
  return std::none_of(part.machining.begin(), part.machining.end(), [edge](const Machining& cut) {
    return cut.from == edge && (cut.cut == Cut::Taper || cut.cut == Cut::Arc ||
                                cut.cut == Cut::Bulge || cut.cut == Cut::Bevel);
  });
}

// Edges of boards that were placed against faces of others are fixed there.
void joinPlaced(const SharedRows<LooseBoard>& boards, std::vector<Part>& parts) {
  std::map<Id, std::size_t> placed;
  for (const LooseBoard& board : boards) placed[board.id] = board.places.size();
  const auto posesOf = [&](const Part& part) {
    const std::size_t count = std::min(placed[part.keys.front().opening], part.poses.size());
    return std::vector<Pose>(part.poses.begin(),
                             part.poses.begin() + static_cast<std::ptrdiff_t>(count));
  };
  const auto join = [](Part& part, Edge edge, const std::string& to) {
    const Join made{edge, JoinKind::Butt, to};
    if (std::find(part.joins.begin(), part.joins.end(), made) == part.joins.end())
      part.joins.push_back(made);
  };
  for (Part& part : parts)
    for (const Pose& pose : posesOf(part))
      for (const Part& mate : parts)
        for (const Pose& at : posesOf(mate)) {
          if (pose == at || pose.turn || at.turn) continue;
          for (const Edge edge : kEdges)
            if (isStraight(part, edge) && meetsFace(part, pose, edge, mate, at))
              join(part, edge, mate.name);
        }
}

Result<std::vector<Part>> boardsParts(const Maker& maker, const Boards& boards) {
  const std::int64_t copies = maker.assembly().copies;
  // Laid side by side as on a bench, a hand's width apart.
  constexpr Length kApart = Length::mm(40);
  std::vector<Part> out;
  Length x, next;
  std::map<std::tuple<Id, PartRole, Length, Length>, std::size_t> places;  // taken, by piece
  for (const LooseBoard& board : boards.boards) {
    auto pieces = boardPieces(maker, board, copies);
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
          Maker::place(piece.part, poseOf(board.places[place], piece));
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

Result<std::vector<BoardPlace>> parsePlaces(std::string_view text, Unit bare) {
  std::vector<BoardPlace> out;
  if (trimmed(text).empty()) return out;
  for (const std::string_view item : parted(text, ';')) {
    const auto refused = [&] {
      return Problems{
          {{},
           0,
           "place",
           "'" + std::string(item) + "'",
           "how far to the right, to the back and up, the ways of its length and width, "
           "and a tilt, such as `0, 12, 40, up, right`"}};
    };
    const std::vector<std::string_view> words = parted(item, ',');
    if (words.size() < 5 || words.size() > 6) return refused();
    BoardPlace place;
    Length* const wheres[] = {&place.x, &place.y, &place.z};
    for (std::size_t i = 0; i < 3; ++i) {
      const bool isBelow = !words[i].empty() && words[i].front() == '-';
      const auto where = parseExpression(words[i].substr(isBelow ? 1 : 0), bare);
      if (!where) return refused();
      *wheres[i] = isBelow ? -*where : *where;
    }
    const auto length = wayOf(words[3]), width = wayOf(words[4]);
    if (!length || !width || axisOf(*length) == axisOf(*width)) return refused();
    place.length = *length;
    place.width = *width;
    if (words.size() > 5) {
      const auto tilt = angleOf(words[5]);
      if (!tilt) return refused();
      place.tilt = *tilt;
    }
    out.push_back(place);
  }
  return out;
}

std::string formatPlaces(const std::vector<BoardPlace>& places, Unit unit) {
  std::vector<std::string> out;
  for (const BoardPlace& one : places) {
    const auto shown = [unit](Length where) {
      const std::string text = formatExact(std::max(where, -where), unit);
      return (where < Length{} ? "-" : "") + text.substr(0, text.rfind(' '));
    };
    std::string text = fmt::format("{}, {}, {}, {}, {}", shown(one.x), shown(one.y), shown(one.z),
                                   wayWord(one.length), wayWord(one.width));
    if (one.tilt != Angle{})
      text += fmt::format(", {}", static_cast<double>(one.tilt.inMillidegrees()) / 1000);
    out.push_back(std::move(text));
  }
  return fmt::format("{}", fmt::join(out, "; "));
}

BoardPlace mirrored(const BoardPlace& of, Length thickness) {
  const auto swapped = [](BoardWay way) {
    return way == BoardWay::Right ? BoardWay::Left : way == BoardWay::Left ? BoardWay::Right : way;
  };
  // The other face is the inside one there, so its corner is so far on the way of the thickness.
  const Direction wide = directionOf(of.width), through = across(directionOf(of.length), wide);
  BoardPlace out = of;
  const auto move = [&out](Direction way, Length by) {
    Length* const wheres[] = {&out.x, &out.y, &out.z};
    *wheres[static_cast<std::size_t>(way.axis)] += way.sign * by;
  };
  if (of.tilt == Angle{}) {
    move(through, thickness);
  } else {
    const double tilt =
        static_cast<double>(of.tilt.inMillidegrees()) / 1000 * std::numbers::pi / 180;
    move(through, Length::um(std::llround(thickness.inMm() * std::cos(tilt) * 1000)));
    move(wide, -Length::um(std::llround(thickness.inMm() * std::sin(tilt) * 1000)));
  }
  out.x = -out.x;
  out.length = swapped(of.length);
  out.width = swapped(of.width);
  out.tilt = Angle::millidegrees(-of.tilt.inMillidegrees());
  return out;
}

// From the leftmost to the rightmost of those that stand somewhere; a tilt is left out.
Length widthOf(const Job& job, const Boards& of) {
  std::optional<std::pair<Length, Length>> room;
  for (const LooseBoard& board : of.boards)
    for (const BoardPlace& place : board.places) {
      const Direction u = directionOf(place.length), v = directionOf(place.width);
      Length end = place.x;
      for (const auto& [way, size] :
           {std::pair(u, board.length), std::pair(v, board.width),
            std::pair(across(u, v), findMaterial(job, board.material)->measured)})
        if (way.axis == Axis::X) end += way.sign * size;
      const auto [low, high] = std::minmax(place.x, end);
      room = room ? std::pair(std::min(room->first, low), std::max(room->second, high))
                  : std::pair(low, high);
    }
  return room ? room->second - room->first : of.boards.front().length;
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

namespace {

void check(Check& to, const std::string& at, const BoardPlace& of) {
  constexpr Length kFarthest = Length::mm(100'000);
  for (const auto& [field, where] : {std::pair("/x", of.x), {"/y", of.y}, {"/z", of.z}})
    if (where > kFarthest || where < -kFarthest)
      to.add(at + field, formatMm(where) + " mm", "no further than 100 m away");
  if (axisOf(of.length) == axisOf(of.width))
    to.add(at + "/width", wayWord(of.width), "across the length");
  to.within(at + "/tilt", of.tilt, -80, 80);
}

}  // namespace

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

void make(const Maker& maker, const Boards& of, Made& out) {
  out.take(boardsParts(maker, of));
}

}  // namespace pp
