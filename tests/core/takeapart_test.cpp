// The search for an order, on figures that stand for things; and whether bodies get past others.
#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

#include "core/assembly/takeapart.h"
#include "core/parts/way.h"

namespace pp::bench::takeapart_test {
namespace {

Puzzle row(std::size_t count) {
  Puzzle out;
  out.count = count;
  out.blocked.assign(count * count, 0);
  out.awkward.assign(count * count, 0);
  for (std::size_t i = 0; i < count; ++i) out.late.push_back(static_cast<double>(i));
  out.sort.assign(count, 0);
  out.before = {0, 0};
  out.preferred.assign(count, {0, 1});
  return out;
}

std::vector<std::vector<std::size_t>> thingsOf(const std::vector<TakenOut>& order) {
  std::vector<std::vector<std::size_t>> out;
  for (const TakenOut& one : order) out.push_back(one.things);
  return out;
}
using Order = std::vector<std::vector<std::size_t>>;

TEST(TakingApart, theLatestThatIsFreeGoesFirst) {
  Puzzle puzzle = row(3);
  EXPECT_EQ(thingsOf(takenApart(puzzle)), Order({{2}, {1}, {0}}));
  // 0 is in the way of 2 both ways, so 1 goes, then 0, and 2 is what is left.
  puzzle.blocked[2 * 3 + 0] = 3;
  EXPECT_EQ(thingsOf(takenApart(puzzle)), Order({{1}, {0}, {2}}));
  // Only one way: it goes the other.
  puzzle.blocked[2 * 3 + 0] = 1;
  const auto order = takenApart(puzzle);
  EXPECT_EQ(thingsOf(order), Order({{2}, {1}, {0}}));
  EXPECT_EQ(order[0].way, 1);
}

TEST(TakingApart, whatHoldsOneAnotherGoesAsOne) {
  Puzzle puzzle = row(3);
  // 1 and 2 hold one another, and 0 holds neither; none goes alone.
  puzzle.blocked[1 * 3 + 2] = puzzle.blocked[2 * 3 + 1] = 3;
  puzzle.blocked[0 * 3 + 1] = puzzle.blocked[0 * 3 + 2] = 3;
  const auto order = takenApart(puzzle);
  ASSERT_EQ(order.size(), 2U);
  EXPECT_EQ(order[0].things, (std::vector<std::size_t>{1, 2}));
  EXPECT_FALSE(order[0].forced);
  // What is left of them is taken apart by itself, by force.
  const auto inside = takenApart(puzzle, order[0].things);
  ASSERT_EQ(inside.size(), 2U);
  EXPECT_TRUE(inside[0].forced);
}

TEST(TakingApart, aDriverWantsWhatIsInItsWayOutFirst) {
  Puzzle puzzle = row(3);
  // 2 is screwed to 1 past 0.
  puzzle.driven = {{1, 2, {0}}};
  auto order = takenApart(puzzle);
  EXPECT_EQ(thingsOf(order), Order({{0}, {2}, {1}}));
  EXPECT_FALSE(order[0].unreached || order[1].unreached);
  // Held by both, 0 cannot go before: then it is said.
  puzzle.blocked[0 * 3 + 1] = puzzle.blocked[0 * 3 + 2] = 3;
  order = takenApart(puzzle);
  EXPECT_TRUE(std::any_of(order.begin(), order.end(),
                          [](const TakenOut& one) { return one.unreached.has_value(); }));
}

// Each goes as it then can, and says what is wrong with it.
TEST(TakingApart, inAnOrderThatIsGivenWhatIsWrongIsSaid) {
  Puzzle puzzle = row(3);
  // 2 comes out past 0 only the second way, and not past 1 at all; 1 is screwed to 0 past 2.
  puzzle.blocked[2 * 3 + 0] = 0b01;
  puzzle.blocked[2 * 3 + 1] = 0b11;
  puzzle.driven = {{0, 1, {2}}};
  puzzle.sort = {0, 1, 0};
  puzzle.before = {0b10, 0};  // 0 and 2 are in place before 1
  auto order = takenInOrder(puzzle, {{2}, {1}, {0}});
  ASSERT_EQ(thingsOf(order), Order({{2}, {1}, {0}}));
  EXPECT_TRUE(order[0].forced);
  EXPECT_EQ(order[0].past, 1U);
  EXPECT_FALSE(order[0].unreached || order[1].unreached);
  EXPECT_EQ(order[0].tooLate, 1U) << "1 is there and comes after it";
  EXPECT_EQ(order[2].way, -1);
  order = takenInOrder(puzzle, {{1}, {2}, {0}});
  EXPECT_EQ(order[0].unreached, 0U) << "2 is in the way of the driver";
  EXPECT_FALSE(order[0].tooLate);
  EXPECT_FALSE(order[1].forced);
  EXPECT_EQ(order[1].way, 1);
  // Two as one hold one another no more.
  order = takenInOrder(puzzle, {{2, 1}, {0}});
  EXPECT_FALSE(order[0].forced);
  EXPECT_EQ(order[0].way, 1);
}

TEST(TakingApart, theOrderOfWorkGoesBeforeWhatIsLate) {
  Puzzle puzzle = row(3);
  // 2 is of a sort that is in place before that of 0.
  puzzle.sort = {1, 0, 0};
  puzzle.before = {0b10, 0};
  EXPECT_EQ(thingsOf(takenApart(puzzle)), Order({{0}, {2}, {1}}));
}

TEST(Way, boxesGetPastOneAnotherOrNot) {
  const auto box = [](Vec low, Vec high) {
    Part part;
    part.length = Reason("l", Length::um(std::llround((high.x - low.x) * 1000)));
    part.width = Reason("w", Length::um(std::llround((high.y - low.y) * 1000)));
    part.thickness = Length::um(std::llround((high.z - low.z) * 1000));
    const Pose pose{{Length::um(std::llround(low.x * 1000)), Length::um(std::llround(low.y * 1000)),
                     Length::um(std::llround(low.z * 1000))},
                    {Axis::X, 1},
                    {Axis::Y, 1},
                    {Axis::Z, 1}};
    return hullOf(solidOf(part, pose).front());
  };
  const Hull still = box({0, 0, 0}, {100, 100, 100});
  const Hull beside = box({100, 0, 0}, {200, 100, 100});  // touches it
  EXPECT_FALSE(comesThrough(beside, {1, 0, 0}, still));
  EXPECT_TRUE(comesThrough(beside, {-1, 0, 0}, still));
  EXPECT_FALSE(comesThrough(beside, {0, 1, 0}, still)) << "slides along";
  const Hull far = box({500, 0, 0}, {600, 100, 100});
  EXPECT_TRUE(comesThrough(far, {-1, 0, 0}, still));
  EXPECT_FALSE(comesThrough(far, {-1, 0, 0}, still, 399)) << "stops before it";
  EXPECT_TRUE(comesThrough(far, {-1, 0, 0}, still, 401));
  const double slant = std::sqrt(0.5);
  EXPECT_TRUE(comesThrough(box({200, 200, 0}, {210, 210, 100}), {-slant, -slant, 0}, still));
  EXPECT_FALSE(comesThrough(box({200, 400, 0}, {210, 410, 100}), {-slant, -slant, 0}, still));
  EXPECT_TRUE(lineComesThrough({-50, 50, 50}, {50, 50, 50}, still));
  EXPECT_FALSE(lineComesThrough({-50, 50, 50}, {-1, 50, 50}, still)) << "ends before it";
  EXPECT_FALSE(lineComesThrough({-50, 100, 50}, {200, 100, 50}, still)) << "runs along its face";
}

}  // namespace
}  // namespace pp::bench::takeapart_test
