// The rules in inches, each against a case worked by hand. Panels measure 23/32, drawer boxes
// 15/32, backs and bottoms 7/32, as plywood sold as 3/4, 1/2 and 1/4 does.
#include <gtest/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/boards/rules.h"
#include "core/kinds/carcass/drawer.h"
#include "core/kinds/carcass/frame.h"
#include "core/kinds/carcass/front.h"
#include "core/kinds/carcass/sizes.h"
#include "core/kinds/group/rules.h"
#include "core/kinds/platform/rules.h"
#include "core/kinds/ring/rules.h"
#include "core/kinds/seat_box/rules.h"
#include "core/kinds/top/rules.h"
#include "core/kinds/wall_panel/cleat.h"
#include "core/kinds/wall_panel/rules.h"
#include "tests/core/support.h"

namespace pp::inch_test {
namespace {

Length in(int whole, int part = 0, int of = 1) {
  return Length::in(whole, part, of);
}

Job inchJob(const AssemblyBody& body) {
  Job job = test::metricJob();
  job.unit = Unit::Inch;
  for (Material& material : job.materials)
    material.measured = material.id == "b18"   ? in(0, 23, 32)
                        : material.id == "b12" ? in(0, 15, 32)
                                               : in(0, 7, 32);
  Assembly assembly;
  assembly.code = "K";
  assembly.body = body;
  job.assemblies = {assembly};
  return job;
}

// 30 x 28 x 20: 28 9/16 by 26 9/16 clear.
Carcass inchCarcass() {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.width = in(30);
  carcass.height = in(28);
  carcass.depth = in(20);
  carcass.dadoDepth = in(0, 1, 4);
  carcass.topRabbet = in(0, 3, 8);
  carcass.stretcher = in(4);
  carcass.back.rabbetDepth = in(0, 3, 8);
  carcass.back.clearance = in(0, 1, 16);
  carcass.shelves.clearance = in(0, 1, 8);
  return carcass;
}

// Every line is there: "bottom x1 29 1/16 x 20".
void expectParts(const AssemblyBody& body, std::initializer_list<const char*> lines) {
  const Job job = inchJob(body);
  const Breakdown out = breakDown(job);
  for (const Trouble& trouble : out.troubles) ADD_FAILURE() << trouble.problem.found;
  const LengthStyle style = styleOf(job);
  std::string list;
  for (const Part& part : out.parts)
    list += part.name + " x" + std::to_string(part.quantity) + " " +
            format(part.length.total(), style) + " x " + format(part.width.total(), style) + "\n";
  for (const char* line : lines)
    EXPECT_NE(list.find(std::string(line) + "\n"), std::string::npos) << line << " in\n" << list;
}

TEST(Inches, backSchools) {
  struct Row {
    BackSchool school;
    const char *back, *side, *bottom;
  };
  const Row rows[] = {
      // 26 9/16 + 3/4 - 1/16 by 28 9/16 + 3/4 - 1/16
      {BackSchool::RabbetAll, "back x1 27 1/4 x 29 1/4", "left side x1 28 x 20",
       "bottom x1 29 1/16 x 20"},
      // 26 9/16 + 1 7/16 - 1/16; the bottom stops at the back, 20 - 7/32
      {BackSchool::RabbetSides, "back x1 27 15/16 x 29 1/4", "left side x1 28 x 20",
       "bottom x1 29 1/16 x 19 25/32"},
      {BackSchool::Groove, "back x1 27 1/4 x 29 1/4", "left side x1 28 x 20",
       "bottom x1 29 1/16 x 20"},
      {BackSchool::Behind, "back x1 28 x 30", "left side x1 28 x 19 25/32",
       "bottom x1 29 1/16 x 19 25/32"},
      {BackSchool::Between, "back x1 26 9/16 x 28 9/16", "left side x1 28 x 20",
       "bottom x1 29 1/16 x 20"},
  };
  for (const Row& row : rows) {
    Carcass carcass = inchCarcass();
    carcass.back.school = row.school;
    expectParts(carcass, {row.back, row.side, row.bottom});
  }
}

TEST(Inches, topSchools) {
  struct Row {
    TopConstruction school;
    const char *top, *side;
  };
  const Row rows[] = {
      {TopConstruction::Between, "top x1 29 1/16 x 20", "left side x1 28 x 20"},
      {TopConstruction::Capping, "top x1 30 x 20", "left side x1 27 9/32 x 20"},  // 28 - 23/32
      {TopConstruction::EndRabbets, "top x1 29 5/16 x 20",
       "left side x1 28 x 20"},  // 28 9/16 + 3/4
      {TopConstruction::Mitred, "top x1 30 x 20", "left side x1 28 x 20"},
      {TopConstruction::Stretchers, "front stretcher x1 29 1/16 x 4",
       "rear stretcher x1 29 1/16 x 4"},
  };
  for (const Row& row : rows) {
    Carcass carcass = inchCarcass();
    carcass.top = row.school;
    expectParts(carcass, {row.top, row.side});
  }
}

TEST(Inches, whatDividesAndFills) {
  Carcass carcass = inchCarcass();
  Split split;
  split.sizes = {Share{in(10)}, Share{}};
  split.children.resize(2);
  split.children[1].content = AdjustableShelves{2};
  carcass.inside.content = split;
  // 26 9/16 + 1/2; beside it 28 9/16 - 10 - 23/32 = 17 27/32, less 1/8; 19 25/32 - 1/8
  expectParts(carcass,
              {"divider x1 27 1/16 x 19 25/32", "adjustable shelf x2 17 23/32 x 19 21/32"});
  split.by = SplitBy::Shelves;
  split.children[1].content = OpenSpace{};
  carcass.inside.content = split;
  expectParts(carcass, {"fixed shelf x1 29 1/16 x 19 25/32"});
  // 21 holes an inch apart, 26 9/16 - 20 left over at both ends together
  const PinRow row = pinRow(in(26, 9, 16), in(1));
  EXPECT_EQ(row.holes, 21);
  EXPECT_EQ(row.first, in(3, 9, 32));
  carcass = inchCarcass();
  carcass.joint = Joint::Pocket;
  expectParts(carcass, {"bottom x1 28 9/16 x 20", "top x1 28 9/16 x 20"});
}

TEST(Inches, toesAndStands) {
  Carcass carcass = inchCarcass();
  carcass.toe = Toe{in(4), in(3)};
  expectParts(carcass, {"kick board x1 28 9/16 x 4", "left side x1 28 x 20",
                        "back x1 23 1/4 x 29 1/4"});  // 28 - 4 - 1 7/16 = 22 9/16, + 11/16
  carcass.toe.reset();
  carcass.stand = Stand{StandKind::Frame, in(4), in(2), "b18", in(24), in(96)};
  // 20 - 2 - 1 7/16; 29 9/32 between the outer centres want two spaces of 24 at most
  expectParts(carcass,
              {"left side x1 24 x 20", "base rail x2 30 x 4", "base cross piece x3 16 9/16 x 4"});
  EXPECT_EQ(sectionCount(in(116), in(96)), 2);
  EXPECT_EQ(crossLength(in(18), in(0, 23, 32)).total(), in(16, 9, 16));
}

TEST(Inches, faceFrames) {
  Carcass carcass = inchCarcass();
  FaceFrame frame;
  frame.material = "b18";
  frame.stile = frame.rail = frame.middle = in(1, 1, 2);
  frame.overhangLeft = in(0, 1, 4);
  carcass.frame = frame;
  // 30 1/4 - 3
  expectParts(carcass, {"frame stile x2 28 x 1 1/2", "frame upper rail x1 27 1/4 x 1 1/2"});
  carcass.frame->depthIncludes = true;
  expectParts(carcass, {"left side x1 28 x 19 9/32"});  // 20 - 23/32
}

TEST(Inches, fronts) {
  FrontRules rules;
  rules.frameWidth = in(2, 1, 4);
  rules.tongue = in(0, 3, 8);
  rules.panelClearance = in(0, 1, 16);
  EXPECT_EQ(railLength(Reason("w", in(15)), rules).total(), in(11, 1, 4));    // 15 - 4 1/2 + 3/4
  EXPECT_EQ(framedPanel(Reason("w", in(15)), rules).total(), in(11, 3, 16));  // less 1/16
  // A pair in 28 9/16 with 3/32 all round: 28 9/16 - 9/32 = 28 9/32, halved.
  EXPECT_EQ(frontWidth(in(28, 9, 16), -in(0, 3, 32), -in(0, 3, 32), in(0, 3, 32), 2).total(),
            in(14, 9, 64));
}

TEST(Inches, drawerSchools) {
  // Box 18 31/32 x 16 x 6; inside 18 31/32 - 15/16 = 18 1/32.
  const DrawerBox box{in(18, 31, 32), in(16), in(6), in(0, 15, 32), in(0, 15, 32), in(0, 7, 32)};
  DrawerRules rules;
  rules.grooveDepth = in(0, 1, 4);
  rules.grooveUp = in(0, 1, 2);
  rules.bottomClearance = in(0, 1, 16);
  rules.frontRabbet = rules.backDado = in(0, 1, 4);
  rules.backSetIn = in(0, 1, 2);
  struct Row {
    DrawerSchool school;
    Length side, front, back, backHeight, bottomWidth, bottomDepth;
  };
  const Length inside = in(18, 1, 32);
  const Length low = in(5, 9, 32);       // 6 - 1/2 - 7/32
  const Length bottom = in(18, 15, 32);  // 18 1/32 + 1/2 - 1/16
  const Row rows[] = {
      {DrawerSchool::Between, in(16), inside, inside, in(6), bottom, in(15, 1, 2)},
      {DrawerSchool::RabbetedFront, in(15, 25, 32), in(18, 31, 32), in(18, 17, 32), low, bottom,
       in(15, 9, 32)},  // 16 - 15/32 + 1/4 - 1/2
      {DrawerSchool::Over, in(15, 1, 16), in(18, 31, 32), in(18, 31, 32), in(6), bottom,
       in(15, 1, 2)},
      {DrawerSchool::CutDownBack, in(16), inside, inside, low, bottom, in(15, 25, 32)},
      {DrawerSchool::Brads, in(16), inside, inside, in(5, 25, 32), in(18, 31, 32), in(16)},
  };
  for (const Row& row : rows) {
    rules.school = row.school;
    const DrawerBoxSizes sizes = drawerBoxSizes(box, rules);
    const int school = static_cast<int>(row.school);
    EXPECT_EQ(sizes.sideLength.total(), row.side) << school;
    EXPECT_EQ(sizes.frontLength.total(), row.front) << school;
    EXPECT_EQ(sizes.backLength.total(), row.back) << school;
    EXPECT_EQ(sizes.backHeight.total(), row.backHeight) << school;
    EXPECT_EQ(sizes.bottomWidth.total(), row.bottomWidth) << school;
    EXPECT_EQ(sizes.bottomDepth.total(), row.bottomDepth) << school;
  }
}

TEST(Inches, worktops) {
  Top top;
  top.width = in(60);
  top.depth = in(24);
  top.overFront = in(0, 3, 4);
  top.material = "b18";
  top.edgingMaterial = "b12";
  top.edging = in(0, 3, 4);
  EXPECT_EQ(topLength(top).total(), in(58, 1, 2));
  EXPECT_EQ(topWidth(top).total(), in(24));
  EXPECT_EQ(frontEdging(top).total(), in(60));
  EXPECT_EQ(sideEdging(top).total(), in(24, 3, 4));
  top.corner = EdgingCorner::Butted;
  EXPECT_EQ(sideEdging(top).total(), in(24));
  top.strip = in(3);
  top.stripEvery = in(24);
  top.longest = in(96);
  // 58 1/2 - 3 = 55 1/2 between the outer centres: three spaces; 24 - 6 between the long strips
  expectParts(top, {"build-up strip, long x2 58 1/2 x 3", "build-up strip, across x4 18 x 3"});
}

TEST(Inches, cleatsSeatsPlatformsRingsAndTapers) {
  EXPECT_EQ(cleatBlank(in(3), in(0, 15, 32), Length{}).total(), in(5, 17, 32));
  SeatBox seat;
  seat.width = in(60);
  seat.depth = in(18);
  seat.lids = 2;
  seat.lidGap = in(0, 1, 8);
  seat.overFront = in(0, 3, 4);
  seat.hingeRail = in(6);
  EXPECT_EQ(lidWidth(seat, seatSections(seat, seat.width, seat.lids).front()).total(),
            in(29, 15, 16));
  EXPECT_EQ(lidDepth(seat).total(), in(12, 5, 8));
  Platform platform;
  platform.width = in(72);
  platform.depth = in(36);
  platform.height = in(12);
  platform.material = "b18";
  // two boxes 36 square, 12 - 23/32 high; ends between the sides, 36 - 1 7/16
  expectParts(platform, {"box side x4 36 x 11 9/32", "box front or back x4 34 9/16 x 11 9/32",
                         "deck x2 36 x 36"});
  Ring ring;
  ring.pieces = 6;
  ring.side = in(8);
  ring.width = in(3);
  ring.material = "b18";
  expectParts(ring, {"ring piece x6 8 x 3"});
  EXPECT_EQ(taperBlank(in(4), in(2), in(20), Length{}).total(), in(6));
}

}  // namespace
}  // namespace pp::inch_test
