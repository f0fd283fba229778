#include "core/nest/bounds/bound.h"

#include <gtest/gtest.h>

#include "core/nest/bounds/dual_feasible.h"
#include "core/nest/sheet/arrangement.h"
#include "tests/core/nest_support.h"

namespace pp::bound_test {
namespace {

using nest::Random;

struct Planted {
  NestRequest request;
  Money cost;
  std::int64_t sheets = 0;
};

// Sheets of several sizes and prices, in limited numbers, cut apart at random: the parts have a
// plan.
Planted planted(std::uint64_t seed) {
  Random random(seed);
  const auto pick = [&random](int from, int to) {
    return from + static_cast<int>(random.below(static_cast<std::size_t>(to - from + 1)));
  };
  Planted out;
  const bool coarse = pick(0, 2) != 0;  // sizes that a coarse grid holds exactly
  const Length grid = coarse ? Length::mm(20) : Length::um(pick(300, 900));
  out.request.kerf = coarse ? Length{} : Length::um(pick(0, 4'000));
  const int kinds = pick(1, 3);
  int next = 0;
  for (int k = 0; k < kinds; ++k) {
    const int used = pick(k == 0 ? 1 : 0, 3);
    StockSupply stock = test::supply("S" + std::to_string(k), pick(15, 60) * 40, pick(10, 30) * 40,
                                     used + pick(0, 2), pick(0, 90));
    if (pick(0, 3) == 0) stock.quantity.reset();
    if (pick(0, 3) == 0) stock.grain = SheetGrain::None;
    stock.trim = coarse ? Length{} : Length::mm(pick(0, 8));
    out.request.stock.push_back(stock);
    const bool alike = pick(0, 2) == 0;  // all sheets cut the same way: copies
    for (int s = 0; s < used; ++s) {
      out.cost += stock.price;
      ++out.sheets;
      if (alike && s > 0) continue;
      for (const auto& [dx, dy] :
           test::cutApart(random, stock.length - 2 * stock.trim, stock.width - 2 * stock.trim,
                          out.request.kerf, grid, pick(1, 8))) {
        const bool turned = pick(0, 1) == 1;
        const PartGrain grains[] = {PartGrain::Any, turned ? PartGrain::Width : PartGrain::Length};
        out.request.parts.push_back(test::demand("P" + std::to_string(next++), turned ? dy : dx,
                                                 turned ? dx : dy, alike ? used : 1,
                                                 grains[pick(0, 1)]));
      }
    }
  }
  return out;
}

TEST(Bound, neverAboveAPlantedPlan) {
#ifdef __SANITIZE_ADDRESS__
  constexpr std::uint64_t kJobs = 200;
#else
  constexpr std::uint64_t kJobs = 2'000;
#endif
  int byColumns = 0;
  for (std::uint64_t seed = 1; seed <= kJobs; ++seed) {
    const Planted job = planted(seed);
    const nest::Grouped grouped = nest::group(job.request);
    ASSERT_TRUE(grouped.impossible.empty()) << seed;
    Money cost;
    std::int64_t sheets = 0;
    for (const nest::Group& group : grouped.groups) {
      nest::Bounder bounder(group);
      bounder.begin(nest::construct(group));
      // Now and then as far as it goes, on the finest scales.
      const int most = seed % 25 == 0 ? 500 : 8;
      for (int step = 0; step < most && bounder.step({}); ++step) {
      }
      cost += nest::priceOf(bounder.bound().cost);
      sheets += bounder.bound().sheets;
      byColumns += bounder.bound().method == std::string("column generation");
    }
    ASSERT_LE(cost, job.cost) << "seed " << seed;
    ASSERT_LE(sheets, job.sheets) << "seed " << seed;
  }
  EXPECT_GT(byColumns, 0) << "column generation must have had something to say";
}

nest::GroupBound boundOf(const NestRequest& request) {
  const nest::Grouped grouped = nest::group(request);
  nest::Bounder bounder(grouped.groups.front());
  bounder.begin(nest::construct(grouped.groups.front()));
  while (bounder.step({})) {
  }
  return bounder.bound();
}

TEST(Bound, seesWhatAreaDoesNot) {
  // Five squares of 600 on sheets of 1000: one a sheet, though by area two sheets would do.
  NestRequest squares;
  squares.stock = {test::supply("S", 1000, 1000, {}, 10)};
  squares.parts = {test::demand("A", Length::mm(600), Length::mm(600), 5)};
  EXPECT_EQ(boundOf(squares).sheets, 5);
  // Grain keeps the strips of 900 x 400 from being turned: two a sheet of 1000 x 1000.
  NestRequest strips = squares;
  strips.parts = {test::demand("A", Length::mm(900), Length::mm(400), 5, PartGrain::Length)};
  EXPECT_EQ(boundOf(strips).sheets, 3);
  // Two sheets are cheap but few; the rest must be dear.
  NestRequest mixed = squares;
  mixed.stock.push_back(test::supply("few", 1000, 1000, 2, 1));
  EXPECT_EQ(nest::priceOf(boundOf(mixed).cost), Money::whole(32));
}

TEST(Bound, everythingThereIsWhereTheStockIsShort) {
  NestRequest request;
  request.stock = {test::supply("S", 1000, 1000, 2, 10)};
  request.parts = {test::demand("A", Length::mm(600), Length::mm(600), 5)};
  EXPECT_EQ(nest::priceOf(boundOf(request).cost), Money::whole(20));
}

// A pair of dual feasible functions is one only if no row of lengths that fits weighs more than the
// whole: random rows must not.
TEST(Bound, dualFeasibleWeightsNeverOverfillASheet) {
  Random random(7);
  for (int round = 0; round < 300; ++round) {
    NestRequest request;
    request.stock = {test::supply("S", 1000, 700, {}, 10)};
    const auto pieces =
        test::cutApart(random, Length::mm(1000), Length::mm(700), Length{}, Length::mm(1), 7);
    for (std::size_t i = 0; i < pieces.size(); ++i)
      request.parts.push_back(
          test::demand("P" + std::to_string(i), pieces[i].first, pieces[i].second, 1));
    const nest::Grouped grouped = nest::group(request);
    const auto items = nest::boundItems(grouped.groups.front());
    for (const auto& weights :
         nest::dualFeasibleWeights(items, grouped.groups.front().stock.front(), 5)) {
      std::int64_t sum = 0;
      for (const std::int64_t weight : weights) sum += weight;
      EXPECT_LE(sum, nest::kFullWeight);
    }
  }
}

}  // namespace
}  // namespace pp::bound_test
