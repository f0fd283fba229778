// Readings of a thickness: what they come to, and the gauge that stands in for one.
#include "devices/gauge.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/shop/lot_thickness.h"
#include "tests/core/support.h"

namespace pp::gauge_test {
namespace {

using test::mm;

TEST(LotThickness, byHand) {
  struct Case {
    const char* name;
    std::vector<double> readings;
    double mean, spread;
    std::vector<std::size_t> outliers;
  };
  const Case cases[] = {
      {"one", {17.9}, 17.9, 0, {}},
      {"three, however far apart", {17.9, 18.9, 17.9}, 18.23, 1, {}},
      {"rounded to a hundredth", {17.9, 17.91, 17.91, 17.91}, 17.91, 0.01, {}},
      // Median 17.9; the others lie 0 to 0.1 off it, the burr 0.9.
      {"a burr", {17.8, 17.9, 17.9, 18.0, 18.8}, 17.9, 0.2, {4}},
      {"a sheet of another lot", {18.2, 17.9, 17.92, 17.9, 17.88, 17.9}, 17.9, 0.04, {0}},
      // Median 17.85, median distance 0.2, so up to 0.89 counts.
      {"a lot that varies is no burr", {17.7, 18.0, 17.6, 18.1}, 17.85, 0.5, {}},
      // All alike: a fifth of a millimetre still counts.
      {"a fifth", {18, 18, 18, 18.2}, 18.05, 0.2, {}},
      {"more than a fifth", {18, 18, 18, 18.21}, 18, 0, {3}}};
  for (const Case& one : cases) {
    std::vector<Length> readings;
    for (const double reading : one.readings) readings.push_back(mm(reading));
    const auto out = thicknessOf(readings);
    ASSERT_TRUE(out) << one.name;
    EXPECT_EQ(out->mean, mm(one.mean)) << one.name;
    EXPECT_EQ(out->spread, mm(one.spread)) << one.name;
    EXPECT_EQ(out->outliers, one.outliers) << one.name;
  }
  EXPECT_FALSE(thicknessOf({}));
}

// The mean lies among what counts, and the order of reading changes nothing but the places.
RC_GTEST_PROP(LotThickness, liesWithinItsReadings, ()) {
  std::vector<Length> readings;
  for (int n = *rc::gen::inRange(1, 12); n > 0; --n)
    readings.push_back(Length::um(*rc::gen::inRange(17'000, 19'000)));
  const auto out = thicknessOf(readings);
  RC_ASSERT(out.has_value());
  RC_ASSERT(out->outliers.size() < readings.size());
  Length low = *std::max_element(readings.begin(), readings.end());
  Length high;
  for (std::size_t i = 0; i < readings.size(); ++i)
    if (std::find(out->outliers.begin(), out->outliers.end(), i) == out->outliers.end()) {
      low = std::min(low, readings[i]);
      high = std::max(high, readings[i]);
    }
  RC_ASSERT(high - low == out->spread);
  RC_ASSERT(out->mean >= low - Length::um(5) && out->mean <= high + Length::um(5));
  std::reverse(readings.begin(), readings.end());
  RC_ASSERT(thicknessOf(readings)->mean == out->mean);
}

TEST(Gauge, readsWhenItIsAskedAndOnce) {
  const auto gauge = simulatedGauge(GaugeManner::Steady, mm(17.9), 1);
  EXPECT_FALSE(gauge->take());
  gauge->ask();
  EXPECT_EQ(gauge->take(), mm(17.9));
  EXPECT_FALSE(gauge->take());
}

TEST(Gauge, thatIsLateIsLookedForAgain) {
  const auto gauge = simulatedGauge(GaugeManner::Late, mm(17.9), 1);
  gauge->ask();
  for (int look = 0; look < 3; ++look) EXPECT_FALSE(gauge->take()) << look;
  EXPECT_EQ(gauge->take(), mm(17.9));
}

TEST(Gauge, whosNoiseIsFoundOut) {
  const auto gauge = simulatedGauge(GaugeManner::Noisy, mm(17.9), 7);
  std::vector<Length> readings;
  for (int i = 0; i < 14; ++i) {
    gauge->ask();
    readings.push_back(*gauge->take());
  }
  const auto out = thicknessOf(readings);
  EXPECT_EQ(out->outliers, (std::vector<std::size_t>{6, 13})) << "every seventh is on a burr";
  EXPECT_LE(out->spread, mm(0.2));
  EXPECT_NEAR(out->mean.inMm(), 17.9, 0.1);
  EXPECT_EQ(gaugeManner("late"), GaugeManner::Late);
  EXPECT_FALSE(gaugeManner("loud"));
}

}  // namespace
}  // namespace pp::gauge_test
