#include "core/plan/plan.h"

#include <fmt/format.h>

namespace pp {

double Plan::yield() const {
  return sheetArea == Area{} ? 0.0 : partArea.inM2() / sheetArea.inM2();
}

std::int64_t Plan::missing() const {
  std::int64_t out = 0;
  for (const Unplaced& one : unplaced) out += one.count;
  return out;
}

Whence whenceOf(const StockSupply& stock) {
  if (stock.store != 0 || !stock.piece.empty()) return Whence::Had;
  return stock.quantity ? Whence::Counted : Whence::Bought;
}

std::int64_t sheetsFrom(const NestRequest& request, const Plan& plan, Whence whence) {
  std::int64_t out = 0;
  for (const PlannedSheet& sheet : plan.sheets)
    if (whenceOf(request.stock[sheet.stock]) == whence) ++out;
  return out;
}

std::string sheetName(const NestRequest& request, const Plan& plan, std::size_t sheet) {
  const StockSupply& stock = request.stock[plan.sheets[sheet].stock];
  return stock.piece.empty() || stock.anew
             ? fmt::format("S{}", static_cast<std::size_t>(request.firstSheet) + sheet)
             : stock.piece;
}

}  // namespace pp
