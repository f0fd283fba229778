// Lumber cut to length from bars, which are ripped to width first: what is wanted and what is cut
// from which bar.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/designs/id.h"
#include "core/length/length.h"

namespace pp {

// Equal lengths that are wanted from one kind of bar.
struct BarDemand {
  std::string code;
  Length length;  // > 0
  std::int64_t quantity = 1;
  std::vector<std::int64_t> numbers = {};  // of its pieces; empty: 1, 2, 3 ...
  bool operator==(const BarDemand&) const = default;
};

struct BarStock {
  std::string id;
  Length length;                         // > 0
  std::optional<std::int64_t> quantity;  // none: as many as are needed
  Money price;                           // each
  bool operator==(const BarStock&) const = default;
};

struct Bar {
  std::size_t stock = 0;
  std::vector<std::size_t> cuts;  // demands, in the order they are cut, longest first
  Length rest;                    // what is left at the end, the last kerf taken off
  bool operator==(const Bar&) const = default;
};

struct BarPlan {
  std::vector<Bar> bars;
  std::vector<std::size_t> unplaced;  // demands, one entry a piece
  Money cost;
  bool proven = false;  // no plan costs less, nor with the same cost uses less length of bar
  bool operator==(const BarPlan&) const = default;
};

// What is wanted from bars, as the nesting is asked for it.
struct BarPart {
  std::string material;  // id
  Length width;
  BarDemand wanted;
  bool operator==(const BarPart&) const = default;
};

// Equal bars that can be had.
struct BarSupply {
  std::string material;  // id
  Length width;          // as bought
  BarStock bar;
  Id row = 0;    // of the job's rack; 0: not known
  Id store = 0;  // of the shop's store; 0: of none
  bool operator==(const BarSupply&) const = default;
};

// What is cut from the bars of one material, ripped to one width. Both are indices into the
// request; a Bar of the plan is one strip.
struct BarList {
  std::vector<std::size_t> parts;  // BarDemand by BarDemand
  std::vector<std::size_t> stock;  // BarStock by BarStock
  BarPlan plan;
  bool operator==(const BarList&) const = default;
};

}  // namespace pp
