#include "core/nest/goals/ease.h"

#include <algorithm>
#include <tuple>

#include "core/nest/search/to_plan.h"

namespace pp::nest {
namespace {

constexpr std::size_t kHistory = 60;
constexpr int kSetting =
    32;  // of two plans with as many settings the one with fewer cuts is better

std::vector<saw::Cut> cutsOfSheet(const NestRequest& request, const saw::SizeCount& sizes,
                                  const Group& group, const SlackTree& tree) {
  if (tree.empty()) return {};
  PlannedSheet sheet = plannedSheet(request, group, tree);
  return saw::takeDown(request, sizes, sheet).cuts;
}

}  // namespace

std::vector<std::vector<saw::Cut>> Ease::cutsOf(const NestRequest& request, const Group& group,
                                                const Arrangement& arrangement) {
  const saw::SizeCount sizes = saw::countSizes(request);
  std::vector<std::vector<saw::Cut>> out;
  for (const SlackTree& sheet : arrangement.sheets)
    out.push_back(cutsOfSheet(request, sizes, group, sheet));
  return out;
}

Ease::Ease(const NestRequest& request, const Group& group,
           std::vector<const std::vector<saw::Cut>*> others, Arrangement start, std::uint64_t seed)
    : request_(request),
      group_(group),
      others_(std::move(others)),
      sizes_(saw::countSizes(request)),
      random_(seed),
      sheets_(start.sheets),
      best_(std::move(start)) {
  begin();
}

void Ease::begin() {
  cuts_.resize(sheets_.size());
  for (std::size_t i = 0; i < sheets_.size(); ++i) redo(i);
  std::tie(bestSettings_, rule_) = saw::countSettings(allCuts(), request_.shop);
  value_ = bestSettings_ * kSetting;
  for (const auto& cuts : cuts_) value_ += static_cast<int>(cuts.size());
  history_.assign(kHistory, value_);
}

void Ease::adopt(const Ease& other) {
  if (other.bestSettings_ >= bestSettings_) return;
  best_ = other.best_;
  sheets_ = best_.sheets;
  begin();
}

void Ease::redo(std::size_t sheet) {
  cuts_[sheet] = cutsOfSheet(request_, sizes_, group_, sheets_[sheet]);
}

std::vector<const std::vector<saw::Cut>*> Ease::allCuts() const {
  std::vector<const std::vector<saw::Cut>*> all = others_;
  for (const auto& cuts : cuts_) all.push_back(&cuts);
  return all;
}

// Puts the pool back; false when something does not fit. Most of the time where sizes match.
bool Ease::refill(std::vector<int>& pool) {
  // Equal blocks one after the other, so that they find one another.
  const bool byHeight = random_.below(2) == 0;
  std::vector<std::tuple<double, double, int>> order;
  const double noise = random_.below(3) == 0 ? 0.3 : 0.0;
  for (const int block : pool) {
    const Block& what = group_.blocks[static_cast<std::size_t>(block)];
    const Lie& lie = what.lies.front();
    const double shake = 1.0 + noise * static_cast<double>(random_.below(1024)) / 1024.0;
    const double key = byHeight ? static_cast<double>(std::min(lie.w, lie.h)) : what.area;
    order.emplace_back(-key * shake, static_cast<double>(-std::max(lie.w, lie.h)), block);
  }
  std::sort(order.begin(), order.end());
  const Rule rules[] = {Rule::Match, Rule::Match, Rule::Match, Rule::BestShortSide, Rule::BestArea};
  const Rule rule = rules[random_.below(std::size(rules))];
  for (const auto& [first, second, block] : order) {
    Found found;
    if (!findSpot(group_, sheets_, block, rule, random_, 2, found)) return false;
    put(group_, sheets_, block, found);
    touched_.push_back(found.sheet);
  }
  return true;
}

bool Ease::run(std::int64_t steps, const Search::Stop& stop) {
  bool fewer = false;
  std::vector<SlackTree> savedSheets;
  for (std::int64_t step = 0; step < steps; ++step) {
    if (step % 4 == 0 && stop()) break;
    touched_.clear();
    std::vector<int> pool;
    savedSheets = sheets_;
    const std::size_t victims = 1 + random_.below(2);
    for (std::size_t v = 0; v < victims; ++v) {
      const std::size_t sheet = random_.below(sheets_.size());
      SlackTree& tree = sheets_[sheet];
      if (tree.empty()) continue;
      touched_.push_back(sheet);
      // A few blocks, all blocks of one size, or now and then the whole sheet.
      const std::size_t kind = random_.below(8);
      std::vector<int> leaves = tree.leaves();
      const int model = tree.node(leaves[random_.below(leaves.size())]).block;
      for (std::size_t i = leaves.size(); i > 1; --i)
        std::swap(leaves[i - 1], leaves[random_.below(i)]);
      if (kind == 0) {
        // all of them
      } else if (kind < 4) {
        std::erase_if(leaves, [&](int leaf) { return tree.node(leaf).block != model; });
      } else {
        leaves.resize(std::min<std::size_t>(leaves.size(), 1 + random_.below(6)));
      }
      for (const int leaf : leaves) pool.push_back(tree.node(leaf).block);
      tree.remove(leaves.data(), static_cast<int>(leaves.size()));
    }
    bool good = refill(pool);
    std::vector<std::pair<std::size_t, std::vector<saw::Cut>>> savedCuts;
    if (good) {
      std::sort(touched_.begin(), touched_.end());
      touched_.erase(std::unique(touched_.begin(), touched_.end()), touched_.end());
      for (const std::size_t sheet : touched_) {
        savedCuts.emplace_back(sheet, std::move(cuts_[sheet]));
        redo(sheet);
      }
      int cuts = 0;
      for (const auto& sheet : cuts_) cuts += static_cast<int>(sheet.size());
      const int most = std::max(value_, history_[historyAt_] - 1);
      const int settings =
          saw::countSettings(allCuts(), request_.shop, rule_, (most - cuts) / kSetting);
      const int now = settings * kSetting + cuts;
      good = now <= most;
      if (good) {
        value_ = now;
        if (settings < bestSettings_) {
          bestSettings_ = settings;
          best_.sheets = sheets_;
          fewer = true;
        }
      }
    }
    if (!good) {
      sheets_.swap(savedSheets);
      for (auto& [sheet, cuts] : savedCuts) cuts_[sheet] = std::move(cuts);
    }
    history_[historyAt_] = value_;
    historyAt_ = (historyAt_ + 1) % history_.size();
  }
  return fewer;
}

}  // namespace pp::nest
