#include "core/nest/sheet/skeleton.h"

#include <algorithm>
#include <set>
#include <tuple>

namespace pp::nest {
namespace {

// Inflated, from the usable area's low corner. Without a pin: what must stay free.
struct Rect {
  Nm x = 0, y = 0, w = 0, h = 0;
  const Pin* pin = nullptr;
};

Nm low(const Rect& rect, bool alongX) {
  return alongX ? rect.x : rect.y;
}
Nm high(const Rect& rect, bool alongX) {
  return alongX ? rect.x + rect.w : rect.y + rect.h;
}
bool meet(const Rect& a, const Rect& b) {
  return a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
}
Rect common(const Rect& a, const Rect& b) {
  Rect out = b;
  out.x = std::max(a.x, b.x);
  out.y = std::max(a.y, b.y);
  out.w = std::min(a.x + a.w, b.x + b.w) - out.x;
  out.h = std::min(a.y + a.h, b.y + b.h) - out.y;
  return out;
}
double areaOf(const Rect& rect) {
  return static_cast<double>(rect.w) * static_cast<double>(rect.h);
}

class Builder {
 public:
  explicit Builder(Nm kerf) : kerf_(kerf) {}

  // False when the places cannot be cut apart.
  bool build(const Rect& area, const std::vector<Rect>& places, Skeleton& out) const {
    out.w = area.w;
    out.h = area.h;
    if (places.empty()) return true;
    if (places.size() == 1 && places[0].w == area.w && places[0].h == area.h) {
      out.kind = places[0].pin == nullptr ? Skeleton::Kind::Waste : Skeleton::Kind::Part;
      if (places[0].pin == nullptr) return true;
      out.part = places[0].pin->part;
      out.turned = places[0].pin->place->turned;
      return true;
    }
    // Every line along an edge of a place that meets no pinned part; largest free side first.
    std::vector<std::tuple<double, bool, Nm>> lines;
    for (const bool alongX : {true, false})
      for (const Rect& place : places)
        for (const Nm at : {low(place, alongX), high(place, alongX)}) {
          if (!parts(area, place, alongX, at)) continue;
          const bool free = std::none_of(places.begin(), places.end(), [&](const Rect& other) {
            return other.pin != nullptr && low(other, alongX) < at && high(other, alongX) > at;
          });
          if (!free) continue;
          const auto [below, above] = halves(area, alongX, at);
          double empty = 0;
          for (const Rect& side : {below, above})
            if (inside(side, places).empty()) empty = std::max(empty, areaOf(side));
          lines.emplace_back(-empty, alongX, at);
        }
    std::sort(lines.begin(), lines.end());
    for (const auto& [empty, alongX, at] : lines)
      if (split(area, places, alongX, at, out)) return true;
    // Slivers beside what must stay free go with it.
    if (std::any_of(places.begin(), places.end(), [](const Rect& r) { return r.pin != nullptr; }))
      return false;
    out.kind = Skeleton::Kind::Waste;
    return true;
  }

  // With a free rectangle of the area cut out first, its sides along x before the others or after
  // them.
  bool buildAround(const Rect& area, const std::vector<Rect>& places, const Rect& room,
                   bool alongXFirst, Skeleton& out) const {
    for (const bool alongX : {alongXFirst, !alongXFirst})
      for (const Nm at : {low(room, alongX), high(room, alongX)}) {
        if (at <= low(area, alongX) || at >= high(area, alongX)) continue;
        const auto [below, above] = halves(area, alongX, at);
        const bool isAbove = low(room, alongX) >= at;
        const Rect& with = isAbove ? above : below;
        const Rect& without = isAbove ? below : above;
        Skeleton kept;
        Skeleton rest;
        if (!buildAround(with, inside(with, places), room, alongXFirst, kept) ||
            !build(without, inside(without, places), rest))
          return false;
        out.w = area.w;
        out.h = area.h;
        out.kind = alongX ? Skeleton::Kind::Row : Skeleton::Kind::Column;
        out.children.clear();
        out.children.push_back(isAbove ? std::move(rest) : std::move(kept));
        out.children.push_back(isAbove ? std::move(kept) : std::move(rest));
        return true;
      }
    return build(area, places, out);
  }

 private:
  // What is cut off is more than the blade, but beside a pinned part, which comes off exactly.
  bool parts(const Rect& area, const Rect& place, bool alongX, Nm at) const {
    const Nm least = place.pin == nullptr ? kerf_ : 0;
    return at > low(area, alongX) + least && at < high(area, alongX) - least;
  }

  bool split(const Rect& area, const std::vector<Rect>& places, bool alongX, Nm at,
             Skeleton& out) const {
    const auto [below, above] = halves(area, alongX, at);
    Skeleton first;
    Skeleton second;
    if (!build(below, inside(below, places), first) || !build(above, inside(above, places), second))
      return false;
    out.kind = alongX ? Skeleton::Kind::Row : Skeleton::Kind::Column;
    out.children = {std::move(first), std::move(second)};
    return true;
  }

  static std::pair<Rect, Rect> halves(const Rect& area, bool alongX, Nm at) {
    Rect below = area;
    Rect above = area;
    (alongX ? below.w : below.h) = at - low(area, alongX);
    (alongX ? above.x : above.y) = at;
    (alongX ? above.w : above.h) = high(area, alongX) - at;
    return {below, above};
  }

  static std::vector<Rect> inside(const Rect& area, const std::vector<Rect>& places) {
    std::vector<Rect> out;
    for (const Rect& place : places)
      if (meet(area, place)) out.push_back(place.pin == nullptr ? common(area, place) : place);
    return out;
  }

  Nm kerf_;
};

Problem refusal(const std::string& why) {
  return {"", 0, "pin", why, "a place it can be cut from"};
}

// The piece as the search sees it.
class Piece {
 public:
  Piece(const NestRequest& request, std::size_t stock)
      : row(request.stock[stock]),
        kerf(request.kerf.inNm()),
        usable{0, 0, row.usableLength().inNm() + kerf, row.usableWidth().inNm() + kerf} {}

  // What must stay free, one rectangle for each that meets the usable area. The blade may run
  // inside, so it is smaller by a kerf at its low sides; where that leaves no strip to be waste it
  // is as much larger.
  std::vector<Rect> free() const {
    std::vector<Rect> out;
    for (const Defect& defect : row.defects) {
      const auto [x, endX] = sides((defect.x - row.lowX()).inNm(), defect.width.inNm(), usable.w);
      const auto [y, endY] = sides((defect.y - row.lowY()).inNm(), defect.height.inNm(), usable.h);
      if (x < endX && y < endY) out.push_back({x, y, endX - x, endY - y});
    }
    return out;
  }

  const StockSupply& row;
  Nm kerf;
  Rect usable;

 private:
  std::pair<Nm, Nm> sides(Nm from, Nm size, Nm most) const {
    const Nm end = from + size;
    if (end <= 0 || from >= most - kerf) return {0, 0};
    const Nm begin = from <= 0 ? 0 : std::max<Nm>(0, std::min(from + kerf, most - 2 * kerf - 1));
    const Nm last = std::max(end, begin + 2 * kerf + 1);
    return {begin, last >= most - kerf ? most : last};
  }
};

// The free rectangles that can grow no further, largest first.
std::vector<Rect> freeRectangles(const Rect& usable, const std::vector<Rect>& places, Nm kerf) {
  std::set<Nm> lows[2] = {{0}, {0}};
  std::set<Nm> highs[2] = {{usable.w}, {usable.h}};
  for (const Rect& place : places)
    for (const bool alongX : {true, false}) {
      lows[alongX ? 0 : 1].insert(high(place, alongX));
      highs[alongX ? 0 : 1].insert(low(place, alongX));
    }
  std::vector<Rect> out;
  for (const Nm x : lows[0])
    for (const Nm endX : highs[0])
      for (const Nm y : lows[1])
        for (const Nm endY : highs[1]) {
          const Rect one{x, y, endX - x, endY - y};
          if (one.w > kerf && one.h > kerf &&
              std::none_of(places.begin(), places.end(),
                           [&one](const Rect& place) { return meet(one, place); }))
            out.push_back(one);
        }
  std::sort(out.begin(), out.end(),
            [](const Rect& a, const Rect& b) { return areaOf(a) > areaOf(b); });
  std::vector<Rect> largest;
  for (const Rect& one : out)
    if (std::none_of(largest.begin(), largest.end(), [&one](const Rect& other) {
          const Rect both = common(one, other);
          return both.x == one.x && both.y == one.y && both.w == one.w && both.h == one.h;
        }))
      largest.push_back(one);
  return largest;
}

// Numbers the regions of a skeleton that lies there, and says where they are.
void addRooms(Skeleton& node, Nm x, Nm y, const Piece& piece, std::vector<Room>& rooms) {
  if (node.kind == Skeleton::Kind::Region) {
    const Nm left = x + piece.row.lowX().inNm();
    const Nm low = y + piece.row.lowY().inNm();
    node.row = rooms.size();
    rooms.push_back(
        {left, low, left + node.w - piece.kerf, low + node.h - piece.kerf, node.w, node.h});
    return;
  }
  for (Skeleton& child : node.children) {
    addRooms(child, x, y, piece, rooms);
    (node.kind == Skeleton::Kind::Row ? x : y) +=
        node.kind == Skeleton::Kind::Row ? child.w : child.h;
  }
}

bool sameRooms(const Parting& a, const Parting& b) {
  const auto key = [](const Parting& parting) {
    std::set<std::tuple<Nm, Nm, Nm, Nm>> out;
    for (const Room& room : parting.rooms) out.insert({room.x, room.y, room.w, room.h});
    return out;
  };
  return key(a) == key(b);
}

}  // namespace

Result<Skeleton> buildSkeleton(const NestRequest& request, std::size_t stock,
                               const std::vector<const Pin*>& pins) {
  const Piece piece(request, stock);
  const StockSupply& row = piece.row;
  const Rect& usable = piece.usable;
  std::vector<Rect> rects = piece.free();
  for (const Pin* pin : pins) {
    const PartDemand& part = request.parts[pin->part];
    if (!part.run.empty()) return refusal("a part of a run is pinned to a piece, not to a place");
    Rect rect{(pin->place->x - row.lowX()).inNm(), (pin->place->y - row.lowY()).inNm(),
              part.length.inNm() + piece.kerf, part.width.inNm() + piece.kerf, pin};
    if (pin->place->turned) std::swap(rect.w, rect.h);
    if (rect.x < 0 || rect.y < 0 || rect.x + rect.w > usable.w || rect.y + rect.h > usable.h)
      return refusal("the place it is pinned to is off the usable sheet");
    const bool alongX = !pin->place->turned;
    if (part.grain != PartGrain::Any && row.grain != SheetGrain::None &&
        (part.grain == PartGrain::Length) != (alongX == (row.grain == SheetGrain::Length)))
      return refusal("it is pinned across the grain");
    for (const Rect& other : rects)
      if (meet(rect, other))
        return refusal(other.pin == nullptr
                           ? "the place it is pinned to must stay free"
                           : "two pinned parts overlap or are less than a kerf apart");
    rects.push_back(rect);
  }
  Skeleton out;
  if (!Builder(piece.kerf).build(usable, rects, out))
    return refusal("the pinned parts cannot be cut apart from edge to edge");
  return out;
}

std::vector<Parting> partingsOf(const NestRequest& request, std::size_t stock) {
  constexpr std::size_t kMost = 32;
  const Piece piece(request, stock);
  const std::vector<Rect> places = piece.free();
  const Builder builder(piece.kerf);
  std::vector<Parting> out;
  for (const Rect& room : freeRectangles(piece.usable, places, piece.kerf))
    for (const bool alongXFirst : {true, false}) {
      Parting one;
      if (!builder.buildAround(piece.usable, places, room, alongXFirst, one.skeleton)) continue;
      addRooms(one.skeleton, 0, 0, piece, one.rooms);
      const bool known = std::any_of(
          out.begin(), out.end(), [&one](const Parting& other) { return sameRooms(one, other); });
      if (!known && !one.rooms.empty() && one.rooms.size() <= kMostRooms && out.size() < kMost)
        out.push_back(std::move(one));
    }
  return out;
}

Nm lostArea(const NestRequest& request, std::size_t stock) {
  const Piece piece(request, stock);
  std::vector<Rect> places;
  std::set<Nm> xs;
  std::set<Nm> ys;
  for (const Defect& defect : piece.row.defects) {
    const Rect whole{(defect.x - piece.row.lowX()).inNm() + piece.kerf,
                     (defect.y - piece.row.lowY()).inNm() + piece.kerf,
                     defect.width.inNm() - piece.kerf, defect.height.inNm() - piece.kerf};
    const Rect seen = common(piece.usable, whole);
    if (seen.w <= 0 || seen.h <= 0) continue;
    places.push_back(seen);
    xs.insert({seen.x, seen.x + seen.w});
    ys.insert({seen.y, seen.y + seen.h});
  }
  constexpr Int128 kNm2PerUm2 = 1'000'000;
  Int128 out = 0;
  for (auto x = xs.begin(); x != xs.end() && std::next(x) != xs.end(); ++x)
    for (auto y = ys.begin(); y != ys.end() && std::next(y) != ys.end(); ++y) {
      const Rect cell{*x, *y, *std::next(x) - *x, *std::next(y) - *y};
      if (std::any_of(places.begin(), places.end(), [&](const Rect& r) { return meet(cell, r); }))
        out += static_cast<Int128>(cell.w) * cell.h;
    }
  return static_cast<Nm>(out / kNm2PerUm2);
}

}  // namespace pp::nest
