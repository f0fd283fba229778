#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <map>

#include "core/nest/bars.h"
#include "core/saw/playback.h"
#include "tests/core/nest_support.h"
#include "tests/core/support.h"

namespace pp::nest::bars_test {
namespace {

using test::mm;

// Counts every piece once and checks that each bar holds what is cut from it.
void expectSound(const BarPlan& plan, const std::vector<BarDemand>& wanted,
                 const std::vector<BarStock>& stock, Length kerf) {
  std::map<std::size_t, std::int64_t> seen;
  std::map<std::size_t, std::int64_t> used;
  for (const Bar& bar : plan.bars) {
    ++used[bar.stock];
    Length sum = -kerf;
    for (const std::size_t i : bar.cuts) {
      sum += wanted[i].length + kerf;
      ++seen[i];
    }
    EXPECT_LE(sum, stock[bar.stock].length);
  }
  for (const std::size_t i : plan.unplaced) ++seen[i];
  for (std::size_t i = 0; i < wanted.size(); ++i) EXPECT_EQ(seen[i], wanted[i].quantity) << i;
  for (std::size_t k = 0; k < stock.size(); ++k)
    EXPECT_LE(used[k], stock[k].quantity.value_or(1'000));
}

TEST(Bars, workedByHand) {
  struct Row {
    const char* name;
    std::vector<BarDemand> wanted;
    std::vector<BarStock> stock;
    Length kerf;
    std::size_t bars;
    bool proven;
  };
  const std::vector<BarStock> one = {{"a", mm(2400), {}, Money::whole(10)}};
  const Row rows[] = {
      {"the last piece may end with the bar", {{"x", mm(1198.5), 2}}, one, mm(3), 1, true},
      {"a kerf too much", {{"x", mm(1198.6), 2}}, one, mm(3), 2, true},
      // 3 of 796.6 and two kerfs are 2395.8; seven pieces need three bars.
      {"three a bar", {{"x", mm(796.6), 7}}, one, mm(3), 3, true},
      // Longest first puts 1300 + 1000 and is left with 700 + 700 + 600 + 400: two bars in all.
      {"two bars exactly",
       {{"a", mm(1300), 1},
        {"b", mm(1000), 1},
        {"c", mm(700), 2},
        {"d", mm(600), 1},
        {"e", mm(400), 1}},
       one,
       Length{},
       2,
       true},
      // First fit decreasing takes three bars, 12 + 6 + 6 twice is right.
      {"beyond first fit",
       {{"a", mm(1200), 2}, {"b", mm(700), 2}, {"c", mm(500), 2}},
       one,
       Length{},
       2,
       true},
      {"nothing wanted", {}, one, mm(3), 0, true},
  };
  for (const Row& row : rows) {
    const BarPlan plan = cutBars(row.wanted, row.stock, row.kerf);
    EXPECT_EQ(plan.bars.size(), row.bars) << row.name;
    EXPECT_EQ(plan.proven, row.proven) << row.name;
    expectSound(plan, row.wanted, row.stock, row.kerf);
  }
}

TEST(Bars, takesTheCheaperBars) {
  // Two 1500 bars at 4 hold what one 3000 bar at 10 holds.
  const std::vector<BarStock> stock = {{"long", mm(3000), {}, Money::whole(10)},
                                       {"short", mm(1500), {}, Money::whole(4)}};
  const BarPlan plan = cutBars({{"x", mm(1400), 2}}, stock, mm(3));
  EXPECT_EQ(plan.cost, Money::whole(8));
  EXPECT_TRUE(plan.proven);
}

TEST(Bars, saysWhatHasNoPlace) {
  const std::vector<BarStock> stock = {{"a", mm(2000), 1, Money{}}};
  const std::vector<BarDemand> wanted = {{"x", mm(2100), 1}, {"y", mm(900), 3}};
  const BarPlan plan = cutBars(wanted, stock, mm(3));
  EXPECT_EQ(plan.unplaced.size(), 2U);
  expectSound(plan, wanted, stock, mm(3));
}

TEST(Bars, widthsOfOneMaterialShareItsBars) {
  NestRequest request;
  request.barKerf = mm(3);
  request.barStock = {{"bar", mm(90), {"BAR", mm(1000), 2, Money::whole(8)}}};
  // 40 wide: two strips a bar, 90 + 3 over 40 + 3. Three pieces of 900 take both bars.
  request.barParts = {{"bar", mm(40), {"N", mm(900), 3, {}}},
                      {"bar", mm(60), {"W", mm(900), 1, {}}}};
  const auto lists = barLists(request);
  ASSERT_EQ(lists.size(), 2U);
  EXPECT_EQ(lists[0].parts, std::vector<std::size_t>{0});
  EXPECT_EQ(lists[0].plan.bars.size(), 3U);
  EXPECT_EQ(lists[0].plan.cost, Money::whole(12));
  EXPECT_EQ(barsFor(request, lists[0], 0), 2);
  EXPECT_EQ(lists[1].plan.unplaced.size(), 1U) << "no bar is left";
  request.barParts[0].wanted.quantity = 2;
  EXPECT_TRUE(barLists(request)[1].plan.unplaced.empty());
}

TEST(Bars, arePartOfEveryPlanAndPlayedBack) {
  NestRequest request;
  request.barKerf = mm(3);
  request.barStock = {{"bar", mm(90), {"BAR", mm(1000), 2, Money::whole(8)}}};
  request.barParts = {{"bar", mm(40), {"N", mm(900), 3, {}}}};
  Plan plan = nest::nest(request, test::steps(5));
  ASSERT_EQ(plan.bars.size(), 1U);
  EXPECT_TRUE(saw::verify(request, plan).empty());
  const auto refused = [&](const char* what, const auto& change) {
    Plan wrong = plan;
    change(wrong.bars[0].plan);
    EXPECT_FALSE(saw::verify(request, wrong).empty()) << what;
  };
  refused("a piece less", [](BarPlan& bars) { bars.bars[0].cuts.clear(); });
  refused("more than the bar holds", [](BarPlan& bars) {
    bars.bars[0].cuts.push_back(0);
    bars.bars[1].cuts.clear();
  });
  refused("more strips than bars", [](BarPlan& bars) {
    for (int i = 0; i < 2; ++i) bars.bars.push_back({0, {}, {}});
  });
  refused("an unknown bar", [](BarPlan& bars) { bars.bars[0].stock = 7; });
  refused("an unknown piece", [](BarPlan& bars) { bars.unplaced.push_back(7); });
  plan.bars.clear();
  EXPECT_FALSE(saw::verify(request, plan).empty()) << "no bars at all";
}

RC_GTEST_PROP(Bars, provenPlansAreNeverAboveAPlantedOne, ()) {
  const auto number = [](int from, int to) { return *rc::gen::inRange(from, to + 1); };
  const Length kerf = mm(3);
  const std::vector<BarStock> stock = {{"a", mm(3000), {}, Money::whole(1)}};
  std::vector<BarDemand> wanted;
  const int bars = number(1, 6);
  for (int b = 0; b < bars; ++b) {
    Length left = mm(3000);
    while (left > mm(200)) {
      const Length piece = std::min(left, mm(number(150, 1400)));
      wanted.push_back({"p" + std::to_string(wanted.size()), piece, 1});
      left -= piece + kerf;
    }
  }
  const BarPlan plan = cutBars(wanted, stock, kerf, 20'000);
  expectSound(plan, wanted, stock, kerf);
  if (plan.proven) RC_ASSERT(static_cast<int>(plan.bars.size()) <= bars);
}

}  // namespace
}  // namespace pp::nest::bars_test
