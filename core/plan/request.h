// What the nesting is asked: parts at their cut size, the stock at hand, and how the shop saws.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/breakdown/part.h"
#include "core/job/job.h"

namespace pp {

// Equal parts that are wanted, at cut size.
struct PartDemand {
  std::string code;
  Length length, width;  // cut size, > 0
  Length thickness;      // nominal; with the material it selects the stock
  std::string material;
  std::int64_t quantity = 1;
  PartGrain grain = PartGrain::Any;
  std::string run;  // grain run, empty: none
  std::int64_t runOrder = 0;
};

// Equal pieces of stock.
struct StockSupply {
  std::string id;
  std::string material;
  Length thickness;  // nominal
  Length measured;
  Length length, width;  // as bought
  SheetGrain grain = SheetGrain::Length;
  std::optional<std::int64_t> quantity;  // none: unlimited
  Money price;
  StockKind kind = StockKind::Sheet;
  Length trim;  // off every edge, blade included
};

struct NestRequest {
  std::vector<PartDemand> parts;
  std::vector<StockSupply> stock;
  Length kerf;
  Length keepLong = Length::mm(300);  // smallest leftover worth keeping
  Length keepShort = Length::mm(100);
  Goal goal = Goal::Cost;
};

// The request a job makes once it is broken down.
NestRequest requestOf(const Job& job, const std::vector<Part>& parts);

}  // namespace pp
