// What a job costs: by what it uses up and by what must be bought for it, the hours, and the price
// with the maker's margin.
#pragma once

#include "core/shop/shopping.h"

namespace pp {

struct CostLine {
  std::string what;  // "sheets", "work"
  Money used;        // its share of what is cut into, rolled off and poured out
  Money spent;       // what must be paid for it now
};

struct JobCost {
  std::vector<CostLine> lines;
  Money used, spent;         // with the work
  Money margin, price;       // on what is used
  std::size_t unpriced = 0;  // things it needs whose price nobody knows
};

// Of the whole job as it is laid out; a sheet is used but for the leftovers that are kept of it.
JobCost costOf(const Job& job, const JobWants& wants, const OpenWork& open, const ShopGoods& goods);

}  // namespace pp
