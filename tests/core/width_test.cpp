// The width between walls that are neither straight nor plumb, against cases worked by hand.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/site/width.h"
#include "tests/core/support.h"

namespace pp::width_test {
namespace {

using test::mm;

Length in(int whole, int part = 0, int of = 1) {
  return Length::in(whole, part, of);
}

TEST(FreeWidth, wallsThatLeanTheSameWay) {
  // 1 000 at every height, both tops 25 to the right.
  const FreeWidth both =
      freeWidth({{Length{}, mm(1'000)}, {mm(1'000), mm(1'000)}, {mm(2'000), mm(1'000)}},
                {mm(25), mm(2'000)}, Length{}, mm(2'000), mm(20));
  EXPECT_EQ(both.free, mm(975));
  EXPECT_EQ(both.built, mm(955));
  EXPECT_EQ(both.cover, mm(45));
  // A unit half as high meets half of it.
  EXPECT_EQ(freeWidth({{Length{}, mm(1'000)}, {mm(2'000), mm(1'000)}}, {mm(25), mm(2'000)},
                      Length{}, mm(1'000), mm(20))
                .free,
            mm(987.5));
  // And hung above the floor only what is there: from 1 000 to 2 000, 12.5.
  EXPECT_EQ(
      freeWidth({{Length{}, mm(1'000)}}, {mm(-25), mm(2'000)}, mm(1'000), mm(2'000), Length{}).free,
      mm(987.5));
}

TEST(FreeWidth, anAlcoveNarrowerInTheMiddle) {
  const std::vector<WidthAt> widths = {
      {mm(50), mm(1'204)}, {mm(1'100), mm(1'197)}, {mm(2'100), mm(1'208)}};
  const FreeWidth plumb = freeWidth(widths, {}, Length{}, mm(2'100), mm(20));
  EXPECT_EQ(plumb.free, mm(1'197));
  EXPECT_EQ(plumb.built, mm(1'177));
  EXPECT_EQ(plumb.cover, mm(31)) << "1 208 less that";
  // A base unit of 600 reaches 550 of the 1 050 between the first two: 1 204 less 7 x 550 / 1 050.
  EXPECT_NEAR(freeWidth(widths, {}, Length{}, mm(600), Length{}).free.inMm(), 1'204 - 3.666667,
              1e-5);
  // In any order of reading.
  EXPECT_EQ(freeWidth({widths[2], widths[0], widths[1]}, {}, Length{}, mm(2'100), mm(20)).free,
            mm(1'197));
}

TEST(FreeWidth, inInches) {
  // 36 at the floor, 36 1/4 at 72, the left wall's top 3/8 to the right over 72: at the top the
  // left wall stands at 3/8, the right one at 36 5/8; at the floor at 0 and 36.
  const FreeWidth out = freeWidth({{Length{}, in(36)}, {in(72), in(36, 1, 4)}},
                                  {in(0, 3, 8), in(72)}, Length{}, in(72), in(0, 3, 4));
  EXPECT_EQ(out.free, in(35, 5, 8));
  EXPECT_EQ(out.built, in(34, 7, 8));
  EXPECT_EQ(out.cover, in(1, 3, 8));
}

RC_GTEST_PROP(FreeWidth, smallerAllowancesAndLowerUnitsNeverShrinkIt, ()) {
  const auto pick = [](int from, int to) { return Length::um(*rc::gen::inRange(from, to)); };
  std::vector<WidthAt> widths;
  const int n = *rc::gen::inRange(1, 5);
  for (int i = 0; i < n; ++i) widths.push_back({pick(0, 2'400'000), pick(900'000, 1'100'000)});
  const Lean lean{pick(-40'000, 40'000), Length::mm(2'000)};
  const Length top = pick(300'000, 2'400'000);
  const Length allowance = pick(0, 30'000);
  const FreeWidth out = freeWidth(widths, lean, Length{}, top, allowance);
  RC_ASSERT(freeWidth(widths, lean, Length{}, top, allowance / 2).built >= out.built);
  RC_ASSERT(freeWidth(widths, lean, Length{}, top / 2, allowance).free + Length::um(1) >= out.free);
  // No more than any width that was read within its height.
  for (const WidthAt& one : widths)
    if (one.up <= top) RC_ASSERT(out.free <= one.width);
  RC_ASSERT(out.cover >= allowance);
}

}  // namespace
}  // namespace pp::width_test
