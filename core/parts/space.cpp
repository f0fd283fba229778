#include "core/parts/space.h"

#include <algorithm>

namespace pp {

Box intersection(const Box& a, const Box& b) {
  Box out;
  for (std::size_t i = 0; i < 3; ++i) {
    out.low[i] = std::max(a.low[i], b.low[i]);
    out.high[i] = std::min(a.high[i], b.high[i]);
  }
  return out;
}

std::vector<Box> difference(const Box& box, const Box& cut) {
  const Box common = intersection(box, cut);
  if (common.empty()) return {box};
  std::vector<Box> out;
  Box rest = box;
  for (std::size_t i = 0; i < 3; ++i) {
    Box below = rest;
    below.high[i] = common.low[i];
    if (!below.empty()) out.push_back(below);
    Box above = rest;
    above.low[i] = common.high[i];
    if (!above.empty()) out.push_back(above);
    rest.low[i] = common.low[i];
    rest.high[i] = common.high[i];
  }
  return out;
}

Box Pose::place(const Box& own) const {
  Box out{origin, origin};
  const std::array<Direction, 3> directions = {u, v, w};
  for (std::size_t i = 0; i < 3; ++i) {
    const auto axis = static_cast<std::size_t>(directions[i].axis);
    const Length a = directions[i].sign > 0 ? own.low[i] : -own.low[i];
    const Length b = directions[i].sign > 0 ? own.high[i] : -own.high[i];
    out.low[axis] += std::min(a, b);
    out.high[axis] += std::max(a, b);
  }
  return out;
}

Direction Standing::place(Direction own) const {
  for (int i = 0; i < quarters && own.axis != Axis::Z; ++i)
    own = own.axis == Axis::X ? Direction{Axis::Y, own.sign} : Direction{Axis::X, -own.sign};
  return own;
}

Point Standing::place(const Point& own) const {
  Point out = own;
  for (int i = 0; i < quarters; ++i) out = {-out[1], out[0], out[2]};
  for (std::size_t i = 0; i < 3; ++i) out[i] += at[i];
  return out;
}

Pose Pose::in(const Standing& standing) const {
  Pose out{standing.place(origin), standing.place(u), standing.place(v), standing.place(w), turn};
  if (!turn) return out;
  // About an axis that now points the other way, it turns the other way.
  const Direction axis = standing.place(Direction{turn->axis, 1});
  out.turn->axis = axis.axis;
  out.turn->angle = Angle::millidegrees(axis.sign * turn->angle.inMillidegrees());
  out.turn->about = standing.place(turn->about);
  return out;
}

}  // namespace pp
