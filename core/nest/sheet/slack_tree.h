// The arrangement of one sheet as a tree of rows and columns whose sizes are tight and whose room
// to grow is known at every node, so that a block may join anywhere there is slack and no split is
// fixed early. Every arrangement it can hold comes apart by cuts from edge to edge.
//
// A node's tight size is the smallest that holds its children: a row's width is their sum and its
// height their maximum, a column's the other way round. The allowed size of the root is the sheet;
// a child may take what its siblings leave along the row and all of the row's allowed height.
//
// A sheet with places that must stay free holds such a tree for every room of one way to part it.
// The first block that is put on it chooses the way; once the sheet is empty all are open again.
#pragma once

#include <array>
#include <cstdint>
#include <vector>

#include "core/nest/sheet/blocks.h"

namespace pp::nest {

enum class NodeKind : std::uint8_t { Leaf, Row, Column };

struct Node {
  Nm w = 0, h = 0;          // tight
  Nm roomW = 0, roomH = 0;  // allowed
  int parent = -1, first = -1, next = -1;
  int block = -1, lie = -1;  // leaf only
  NodeKind kind = NodeKind::Leaf;
};

// A block as it lies on a sheet, for building a tree from a plan.
struct Laid {
  int block = -1, lie = -1;
  Nm x = 0, y = 0, endX = 0, endY = 0;  // true places, to tell how it comes apart
  Nm w = 0, h = 0;                      // inflated
};

// A place where a block of at most (w, h) may go.
struct Spot {
  enum class How : std::uint8_t {
    Empty,       // the sheet, or the room that `node` says, is empty
    Join,        // become the node's last child
    WrapRow,     // the node and the block become a row
    WrapColumn,  // the node and the block become a column
    JoinTail     // the node and its later siblings become a row or column across their parent's,
                 // with the block beside them
  };
  Nm w = 0, h = 0;
  int node = -1;
  How how = How::Empty;
};

class SlackTree {
 public:
  // Spots with a side below `least` are not worth listing. `partings`, where something must stay
  // free, is kept by reference.
  SlackTree(std::size_t stock, Nm w, Nm h, Nm least, const std::vector<Parting>* partings = nullptr)
      : stock_(stock),
        w_(w),
        h_(h),
        least_(least),
        partings_(partings),
        perStep_(static_cast<double>(kSteps) / static_cast<double>(w)) {
    settle();
  }

  // Holds these blocks instead, in the order in which they can be cut apart. False, and the tree is
  // empty, when they cannot be, or do not fit.
  bool arrange(std::vector<Laid> laid);

  std::size_t stock() const { return stock_; }  // index into the group's stock
  Nm width() const { return w_; }
  Nm height() const { return h_; }
  bool empty() const { return root_ < 0; }
  int root() const { return root_; }
  // The way it is parted, while something lies on it; null for a sheet that is whole.
  const Parting* parting() const {
    return parting_ < 0 ? nullptr : &(*partings_)[static_cast<std::size_t>(parting_)];
  }
  // What lies in a room of that: a node, or -1.
  int rootOf(std::size_t room) const { return roots_[room]; }
  const Node& node(int i) const { return nodes_[static_cast<std::size_t>(i)]; }
  const std::vector<Spot>& spots() const { return spots_; }
  const std::vector<int>& leaves() const { return leaves_; }
  // False only when no spot takes a block of that size: one look instead of all spots.
  bool mayTake(Nm w, Nm h) const { return h <= highest_[step(w)]; }
  // The largest spot by area that a leftover worth keeping could be cut from, or null. The sizes
  // are the least of a keepable piece, inflated.
  const Spot* largestSpot(Nm keepLong, Nm keepShort) const;

  // Precondition: the lie fits the spot, which is of this tree as it is now.
  void insert(const Spot& spot, int block, int lie, Nm w, Nm h);
  // Takes leaves out; each is one of leaves(), and none twice.
  void remove(const int* leaves, int count);
  void remove(int leaf) { remove(&leaf, 1); }

 private:
  Node& at(int i) { return nodes_[static_cast<std::size_t>(i)]; }
  int make(NodeKind kind);
  void drop(int i);
  void take(int leaf);
  void append(int parent, int child);
  void replace(int old, int with);
  int childBefore(int child) const;
  void collapse(int node);
  int build(std::vector<Laid>& laid, std::size_t from, std::size_t to);
  bool arrangeParted(const std::vector<Laid>& laid);
  int& rootAt(int node);
  void open(std::size_t parting);
  void settle();
  void settleParted();
  void tighten(int node);
  void sortChildren(int node);
  void allow(int node);
  void addSpots(int node);
  void addTailSpots(int node);
  void addSpot(Nm w, Nm h, int node, Spot::How how) {
    if (w < least_ || h < least_) return;
    spots_.push_back({w, h, node, how});
    Nm& highest = highest_[step(w)];
    highest = highest < h ? h : highest;
  }

  std::size_t stock_;
  Nm w_, h_, least_;
  int root_ = -1;  // of a parted sheet one of the roots
  const std::vector<Parting>* partings_ = nullptr;
  int parting_ = -1;
  std::vector<int> roots_;  // of the rooms of the parting
  // By width in steps of a sixteenth of the sheet: the highest spot that is in this step or above.
  static constexpr std::size_t kSteps = 16;
  std::size_t step(Nm w) const {
    const double at = static_cast<double>(w) * perStep_;
    if (!(at > 0)) return 0;  // of a sheet that its trims take up
    return at < static_cast<double>(kSteps) ? static_cast<std::size_t>(at) : kSteps - 1;
  }
  double perStep_ = 0;
  std::array<Nm, kSteps> highest_{};
  std::vector<Node> nodes_;
  std::vector<int> free_;
  std::vector<Spot> spots_;
  std::vector<int> leaves_;
};

}  // namespace pp::nest
