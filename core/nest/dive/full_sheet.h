// Valuable ways to cut one sheet from edge to edge, no part more often than it is wanted: what a
// dive prices its patterns with. A heuristic: of all ways to fill a piece of about one size it goes
// on with the most valuable only.
#pragma once

#include <cstdint>
#include <vector>

#include "core/nest/slack_tree.h"

namespace pp::nest {

class FullSheet {
 public:
  // `cells` along the longer side: pieces that differ by less count as of one size.
  FullSheet(const Group& group, std::size_t row, int cells);

  struct Pattern {
    double value = 0;
    std::vector<std::int64_t> blocks;  // how often each lies on the sheet
    SlackTree sheet;
  };
  // Up to `most` different patterns worth more than `least`, the most valuable first, at these
  // prices a block and with no more of a block than `wanted`.
  std::vector<Pattern> fill(const std::vector<double>& prices,
                            const std::vector<std::int64_t>& wanted, double least,
                            std::size_t most);

 private:
  struct Cell {
    float value = 0;
    Nm w = 0, h = 0;  // of the way it is filled, at most the cell's own
    enum class How : std::uint8_t { Nothing, Block, Row, Column } how = How::Nothing;
    int a = -1, b = -1;  // Block: item and lie; else the cells of the two parts
  };
  struct Item {
    std::size_t block;
    std::uint8_t wanted;
    float price;
  };
  int cellOf(int x, int y) const { return x * (rows_ + 1) + y; }
  Cell& at(int cell) { return cells_[static_cast<std::size_t>(cell)]; }
  const Cell& at(int cell) const { return cells_[static_cast<std::size_t>(cell)]; }
  std::uint8_t* countsOf(int cell) { return &counts_[static_cast<std::size_t>(cell) * items_.size()]; }
  const std::uint8_t* countsOf(int cell) const {
    return &counts_[static_cast<std::size_t>(cell) * items_.size()];
  }
  Nm widthOf(int x) const { return static_cast<Nm>(static_cast<Int128>(sheetW_) * x / columns_); }
  Nm heightOf(int y) const { return static_cast<Nm>(static_cast<Int128>(sheetH_) * y / rows_); }
  float together(int a, int b) const;
  void inherit(int cell, int from);
  void tryBoth(int cell, int a, int b, bool row, Nm limitW, Nm limitH);
  void lay(int cell, Nm x, Nm y, std::vector<std::uint8_t>& left, std::vector<Laid>& out) const;
  Pattern patternOf(int a, int b, bool row) const;

  const Group& group_;
  std::size_t row_;
  Nm sheetW_, sheetH_;
  int columns_ = 0, rows_ = 0;
  std::vector<Item> items_;
  std::vector<Cell> cells_;
  std::vector<std::uint8_t> counts_;
};

}  // namespace pp::nest
