#include "core/nest/dive/program.h"

#include <algorithm>

#include "core/nest/search/search.h"

namespace pp::nest {
namespace {

constexpr int kCells = 130;           // along the longest piece of stock, when filling a sheet
constexpr std::size_t kMostNew = 12;  // patterns at a time and stock row
constexpr std::size_t kMostColumns = 900;
constexpr std::int64_t kFillSteps = 1'500;
constexpr double kWorthMore = 1e-6;

}  // namespace

DiveProgram::DiveProgram(const Group& group, const Arrangement& known, Random& random)
    : group_(group), random_(random) {
  Nm longest = 1;
  for (const StockKindRow& row : group_.stock) {
    unit_ = std::max(unit_, static_cast<double>(row.cost));
    longest = std::max({longest, row.w, row.h});
  }
  for (std::size_t k = 0; k < group_.stock.size(); ++k) {
    const Nm side = std::max(group_.stock[k].w, group_.stock[k].h);
    fillers_.emplace_back(group_, k, static_cast<int>(kCells * side / longest));
  }
  for (const SlackTree& sheet : known.sheets) add(sheet);
  for (std::size_t b = 0; b < group_.blocks.size(); ++b) addAlone(b);
}

DiveProgram::~DiveProgram() = default;

Counts DiveProgram::countsOf(const SlackTree& sheet) const {
  Counts out(group_.blocks.size());
  for (const int leaf : sheet.leaves()) ++out[static_cast<std::size_t>(sheet.node(leaf).block)];
  return out;
}

// False where the program has that pattern already.
bool DiveProgram::add(const SlackTree& sheet) {
  Counts blocks = countsOf(sheet);
  if (sheet.empty() || !known_.insert({sheet.stock(), blocks}).second) return false;
  columns_.push_back({sheet.stock(), std::move(blocks), sheet});
  return true;
}

// So that the program can always be solved.
void DiveProgram::addAlone(std::size_t block) {
  Random random(1);
  for (std::size_t k = 0; k < group_.stock.size(); ++k) {
    std::vector<SlackTree> sheets = {emptySheet(group_, k)};
    Found found;
    if (!findSpot(group_, sheets, static_cast<int>(block), Rule::First, random, 0, found)) continue;
    put(group_, sheets, static_cast<int>(block), found);
    add(sheets.front());
  }
}

void DiveProgram::reset() {
  left_.clear();
  free_.clear();
  for (const Block& block : group_.blocks) left_.push_back(block.copies);
  for (const StockKindRow& row : group_.stock) free_.push_back(row.available);
  if (columns_.size() > kMostColumns) forget();
  isWhole_ = true;
  widen();
}

// Keeps the patterns that the program of the whole job likes best.
void DiveProgram::forget() {
  std::vector<std::pair<double, std::size_t>> order;
  for (std::size_t c = 0; c < columns_.size(); ++c) {
    double lost = cost(columns_[c].row);
    for (std::size_t b = 0; b < wholePrices_.size(); ++b)
      lost -= wholePrices_[b] * static_cast<double>(columns_[c].blocks[b]);
    order.emplace_back(lost, c);
  }
  std::sort(order.begin(), order.end());
  order.resize(kMostColumns / 2);
  std::vector<Column> kept;
  for (const auto& [lost, c] : order) kept.push_back(std::move(columns_[c]));
  columns_ = std::move(kept);
  known_.clear();
  for (const Column& column : columns_) known_.insert({column.row, column.blocks});
  for (std::size_t b = 0; b < group_.blocks.size(); ++b) addAlone(b);
  program_.reset();
  inProgram_ = 0;
}

void DiveProgram::change(const SlackTree& sheet, int sign) {
  for (const int leaf : sheet.leaves())
    left_[static_cast<std::size_t>(sheet.node(leaf).block)] += sign;
  free_[sheet.stock()] += sign;
  isWhole_ = false;
}

bool DiveProgram::isDone() const {
  return std::all_of(left_.begin(), left_.end(), [](std::int64_t n) { return n == 0; });
}

std::vector<int> DiveProgram::left() const {
  std::vector<int> out;
  for (std::size_t b = 0; b < left_.size(); ++b)
    out.insert(out.end(), static_cast<std::size_t>(left_[b]), static_cast<int>(b));
  return out;
}

bool DiveProgram::fits(const Column& column) const {
  if (free_[column.row] <= 0) return false;
  for (std::size_t b = 0; b < left_.size(); ++b)
    if (column.blocks[b] > left_[b]) return false;
  return true;
}

void DiveProgram::widen() {
  for (std::size_t c = 0; c < inProgram_; ++c) program_->allow(c, fits(columns_[c]));
  setRows();
}

void DiveProgram::narrow() {
  setRows();
  const std::size_t count = columns_.size();
  for (std::size_t c = 0; c < count; ++c) {
    if (c < inProgram_ && !program_->isAllowed(c)) continue;
    if (fits(columns_[c])) continue;
    if (c < inProgram_) program_->allow(c, false);
    if (free_[columns_[c].row] <= 0) continue;
    double worth = 0;
    for (std::size_t b = 0; b < left_.size(); ++b)
      worth += prices_[b] * static_cast<double>(std::min(left_[b], columns_[c].blocks[b]));
    constexpr double kWorthKeeping = 0.8;
    if (worth < kWorthKeeping * cost(columns_[c].row)) continue;
    SlackTree sheet = columns_[c].sheet;
    Counts blocks = columns_[c].blocks;
    for (std::size_t b = 0; b < left_.size(); ++b)
      for (; blocks[b] > left_[b]; --blocks[b])
        sheet.remove(*std::find_if(sheet.leaves().begin(), sheet.leaves().end(), [&](int leaf) {
          return sheet.node(leaf).block == static_cast<int>(b);
        }));
    add(sheet);
  }
}

// At least what is left of every block, at most what is free of every row.
void DiveProgram::setRows() {
  if (!program_) return;
  program_->setWanted(left_);
  program_->setAvailable(free_);
}

bool DiveProgram::solve() {
  if (!program_) program_ = std::make_unique<PatternProgram>(left_, free_);
  for (; inProgram_ < columns_.size(); ++inProgram_) {
    const Column& column = columns_[inProgram_];
    program_->add(column.blocks, column.row, cost(column.row), fits(column));
  }
  if (!program_->solve()) return false;
  prices_ = program_->prices();
  rowPrices_ = program_->rowPrices();
  for (double& price : prices_) price = std::max(price, 0.0);
  if (isWhole_) wholePrices_ = prices_;
  return true;
}

double DiveProgram::value() const {
  return program_->value();
}

std::vector<double> DiveProgram::solution() const {
  return program_->solution();
}

bool DiveProgram::price(bool atFirst, const std::stop_token& stop) {
  if (atFirst && !firstPrices_.empty()) {
    std::vector<double> mixed(prices_.size());
    constexpr double kOwn = 0.6;
    for (std::size_t b = 0; b < mixed.size(); ++b)
      mixed[b] = kOwn * prices_[b] + (1 - kOwn) * firstPrices_[b];
    if (priceAt(mixed, stop)) return true;
  }
  return priceAt(prices_, stop) || searchAt(prices_, stop);
}

double DiveProgram::leastWorth(std::size_t row) const {
  return cost(row) - rowPrices_[row] + kWorthMore;
}

bool DiveProgram::priceAt(const std::vector<double>& prices, const std::stop_token& stop) {
  bool fresh = false;
  for (std::size_t k = 0; k < fillers_.size() && !stop.stop_requested(); ++k) {
    if (free_[k] <= 0) continue;
    for (const FullSheet::Pattern& one :
         fillers_[k].fill(prices, left_, leastWorth(k), kMostNew, stop))
      fresh = add(one.sheet) || fresh;
  }
  return fresh;
}

// Ruin and recreate on one sheet finds what the table of pieces overlooks.
bool DiveProgram::searchAt(const std::vector<double>& prices, const std::stop_token& stop) {
  bool fresh = false;
  for (std::size_t k = 0; k < fillers_.size() && !stop.stop_requested(); ++k) {
    if (free_[k] <= 0) continue;
    SlackTree sheet = emptySheet(group_, k);
    for (FullSheet::Pattern& one : fillers_[k].fill(prices, left_, 0, 1, stop))
      sheet = std::move(one.sheet);
    const Counts on = countsOf(sheet);
    std::vector<int> pool;
    for (std::size_t b = 0; b < left_.size(); ++b)
      if (group_.blocks[b].mayLieOn(k))
        pool.insert(pool.end(), static_cast<std::size_t>(left_[b] - on[b]), static_cast<int>(b));
    Search search(group_, random_.next());
    std::size_t added = 0;
    search.fill(
        prices, leastWorth(k), kFillSteps, [&stop] { return stop.stop_requested(); },
        std::move(sheet), std::move(pool),
        [&](const SlackTree& seen) {
          if (added < kMostNew && add(seen)) ++added;
        });
    fresh = fresh || added > 0;
  }
  return fresh;
}

}  // namespace pp::nest
