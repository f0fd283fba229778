// Cases that are open above, stand on their sides' ends or hold their back in channels, each
// against sizes worked by hand, in millimetres and inches.
#include <gtest/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/kinds/carcass/layout.h"
#include "tests/core/support.h"

namespace pp {
namespace {

using test::mm;

// 600 × 720 × 560 of 18 in dados 6 deep, back 6 in rabbets 9 deep with 1.5 clearance; a divider.
Carcass divided() {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.content = Split{SplitBy::Dividers, {{}, {}}, {{}, {}}};
  return carcass;
}

// "bottom 576 × 560 at 80": length, width and height of the lowest point.
std::string said(const Breakdown& breakdown, PartRole role) {
  for (const Part& part : breakdown.parts)
    if (part.role == role) {
      Length low = part.poses[0].place(part.board()).low[2];
      return formatMm(part.length.total()) + " × " + formatMm(part.width.total()) + " at " +
             formatMm(low);
    }
  return "none";
}

std::string troubleOf(const Carcass& carcass) {
  const Breakdown out = breakDown(test::jobWith(carcass));
  return out.troubles.empty() ? std::string() : out.troubles[0].problem.field;
}

// 720 − 80 − 2 × 18 = 604 clear; the back 604 + 18 − 1.5 = 620.5 from 80 + 18 − 9 + 0.75; the
// divider 604 + 12. The dado for the bottom begins 80 up in the sides.
TEST(Case, aRaisedBottomTakesOpeningsAndBackUpWithIt) {
  Carcass carcass = divided();
  carcass.raised = mm(80);
  const Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(said(out, PartRole::LeftSide), "720 × 560 at 0");
  EXPECT_EQ(said(out, PartRole::Bottom), "576 × 560 at 80");
  EXPECT_EQ(said(out, PartRole::Divider), "616 × 554 at 92");
  EXPECT_EQ(said(out, PartRole::Back), "620.5 × 580.5 at 89.75");
  for (const Part& part : out.parts)
    if (part.role == PartRole::LeftSide)
      for (const Machining& cut : part.machining)
        if (cut.receives == "bottom") {
          EXPECT_EQ(cut.u0, mm(80));
        }
  EXPECT_EQ(said(out, PartRole::KickBoard), "none");
  carcass.toe = Toe{};
  EXPECT_EQ(troubleOf(carcass), "raised bottom");
  carcass.toe.reset();
  carcass.top = TopSchool::Mitred;
  EXPECT_EQ(troubleOf(carcass), "raised bottom");
}

// Open above: 720 − 18 = 702 clear; the divider 702 + 6 in the bottom's dado only; the back in
// three rabbets, 702 + 9 − 1.5 high, ends at the sides' ends.
TEST(Case, openAbove) {
  Carcass carcass = divided();
  carcass.top = TopSchool::None;
  const Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(said(out, PartRole::Top), "none");
  EXPECT_EQ(said(out, PartRole::Divider), "708 × 554 at 12");
  EXPECT_EQ(said(out, PartRole::Back), "709.5 × 580.5 at 9.75");
  const CarcassLayout layout =
      layOut(test::jobWith(carcass), test::jobWith(carcass).assemblies[0]).value();
  EXPECT_EQ(layout.leaves[0].rect.height, mm(702));
}

// In channels 9 deep, set in by 12: everything inside 560 − 12 − 6 = 542 deep; the back 684 + 36
// − 1.5 high over the rear edges of top and bottom, 564 + 18 − 1.5 wide; grooves in the sides
// alone.
TEST(Case, aBackInChannelsOfTheSides) {
  Carcass carcass = divided();
  carcass.back.school = BackSchool::Channels;
  const Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(said(out, PartRole::Bottom), "576 × 542 at 0");
  EXPECT_EQ(said(out, PartRole::Top), "576 × 542 at 702");
  EXPECT_EQ(said(out, PartRole::Divider), "696 × 542 at 12");
  EXPECT_EQ(said(out, PartRole::Back), "718.5 × 580.5 at 0.75");
  for (const Part& part : out.parts)
    for (const Machining& cut : part.machining)
      if (cut.receives == "back") {
        EXPECT_TRUE(part.role == PartRole::LeftSide || part.role == PartRole::RightSide);
        EXPECT_EQ(describe(cut, part, {}),
                  "groove for the back, inside face, 542 from the front edge, 6 wide, 9 deep");
      }
  carcass.top = TopSchool::Mitred;
  EXPECT_EQ(troubleOf(carcass), "back");
}

// 30 × 28 × 20 of 3/4 in dados 1/4 deep, back 1/4 in rabbets 3/8 deep with 1/16 clearance, the
// bottom raised by 3, open above: clear height 28 − 3 − 3/4 = 24 1/4, back 24 1/4 + 3/8 − 1/16 = 24
// 9/16.
TEST(Case, theSameInInches) {
  Carcass carcass = divided();
  carcass.width = Length::in(30);
  carcass.height = Length::in(28);
  carcass.depth = Length::in(20);
  carcass.dadoDepth = Length::in(0, 1, 4);
  carcass.back.rabbetDepth = Length::in(0, 3, 8);
  carcass.back.clearance = Length::in(0, 1, 16);
  carcass.raised = Length::in(3);
  carcass.top = TopSchool::None;
  Job job = test::jobWith(carcass);
  job.unit = Unit::Inch;
  job.materials[0].measured = Length::in(0, 3, 4);
  job.materials[2].measured = Length::in(0, 1, 4);
  const Breakdown out = breakDown(job);
  ASSERT_TRUE(out.troubles.empty());
  for (const Part& part : out.parts) {
    if (part.role == PartRole::Divider) {
      EXPECT_EQ(part.length.total(), Length::in(24, 1, 2));
    }
    if (part.role == PartRole::Back) {
      EXPECT_EQ(part.length.total(), Length::in(24, 9, 16));
      // 28 1/2 + 3/4 − 1/16.
      EXPECT_EQ(part.width.total(), Length::in(29, 3, 16));
    }
  }
}

// 45 wide is a cup of 35 and 5 of wood on either side: the opening less 2 × 2 of gap.
TEST(Case, aDoorTooNarrowForItsHingeCupsIsRefused) {
  Carcass carcass = test::metricCarcass().carcass();
  Split columns{SplitBy::Dividers, {Share{mm(49)}, {}}, {{}, {}}};
  columns.children[0].door = Door{};
  carcass.inside.content = columns;
  EXPECT_EQ(troubleOf(carcass), "");
  std::get<Split>(carcass.inside.content).sizes[0].fixed = mm(48.9);
  EXPECT_EQ(troubleOf(carcass), "door");
}

}  // namespace
}  // namespace pp
