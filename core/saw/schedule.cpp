#include "core/saw/schedule.h"

#include <algorithm>
#include <span>
#include <tuple>

namespace pp::saw {
namespace {

// The cuts of all sheets with their settings as small numbers; rules are tried on copies of counts.
class Scheduler {
 public:
  Scheduler(const std::vector<const std::vector<Cut>*>& sheets, const Shop& shop) {
    using Key = std::tuple<int, bool, CutDirection, Length>;
    std::vector<std::pair<Key, int>> keys;
    for (std::size_t s = 0; s < sheets.size(); ++s) {
      const int base = static_cast<int>(nodes_.size());
      for (std::size_t c = 0; c < sheets[s]->size(); ++c) {
        const Cut& cut = (*sheets[s])[c];
        const int index = static_cast<int>(nodes_.size());
        nodes_.push_back({s, c, cut.after < 0 ? -1 : base + cut.after, -1, -1, kNoSetting});
        // To a mark: nothing is set for it.
        if (cut.kind == CutKind::Trim || cut.kind == CutKind::Rough) continue;
        keys.emplace_back(Key{cut.machine, cut.tilted, cut.direction, cut.distance}, index);
      }
    }
    for (std::size_t i = nodes_.size(); i-- > 0;)
      if (const int after = nodes_[i].after; after >= 0) {
        nodes_[i].sibling = nodes_[static_cast<std::size_t>(after)].follower;
        nodes_[static_cast<std::size_t>(after)].follower = static_cast<int>(i);
      }
    std::sort(keys.begin(), keys.end());
    for (std::size_t i = 0; i < keys.size(); ++i) {
      if (i == 0 || keys[i].first != keys[i - 1].first) {
        const auto& [machine, tilted, direction, distance] = keys[i].first;
        const bool breakdown =
            machine >= 0 && shop.machines[static_cast<std::size_t>(machine)].kind == SawKind::Track;
        settings_.push_back({breakdown, distance, 0});
      }
      nodes_[static_cast<std::size_t>(keys[i].second)].setting =
          static_cast<int>(settings_.size()) - 1;
      ++settings_.back().cuts;
    }
  }

  std::size_t settings() const { return settings_.size(); }

  // The number of settings in that order; the steps too where wanted.
  int run(Rule rule, std::vector<Step>* steps, const std::stop_token& stop = {}) {
    waiting_.resize(settings_.size());
    for (auto& queue : waiting_) queue.clear();
    open_.clear();
    left_.clear();
    steps_ = steps;
    for (const Setting& setting : settings_) left_.push_back(setting.cuts);
    for (std::size_t i = 0; i < nodes_.size(); ++i)
      if (nodes_[i].after < 0) ready(static_cast<int>(i));
    int setup = 0;
    while (!open_.empty() && !stop.stop_requested()) {
      const int setting = choose(rule);
      ++setup;
      std::vector<int>& queue = waiting_[static_cast<std::size_t>(setting)];
      // The queue grows while it is worked through: a cut may free another with the same setting.
      for (std::size_t k = 0; k < queue.size(); ++k) {
        const Node& node = nodes_[static_cast<std::size_t>(queue[k])];
        if (steps) steps->push_back({node.sheet, node.cut, setup});
        for (int f = node.follower; f >= 0; f = nodes_[static_cast<std::size_t>(f)].sibling)
          ready(f);
      }
      left_[static_cast<std::size_t>(setting)] -= static_cast<int>(queue.size());
      queue.clear();
      open_.erase(std::find(open_.begin(), open_.end(), setting));
    }
    return setup;
  }

 private:
  struct Node {
    std::size_t sheet, cut;
    int after, follower, sibling, setting;
  };
  static constexpr int kNoSetting = -1;
  struct Setting {
    bool breakdown;
    Length distance;
    int cuts;
  };

  // What needs no setting is cut as soon as its piece is there.
  void ready(int node) {
    const int setting = nodes_[static_cast<std::size_t>(node)].setting;
    if (setting == kNoSetting) {
      const Node& made = nodes_[static_cast<std::size_t>(node)];
      if (steps_) steps_->push_back({made.sheet, made.cut, 0});
      for (int f = made.follower; f >= 0; f = nodes_[static_cast<std::size_t>(f)].sibling) ready(f);
      return;
    }
    auto& queue = waiting_[static_cast<std::size_t>(setting)];
    if (queue.empty()) open_.push_back(setting);
    queue.push_back(node);
  }

  int choose(Rule rule) const {
    int best = -1;
    std::tuple<bool, bool, std::int64_t, Length, int> bestRank;
    for (const int s : open_) {
      const auto i = static_cast<std::size_t>(s);
      const auto waiting = static_cast<std::int64_t>(waiting_[i].size());
      const std::int64_t blocked = left_[i] - waiting;
      const std::int64_t key = rule == Rule::MostReady       ? waiting
                               : rule == Rule::FewestBlocked ? -blocked
                                                             : 0;
      const std::tuple rank{settings_[i].breakdown, blocked == 0, key, settings_[i].distance, -s};
      if (best >= 0 && rank <= bestRank) continue;
      best = s;
      bestRank = rank;
    }
    return best;
  }

  std::vector<Step>* steps_ = nullptr;  // of the run under way
  std::vector<Node> nodes_;
  std::vector<Setting> settings_;
  std::vector<std::vector<int>> waiting_;  // per setting
  std::vector<int> open_;                  // settings that cuts wait for
  std::vector<int> left_;                  // per setting: cuts not made yet
};

// The rules worth trying: with thousands of settings the first is enough.
std::span<const Rule> rulesFor(std::size_t settings) {
  static constexpr Rule kRules[] = {Rule::MostReady, Rule::FewestBlocked, Rule::Widest};
  constexpr std::size_t kMany = 1'500;
  return std::span(kRules).first(settings > kMany ? 1 : std::size(kRules));
}

std::pair<int, Rule> bestRule(Scheduler& scheduler, const std::stop_token& stop = {}) {
  std::pair<int, Rule> best{-1, Rule::MostReady};
  for (const Rule rule : rulesFor(scheduler.settings()))
    if (const int count = scheduler.run(rule, nullptr, stop); best.first < 0 || count < best.first)
      best = {count, rule};
  return best;
}

}  // namespace

std::vector<Step> schedule(const std::vector<const std::vector<Cut>*>& sheets, const Shop& shop,
                           const std::stop_token& stop) {
  Scheduler scheduler(sheets, shop);
  std::vector<Step> out;
  scheduler.run(bestRule(scheduler, stop).second, &out, stop);
  return out;
}

std::pair<int, Rule> countSettings(const std::vector<const std::vector<Cut>*>& sheets,
                                   const Shop& shop) {
  Scheduler scheduler(sheets, shop);
  return bestRule(scheduler);
}

int countSettings(const std::vector<const std::vector<Cut>*>& sheets, const Shop& shop, Rule rule,
                  int atMost) {
  Scheduler scheduler(sheets, shop);
  const auto distinct = static_cast<int>(scheduler.settings());
  return distinct > atMost ? distinct : scheduler.run(rule, nullptr);
}

}  // namespace pp::saw
