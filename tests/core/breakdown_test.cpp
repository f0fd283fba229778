#include <gtest/gtest.h>

#include <set>

#include "core/breakdown/breakdown.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/carcass/sizes.h"
#include "core/kinds/validate.h"
#include "core/secondlook/second_look.h"
#include "tests/core/support.h"

namespace pp::breakdown_test {
namespace {

using test::mm;

// The whole parts list as text, one part a line, to be compared whole.
std::string listOf(const Job& job) {
  std::string out;
  const LengthStyle style = styleOf(job);
  for (const Part& part : breakDown(job).parts)
    out += part.code + " " + part.name + " x" + std::to_string(part.quantity) + " " +
           format(part.length.total(), style) + " x " + format(part.width.total(), style) +
           " cut " + format(part.cutLength(), style) + " x " + format(part.cutWidth(), style) +
           " " + part.material + "\n";
  return out;
}

TEST(CarcassRules, eachAgainstItsFormula) {
  const ShelfRules rules;
  struct Row {
    const char* name;
    Reason reason;
    Length expected;
    const char* words;
  };
  const Row rows[] = {
      {"inside width", insideWidth(mm(600), mm(17.8), mm(17.8)), mm(564.4),
       "width 600 − 2 × side 17.8 = 564.4"},
      {"sides that differ", insideWidth(mm(600), mm(17.8), mm(12.2)), mm(570),
       "width 600 − left side 17.8 − right side 12.2 = 570"},
      {"shelf, butt", shelfLength(mm(564), Joint::Butt, Joint::Butt, mm(6)), mm(564),
       "clear width 564 = 564"},
      {"shelf, one dado", shelfLength(mm(564), Joint::Dado, Joint::Pocket, mm(6)), mm(570),
       "clear width 564 + dado depth 6 = 570"},
      {"shelf, dado", shelfLength(mm(564), Joint::Dado, Joint::Dado, mm(6)), mm(576),
       "clear width 564 + 2 × dado depth 6 = 576"},
      {"divider, dado", dividerLength(mm(700), Joint::Dado, Joint::Dado, mm(6)), mm(712),
       "clear height 700 + 2 × dado depth 6 = 712"},
      {"shelf depth", shelfDepth(mm(560), mm(5.8)), mm(554.2), "depth 560 − back 5.8 = 554.2"},
      {"back", backSize("clear width", mm(564), "rabbet depth", mm(9), mm(9), mm(1.5)), mm(580.5),
       "clear width 564 + 2 × rabbet depth 9 − clearance 1.5 = 580.5"},
      {"adjustable shelf", adjustableShelfLength(mm(564), rules), mm(561),
       "clear width 564 − clearance 3 = 561"},
      {"its depth", adjustableShelfDepth(mm(554), rules), mm(551),
       "inside depth 554 − clearance 3 = 551"},
  };
  for (const Row& row : rows) {
    EXPECT_EQ(row.reason.total(), row.expected) << row.name;
    EXPECT_EQ(format(row.reason, {}), row.words);
  }
  LengthStyle inches;
  inches.unit = Unit::Inch;
  // 30 wide in 23/32: 30 - 1 7/16 = 28 9/16; shelf in 1/4 dados 29 1/16; back in 3/8 rabbets 29
  // 1/4.
  EXPECT_EQ(
      format(insideWidth(Length::in(30), Length::in(0, 23, 32), Length::in(0, 23, 32)), inches),
      "width 30 − 2 × side 23/32 = 28 9/16");
  EXPECT_EQ(
      shelfLength(Length::in(28, 9, 16), Joint::Dado, Joint::Dado, Length::in(0, 1, 4)).total(),
      Length::in(29, 1, 16));
  EXPECT_EQ(backSize("clear width", Length::in(28, 9, 16), "rabbet depth", Length::in(0, 3, 8),
                     Length::in(0, 3, 8), Length::in(0, 1, 16))
                .total(),
            Length::in(29, 1, 4));
}

// 600 x 720 x 560, 18 and 6, dados 6: inside 564 x 684; back 564 + 18 - 1.5 by 684 + 18 - 1.5.
TEST(Breakdown, wholePartsListOfAPlainCarcass) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.content = Split{SplitBy::Shelves, {{}, {}}, {{}, {}}};
  EXPECT_EQ(listOf(test::jobWith(carcass)),
            "B1-01 left side x1 720 x 560 cut 720 x 560 b18\n"
            "B1-02 right side x1 720 x 560 cut 720 x 560 b18\n"
            "B1-03 bottom x1 576 x 560 cut 576 x 560 b18\n"
            "B1-04 top x1 576 x 560 cut 576 x 560 b18\n"
            "B1-05 fixed shelf x1 576 x 554 cut 576 x 554 b18\n"
            "B1-06 back x1 700.5 x 580.5 cut 700.5 x 580.5 b6\n");
}

// With toe and deducted banding of 2, butt joints, measured 17.8 and 5.8.
TEST(Breakdown, wholePartsListWithToeBandingAndAdjustableShelves) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.joint = Joint::Butt;
  carcass.toe = Toe{mm(100), mm(75)};
  carcass.banding = "edge";
  carcass.inside.content = AdjustableShelves{2};
  Job job = test::jobWith(carcass);
  job.materials[0].measured = mm(17.8);
  job.materials[2].measured = mm(5.8);
  EXPECT_EQ(listOf(job),
            "B1-01 left side x1 720 x 560 cut 720 x 558 b18\n"
            "B1-02 right side x1 720 x 560 cut 720 x 558 b18\n"
            "B1-03 bottom x1 564.4 x 560 cut 564.4 x 558 b18\n"
            "B1-04 top x1 564.4 x 560 cut 564.4 x 558 b18\n"
            "B1-05 kick board x1 564.4 x 100 cut 564.4 x 100 b18\n"
            "B1-06 adjustable shelf x2 561.4 x 551.2 cut 561.4 x 549.2 b18\n"
            "B1-07 back x1 600.9 x 580.9 cut 600.9 x 580.9 b6\n");
}

TEST(Breakdown, machiningOfASide) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.toe = Toe{mm(100), mm(75)};
  carcass.inside.content = AdjustableShelves{1};
  const std::vector<Part> parts = breakDown(test::jobWith(carcass)).parts;
  std::string text;
  for (const Machining& machining : parts[0].machining)
    text += describe(machining, parts[0], {}) + "\n";
  // Opening 584 high from 118: kept clear 96 at both ends, (584 - 192) / 32 = 12 steps, first at
  // 100.
  EXPECT_EQ(text,
            "rabbet for the back, inside face, 0 from the back edge, 6 wide, 9 deep\n"
            "notch 100 × 75 out of the bottom front corner\n"
            "dado for the bottom, inside face, 100 from the bottom edge, 18 wide, 6 deep\n"
            "rabbet for the top, inside face, 0 from the top edge, 18 wide, 6 deep\n"
            "13 pin holes 5 wide, 10 deep, 32 apart, inside face, row 37 from the front edge, "
            "first hole 218 up\n"
            "13 pin holes 5 wide, 10 deep, 32 apart, inside face, row 517 from the front edge, "
            "first hole 218 up\n");
  EXPECT_EQ(parts[0].hand, Hand::Left);
  EXPECT_EQ(parts[1].hand, Hand::Right);
  EXPECT_EQ(parts[0].machining, parts[1].machining) << "mirrored by the hand, not by other numbers";
}

// A board 400 long, 200 wide and 18 thick with one thing cut into it.
Breakdown brokenDown(const Feature& feature) {
  LooseBoard board;
  board.material = "b18";
  board.length = mm(400);
  board.width = mm(200);
  board.features = {feature};
  Assembly assembly;
  assembly.code = "K1";
  assembly.body = Boards{{board}};
  Job job = test::metricJob();
  job.assemblies = {assembly};
  return breakDown(job);
}

// Features that just stay on a board of 400 × 200 × 18, and those that leave it by 1 mm.
TEST(Breakdown, featuresStayOnTheirBoard) {
  struct Row {
    const char* name;
    FeatureKind kind;
    int along, across, length, width, size, depth;
    bool stays;
  };
  using enum FeatureKind;
  for (const Row& row : {Row{"hole at the foot", Hole, 10, 10, 0, 0, 20, 0, true},
                         Row{"hole over the foot", Hole, 9, 10, 0, 0, 20, 0, false},
                         Row{"hole over the edge", Hole, 10, 9, 0, 0, 20, 0, false},
                         Row{"hole at the far corner", Hole, 390, 190, 0, 0, 20, 0, true},
                         Row{"hole over the far edge", Hole, 390, 191, 0, 0, 20, 0, false},
                         Row{"slot end to end", Slot, 200, 10, 400, 0, 20, 0, true},
                         Row{"slot over the end", Slot, 201, 10, 400, 0, 20, 0, false},
                         Row{"slot over the edge", Slot, 200, 9, 100, 0, 20, 0, false},
                         Row{"slot shorter than wide", Slot, 200, 100, 19, 0, 20, 0, false},
                         Row{"notch to the far corner", Notch, 350, 150, 50, 50, 0, 0, true},
                         Row{"notch over the end", Notch, 351, 150, 50, 50, 0, 0, false},
                         Row{"notch over the edge", Notch, 350, 151, 50, 50, 0, 0, false},
                         Row{"dado at the end", Dado, 388, 0, 0, 0, 12, 6, true},
                         Row{"dado over the end", Dado, 389, 0, 0, 0, 12, 6, false},
                         Row{"groove over the edge", Groove, 0, 189, 0, 0, 12, 6, false},
                         Row{"dado as deep as the board", Dado, 10, 0, 0, 0, 12, 18, false},
                         Row{"taper of nothing", Taper, 0, 100, 0, 0, 100, 0, false},
                         Row{"taper wider than the board", Taper, 0, 201, 0, 0, 100, 0, false}}) {
    Feature feature;
    feature.kind = row.kind;
    feature.along = mm(row.along);
    feature.across = mm(row.across);
    feature.length = mm(row.length);
    feature.width = mm(row.width);
    feature.size = mm(row.size);
    feature.depth = mm(row.depth);
    EXPECT_EQ(brokenDown(feature).troubles.empty(), row.stays) << row.name;
  }
}

// A board 400 long and 200 wide; what is cut out is 50 along and 30 across.
TEST(Breakdown, aNotchIsWordedByWhereItLies) {
  struct Row {
    int along, across;
    const char* words;
  };
  for (const Row& row :
       {Row{0, 0, "notch 50 × 30 out of the left bottom corner"},
        Row{350, 170, "notch 50 × 30 out of the right top corner"},
        Row{350, 0, "notch 50 × 30 out of the right bottom corner"},
        Row{100, 0, "notch 50 × 30 in the bottom edge, 100 from the left end"},
        Row{100, 170, "notch 50 × 30 in the top edge, 100 from the left end"},
        Row{350, 80, "notch 50 × 30 in the right end, 80 from the bottom edge"},
        Row{100, 80, "cut-out 50 × 30, 100 from the left end, 80 from the bottom edge"}}) {
    Feature notch;
    notch.kind = FeatureKind::Notch;
    notch.along = mm(row.along);
    notch.across = mm(row.across);
    notch.length = mm(50);
    notch.width = mm(30);
    const std::vector<Part> parts = brokenDown(notch).parts;
    ASSERT_EQ(parts.size(), 1U);
    EXPECT_EQ(describe(parts[0].machining.at(0), parts[0], {}), row.words);
  }
}

// On a board 400 × 200: no deeper than half a circle over the edge, and than the board goes.
TEST(Breakdown, aHollowReachesNoFurtherThanHalfACircle) {
  const auto made = [](BoardEdge edge, int deep) {
    Feature hollow;
    hollow.kind = FeatureKind::Curve;
    hollow.edge = edge;
    hollow.depth = mm(deep);
    return brokenDown(hollow).troubles.empty();
  };
  EXPECT_TRUE(made(BoardEdge::Long1, 199));
  EXPECT_FALSE(made(BoardEdge::Long1, 200)) << "as deep as the board is wide";
  EXPECT_TRUE(made(BoardEdge::Short2, 100));
  EXPECT_FALSE(made(BoardEdge::Short2, 101)) << "more than half a circle over an edge of 200";
}

TEST(Breakdown, dadosThatMeetInADividerAreRefused) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.width = mm(1000);
  carcass.dadoDepth = mm(9);
  Split shelves{SplitBy::Shelves, {{}, {}}, {{}, {}}};
  Split columns{SplitBy::Dividers, {{}, {}}, {{}, {}}};
  columns.children[0].content = shelves;
  columns.children[1].content = shelves;
  carcass.inside.content = columns;
  EXPECT_EQ(breakDown(test::jobWith(carcass)).troubles.size(), 1U);
  carcass.dadoDepth = mm(8.999999);
  EXPECT_TRUE(breakDown(test::jobWith(carcass)).troubles.empty());
}

TEST(Breakdown, aLooseShelfNeedsRoomForAStripOnEitherSide) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.content = LooseShelves{1};
  carcass.width = mm(72);  // two sides and two strips of 18: nothing between the strips
  EXPECT_EQ(breakDown(test::jobWith(carcass)).troubles.size(), 1U);
  carcass.width = mm(73);
  EXPECT_TRUE(breakDown(test::jobWith(carcass)).troubles.empty());
}

TEST(Breakdown, shelvesThatFillTheirOpeningAreRefused) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.content = AdjustableShelves{38};  // 38 x 18 = 684, the clear height
  EXPECT_EQ(breakDown(test::jobWith(carcass)).troubles.size(), 1U);
}

TEST(Breakdown, looseBoardsComeLastWithTheirBandingTakenOff) {
  Job job = test::jobWith(test::metricCarcass().carcass());
  LooseBoard lid;
  lid.name = "lid";
  lid.material = "b18";
  lid.quantity = 2;
  lid.length = mm(700);
  lid.width = mm(400);
  lid.bandLong = "edge";  // 2 on both long edges
  job.loose = {lid};
  const std::vector<Part> parts = breakDown(job).parts;
  EXPECT_EQ(parts.back().code, "L-01");
  EXPECT_EQ(parts.back().quantity, 2);
  EXPECT_EQ(parts.back().cutLength(), mm(700));
  EXPECT_EQ(parts.back().cutWidth(), mm(396));
  job.loose[0].width = mm(4);
  EXPECT_EQ(breakDown(job).troubles.size(), 1U);
  job.assemblies[0].code = "L";
  EXPECT_EQ(validate(job).size(), 1U);
}

TEST(Breakdown, demoJobsHaveNoTroubles) {
  for (const char* name : test::kDemos) {
    const auto job = readJob(name, test::demo(name));
    ASSERT_TRUE(job.ok()) << describe(job.problems());
    const Breakdown out = breakDown(job.value());
    EXPECT_TRUE(out.troubles.empty());
    EXPECT_FALSE(out.parts.empty());
  }
}

TEST(Joins, everyPanelSaysWhatItsEndsMeet) {
  Assembly assembly = test::metricCarcass();
  Split split;
  split.sizes = {Share{}, Share{}};
  split.children.resize(2);
  assembly.carcass().inside.content = split;
  const auto words = [&](const char* name) {
    std::string out;
    for (const Part& part : breakDown(test::jobWith(assembly.carcass())).parts)
      if (part.name == name)
        for (const Join& join : part.joins) out += describe(join, part) + "; ";
    return out;
  };
  EXPECT_EQ(words("bottom"),
            "left end in a dado of the left side; right end in a dado of the right "
            "side; ");
  EXPECT_EQ(words("divider"), "bottom end in a dado of the bottom; top end in a dado of the top; ");
  assembly.carcass().joint = Joint::Pocket;
  EXPECT_EQ(words("divider"),
            "bottom end against the bottom, pocket screws; top end against the top, pocket "
            "screws; ");
  assembly.carcass().top = TopConstruction::Capping;
  EXPECT_EQ(words("left side"), "top end against the top, glue and screws; ");
  assembly.carcass().top = TopConstruction::EndRabbets;
  EXPECT_EQ(words("top"),
            "left end in a rabbet of the left side; right end in a rabbet of the right side; ");
  assembly.carcass().top = TopConstruction::Mitred;
  EXPECT_EQ(words("right side"), "bottom end mitred to the bottom; top end mitred to the top; ");
}

// 18.3 instead of 18 in a lot of its own: the bottom between butted sides is 600 - 36.6.
TEST(Lots, anAssemblyIsAsThickAsTheLotItIsCutFrom) {
  Job job = test::jobWith(test::metricCarcass().carcass());
  giveIds(job);
  job.assemblies[0].carcass().joint = Joint::Butt;
  const Length width = job.assemblies[0].carcass().width;
  StockPiece sheet;
  sheet.mark = "LOT-B";
  sheet.material = "b18";
  sheet.lot = "B";
  sheet.measured = mm(18.3);
  sheet.length = mm(2440);
  sheet.width = mm(1220);
  job.stock.push_back(sheet);
  const auto bottom = [&job] {
    const Breakdown out = breakDown(job);
    for (const Part& part : out.parts)
      if (part.name == "bottom") return part;
    return Part{};
  };
  const std::vector<Part> before = breakDown(job).parts;
  EXPECT_EQ(bottom().length.total(), width - mm(36));
  job.assemblies[0].lot = "B";
  EXPECT_EQ(bottom().length.total(), width - mm(36.6));
  EXPECT_EQ(bottom().thickness, mm(18.3));
  EXPECT_EQ(bottom().lot, "B");
  EXPECT_EQ(layOut(job, job.assemblies[0])->thickness, mm(18.3));
  bool said = false;
  for (const PartChange& change : changedParts(before, breakDown(job).parts))
    said = said || (change.name == "bottom" && change.oldLength - change.newLength == mm(0.6));
  EXPECT_TRUE(said);
  job.assemblies[0].lot = "a lot that was used up";
  EXPECT_EQ(bottom().length.total(), width - mm(36));
}

// A case of 600 on a base of its group, with a board beside it: of 17.6 where nothing else is
// there, with nobody saying so.
TEST(Lots, theOnlyOneThereIsWhatTheJobIsCutFrom) {
  Job job = test::jobWith(test::metricCarcass().carcass());
  job.assemblies[0].carcass().joint = Joint::Butt;
  job.assemblies[0].carcass().width = mm(600);
  giveIds(job);
  Assembly group;
  group.code = "G1";
  CarcassGroup body;
  body.members = {std::as_const(job).assemblies[0].id};
  body.stand = Stand{};
  body.stand->kind = StandKind::Frame;
  body.stand->material = "b18";
  group.body = body;
  job.assemblies.push_back(group);
  LooseBoard board;
  board.name = "board";
  board.material = "b18";
  board.length = mm(300);
  board.width = mm(100);
  job.loose.push_back(board);
  giveIds(job);
  const auto thicknesses = [&job] {
    std::set<Length> out;
    for (const Part& part : breakDown(job).parts)
      if (part.material == "b18") out.insert(part.thickness);
    return out;
  };
  EXPECT_EQ(thicknesses(), (std::set<Length>{mm(18)}));
  for (std::size_t i = 0; i < job.stock.size(); ++i)
    if (std::as_const(job).stock[i].material == "b18") job.stock[i].measured = mm(17.6);
  EXPECT_EQ(thicknesses(), (std::set<Length>{mm(17.6)}));
  for (const Part& part : breakDown(job).parts)
    if (part.name == "bottom") {
      EXPECT_EQ(part.length.total(), mm(600 - 2 * 17.6));
    }
  EXPECT_TRUE(checkLots(job, breakDown(job)).empty());
  // One more lot, thicker: nobody knows which, so it is asked, once.
  StockPiece other = std::as_const(job).stock[0];
  other.id = 0;
  other.mark = "B";
  other.lot = "B";
  other.measured = mm(18.2);
  other.quantity = 9;
  job.stock.push_back(other);
  EXPECT_EQ(thicknesses(), (std::set<Length>{mm(18)}));
  const std::vector<Finding> found = checkLots(job, breakDown(job));
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].what, "birch was measured 17.6 mm, 18.2 mm in lot B; B1-01 is cut for 18 mm");
  ASSERT_TRUE(found[0].fix);
  found[0].fix->edit(job);
  EXPECT_TRUE(checkLots(job, breakDown(job)).empty());
  for (const Part& part : breakDown(job).parts)
    if (part.material == "b18" && part.assembly != kLooseCode) {
      EXPECT_EQ(part.thickness, mm(18.2)) << part.code << part.name;
    }
}

}  // namespace
}  // namespace pp::breakdown_test
