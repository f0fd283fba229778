#include "core/shop/cost.h"

#include <algorithm>

namespace pp {
namespace {

// To the hundredth.
Money share(Money whole, Int128 of, Int128 in) {
  constexpr std::int64_t kHundredth = 100;
  if (in <= 0) return {};
  const Int128 units = static_cast<Int128>(whole.inTenThousandths()) * of;
  const Int128 step = in * kHundredth;
  return Money::tenThousandths(static_cast<std::int64_t>((units + step / 2) / step) * kHundredth);
}

Money priceOf(const Job& job, const StockSupply& stock) {
  for (const StockPiece& piece : job.stock)
    if (piece.id == stock.row) return piece.price;
  return stock.price;
}

Money sheetsUsed(const Job& job, const OpenWork& open) {
  Money out;
  if (open.plan == nullptr || open.request == nullptr) return out;
  for (const PlannedSheet& sheet : open.plan->sheets) {
    const StockSupply& stock = open.request->stock[sheet.stock];
    const Int128 whole = (stock.length * stock.width).inNm2();
    Int128 kept = 0;
    for (const Leftover& one : sheet.leftovers) kept += (one.dx * one.dy).inNm2();
    out += share(priceOf(job, stock), whole - kept, whole);
  }
  return out;
}

}  // namespace

JobCost costOf(const Job& job, const JobWants& wants, const OpenWork& open,
               const ShopGoods& goods) {
  const ShoppingList list = shoppingList({wants}, goods, job.costing.spare);
  std::vector<CostLine> lines = {
      {"sheets", sheetsUsed(job, open), {}}, {"bars", {}, {}},   {"banding", {}, {}},
      {"hardware and fasteners", {}, {}},    {"finish", {}, {}}, {"bought in", {}, {}}};
  JobCost out;
  for (const ShoppingRow& row : list.rows) {
    CostLine& line = lines[static_cast<std::size_t>(row.what.ware)];
    line.spent += row.sum;
    if (row.price == Money{}) ++out.unpriced;
    if (row.what.ware != Ware::Sheet) line.used += share(row.price, row.what.amount, row.pack);
  }
  constexpr std::int64_t kMinutes = 60;
  const Money work = share(job.costing.rate, job.costing.minutes, kMinutes);
  lines.push_back({"work", work, work});
  for (const CostLine& line : lines) {
    out.used += line.used;
    out.spent += line.spent;
    if (line.used != Money{} || line.spent != Money{}) out.lines.push_back(line);
  }
  out.margin = share(out.used, job.costing.margin, 100);
  out.price = out.used + out.margin;
  return out;
}

}  // namespace pp
