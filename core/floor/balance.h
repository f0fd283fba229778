// What has become of what was taken to the saw: sheet by sheet in areas, part by part in pieces.
#pragma once

#include "core/floor/ledger.h"

namespace pp::floor {

// A sheet from the rack, by whatever plans it was cut.
struct SheetBalance {
  int cutting = 0;
  std::string name;  // as the plan called it that took it from the rack
  const StockSupply* stock = nullptr;
  Area sheet;  // as bought; what follows adds up to it
  Area parts, spoiled, leftovers, toCut, waste, kerf;
  Area otherwise;  // what was thought to be there and is not, as it was measured
  Area sum() const { return parts + spoiled + leftovers + toCut + waste + kerf + otherwise; }
};
// Of every cutting, in its order.
std::vector<SheetBalance> balances(const Ledger& ledger);

// Pieces of a part in a cutting.
struct CodeCount {
  std::int64_t wanted = 0;
  std::int64_t good = 0, toDo = 0;
  std::int64_t missing = 0;  // spoiled, and no plan cuts another; with good and to do it is wanted
  std::int64_t spoiled = 0, spares = 0;
};
CodeCount countOf(const Ledger& ledger, int cutting, const std::string& code);
// Of all its parts, by code.
std::map<std::string, CodeCount> countsOf(const Ledger& ledger, int cutting);

}  // namespace pp::floor
