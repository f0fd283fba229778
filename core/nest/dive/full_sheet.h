// Valuable ways to cut one sheet from edge to edge, no part more often than it is wanted: what a
// dive prices its patterns with. A heuristic: of all ways to fill a piece of about one size it goes
// on with the most valuable only.
#pragma once

#include <cstdint>
#include <stop_token>
#include <vector>

#include "core/nest/sheet/slack_tree.h"

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
  // prices a block and with no more of a block than `wanted`; none when stopped.
  std::vector<Pattern> fill(const std::vector<double>& prices,
                            const std::vector<std::int64_t>& wanted, double least, std::size_t most,
                            const std::stop_token& stop = {});

 private:
  struct Cell {
    Nm w = 0, h = 0;  // of the way it is filled, at most the cell's own
    enum class How : std::uint8_t { Nothing, Block, Row, Column } how = How::Nothing;
    int a = -1, b = -1;  // Block: item and lie; else the cells of the two parts
  };
  // The sheet as one cell, b < 0, or as two side by side.
  struct First {
    float value;
    int a, b;
    bool row;
  };
  int cellOf(int x, int y) const { return x * (rows_ + 1) + y; }
  Cell& at(int cell) { return cells_[static_cast<std::size_t>(cell)]; }
  const Cell& at(int cell) const { return cells_[static_cast<std::size_t>(cell)]; }
  std::uint8_t* countsOf(int cell) { return &counts_[static_cast<std::size_t>(cell) * stride_]; }
  const std::uint8_t* countsOf(int cell) const {
    return &counts_[static_cast<std::size_t>(cell) * stride_];
  }
  float& valueOf(int cell) { return values_[static_cast<std::size_t>(cell)]; }
  float valueOf(int cell) const { return values_[static_cast<std::size_t>(cell)]; }
  float together(int a, int b) const;
  void layBlocks();
  bool combine(const std::stop_token& stop);
  std::vector<First> firstCuts(double least) const;
  void inherit(int cell, int from);
  void tryBoth(int cell, int a, int b, bool row, Nm limitW, Nm limitH) {
    if (valueOf(a) + valueOf(b) > valueOf(cell)) takeBoth(cell, a, b, row, limitW, limitH);
  }
  void takeBoth(int cell, int a, int b, bool row, Nm limitW, Nm limitH);
  void lay(int cell, Nm x, Nm y, std::vector<std::uint8_t>& left, std::vector<Laid>& out) const;
  Pattern patternOf(const First& first) const;

  const Group& group_;
  std::size_t row_;
  Nm sheetW_, sheetH_;
  int columns_ = 0, rows_ = 0;
  std::vector<Nm> widths_, heights_;  // the largest that a cell's filling may have
  // The blocks with a price: an array for each of their properties, so that sums over all of them
  // are quick.
  std::vector<std::size_t> items_;
  std::size_t stride_ = 0;  // of the counts: the number of items, rounded up
  std::vector<std::uint8_t> wanted_;
  std::vector<float> prices_;
  // Per cell the most valuable filling: its worth, how it is made, how often it has each item.
  std::vector<float> values_;
  std::vector<Cell> cells_;
  std::vector<std::uint8_t> counts_;
  std::vector<std::vector<int>> steps_;  // per height the widths at which the worth rises
};

}  // namespace pp::nest
