#include "core/daybook/pace.h"

#include <algorithm>
#include <optional>

namespace pp::floor {
namespace {

constexpr std::size_t kEnough = 5;
constexpr std::int64_t kPause = 600'000;  // milliseconds

std::int64_t median(std::vector<std::int64_t> values) {
  const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
  std::nth_element(values.begin(), middle, values.end());
  return *middle;
}

// The setting of a cut that was made; none: there is no such cut.
std::optional<int> settingOf(const Record& record, const Event& event) {
  for (const Cutting& cutting : record.cuttings) {
    if (cutting.number != event.cutting || event.plan < 1 ||
        event.plan > static_cast<int>(cutting.plans.size()))
      continue;
    const auto& cuts = cutting.plans[static_cast<std::size_t>(event.plan - 1)].plan.cuts;
    if (event.step >= 1 && event.step <= static_cast<int>(cuts.size()))
      return cuts[static_cast<std::size_t>(event.step - 1)].setup;
  }
  return std::nullopt;
}

}  // namespace

Pace paceOf(const Record& record, const Shop& shop) {
  std::vector<std::int64_t> same, other;
  const Event* before = nullptr;
  std::optional<int> set;
  for (const Event& event : record.events) {
    if (event.kind != EventKind::CutMade) {
      // What was taken back or went wrong in between says nothing of the next cut.
      if (event.kind != EventKind::Spare && event.kind != EventKind::CameOutAt) before = nullptr;
      continue;
    }
    const std::optional<int> now = settingOf(record, event);
    if (before != nullptr && now && set && before->cutting == event.cutting &&
        before->plan == event.plan) {
      const std::int64_t took = event.time - before->time;
      if (took > 0 && took <= kPause) (now == set ? same : other).push_back(took);
    }
    before = &event;
    set = now;
  }
  Pace out{shop.cutSeconds, shop.settingSeconds, false};
  if (same.size() < kEnough || other.size() < kEnough) return out;
  constexpr std::int64_t kSecond = 1'000;
  const std::int64_t cut = median(same);
  out.cutSeconds = (cut + kSecond / 2) / kSecond;
  out.settingSeconds = (std::max<std::int64_t>(0, median(other) - cut) + kSecond / 2) / kSecond;
  out.learned = true;
  return out;
}

std::int64_t secondsFor(const Pace& pace, std::int64_t cuts, std::int64_t settings) {
  return cuts * pace.cutSeconds + settings * pace.settingSeconds;
}

}  // namespace pp::floor
