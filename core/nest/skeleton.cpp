#include "core/nest/skeleton.h"

#include <algorithm>
#include <tuple>

namespace pp::nest {
namespace {

// Inflated, from the usable area's low corner.
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

class Builder {
 public:
  // False when the places cannot be cut apart.
  bool build(const Rect& area, const std::vector<Rect>& pins, Skeleton& out) {
    out.w = area.w;
    out.h = area.h;
    if (pins.empty()) return true;
    if (pins.size() == 1 && pins[0].w == area.w && pins[0].h == area.h) {
      out.kind = Skeleton::Kind::Part;
      out.part = pins[0].pin->part;
      out.turned = pins[0].pin->place->turned;
      return true;
    }
    // Every line along an edge of a pinned part that meets no other; largest free side first.
    std::vector<std::tuple<double, bool, Nm>> lines;
    for (const bool alongX : {true, false})
      for (const Rect& pin : pins)
        for (const Nm at : {low(pin, alongX), high(pin, alongX)}) {
          if (at <= low(area, alongX) || at >= high(area, alongX)) continue;
          const bool free = std::none_of(pins.begin(), pins.end(), [&](const Rect& other) {
            return low(other, alongX) < at && high(other, alongX) > at;
          });
          if (!free) continue;
          const auto [below, above] = halves(area, alongX, at);
          double empty = 0;
          for (const Rect& side : {below, above})
            if (inside(side, pins).empty())
              empty = std::max(empty, static_cast<double>(side.w) * static_cast<double>(side.h));
          lines.emplace_back(-empty, alongX, at);
        }
    std::sort(lines.begin(), lines.end());
    for (const auto& [empty, alongX, at] : lines) {
      const auto [below, above] = halves(area, alongX, at);
      Skeleton first;
      Skeleton second;
      if (!build(below, inside(below, pins), first) || !build(above, inside(above, pins), second))
        continue;
      out.kind = alongX ? Skeleton::Kind::Row : Skeleton::Kind::Column;
      out.children = {std::move(first), std::move(second)};
      return true;
    }
    return false;
  }

 private:
  static std::pair<Rect, Rect> halves(const Rect& area, bool alongX, Nm at) {
    Rect below = area;
    Rect above = area;
    (alongX ? below.w : below.h) = at - low(area, alongX);
    (alongX ? above.x : above.y) = at;
    (alongX ? above.w : above.h) = high(area, alongX) - at;
    return {below, above};
  }

  static std::vector<Rect> inside(const Rect& area, const std::vector<Rect>& pins) {
    std::vector<Rect> out;
    for (const Rect& pin : pins)
      if (pin.x >= area.x && pin.y >= area.y && pin.x + pin.w <= area.x + area.w &&
          pin.y + pin.h <= area.y + area.h)
        out.push_back(pin);
    return out;
  }
};

Problem refusal(const std::string& why) {
  return {"", 0, "pin", why, "a place it can be cut from"};
}

}  // namespace

Result<Skeleton> buildSkeleton(const NestRequest& request, std::size_t stock,
                               const std::vector<const Pin*>& pins) {
  const StockSupply& row = request.stock[stock];
  const Nm kerf = request.kerf.inNm();
  const Rect usable{0, 0, (row.length - 2 * row.trim).inNm() + kerf,
                    (row.width - 2 * row.trim).inNm() + kerf};
  std::vector<Rect> rects;
  for (const Pin* pin : pins) {
    const PartDemand& part = request.parts[pin->part];
    if (!part.run.empty()) return refusal("a part of a run is pinned to a piece, not to a place");
    Rect rect{(pin->place->x - row.trim).inNm(), (pin->place->y - row.trim).inNm(),
              part.length.inNm() + kerf, part.width.inNm() + kerf, pin};
    if (pin->place->turned) std::swap(rect.w, rect.h);
    if (rect.x < 0 || rect.y < 0 || rect.x + rect.w > usable.w || rect.y + rect.h > usable.h)
      return refusal("the place it is pinned to is off the usable sheet");
    const bool alongX = !pin->place->turned;
    if (part.grain != PartGrain::Any && row.grain != SheetGrain::None &&
        (part.grain == PartGrain::Length) != (alongX == (row.grain == SheetGrain::Length)))
      return refusal("it is pinned across the grain");
    for (const Rect& other : rects)
      if (rect.x < other.x + other.w && other.x < rect.x + rect.w && rect.y < other.y + other.h &&
          other.y < rect.y + rect.h)
        return refusal("two pinned parts overlap or are less than a kerf apart");
    rects.push_back(rect);
  }
  Skeleton out;
  if (!Builder().build(usable, rects, out))
    return refusal("the pinned parts cannot be cut apart from edge to edge");
  return out;
}

}  // namespace pp::nest
