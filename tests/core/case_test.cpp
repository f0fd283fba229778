// Cases that are open above, stand on their sides' ends or hold their back in channels, each
// against sizes worked by hand, in millimetres and inches.
#include <gtest/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/kinds/carcass/layout.h"
#include "tests/core/bodies.h"
#include "tests/core/support.h"

namespace pp::case_test {
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
  // In front of it a face frame reaches the floor: stiles 720; the lower rail 80 + 40 wide, from 0;
  // the opening between the rails 720 - 120 - 40 = 560, from 120 up.
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  carcass.frame->stile = mm(50);
  carcass.frame->rail = mm(40);
  carcass.frame->lowerRail = true;
  const Breakdown framed = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(framed.troubles.empty());
  EXPECT_EQ(said(framed, PartRole::FrameLeftStile), "720 × 50 at 0");
  EXPECT_EQ(said(framed, PartRole::FrameLowerRail), "500 × 120 at 0");
  EXPECT_EQ(said(framed, PartRole::FrameUpperRail), "500 × 40 at 680");
  EXPECT_EQ(said(framed, PartRole::FrameMiddleStile), "560 × 40 at 120");
  carcass.frame.reset();
  carcass.toe = Toe{};
  EXPECT_EQ(troubleOf(carcass), "raised bottom");
  carcass.toe.reset();
  carcass.top = TopConstruction::Mitred;
  EXPECT_EQ(troubleOf(carcass), "raised bottom");
}

// Open above: 720 − 18 = 702 clear; the divider 702 + 6 in the bottom's dado only; the back in
// three rabbets, 702 + 9 − 1.5 high, ends at the sides' ends.
TEST(Case, openAbove) {
  Carcass carcass = divided();
  carcass.top = TopConstruction::None;
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
  carcass.top = TopConstruction::Mitred;
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
  carcass.top = TopConstruction::None;
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

// All that a part has of one kind of cut, "98 × 17 at 0, 543" each: length and width in its own
// frame and where it begins.
std::string cutsFor(const Breakdown& breakdown, PartRole role, const std::string& receives) {
  std::string out;
  for (const Part& part : breakdown.parts) {
    if (part.role != role) continue;
    for (const Machining& cut : part.machining)
      if (cut.receives == receives)
        out += (out.empty() ? "" : "; ") + formatMm(cut.u1 - cut.u0) + " × " +
               formatMm(cut.v1 - cut.v0) + " at " + formatMm(cut.u0) + ", " + formatMm(cut.v0);
    break;
  }
  return out;
}

// Every place of that role, "2 of 641 × 657".
std::string allOf(const Breakdown& breakdown, PartRole role) {
  std::string out;
  for (const Part& part : breakdown.parts)
    if (part.role == role)
      out += (out.empty() ? "" : ", ") + std::to_string(part.quantity) + " of " +
             formatMm(part.length.total()) + " × " + formatMm(part.width.total());
  return out;
}

// A moulding of 14 by 95 and 3 of air: 98 high, 543 from the front. The bottom ends there; the
// divider, whose foot is 12 up and whose rear is at 554, loses 86 × 11; the back begins at 98:
// 684 − 80 + 9 − 1.5 high, and the bottom has no rabbet for it.
TEST(Case, beforeAMouldingOnTheFloor) {
  Carcass carcass = divided();
  carcass.baseboard = Baseboard{};
  const Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(said(out, PartRole::Bottom), "576 × 543 at 0");
  EXPECT_EQ(said(out, PartRole::Top), "576 × 560 at 702");
  EXPECT_EQ(said(out, PartRole::Back), "611.5 × 580.5 at 98.75");
  EXPECT_EQ(cutsFor(out, PartRole::LeftSide, "baseboard"), "98 × 17 at 0, 543");
  EXPECT_EQ(cutsFor(out, PartRole::Divider, "baseboard"), "86 × 11 at 0, 543");
  EXPECT_EQ(cutsFor(out, PartRole::Bottom, "back"), "");
  // A back screwed on behind is itself in front of the wall: the sides, 554 deep, lose 11.
  carcass.back.school = BackSchool::Behind;
  EXPECT_EQ(cutsFor(breakDown(test::jobWith(carcass)), PartRole::LeftSide, "baseboard"),
            "98 × 11 at 0, 543");
  carcass.top = TopConstruction::Mitred;
  EXPECT_EQ(troubleOf(carcass), "baseboard");
}

// A groove set in by 20: the back, at 534 to 540, stands wholly before the moulding at 543 and in
// the bottom's groove as ever.
TEST(Case, aBackSetInBeforeTheMouldingStaysInTheBottom) {
  Carcass carcass = divided();
  carcass.back.school = BackSchool::Groove;
  carcass.back.setIn = mm(20);
  carcass.baseboard = Baseboard{};
  const Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(said(out, PartRole::Bottom), "576 × 543 at 0");
  EXPECT_EQ(said(out, PartRole::Back), "700.5 × 580.5 at 9.75");
  EXPECT_EQ(cutsFor(out, PartRole::Bottom, "back"), "576 × 6 at 0, 534");
  EXPECT_EQ(cutsFor(out, PartRole::Divider, "baseboard"), "");
  EXPECT_EQ(test::clashes(out), "");
}

// 543 deep at the foot: a slide of 500 and 10 fits, one of 550 does not; with a moulding 70 thick
// 487 are left, and 450 is the longest.
TEST(Case, drawersBeforeAMouldingHaveSlidesThatStopBeforeIt) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.content = DrawerBank{};
  const auto boxLength = [&carcass] {
    for (const Part& part : breakDown(test::jobWith(carcass)).parts)
      if (part.role == PartRole::BoxLeftSide) return formatMm(part.length.total());
    return std::string("none");
  };
  EXPECT_EQ(boxLength(), "500");
  carcass.baseboard = Baseboard{};
  EXPECT_EQ(boxLength(), "500");
  carcass.baseboard->thickness = mm(70);
  EXPECT_EQ(boxLength(), "450");
}

// 600 in all: a panel 12 on the left, then the frame over 588 and its overhang of 5 on the right;
// inside 588 − 36 = 552, in dados 564. The panel stands 18 before the sides, flush with the frame.
TEST(Case, anExposedEndIsFlushWithTheFrame) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.endLeft = "b12";
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  carcass.frame->overhangLeft = mm(30);
  carcass.frame->overhangRight = mm(5);
  const Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(said(out, PartRole::LeftExposedEnd), "720 × 578 at 0");
  EXPECT_EQ(said(out, PartRole::Bottom), "564 × 560 at 0");
  // 588 + 5 − 2 × 40.
  EXPECT_EQ(said(out, PartRole::FrameUpperRail), "513 × 40 at 680");
  for (const Part& part : out.parts)
    if (part.role == PartRole::LeftExposedEnd) {
      EXPECT_EQ(part.hand, Hand::Left);
      EXPECT_EQ(part.show, Face::Outside);
      const Box room = part.poses[0].place(part.board());
      EXPECT_EQ(room.low[0], Length{});
      EXPECT_EQ(room.high[0], mm(12));
      EXPECT_EQ(room.low[1], mm(-18));
    }
  // Its mirror image.
  const Breakdown other = breakDown(test::jobWith(mirrored(carcass)));
  EXPECT_EQ(said(other, PartRole::LeftExposedEnd), "none");
  EXPECT_EQ(said(other, PartRole::RightExposedEnd), "720 × 578 at 0");
}

// 30 kept free on the left: a strip 720 × 30, cut 10 larger for the wall's shape.
TEST(Case, aFillerClosesWhatIsKeptFreeOfTheWall) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.fillerLeft = true;
  EXPECT_EQ(troubleOf(carcass), "left filler");
  carcass.wallLeft = mm(30);
  const Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(said(out, PartRole::LeftFiller), "720 × 30 at 0");
  for (const Part& part : out.parts)
    if (part.role == PartRole::LeftFiller) {
      EXPECT_EQ(part.cutWidth(), mm(40));
      EXPECT_EQ(part.oversizeWhy, "scribed to the wall");
    }
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  EXPECT_EQ(troubleOf(carcass), "left filler");
}

// 1 992 × 1 600, two pieces meet at 996: above a shelf, 600 clear under the top, stands a divider,
// below it is nothing: there a batten, 1 600 − 2 × 18 − 600 − 18 long from the bottom up.
TEST(Case, aBackInTwoMeetsOnADividerThatEndsUnderAShelf) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.width = mm(1'992);
  carcass.height = mm(1'600);
  Opening low;
  low.content = Split{SplitBy::Dividers, {{}, {}}, {{}, {}}};
  carcass.inside.content = Split{SplitBy::Shelves, {{mm(600)}, {}}, {low, {}}};
  carcass.back.pieces = 2;
  const Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty()) << describe(out.troubles[0].problem);
  EXPECT_EQ(allOf(out, PartRole::Back), "2 of 1580.5 × 986.25");
  EXPECT_EQ(allOf(out, PartRole::BackBatten), "1 of 946 × 80");
  EXPECT_EQ(said(out, PartRole::BackBatten), "946 × 80 at 18");
  EXPECT_EQ(test::clashes(out), "");
  // With drawers above there is no room for one.
  std::get<Split>(carcass.inside.content).children[1].content = DrawerBank{};
  EXPECT_EQ(troubleOf(carcass), "back");
}

// Strips of 20 above and below in either half, or none at all.
TEST(Case, aBackBetweenTheSidesHasTheStripsThatAreSaid) {
  Carcass carcass = divided();
  carcass.back.school = BackSchool::Between;
  EXPECT_EQ(allOf(breakDown(test::jobWith(carcass)), PartRole::NailingStrip), "4 of 273 × 20");
  carcass.back.strip = mm(30);
  EXPECT_EQ(allOf(breakDown(test::jobWith(carcass)), PartRole::NailingStrip), "4 of 273 × 30");
  carcass.back.strip = {};
  EXPECT_EQ(said(breakDown(test::jobWith(carcass)), PartRole::NailingStrip), "none");
}

// 1 992 wide with two dividers 640 apart: the back is 1 972.5 × 1 580.5 from 9.75 on, and a sheet
// of 2 440 × 1 220, 6 trimmed, gives 1 208. The dividers' middles are at 667 and 1 325, so three
// pieces: 657.25, 658, 657.25. With one divider, at 996, two of 986.25.
TEST(Case, aBackWiderThanTheSheetIsPartedOnTheDividers) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.width = mm(1'992);
  carcass.height = mm(1'600);
  carcass.inside.content = Split{SplitBy::Dividers, {{}, {}, {}}, {{}, {}, {}}};
  Job job = test::jobWith(carcass);
  job.stock = {};
  EXPECT_EQ(allOf(breakDown(job), PartRole::Back), "1 of 1580.5 × 1972.5");  // none in the rack
  StockPiece sheet;
  sheet.mark = "S6";
  sheet.material = "b6";
  sheet.length = mm(2'440);
  sheet.width = mm(1'220);
  job.stock.push_back(sheet);
  EXPECT_EQ(allOf(breakDown(job), PartRole::Back), "2 of 1580.5 × 657.25, 1 of 1580.5 × 658");
  carcass.inside.content = Split{SplitBy::Dividers, {{}, {}}, {{}, {}}};
  job.assemblies[0].body = carcass;
  EXPECT_EQ(allOf(breakDown(job), PartRole::Back), "2 of 1580.5 × 986.25");
  // Three are wanted: at a third there is no divider, and the bay there is empty.
  carcass.back.pieces = 3;
  job.assemblies[0].body = carcass;
  const Breakdown three = breakDown(job);
  ASSERT_TRUE(three.troubles.empty());
  EXPECT_EQ(allOf(three, PartRole::Back), "3 of 1580.5 × 657.5");
  EXPECT_EQ(allOf(three, PartRole::BackBatten), "2 of 1564 × 80");
  EXPECT_EQ(test::clashes(three), "");
  // Where shelves are in the way it is refused, by its name.
  std::get<Split>(carcass.inside.content).children[0].content = AdjustableShelves{2};
  job.assemblies[0].body = carcass;
  ASSERT_EQ(breakDown(job).troubles.size(), 1U);
  EXPECT_EQ(breakDown(job).troubles[0].problem.field, "back");
  // Higher than the sheet is long: one above the other, on the shelf.
  Carcass high = test::metricCarcass().carcass();
  high.height = mm(2'600);
  high.inside.content = Split{SplitBy::Shelves, {{}, {}}, {{}, {}}};
  job.assemblies[0].body = high;
  EXPECT_EQ(allOf(breakDown(job), PartRole::Back), "2 of 1290.25 × 580.5");
}

// 600 × 720 × 560 with a divider and two rails 100 wide: in either bay (564 − 18) / 2 = 273 long;
// in notches or behind 600. Behind them everything is 542 deep.
TEST(Case, railsInsteadOfABackWhereTheyAreSaid) {
  Carcass carcass = divided();
  carcass.back.school = BackSchool::None;
  carcass.back.rails = {{Length{}, mm(100)}, {mm(500), mm(80)}};
  std::get<Split>(carcass.inside.content).children[0].content = AdjustableShelves{1};
  Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(allOf(out, PartRole::BackRail), "2 of 273 × 100, 2 of 273 × 80");
  EXPECT_EQ(said(out, PartRole::BackRail), "273 × 100 at 18");
  EXPECT_EQ(said(out, PartRole::RearRail), "none");
  // 560 − 3 − 18.
  EXPECT_EQ(allOf(out, PartRole::AdjustableShelf), "1 of 270 × 539");
  carcass.back.railPlace = RailPlace::Notched;
  out = breakDown(test::jobWith(carcass));
  EXPECT_EQ(allOf(out, PartRole::BackRail), "1 of 600 × 100, 1 of 600 × 80");
  EXPECT_EQ(cutsFor(out, PartRole::RightSide, "back rail"),
            "100 × 18 at 18, 542; 80 × 18 at 518, 542");
  EXPECT_EQ(cutsFor(out, PartRole::Divider, "back rail"),
            "100 × 18 at 6, 542; 80 × 18 at 506, 542");
  carcass.back.railPlace = RailPlace::Behind;
  out = breakDown(test::jobWith(carcass));
  EXPECT_EQ(allOf(out, PartRole::BackRail), "1 of 600 × 100, 1 of 600 × 80");
  EXPECT_EQ(said(out, PartRole::LeftSide), "720 × 542 at 0");
  carcass.back.rails[1].up = mm(90);
  EXPECT_EQ(troubleOf(carcass), "back rail at 90 mm");
  carcass.back.rails[1].up = mm(605);
  EXPECT_EQ(troubleOf(carcass), "back rail at 605 mm");
}

// Three tenons in each corner of a mitred case 560 deep: at a sixth, the half and five sixths.
TEST(Case, tenonsInTheMitres) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.top = TopConstruction::Mitred;
  carcass.mitreTenons = 3;
  int tenons = 0;
  for (const Part& part : breakDown(test::jobWith(carcass)).parts)
    for (const Machining& cut : part.machining)
      if (cut.cut == MachiningKind::Mortises) {
        tenons += cut.holes;
        EXPECT_EQ(cut.v0, Length::nm(560'000'000 / 6));
        EXPECT_EQ(cut.pitch, Length::nm(560'000'000 / 3));
      }
  // Four corners, and a mortise in either part for each.
  EXPECT_EQ(tenons, 2 * 4 * 3);
}

// Clear 564 × 684, panels 6 thick: 684 + 2 × 5 − 1 high, half of 564 + 25 wide; grooves 7 wide
// from 6 and 17 on, 5 deep below and 10 above. What is inside begins behind them: 17 + 7 + 2.
TEST(Case, slidingPanelsLiftIntoTheUpperGroove) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.door = Door{Hinge::Sliding};
  carcass.inside.content = AdjustableShelves{1};
  carcass.fronts.material = "b6";
  Breakdown out = breakDown(test::jobWith(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(said(out, PartRole::LeftDoor), "693 × 294.5 at 13");
  EXPECT_EQ(cutsFor(out, PartRole::Bottom, "sliding panel"), "576 × 7 at 0, 6; 576 × 7 at 0, 17");
  for (const Part& part : out.parts)
    for (const Machining& cut : part.machining)
      if (cut.receives == "sliding panel") {
        EXPECT_EQ(cut.depth, part.role == PartRole::Top ? mm(10) : mm(5));
      }
  // 554 − 3 − 26.
  EXPECT_EQ(said(out, PartRole::AdjustableShelf).substr(0, 10), "561 × 525");
  // Raised by the depth of the lower groove they still clear the upper one's floor.
  EXPECT_EQ(test::clashes(out), "");
  for (Part& part : out.parts)
    if (part.role == PartRole::LeftDoor || part.role == PartRole::RightDoor)
      for (Pose& pose : part.poses) pose.origin[2] += mm(5);
  EXPECT_EQ(test::clashes(out), "");
  carcass.top = TopConstruction::None;
  EXPECT_EQ(troubleOf(carcass), "sliding panels");
}

}  // namespace
}  // namespace pp::case_test
