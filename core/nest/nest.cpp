#include "core/nest/nest.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <thread>

#include "core/nest/search.h"
#include "core/nest/to_plan.h"

namespace pp::nest {
namespace {

using Clock = std::chrono::steady_clock;

constexpr std::size_t kSearchesPerGroup = 2;
constexpr std::int64_t kStepsPerRound = 1'000;
constexpr double kShareForGathering = 0.15;  // of the time, at the end

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
      arrangement.sheets.emplace_back(i, group.stock[i].w, group.stock[i].h);
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

// Sum over the sheets of the squared largest leftover: few and large beats many and small.
double leftoverValue(const Plan& plan) {
  double out = 0;
  for (const PlannedSheet& sheet : plan.sheets) {
    double largest = 0;
    for (const Leftover& leftover : sheet.leftovers)
      largest = std::max(largest, (leftover.dx * leftover.dy).inM2());
    out += largest * largest;
  }
  return out;
}

// Whether `a` serves the goal better than `b`; both of one request.
bool betterFor(Goal goal, const Plan& a, const Plan& b) {
  std::int64_t missingA = 0;
  std::int64_t missingB = 0;
  for (const Unplaced& u : a.unplaced) missingA += u.count;
  for (const Unplaced& u : b.unplaced) missingB += u.count;
  if (missingA != missingB) return missingA < missingB;
  if (a.cost != b.cost) return a.cost < b.cost;
  if (a.sheetArea != b.sheetArea) return a.sheetArea < b.sheetArea;
  if (goal == Goal::Setups && a.setups != b.setups) return a.setups < b.setups;
  const double leftA = leftoverValue(a);
  const double leftB = leftoverValue(b);
  return leftA != leftB ? leftA > leftB : a.setups < b.setups;
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
        grouped_(group(request)) {}

  Plan run() {
    for (std::size_t g = 0; g < grouped_.groups.size(); ++g) {
      bounds_.push_back(areaBound(grouped_.groups[g]));
      chosen_.push_back(construct(grouped_.groups[g]));
    }
    offer(chosen_);
    startSearches();
    improve();
    gather();
    settled_ = allSettled();
    if (progress_) report();
    Plan out = *best_;
    out.seconds = options_.steps ? 0.0 : elapsed();
    return out;
  }

 private:
  double elapsed() const { return std::chrono::duration<double>(Clock::now() - begin_).count(); }
  bool stopped() const { return stop_.stop_requested(); }
  bool allSettled() const {
    return std::all_of(searches_.begin(), searches_.end(),
                       [](const auto& of) { return of.front()->settled(); });
  }

  void report() { progress_({best_, elapsed(), iterations_, settled_}); }

  // Makes a plan of the arrangements and keeps it if it serves the goal better. True when it does.
  bool offer(std::vector<Arrangement> arrangements) {
    for (std::size_t g = 0; g < arrangements.size(); ++g)
      if (!arrangements[g].pool.empty()) fillUp(grouped_.groups[g], arrangements[g]);
    auto plan =
        std::make_shared<Plan>(toPlan(request_, grouped_, arrangements, bounds_, options_.shop));
    plan->seconds = options_.steps ? 0.0 : elapsed();
    if (best_ && !betterFor(request_.goal, *plan, *best_)) return false;
    best_ = std::move(plan);
    chosen_ = std::move(arrangements);
    if (progress_) report();
    return true;
  }

  void startSearches() {
    for (std::size_t g = 0; g < grouped_.groups.size(); ++g) {
      auto& of = searches_.emplace_back();
      for (std::size_t k = 0; k < kSearchesPerGroup; ++k)
        of.push_back(std::make_unique<Search>(grouped_.groups[g], bounds_[g].cost, chosen_[g],
                                              options_.seed * 1'000'003 + g * 101 + k));
    }
  }

  // One round: every search of every unsettled group runs for a while, then the better of each
  // group is taken over by the others. The outcome of a round by steps does not depend on the
  // threads.
  bool round(std::int64_t steps, double untilSeconds) {
    std::vector<std::function<void()>> tasks;
    std::atomic<std::int64_t> done = 0;
    std::size_t open = 0;
    for (const auto& of : searches_) open += of.front()->settled() ? 0 : of.size();
    const double left = untilSeconds - elapsed();
    // Slices grow with the time that has passed, so that the first gains show at once.
    const double slice = std::clamp(elapsed() * 0.2, 0.005, 0.1);
    for (const auto& of : searches_) {
      if (of.front()->settled()) continue;
      for (const auto& search : of)
        tasks.push_back([this, &search, &done, steps, slice, left] {
          const auto from = Clock::now();
          const double most = std::min(slice, left);
          std::int64_t asked = 0;
          const auto stop = [&] {
            ++asked;
            return stopped() ||
                   (!options_.steps &&
                    std::chrono::duration<double>(Clock::now() - from).count() >= most);
          };
          search->run(steps, stop);
          done += asked * 16;
        });
    }
    runAll(tasks, std::max(1U, options_.threads));
    iterations_ += options_.steps ? steps * static_cast<std::int64_t>(open) : done.load();
    return merge();
  }

  bool merge() {
    bool changed = false;
    std::vector<Arrangement> next = chosen_;
    for (std::size_t g = 0; g < searches_.size(); ++g) {
      auto& of = searches_[g];
      for (std::size_t k = 1; k < of.size(); ++k) {
        of[0]->adopt(of[k]->best());
        of[k]->adopt(of[0]->best());
      }
      const Arrangement& best = of[0]->best();
      if (best.poolArea < next[g].poolArea ||
          (best.poolArea == next[g].poolArea &&
           best.cost(grouped_.groups[g]) < next[g].cost(grouped_.groups[g]))) {
        next[g] = best;
        changed = true;
      }
    }
    if (changed) offer(std::move(next));
    return changed;
  }

  void improve() {
    if (options_.steps) {
      for (std::int64_t left = *options_.steps; left > 0 && !allSettled() && !stopped();
           left -= kStepsPerRound)
        round(std::min(left, kStepsPerRound), 0);
      return;
    }
    const double until = options_.seconds * (1 - kShareForGathering);
    double lastReport = elapsed();
    while (elapsed() < until && !allSettled() && !stopped()) {
      round(1'000'000'000, until);
      if (progress_ && elapsed() - lastReport > 0.1) {
        report();
        lastReport = elapsed();
      }
    }
  }

  // At the least cost found, plans whose waste is gathered or that need fewer settings.
  void gather() {
    constexpr std::int64_t kSteps = 400;
    const int rounds = request_.goal == Goal::Cost ? 6 : 60;
    const auto stop = [this] {
      return stopped() || (!options_.steps && elapsed() >= options_.seconds);
    };
    for (int r = 0; r < rounds && !stop(); ++r) {
      std::vector<std::vector<Arrangement>> found(searches_.size());
      std::vector<std::function<void()>> tasks;
      for (std::size_t g = 0; g < searches_.size(); ++g) {
        found[g].resize(searches_[g].size());
        for (std::size_t k = 0; k < searches_[g].size(); ++k)
          tasks.push_back([this, g, k, &found, &stop] {
            if (!searches_[g][k]->gather(kSteps, stop, found[g][k])) found[g][k].sheets.clear();
          });
      }
      runAll(tasks, std::max(1U, options_.threads));
      for (std::size_t g = 0; g < found.size(); ++g)
        for (Arrangement& one : found[g]) {
          if (one.sheets.empty() || stop()) continue;
          std::vector<Arrangement> next = chosen_;
          next[g] = std::move(one);
          offer(std::move(next));
        }
    }
  }

  const NestRequest& request_;
  const NestOptions& options_;
  std::stop_token stop_;
  const NestCallback& progress_;
  Clock::time_point begin_;
  Grouped grouped_;
  std::vector<GroupBound> bounds_;
  std::vector<Arrangement> chosen_;
  std::vector<std::vector<std::unique_ptr<Search>>> searches_;
  std::shared_ptr<const Plan> best_;
  std::int64_t iterations_ = 0;
  bool settled_ = false;
};

}  // namespace

Plan nest(const NestRequest& request, const NestOptions& options, std::stop_token stop,
          const NestCallback& progress) {
  return Nester(request, options, std::move(stop), progress).run();
}

}  // namespace pp::nest
