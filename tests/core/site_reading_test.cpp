// Two blind readings and what a third one says, against cases worked by hand.
#include <gtest/gtest.h>

#include "core/site/reading.h"
#include "tests/core/support.h"

namespace pp::site_reading_test {
namespace {

using test::mm;

Length in(int whole, int part = 0, int of = 1) {
  return Length::in(whole, part, of);
}

TEST(TwoReadings, agreeWithinTheTolerance) {
  const auto space = [](double a, double b) {
    return judge({mm(a), mm(b), {}}, ReadFor::Space, Unit::Millimetre);
  };
  EXPECT_EQ(space(2'940, 2'942).size, mm(2'940)) << "what must go in counts the smaller";
  EXPECT_TRUE(space(2'940, 2'942).confirmed);
  EXPECT_FALSE(space(2'940, 2'942.1).confirmed);
  EXPECT_EQ(judge({mm(94), mm(95), {}}, ReadFor::Clearing, Unit::Millimetre).size, mm(95));
  EXPECT_TRUE(judge({in(30), in(30, 1, 16), {}}, ReadFor::Space, Unit::Inch).confirmed);
  EXPECT_FALSE(judge({in(30), in(30, 5, 64), {}}, ReadFor::Space, Unit::Inch).confirmed);
}

TEST(TwoReadings, oneAloneIsNotConfirmed) {
  const Judged one = judge({mm(700), {}, {}}, ReadFor::Space, Unit::Millimetre);
  EXPECT_EQ(one.size, mm(700));
  EXPECT_FALSE(one.confirmed);
  EXPECT_FALSE(one.wantsThird);
  EXPECT_FALSE(judge({}, ReadFor::Space, Unit::Millimetre).size);
}

TEST(TwoReadings, slipsAreNamed) {
  struct Row {
    Length a, b;
    Unit unit;
    Slip slip;
  };
  const Row rows[] = {{mm(45), mm(54), Unit::Millimetre, Slip::DigitsSwapped},
                      {mm(69), mm(96), Unit::Millimetre, Slip::DigitsSwapped},
                      {mm(1'240), mm(1'420), Unit::Millimetre, Slip::DigitsSwapped},
                      {in(45, 1, 2), in(54, 1, 2), Unit::Inch, Slip::DigitsSwapped},
                      {in(45, 1, 2), in(54, 3, 4), Unit::Inch, Slip::Apart},
                      {in(12, 3, 8), in(12, 5, 8), Unit::Inch, Slip::OtherSide},
                      {in(12, 3, 8), in(13, 5, 8), Unit::Inch, Slip::Apart},
                      {mm(243), mm(247), Unit::Millimetre, Slip::OtherSide},
                      {in(30), in(31), Unit::Inch, Slip::BurntInch},
                      {mm(1'000), mm(1'025.4), Unit::Millimetre, Slip::BurntInch},
                      {mm(1'300), mm(1'400), Unit::Millimetre, Slip::BurntDecimetre},
                      {mm(1'303), mm(1'313), Unit::Millimetre, Slip::BurntCentimetre},
                      {mm(1'300), mm(1'317), Unit::Millimetre, Slip::Apart}};
  for (const Row& row : rows) {
    EXPECT_EQ(slipBetween(row.a, row.b, row.unit), row.slip) << row.a.inMm();
    EXPECT_EQ(slipBetween(row.b, row.a, row.unit), row.slip) << row.b.inMm();
  }
  EXPECT_EQ(slipWords(Slip::DigitsSwapped, mm(45), mm(54), {}),
            "45 and 54: two digits changed places");
}

TEST(ThirdReading, decides) {
  const auto third = [](double a, double b, double c) {
    return judge({mm(a), mm(b), mm(c)}, ReadFor::Space, Unit::Millimetre);
  };
  EXPECT_TRUE(judge({mm(1'240), mm(1'420), {}}, ReadFor::Space, Unit::Millimetre).wantsThird);
  EXPECT_EQ(third(1'240, 1'420, 1'421).size, mm(1'420));
  EXPECT_TRUE(third(1'240, 1'420, 1'421).confirmed);
  EXPECT_EQ(third(1'240, 1'420, 1'239).size, mm(1'239));
  // Between two that are 3 apart it agrees with both: the least of all counts.
  EXPECT_EQ(third(1'000, 1'003, 1'001.5).size, mm(1'000));
  const Judged none = third(1'240, 1'420, 1'330);
  EXPECT_FALSE(none.confirmed);
  EXPECT_TRUE(none.wantsThird);
  EXPECT_EQ(none.size, mm(1'240)) << "the safe one, until it is known";
}

}  // namespace
}  // namespace pp::site_reading_test
