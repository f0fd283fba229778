#include "core/nest/search.h"

#include <algorithm>

namespace pp::nest {
namespace {

constexpr std::size_t kHistory = 200;  // length of the late-acceptance memory (Burke & Bykov 2017)
constexpr std::size_t kMostTargets = 400;  // choices of sheets kept in mind at once
constexpr std::int64_t kStepsPerTry = 4'000;
constexpr double kPoolWeight = 16;  // a block in the pool against waste that is not gathered

double filled(const Group& group, const SlackTree& sheet) {
  double out = 0;
  for (const int leaf : sheet.leaves())
    out += group.blocks[static_cast<std::size_t>(sheet.node(leaf).block)].area;
  return out;
}

}  // namespace

Search::Search(const Group& group, Cost bound, Arrangement start, std::uint64_t seed)
    : group_(group), bound_(bound), random_(seed), best_(std::move(start)) {
  bestCost_ = best_.cost(group_);
  retarget();
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

// Lists the choices of sheets that would be cheaper than the best plan and large enough by area:
// those of a lower price before those of less stock at the same price, roomiest first. Found by
// depth-first search over the counts of every stock row.
void Search::retarget() {
  targets_.clear();
  target_ = 0;
  if (!best_.pool.empty()) {
    // Short of stock: everything there is lies open and the pool is to shrink.
    Target all;
    for (const StockKindRow& row : group_.stock) all.counts.push_back(row.available);
    targets_.push_back(all);
    begin(targets_.front());
    return;
  }
  double need = 0;
  std::int64_t copies = 0;
  for (const Block& block : group_.blocks) {
    need += static_cast<double>(block.copies) * block.area;
    copies += block.copies;
  }
  std::vector<std::int64_t> counts(group_.stock.size());
  int visits = 0;
  const std::function<void(std::size_t, Cost, double)> visit = [&](std::size_t i, Cost cost,
                                                                   double area) {
    constexpr int kMostVisits = 100'000;
    if (cost >= bestCost_ || ++visits > kMostVisits) return;
    if (i == group_.stock.size()) {
      if (area >= need * (1 - 1e-9) && cost >= bound_)
        targets_.push_back({counts, cost, area - need, 0});
      return;
    }
    const StockKindRow& row = group_.stock[i];
    for (std::int64_t n = std::min(row.available, copies); n >= 0; --n) {
      counts[i] = n;
      visit(i + 1, cost + n * row.cost, area + static_cast<double>(n) * row.area);
    }
    counts[i] = 0;
  };
  if (bestCost_ > bound_) visit(0, 0, 0);
  std::stable_sort(targets_.begin(), targets_.end(), [this](const Target& a, const Target& b) {
    const bool cheaperA = priceOf(a.cost) < priceOf(bestCost_);
    const bool cheaperB = priceOf(b.cost) < priceOf(bestCost_);
    return cheaperA != cheaperB ? cheaperA : a.slack > b.slack;
  });
  if (targets_.size() > kMostTargets) targets_.resize(kMostTargets);
  settled_ = targets_.empty();
  if (!settled_) begin(targets_.front());
}

// Sets up the sheets of a target: those of the best plan that it still has, fullest first, and
// empty ones for the rest. What lay on the others goes to the pool.
void Search::begin(const Target& target) {
  now_.sheets.clear();
  now_.pool = best_.pool;
  std::vector<std::size_t> order(best_.sheets.size());
  for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
  std::stable_sort(order.begin(), order.end(), [this](std::size_t a, std::size_t b) {
    return filled(group_, best_.sheets[a]) > filled(group_, best_.sheets[b]);
  });
  std::vector<std::int64_t> left = target.counts;
  for (const std::size_t i : order) {
    const SlackTree& sheet = best_.sheets[i];
    if (left[sheet.stock()] > 0) {
      --left[sheet.stock()];
      now_.sheets.push_back(sheet);
    } else {
      for (const int leaf : sheet.leaves()) now_.pool.push_back(sheet.node(leaf).block);
    }
  }
  for (std::size_t i = 0; i < left.size(); ++i)
    for (; left[i] > 0; --left[i])
      now_.sheets.emplace_back(i, group_.stock[i].w, group_.stock[i].h);
  now_.poolArea = 0;
  for (const int block : now_.pool)
    now_.poolArea += group_.blocks[static_cast<std::size_t>(block)].area;
  fill_.clear();
  for (const SlackTree& sheet : now_.sheets) fill_.push_back(filled(group_, sheet));
  isSaved_.assign(now_.sheets.size(), 0);
  savedCount_ = 0;
  nowValue_ = objective();
  history_.assign(kHistory, nowValue_);
  historyAt_ = 0;
  stepsOnTarget_ = 0;
}

// Small is good: what is in the pool, less a reward for full sheets beside empty ones.
double Search::objective() const {
  double out = kPoolWeight * now_.poolArea;
  for (std::size_t i = 0; i < now_.sheets.size(); ++i)
    out -= fill_[i] * fill_[i] / group_.stock[now_.sheets[i].stock()].area;
  return out;
}

void Search::save(std::size_t sheet) {
  if (isSaved_[sheet] != 0) return;
  isSaved_[sheet] = 1;
  if (savedCount_ == saved_.size())
    saved_.emplace_back(sheet, now_.sheets[sheet]);
  else {
    saved_[savedCount_].first = sheet;
    saved_[savedCount_].second = now_.sheets[sheet];  // keeps its capacity: no allocation
  }
  ++savedCount_;
}

void Search::restore() {
  for (std::size_t i = 0; i < savedCount_; ++i)
    std::swap(now_.sheets[saved_[i].first], saved_[i].second);
  now_.pool = savedPool_;
  now_.poolArea = savedPoolArea_;
  fill_ = savedFill_;
}

void Search::removeFrom(std::size_t sheet, std::size_t howMany) {
  for (; howMany > 0 && !now_.sheets[sheet].empty(); --howMany) {
    save(sheet);
    SlackTree& tree = now_.sheets[sheet];
    const int leaf = tree.leaves()[random_.below(tree.leaves().size())];
    const int block = tree.node(leaf).block;
    const double area = group_.blocks[static_cast<std::size_t>(block)].area;
    tree.remove(leaf);
    now_.pool.push_back(block);
    now_.poolArea += area;
    fill_[sheet] -= area;
  }
}

void Search::ruin(std::size_t howMany) {
  if (now_.sheets.empty()) return;
  const std::size_t one = random_.below(now_.sheets.size());
  if (random_.below(2) == 0) {
    removeFrom(one, howMany);
  } else {
    const std::size_t other = random_.below(now_.sheets.size());
    removeFrom(one, howMany - howMany / 2);
    removeFrom(other, howMany / 2);
  }
}

void Search::recreate() {
  // Large blocks first, with some noise; equal keys keep their order.
  const bool byArea = random_.below(2) == 0;
  const unsigned noise = static_cast<unsigned>(random_.below(4));
  std::vector<std::pair<double, int>> order;
  for (const int block : now_.pool) {
    const Block& what = group_.blocks[static_cast<std::size_t>(block)];
    const double size =
        byArea ? what.area
               : static_cast<double>(std::max(what.lies.front().w, what.lies.front().h));
    const double shake = 1.0 + 0.25 * noise * static_cast<double>(random_.below(1024)) / 1024.0;
    order.emplace_back(-size * shake, block);
  }
  std::stable_sort(order.begin(), order.end(),
                   [](const auto& a, const auto& b) { return a.first < b.first; });
  const Rule rule = static_cast<Rule>(random_.below(4));
  now_.pool.clear();
  now_.poolArea = 0;
  for (const auto& [key, block] : order) {
    Found found;
    const Block& what = group_.blocks[static_cast<std::size_t>(block)];
    if (!findSpot(group_, now_.sheets, block, rule, random_, 2, found)) {
      now_.pool.push_back(block);
      now_.poolArea += what.area;
      continue;
    }
    save(found.sheet);
    const Lie& lie = what.lies[static_cast<std::size_t>(found.lie)];
    now_.sheets[found.sheet].insert(found.spot, block, found.lie, lie.w, lie.h);
    fill_[found.sheet] += what.area;
  }
}

// One ruin and recreate; true when everything is placed.
bool Search::iterate(bool gathering) {
  savedPool_ = now_.pool;
  savedPoolArea_ = now_.poolArea;
  savedFill_ = fill_;
  savedCount_ = 0;
  std::fill(isSaved_.begin(), isSaved_.end(), 0);
  ruin(1 + random_.below(7));
  recreate();
  const double value = objective();
  const bool allowed = !gathering || now_.pool.empty();
  if (allowed && (value <= nowValue_ || value < history_[historyAt_]))
    nowValue_ = value;
  else
    restore();
  history_[historyAt_] = nowValue_;
  historyAt_ = (historyAt_ + 1) % kHistory;
  return now_.pool.empty();
}

void Search::takeBest() {
  best_ = now_;
  auto& sheets = best_.sheets;
  sheets.erase(
      std::remove_if(sheets.begin(), sheets.end(), [](const SlackTree& s) { return s.empty(); }),
      sheets.end());
  bestCost_ = best_.cost(group_);
}

bool Search::run(std::int64_t steps, const std::function<bool()>& stop) {
  bool changed = false;
  for (std::int64_t i = 0; i < steps && !settled_; ++i) {
    constexpr std::int64_t kAskEvery = 16;
    if (i % kAskEvery == 0 && stop()) break;
    const bool complete = iterate(false);
    const bool short_ = !best_.pool.empty();
    if (complete || (short_ && now_.poolArea < best_.poolArea)) {
      takeBest();
      changed = true;
      if (complete) retarget();
    }
    if (++stepsOnTarget_ >= kStepsPerTry && targets_.size() > 1) {
      // The roomiest few targets are tried far more often than the rest.
      ++targets_[target_].tries;
      std::size_t next = 0;
      for (std::size_t k = 0; k < targets_.size(); ++k)
        if (targets_[k].tries * static_cast<int>(k + 1) <
            targets_[next].tries * static_cast<int>(next + 1))
          next = k;
      target_ = next;
      begin(targets_[next]);
    }
  }
  return changed;
}

bool Search::gather(std::int64_t steps, const std::function<bool()>& stop, Arrangement& out) {
  if (!best_.pool.empty() || best_.sheets.empty()) return false;
  Target same;
  same.counts = best_.used(group_);
  begin(same);
  double bestValue = nowValue_;
  bool found = false;
  for (std::int64_t i = 0; i < steps; ++i) {
    constexpr std::int64_t kAskEvery = 16;
    if (i % kAskEvery == 0 && stop()) break;
    iterate(true);
    if (nowValue_ < bestValue - 1e-9) {
      bestValue = nowValue_;
      out = now_;
      found = true;
    }
  }
  if (!settled_) begin(targets_[target_]);
  return found;
}

}  // namespace pp::nest
