#include "core/nest/nest.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <deque>
#include <thread>

#include "core/nest/bars.h"
#include "core/nest/bounds/bound.h"
#include "core/nest/goals/finish.h"
#include "core/nest/goals/kept.h"
#include "core/nest/search/to_plan.h"
#include "core/nest/search/warm.h"
#include "core/nest/work/beside.h"
#include "core/nest/work/workers.h"

namespace pp::nest {
namespace {

using Clock = std::chrono::steady_clock;

constexpr std::size_t kSearches = 2;     // of each group; with a time limit one a thread
constexpr std::size_t kManySheets = 80;  // from here on a group is searched in hands of a few
constexpr std::int64_t kStepsPerRound = 1'000;
constexpr std::int64_t kMany = 1'000'000'000;
constexpr std::int64_t kGlueTries = 20;  // a round, with fixed steps
constexpr std::int64_t kStepsPerHand = 3'000;
constexpr int kBoundStepsPerRound = 8;       // with fixed steps; else the bound has its own thread
constexpr double kShareForGathering = 0.15;  // of the time, at the end
constexpr double kShareForGoal = 0.6;        // where the goal is the leftovers or the settings

// Puts in what still fits: a part that fits a free piece of stock is never left unplaced.
void fillUp(const Group& group, Arrangement& arrangement) {
  Random random(1);
  std::vector<int> pool;
  std::swap(pool, arrangement.pool);
  arrangement.poolArea = 0;
  std::vector<std::int64_t> used = arrangement.used(group);
  for (std::size_t i = 0; i < used.size(); ++i)
    for (; !pool.empty() && used[i] < group.stock[i].available; ++used[i])
      arrangement.sheets.push_back(emptySheet(group, i));
  int refused = -1;  // where one copy found no room, the next has none either
  for (const int block : pool) {
    const Block& what = group.blocks[static_cast<std::size_t>(block)];
    Found found;
    if (block == refused ||
        !findSpot(group, arrangement.sheets, block, Rule::BestShortSide, random, 0, found)) {
      refused = block;
      arrangement.pool.push_back(block);
      arrangement.poolArea += what.area;
      continue;
    }
    put(group, arrangement.sheets, block, found);
  }
}

class Nester {
 public:
  Nester(const NestRequest& request, const NestOptions& options, std::stop_token stop,
         const NestCallback& progress)
      : request_(request),
        options_(options),
        stop_(std::move(stop)),
        progress_(progress),
        begin_(Clock::now()),
        large_(isLarge(request)),
        grouped_(group(request)),
        kept_(request.ease) {}

  Plan run() {
    grouped_.bars = barLists(request_, stop_);
    for (const Group& group : grouped_.groups) {
      Work& work = works_.emplace_back();
      work.bounder = std::make_unique<Bounder>(group);
      work.bound = work.bounder->bound();
      work.group = &group;
      take(work, begin(group));
      chooseLot(work);
    }
    offer();
    if (kept_.plans().empty()) return nothing();
    startSearches();
    beside_.begin();
    {
      // The bound runs beside the search; what it has found is looked at between rounds.
      std::stop_source boundStop;
      const std::stop_callback relay(stop_, [&boundStop] { boundStop.request_stop(); });
      std::jthread boundThread;
      if (!options_.steps)
        boundThread = std::jthread([this, &boundStop] { beside_.run(boundStop.get_token()); });
      improve();
      if (!options_.costOnly) gather();
      boundStop.request_stop();
    }
    followBound();
    takeDived();
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
  // A first plan takes so long that a stop must not wait for it.
  static bool isLarge(const NestRequest& request) {
    constexpr std::int64_t kManyPieces = 600;
    std::int64_t pieces = 0;
    for (const PartDemand& part : request.parts) pieces += part.quantity;
    return pieces > kManyPieces;
  }
  // Stopped before there was a plan.
  Plan nothing() const {
    Plan out;
    for (std::size_t i = 0; i < request_.parts.size(); ++i)
      out.unplaced.push_back({i, request_.parts[i].quantity, "stopped before there was a plan"});
    out.bars = grouped_.bars;
    out.bound.method = "area";
    out.seconds = options_.steps ? 0.0 : elapsed();
    return out;
  }
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
    Arrangement fresh = construct(group, [this] { return large_ && stopped(); });
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
    if (goal && stopped()) return false;  // no time left for what is only nicer
    std::vector<Arrangement> arrangements;
    std::vector<GroupBound> bounds;
    for (std::size_t g = 0; g < works_.size(); ++g) {
      arrangements.push_back(instead && g == changed ? *instead : works_[g].best);
      bounds.push_back(works_[g].bound);
      if (!arrangements.back().pool.empty() && !(large_ && stopped()))
        fillUp(*works_[g].group, arrangements.back());
    }
    const double began = elapsed();
    auto made = toPlan(request_, grouped_, arrangements, bounds,
                       large_ || !kept_.plans().empty() ? stop_ : std::stop_token());
    if (!made) return false;
    offerSeconds_ = std::max(offerSeconds_, elapsed() - began);
    auto plan = std::make_shared<Plan>(std::move(*made));
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
      if (Glue::isWorthTrying(*work.group))
        work.glue = std::make_unique<Glue>(*work.group, seed + 77);
      if (work.best.sheets.size() > kManySheets) {
        work.regroup = std::make_unique<Regroup>(*work.group, work.best, seed);
        continue;
      }
      if (work.best.pool.empty() && Dive::isWorthTrying(*work.group))
        work.dive = std::make_unique<Dive>(*work.group, work.best, seed + 55);
      for (std::size_t k = 0; k < searches(); ++k)
        work.searches.push_back(
            std::make_unique<Search>(*work.group, available, work.best, seed + k,
                                     k % 2 == 0 ? Search::kShortHistory : Search::kLongHistory));
    }
  }

  // Takes over what the bound has found.
  void followBound() {
    if (!beside_.takeBounds()) return;
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
    ++rounds_;
    std::vector<std::function<void()>> tasks;
    for (Work& work : works_) {
      if (work.settled()) continue;
      if (work.glue)
        tasks.push_back([this, &work, slice] {
          const auto from = Clock::now();
          work.glued = work.glue->run(options_.steps ? kGlueTries : kMany, [this, from, slice] {
            return stopped() ||
                   (!options_.steps &&
                    std::chrono::duration<double>(Clock::now() - from).count() >= slice / 2);
          });
        });
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
      for (const auto& search : work.searches) {
        // A dive on the bound's thread takes the place of one search, now of this, now of that.
        if (work.diving && !options_.steps &&
            search == work.searches[rounds_ % work.searches.size()])
          continue;
        tasks.push_back([this, &search, steps, most] {
          const auto from = Clock::now();
          search->run(steps, [this, from, most] {
            return stopped() ||
                   (!options_.steps &&
                    std::chrono::duration<double>(Clock::now() - from).count() >= most);
          });
        });
      }
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
        // Of a dive one step, which takes as long as many of a bound.
        for (int i = 0; i < kBoundStepsPerRound && beside_.step(g, stop_) && !beside_.isBounded(g);
             ++i) {
        }
      });
    }
  }

  // What the dives found while the searches were done already.
  void takeDived() {
    bool changed = false;
    for (std::size_t g = 0; g < works_.size(); ++g) {
      auto dived = beside_.takeDived(g);
      if (!dived || dived->cost(*works_[g].group) >= works_[g].bestCost) continue;
      take(works_[g], std::move(*dived));
      changed = true;
    }
    if (changed) offer();
  }

  void merge() {
    bool changed = false;
    iterations_ = 0;
    for (std::size_t g = 0; g < works_.size(); ++g) {
      Work& work = works_[g];
      if (work.regroup) {
        work.regroup->collect();
        iterations_ += work.regroup->iterations();
      }
      if (work.glued && !work.searches.empty()) work.searches[0]->adopt(*work.glued);
      if (const auto dived = beside_.takeDived(g); dived && !work.searches.empty())
        work.searches[0]->adopt(*dived);
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
    beside_.tell();
    // Once a stop is asked for, or the time is nearly over, a plan takes too long to make.
    if (changed && !timeIsUp(options_.seconds)) offer();
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
    const double until = options_.seconds * (1 - shareForGathering()) - offerSeconds_;
    while (elapsed() < until && !done()) round(kMany, until);
  }

  // What of the time is kept for the leftovers and the settings, at the least cost found.
  double shareForGathering() const {
    if (options_.costOnly) return 0;
    return request_.goal == Goal::Cost ? kShareForGathering : kShareForGoal;
  }

  // At the least cost found, plans whose waste is gathered or that need fewer settings.
  void gather() {
    const double from = elapsed();
    const double half = from + (options_.seconds - from) / 2;
    const bool both = request_.goal == Goal::Cost;
    Finish finish(request_, options_, works_, searches(),
                  {[this] { return elapsed(); }, [this](double until) { return timeIsUp(until); },
                   [this](std::size_t g, const Arrangement& one, Goal goal) {
                     return offer(g, &one, goal);
                   }});
    if (request_.goal != Goal::Setups) finish.gatherWaste(both ? half : options_.seconds);
    if (request_.goal != Goal::Offcuts) finish.saveSettings(options_.seconds);
  }

  bool timeIsUp(double until) const {
    return stopped() || (!options_.steps && elapsed() + offerSeconds_ >= until);
  }

  const NestRequest& request_;
  const NestOptions& options_;
  std::stop_token stop_;
  const NestCallback& progress_;
  Clock::time_point begin_;
  bool large_;
  Grouped grouped_;
  std::deque<Group> lots_;  // groups whose blocks that show are held to one lot
  std::vector<Work> works_;
  Beside beside_{works_};
  Kept kept_;
  std::int64_t iterations_ = 0;
  std::size_t rounds_ = 0;
  double offerSeconds_ = 0;  // the longest that a plan took to be made and played back
  double reported_ = 0;
  bool settled_ = false;
};

}  // namespace

Plan nest(const NestRequest& request, const NestOptions& options, std::stop_token stop,
          const NestCallback& progress) {
  return Nester(request, options, std::move(stop), progress).run();
}

}  // namespace pp::nest
