#include "core/nest/nest.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <deque>
#include <map>
#include <mutex>
#include <thread>

#include "core/nest/bounds/bound.h"
#include "core/nest/goals/ease.h"
#include "core/nest/goals/kept.h"
#include "core/nest/regroup.h"
#include "core/nest/to_plan.h"
#include "core/nest/warm.h"

namespace pp::nest {
namespace {

using Clock = std::chrono::steady_clock;

constexpr std::size_t kSearches = 2;     // of each group; with a time limit one a thread
constexpr std::size_t kManySheets = 80;  // from here on a group is searched in hands of a few
constexpr std::int64_t kStepsPerRound = 1'000;
constexpr std::int64_t kStepsPerHand = 3'000;
constexpr int kBoundStepsPerRound = 8;       // with fixed steps; else the bound has its own thread
constexpr double kShareForGathering = 0.15;  // of the time, at the end
constexpr double kShareForGoal = 0.6;        // where the goal is the leftovers or the settings

// Runs every task once, on so many threads.
void runAll(const std::vector<std::function<void()>>& tasks, unsigned threads) {
  std::atomic<std::size_t> next = 0;
  const auto work = [&] {
    for (std::size_t i = next++; i < tasks.size(); i = next++) tasks[i]();
  };
  std::vector<std::jthread> helpers;
  for (unsigned t = 1; t < threads && t < tasks.size(); ++t) helpers.emplace_back(work);
  work();
}

// Puts in what still fits: a part that fits a free piece of stock is never left unplaced.
void fillUp(const Group& group, Arrangement& arrangement) {
  Random random(1);
  std::vector<int> pool;
  std::swap(pool, arrangement.pool);
  arrangement.poolArea = 0;
  std::vector<std::int64_t> used = arrangement.used(group);
  for (std::size_t i = 0; i < used.size(); ++i)
    for (; !pool.empty() && used[i] < group.stock[i].available; ++used[i])
      arrangement.sheets.emplace_back(i, group.stock[i].w, group.stock[i].h, group.leastSide);
  for (const int block : pool) {
    const Block& what = group.blocks[static_cast<std::size_t>(block)];
    Found found;
    if (!findSpot(group, arrangement.sheets, block, Rule::BestShortSide, random, 0, found)) {
      arrangement.pool.push_back(block);
      arrangement.poolArea += what.area;
      continue;
    }
    const Lie& lie = what.lies[static_cast<std::size_t>(found.lie)];
    arrangement.sheets[found.sheet].insert(found.spot, block, found.lie, lie.w, lie.h);
  }
}

// One group under way.
struct Work {
  const Group* group = nullptr;
  Arrangement best;
  Cost bestCost = 0;
  std::unique_ptr<Bounder> bounder;
  GroupBound bound;
  std::vector<Condition> conditions;
  std::vector<std::unique_ptr<Search>> searches;  // or, for a large group:
  std::unique_ptr<Regroup> regroup;

  bool settled() const {
    if (best.pool.empty() && bestCost <= bound.cost) return true;
    return !regroup && !searches.empty() && searches.front()->settled();
  }
  // What could still be saved, in units of cost.
  double gain() const {
    return best.pool.empty() ? static_cast<double>(bestCost - bound.cost)
                             : static_cast<double>(bestCost);
  }
};

class Nester {
 public:
  Nester(const NestRequest& request, const NestOptions& options, std::stop_token stop,
         const NestCallback& progress)
      : request_(request),
        options_(options),
        stop_(std::move(stop)),
        progress_(progress),
        begin_(Clock::now()),
        grouped_(group(request)),
        kept_(request.ease) {}

  Plan run() {
    for (const Group& group : grouped_.groups) {
      Work& work = works_.emplace_back();
      work.bounder = std::make_unique<Bounder>(group);
      work.bound = work.bounder->bound();
      work.group = &group;
      take(work, begin(group));
      chooseLot(work);
    }
    offer();
    startSearches();
    {
      // The bound runs beside the search; what it has found is looked at between rounds.
      std::stop_source boundStop;
      const std::stop_callback relay(stop_, [&boundStop] { boundStop.request_stop(); });
      std::jthread boundThread;
      if (!options_.steps)
        boundThread = std::jthread([this, &boundStop] { boundAll(boundStop.get_token()); });
      improve();
      if (!options_.costOnly) gather();
      boundStop.request_stop();
    }
    followBound();
    settled_ = allSettled();
    if (progress_) report();
    Plan out = *kept_.bestFor(request_.goal);
    out.seconds = options_.steps ? 0.0 : elapsed();
    return out;
  }

 private:
  double elapsed() const { return std::chrono::duration<double>(Clock::now() - begin_).count(); }
  std::size_t searches() const {
    return options_.steps ? kSearches : std::max<std::size_t>(kSearches, options_.threads);
  }
  bool stopped() const { return stop_.stop_requested(); }
  // Takes what shows from one lot where that leaves nothing out: the lot that a short search finds
  // cheapest. The bound stays that of the free choice, which is never above.
  void chooseLot(Work& work) {
    constexpr std::int64_t kSteps = 1'500;
    for (Group& one : oneLotEach(*work.group)) {
      Group& group = lots_.emplace_back(std::move(one));
      std::vector<std::int64_t> available;
      for (const StockKindRow& row : group.stock) available.push_back(row.available);
      Search search(group, available, begin(group), options_.seed);
      search.run(kSteps, [this] { return stopped(); });
      const Arrangement& found = search.best();
      const bool first = work.group == &grouped_.groups[works_.size() - 1];
      if (found.poolArea > work.best.poolArea ||
          (!first && found.poolArea == work.best.poolArea && search.bestCost() >= work.bestCost))
        continue;
      work.group = &group;
      take(work, found);
    }
  }

  // The first arrangement: what the plan to go on from has, or a new one where that is better.
  Arrangement begin(const Group& group) const {
    Arrangement fresh = construct(group);
    if (!options_.start) return fresh;
    Arrangement known = arrangementOf(request_, group, *options_.start);
    complete(group, known);
    const bool better = known.poolArea != fresh.poolArea ? known.poolArea < fresh.poolArea
                                                         : known.cost(group) <= fresh.cost(group);
    return better ? known : fresh;
  }

  bool done() const { return stopped() || allSettled() || isEnough(); }
  bool isEnough() const {
    if (!options_.enough) return false;
    const auto best = kept_.bestFor(Goal::Cost);
    return best->complete() && best->cost <= *options_.enough;
  }

  bool allSettled() const {
    return std::all_of(works_.begin(), works_.end(), [](const Work& w) { return w.settled(); });
  }

  void report() {
    progress_({kept_.bestFor(request_.goal), kept_.plans(), elapsed(), iterations_, settled_});
    reported_ = elapsed();
  }

  void take(Work& work, Arrangement arrangement) const {
    work.best = std::move(arrangement);
    work.bestCost = work.best.cost(*work.group);
  }

  // Makes a plan of what is best in every group, with another arrangement for one of them, and
  // keeps it if no other beats it. With a goal the arrangement becomes the group's own where the
  // plan serves the goal better than all before.
  bool offer(std::size_t changed = 0, const Arrangement* instead = nullptr,
             std::optional<Goal> goal = {}) {
    std::vector<Arrangement> arrangements;
    std::vector<GroupBound> bounds;
    for (std::size_t g = 0; g < works_.size(); ++g) {
      arrangements.push_back(instead && g == changed ? *instead : works_[g].best);
      bounds.push_back(works_[g].bound);
      if (!arrangements.back().pool.empty()) fillUp(*works_[g].group, arrangements.back());
    }
    auto plan = std::make_shared<Plan>(toPlan(request_, grouped_, arrangements, bounds));
    plan->seconds = options_.steps ? 0.0 : elapsed();
    const auto before = goal ? kept_.bestFor(*goal) : nullptr;
    const bool better = goal && betterFor(*goal, *plan, *before);
    if (better && (request_.goal == *goal)) take(works_[changed], *instead);
    const bool kept = kept_.offer(std::move(plan));
    if (kept && progress_) report();
    return goal ? better : kept;
  }

  void startSearches() {
    for (std::size_t g = 0; g < works_.size(); ++g) {
      Work& work = works_[g];
      const std::uint64_t seed = options_.seed * 1'000'003 + g * 101;
      std::vector<std::int64_t> available;
      for (const StockKindRow& row : work.group->stock) available.push_back(row.available);
      work.bounder->begin(work.best);
      if (work.best.sheets.size() > kManySheets) {
        work.regroup = std::make_unique<Regroup>(*work.group, work.best, seed);
        continue;
      }
      for (std::size_t k = 0; k < searches(); ++k)
        work.searches.push_back(
            std::make_unique<Search>(*work.group, available, work.best, seed + k,
                                     k % 2 == 0 ? Search::kShortHistory : Search::kLongHistory));
    }
  }

  // The bound's own thread: all groups in turn until none has anything to gain.
  void boundAll(const std::stop_token& stop) {
    std::vector<char> open(works_.size(), 1);
    while (std::find(open.begin(), open.end(), 1) != open.end())
      for (std::size_t g = 0; g < works_.size(); ++g) {
        if (open[g] == 0) continue;
        if (stop.stop_requested()) return;
        open[g] = works_[g].bounder->step(stop) ? 1 : 0;
        const std::scoped_lock lock(boundMutex_);
        found_[g] = {works_[g].bounder->bound(), works_[g].bounder->conditions()};
        foundNew_ = true;
        if (isSettled_[g]) open[g] = 0;
      }
  }

  // Takes over what the bound has found.
  void followBound() {
    bool changed = false;
    {
      const std::scoped_lock lock(boundMutex_);
      if (!foundNew_) return;
      foundNew_ = false;
      for (auto& [g, found] : found_) {
        Work& work = works_[g];
        if (found.first.cost <= work.bound.cost && found.first.sheets <= work.bound.sheets)
          continue;
        work.bound = found.first;
        work.conditions = found.second;
        changed = true;
      }
    }
    if (!changed) return;
    for (Work& work : works_)
      for (const auto& search : work.searches) search->setBound(work.bound.cost, work.conditions);
    std::vector<GroupBound> bounds;
    for (const Work& work : works_) bounds.push_back(work.bound);
    kept_.setBound(boundOf(bounds));
    if (progress_) report();
  }

  // One round: every search of every unsettled group runs for a while, then the better of each
  // group is taken over by the others. The outcome of a round by steps does not depend on the
  // threads.
  void round(std::int64_t steps, double untilSeconds) {
    double gains = 0;
    std::size_t open = 0;
    for (const Work& work : works_) {
      if (work.settled()) continue;
      gains += work.gain();
      ++open;
    }
    // Slices grow with the time that has passed, so that the first gains show at once; a group that
    // has more to gain gets more of it.
    const double slice = std::clamp(elapsed() * 0.2, 0.005, 0.1);
    const double left = untilSeconds - elapsed();
    std::vector<std::function<void()>> tasks;
    for (Work& work : works_) {
      if (work.settled()) continue;
      const double share = gains > 0 ? static_cast<double>(open) * work.gain() / gains : 1.0;
      const double most = std::min(slice * std::clamp(share, 0.2, 3.0), left);
      if (work.regroup) {
        const std::size_t hands = work.regroup->deal();
        for (std::size_t h = 0; h < hands; ++h)
          tasks.push_back([this, &work, h, untilSeconds] {
            work.regroup->play(h, options_.steps ? kStepsPerRound : kStepsPerHand,
                               [this, untilSeconds] {
                                 return stopped() || (!options_.steps && elapsed() >= untilSeconds);
                               });
          });
        continue;
      }
      for (const auto& search : work.searches)
        tasks.push_back([this, &search, steps, most] {
          const auto from = Clock::now();
          search->run(steps, [this, from, most] {
            return stopped() ||
                   (!options_.steps &&
                    std::chrono::duration<double>(Clock::now() - from).count() >= most);
          });
        });
    }
    if (options_.steps) addBoundTasks(tasks);
    runAll(tasks, std::max(1U, options_.threads));
    merge();
    followBound();
    if (progress_ && elapsed() - reported_ > 0.1) report();
  }

  void addBoundTasks(std::vector<std::function<void()>>& tasks) {
    for (std::size_t g = 0; g < works_.size(); ++g) {
      if (works_[g].settled()) continue;
      tasks.push_back([this, g] {
        for (int i = 0; i < kBoundStepsPerRound && works_[g].bounder->step(stop_); ++i) {
        }
        const std::scoped_lock lock(boundMutex_);
        found_[g] = {works_[g].bounder->bound(), works_[g].bounder->conditions()};
        foundNew_ = true;
      });
    }
  }

  void merge() {
    bool changed = false;
    iterations_ = 0;
    for (Work& work : works_) {
      if (work.regroup) {
        work.regroup->collect();
        iterations_ += work.regroup->iterations();
      }
      for (std::size_t k = 1; k < work.searches.size(); ++k) {
        work.searches[0]->adopt(work.searches[k]->best());
        work.searches[k]->adopt(work.searches[0]->best());
      }
      for (const auto& search : work.searches) iterations_ += search->iterations();
      if (!work.regroup && work.searches.empty()) continue;
      const Arrangement& best = work.regroup ? work.regroup->best() : work.searches[0]->best();
      if (best.poolArea < work.best.poolArea ||
          (best.poolArea == work.best.poolArea && best.cost(*work.group) < work.bestCost)) {
        take(work, best);
        changed = true;
      }
    }
    {
      const std::scoped_lock lock(boundMutex_);
      for (std::size_t g = 0; g < works_.size(); ++g) isSettled_[g] = works_[g].settled();
    }
    if (changed) offer();
  }

  void improve() {
    if (options_.steps) {
      std::int64_t left = *options_.steps;
      do {
        round(std::min(left, kStepsPerRound), 0);
        left -= kStepsPerRound;
      } while (left > 0 && !done());
      return;
    }
    const double until = options_.seconds * (1 - shareForGathering());
    while (elapsed() < until && !done()) round(1'000'000'000, until);
  }

  // What of the time is kept for the leftovers and the settings, at the least cost found.
  double shareForGathering() const {
    return request_.goal == Goal::Cost ? kShareForGathering : kShareForGoal;
  }

  // At the least cost found, plans whose waste is gathered or that need fewer settings.
  void gather() {
    const double from = elapsed();
    const double half = from + (options_.seconds - from) / 2;
    const bool both = request_.goal == Goal::Cost;
    if (request_.goal != Goal::Setups) gatherWaste(both ? half : options_.seconds);
    if (request_.goal != Goal::Offcuts) saveSettings(options_.seconds);
  }

  bool timeIsUp(double until) const { return stopped() || (!options_.steps && elapsed() >= until); }

  // Rounds without a gain before gathering is given up; a search for its own goal has more
  // patience.
  int patience(Goal goal) const { return request_.goal == goal ? 40 : 3; }

  void gatherWaste(double until) {
    constexpr std::int64_t kSteps = 12'000;
    const auto stop = [this, until] { return timeIsUp(until); };
    const Keepable keep{(request_.keepLong + request_.kerf).inNm(),
                        (request_.keepShort + request_.kerf).inNm()};
    int idle = 0;
    for (std::int64_t left = options_.steps.value_or(0), round = 0;
         idle < patience(Goal::Offcuts) && !stop() && (!options_.steps || left >= 0);
         left -= kSteps, ++round) {
      std::vector<Arrangement> found(works_.size() * searches());
      std::vector<char> is(found.size());
      std::vector<std::function<void()>> tasks;
      for (std::size_t t = 0; t < found.size(); ++t) {
        const Work& work = works_[t / searches()];
        if (!work.best.pool.empty() || work.best.sheets.empty()) continue;
        tasks.push_back([this, t, keep, round, &work, &found, &is, &stop] {
          found[t] = work.best;
          Search search(*work.group,
                        options_.seed * 7919 + static_cast<std::uint64_t>(round) * 31 + t);
          is[t] = search.gather(Aim::Leftover, keep, kSteps, stop, found[t]) ? 1 : 0;
        });
      }
      runAll(tasks, std::max(1U, options_.threads));
      bool gained = false;
      for (std::size_t t = 0; t < found.size(); ++t)
        if (is[t] != 0) gained = offer(t / searches(), &found[t], Goal::Offcuts) || gained;
      idle = gained ? 0 : idle + 1;
    }
  }

  void saveSettings(double until) {
    const auto stop = [this, until] { return timeIsUp(until); };
    std::vector<std::vector<std::vector<saw::Cut>>> cuts;
    for (const Work& work : works_) cuts.push_back(Ease::cutsOf(request_, *work.group, work.best));
    for (std::size_t g = 0; g < works_.size(); ++g) {
      if (!works_[g].best.pool.empty() || works_[g].best.sheets.empty() || stop()) continue;
      std::vector<const std::vector<saw::Cut>*> others;
      for (std::size_t o = 0; o < cuts.size(); ++o)
        if (o != g)
          for (const auto& sheet : cuts[o]) others.push_back(&sheet);
      // Every group gets its share of what time is left, and half of that goes to one sheet more
      // where ease is worth its price.
      const double end = elapsed() + (until - elapsed()) / static_cast<double>(works_.size() - g);
      const Arrangement more = withOneMore(works_[g]);
      const double firstEnd = more.sheets.empty() ? end : (elapsed() + end) / 2;
      cuts[g] = saveSettings(g, works_[g].best, others, firstEnd);
      if (!more.sheets.empty()) saveSettings(g, more, others, end);
    }
  }

  // The best arrangement with an empty sheet more, of the cheapest row that ease pays for; without
  // sheets where there is none.
  Arrangement withOneMore(const Work& work) const {
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
    const StockKindRow& row = work.group->stock[*cheapest];
    out = work.best;
    out.sheets.emplace_back(*cheapest, row.w, row.h, work.group->leastSide);
    return out;
  }

  // Two searches for fewer settings in one group; the cuts of the better.
  std::vector<std::vector<saw::Cut>> saveSettings(
      std::size_t g, const Arrangement& start,
      const std::vector<const std::vector<saw::Cut>*>& others, double until) {
    constexpr std::int64_t kSteps = 300;
    constexpr int kRoundsApart = 15;  // before the worse goes on from the better
    const Group& group = *works_[g].group;
    const auto stop = [this, until] { return timeIsUp(until); };
    std::vector<std::unique_ptr<Ease>> all;
    for (std::size_t k = 0; k < searches(); ++k)
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
        if (fewer[k] != 0) gained = offer(g, &all[k]->best(), Goal::Setups) || gained;
      idle = gained ? 0 : idle + 1;
      if (++rounds % kRoundsApart == 0) {
        const auto best = fewest();
        for (const auto& one : all) one->adopt(*best);
      }
    }
    return Ease::cutsOf(request_, group, fewest()->best());
  }

  const NestRequest& request_;
  const NestOptions& options_;
  std::stop_token stop_;
  const NestCallback& progress_;
  Clock::time_point begin_;
  Grouped grouped_;
  std::deque<Group> lots_;  // groups whose blocks that show are held to one lot
  std::vector<Work> works_;
  Kept kept_;
  std::int64_t iterations_ = 0;
  double reported_ = 0;
  bool settled_ = false;

  std::mutex boundMutex_;  // of what follows: the bound's thread writes, the search's reads
  std::map<std::size_t, std::pair<GroupBound, std::vector<Condition>>> found_;
  std::map<std::size_t, bool> isSettled_;
  bool foundNew_ = false;
};

}  // namespace

Plan nest(const NestRequest& request, const NestOptions& options, std::stop_token stop,
          const NestCallback& progress) {
  return Nester(request, options, std::move(stop), progress).run();
}

}  // namespace pp::nest
