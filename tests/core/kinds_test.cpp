// The rules of everything that is not a plain carcass, each against a case worked by hand, in
// millimetres and in inches.
#include <gtest/gtest.h>

#include <set>

#include "core/breakdown/breakdown.h"
#include "core/breakdown/overrides.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/boards/rules.h"
#include "core/kinds/carcass/drawer.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/front.h"
#include "core/kinds/carcass/sizes.h"
#include "core/kinds/group/rules.h"
#include "core/kinds/kind.h"
#include "core/kinds/pieces.h"
#include "core/kinds/platform/rules.h"
#include "core/kinds/ring/rules.h"
#include "core/kinds/seat_box/rules.h"
#include "core/kinds/top/rules.h"
#include "core/kinds/validate.h"
#include "core/kinds/wall_panel/cleat.h"
#include "core/kinds/wall_panel/rules.h"
#include "core/parts/trig.h"
#include "tests/core/support.h"

namespace pp::kinds_test {
namespace {

using test::mm;

std::string listOf(const Job& job) {
  std::string out;
  const Breakdown breakdown = breakDown(job);
  for (const Trouble& trouble : breakdown.troubles)
    out += trouble.problem.field + ": " + trouble.problem.found + ", " + trouble.problem.expected +
           "\n";
  const LengthStyle style = styleOf(job);
  for (const Part& part : breakdown.parts)
    out += part.name + " x" + std::to_string(part.quantity) + " " +
           format(part.length.total(), style) + " x " + format(part.width.total(), style) + "\n";
  return out;
}

Job jobOf(const AssemblyBody& body) {
  Job job = test::metricJob();
  Assembly assembly;
  assembly.code = "K";
  assembly.body = body;
  job.assemblies = {assembly};
  return job;
}

TEST(BackSchools, sizesOfBackAndPanels) {
  // 600 x 720 x 560, panels 18, back 6: clear 564 x 684.
  struct Row {
    BackSchool school;
    const char* back;
    const char* side;
    const char* bottom;
  };
  const Row rows[] = {
      // 564 + 18 - 1.5; 684 + 18 - 1.5
      {BackSchool::RabbetAll, "back x1 700.5 x 580.5", "left side x1 720 x 560",
       "bottom x1 576 x 560"},
      // 684 + 36 - 1.5; panels stop at the back: 560 - 6
      {BackSchool::RabbetSides, "back x1 718.5 x 580.5", "left side x1 720 x 560",
       "bottom x1 576 x 554"},
      {BackSchool::Groove, "back x1 700.5 x 580.5", "left side x1 720 x 560",
       "bottom x1 576 x 560"},
      {BackSchool::Behind, "back x1 720 x 600", "left side x1 720 x 554", "bottom x1 576 x 554"},
      {BackSchool::Between, "back x1 684 x 564", "left side x1 720 x 560", "bottom x1 576 x 560"},
      {BackSchool::None, "rear rail x1 564 x 100", "left side x1 720 x 560", "bottom x1 576 x 560"},
  };
  for (const Row& row : rows) {
    Carcass carcass = test::metricCarcass().carcass();
    carcass.back.school = row.school;
    const std::string list = listOf(test::jobWith(carcass));
    for (const char* line : {row.back, row.side, row.bottom})
      EXPECT_NE(list.find(std::string(line) + "\n"), std::string::npos) << line << "\n" << list;
  }
}

TEST(TopSchools, sizesOfTopAndSides) {
  struct Row {
    TopConstruction school;
    const char* top;
    const char* side;
  };
  const Row rows[] = {
      {TopConstruction::Between, "top x1 576 x 560", "left side x1 720 x 560"},
      {TopConstruction::Capping, "top x1 600 x 560", "left side x1 702 x 560"},
      {TopConstruction::EndRabbets, "top x1 582 x 560", "left side x1 720 x 560"},  // 564 + 2 x 9
      {TopConstruction::Mitred, "top x1 600 x 560", "left side x1 720 x 560"},
      {TopConstruction::Stretchers, "front stretcher x1 576 x 100", "rear stretcher x1 576 x 100"},
      {TopConstruction::StandingRail, "front stretcher x1 576 x 100",
       "rear stretcher x1 576 x 100"},
  };
  for (const Row& row : rows) {
    Carcass carcass = test::metricCarcass().carcass();
    carcass.top = row.school;
    const std::string list = listOf(test::jobWith(carcass));
    for (const char* line : {row.top, row.side})
      EXPECT_NE(list.find(std::string(line) + "\n"), std::string::npos) << line << "\n" << list;
  }
}

TEST(Stands, takeTheirHeightOffTheSides) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.stand = Stand{};
  carcass.stand->kind = StandKind::Frame;
  carcass.stand->material = "b18";
  const std::string list = listOf(test::jobWith(carcass));
  EXPECT_NE(list.find("left side x1 620 x 560\n"), std::string::npos) << list;
  // 600 long, 560 - 50 set in, 510 - 36 between the rails
  EXPECT_NE(list.find("base rail x2 600 x 100\n"), std::string::npos) << list;
  EXPECT_NE(list.find("base cross piece x2 474 x 100\n"), std::string::npos) << list;
  EXPECT_EQ(sectionCount(mm(2940), mm(1500)), 2);
  EXPECT_EQ(sectionCount(mm(3000), mm(1500)), 2);
  EXPECT_EQ(sectionCount(mm(3000.000001), mm(1500)), 3);
  EXPECT_EQ(crossCount(mm(618), mm(18), mm(600)), 2);
  EXPECT_EQ(crossCount(mm(618.000001), mm(18), mm(600)), 3);
}

TEST(FaceFrames, equalOpeningsAndCentredMembers) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.width = mm(900);
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  carcass.frame->overhangLeft = mm(5);
  Split split;
  split.sizes = {Share{}, Share{}};
  split.children.resize(2);
  carcass.inside.content = split;
  const std::string list = listOf(test::jobWith(carcass));
  // 900 + 5 wide: 905 - 2 x 40 = 825 between the stiles; 720 - 2 x 40 between the rails.
  EXPECT_NE(list.find("frame stile x2 720 x 40\n"), std::string::npos) << list;
  EXPECT_NE(list.find("frame upper rail x1 825 x 40\n"), std::string::npos) << list;
  EXPECT_NE(list.find("frame middle stile x1 640 x 40\n"), std::string::npos) << list;
  const auto layout = layOut(test::jobWith(carcass), carcass);
  ASSERT_TRUE(layout.ok());
  // (825 - 40) / 2, whatever the bays behind are.
  EXPECT_EQ(layout->leaves[0].face.width, mm(392.5));
  EXPECT_EQ(layout->leaves[1].face.width, mm(392.5));
  // Bays of 900 - 2 x 18 - 18 = 846 / 2 = 423; the divider stands at 18 + 423 = 441 .. 459.
  const auto stileAt = [&carcass](FrameMiddle at) {
    carcass.frame->middleAt = at;
    const auto laid = layOut(test::jobWith(carcass), carcass);
    for (const FrameMember& member : laid->members)
      if (member.kind == MemberKind::MiddleStile) return member.rect.x;
    return mm(-1);
  };
  EXPECT_EQ(stileAt(FrameMiddle::Centred), mm(430));  // 450 - 20
  EXPECT_EQ(stileAt(FrameMiddle::FlushUpperLeft), mm(441));
  EXPECT_EQ(stileAt(FrameMiddle::FlushLowerRight), mm(419));  // 459 - 40
  split.by = SplitBy::Shelves;
  carcass.inside.content = split;
  const auto railAt = [&carcass](FrameMiddle at) {
    carcass.frame->middleAt = at;
    const auto laid = layOut(test::jobWith(carcass), carcass);
    for (const FrameMember& member : laid->members)
      if (member.kind == MemberKind::MiddleRail) return member.rect.top();
    return mm(-1);
  };
  // 720 - 3 x 18 = 666 / 2 = 333; the shelf lies at 18 + 333 = 351 .. 369.
  EXPECT_EQ(railAt(FrameMiddle::FlushUpperLeft), mm(369));
  EXPECT_EQ(railAt(FrameMiddle::FlushLowerRight), mm(391));  // 351 + 40
  carcass.frame->middleAt = FrameMiddle::Equal;
  carcass.frame->depthIncludes = true;
  EXPECT_NE(listOf(test::jobWith(carcass)).find("left side x1 720 x 542\n"), std::string::npos);
}

TEST(Fronts, rulesAgainstTheirFormulas) {
  FrontRules rules;
  rules.frameWidth = mm(60);
  rules.tongue = mm(10);
  rules.panelClearance = mm(2);
  EXPECT_EQ(railLength(Reason("w", mm(400)), rules).total(), mm(300));   // 400 - 120 + 20
  EXPECT_EQ(framedPanel(Reason("w", mm(400)), rules).total(), mm(298));  // 280 + 20 - 2
  EXPECT_EQ(frontWidth(mm(500), -mm(2), -mm(2), mm(2), 1).total(), mm(496));
  EXPECT_EQ(frontWidth(mm(500), -mm(2), -mm(2), mm(2), 2).total(), mm(247));  // (500 - 4 - 2) / 2
  EXPECT_EQ(frontWidth(mm(500), mm(15), mm(8), mm(2), 1).total(), mm(523));
  // In inches: 15 3/4 opening, 3/32 gaps: 15 9/16.
  EXPECT_EQ(frontWidth(Length::in(15, 3, 4), -Length::in(0, 3, 32), -Length::in(0, 3, 32),
                       Length::in(0, 3, 32), 1)
                .total(),
            Length::in(15, 9, 16));
}

// A carcass 600 x 720, clear 564 x 684, halved by a shelf: openings of 333.
struct Halved {
  Job job = test::jobWith(test::metricCarcass().carcass());
  Carcass& carcass = job.assemblies[0].carcass();
  Halved() {
    carcass.fronts.fit = FrontFit::Overlay;
    carcass.fronts.overlay = mm(15);
    carcass.fronts.gap = mm(3);
    Split split;
    split.by = SplitBy::Shelves;
    split.sizes = {{}, {}};
    split.children.resize(2);
    carcass.inside.content = split;
    giveIds(job);
  }
  Opening& opening(std::size_t i) { return std::get<Split>(carcass.inside.content).children[i]; }
};

TEST(Overlay, coversAnInnerPanelHalfOnlyWhereAnotherFrontMeetsIt) {
  Halved one;
  one.opening(0).door = Door{Hinge::Left};
  const auto reach = [&](std::size_t i) {
    const CarcassLayout layout = layOut(one.job, one.carcass).value();
    return frontReach(one.carcass, layout, layout.leaves[i]);
  };
  // Alone it goes over the shelf as over the top: 15. The shelf is 18.
  EXPECT_EQ(reach(0).bottom, mm(15));
  EXPECT_EQ(reach(0).top, mm(15));
  one.carcass.fronts.overlay = mm(20);
  EXPECT_EQ(reach(0).bottom, mm(18)) << "no further than the panel";
  one.carcass.fronts.overlay = mm(15);
  // With a door below, half of 18 less half of 3 each.
  one.opening(1).door = Door{Hinge::Left};
  EXPECT_EQ(reach(0).bottom, mm(7.5));
  EXPECT_EQ(reach(1).top, mm(7.5));
  EXPECT_EQ(reach(1).bottom, mm(15));
  // Trays have no front; drawers do.
  DrawerBank bank;
  bank.kind = BankKind::Trays;
  bank.fronts = {{}};
  one.opening(1).door.reset();
  one.opening(1).content = bank;
  EXPECT_EQ(reach(0).bottom, mm(15));
  bank.kind = BankKind::Drawers;
  one.opening(1).content = bank;
  EXPECT_EQ(reach(0).bottom, mm(7.5));
}

TEST(Overlay, equalFrontsGiveEqualBoxes) {
  // 600 + 2 * 15 - 2 * 3 over 3 is 208; the opening itself gives each 200.
  const auto cells = drawerCells(mm(600), mm(15), mm(15), {{}, {}, {}}, mm(3), {});
  ASSERT_TRUE(cells.ok());
  for (std::size_t i = 0; i < 3; ++i) {
    EXPECT_EQ(cells.value()[i].frontHeight.total(), mm(208));
    EXPECT_EQ(cells.value()[i].height, mm(200));
    EXPECT_EQ(cells.value()[i].bottom, mm(400 - 200 * static_cast<int>(i)));
  }
  // A typed one has what its front hides.
  const auto typed = drawerCells(mm(600), mm(15), mm(15), {{mm(100)}, {}, {}}, mm(3), {});
  EXPECT_EQ(typed.value()[0].height, mm(103));
}

TEST(Top, sectionsAreNoLongerThanTheSheetsOfTheRack) {
  Top top;
  top.width = mm(3'000);
  top.depth = mm(600);
  top.overLeft = top.overRight = top.overFront = top.overBack = Length{};
  top.longest = mm(2'400);
  top.strip = Length{};
  Job job = jobOf(top);
  std::get<Top>(job.assemblies[0].body).material = job.materials[0].id;
  const auto sections = [&job] {
    std::int64_t out = 0;
    for (const Part& part : breakDown(job).parts)
      if (part.role == PartRole::TopSheet) out += part.quantity;
    return out;
  };
  EXPECT_EQ(sections(), 2) << "sheets of 2440, trimmed 2428";
  for (std::size_t i = 0; i < job.stock.size(); ++i) job.stock[i].length = mm(1'500);
  EXPECT_EQ(sections(), 3) << "1488 a sheet";
  std::get<Top>(job.assemblies[0].body).longest = mm(800);
  EXPECT_EQ(sections(), 4) << "no longer than typed";
  job.stock = {};
  EXPECT_EQ(sections(), 4);
}

TEST(WallPanel, itsGrainRunsAsChosen) {
  WallPanel panel;
  Job job = jobOf(panel);
  job.materials[0].grained = true;
  auto& mine = std::get<WallPanel>(job.assemblies[0].body);
  mine.material = mine.cleatMaterial = job.materials[0].id;
  const auto grain = [&](PanelGrain as) {
    mine.grain = as;
    return breakDown(job).parts.front().grain;
  };
  EXPECT_EQ(grain(PanelGrain::Upright), PartGrain::Length);
  EXPECT_EQ(grain(PanelGrain::Across), PartGrain::Width);
  EXPECT_EQ(grain(PanelGrain::Either), PartGrain::Any);
  const auto again = readJob("again", writeJob(job));
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(std::get<WallPanel>(again->assemblies[0].body).grain, PanelGrain::Either);
}

TEST(FramedFront, itsPanelsGrainRunsAsASlabsWould) {
  Halved one;
  one.carcass.fronts.style = FrontStyle::GroovedFrame;
  one.carcass.fronts.panelMaterial = "b6";
  DrawerBank bank;
  bank.fronts = {{}};
  one.opening(0).content = bank;
  one.opening(1).door = Door{Hinge::Left};
  giveIds(one.job);
  int seen = 0;
  for (const Part& part : breakDown(one.job).parts) {
    if (part.role == PartRole::DrawerFrontPanel) {
      EXPECT_GT(part.length.total(), part.width.total()) << "level, as the front is wide";
      EXPECT_EQ(part.poses[0].u.axis, Axis::X);
      ++seen;
    } else if (part.role == PartRole::DoorPanel) {
      EXPECT_EQ(part.poses[0].u.axis, Axis::Z);
      ++seen;
    }
  }
  EXPECT_EQ(seen, 2);
}

TEST(Hinges, asManyAsTheDoorNeeds) {
  const auto count = [](double height, double grams) {
    return hingePlaces(mm(height), grams, {}).size();
  };
  EXPECT_EQ(count(1000, 5'000), 2U);
  EXPECT_EQ(count(1000.1, 5'000), 3U);
  EXPECT_EQ(count(1600, 5'000), 3U);
  EXPECT_EQ(count(1601, 5'000), 4U);
  EXPECT_EQ(count(900, 15'001), 3U);
  EXPECT_EQ(hingePlaces(mm(700), 0, {}), (std::vector<Length>{mm(100), mm(600)}));
  // The rim of a 35 cup is 30 from a shelf's nearer face: its centre 47.5.
  const auto upper = [](Span shelf) { return hingePlaces(mm(700), 0, {shelf}).back(); };
  EXPECT_EQ(upper({mm(581), mm(599)}), mm(646.5));
  EXPECT_EQ(upper({mm(620), mm(638)}), mm(572.5));
  EXPECT_EQ(upper({mm(534.5), mm(552.5)}), mm(600)) << "just far enough";
  // Up would leave no wood for the cup: 618 and 47.5 is over 665.
  EXPECT_EQ(upper({mm(599), mm(618)}), mm(551.5));
  // A drawer front 500 x 141 is bored in its middle, 70.5 from both long edges.
  Part front;
  front.length = Reason("l", mm(500));
  front.width = Reason("w", mm(141));
  front.thickness = mm(18);
  const Machining hole = opener(FrontRules{}, front, Edge::L2, mm(70.5));
  EXPECT_EQ(hole.u0, mm(250));
  EXPECT_EQ(hole.v0, mm(70.5));
  EXPECT_TRUE(hole.through);
}

TEST(Tops, sheetsStripsAndEdging) {
  Top top;
  top.width = mm(1800);
  top.depth = mm(600);
  top.overFront = mm(20);
  top.material = "b18";
  top.edgingMaterial = "b12";
  top.edging = mm(10);
  // 1800 - 20; 620 - 10; front strip over both mitres; sides over the front mitre.
  EXPECT_EQ(topLength(top).total(), mm(1780));
  EXPECT_EQ(topWidth(top).total(), mm(610));
  EXPECT_EQ(frontEdging(top).total(), mm(1800));
  EXPECT_EQ(sideEdging(top).total(), mm(620));
  top.corner = EdgingCorner::Butted;
  EXPECT_EQ(sideEdging(top).total(), mm(610));
  top.build = TopBuild::Laminated;
  const Breakdown out = breakDown(jobOf(top));
  EXPECT_EQ(out.parts[0].name, "top lower layer");
  EXPECT_EQ(out.parts[0].cutLength(), mm(1786));
  EXPECT_EQ(out.parts[0].cutWidth(), mm(616));
  // 1780 from sheets of 900 at most: two of 890 over 445, 890, 445, so that no joints meet.
  top.longest = mm(900);
  const std::string list = listOf(jobOf(top));
  EXPECT_NE(list.find("top lower layer x2 445 x 610\n"), std::string::npos) << list;
  EXPECT_NE(list.find("top lower layer x1 890 x 610\n"), std::string::npos) << list;
  EXPECT_NE(list.find("top x2 890 x 610\n"), std::string::npos) << list;
}

TEST(Cleats, twoHalvesFromOneStrip) {
  // 2 x 80 - 18 + 3.2 x sqrt 2
  EXPECT_EQ(cleatBlank(mm(80), mm(18), mm(4.525484)).total(), mm(146.525484));
  WallPanel panel;
  panel.material = panel.cleatMaterial = "b18";
  const Breakdown out = breakDown(jobOf(panel));
  const Part& cleat = out.parts[1];
  EXPECT_EQ(cleat.name, "cleat");
  EXPECT_EQ(cleat.quantity, 4);
  EXPECT_EQ(cleat.blanks(), 2);
  EXPECT_EQ(cleat.length.total(), mm(1100));
}

TEST(SeatBoxes, leanAndBrackets) {
  SeatBox seat;
  seat.material = "b18";
  seat.lids = 2;
  EXPECT_EQ(lidWidth(seat, seatSections(seat, seat.width, seat.lids).front()).total(),
            mm(748.5));                                  // (1500 - 3) / 2
  EXPECT_EQ(lidDepth(seat).total(), mm(387));            // 450 + 20 - 80 - 3
  EXPECT_EQ(bracketFoot(seat).total(), mm(110.530792));  // 40 + 400 x 0.176326981
  // 400 / 0.984807753 + 18 x 0.176326981
  EXPECT_EQ(leaningLength(seat, mm(18)).total(), mm(406.170645) + mm(3.173886));
}

TEST(Rings, bevelsAndTwoIsNone) {
  EXPECT_EQ(ringBevel(6), Angle::degrees(30));
  EXPECT_EQ(ringBevel(8), Angle::millidegrees(22'500));
  EXPECT_EQ(ringBevel(7), Angle::millidegrees(25'714));
  Ring ring;
  ring.material = "b18";
  ring.pieces = 2;
  const Problems problems = validate(jobOf(ring));
  ASSERT_EQ(problems.size(), 1U);
  EXPECT_EQ(problems[0].field, "/assemblies/0/ring/pieces");
}

TEST(Platforms, boxesUnderADeck) {
  Platform platform;
  platform.material = "b18";
  const std::string list = listOf(jobOf(platform));
  // two boxes 1000 x 1000, 300 - 18 high, ends between the sides
  EXPECT_EQ(list, "box side x4 1000 x 282\nbox front or back x4 964 x 282\ndeck x2 1000 x 1000\n");
}

TEST(Boards, tapersShareABlankWhereThatSaves) {
  // 200 + 60 + 3.2 / cos(atan(140 / 250)) = 260 + 3.2 x 1.146123...
  const Reason blank = taperBlank(mm(200), mm(60), mm(250), mm(3.2));
  EXPECT_NEAR(blank.total().inMm(), 260 + 3.2 * 1.14612, 1e-3);
  LooseBoard board;
  board.name = "bracket";
  board.material = "b18";
  board.length = mm(250);
  board.width = mm(200);
  board.quantity = 3;
  Feature taper;
  taper.kind = FeatureKind::Taper;
  taper.across = mm(200);
  taper.size = mm(60);
  board.features = {taper};
  Breakdown out = breakDown(jobOf(Boards{{board}}));
  EXPECT_EQ(out.parts[0].perBlank, 2);
  EXPECT_EQ(out.parts[0].blanks(), 2);
  // One of a pair turned over is the other: both come from one blank.
  board.quantity = 2;
  board.hand = BoardHand::Pairs;
  out = breakDown(jobOf(Boards{{board}}));
  ASSERT_EQ(out.parts.size(), 1U);
  EXPECT_EQ(out.parts[0].quantity, 2);
  EXPECT_EQ(out.parts[0].blanks(), 1);
  // A layer 6 larger each way: 6 more of each of the two in one blank.
  board.layers = {BoardLayer{}};
  board.hand = BoardHand::None;
  out = breakDown(jobOf(Boards{{board}}));
  ASSERT_EQ(out.parts.size(), 2U);
  EXPECT_EQ(out.parts[0].blank(), blank.total());
  EXPECT_EQ(out.parts[1].blank(), blank.total() + mm(12));
  EXPECT_EQ(out.parts[1].blanks(), 1);
  board.layers.clear();
  Feature hole;
  hole.size = mm(10);
  hole.along = mm(246);
  hole.across = mm(20);
  board.features = {hole};
  out = breakDown(jobOf(Boards{{board}}));
  ASSERT_EQ(out.troubles.size(), 1U);
  EXPECT_EQ(out.troubles[0].problem.found, "a hole that leaves the board");
}

// Every field that a shape does not have is refused by its name, and dropped from files of
// version 1.
TEST(Boards, aShapeHasItsFieldsAndNoOther) {
  Feature all;
  all.along = all.across = all.length = all.width = all.size = all.depth = all.pitch = mm(5);
  all.keepLow = all.keepHigh = mm(1);
  all.count = 3;
  all.angle = Angle::degrees(10);
  all.edge = BoardEdge::Short2;
  all.face = Face::Outside;
  all.farEnd = all.farEdge = all.crosswise = all.bulging = all.thickness = true;
  using Names = std::vector<std::string>;
  const std::vector<std::pair<FeatureKind, Names>> rows = {
      {FeatureKind::Hole,
       {"length", "width", "pitch", "count", "keepLow", "keepHigh", "angle", "edge", "crosswise",
        "bulging", "thickness"}},
      {FeatureKind::Slot,
       {"width", "pitch", "count", "keepLow", "keepHigh", "angle", "edge", "crosswise", "bulging",
        "thickness"}},
      {FeatureKind::Notch,
       {"size", "depth", "pitch", "count", "keepLow", "keepHigh", "angle", "edge", "face",
        "crosswise", "bulging", "thickness"}},
      {FeatureKind::Dado,
       {"across", "length", "width", "pitch", "count", "angle", "edge", "farEdge", "crosswise",
        "bulging", "thickness"}},
      {FeatureKind::Groove,
       {"along", "length", "width", "pitch", "count", "angle", "edge", "farEnd", "crosswise",
        "bulging", "thickness"}},
      {FeatureKind::Rabbet,
       {"along", "across", "length", "width", "pitch", "count", "angle", "farEnd", "farEdge",
        "crosswise", "bulging", "thickness"}},
      {FeatureKind::Taper,
       {"length", "width", "depth", "pitch", "count", "keepLow", "keepHigh", "angle", "farEdge",
        "crosswise", "bulging"}},
      {FeatureKind::Curve,
       {"across", "width", "size", "pitch", "count", "keepLow", "keepHigh", "angle", "face",
        "farEdge", "crosswise", "thickness"}},
      {FeatureKind::Corner,
       {"along", "across", "length", "width", "depth", "pitch", "count", "keepLow", "keepHigh",
        "angle", "edge", "face", "crosswise", "bulging", "thickness"}},
      {FeatureKind::Bevel,
       {"along", "across", "length", "width", "size", "depth", "pitch", "count", "keepLow",
        "keepHigh", "face", "farEnd", "farEdge", "crosswise", "bulging", "thickness"}},
      {FeatureKind::Recess,
       {"pitch", "count", "keepLow", "keepHigh", "angle", "edge", "crosswise", "bulging",
        "thickness"}},
      {FeatureKind::RoundOver,
       {"along", "across", "length", "width", "depth", "pitch", "count", "keepLow", "keepHigh",
        "angle", "farEnd", "farEdge", "crosswise", "bulging", "thickness"}}};
  for (const auto& [kind, unused] : rows) {
    all.kind = kind;
    EXPECT_EQ(unusedFields(all), unused) << static_cast<int>(kind);
    const Feature clean = withoutUnused(all);
    EXPECT_TRUE(unusedFields(clean).empty());
    EXPECT_EQ(clean.depth == mm(5),
              std::find(unused.begin(), unused.end(), "depth") == unused.end());
  }
  LooseBoard board;
  board.name = "plinth";
  board.material = "b18";
  board.length = mm(300);
  board.width = mm(200);
  Feature groove;
  groove.kind = FeatureKind::Groove;
  groove.across = mm(20);
  groove.size = groove.depth = mm(6);
  groove.width = mm(30);
  board.features = {groove};
  Job job = jobOf(Boards{{board}});
  const Problems problems = validate(job);
  ASSERT_EQ(problems.size(), 1U);
  EXPECT_EQ(problems[0].field, "/assemblies/0/boards/boards/0/features/0/width");
  EXPECT_EQ(problems[0].expected,
            "nothing; it has across, size, depth, keepLow, keepHigh, face, farEdge");
}

TEST(Copies, multiplyEveryPart) {
  Job job = jobOf(Platform{});
  std::get<Platform>(job.assemblies[0].body).material = "b18";
  job.assemblies[0].copies = 3;
  EXPECT_EQ(pieceCount(breakDown(job).parts), 30);
}

TEST(Overrides, changeWhatTheyNameAndSayWhy) {
  Job job = jobOf(Platform{});
  std::get<Platform>(job.assemblies[0].body).material = "b18";
  giveIds(job);
  const std::vector<Part> ruled = breakDown(job).parts;
  setOverride(job, ruled, ruled[2], test::byHand("the wall bows", mm(990), {}, BoardGrain::Any));
  ASSERT_TRUE(validate(job).empty());
  const Breakdown out = breakDown(job);
  EXPECT_EQ(out.parts[2].length.total(), mm(990));
  EXPECT_EQ(out.parts[2].width.total(), mm(1000));
  EXPECT_EQ(out.parts[2].grain, PartGrain::Any);
  EXPECT_EQ(out.parts[2].overridden, "the wall bows");
  job.overrides[0].why.clear();
  EXPECT_EQ(validate(job).size(), 1U);
}

// The job that the guide's pictures are painted from.
TEST(Guide, oneOfEveryKindCanBeBuilt) {
  const std::string path = GUIDE_DIR "/kinds.plainpatch";
  const auto job = readJob(path, readFile(path).value());
  ASSERT_TRUE(job.ok());
  const Breakdown out = breakDown(job.value());
  EXPECT_TRUE(out.troubles.empty());
  std::set<std::size_t> kinds;
  for (const Assembly& assembly : job->assemblies) kinds.insert(assembly.body.index());
  EXPECT_EQ(kinds.size(), std::variant_size_v<AssemblyBody>);
}

// The rows of the table stand in the variant's order, and what a row begins is of its own kind,
// sound as data, and has parts.
TEST(Kinds, everyRowIsOfItsKindAndBeginsOneThatCanBeMade) {
  Job job = test::metricJob();
  job.assemblies.push_back(test::metricCarcass());
  std::set<std::string> fields, names;
  std::set<char> letters;
  for (std::size_t i = 0; i < kinds().size(); ++i) {
    const Kind& kind = kinds()[i];
    Assembly plain = plainAssembly(job, kind);
    EXPECT_EQ(plain.body.index(), i) << kind.field;
    EXPECT_EQ(&kindOf(plain), &kind);
    EXPECT_TRUE(fields.insert(kind.field).second);
    EXPECT_TRUE(names.insert(kind.name).second);
    EXPECT_TRUE(letters.insert(kind.letter).second);
    EXPECT_EQ(plain.name, kind.name);
    Job with = job;
    plain.code = std::string(1, kind.letter) + "7";
    with.assemblies.push_back(plain);
    giveIds(with);
    // A group is of the carcasses there are, which had no ids when it was begun.
    if (auto* group = std::get_if<CarcassGroup>(&with.assemblies.back().body))
      group->members = {with.assemblies.front().id};
    EXPECT_TRUE(validate(with).empty()) << kind.field << ": " << describe(validate(with));
    const Breakdown made = breakDown(with, with.assemblies.back());
    EXPECT_TRUE(made.troubles.empty()) << kind.field;
    // A group shares nothing yet; everything else has boards.
    EXPECT_EQ(made.parts.empty(), kind.field == std::string("group")) << kind.field;
    EXPECT_GT(widthOf(with, with.assemblies.back()), Length{});
    std::int64_t pieces = 0;
    for (const Part& part : made.parts) pieces += part.quantity;
    EXPECT_LE(pieces, piecesAtMost(with, with.assemblies.back())) << kind.field;
  }
}

// Without a sheet in the rack a new assembly names no material, and says so instead of failing.
TEST(Kinds, anEmptyRackLeavesTheMaterialsOut) {
  Job job;
  for (const Kind& kind : kinds()) {
    if (kind.field == std::string("group")) continue;
    Job with = job;
    Assembly plain = plainAssembly(job, kind);
    plain.code = "X1";
    with.assemblies.push_back(plain);
    giveIds(with);
    bool said = false;
    for (const Problem& problem : validate(with))
      said = said || problem.field.find("aterial") != std::string::npos;
    EXPECT_TRUE(said) << kind.field;
  }
}

// Of 12 and 6 the one between is 6: too thin for a bottom's groove, so boxes are begun of 12.
TEST(Kinds, newBoxesAreOfWhatTakesAGroove) {
  Job job = test::metricJob();
  job.materials.erase(job.materials.begin());
  for (const Kind& kind : kinds()) {
    if (std::string(kind.field) != "boxSet") continue;
    const Assembly plain = plainAssembly(job, kind);
    EXPECT_EQ(std::get<BoxSet>(plain.body).boxes.boxMaterial, "b12");
  }
}

}  // namespace
}  // namespace pp::kinds_test
