#include "core/nest/work/beside.h"

#include <algorithm>
#include <utility>

namespace pp::nest {

void Beside::begin() {
  bounded_.resize(works_.size());
  found_.resize(works_.size());
  for (std::size_t g = 0; g < works_.size(); ++g) found_[g].below = works_[g].bestCost;
}

void Beside::run(const std::stop_token& stop) {
  std::vector<char> open(works_.size(), 1);
  while (std::find(open.begin(), open.end(), 1) != open.end())
    for (std::size_t g = 0; g < works_.size(); ++g) {
      if (open[g] == 0) continue;
      if (stop.stop_requested()) return;
      open[g] = step(g, stop) ? 1 : 0;
    }
}

bool Beside::step(std::size_t g, const std::stop_token& stop) {
  Work& work = works_[g];
  if (bounded_[g] == 0) {
    if (!work.bounder->step(stop)) {
      bounded_[g] = 1;
      if (work.dive) work.dive->begin(work.bounder->prices());
    }
    const std::scoped_lock lock(mutex_);
    Found& found = found_[g];
    found.bound = work.bounder->bound();
    found.conditions = work.bounder->conditions();
    found.diving = bounded_[g] != 0 && work.dive;
    new_ = true;
    return !found.settled && (bounded_[g] == 0 || work.dive);
  }
  if (!work.dive) return false;
  Cost below = 0;
  {
    const std::scoped_lock lock(mutex_);
    if (found_[g].settled) return false;
    below = found_[g].below;
  }
  if (!work.dive->step(below, stop)) return true;
  const std::scoped_lock lock(mutex_);
  found_[g].dived = work.dive->found();
  found_[g].below = found_[g].dived->cost(*work.group);
  new_ = true;
  return true;
}

bool Beside::takeBounds() {
  const std::scoped_lock lock(mutex_);
  if (!std::exchange(new_, false)) return false;
  bool rose = false;
  for (std::size_t g = 0; g < works_.size(); ++g) {
    Work& work = works_[g];
    const Found& found = found_[g];
    work.diving = found.diving;
    if (found.bound.cost <= work.bound.cost && found.bound.sheets <= work.bound.sheets) continue;
    work.bound = found.bound;
    work.conditions = found.conditions;
    rose = true;
  }
  return rose;
}

std::optional<Arrangement> Beside::takeDived(std::size_t g) {
  const std::scoped_lock lock(mutex_);
  return std::exchange(found_[g].dived, {});
}

void Beside::tell() {
  const std::scoped_lock lock(mutex_);
  for (std::size_t g = 0; g < works_.size(); ++g) {
    found_[g].settled = works_[g].settled();
    found_[g].below = std::min(found_[g].below, works_[g].bestCost);
  }
}

}  // namespace pp::nest
