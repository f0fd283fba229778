// What comes through the gates of a route, against cases worked by hand.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/site/way_in.h"
#include "tests/core/support.h"

namespace pp::way_in_test {
namespace {

using test::mm;

Gate gate(GateKind kind, double width, double height, double depth = 0) {
  Gate out;
  out.kind = kind;
  out.width = mm(width);
  out.height = mm(height);
  out.depth = mm(depth);
  return out;
}

Gate turning(double width, double into, double height) {
  Gate out = gate(GateKind::Corridor, width, height);
  out.into = mm(into);
  return out;
}

Gate stairs() {
  Gate out = gate(GateKind::Stair, 800, 2'400, 800);
  out.turns = 1;
  out.pitch = Angle::degrees(35);
  return out;
}

TEST(WayIn, aBaseIsAsLongAsTheCornerTakes) {
  // 500 deep and 100 high round 900 and 900, under 2 400: on edge, 100 across, it turns at
  // (900 + 900) / sqrt 2 less 100, over a half: 2 345.58; tilted up on its end it is shorter still,
  // 2 300 x 500 under 2 400.
  const Load base{{mm(2'400), mm(500), mm(100)}, 0};
  EXPECT_TRUE(passes(base, turning(900, 900, 2'450)));
  const Gate low = turning(900, 900, 600);
  EXPECT_FALSE(passes(base, low));
  const Length most = longestThrough(base, low);
  EXPECT_GE(most, mm(2'345));
  EXPECT_LE(most, mm(2'399));
  EXPECT_TRUE(passes({{most, mm(500), mm(100)}, 0}, low));
  EXPECT_FALSE(passes({{most + mm(1), mm(500), mm(100)}, 0}, low));
}

TEST(WayIn, whatIsTooWideIsNotCuredByLength) {
  const Load chest{{mm(900), mm(800), mm(800)}, 0};
  EXPECT_EQ(longestThrough(chest, gate(GateKind::Door, 762, 2'000)), mm(762))
      << "762 long it goes in end first";
  EXPECT_EQ(longestThrough({{mm(900), mm(800), mm(800)}, 0}, gate(GateKind::Door, 700, 790)),
            Length{});
}

TEST(WayIn, theNarrowestGateCounts) {
  const Load piece{{mm(2'100), mm(620), mm(400)}, 40'000};
  std::vector<Gate> route = {gate(GateKind::Door, 762, 2'000), stairs()};
  EXPECT_EQ(longestThrough(piece, route), mm(2'100));
  route.push_back(gate(GateKind::Lift, 1'100, 1'400, 1'400));
  // Lying in 1 400 x 1 100, 400 across: at most 1 408.
  EXPECT_EQ(longestThrough(piece, route), mm(1'408));
  Gate two;
  two.kind = GateKind::People;
  two.people = 2;
  two.grams = 15'000;
  EXPECT_FALSE(passes(piece, two));
  // 30 of 40 kilograms: three quarters of it.
  EXPECT_EQ(longestThrough(piece, two), mm(1'575));
}

TEST(Gates, haveTheirFieldsAndNoOther) {
  Gate all = stairs();
  all.into = mm(900);
  all.people = 2;
  all.grams = 1;
  using Names = std::vector<std::string>;
  EXPECT_EQ(unusedFields(all), (Names{"into", "people", "grams"}));
  all.kind = GateKind::Door;
  EXPECT_EQ(unusedFields(all), (Names{"depth", "into", "turns", "pitch", "people", "grams"}));
  all.kind = GateKind::People;
  EXPECT_EQ(unusedFields(all), (Names{"width", "height", "depth", "into", "turns", "pitch"}));
  EXPECT_EQ(missingFields(Gate{}), (Names{"width", "height"}));
  EXPECT_EQ(missingFields(gate(GateKind::Lift, 1'100, 2'000)), Names{"depth"});
  Gate straight = gate(GateKind::Stair, 800, 2'400);
  EXPECT_TRUE(missingFields(straight).empty()) << "without a turn it needs no landing";
  straight.turns = 1;
  EXPECT_EQ(missingFields(straight), Names{"depth"});
}

TEST(WayIn, beginsOnAFlatSurface) {
  Gate bench;
  bench.kind = GateKind::Flat;
  EXPECT_EQ(missingFields(bench), std::vector<std::string>{"width"});
  bench.width = mm(2'000);
  EXPECT_TRUE(passes({{mm(500), mm(2'000), mm(400)}, 0}, bench));
  EXPECT_FALSE(passes({{mm(500), mm(2'001), mm(400)}, 0}, bench));
  EXPECT_EQ(longestThrough({{mm(2'900), mm(600), mm(40)}, 0}, bench), mm(2'000));
}

RC_GTEST_PROP(WayIn, theLongestPassesAndNothingShorterIsStopped, ()) {
  const auto pick = [](int from, int to) { return Length::mm(*rc::gen::inRange(from, to)); };
  const Load load{{pick(300, 3'000), pick(100, 900), pick(50, 700)}, 0};
  Gate one;
  one.kind = *rc::gen::element(GateKind::Door, GateKind::Corridor, GateKind::Stair, GateKind::Lift,
                               GateKind::Van, GateKind::Flat);
  one.width = pick(500, 1'400);
  one.height = pick(1'800, 2'600);
  one.depth = pick(500, 2'000);
  one.into = pick(500, 1'400);
  one.turns = 1;
  one.pitch = Angle::degrees(35);
  const Length most = longestThrough(load, one);
  RC_ASSERT(most <= load.box[0]);
  if (most == Length{}) return;
  RC_ASSERT(passes({{most, load.box[1], load.box[2]}, 0}, one));
  const Length shorter = most / 2;
  RC_ASSERT(passes({{shorter, load.box[1], load.box[2]}, 0}, one));
}

}  // namespace
}  // namespace pp::way_in_test
