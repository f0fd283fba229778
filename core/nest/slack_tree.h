// The arrangement of one sheet as a tree of rows and columns whose sizes are tight and whose room
// to grow is known at every node, so that a block may join anywhere there is slack and no split is
// fixed early. Every arrangement it can hold comes apart by cuts from edge to edge.
//
// A node's tight size is the smallest that holds its children: a row's width is their sum and its
// height their maximum, a column's the other way round. The allowed size of the root is the sheet;
// a child may take what its siblings leave along the row and all of the row's allowed height.
#pragma once

#include <cstdint>
#include <vector>

#include "core/nest/blocks.h"

namespace pp::nest {

enum class NodeKind : std::uint8_t { Leaf, Row, Column };

struct Node {
  Nm w = 0, h = 0;          // tight
  Nm roomW = 0, roomH = 0;  // allowed
  int parent = -1, first = -1, next = -1;
  int block = -1, lie = -1;  // leaf only
  NodeKind kind = NodeKind::Leaf;
};

// A place where a block of at most (w, h) may go.
struct Spot {
  enum class How : std::uint8_t {
    Empty,       // the sheet is empty
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
  SlackTree(std::size_t stock, Nm w, Nm h) : stock_(stock), w_(w), h_(h) { settle(); }

  std::size_t stock() const { return stock_; }  // index into the group's stock
  Nm width() const { return w_; }
  Nm height() const { return h_; }
  bool empty() const { return root_ < 0; }
  int root() const { return root_; }
  const Node& node(int i) const { return nodes_[static_cast<std::size_t>(i)]; }
  const std::vector<Spot>& spots() const { return spots_; }
  const std::vector<int>& leaves() const { return leaves_; }
  // No spot takes anything wider or higher than this.
  Nm widest() const { return widest_; }
  Nm highest() const { return highest_; }

  // Precondition: the lie fits the spot, which is of this tree as it is now.
  void insert(const Spot& spot, int block, int lie, Nm w, Nm h);
  // Precondition: `leaf` is one of leaves().
  void remove(int leaf);

 private:
  Node& at(int i) { return nodes_[static_cast<std::size_t>(i)]; }
  int make(NodeKind kind);
  void drop(int i);
  void append(int parent, int child);
  void replace(int old, int with);
  int childBefore(int child) const;
  void collapse(int node);
  void settle();
  void tighten(int node);
  void sortChildren(int node);
  void allow(int node);
  void addSpots(int node);
  void addTailSpots(int node);
  void addSpot(Nm w, Nm h, int node, Spot::How how);

  std::size_t stock_;
  Nm w_, h_;
  int root_ = -1;
  Nm widest_ = 0, highest_ = 0;
  std::vector<Node> nodes_;
  std::vector<int> free_;
  std::vector<Spot> spots_;
  std::vector<int> leaves_;
};

}  // namespace pp::nest
