#include "core/assembly/takeapart.h"

#include <algorithm>
#include <numeric>

namespace pp::bench {
namespace {

using Things = std::vector<std::size_t>;

// What is still asked of what goes next: each is given up only where nothing goes otherwise.
struct Demands {
  bool practice = true, reach = true, order = true;
};

class TakingApart {
 public:
  TakingApart(const Puzzle& puzzle, const Things& of)
      : puzzle_(puzzle), there_(puzzle.count, false), left_(of) {
    std::sort(left_.begin(), left_.end());
    for (const std::size_t one : left_) there_[one] = true;
  }

  std::vector<TakenOut> run() {
    static constexpr Demands kDemands[] = {
        {}, {false, true, true}, {true, false, true}, {false, false, true}, {false, false, false}};
    std::vector<TakenOut> out;
    while (left_.size() > 1) {
      std::optional<TakenOut> next;
      for (const Demands& demands : kDemands) {
        next = single(demands);
        if (!next) next = several(demands);
        if (next) break;
      }
      if (!next) next = byForce();
      for (const std::size_t one : next->things) there_[one] = false;
      std::erase_if(left_, [&](std::size_t one) { return !there_[one]; });
      out.push_back(std::move(*next));
    }
    if (!left_.empty()) out.push_back({left_, -1, {}, false, {}, {}});
    return out;
  }

  // Those and no others, whatever is wrong with it.
  TakenOut next(const Things& things) {
    std::vector<bool> set(puzzle_.count, false);
    for (const std::size_t one : things) set[one] = true;
    TakenOut out;
    out.things = things;
    out.unreached = unreached(set);
    if (left_.size() > things.size()) {
      for (const std::size_t other : left_)
        if (!set[other] && !out.tooLate && goesAfter(other, things)) out.tooLate = other;
      const auto way = wayOut(set, things, {true, true, true});
      const auto anyWay = way ? way : wayOut(set, things, {false, true, true});
      out.forced = !anyWay;
      if (anyWay)
        out.way = *anyWay;
      else
        force(out, set);
    }
    for (const std::size_t one : things) there_[one] = false;
    std::erase_if(left_, [&](std::size_t one) { return !there_[one]; });
    return out;
  }

 private:
  Puzzle::Ways inTheWay(std::size_t moving, std::size_t still, const Demands& demands) const {
    const std::size_t at = moving * puzzle_.count + still;
    return puzzle_.blocked[at] | (demands.practice ? puzzle_.awkward[at] : 0);
  }

  // Those of the set that the order wants later are none of those that stay.
  bool isTheirTurn(const std::vector<bool>& set) const {
    std::uint64_t stay = 0, before = 0;
    for (const std::size_t one : left_) {
      const int sort = puzzle_.sort[one];
      if (set[one])
        before |= puzzle_.before[static_cast<std::size_t>(sort)];
      else
        stay |= std::uint64_t{1} << sort;
    }
    return (stay & before) == 0;
  }

  std::optional<std::size_t> unreached(const std::vector<bool>& set) const {
    for (std::size_t i = 0; i < puzzle_.driven.size(); ++i) {
      const Puzzle::Driven& one = puzzle_.driven[i];
      if (!there_[one.a] || !there_[one.b] || set[one.a] == set[one.b]) continue;
      if (std::any_of(one.inTheWay.begin(), one.inTheWay.end(),
                      [&](std::size_t other) { return there_[other]; }))
        return i;
    }
    return std::nullopt;
  }

  std::optional<TakenOut> allowed(Things things, int way, const Demands& demands) const {
    std::vector<bool> set(puzzle_.count, false);
    for (const std::size_t one : things) set[one] = true;
    if (demands.order && !isTheirTurn(set)) return std::nullopt;
    const auto hidden = unreached(set);
    if (demands.reach && hidden) return std::nullopt;
    return TakenOut{std::move(things), way, hidden, false, {}, {}};
  }

  // The latest that goes by itself.
  std::optional<TakenOut> single(const Demands& demands) const {
    Things order = left_;
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
      return puzzle_.late[a] > puzzle_.late[b];
    });
    for (const std::size_t one : order) {
      Puzzle::Ways blocked = 0;
      for (const std::size_t other : left_)
        if (other != one) blocked |= inTheWay(one, other, demands);
      for (const int way : puzzle_.preferred[one]) {
        if ((blocked >> way & 1) != 0) continue;
        if (auto out = allowed({one}, way, demands)) return out;
        break;  // what is in the way of a driver or out of turn is so whichever way it goes
      }
    }
    return std::nullopt;
  }

  // The fewest that go as one; of as many the latest.
  std::optional<TakenOut> several(const Demands& demands) const {
    std::optional<TakenOut> best;
    double bestLate = 0;
    for (const std::size_t one : left_)
      for (const int way : puzzle_.preferred[one]) {
        Things set = closure(one, way, demands);
        if (set.size() >= left_.size() || (best && set.size() > best->things.size())) continue;
        double late = 0;
        for (const std::size_t each : set) late += puzzle_.late[each];
        if (best && set.size() == best->things.size() && late <= bestLate) continue;
        if (auto out = allowed(std::move(set), way, demands)) {
          best = std::move(out);
          bestLate = late;
        }
      }
    return best;
  }

  // With all that is in its way, and in the way of that.
  Things closure(std::size_t from, int way, const Demands& demands) const {
    std::vector<bool> in(puzzle_.count, false);
    Things out = {from};
    in[from] = true;
    for (std::size_t i = 0; i < out.size(); ++i)
      for (const std::size_t other : left_)
        if (!in[other] && (inTheWay(out[i], other, demands) >> way & 1) != 0) {
          in[other] = true;
          out.push_back(other);
        }
    std::sort(out.begin(), out.end());
    return out;
  }

  TakenOut byForce() const {
    const std::size_t latest = *std::max_element(
        left_.begin(), left_.end(),
        [&](std::size_t a, std::size_t b) { return puzzle_.late[a] < puzzle_.late[b]; });
    return TakingApart(*this).next({latest});
  }

  bool goesAfter(std::size_t other, const Things& things) const {
    return std::any_of(things.begin(), things.end(), [&](std::size_t one) {
      const auto sort = static_cast<std::size_t>(puzzle_.sort[one]);
      return (puzzle_.before[sort] >> puzzle_.sort[other] & 1) != 0;
    });
  }
  std::optional<int> wayOut(const std::vector<bool>& set, const Things& things,
                            const Demands& demands) const {
    Puzzle::Ways blocked = 0;
    for (const std::size_t one : things)
      for (const std::size_t other : left_)
        if (!set[other]) blocked |= inTheWay(one, other, demands);
    for (const int way : puzzle_.preferred[things.front()])
      if ((blocked >> way & 1) == 0) return way;
    return std::nullopt;
  }
  // The way that the fewest are in.
  void force(TakenOut& out, const std::vector<bool>& set) const {
    std::optional<std::size_t> fewest;
    for (const int way : puzzle_.preferred[out.things.front()]) {
      Things met;
      for (const std::size_t other : left_)
        if (!set[other] && std::any_of(out.things.begin(), out.things.end(), [&](std::size_t one) {
              return (puzzle_.blocked[one * puzzle_.count + other] >> way & 1) != 0;
            }))
          met.push_back(other);
      if (met.empty() || (fewest && met.size() >= *fewest)) continue;
      fewest = met.size();
      out.way = way;
      out.past = met.front();
    }
  }

  const Puzzle& puzzle_;
  std::vector<bool> there_;
  Things left_;
};

}  // namespace

std::vector<TakenOut> takenApart(const Puzzle& puzzle) {
  Things all(puzzle.count);
  std::iota(all.begin(), all.end(), std::size_t{0});
  return takenApart(puzzle, all);
}

std::vector<TakenOut> takenApart(const Puzzle& puzzle, const std::vector<std::size_t>& of) {
  return TakingApart(puzzle, of).run();
}

std::vector<TakenOut> takenInOrder(const Puzzle& puzzle,
                                   const std::vector<std::vector<std::size_t>>& order) {
  Things all;
  for (const Things& things : order) all.insert(all.end(), things.begin(), things.end());
  TakingApart apart(puzzle, all);
  std::vector<TakenOut> out;
  for (const Things& things : order) out.push_back(apart.next(things));
  return out;
}

}  // namespace pp::bench
