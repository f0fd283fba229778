// The one-dimensional cutting list: lumber parts cut to length from bars, ripped to width first.
#pragma once

#include <stop_token>
#include <string>
#include <vector>

#include "core/breakdown/part.h"

namespace pp::nest {

// Equal lengths that are wanted from one kind of bar.
struct BarDemand {
  std::string code;
  Length length;  // > 0
  std::int64_t quantity = 1;
};

struct BarStock {
  std::string id;
  Length length;                         // > 0
  std::optional<std::int64_t> quantity;  // none: as many as are needed
  Money price;                           // each
};

struct Bar {
  std::size_t stock = 0;
  std::vector<std::size_t> cuts;  // demands, in the order they are cut, longest first
  Length rest;                    // what is left at the end, the last kerf taken off
};

struct BarPlan {
  std::vector<Bar> bars;
  std::vector<std::size_t> unplaced;  // demands, one entry a piece
  Money cost;
  bool proven = false;  // no plan costs less, nor with the same cost uses less length of bar
};

// Least price, then least length of bars used. A piece and a kerf are cut off each time; the last
// piece may end with the bar. Bounds by column generation (Gilmore & Gomory 1961); where its value
// rounded up is not met, a depth-first search over whole bars, longest piece first (after Martello
// & Toth 1990), that gives up after `nodes` bars.
BarPlan cutBars(const std::vector<BarDemand>& wanted, const std::vector<BarStock>& stock,
                Length kerf, std::int64_t nodes = 200'000, const std::stop_token& stop = {});

// The lumber of a job: one list for every material and width that is cut.
struct BarList {
  std::string material;  // id
  Length width;
  std::vector<BarDemand> wanted;
  std::vector<BarStock> stock;
  BarPlan plan;
};
std::vector<BarList> barLists(const Job& job, const std::vector<Part>& parts,
                              const std::stop_token& stop = {});

}  // namespace pp::nest
