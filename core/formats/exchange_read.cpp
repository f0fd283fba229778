#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

#include "core/formats/csv_rows.h"
#include "core/formats/defect_text.h"
#include "core/formats/exchange.h"
#include "core/length/parse.h"

namespace pp {
namespace {

constexpr std::int64_t kMostPieces = 1'000'000'000;

Result<std::map<std::string, Banding>> readBanding(const ExchangeText& text,
                                                   std::optional<Unit> unit) {
  const auto table = readCsv(text.file, text.content, {"name", "thickness"}, NoRow::Taken);
  if (!table) return table.problems();
  Rows rows(table.value(), unit);
  std::map<std::string, Banding> out;
  std::set<std::string> seen;
  for (const CsvRecord& record : table->records) {
    if (rows.full()) break;
    rows.at(record);
    Banding banding;
    banding.name = rows.needed("name");
    rows.unique("name", seen);
    banding.thickness = rows.length("thickness", false);
    banding.width = rows.optionalLength("width", false).value_or(Length{});
    banding.price = rows.money("price");
    banding.rollLength = rows.optionalLength("roll_length", false).value_or(Length{});
    banding.deduct = rows.choice<bool>("deduct", {{"yes", true}, {"no", false}}, true);
    out[banding.name] = banding;
  }
  if (Problems problems = rows.take(); !problems.empty()) return problems;
  return out;
}

std::vector<Defect> defects(Rows& rows, std::optional<Unit> unit, const StockSupply& stock) {
  const auto read = parseDefects(rows.text("defects"), unit);
  if (!read) {
    rows.refuse("defects", read.problems().front().found, read.problems().front().expected);
    return {};
  }
  for (const Defect& one : *read)
    if (!one.isOn(stock.length, stock.width))
      rows.refuse("defects", "'" + shown(rows.text("defects")) + "'", "places on the piece");
  return *read;
}

Result<std::vector<StockSupply>> readStock(const ExchangeText& text, std::optional<Unit> unit,
                                           Length trim) {
  const auto table =
      readCsv(text.file, text.content, {"id", "material", "thickness", "length", "width", "qty"});
  if (!table) return table.problems();
  Rows rows(table.value(), unit);
  std::vector<StockSupply> out;
  std::set<std::string> ids;
  for (const CsvRecord& record : table->records) {
    if (rows.full()) break;
    rows.at(record);
    StockSupply stock;
    stock.id = rows.needed("id");
    rows.unique("id", ids);
    stock.material = rows.needed("material");
    stock.thickness = rows.length("thickness", false);
    stock.measured = rows.optionalLength("measured", false).value_or(stock.thickness);
    stock.lot = rows.text("lot");
    stock.length = rows.length("length", false);
    stock.width = rows.length("width", false);
    stock.grain = rows.choice<SheetGrain>(
        "grain",
        {{"length", SheetGrain::Length}, {"width", SheetGrain::Width}, {"none", SheetGrain::None}},
        SheetGrain::Length);
    stock.defects = defects(rows, unit, stock);
    if (rows.text("qty") != "unlimited") stock.quantity = rows.count("qty", 0, kMostPieces);
    stock.price = rows.money("price");
    stock.kind = rows.choice<StockKind>(
        "kind", {{"sheet", StockKind::Sheet}, {"offcut", StockKind::Offcut}}, StockKind::Sheet);
    stock.trim = rows.optionalLength("trim", true)
                     .value_or(stock.kind == StockKind::Sheet ? trim : Length{});
    out.push_back(stock);
  }
  if (Problems problems = rows.take(); !problems.empty()) return problems;
  return out;
}

class PartsReader {
 public:
  PartsReader(const CsvTable& table, std::optional<Unit> unit,
              const std::map<std::string, Banding>& bandings, const std::vector<StockSupply>& stock)
      : table_(table), rows_(table, unit), bandings_(bandings) {
    for (const StockSupply& row : stock) materials_.insert(row.material);
  }

  Result<std::vector<PartDemand>> run() {
    for (const CsvRecord& record : table_.records) {
      if (rows_.full()) break;
      rows_.at(record);
      row();
    }
    if (Problems problems = rows_.take(); !problems.empty()) return problems;
    return std::move(out_);
  }

 private:
  void row() {
    PartDemand part;
    part.code = rows_.needed("code");
    rows_.unique("code", codes_);
    part.quantity = rows_.count("qty", 1, 10'000);
    const Length length = rows_.length("length", false);
    const Length width = rows_.length("width", false);
    part.thickness = rows_.length("thickness", false);
    part.material = rows_.needed("material");
    if (!part.material.empty() && materials_.count(part.material) == 0)
      rows_.refuse("material", "'" + shown(part.material) + "'",
                   "a material that a row of the stock has");
    part.grain = rows_.choice<PartGrain>(
        "grain",
        {{"length", PartGrain::Length}, {"width", PartGrain::Width}, {"any", PartGrain::Any}},
        PartGrain::Any);
    const Length oversize = rows_.optionalLength("oversize", true).value_or(Length{});
    part.length = length - deducted("band_w1") - deducted("band_w2") + oversize;
    part.width = width - deducted("band_l1") - deducted("band_l2") + oversize;
    if (length > Length{} && width > Length{}) {
      cutSize("length", part.length);
      cutSize("width", part.width);
    }
    run(part);
    out_.push_back(part);
  }

  Length deducted(const char* column) {
    const std::string& name = rows_.text(column);
    if (name.empty()) return {};
    const auto at = bandings_.find(name);
    if (at == bandings_.end()) {
      rows_.refuse(column, "'" + shown(name) + "'", "the name of a banding that is given");
      return {};
    }
    return at->second.deduct ? at->second.thickness : Length{};
  }

  void cutSize(const char* column, Length size) {
    if (size <= Length{})
      rows_.refuse(column, "a cut size of " + formatMm(size) + " mm",
                   "more than 0 after banding and oversize");
  }

  void run(PartDemand& part) {
    part.run = rows_.text("run");
    if (part.run.empty()) return;
    part.runOrder = rows_.count("run_order", 0, 1'000'000);
    if (!orders_[part.run].insert(part.runOrder).second)
      rows_.refuse("run_order", "'" + rows_.text("run_order") + "' a second time",
                   "each place in the run once");
    part.series = rows_.choice<RunSeries>(
        "run_series", {{"length", RunSeries::Length}, {"width", RunSeries::Width}},
        RunSeries::Either);
    part.mitred = rows_.choice<bool>("run_mitred", {{"yes", true}, {"no", false}}, false);
    const auto [first, fresh] = runs_.emplace(part.run, part);
    if (fresh) return;
    const PartDemand& like = first->second;
    if (part.material != like.material)
      rows_.refuse("material", "'" + shown(part.material) + "'",
                   "the material of its run, " + shown(like.material));
    if (part.thickness != like.thickness)
      rows_.refuse("thickness", formatMm(part.thickness) + " mm",
                   "the thickness of its run, " + formatMm(like.thickness) + " mm");
    if (part.quantity != like.quantity)
      rows_.refuse("qty", std::to_string(part.quantity),
                   "the qty of its run, " + std::to_string(like.quantity));
    if (part.series != like.series)
      rows_.refuse("run_series", "'" + rows_.text("run_series") + "'",
                   "the same for all parts of its run");
    if (part.mitred != like.mitred)
      rows_.refuse("run_mitred", "'" + rows_.text("run_mitred") + "'",
                   "the same for all parts of its run");
  }

  const CsvTable& table_;
  Rows rows_;
  const std::map<std::string, Banding>& bandings_;
  std::set<std::string> materials_, codes_;
  std::map<std::string, std::set<std::int64_t>> orders_;
  std::map<std::string, PartDemand> runs_;
  std::vector<PartDemand> out_;
};

}  // namespace

Result<NestRequest> readExchange(const ExchangeInput& input) {
  NestRequest out;
  std::map<std::string, Banding> bandings;
  if (input.banding) {
    auto banding = readBanding(*input.banding, input.unit);
    if (!banding) return banding.problems();
    bandings = std::move(banding).value();
  }
  auto stock = readStock(input.stock, input.unit, input.trim);
  if (!stock) return stock.problems();
  out.stock = std::move(stock).value();
  const auto table = readCsv(input.parts.file, input.parts.content,
                             {"code", "qty", "length", "width", "thickness", "material"});
  if (!table) return table.problems();
  auto parts = PartsReader(table.value(), input.unit, bandings, out.stock).run();
  if (!parts) return parts.problems();
  out.parts = std::move(parts).value();
  out.style.unit = table->unit.value_or(input.unit.value_or(Unit::Millimetre));
  return out;
}

}  // namespace pp
