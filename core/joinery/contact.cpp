#include "core/joinery/contact.h"

#include <algorithm>
#include <numeric>

namespace pp::joinery {
namespace {

constexpr Length kApart = Length::mm(1);
constexpr Area kLeast = Length::mm(10) * Length::mm(10);
constexpr std::size_t kAxes = 3;

Length size(const Box& box, std::size_t axis) {
  return box.high[axis] - box.low[axis];
}

std::size_t axisOf(const Direction& direction) {
  return static_cast<std::size_t>(direction.axis);
}

// The box in the board's own frame.
Box ownOf(const Pose& pose, const Box& box) {
  Box out;
  const Direction own[] = {pose.u, pose.v, pose.w};
  for (std::size_t i = 0; i < kAxes; ++i) {
    const std::size_t axis = axisOf(own[i]);
    const Length p = own[i].sign * (box.low[axis] - pose.origin[axis]);
    const Length q = own[i].sign * (box.high[axis] - pose.origin[axis]);
    out.low[i] = std::min(p, q);
    out.high[i] = std::max(p, q);
  }
  return out;
}

Int128 volume(const Box& box) {
  if (box.empty()) return 0;
  // In cubic micrometres: sizes of a kilometre stay far inside 128 bits.
  Int128 out = 1;
  for (std::size_t i = 0; i < kAxes; ++i) out *= size(box, i).inNm() / 1'000;
  return out;
}

// The edge of the board that looks along `axis`, to its high or low side; none: that is a face.
std::optional<Edge> edgeTo(const Pose& pose, std::size_t axis, bool high) {
  if (axisOf(pose.u) == axis) return (pose.u.sign > 0) == high ? Edge::W2 : Edge::W1;
  if (axisOf(pose.v) == axis) return (pose.v.sign > 0) == high ? Edge::L2 : Edge::L1;
  return std::nullopt;
}

class Finder {
 public:
  explicit Finder(const std::vector<PlacedBoard>& boards) : boards_(boards) {
    for (const PlacedBoard& board : boards) rooms_.push_back(board.room());
  }

  std::vector<Contact> run() {
    std::vector<std::size_t> order;
    for (std::size_t i = 0; i < boards_.size(); ++i)
      if (!boards_[i].pose.turn) order.push_back(i);
    std::stable_sort(order.begin(), order.end(), [this](std::size_t p, std::size_t q) {
      return rooms_[p].low[0] < rooms_[q].low[0];
    });
    for (std::size_t p = 0; p < order.size(); ++p)
      for (std::size_t q = p + 1; q < order.size(); ++q) {
        if (rooms_[order[q]].low[0] > rooms_[order[p]].high[0] + kApart) break;
        const auto [first, second] = std::minmax(order[p], order[q]);
        if (auto contact = between(first, second)) out_.push_back(*contact);
      }
    std::sort(out_.begin(), out_.end(), [](const Contact& x, const Contact& y) {
      return std::pair(std::min(x.a, x.b), std::max(x.a, x.b)) <
             std::pair(std::min(y.a, y.b), std::max(y.a, y.b));
    });
    return std::move(out_);
  }

 private:
  std::optional<Contact> between(std::size_t i, std::size_t k) const {
    Box room;
    std::optional<std::size_t> flat;
    for (std::size_t axis = 0; axis < kAxes; ++axis) {
      room.low[axis] = std::max(rooms_[i].low[axis], rooms_[k].low[axis]);
      room.high[axis] = std::min(rooms_[i].high[axis], rooms_[k].high[axis]);
      const Length common = size(room, axis);
      if (common < -kApart) return std::nullopt;
      if (common > kApart) continue;
      if (flat) return std::nullopt;  // they meet along a line
      flat = axis;
    }
    Contact out;
    if (flat)
      touch(i, k, *flat, room, out);
    else
      sit(i, k, room, out);
    if (out.area() < kLeast && !isSaid(out)) return std::nullopt;
    return out;
  }

  bool isSaid(const Contact& contact) const {
    const auto says = [this](std::size_t board, const std::optional<Edge>& edge) {
      return edge && boards_[board].part->isJoined(*edge);
    };
    return says(contact.a, contact.edge) || says(contact.b, contact.onto);
  }

  // What ends there is `a`; of two that both do, or both lie on it, the first.
  void touch(std::size_t i, std::size_t k, std::size_t axis, Box room, Contact& out) const {
    const bool iEnds = axisOf(boards_[i].pose.w) != axis;
    const bool kEnds = axisOf(boards_[k].pose.w) != axis;
    out.a = !iEnds && kEnds ? k : i;
    out.b = out.a == i ? k : i;
    const bool up = middle(out.a, axis) < middle(out.b, axis);
    out.across = static_cast<Axis>(axis);
    out.edge = edgeTo(boards_[out.a].pose, axis, up);
    out.onto = iEnds && kEnds ? edgeTo(boards_[out.b].pose, axis, !up) : std::nullopt;
    if (room.low[axis] > room.high[axis]) std::swap(room.low[axis], room.high[axis]);
    room.high[axis] = room.low[axis];
    out.room = room;
  }

  void sit(std::size_t i, std::size_t k, const Box& room, Contact& out) const {
    const auto inK = cutFor(k, room);
    const auto inI = cutFor(i, room);
    const bool swap = !inK && inI;
    out.a = swap ? k : i;
    out.b = swap ? i : k;
    out.in = swap ? inI : inK;
    // Both bevelled there.
    if (inK && inI && *inK != MachiningKind::Bevel) out.in = std::nullopt;
    // It goes in by that of its own edges that is least far in.
    const Pose& pose = boards_[out.a].pose;
    const std::size_t u = axisOf(pose.u), v = axisOf(pose.v);
    const std::size_t axis = size(room, u) <= size(room, v) ? u : v;
    out.across = static_cast<Axis>(axis);
    out.edge = edgeTo(pose, axis, middle(out.a, axis) < middle(out.b, axis));
    out.sits = size(room, axis);
    out.room = room;
  }

  // What is cut into the board where that is; none where most of it is wood.
  std::optional<MachiningKind> cutFor(std::size_t board, const Box& room) const {
    const Part& part = *boards_[board].part;
    const Box own = ownOf(boards_[board].pose, room);
    const Int128 whole = volume(own);
    for (const Machining& cut : part.machining) {
      if (cut.cut == MachiningKind::Bevel) {
        if (isAt(part, cut.from, own)) return cut.cut;
        continue;
      }
      if (2 * volume(intersection(removed(cut, part), own)) >= whole) return cut.cut;
    }
    return std::nullopt;
  }
  static bool isAt(const Part& part, Edge edge, const Box& own) {
    switch (edge) {
      case Edge::W1:
        return own.low[0] == Length{};
      case Edge::W2:
        return own.high[0] == part.length.total();
      case Edge::L1:
        return own.low[1] == Length{};
      case Edge::L2:
        break;
    }
    return own.high[1] == part.width.total();
  }

  Length middle(std::size_t board, std::size_t axis) const {
    return (rooms_[board].low[axis] + rooms_[board].high[axis]) / 2;
  }

  const std::vector<PlacedBoard>& boards_;
  std::vector<Box> rooms_;
  std::vector<Contact> out_;
};

// The two axes of the flat of a contact.
std::pair<std::size_t, std::size_t> flatOf(Axis across) {
  const auto axis = static_cast<std::size_t>(across);
  return {(axis + 1) % kAxes, (axis + 2) % kAxes};
}

}  // namespace

Axis Contact::along() const {
  const auto [p, q] = flatOf(across);
  return static_cast<Axis>(size(room, p) >= size(room, q) ? p : q);
}

Length Contact::length() const {
  return size(room, static_cast<std::size_t>(along()));
}

Area Contact::area() const {
  const auto [p, q] = flatOf(across);
  return size(room, p) * size(room, q);
}

std::vector<Contact> contactsOf(const std::vector<PlacedBoard>& boards) {
  return Finder(boards).run();
}

}  // namespace pp::joinery
