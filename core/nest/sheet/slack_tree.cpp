#include "core/nest/sheet/slack_tree.h"

#include <algorithm>

namespace pp::nest {

int SlackTree::make(NodeKind kind) {
  int i;
  if (free_.empty()) {
    i = static_cast<int>(nodes_.size());
    nodes_.emplace_back();
  } else {
    i = free_.back();
    free_.pop_back();
    at(i) = Node{};
  }
  at(i).kind = kind;
  return i;
}

void SlackTree::drop(int i) {
  free_.push_back(i);
}

void SlackTree::append(int parent, int child) {
  at(child).parent = parent;
  at(child).next = -1;
  int last = at(parent).first;
  if (last < 0) {
    at(parent).first = child;
    return;
  }
  while (at(last).next >= 0) last = at(last).next;
  at(last).next = child;
}

int SlackTree::childBefore(int child) const {
  int before = -1;
  for (int i = node(node(child).parent).first; i != child; i = node(i).next) before = i;
  return before;
}

int& SlackTree::rootAt(int node) {
  return partings_ == nullptr ? root_ : *std::find(roots_.begin(), roots_.end(), node);
}

// Puts `with` where `old` hangs; `old` is then loose.
void SlackTree::replace(int old, int with) {
  const int parent = at(old).parent;
  at(with).parent = parent;
  at(with).next = at(old).next;
  if (parent < 0) {
    rootAt(old) = with;
  } else {
    const int before = childBefore(old);
    (before < 0 ? at(parent).first : at(before).next) = with;
  }
  at(old).parent = -1;
  at(old).next = -1;
}

void SlackTree::insert(const Spot& spot, int block, int lie, Nm w, Nm h) {
  const int leaf = make(NodeKind::Leaf);
  at(leaf).block = block;
  at(leaf).lie = lie;
  at(leaf).w = w;
  at(leaf).h = h;
  switch (spot.how) {
    case Spot::How::Empty:
      if (partings_ == nullptr) {
        root_ = leaf;
      } else {
        if (parting_ < 0) open(static_cast<std::size_t>(spot.node) / kMostRooms);
        roots_[static_cast<std::size_t>(spot.node) % kMostRooms] = leaf;
      }
      break;
    case Spot::How::Join:
      append(spot.node, leaf);
      break;
    case Spot::How::WrapRow:
    case Spot::How::WrapColumn: {
      const int wrap = make(spot.how == Spot::How::WrapRow ? NodeKind::Row : NodeKind::Column);
      replace(spot.node, wrap);
      append(wrap, spot.node);
      append(wrap, leaf);
      break;
    }
    case Spot::How::JoinTail: {
      const int parent = at(spot.node).parent;
      const NodeKind kind = at(parent).kind;
      const int before = childBefore(spot.node);
      const int inner = make(kind);
      const int outer = make(kind == NodeKind::Row ? NodeKind::Column : NodeKind::Row);
      for (int i = spot.node; i >= 0;) {
        const int next = at(i).next;
        append(inner, i);
        i = next;
      }
      (before < 0 ? at(parent).first : at(before).next) = -1;
      append(parent, outer);
      append(outer, inner);
      append(outer, leaf);
      break;
    }
  }
  settle();
}

// A row or column of one child is that child; a row in a row is its children.
void SlackTree::collapse(int node) {
  const int only = at(node).first;
  if (at(only).next >= 0) return;
  const int parent = at(node).parent;
  replace(node, only);
  drop(node);
  if (parent < 0 || at(only).kind != at(parent).kind) return;
  const int before = childBefore(only);
  const int after = at(only).next;
  const int first = at(only).first;
  (before < 0 ? at(parent).first : at(before).next) = first;
  int last = first;
  for (int i = first; i >= 0; i = at(i).next) {
    at(i).parent = parent;
    last = i;
  }
  at(last).next = after;
  drop(only);
}

void SlackTree::take(int leaf) {
  const int parent = at(leaf).parent;
  if (parent < 0) {
    rootAt(leaf) = -1;
    drop(leaf);
    return;
  }
  const int before = childBefore(leaf);
  (before < 0 ? at(parent).first : at(before).next) = at(leaf).next;
  drop(leaf);
  collapse(parent);
}

void SlackTree::remove(const int* leaves, int count) {
  for (int i = 0; i < count; ++i) take(leaves[i]);
  settle();
}

// The node of laid[from..to), or -1. A line from edge to edge is where all that begin before it
// have ended.
int SlackTree::build(std::vector<Laid>& laid, std::size_t from, std::size_t to) {
  if (to - from == 1) {
    const int leaf = make(NodeKind::Leaf);
    at(leaf).block = laid[from].block;
    at(leaf).lie = laid[from].lie;
    at(leaf).w = laid[from].w;
    at(leaf).h = laid[from].h;
    return leaf;
  }
  for (const bool row : {true, false}) {
    const auto begin = [row](const Laid& one) { return row ? one.x : one.y; };
    std::sort(laid.begin() + static_cast<std::ptrdiff_t>(from),
              laid.begin() + static_cast<std::ptrdiff_t>(to),
              [&](const Laid& a, const Laid& b) { return begin(a) < begin(b); });
    std::vector<std::size_t> starts = {from};
    Nm end = row ? laid[from].endX : laid[from].endY;
    for (std::size_t i = from + 1; i < to; ++i) {
      if (begin(laid[i]) >= end) starts.push_back(i);
      end = std::max(end, row ? laid[i].endX : laid[i].endY);
    }
    if (starts.size() == 1) continue;
    const int node = make(row ? NodeKind::Row : NodeKind::Column);
    starts.push_back(to);
    for (std::size_t k = 0; k + 1 < starts.size(); ++k) {
      const int child = build(laid, starts[k], starts[k + 1]);
      if (child < 0) return -1;
      append(node, child);
    }
    return node;
  }
  return -1;
}

bool SlackTree::arrange(std::vector<Laid> laid) {
  nodes_.clear();
  free_.clear();
  if (partings_ != nullptr) return arrangeParted(laid);
  root_ = laid.empty() ? -1 : build(laid, 0, laid.size());
  bool good = laid.empty() || root_ >= 0;
  settle();
  if (root_ >= 0 && (node(root_).w > w_ || node(root_).h > h_)) good = false;
  if (good) return true;
  root_ = -1;
  settle();
  return false;
}

// As the first way to part it that has every block in one of its rooms.
bool SlackTree::arrangeParted(const std::vector<Laid>& laid) {
  for (std::size_t p = 0; p < partings_->size() && !laid.empty(); ++p) {
    const std::vector<Room>& rooms = (*partings_)[p].rooms;
    std::vector<std::vector<Laid>> inRoom(rooms.size());
    bool good = true;
    for (const Laid& one : laid) {
      const auto room = std::find_if(rooms.begin(), rooms.end(), [&one](const Room& r) {
        return one.x >= r.x && one.y >= r.y && one.endX <= r.endX && one.endY <= r.endY;
      });
      good = good && room != rooms.end();
      if (good) inRoom[static_cast<std::size_t>(room - rooms.begin())].push_back(one);
    }
    if (!good) continue;
    nodes_.clear();
    free_.clear();
    open(p);
    for (std::size_t r = 0; r < rooms.size(); ++r) {
      if (inRoom[r].empty()) continue;
      roots_[r] = build(inRoom[r], 0, inRoom[r].size());
      good = good && roots_[r] >= 0;
      if (!good) break;
      tighten(roots_[r]);
      good = node(roots_[r]).w <= rooms[r].w && node(roots_[r]).h <= rooms[r].h;
    }
    if (!good) continue;
    settle();
    return true;
  }
  root_ = parting_ = -1;
  roots_.clear();
  settle();
  return laid.empty();
}

void SlackTree::open(std::size_t parting) {
  parting_ = static_cast<int>(parting);
  roots_.assign((*partings_)[parting].rooms.size(), -1);
}

const Spot* SlackTree::largestSpot(Nm keepLong, Nm keepShort) const {
  const Spot* best = nullptr;
  double most = 0;
  for (const Spot& spot : spots_) {
    if (std::max(spot.w, spot.h) < keepLong || std::min(spot.w, spot.h) < keepShort) continue;
    const double area = static_cast<double>(spot.w) * static_cast<double>(spot.h);
    if (area <= most) continue;
    most = area;
    best = &spot;
  }
  return best;
}

void SlackTree::settle() {
  spots_.clear();
  leaves_.clear();
  highest_.fill(0);
  if (partings_ != nullptr) return settleParted();
  if (root_ < 0) {
    nodes_.clear();
    free_.clear();
    addSpot(w_, h_, -1, Spot::How::Empty);
    std::fill(highest_.begin(), highest_.end(), h_);
    return;
  }
  tighten(root_);
  at(root_).roomW = w_;
  at(root_).roomH = h_;
  allow(root_);
  for (std::size_t i = kSteps - 1; i > 0; --i)
    highest_[i - 1] = std::max(highest_[i - 1], highest_[i]);
}

void SlackTree::settleParted() {
  const auto lies = std::find_if(roots_.begin(), roots_.end(), [](int root) { return root >= 0; });
  root_ = lies == roots_.end() ? -1 : *lies;
  const auto addRoom = [this](std::size_t parting, std::size_t room) {
    const Room& empty = (*partings_)[parting].rooms[room];
    addSpot(empty.w, empty.h, static_cast<int>(parting * kMostRooms + room), Spot::How::Empty);
  };
  if (root_ < 0) {
    nodes_.clear();
    free_.clear();
    roots_.clear();
    parting_ = -1;
    for (std::size_t p = 0; p < partings_->size(); ++p)
      for (std::size_t r = 0; r < (*partings_)[p].rooms.size(); ++r) addRoom(p, r);
  }
  for (std::size_t r = 0; r < roots_.size(); ++r) {
    if (roots_[r] < 0) {
      addRoom(static_cast<std::size_t>(parting_), r);
      continue;
    }
    const Room& room = (*partings_)[static_cast<std::size_t>(parting_)].rooms[r];
    tighten(roots_[r]);
    at(roots_[r]).roomW = room.w;
    at(roots_[r]).roomH = room.h;
    allow(roots_[r]);
  }
  for (std::size_t i = kSteps - 1; i > 0; --i)
    highest_[i - 1] = std::max(highest_[i - 1], highest_[i]);
}

void SlackTree::tighten(int node) {
  Node& self = at(node);
  if (self.kind == NodeKind::Leaf) {
    leaves_.push_back(node);
    return;
  }
  self.w = self.h = 0;
  const bool row = self.kind == NodeKind::Row;
  bool sorted = true;
  Nm before = 0;
  for (int i = self.first; i >= 0; i = at(i).next) {
    tighten(i);
    const Node& child = at(i);
    const Nm across = row ? child.h : child.w;
    (row ? self.w : self.h) += row ? child.w : child.h;
    Nm& most = row ? self.h : self.w;
    most = std::max(most, across);
    sorted = sorted && (i == self.first || across <= before);
    before = across;
  }
  if (!sorted) sortChildren(node);
}

// Siblings stand highest first (widest first in a column), so that the room beside a tail of them
// is never smaller than beside any other group that begins at the same child.
void SlackTree::sortChildren(int node) {
  const bool row = at(node).kind == NodeKind::Row;
  const auto across = [&](int i) { return row ? at(i).h : at(i).w; };
  int sorted = -1;
  for (int i = at(node).first; i >= 0;) {
    const int next = at(i).next;
    if (sorted < 0 || across(sorted) < across(i)) {
      at(i).next = sorted;
      sorted = i;
    } else {
      int before = sorted;
      while (at(before).next >= 0 && across(at(before).next) >= across(i)) before = at(before).next;
      at(i).next = at(before).next;
      at(before).next = i;
    }
    i = next;
  }
  at(node).first = sorted;
}

void SlackTree::allow(int node) {
  addSpots(node);
  const Node& self = at(node);
  const bool row = self.kind == NodeKind::Row;
  for (int i = self.first; i >= 0; i = at(i).next) {
    Node& child = at(i);
    child.roomW = row ? child.w + self.roomW - self.w : self.roomW;
    child.roomH = row ? self.roomH : child.h + self.roomH - self.h;
    allow(i);
  }
  if (self.kind != NodeKind::Leaf) addTailSpots(node);
}

void SlackTree::addSpots(int node) {
  const Node& self = at(node);
  const bool top = self.parent < 0;
  const NodeKind above = top ? NodeKind::Leaf : at(self.parent).kind;
  const Nm freeW = self.roomW - self.w;
  const Nm freeH = self.roomH - self.h;
  if (self.kind == NodeKind::Row) {
    addSpot(freeW, self.roomH, node, Spot::How::Join);
    if (top) addSpot(self.roomW, freeH, node, Spot::How::WrapColumn);
  } else if (self.kind == NodeKind::Column) {
    addSpot(self.roomW, freeH, node, Spot::How::Join);
    if (top) addSpot(freeW, self.roomH, node, Spot::How::WrapRow);
  } else {
    if (top || above == NodeKind::Column) addSpot(freeW, self.roomH, node, Spot::How::WrapRow);
    if (top || above == NodeKind::Row) addSpot(self.roomW, freeH, node, Spot::How::WrapColumn);
  }
}

void SlackTree::addTailSpots(int node) {
  const Node& self = at(node);
  const bool row = self.kind == NodeKind::Row;
  const Nm free = row ? self.roomW - self.w : self.roomH - self.h;
  Nm along = row ? self.w : self.h;
  for (int i = self.first; i >= 0; i = at(i).next) {
    const Node& child = at(i);
    // A tail of all children is the node itself, a tail of one the child's own spots.
    if (i != self.first && child.next >= 0)
      addSpot(row ? along + free : self.roomW - child.w, row ? self.roomH - child.h : along + free,
              i, Spot::How::JoinTail);
    along -= row ? child.w : child.h;
  }
}

}  // namespace pp::nest
