// The patterns behind the bounds and the dives: scales, the most valuable sheets, and the dive
// itself.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <functional>

#include "core/nest/bounds/bound.h"
#include "core/nest/bounds/conservative_scale.h"
#include "core/nest/bounds/guillotine_knapsack.h"
#include "core/nest/dive/dive.h"
#include "core/nest/dive/full_sheet.h"
#include "tests/core/nest_support.h"

namespace pp::pattern_test {
namespace {

using nest::Nm;
using nest::Random;

// Every row of lengths within the side, each no more often than it has copies.
template <class Visit>
void forEachRow(const std::vector<nest::ScaleLength>& lengths, Nm side, const Visit& visit) {
  std::vector<std::int64_t> counts(lengths.size());
  const std::function<void(std::size_t, Nm)> from = [&](std::size_t i, Nm left) {
    if (i == lengths.size()) return visit(counts);
    const std::int64_t most = std::min(lengths[i].copies, left / lengths[i].length);
    for (counts[i] = 0; counts[i] <= most; ++counts[i])
      from(i + 1, left - counts[i] * lengths[i].length);
    counts[i] = 0;
  };
  from(0, side);
}

TEST(ConservativeScale, anExactOneKeepsTheRatios) {
  const auto scale = nest::conservativeScale({{400, 5, 1}, {300, 5, 1}}, 1000, 20);
  EXPECT_TRUE(scale.exact);
  EXPECT_EQ(scale.capacity, 10);
  EXPECT_EQ(scale.sizes, (std::vector<int>{4, 3}));
}

TEST(ConservativeScale, raisesWhatNeverFitsTwice) {
  // Three of 340 do not fit 1000, so 340 counts as half the side, whatever the grid.
  const auto scale = nest::conservativeScale({{340, 9, 1}}, 1000, 20);
  EXPECT_EQ(2 * scale.sizes[0], scale.capacity);
  // A single copy fills the side as far as anything is concerned.
  const auto alone = nest::conservativeScale({{340, 1, 1}}, 1000, 20);
  EXPECT_EQ(alone.sizes[0], alone.capacity);
}

RC_GTEST_PROP(ConservativeScale, forbidsNoRowThatFits, ()) {
  const Nm side = *rc::gen::inRange<Nm>(200, 3'000);
  const auto lengths = *rc::gen::container<std::vector<nest::ScaleLength>>(rc::gen::apply(
      [side](Nm length, std::int64_t copies, int weight) {
        return nest::ScaleLength{1 + length % side, copies, static_cast<double>(weight)};
      },
      rc::gen::inRange<Nm>(side / 7, side), rc::gen::inRange<std::int64_t>(1, 5),
      rc::gen::inRange(1, 9)));
  std::vector<nest::ScaleLength> different;
  for (const nest::ScaleLength& one : lengths)
    if (different.size() < 6 &&
        std::none_of(different.begin(), different.end(),
                     [&](const auto& other) { return other.length == one.length; }))
      different.push_back(one);
  const int cells = *rc::gen::inRange(2, 60);
  const auto scale = nest::conservativeScale(different, side, cells);
  RC_ASSERT(scale.capacity >= 1 && scale.capacity <= cells);
  forEachRow(different, side, [&](const std::vector<std::int64_t>& counts) {
    std::int64_t sum = 0;
    for (std::size_t i = 0; i < counts.size(); ++i) sum += counts[i] * scale.sizes[i];
    RC_ASSERT(sum <= scale.capacity);
  });
}

// One group of random parts on sheets of one size, and prices for its blocks.
struct Priced {
  nest::Grouped grouped;
  std::vector<double> prices;
  std::vector<std::int64_t> wanted;
  const nest::Group& group() const { return grouped.groups.front(); }
};

Priced priced(std::uint64_t seed, std::size_t blocks, int copies) {
  Random random(seed);
  const auto pick = [&random](int from, int to) {
    return from + static_cast<int>(random.below(static_cast<std::size_t>(to - from + 1)));
  };
  NestRequest request;
  request.kerf = Length::um(pick(0, 4'000));
  request.stock = {test::supply("S", pick(1'200, 2'500), pick(800, 1'250), {}, 10)};
  for (std::size_t i = 0; i < blocks; ++i)
    request.parts.push_back(test::demand("P" + std::to_string(i), Length::mm(pick(250, 1'100)),
                                         Length::mm(pick(150, 750)), pick(1, copies),
                                         pick(0, 1) == 0 ? PartGrain::Any : PartGrain::Length));
  Priced out;
  out.grouped = nest::group(request);
  for (const nest::Block& block : out.group().blocks) {
    out.prices.push_back(block.area * (0.5 + static_cast<double>(random.below(1024)) / 1024));
    out.wanted.push_back(block.copies);
  }
  return out;
}

TEST(GuillotineKnapsack, isAboveEveryRealSheet) {
  int cuttable = 0;
  for (std::uint64_t seed = 1; seed <= 40; ++seed) {
    const Priced job = priced(seed, 7, 4);
    const nest::StockKindRow& row = job.group().stock.front();
    nest::GuillotineKnapsack knapsack(nest::boundItems(job.group()), row, 120);
    const double unit = knapsack.unitFor(job.prices);
    std::vector<std::int64_t> values;
    for (const double price : job.prices) values.push_back(static_cast<std::int64_t>(price * unit));
    const std::int64_t most = knapsack.solve(values, {});
    nest::FullSheet filler(job.group(), 0, 130);
    for (const auto& real : filler.fill(job.prices, job.wanted, 0, 20)) {
      std::int64_t worth = 0;
      for (std::size_t b = 0; b < values.size(); ++b) worth += real.blocks[b] * values[b];
      ASSERT_LE(worth, most) << "seed " << seed;
    }
    const auto patterns = knapsack.patterns(values, 0, 8);
    ASSERT_FALSE(patterns.empty()) << "seed " << seed;
    EXPECT_EQ(patterns.front().value, most) << "seed " << seed;
    for (const auto& pattern : patterns) {
      std::int64_t worth = 0;
      for (std::size_t b = 0; b < values.size(); ++b) worth += pattern.items[b] * values[b];
      EXPECT_EQ(worth, pattern.value) << "seed " << seed;
      // What is said to be cuttable with the true sizes comes apart by cuts from edge to edge.
      nest::SlackTree sheet = nest::emptySheet(job.group(), 0);
      if (!pattern.cuttable) continue;
      ++cuttable;
      EXPECT_TRUE(sheet.arrange(pattern.laid)) << "seed " << seed;
    }
  }
  EXPECT_GT(cuttable, 100);
}

TEST(FullSheet, holdsNoMoreThanIsWantedAndIsWorthWhatItSays) {
  for (std::uint64_t seed = 1; seed <= 60; ++seed) {
    const Priced job = priced(seed, 12, 3);
    nest::FullSheet filler(job.group(), 0, 100);
    const auto patterns = filler.fill(job.prices, job.wanted, 0.1, 12);
    ASSERT_FALSE(patterns.empty());
    double before = patterns.front().value;
    for (const auto& pattern : patterns) {
      std::vector<std::int64_t> counts(job.wanted.size());
      double worth = 0;
      for (const int leaf : pattern.sheet.leaves()) {
        const auto block = static_cast<std::size_t>(pattern.sheet.node(leaf).block);
        ++counts[block];
        worth += job.prices[block];
      }
      EXPECT_EQ(counts, pattern.blocks) << "seed " << seed;
      for (std::size_t b = 0; b < counts.size(); ++b) EXPECT_LE(counts[b], job.wanted[b]);
      EXPECT_NEAR(worth, pattern.value, 1e-5) << "seed " << seed;
      EXPECT_GT(pattern.value, 0.1);
      const nest::Node& root = pattern.sheet.node(pattern.sheet.root());
      EXPECT_LE(root.w, pattern.sheet.width());
      EXPECT_LE(root.h, pattern.sheet.height());
      // Nothing sorts before what is worth a good deal more.
      EXPECT_LE(pattern.value, before + 1e-3 * before);
      before = pattern.value;
    }
  }
}

TEST(FullSheet, fillsASheetToTheLastStrip) {
  // Two of 600 x 500 and one of 400 x 1000 fill a square of 1000; the dearer 999 x 999 alone is
  // worth less than the three.
  NestRequest request;
  request.stock = {test::supply("S", 1000, 1000, {}, 10)};
  request.parts = {test::demand("A", Length::mm(600), Length::mm(500), 2),
                   test::demand("B", Length::mm(400), Length::mm(1000), 1),
                   test::demand("C", Length::mm(999), Length::mm(999), 1)};
  const nest::Grouped grouped = nest::group(request);
  nest::FullSheet filler(grouped.groups.front(), 0, 50);
  const auto patterns = filler.fill({1, 1, 2.5}, {2, 1, 1}, 0, 3);
  ASSERT_FALSE(patterns.empty());
  EXPECT_EQ(patterns.front().blocks, (std::vector<std::int64_t>{2, 1, 0}));
  // With one of the first already cut, the large one is the best.
  EXPECT_EQ(filler.fill({1, 1, 2.5}, {1, 1, 1}, 0, 3).front().blocks,
            (std::vector<std::int64_t>{0, 0, 1}));
}

// Sheets that parts fill to a few strips, cut alike two or three times over: what a dive is for.
NestRequest alike(std::uint64_t seed) {
  const Length spare = Length::mm(16);
  Random random(seed);
  NestRequest request;
  request.kerf = Length::mm(3);
  request.stock = {test::supply("S", 2440, 1220, {}, 10)};
  for (int kind = 0; kind < 3; ++kind) {
    const auto pieces =
        test::cutApart(random, Length::mm(2440), Length::mm(1220), request.kerf, Length::mm(1), 7);
    for (std::size_t i = 0; i < pieces.size(); ++i)
      request.parts.push_back(test::demand("P" + std::to_string(kind) + std::to_string(i),
                                           pieces[i].first - spare, pieces[i].second - spare,
                                           2 + kind % 2));
  }
  return request;
}

struct Dived {
  bool found = false;
  int steps = 0;
  std::vector<std::vector<std::int64_t>> sheets;  // how often each block lies on each
};

Dived dive(const nest::Group& group, nest::Cost below, int most) {
  nest::Bounder bounder(group);
  const nest::Arrangement start = nest::construct(group);
  bounder.begin(start);
  while (bounder.step({})) {
  }
  nest::Dive dive(group, start, 7);
  dive.begin(bounder.prices());
  Dived out;
  while (!out.found && out.steps < most) {
    out.found = dive.step(below, {});
    ++out.steps;
  }
  for (const nest::SlackTree& sheet : dive.found().sheets) {
    auto& counts = out.sheets.emplace_back(group.blocks.size());
    for (const int leaf : sheet.leaves())
      ++counts[static_cast<std::size_t>(sheet.node(leaf).block)];
  }
  return out;
}

TEST(Dive, findsSheetsThatAreNearlyFull) {
#ifdef __SANITIZE_ADDRESS__
  constexpr std::uint64_t kJobs = 1;
#else
  constexpr std::uint64_t kJobs = 2;
#endif
  constexpr std::int64_t kPlanted = 7;  // 2 + 3 + 2
  for (std::uint64_t seed = 1; seed <= kJobs; ++seed) {
    const nest::Grouped grouped = nest::group(alike(seed));
    const nest::Group& group = grouped.groups.front();
    ASSERT_TRUE(nest::Dive::isWorthTrying(group));
    const nest::Cost below = (kPlanted + 1) * group.stock.front().cost;
    EXPECT_GE(nest::construct(group).cost(group), below) << "seed " << seed;
    const Dived one = dive(group, below, 300);
    ASSERT_TRUE(one.found) << "seed " << seed;
    EXPECT_LE(one.sheets.size(), static_cast<std::size_t>(kPlanted));
    std::vector<std::int64_t> all(group.blocks.size());
    for (const auto& sheet : one.sheets)
      for (std::size_t b = 0; b < sheet.size(); ++b) all[b] += sheet[b];
    for (std::size_t b = 0; b < all.size(); ++b) EXPECT_EQ(all[b], group.blocks[b].copies);
  }
}

TEST(Dive, isTheSameEveryTime) {
  const nest::Grouped grouped = nest::group(alike(2));
  const nest::Group& group = grouped.groups.front();
  const nest::Cost below = 8 * group.stock.front().cost;
  const Dived one = dive(group, below, 60);
  const Dived other = dive(group, below, 60);
  EXPECT_EQ(one.steps, other.steps);
  EXPECT_EQ(one.sheets, other.sheets);
}

TEST(Dive, leavesPinsAndSingleCopiesToTheSearch) {
  NestRequest request = alike(1);
  for (PartDemand& part : request.parts) part.quantity = 1;
  EXPECT_FALSE(nest::Dive::isWorthTrying(nest::group(request).groups.front()));
}

TEST(Dive, doesNothingOnceStopped) {
  const nest::Grouped grouped = nest::group(alike(1));
  const nest::Group& group = grouped.groups.front();
  nest::Dive dive(group, nest::construct(group), 1);
  std::stop_source stop;
  stop.request_stop();
  for (int i = 0; i < 20; ++i)
    EXPECT_FALSE(dive.step(8 * group.stock.front().cost, stop.get_token()));
}

}  // namespace
}  // namespace pp::pattern_test
