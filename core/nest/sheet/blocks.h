// The parts of a request sorted into groups that share stock, and into blocks: what the search
// moves about as one rigid rectangle. A block is a single part or one copy of a whole grain run.
//
// All sizes here are inflated by one kerf, part and usable area alike, so that parts which touch in
// this arithmetic are exactly one kerf apart on the sheet. Where a shop parts its sheets roughly a
// block has what is reserved for the final edges round it.
#pragma once

#include <cstdint>
#include <memory>
#include <vector>

#include "core/plan/plan.h"

namespace pp::nest {

using Nm = std::int64_t;

// What the search minimises: the price in ten-thousandths above kPriceShift bits, and below it the
// area in square centimetres, so that of plans at one price the one with less stock is better and
// stock without prices is still used sparingly.
using Cost = Int128;
inline constexpr int kPriceShift = 40;
inline Money priceOf(Cost cost) {
  return Money::tenThousandths(static_cast<std::int64_t>(cost >> kPriceShift));
}

// One part inside a block, relative to the block's low corner; dx, dy are true cut sizes.
struct Member {
  std::size_t part = 0;
  Nm x = 0, y = 0, dx = 0, dy = 0;
  bool turned = false;
};

// One way a block may lie.
struct Lie {
  Nm w = 0, h = 0;     // inflated
  bool alongX = true;  // members follow one another along x
  std::vector<Member> members;
  bool allowedOn(SheetGrain grain) const { return allowed[static_cast<std::size_t>(grain)]; }
  bool allowed[3] = {false, false, false};
};

// Equal blocks.
struct Block {
  std::vector<Lie> lies;  // different ways, at least one for some grain
  std::int64_t copies = 0;
  double area = 0;         // inflated, in square metres; of the parts alone
  std::vector<char> rows;  // per stock row: may it lie there; empty: on all
  bool shows = false;
  bool mayLieOn(std::size_t row) const { return rows.empty() || rows[row] != 0; }
};

// Where a place on a piece of stock is pinned or must stay free, the piece is cut apart around it
// in a fixed way.
struct Skeleton {
  enum class Kind { Region, Part, Row, Column, Waste };
  Kind kind = Kind::Region;
  Nm w = 0, h = 0;      // inflated
  std::size_t row = 0;  // Region: the stock row it is for the search, or its room of a Parting
  std::size_t part = 0;
  bool turned = false;
  std::vector<Skeleton> children;
};

// A free part of a piece of stock.
struct Room {
  Nm x = 0, y = 0, endX = 0, endY = 0;  // true places, from the corner of the sheet as bought
  Nm w = 0, h = 0;                      // inflated
};

inline constexpr std::size_t kMostRooms = 64;  // of a parting

// One way to part a piece around the places that must stay free.
struct Parting {
  Skeleton skeleton;
  std::vector<Room> rooms;  // of its regions
};

// A row of stock as the search sees it.
struct StockKindRow {
  std::size_t stock = 0;  // index into the request
  Nm w = 0, h = 0;        // usable, inflated; > 0
  SheetGrain grain = SheetGrain::Length;
  Cost cost = 0;
  std::int64_t available = 0;  // never more than could be used
  double area = 0;             // inflated, square metres
  bool forced = false;         // a piece with pins: one is used in any case
  bool region = false;         // what is free of a piece with pinned places; no piece of its own
  std::string lot;
  Nm lost = 0;  // what must stay free of it, inflated, in square micrometres
  // Where something must: the ways to part it, at least one; else null.
  std::shared_ptr<const std::vector<Parting>> partings;
  bool takes(const Lie& lie) const;
  bool alwaysThere() const { return forced || region; }
};

// A piece of stock with pinned places. Its price is no part of the search's costs.
struct PinnedSheet {
  std::size_t stock = 0;
  Skeleton skeleton;
};

// Everything of one material and thickness.
struct Group {
  std::vector<Block> blocks;  // each fits at least one stock row
  std::vector<StockKindRow> stock;
  Nm leastSide = 1;  // of all blocks
  std::vector<PinnedSheet> pinned;
  Cost pinnedCost = 0;  // of those
};

// The ways to take all that shows from one lot, as groups with their blocks' rows narrowed down;
// empty where nothing shows or there is one lot only.
std::vector<Group> oneLotEach(const Group& group);

struct Grouped {
  std::vector<Group> groups;
  std::vector<Unplaced> impossible;  // parts that fit no stock at all, with the reason
  std::vector<BarList> bars;         // solved apart; every plan has them
};

Grouped group(const NestRequest& request);

}  // namespace pp::nest
