#include "core/kinds/boards/places.h"

#include <fmt/ranges.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <map>
#include <numbers>

#include "core/kinds/common/words.h"
#include "core/length/parse.h"
#include "core/result/text.h"

namespace pp {
namespace {

Direction directionOf(BoardWay way) {
  static constexpr std::array<Direction, 6> kWays = {kRight,    kLeft, kBackwards,
                                                     kForwards, kUp,   kDown};
  return kWays[static_cast<std::size_t>(way)];
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
    return cut.from == edge && (cut.cut == MachiningKind::Taper || cut.cut == MachiningKind::Arc ||
                                cut.cut == MachiningKind::Bulge || cut.cut == MachiningKind::Bevel);
  });
}

}  // namespace

Pose poseOf(const BoardPlace& place, Length along, Length up) {
  Pose out;
  out.u = directionOf(place.length);
  out.v = directionOf(place.width);
  out.w = across(out.u, out.v);
  out.origin = {place.x, place.y, place.z};
  if (place.tilt != Angle{})
    out.turn =
        Turn{out.u.axis, Angle::millidegrees(out.u.sign * place.tilt.inMillidegrees()), out.origin};
  out.origin[static_cast<std::size_t>(out.u.axis)] += out.u.sign * along;
  out.origin[static_cast<std::size_t>(out.w.axis)] += out.w.sign * up;
  return out;
}

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

std::optional<Length> widthOfPlaced(const Job& job, const Boards& of) {
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
  if (!room) return std::nullopt;
  return room->second - room->first;
}

void check(Check& to, const std::string& at, const BoardPlace& of) {
  constexpr Length kFarthest = Length::mm(100'000);
  for (const auto& [field, where] : {std::pair("/x", of.x), {"/y", of.y}, {"/z", of.z}})
    if (where > kFarthest || where < -kFarthest)
      to.add(at + field, formatMm(where) + " mm", "no further than 100 m away");
  if (axisOf(of.length) == axisOf(of.width))
    to.add(at + "/width", wayWord(of.width), "across the length");
  to.within(at + "/tilt", of.tilt, -80, 80);
}

}  // namespace pp
