#include "core/nest/dive/dive.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "core/nest/dive/program.h"
#include "core/nest/search/search.h"

namespace pp::nest {
namespace {

constexpr std::size_t kMostDiveBlocks = 120;
constexpr std::int64_t kMostCopies = 500;
constexpr std::size_t kMostRows = 2;  // with many kinds of stock ruin and recreate does better
constexpr double kLeastAlike = 1.5;  // copies a block: where none are alike the program says little
constexpr int kLeastRoundsAtFirst = 32;  // of new patterns before the first sheet is ever fixed
constexpr int kMostRoundsAtFirst = 80;
constexpr int kRounds = 12;        // before every other
constexpr double kNoise = 0.4;     // in how much a pattern is liked, so that no two dives are alike
constexpr double kHopeless = 0.4;  // sheets above the goal at which a dive is given up
constexpr int kMostBacks = 8;      // times a dive goes back part of the way
constexpr std::int64_t kMendSteps = 5'000;
constexpr std::int64_t kMendSpell = 500;
constexpr double kLiked = 1e-6;

}  // namespace

class Dive::Work {
 public:
  Work(const Group& group, const Arrangement& known, std::uint64_t seed)
      : group_(group), random_(seed), program_(group, known, random_) {
    cheapest_ = group_.stock.front().cost;
    for (const StockKindRow& row : group_.stock) cheapest_ = std::min(cheapest_, row.cost);
    surface();
  }

  void begin(std::vector<double> prices) { program_.setFirstPrices(std::move(prices)); }
  const Arrangement& found() const { return found_; }

  bool step(Cost below, const std::stop_token& stop) {
    if (mender_) return mend(below, stop);
    if (!program_.solve()) {
      surface();
      return false;
    }
    ++rounds_;
    const bool enough = atFirst_ ? rounds_ > kMostRoundsAtFirst || hasStalled() : rounds_ > kRounds;
    if (!enough && program_.price(atFirst_, stop)) return false;
    if (stop.stop_requested()) return false;
    return fix(below);
  }

 private:
  // Back to the whole job.
  void surface() {
    backs_ = 0;
    rounds_ = 0;
    fixed_.clear();
    spent_ = 0;
    program_.reset();
  }

  // Back part of the way: the later ones of the sheets fixed are given up.
  void back() {
    mender_.reset();
    if (fixed_.empty() || ++backs_ > kMostBacks) return surface();
    rounds_ = 0;
    for (const std::size_t keep = random_.below(fixed_.size()); fixed_.size() > keep;) {
      spent_ -= group_.stock[fixed_.back().stock()].cost;
      program_.giveBack(fixed_.back());
      fixed_.pop_back();
    }
    program_.widen();
  }

  // Whether the program's value has hardly fallen for some rounds.
  bool hasStalled() {
    constexpr int kEvery = 8;
    constexpr double kHardly = 5e-4;
    if (rounds_ < kLeastRoundsAtFirst || rounds_ % kEvery != 0) return false;
    const double before = lastValue_;
    lastValue_ = program_.value();
    return before > 0 && lastValue_ > before * (1 - kHardly);
  }

  bool affordable(std::size_t row, Cost spent, Cost below) const {
    return spent + group_.stock[row].cost < below;
  }

  // Makes the pattern the program likes best a sheet of the plan, as often as it is liked.
  bool fix(Cost below) {
    const bool wasAtFirst = atFirst_;
    atFirst_ = false;
    rounds_ = 0;
    // The dearest plan that costs less, if all sheets were the cheapest.
    const double goal = program_.inSheets(below - cheapest_);
    if (!wasAtFirst && program_.inSheets(spent_) + program_.value() > goal + kHopeless)
      return finish(below);
    const std::vector<double> likes = program_.solution();
    std::optional<std::size_t> best;
    double most = 0;
    for (std::size_t c = 0; c < likes.size(); ++c) {
      if (likes[c] < kLiked || !affordable(program_.column(c).row, spent_, below)) continue;
      double liked = likes[c] >= 1 ? 1 + likes[c] : likes[c];
      if (!wasAtFirst) liked += kNoise * static_cast<double>(random_.below(1024)) / 1024;
      if (liked <= most) continue;
      most = liked;
      best = c;
    }
    if (!best) return finish(below);
    const Column& column = program_.column(*best);
    auto times = static_cast<std::int64_t>(std::max(1.0, std::floor(likes[*best] + kLiked)));
    do {
      fixed_.push_back(column.sheet);
      spent_ += group_.stock[column.row].cost;
      program_.take(column.sheet);
    } while (--times > 0 && program_.fits(column) && affordable(column.row, spent_, below));
    if (program_.isDone()) return finish(below);
    program_.narrow();
    return false;
  }

  // The sheets fixed, empty ones for the rest of the cost, the largest first, and what is left, for
  // ruin and recreate.
  bool finish(Cost below) {
    Arrangement start;
    start.sheets = fixed_;
    start.pool = program_.left();
    if (start.pool.empty()) {
      found_ = std::move(start);
      surface();
      return true;
    }
    for (const int block : start.pool)
      start.poolArea += group_.blocks[static_cast<std::size_t>(block)].area;
    std::vector<std::int64_t> used = start.used(group_);
    for (Cost spent = spent_;;) {
      std::optional<std::size_t> largest;
      for (std::size_t k = 0; k < group_.stock.size(); ++k)
        if (used[k] < group_.stock[k].available && affordable(k, spent, below) &&
            (!largest || group_.stock[k].area > group_.stock[*largest].area))
          largest = k;
      if (!largest) break;
      ++used[*largest];
      spent += group_.stock[*largest].cost;
      start.sheets.push_back(emptySheet(group_, *largest));
    }
    mender_ = std::make_unique<Search>(group_, std::move(used), std::move(start), random_.next());
    return false;
  }

  bool mend(Cost below, const std::stop_token& stop) {
    mender_->run(kMendSpell, [&stop] { return stop.stop_requested(); });
    const Arrangement& best = mender_->best();
    const bool done = best.pool.empty() && mender_->bestCost() < below;
    if (done) {
      found_ = best;
      mender_.reset();
      surface();
    } else if (mender_->iterations() >= kMendSteps || mender_->settled()) {
      back();
    }
    return done;
  }

  const Group& group_;
  Random random_;
  DiveProgram program_;
  bool atFirst_ = true;  // no sheet has ever been fixed
  int rounds_ = 0;
  double lastValue_ = 0;
  int backs_ = 0;
  std::vector<SlackTree> fixed_;
  Cost spent_ = 0;
  Cost cheapest_ = 0;  // of the stock rows
  std::unique_ptr<Search> mender_;
  Arrangement found_;
};

bool Dive::isWorthTrying(const Group& group) {
  std::int64_t copies = 0;
  for (const Block& block : group.blocks) copies += block.copies;
  const auto blocks = static_cast<double>(group.blocks.size());
  return group.pinned.empty() && blocks > 0 && group.stock.size() <= kMostRows &&
         blocks <= kMostDiveBlocks && copies <= kMostCopies &&
         static_cast<double>(copies) >= kLeastAlike * blocks &&
         std::none_of(group.stock.begin(), group.stock.end(), [](const StockKindRow& row) {
           return row.alwaysThere() || row.partings != nullptr;
         });
}

Dive::Dive(const Group& group, const Arrangement& known, std::uint64_t seed)
    : work_(std::make_unique<Work>(group, known, seed)) {}
Dive::~Dive() = default;

void Dive::begin(std::vector<double> prices) {
  work_->begin(std::move(prices));
}
bool Dive::step(Cost below, const std::stop_token& stop) {
  return work_->step(below, stop);
}
const Arrangement& Dive::found() const {
  return work_->found();
}

}  // namespace pp::nest
