#include "core/nest/dive/dive.h"

#include <algorithm>
#include <cmath>
#include <coin/ClpSimplex.hpp>
#include <coin/CoinPackedVector.hpp>
#include <set>

#include "core/nest/dive/full_sheet.h"
#include "core/nest/search.h"

namespace pp::nest {
namespace {

constexpr std::size_t kMostBlocks = 120;
constexpr std::int64_t kMostCopies = 500;
constexpr int kRoundsAtFirst = 80;     // of new patterns before the first sheet is fixed
constexpr int kRoundsBelow = 4;        // before every other
constexpr std::size_t kMostNew = 12;   // patterns a round and row
constexpr std::int64_t kFillSteps = 1'500;
constexpr std::size_t kMostColumns = 2'000;
constexpr std::int64_t kMendSteps = 30'000;
constexpr std::int64_t kMendSpell = 500;
constexpr double kTiny = 1e-6;

using Counts = std::vector<std::int64_t>;

// A pattern of the program: a sheet with blocks on it.
struct Column {
  std::size_t row = 0;
  Counts blocks;
  SlackTree sheet;
};

}  // namespace

class Dive::Work {
 public:
  Work(const Group& group, const Arrangement& known, std::vector<double> prices,
       std::uint64_t seed)
      : group_(group), prices_(std::move(prices)), random_(seed) {
    for (const StockKindRow& row : group_.stock) {
      unit_ = std::max(unit_, static_cast<double>(row.cost));
      available_.push_back(row.available);
    }
    for (const Block& block : group_.blocks) wanted_.push_back(block.copies);
    for (const SlackTree& sheet : known.sheets) add(sheet);
    for (std::size_t k = 0; k < group_.stock.size(); ++k) fillers_.emplace_back(group_, k, kCells);
    surface();
    if (!prices_.empty()) duals_ = prices_;
  }

  const Arrangement& found() const { return found_; }

  bool step(Cost below, const std::stop_token& stop) {
    if (mender_) return mend(below, stop);
    if (rounds_ > 0 || duals_.empty()) {
      if (!solve()) {
        surface();
        return false;
      }
    }
    const bool fresh = price(stop);
    if (stop.stop_requested()) return false;
    ++rounds_;
    const int most = first_ ? kRoundsAtFirst : kRoundsBelow;
    if (fresh && rounds_ < most && !hasStalled()) return false;
    if (!solve()) {
      surface();
      return false;
    }
    return fix(below);
  }

 private:
  static constexpr int kCells = 100;

  Counts countsOf(const SlackTree& sheet) const {
    Counts out(group_.blocks.size());
    for (const int leaf : sheet.leaves()) ++out[static_cast<std::size_t>(sheet.node(leaf).block)];
    return out;
  }

  // False where the program has that pattern already.
  bool add(const SlackTree& sheet) {
    Counts blocks = countsOf(sheet);
    std::pair<std::size_t, Counts> key{sheet.stock(), blocks};
    if (sheet.empty() || !known_.insert(key).second) return false;
    columns_.push_back({sheet.stock(), std::move(blocks), sheet});
    return true;
  }

  // Back to the whole job.
  void surface() {
    left_ = wanted_;
    free_ = available_;
    spent_ = 0;
    fixed_.clear();
    mender_.reset();
    rounds_ = 0;
    lastObjective_ = 0;
    if (columns_.size() > kMostColumns) forget();
    for (std::size_t c = 0; c < inProgram_; ++c)
      program_->setColumnUpper(static_cast<int>(c), COIN_DBL_MAX);
    setRows();
  }

  // Keeps the patterns that the program of the whole job likes best.
  void forget() {
    std::vector<std::pair<double, std::size_t>> order;
    for (std::size_t c = 0; c < columns_.size(); ++c) {
      double worth = -cost(columns_[c].row);
      for (std::size_t b = 0; b < rootDuals_.size(); ++b)
        worth += rootDuals_[b] * static_cast<double>(columns_[c].blocks[b]);
      order.emplace_back(-worth, c);
    }
    std::sort(order.begin(), order.end());
    std::vector<Column> kept;
    known_.clear();
    for (std::size_t k = 0; k < kMostColumns / 2; ++k) {
      Column& column = columns_[order[k].second];
      known_.insert({column.row, column.blocks});
      kept.push_back(std::move(column));
    }
    columns_ = std::move(kept);
    program_.reset();
    inProgram_ = 0;
  }

  double cost(std::size_t row) const { return static_cast<double>(group_.stock[row].cost) / unit_; }

  void setRows() {
    if (!program_) return;
    const auto blocks = static_cast<int>(left_.size());
    for (int b = 0; b < blocks; ++b)
      program_->setRowLower(b, static_cast<double>(left_[static_cast<std::size_t>(b)]));
    for (int k = 0; k < static_cast<int>(free_.size()); ++k)
      program_->setRowUpper(blocks + k, static_cast<double>(free_[static_cast<std::size_t>(k)]));
  }

  bool fits(const Counts& blocks) const {
    for (std::size_t b = 0; b < blocks.size(); ++b)
      if (blocks[b] > left_[b]) return false;
    return true;
  }

  // Solves the program for what is left. A row per block (at least what is left) and per stock row
  // (at most what is free).
  bool solve() {
    const auto blocks = static_cast<int>(group_.blocks.size());
    const auto rows = static_cast<int>(group_.stock.size());
    if (!program_) {
      program_ = std::make_unique<ClpSimplex>();
      program_->setLogLevel(0);
      program_->resize(blocks + rows, 0);
      for (int b = 0; b < blocks; ++b) program_->setRowUpper(b, COIN_DBL_MAX);
      for (int k = 0; k < rows; ++k) program_->setRowLower(blocks + k, -COIN_DBL_MAX);
      setRows();
    }
    for (; inProgram_ < columns_.size(); ++inProgram_) {
      const Column& column = columns_[inProgram_];
      CoinPackedVector vector;
      for (int b = 0; b < blocks; ++b)
        if (const auto n = column.blocks[static_cast<std::size_t>(b)]; n > 0)
          vector.insert(b, static_cast<double>(n));
      vector.insert(blocks + static_cast<int>(column.row), 1.0);
      program_->addColumn(vector.getNumElements(), vector.getIndices(), vector.getElements(), 0.0,
                          fits(column.blocks) ? COIN_DBL_MAX : 0.0, cost(column.row));
    }
    program_->primal();
    if (program_->status() != 0) return false;
    const double* duals = program_->dualRowSolution();
    duals_.assign(duals, duals + blocks);
    rowDuals_.assign(duals + blocks, duals + blocks + rows);
    for (double& price : duals_) price = std::max(price, 0.0);
    if (fixed_.empty()) rootDuals_ = duals_;
    return true;
  }

  // Whether the program's value has hardly fallen for some rounds.
  bool hasStalled() {
    constexpr int kEvery = 8;
    constexpr double kHardly = 5e-4;
    if (!program_ || rounds_ % kEvery != 0) return false;
    const double before = lastObjective_;
    lastObjective_ = program_->objectiveValue();
    return before > 0 && lastObjective_ > before * (1 - kHardly);
  }

  // Looks for patterns worth more than they cost. At first at prices between the program's and
  // those of the bound, since the program's own swing wildly. False when there are none.
  bool price(const std::stop_token& stop) {
    bool fresh = false;
    if (first_ && !prices_.empty()) {
      std::vector<double> mixed(duals_.size());
      constexpr double kOwn = 0.6;
      for (std::size_t b = 0; b < mixed.size(); ++b)
        mixed[b] = kOwn * duals_[b] + (1 - kOwn) * prices_[b];
      fresh = priceAt(mixed);
    }
    if (!fresh) fresh = priceAt(duals_);
    if (!fresh) fresh = searchAt(duals_, stop);
    return fresh;
  }

  double least(std::size_t row) const {
    return cost(row) - (rowDuals_.empty() ? 0.0 : rowDuals_[row]) + kTiny;
  }

  bool priceAt(const std::vector<double>& prices) {
    bool fresh = false;
    for (std::size_t k = 0; k < fillers_.size(); ++k) {
      if (free_[k] == 0) continue;
      for (const FullSheet::Pattern& one : fillers_[k].fill(prices, left_, least(k), kMostNew))
        fresh = add(one.sheet) || fresh;
    }
    return fresh;
  }

  // Ruin and recreate on one sheet finds what the table of pieces overlooks.
  bool searchAt(const std::vector<double>& prices, const std::stop_token& stop) {
    bool fresh = false;
    for (std::size_t k = 0; k < fillers_.size(); ++k) {
      if (free_[k] == 0) continue;
      SlackTree sheet = emptySheet(group_, k);
      for (FullSheet::Pattern& one : fillers_[k].fill(prices, left_, 0, 1)) sheet = one.sheet;
      const Counts on = countsOf(sheet);
      std::vector<int> pool;
      for (std::size_t b = 0; b < left_.size(); ++b)
        if (group_.blocks[b].mayLieOn(k))
          pool.insert(pool.end(), static_cast<std::size_t>(left_[b] - on[b]), static_cast<int>(b));
      Search search(group_, random_.next());
      std::size_t added = 0;
      search.fill(prices, least(k), kFillSteps, [&stop] { return stop.stop_requested(); }, sheet,
                  pool, [&](const SlackTree& seen, double) {
                    if (added < kMostNew && add(seen)) ++added;
                  });
      fresh = fresh || added > 0;
    }
    return fresh;
  }

  // Makes the pattern the program likes best a sheet of the plan, as often as it likes.
  bool fix(Cost below) {
    first_ = false;
    rounds_ = 0;
    const double* likes = program_->primalColumnSolution();
    std::size_t best = columns_.size();
    double most = 0;
    for (std::size_t c = 0; c < inProgram_; ++c) {
      if (likes[c] < kTiny || spent_ + group_.stock[columns_[c].row].cost >= below) continue;
      double liked = likes[c] >= 1 ? 1 + likes[c] : likes[c];
      constexpr double kNoise = 0.4;  // so that no two dives are alike
      if (dives_ > 0) liked += kNoise * static_cast<double>(random_.below(1024)) / 1024;
      if (liked > most) {
        most = liked;
        best = c;
      }
    }
    if (best == columns_.size()) return finish(below);
    const Column& column = columns_[best];
    auto times = static_cast<std::int64_t>(std::max(1.0, std::floor(likes[best] + kTiny)));
    do {
      for (std::size_t b = 0; b < left_.size(); ++b) left_[b] -= column.blocks[b];
      fixed_.push_back(column.sheet);
      spent_ += group_.stock[column.row].cost;
      --free_[column.row];
    } while (--times > 0 && fits(column.blocks) && free_[column.row] > 0 &&
             spent_ + group_.stock[column.row].cost < below);
    if (std::all_of(left_.begin(), left_.end(), [](std::int64_t n) { return n == 0; }))
      return finish(below);
    narrow();
    return false;
  }

  // Patterns that hold more than what is left take no part; what remains of them does.
  void narrow() {
    setRows();
    const std::size_t count = columns_.size();
    for (std::size_t c = 0; c < count; ++c) {
      if (c < inProgram_ && program_->getColUpper()[c] == 0.0) continue;
      if (fits(columns_[c].blocks)) continue;
      if (c < inProgram_) program_->setColumnUpper(static_cast<int>(c), 0.0);
      double worth = 0;
      for (std::size_t b = 0; b < left_.size(); ++b)
        worth += duals_[b] * static_cast<double>(std::min(left_[b], columns_[c].blocks[b]));
      constexpr double kWorthKeeping = 0.8;
      if (worth < kWorthKeeping * cost(columns_[c].row)) continue;
      SlackTree sheet = columns_[c].sheet;
      Counts blocks = columns_[c].blocks;
      for (std::size_t b = 0; b < left_.size(); ++b)
        for (; blocks[b] > left_[b]; --blocks[b]) {
          const auto leaf = std::find_if(
              sheet.leaves().begin(), sheet.leaves().end(),
              [&](int one) { return sheet.node(one).block == static_cast<int>(b); });
          sheet.remove(*leaf);
        }
      add(sheet);
    }
  }

  // The sheets fixed, what can be had for the rest of the cost, and ruin and recreate until
  // everything lies on them.
  bool finish(Cost below) {
    ++dives_;
    Arrangement start;
    start.sheets = fixed_;
    for (std::size_t b = 0; b < left_.size(); ++b) {
      start.pool.insert(start.pool.end(), static_cast<std::size_t>(left_[b]), static_cast<int>(b));
      start.poolArea += static_cast<double>(left_[b]) * group_.blocks[b].area;
    }
    if (start.pool.empty()) {
      found_ = std::move(start);
      surface();
      return true;
    }
    for (;;) {
      std::size_t largest = group_.stock.size();
      for (std::size_t k = 0; k < group_.stock.size(); ++k)
        if (free_[k] > 0 && spent_ + group_.stock[k].cost < below &&
            (largest == group_.stock.size() ||
             group_.stock[k].area > group_.stock[largest].area))
          largest = k;
      if (largest == group_.stock.size()) break;
      --free_[largest];
      spent_ += group_.stock[largest].cost;
      start.sheets.push_back(emptySheet(group_, largest));
    }
    std::vector<std::int64_t> sheets = start.used(group_);
    mender_ = std::make_unique<Search>(group_, std::move(sheets), std::move(start), random_.next());
    return false;
  }

  bool mend(Cost below, const std::stop_token& stop) {
    mender_->run(kMendSpell, [&stop] { return stop.stop_requested(); });
    const bool done = mender_->best().pool.empty() && mender_->bestCost() < below;
    if (done) found_ = mender_->best();
    if (done || mender_->iterations() >= kMendSteps || mender_->settled()) surface();
    return done;
  }

  const Group& group_;
  std::vector<double> prices_;
  Random random_;
  double unit_ = 1;
  Counts wanted_, available_;
  std::vector<FullSheet> fillers_;
  std::vector<Column> columns_;
  std::set<std::pair<std::size_t, Counts>> known_;
  std::unique_ptr<ClpSimplex> program_;
  std::size_t inProgram_ = 0;  // the first columns
  std::vector<double> duals_, rowDuals_, rootDuals_;
  bool first_ = true;  // no sheet has been fixed yet
  int dives_ = 0;

  // The dive under way.
  Counts left_, free_;
  std::vector<SlackTree> fixed_;
  Cost spent_ = 0;
  int rounds_ = 0;
  double lastObjective_ = 0;
  std::unique_ptr<Search> mender_;
  Arrangement found_;
};

bool Dive::isWorthTrying(const Group& group) {
  std::int64_t copies = 0;
  for (const Block& block : group.blocks) copies += block.copies;
  return group.pinned.empty() && !group.blocks.empty() && group.blocks.size() <= kMostBlocks &&
         copies <= kMostCopies &&
         std::none_of(group.stock.begin(), group.stock.end(),
                      [](const StockKindRow& row) { return row.alwaysThere(); });
}

Dive::Dive(const Group& group, const Arrangement& known, std::vector<double> prices,
           std::uint64_t seed)
    : work_(std::make_unique<Work>(group, known, std::move(prices), seed)) {}
Dive::~Dive() = default;

bool Dive::step(Cost below, const std::stop_token& stop) {
  return work_->step(below, stop);
}
const Arrangement& Dive::found() const {
  return work_->found();
}

}  // namespace pp::nest
