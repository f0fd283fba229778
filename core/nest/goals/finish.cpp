#include "core/nest/goals/finish.h"

#include <algorithm>

#include "core/nest/work/workers.h"

namespace pp::nest {

// Rounds without a gain before gathering is given up; a search for its own goal has more
// patience.
int Finish::patience(Goal goal) const {
  return request_.goal == goal ? 40 : 3;
}

void Finish::gatherWaste(double until) {
  constexpr std::int64_t kSteps = 12'000;
  const auto stop = [this, until] { return hooks_.timeIsUp(until); };
  // All sheets of a group are of one material.
  const auto keepOn = [this](const Work& work) {
    const std::size_t row = work.group->stock.front().stock;
    const Keep keep = keepOf(request_, request_.stock[row]);
    return Keepable{(keep.along + request_.kerf).inNm(), (keep.across + request_.kerf).inNm()};
  };
  int idle = 0;
  for (std::int64_t left = options_.steps.value_or(0), round = 0;
       idle < patience(Goal::Offcuts) && !stop() && (!options_.steps || left >= 0);
       left -= kSteps, ++round) {
    std::vector<Arrangement> found(works_.size() * searches_);
    std::vector<char> is(found.size());
    std::vector<std::function<void()>> tasks;
    for (std::size_t t = 0; t < found.size(); ++t) {
      const Work& work = works_[t / searches_];
      if (!work.best.pool.empty() || work.best.sheets.empty()) continue;
      tasks.push_back([this, t, keep = keepOn(work), round, &work, &found, &is, &stop] {
        found[t] = work.best;
        Search search(*work.group,
                      options_.seed * 7919 + static_cast<std::uint64_t>(round) * 31 + t);
        is[t] = search.gather(Aim::Leftover, keep, kSteps, stop, found[t]) ? 1 : 0;
      });
    }
    runAll(tasks, std::max(1U, options_.threads));
    bool gained = false;
    for (std::size_t t = 0; t < found.size(); ++t)
      if (is[t] != 0) gained = hooks_.offer(t / searches_, found[t], Goal::Offcuts) || gained;
    idle = gained ? 0 : idle + 1;
  }
}

void Finish::saveSettings(double until) {
  const auto stop = [this, until] { return hooks_.timeIsUp(until); };
  std::vector<std::vector<std::vector<saw::Cut>>> cuts;
  for (const Work& work : works_) {
    if (stop()) return;
    cuts.push_back(Ease::cutsOf(request_, *work.group, work.best));
  }
  for (std::size_t g = 0; g < works_.size(); ++g) {
    if (!works_[g].best.pool.empty() || works_[g].best.sheets.empty() || stop()) continue;
    std::vector<const std::vector<saw::Cut>*> others;
    for (std::size_t o = 0; o < cuts.size(); ++o)
      if (o != g)
        for (const auto& sheet : cuts[o]) others.push_back(&sheet);
    // Every group gets its share of what time is left, and half of that goes to one sheet more
    // where ease is worth its price.
    const double end =
        hooks_.elapsed() + (until - hooks_.elapsed()) / static_cast<double>(works_.size() - g);
    const Arrangement more = withOneMore(works_[g]);
    const double firstEnd = more.sheets.empty() ? end : (hooks_.elapsed() + end) / 2;
    cuts[g] = saveSettings(g, works_[g].best, others, firstEnd);
    if (!more.sheets.empty()) saveSettings(g, more, others, end);
  }
}

// The best arrangement with an empty sheet more, of the cheapest row that ease pays for; without
// sheets where there is none.
Arrangement Finish::withOneMore(const Work& work) const {
  Arrangement out;
  if (request_.goal != Goal::Setups || request_.ease <= Money{}) return out;
  const std::vector<std::int64_t> used = work.best.used(*work.group);
  std::optional<std::size_t> cheapest;
  for (std::size_t k = 0; k < used.size(); ++k) {
    const StockKindRow& row = work.group->stock[k];
    if (row.alwaysThere() || used[k] >= row.available || priceOf(row.cost) > request_.ease)
      continue;
    if (!cheapest || row.cost < work.group->stock[*cheapest].cost) cheapest = k;
  }
  if (!cheapest) return out;
  out = work.best;
  out.sheets.push_back(emptySheet(*work.group, *cheapest));
  return out;
}

// Two searches for fewer settings in one group; the cuts of the better.
Finish::Cuts Finish::saveSettings(std::size_t g, const Arrangement& start,
                                  const std::vector<const std::vector<saw::Cut>*>& others,
                                  double until) {
  constexpr std::int64_t kSteps = 300;
  constexpr int kRoundsApart = 15;  // before the worse goes on from the better
  const Group& group = *works_[g].group;
  const auto stop = [this, until] { return hooks_.timeIsUp(until); };
  std::vector<std::unique_ptr<Ease>> all;
  for (std::size_t k = 0; k < searches_; ++k)
    all.push_back(std::make_unique<Ease>(request_, group, others, start,
                                         options_.seed * 104'729 + g * 17 + k));
  const auto fewest = [&all] {
    return std::min_element(
               all.begin(), all.end(),
               [](const auto& a, const auto& b) { return a->settings() < b->settings(); })
        ->get();
  };
  int idle = 0;
  int rounds = 0;
  for (std::int64_t left = options_.steps.value_or(0);
       idle < 4 * patience(Goal::Setups) && !stop() && (!options_.steps || left >= 0);
       left -= kSteps * 5) {
    std::vector<std::function<void()>> tasks;
    std::vector<char> fewer(all.size());
    for (std::size_t k = 0; k < all.size(); ++k)
      tasks.push_back([&all, &fewer, &stop, k] { fewer[k] = all[k]->run(kSteps, stop) ? 1 : 0; });
    runAll(tasks, std::max(1U, options_.threads));
    bool gained = false;
    for (std::size_t k = 0; k < all.size(); ++k)
      if (fewer[k] != 0) gained = hooks_.offer(g, all[k]->best(), Goal::Setups) || gained;
    idle = gained ? 0 : idle + 1;
    if (++rounds % kRoundsApart == 0) {
      const auto best = fewest();
      for (const auto& one : all) one->adopt(*best);
    }
  }
  return Ease::cutsOf(request_, group, fewest()->best());
}

}  // namespace pp::nest
