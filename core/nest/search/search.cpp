#include "core/nest/search/search.h"

#include <algorithm>

namespace pp::nest {
namespace {

constexpr std::size_t kMostTargets = 200;  // choices of sheets kept in mind at once
constexpr std::int64_t kStepsPerTry = 6'000;
constexpr double kPoolWeight = 16;       // a block in the pool against waste that is not gathered
constexpr unsigned kBlink = 2;           // spots in 64 that are overlooked
constexpr int kMostRuined = 7;           // blocks taken out at once
constexpr std::size_t kMostTried = 24;   // blocks of the pool tried at once
constexpr std::int64_t kPatience = 300;  // histories without a gain before a fresh start
constexpr std::int64_t kAskEvery = 16;   // iterations between two looks at the stop

}  // namespace

Search::Search(const Group& group, std::vector<std::int64_t> available, Arrangement start,
               std::uint64_t seed, std::size_t historyLength)
    : group_(group),
      available_(std::move(available)),
      random_(seed),
      historyLength_(historyLength),
      best_(std::move(start)) {
  bestCost_ = best_.cost(group_);
  makeKeys();
  retarget();
}

Search::Search(const Group& group, std::uint64_t seed)
    : group_(group), random_(seed), historyLength_(kShortHistory), settled_(true) {
  makeKeys();
}

void Search::makeKeys() {
  for (const Block& block : group_.blocks) {
    keyArea_.push_back(block.area);
    keySide_.push_back(static_cast<double>(std::max(block.lies.front().w, block.lies.front().h)));
  }
}

void Search::setBound(Cost bound, const std::vector<Condition>& conditions) {
  if (bound == bound_) return;
  bound_ = bound;
  conditions_ = conditions;
  if (bestCost_ <= bound_ && best_.pool.empty()) {
    settled_ = true;
    return;
  }
  const auto gone = [this](const Target& t) { return t.cost < bound_ || !plausible(t.counts); };
  if (best_.pool.empty() && std::any_of(targets_.begin(), targets_.end(), gone)) retarget();
}

bool Search::better(const Arrangement& other) const {
  if (other.pool.empty() != best_.pool.empty()) return other.pool.empty();
  if (!other.pool.empty() && other.poolArea != best_.poolArea)
    return other.poolArea < best_.poolArea;
  return other.cost(group_) < bestCost_;
}

bool Search::adopt(const Arrangement& other) {
  if (!better(other)) return false;
  best_ = other;
  bestCost_ = best_.cost(group_);
  retarget();
  return true;
}

bool Search::plausible(const std::vector<std::int64_t>& counts) const {
  return std::all_of(conditions_.begin(), conditions_.end(), [&](const Condition& condition) {
    Int128 most = 0;
    for (std::size_t i = 0; i < counts.size(); ++i) most += counts[i] * condition.most[i];
    return most >= condition.need;
  });
}

// Lists the choices of sheets that are cheaper than the best plan, meet the conditions and leave no
// cheaper room unused: a choice that could have one sheet more and still be cheaper is part of
// another one. Lower prices come before less stock at the same price, the roomiest first.
void Search::listTargets() {
  double need = 0;
  std::size_t leaves = 0;
  for (const SlackTree& sheet : best_.sheets) {
    need += filledArea(group_, sheet);
    leaves += sheet.leaves().size();
  }
  const auto copies = static_cast<std::int64_t>(leaves);
  const std::size_t rows = group_.stock.size();
  std::vector<std::int64_t> counts(rows);
  const auto consider = [&](Cost below, Cost cost, double area) {
    const bool lowerPrice = priceOf(cost) < priceOf(bestCost_);
    if (lowerPrice != (below < bestCost_) || area < need * (1 - 1e-9) || cost < bound_ ||
        !plausible(counts))
      return;
    for (std::size_t i = 0; i < rows; ++i)
      if (counts[i] < std::min(available_[i], copies) && cost + group_.stock[i].cost < below)
        return;
    targets_.push_back({counts, cost, area - need, 0, {}, {}});
  };
  int visits = 0;
  const std::function<void(Cost, std::size_t, Cost, double)> visit = [&](Cost below, std::size_t i,
                                                                         Cost cost, double area) {
    constexpr int kMostVisits = 50'000;
    if (cost >= below || ++visits > kMostVisits) return;
    if (i == rows) return consider(below, cost, area);
    const std::int64_t most = std::min(available_[i], copies);
    const std::int64_t least = group_.stock[i].alwaysThere() ? most : 0;
    for (std::int64_t n = most; n >= least; --n) {
      counts[i] = n;
      visit(below, i + 1, cost + n * group_.stock[i].cost,
            area + static_cast<double>(n) * group_.stock[i].area);
    }
    counts[i] = 0;
  };
  visit((bestCost_ >> kPriceShift) << kPriceShift, 0, 0, 0);  // a lower price
  const std::size_t cheaper = targets_.size();
  const auto roomiest = [](const Target& a, const Target& b) { return a.slack > b.slack; };
  std::stable_sort(targets_.begin(), targets_.end(), roomiest);
  visits = 0;
  visit(bestCost_, 0, 0, 0);  // less stock
  std::stable_sort(targets_.begin() + static_cast<std::ptrdiff_t>(cheaper), targets_.end(),
                   roomiest);
  if (targets_.size() > kMostTargets) targets_.resize(kMostTargets);
}

void Search::retarget() {
  targets_.clear();
  target_ = 0;
  if (!best_.pool.empty()) {
    // Short of stock: everything there is lies open and the pool is to shrink.
    Target all;
    all.counts = available_;
    targets_.push_back(all);
  } else if (bestCost_ > bound_) {
    listTargets();
  }
  settled_ = targets_.empty();
  if (!settled_) begin(targets_.front());
}

void Search::load(std::vector<SlackTree> sheets, std::vector<int> pool) {
  sheets_ = std::move(sheets);
  pool_ = std::move(pool);
  poolArea_ = 0;
  for (const int block : pool_) poolArea_ += keyArea_[static_cast<std::size_t>(block)];
  fill_.clear();
  for (const SlackTree& sheet : sheets_) {
    double& filled = fill_.emplace_back(0);
    for (const int leaf : sheet.leaves())
      filled += keyArea_[static_cast<std::size_t>(sheet.node(leaf).block)];
  }
  savedAt_.assign(sheets_.size(), -1);
  savedCount_ = 0;
  worth_.assign(sheets_.size(), 0);
  value_ = kPoolWeight * poolArea_;
  for (std::size_t i = 0; i < sheets_.size(); ++i) {
    worth_[i] = worth(i);
    value_ -= worth_[i];
  }
  history_.assign(historyLength_, value_);
  leastValue_ = value_;
  sinceGain_ = 0;
  historyAt_ = 0;
}

// Takes a target up where it was left; the first time, sets up its sheets: those of the best plan
// that it still has, fullest first, and empty ones for the rest. What lay on the others goes to the
// pool.
void Search::begin(Target& target) {
  mode_ = Mode::Place;
  stepsOnTarget_ = 0;
  if (!target.sheets.empty()) return load(std::move(target.sheets), std::move(target.pool));
  std::vector<SlackTree> sheets;
  std::vector<int> pool = best_.pool;
  std::vector<std::pair<double, std::size_t>> order;
  for (std::size_t i = 0; i < best_.sheets.size(); ++i)
    order.emplace_back(-filledArea(group_, best_.sheets[i]), i);
  std::stable_sort(order.begin(), order.end());
  std::vector<std::int64_t> left = target.counts;
  for (const auto& [key, i] : order) {
    const SlackTree& sheet = best_.sheets[i];
    if (left[sheet.stock()] > 0) {
      --left[sheet.stock()];
      sheets.push_back(sheet);
    } else {
      for (const int leaf : sheet.leaves()) pool.push_back(sheet.node(leaf).block);
    }
  }
  for (std::size_t i = 0; i < left.size(); ++i)
    for (; left[i] > 0; --left[i]) sheets.push_back(emptySheet(group_, i));
  load(std::move(sheets), std::move(pool));
}

// Where nothing has been gained for long the state is a dead end: the same sheets, empty, and
// everything in the pool.
void Search::startAfresh() {
  std::vector<SlackTree> sheets;
  std::vector<int> pool = pool_;
  for (const SlackTree& sheet : sheets_) {
    for (const int leaf : sheet.leaves()) pool.push_back(sheet.node(leaf).block);
    sheets.push_back(emptySheet(group_, sheet.stock()));
  }
  load(std::move(sheets), std::move(pool));
}

// What a sheet contributes to the value.
double Search::worth(std::size_t sheet) const {
  if (mode_ != Mode::Leftover)
    return fill_[sheet] * fill_[sheet] / group_.stock[sheets_[sheet].stock()].area;
  const Spot* spot = sheets_[sheet].largestSpot(keep_.longSide, keep_.shortSide);
  constexpr double kGathering = 0.05;  // waste gathered on one sheet makes larger leftovers later
  const double gathered =
      kGathering * fill_[sheet] * fill_[sheet] / group_.stock[sheets_[sheet].stock()].area;
  return gathered +
         (spot ? static_cast<double>(spot->w) * static_cast<double>(spot->h) / 1e18 : 0.0);
}

void Search::save(std::size_t sheet) {
  if (savedAt_[sheet] == iterations_) return;
  savedAt_[sheet] = iterations_;
  if (savedCount_ == saved_.size()) {
    saved_.push_back({sheet, fill_[sheet], worth_[sheet], sheets_[sheet]});
  } else {
    Saved& saved = saved_[savedCount_];
    saved.index = sheet;
    saved.fill = fill_[sheet];
    saved.worth = worth_[sheet];
    saved.sheet = sheets_[sheet];  // keeps its capacity: no allocation
  }
  ++savedCount_;
}

void Search::restore() {
  for (std::size_t i = 0; i < savedCount_; ++i) {
    Saved& saved = saved_[i];
    std::swap(sheets_[saved.index], saved.sheet);
    fill_[saved.index] = saved.fill;
    worth_[saved.index] = saved.worth;
  }
  pool_ = savedPool_;
  poolArea_ = savedPoolArea_;
  value_ = savedValue_;
}

void Search::removeFrom(std::size_t sheet, int howMany) {
  SlackTree& tree = sheets_[sheet];
  if (tree.empty() || howMany <= 0) return;
  save(sheet);
  const std::vector<int>& leaves = tree.leaves();
  int chosen[kMostRuined];
  int count = 0;
  const int most = std::min(howMany, static_cast<int>(leaves.size()));
  // Half the time neighbours in the tree, which leave one larger gap.
  const bool neighbours = random_.below(2) == 0;
  const std::size_t from = random_.below(leaves.size());
  while (count < most) {
    const std::size_t at = neighbours ? (from + static_cast<std::size_t>(count)) % leaves.size()
                                      : random_.below(leaves.size());
    if (std::find(chosen, chosen + count, leaves[at]) != chosen + count) continue;
    chosen[count++] = leaves[at];
  }
  for (int i = 0; i < count; ++i) {
    const int block = tree.node(chosen[i]).block;
    const double area = keyArea_[static_cast<std::size_t>(block)];
    pool_.push_back(block);
    poolArea_ += area;
    fill_[sheet] -= area;
  }
  tree.remove(chosen, count);
}

void Search::ruin(int howMany) {
  if (sheets_.empty()) return;
  const std::size_t one = random_.below(sheets_.size());
  if (random_.below(2) == 0) return removeFrom(one, howMany);
  const std::size_t other = random_.below(sheets_.size());
  removeFrom(one, howMany - howMany / 2);
  removeFrom(other, howMany / 2);
}

void Search::recreate() {
  // A few of a large pool are tried; those taken out just now are its last.
  rest_.clear();
  if (pool_.size() > kMostTried) {
    const std::size_t old = pool_.size() - static_cast<std::size_t>(kMostRuined);
    for (std::size_t i = 0; i < kMostTried / 2; ++i)
      std::swap(pool_[i], pool_[i + random_.below(old - i)]);
    for (std::size_t i = kMostTried / 2; i < old; ++i) rest_.push_back(pool_[i]);
    pool_.erase(pool_.begin() + kMostTried / 2, pool_.begin() + static_cast<std::ptrdiff_t>(old));
  }
  // Large blocks first, with some noise; equal keys keep their order.
  const std::vector<double>& keys = random_.below(2) == 0 ? keyArea_ : keySide_;
  const double noise = 0.25 * static_cast<double>(random_.below(4)) / 1024.0;
  order_.clear();
  for (const int block : pool_) {
    const double shake = 1.0 + noise * static_cast<double>(random_.below(1024));
    order_.emplace_back(-keys[static_cast<std::size_t>(block)] * shake, block);
  }
  std::sort(order_.begin(), order_.end());
  const Rule rule = static_cast<Rule>(random_.below(4));
  pool_.clear();
  for (const auto& [key, block] : order_) {
    Found found;
    if (!findSpot(group_, sheets_, block, rule, random_, kBlink, found)) {
      pool_.push_back(block);
      continue;
    }
    save(found.sheet);
    put(group_, sheets_, block, found);
    const double area = keyArea_[static_cast<std::size_t>(block)];
    fill_[found.sheet] += area;
    poolArea_ -= area;
  }
  pool_.insert(pool_.end(), rest_.begin(), rest_.end());
  if (pool_.empty()) poolArea_ = 0;
}

// One ruin and recreate; true when everything is placed.
bool Search::iterate() {
  ++iterations_;
  savedPool_ = pool_;
  savedPoolArea_ = poolArea_;
  savedValue_ = value_;
  savedCount_ = 0;
  ruin(1 + static_cast<int>(random_.below(kMostRuined)));
  recreate();
  double value = value_ + kPoolWeight * (poolArea_ - savedPoolArea_);
  for (std::size_t i = 0; i < savedCount_; ++i) {
    const std::size_t sheet = saved_[i].index;
    worth_[sheet] = worth(sheet);
    value -= worth_[sheet] - saved_[i].worth;
  }
  const bool allowed = mode_ == Mode::Place || pool_.empty();
  if (allowed && (value <= value_ || value < history_[historyAt_]))
    value_ = value;
  else
    restore();
  if (value_ < leastValue_ - 1e-12) {
    leastValue_ = value_;
    sinceGain_ = 0;
  } else {
    ++sinceGain_;
  }
  history_[historyAt_] = value_;
  historyAt_ = (historyAt_ + 1) % history_.size();
  return pool_.empty();
}

void Search::takeBest() {
  best_.sheets.clear();
  for (const SlackTree& sheet : sheets_)
    if (!sheet.empty()) best_.sheets.push_back(sheet);
  best_.pool = pool_;
  best_.poolArea = poolArea_;
  bestCost_ = best_.cost(group_);
}

// The roomiest few targets are tried far more often than the rest.
void Search::nextTarget() {
  ++targets_[target_].tries;
  stepsOnTarget_ = 0;
  std::size_t next = 0;
  for (std::size_t k = 0; k < targets_.size(); ++k)
    if (targets_[k].tries * static_cast<int>(k + 1) <
        targets_[next].tries * static_cast<int>(next + 1))
      next = k;
  if (next == target_) return;
  targets_[target_].sheets = std::move(sheets_);
  targets_[target_].pool = std::move(pool_);
  target_ = next;
  begin(targets_[next]);
}

bool Search::run(std::int64_t steps, const Stop& stop) {
  bool changed = false;
  for (std::int64_t i = 0; i < steps && !settled_; ++i) {
    if (i % kAskEvery == 0 && stop()) break;
    const bool complete = iterate();
    const bool isShort = !best_.pool.empty();
    if (complete || (isShort && poolArea_ < best_.poolArea)) {
      takeBest();
      changed = true;
      if (complete) retarget();
    }
    if (++stepsOnTarget_ >= kStepsPerTry && targets_.size() > 1) nextTarget();
    if (sinceGain_ > kPatience * static_cast<std::int64_t>(historyLength_) && best_.pool.empty())
      startAfresh();
  }
  return changed;
}

void Search::shrink(std::int64_t steps, const Stop& stop, Arrangement& from) {
  mode_ = Mode::Place;
  load(std::move(from.sheets), std::move(from.pool));
  for (std::int64_t i = 0; i < steps; ++i) {
    if (i % kAskEvery == 0 && stop()) break;
    if (iterate() && i > steps / 2) break;
  }
  from.sheets = std::move(sheets_);
  from.pool = std::move(pool_);
}

void Search::fill(const std::vector<double>& prices, double least, std::int64_t steps,
                  const Stop& stop, SlackTree sheet, std::vector<int> pool,
                  const std::function<void(const SlackTree&)>& seen) {
  mode_ = Mode::Place;
  keyArea_ = prices;
  std::vector<SlackTree> sheets;
  sheets.push_back(std::move(sheet));
  load(std::move(sheets), std::move(pool));
  for (std::int64_t i = 0; i < steps; ++i) {
    if (i % kAskEvery == 0 && stop()) break;
    iterate();
    if (fill_.front() > least && savedCount_ > 0) seen(sheets_.front());
  }
}

bool Search::gather(Aim aim, Keepable keep, std::int64_t steps, const Stop& stop,
                    Arrangement& from) {
  if (!from.pool.empty() || from.sheets.empty()) return false;
  if (!settled_) {
    targets_[target_].sheets = std::move(sheets_);
    targets_[target_].pool = std::move(pool_);
  }
  mode_ = aim == Aim::Gather ? Mode::Gather : Mode::Leftover;
  keep_ = keep;
  load(from.sheets, {});
  double bestValue = value_;
  bool found = false;
  for (std::int64_t i = 0; i < steps; ++i) {
    if (i % kAskEvery == 0 && stop()) break;
    iterate();
    if (value_ < bestValue - 1e-9 && pool_.empty()) {
      bestValue = value_;
      from.sheets = sheets_;
      found = true;
    }
  }
  if (!settled_) begin(targets_[target_]);
  return found;
}

}  // namespace pp::nest
