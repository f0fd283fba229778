#include <gtest/gtest.h>

#include "pictures/paint/tape_picture.h"
#include "pictures/paint/wood.h"

namespace pp::mapping_test {
namespace {

TEST(Mapping, fitsAndCentresBothWaysUp) {
  const Mapping down =
      Mapping::fit(Length::mm(1000), Length::mm(500), QRectF(0, 0, 200, 200), false);
  EXPECT_DOUBLE_EQ(down.scale, 0.2);
  EXPECT_EQ(down.rect({}, {}, Length::mm(1000), Length::mm(500)), QRectF(0, 50, 200, 100));
  const Mapping up = Mapping::fit(Length::mm(1000), Length::mm(500), QRectF(0, 0, 200, 200), true);
  EXPECT_EQ(up.rect({}, {}, Length::mm(100), Length::mm(100)), QRectF(0, 130, 20, 20));
}

TEST(Tape, marksTheNearestTickAndItsLookAlikes) {
  LengthStyle inches;
  inches.unit = Unit::Inch;
  inches.denominator = 16;
  // 18 9/16: look for it between 18 1/2 and 18 5/8.
  TapeScale scale = tapeScale(Length::in(18, 9, 16), inches);
  EXPECT_EQ(scale.nearest, 18 * 16 + 9);
  EXPECT_EQ(scale.lookAlike, 1);
  scale = tapeScale(Length::in(18, 3, 4), inches);
  EXPECT_EQ(scale.lookAlike, 4);  // 18 1/2 and 19
  scale = tapeScale(Length::um(595'300), {});
  EXPECT_EQ(scale.nearest, 595);
  EXPECT_EQ(scale.lookAlike, 5);
}

}  // namespace
}  // namespace pp::mapping_test
