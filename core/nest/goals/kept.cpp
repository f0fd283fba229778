#include "core/nest/goals/kept.h"

#include <algorithm>
#include <set>

namespace pp::nest {
namespace {

constexpr std::size_t kMostKept = 5;  // as many as can be told apart side by side

// At least as good in everything.
bool covers(const Plan& a, const Plan& b) {
  return a.cost <= b.cost && a.sheetArea <= b.sheetArea && a.setups <= b.setups &&
         largestLeftovers(a) >= largestLeftovers(b);
}

}  // namespace

double largestLeftovers(const Plan& plan) {
  double out = 0;
  for (const PlannedSheet& sheet : plan.sheets) {
    double largest = 0;
    for (const Leftover& leftover : sheet.leftovers)
      largest = std::max(largest, (leftover.dx * leftover.dy).inM2());
    out += largest;
  }
  return out;
}

std::int64_t sizesOn(const Plan& plan) {
  std::set<Length> out;
  for (const PlannedSheet& sheet : plan.sheets)
    for (const Placement& placement : sheet.placements) out.insert({placement.dx, placement.dy});
  return std::ssize(out);
}

BestAt bestAt(const std::vector<std::shared_ptr<const Plan>>& plans, std::size_t index) {
  BestAt out{true, true, true};
  const Plan& mine = *plans[index];
  for (std::size_t i = 0; i < plans.size(); ++i) {
    const Plan& other = *plans[i];
    const bool before = i < index;  // of equals only the first has the title
    out.cost = out.cost && !betterFor(Goal::Cost, other, mine) &&
               (i >= index || betterFor(Goal::Cost, mine, other));
    out.settings = out.settings && (mine.setups < other.setups ||
                                    (mine.setups == other.setups && !before) || i == index);
    const double a = largestLeftovers(mine);
    const double b = largestLeftovers(other);
    out.leftovers = out.leftovers && (a > b || (a >= b && !before) || i == index);
  }
  return out;
}

bool betterFor(Goal goal, const Plan& a, const Plan& b) {
  if (a.missing() != b.missing()) return a.missing() < b.missing();
  if (a.cost != b.cost) return a.cost < b.cost;
  if (a.sheetArea != b.sheetArea) return a.sheetArea < b.sheetArea;
  if (goal == Goal::Setups && a.setups != b.setups) return a.setups < b.setups;
  const double leftA = largestLeftovers(a);
  const double leftB = largestLeftovers(b);
  return leftA != leftB ? leftA > leftB : a.setups < b.setups;
}

bool Kept::offer(Shared plan) {
  if (!plans_.empty()) {
    const std::int64_t least = plans_.front()->missing();
    if (plan->missing() > least) return false;
    if (plan->missing() < least) plans_.clear();
  }
  for (const Shared& one : plans_)
    if (covers(*one, *plan)) return false;
  std::erase_if(plans_, [&](const Shared& one) { return covers(*plan, *one); });
  plans_.push_back(std::move(plan));
  std::stable_sort(plans_.begin(), plans_.end(), [](const Shared& a, const Shared& b) {
    return a->cost != b->cost ? a->cost < b->cost : a->setups < b->setups;
  });
  // Of too many, the dearest goes that is best at nothing.
  while (plans_.size() > kMostKept) {
    const auto best = {bestFor(Goal::Cost), bestFor(Goal::Offcuts), bestFor(Goal::Setups)};
    for (std::size_t i = plans_.size(); i-- > 0;) {
      if (std::find(best.begin(), best.end(), plans_[i]) != best.end()) continue;
      plans_.erase(plans_.begin() + static_cast<std::ptrdiff_t>(i));
      break;
    }
  }
  return true;
}

Kept::Shared Kept::bestFor(Goal goal) const {
  Shared best;
  for (const Shared& one : plans_)
    if (!best || betterFor(goal, *one, *best)) best = one;
  if (goal != Goal::Setups || !best) return best;
  const Money most = best->cost + ease_;
  for (const Shared& one : plans_)
    if (one->cost <= most && one->setups < best->setups) best = one;
  return best;
}

void Kept::setBound(const Bound& bound) {
  for (Shared& one : plans_) {
    auto plan = std::make_shared<Plan>(*one);
    plan->bound = bound;
    one = std::move(plan);
  }
}

}  // namespace pp::nest
