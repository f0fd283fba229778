#include "core/nest/search/regroup.h"

#include <algorithm>

namespace pp::nest {
namespace {

constexpr std::size_t kHand = 24;  // sheets
constexpr int kMostRounds = 60;    // rounds on one dissolved sheet before another is chosen

// The share of a sheet that is taken.
double fillOf(const Group& group, const SlackTree& sheet) {
  return filledArea(group, sheet) / group.stock[sheet.stock()].area;
}

}  // namespace

Regroup::Regroup(const Group& group, Arrangement start, std::uint64_t seed)
    : group_(group), best_(std::move(start)), now_(best_), random_(seed) {}

// Takes the emptiest sheet apart, now and then another of the emptiest, where the rest is large
// enough for everything.
void Regroup::dissolve() {
  now_ = best_;
  rounds_ = 0;
  double room = 0;
  double need = best_.poolArea;
  std::vector<std::pair<double, std::size_t>> order;
  for (std::size_t i = 0; i < now_.sheets.size(); ++i) {
    const double area = group_.stock[now_.sheets[i].stock()].area;
    const double fill = fillOf(group_, now_.sheets[i]);
    room += area;
    need += fill * area;
    if (!group_.stock[now_.sheets[i].stock()].alwaysThere()) order.emplace_back(fill, i);
  }
  std::sort(order.begin(), order.end());
  constexpr std::size_t kEmptiest = 3;
  const std::size_t at =
      order.size() > kEmptiest && random_.below(4) == 0 ? random_.below(kEmptiest) : 0;
  gathering_ = order.empty() ||
               room - group_.stock[now_.sheets[order[at].second].stock()].area < need * (1 + 1e-9);
  if (gathering_) return;
  const std::size_t sheet = order[at].second;
  for (const int leaf : now_.sheets[sheet].leaves()) {
    now_.pool.push_back(now_.sheets[sheet].node(leaf).block);
    now_.poolArea += group_.blocks[static_cast<std::size_t>(now_.pool.back())].area;
  }
  now_.sheets.erase(now_.sheets.begin() + static_cast<std::ptrdiff_t>(sheet));
}

std::size_t Regroup::deal() {
  // A job that is short of stock has a pool of its own to empty first.
  if (best_.pool.empty() && (now_.pool.empty() || ++rounds_ > kMostRounds)) dissolve();
  std::vector<std::size_t> order(now_.sheets.size());
  for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
  for (std::size_t i = order.size(); i > 1; --i) std::swap(order[i - 1], order[random_.below(i)]);
  const std::size_t hands = std::max<std::size_t>(1, order.size() / kHand);
  hands_.assign(hands, {});
  for (std::size_t i = 0; i < order.size(); ++i)
    hands_[i % hands].cards.sheets.push_back(std::move(now_.sheets[order[i]]));
  for (std::size_t i = now_.pool.size(); i > 1; --i)
    std::swap(now_.pool[i - 1], now_.pool[random_.below(i)]);
  for (std::size_t i = 0; i < now_.pool.size(); ++i)
    hands_[i % hands].cards.pool.push_back(now_.pool[i]);
  for (Hand& hand : hands_) hand.seed = random_.next();
  return hands;
}

void Regroup::play(std::size_t index, std::int64_t steps, const Search::Stop& stop) {
  Hand& hand = hands_[index];
  Search search(group_, hand.seed);
  if (gathering_)
    search.gather(Aim::Gather, {}, steps, stop, hand.cards);
  else
    search.shrink(steps, stop, hand.cards);
  hand.iterations = search.iterations();
}

void Regroup::collect() {
  if (hands_.empty()) return;
  now_ = {};
  for (Hand& hand : hands_) {
    for (SlackTree& sheet : hand.cards.sheets) now_.sheets.push_back(std::move(sheet));
    now_.pool.insert(now_.pool.end(), hand.cards.pool.begin(), hand.cards.pool.end());
    iterations_ += hand.iterations;
  }
  hands_.clear();
  for (const int block : now_.pool)
    now_.poolArea += group_.blocks[static_cast<std::size_t>(block)].area;
  if (!now_.pool.empty() && now_.poolArea >= best_.poolArea) return;
  best_ = now_;
  std::erase_if(best_.sheets, [](const SlackTree& sheet) { return sheet.empty(); });
}

}  // namespace pp::nest
