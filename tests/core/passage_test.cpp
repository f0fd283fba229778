// The way in: the formulas against cases worked by hand and against a search by small steps.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numbers>

#include "core/site/passage.h"
#include "tests/core/support.h"

namespace pp::passage_test {
namespace {

using test::mm;

TEST(CorridorCorner, theLongestThatTurns) {
  // 900 and 900: (900 + 900) / sqrt 2 less 600, over a half: 1 345.58.
  EXPECT_NEAR(longestRoundCorner(mm(900), mm(900), mm(600)).inMm(), 1'345.584, 0.01);
  EXPECT_NEAR(longestRoundCorner(mm(800), mm(800), mm(400)).inMm(), 1'462.742, 0.01);
  // Of no width: the ladder round the corner, (a^2/3 + b^2/3)^3/2 of 1 000 and 1 000.
  EXPECT_NEAR(longestRoundCorner(mm(1'000), mm(1'000), Length{}).inMm(), 2'828.427, 0.01);
  EXPECT_EQ(longestRoundCorner(mm(900), mm(900), mm(900)), Length{});
  // Too long to turn, but it can be pushed sideways: 800 across one, 1 200 across the other.
  EXPECT_TRUE(passesCorner(mm(800), mm(1'200), mm(800), mm(1'200)));
  EXPECT_FALSE(passesCorner(mm(800), mm(1'200), mm(801), mm(1'200)));
}

// A rectangle is turned by a hundredth of a right angle at a time with its ends at the outer walls;
// no point of its inner side may lie beyond the inner corner.
bool turnsBySteps(double a, double b, double wide, double along) {
  constexpr int kTurns = 400;
  constexpr int kPoints = 200;
  for (int i = 1; i < kTurns; ++i) {
    const double t = std::numbers::pi / 2 * i / kTurns;
    // The outer side from (along cos t, 0) to (0, along sin t); the inner one `wide` beyond it.
    const double nx = std::sin(t);
    const double ny = std::cos(t);
    for (int k = 0; k <= kPoints; ++k) {
      const double s = static_cast<double>(k) / kPoints;
      const double x = along * std::cos(t) * (1 - s) + nx * wide;
      const double y = along * std::sin(t) * s + ny * wide;
      if (x > a && y > b) return false;
    }
  }
  return true;
}

RC_GTEST_PROP(CorridorCorner, isNeverOptimistic, ()) {
  const auto pick = [](int from, int to) {
    return static_cast<double>(*rc::gen::inRange(from, to));
  };
  const double a = pick(300, 2'000);
  const double b = pick(300, 2'000);
  const double wide = pick(1, static_cast<int>(std::min(a, b)));
  const double longest = longestRoundCorner(mm(a), mm(b), mm(wide)).inMm();
  RC_ASSERT(longest > 0);
  RC_ASSERT(turnsBySteps(a, b, wide, longest));
  // Nor far too careful: two percent longer is stuck, as fine as the steps are.
  RC_ASSERT(!turnsBySteps(a, b, wide, longest * 1.02 + 2));
}

RC_GTEST_PROP(Passage, aLargerRoomNeverStopsWhatFits, ()) {
  const auto pick = [](int from, int to) { return Length::mm(*rc::gen::inRange(from, to)); };
  const BoxSides box = {pick(50, 2'400), pick(50, 1'200), pick(50, 800)};
  const Length a = pick(300, 1'500), b = pick(300, 1'500), high = pick(1'800, 2'600);
  const Length more = pick(0, 500);
  const BoxSides turned = {box[2], box[0], box[1]};
  RC_ASSERT(roundCorner(box, a, b, high).has_value() ==
            roundCorner(turned, a, b, high).has_value());
  if (roundCorner(box, a, b, high)) {
    RC_ASSERT(roundCorner(box, a + more, b, high).has_value());
    RC_ASSERT(roundCorner(box, a, b, high + more).has_value());
  }
  if (throughDoor(box, a, high)) RC_ASSERT(throughDoor(box, a + more, high).has_value());
  if (goesIn(box, a, b, high)) RC_ASSERT(goesIn(box, a, b + more, high).has_value());
  Stair stair{a, b, 1, high, Angle::degrees(35)};
  if (upStair(box, stair)) {
    stair.wide += more;
    RC_ASSERT(upStair(box, stair).has_value());
    stair.landing += more;
    stair.headroom += more;
    RC_ASSERT(upStair(box, stair).has_value());
  }
}

TEST(Door, byTheTwoSmallestSides) {
  const BoxSides box = {mm(2'100), mm(620), mm(400)};
  EXPECT_TRUE(throughDoor(box, mm(620), mm(2'000)));
  EXPECT_TRUE(throughDoor(box, mm(400), mm(620)));
  EXPECT_FALSE(throughDoor(box, mm(399), mm(2'000)));
  EXPECT_FALSE(throughDoor(box, mm(619), mm(399)));
  EXPECT_EQ(throughDoor(box, mm(762), mm(2'000))->along, mm(2'100)) << "lying, where it can";
}

TEST(Tilt, planAndHeight) {
  // 2 000 x 300 at 30 degrees: 1 732.05 + 150, 1 000 + 259.81.
  EXPECT_NEAR(tiltedPlan(mm(2'000), mm(300), Angle::degrees(30)).inMm(), 1'882.051, 1e-3);
  EXPECT_NEAR(tiltedHeight(mm(2'000), mm(300), Angle::degrees(30)).inMm(), 1'259.808, 1e-3);
  // 2 300 x 600 x 300 round 900 and 900: 2 099 lying would be the most for 300; tilted it goes.
  const BoxSides box = {mm(2'300), mm(600), mm(300)};
  const auto carried = roundCorner(box, mm(900), mm(900), mm(2'200));
  ASSERT_TRUE(carried);
  EXPECT_GT(carried->tilt, Angle{});
  EXPECT_LE(tiltedHeight(carried->along, carried->upright, carried->tilt), mm(2'200));
  EXPECT_FALSE(roundCorner(box, mm(900), mm(900), mm(700))) << "nowhere to tilt it to";
}

TEST(Lift, straightOrOnTheSlant) {
  // 1 400 x 1 100 takes a piece 400 wide that is at most 1 408 long.
  EXPECT_TRUE(liesIn(mm(1'408), mm(400), mm(1'400), mm(1'100)));
  EXPECT_FALSE(liesIn(mm(1'409), mm(400), mm(1'400), mm(1'100)));
  EXPECT_TRUE(liesIn(mm(400), mm(1'408), mm(1'100), mm(1'400))) << "whichever way it is named";
  EXPECT_TRUE(liesIn(mm(1'400), mm(1'100), mm(1'400), mm(1'100)));
  EXPECT_FALSE(liesIn(mm(1'400), mm(1'101), mm(1'400), mm(1'100)));
  // A line goes as far as the diagonal, 1 780.45.
  EXPECT_TRUE(liesIn(mm(1'780), mm(0.1), mm(1'400), mm(1'100)));
  EXPECT_FALSE(liesIn(mm(1'781), mm(0.1), mm(1'400), mm(1'100)));
  const BoxSides box = {mm(2'100), mm(700), mm(400)};
  EXPECT_EQ(goesIn(box, mm(1'400), mm(1'100), mm(2'200))->upright, mm(2'100));
  EXPECT_FALSE(goesIn(box, mm(1'400), mm(1'100), mm(2'000)));
}

TEST(Stairs, lyingNoUprightYes) {
  Stair stair{mm(800), mm(800), 1, mm(2'400), Angle::degrees(35)};
  const BoxSides box = {mm(2'100), mm(620), mm(400)};
  // Lying, 400 across, 1 463 is the most. Upright 2 100 + 400 x tan 35 = 2 380.
  const auto carried = upStair(box, stair);
  ASSERT_TRUE(carried);
  EXPECT_EQ(carried->upright, mm(2'100));
  EXPECT_EQ(carried->along, mm(400)) << "with its depth along the flight";
  stair.headroom = mm(2'380);
  EXPECT_FALSE(upStair(box, stair)) << "2 380.08";
  stair.headroom = mm(2'381);
  EXPECT_TRUE(upStair(box, stair));
  stair.turns = 0;
  stair.headroom = mm(2'000);
  EXPECT_EQ(upStair(box, stair)->along, mm(2'100)) << "straight up it lies";
}

TEST(TipUp, byItsDiagonal) {
  // sqrt(2 300² + 600²) = 2 376.97
  EXPECT_FALSE(canTipUp(mm(2'300), mm(900), mm(600), mm(2'350)));
  EXPECT_TRUE(canTipUp(mm(2'300), mm(900), mm(600), mm(2'377)));
  EXPECT_TRUE(canTipUp(mm(2'300), mm(400), mm(600), mm(2'350))) << "over its narrower side";
}

}  // namespace
}  // namespace pp::passage_test
