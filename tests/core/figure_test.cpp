// Grain that runs on from part to part, fronts that differ from opening to opening, and members of
// a face frame apart from the panels; each against a case worked by hand.
#include <gtest/gtest.h>

#include <algorithm>
#include <set>

#include "core/breakdown/breakdown.h"
#include "core/breakdown/mirror.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/carcass/layout.h"
#include "core/nest/nest.h"
#include "core/plan/request.h"
#include "core/saw/playback.h"
#include "tests/core/bodies.h"
#include "tests/core/support.h"

namespace pp::figure_test {
namespace {

using test::mm;

Job jobOf(const Carcass& carcass) {
  Job job = test::jobWith(carcass);
  giveIds(job);
  return job;
}

std::vector<Part> partsIn(const Breakdown& breakdown, PartRole role) {
  std::vector<Part> out;
  for (const Part& part : breakdown.parts)
    if (part.role == role) out.push_back(part);
  return out;
}

std::string troubleOf(const Job& job) {
  const Breakdown out = breakDown(job);
  return out.troubles.empty() ? std::string() : out.troubles[0].problem.field;
}

// "B1-fronts 2 width": its run, place in it and what follows along the strip.
std::string runOf(const Part& part) {
  const char* series[] = {"either", "length", "width"};
  return part.run + " " + std::to_string(part.runOrder) + " " +
         series[static_cast<std::size_t>(part.series)];
}

// 560 × 676 in all of fronts: the clear 564 × 684 less gaps of 2.
Carcass drawers(std::size_t count) {
  Carcass carcass = test::metricCarcass().carcass();
  DrawerBank bank;
  bank.fronts.assign(count, {});
  carcass.inside.content = bank;
  return carcass;
}

Opening bankOpening(std::size_t count) {
  return drawers(count).inside;
}

TEST(Figure, runsOverTheCornersOfAMitredCase) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.top = TopConstruction::Mitred;
  carcass.waterfall = Waterfall::Over;
  Job job = jobOf(carcass);
  Breakdown out = breakDown(job);
  EXPECT_EQ(runOf(partsIn(out, PartRole::LeftSide)[0]), "B1-round 1 length");
  EXPECT_EQ(runOf(partsIn(out, PartRole::Top)[0]), "B1-round 2 length");
  EXPECT_EQ(runOf(partsIn(out, PartRole::RightSide)[0]), "B1-round 3 length");
  EXPECT_EQ(partsIn(out, PartRole::Bottom)[0].run, "");
  // Each says where the figure runs on to.
  EXPECT_EQ(partsIn(out, PartRole::LeftSide)[0].note,
            "1 of 3 in a run, on to " + partsIn(out, PartRole::Top)[0].code);
  EXPECT_EQ(partsIn(out, PartRole::RightSide)[0].note, "3 of 3 in a run");
  // 720 + 600 + 720 end to end on a sheet of 2 440, parted by two bevel cuts each, seen by the
  // check that knows nothing of the search.
  const NestRequest request = requestOf(job, sheetParts(out.parts));
  for (const PartDemand& demand : request.parts) EXPECT_EQ(demand.mitred, !demand.run.empty());
  nest::NestOptions options;
  options.steps = 200;
  const Plan plan = nest::nest(request, options);
  EXPECT_TRUE(plan.unplaced.empty());
  EXPECT_TRUE(saw::verify(request, plan).empty());
  carcass.waterfall = Waterfall::Around;
  out = breakDown(jobOf(carcass));
  EXPECT_EQ(runOf(partsIn(out, PartRole::Bottom)[0]), "B1-round 4 length");
  carcass.top = TopConstruction::Between;
  EXPECT_EQ(partsIn(breakDown(jobOf(carcass)), PartRole::LeftSide)[0].run, "");
}

TEST(Figure, runsAcrossTheFrontsOfNeighbours) {
  Carcass carcass = test::metricCarcass().carcass();
  Split split{SplitBy::Dividers, {{}, {}}, {bankOpening(2), bankOpening(2)}};
  split.fronts = FrontsCut::Run;
  carcass.inside.content = split;
  const std::vector<Part> fronts = partsIn(breakDown(jobOf(carcass)), PartRole::DrawerFront);
  ASSERT_EQ(fronts.size(), 4U);
  // Of each bank the upper first; the row at the foot is the first one found.
  EXPECT_EQ(runOf(fronts[0]), "B1-fronts-row-2 1 length");
  EXPECT_EQ(runOf(fronts[1]), "B1-fronts 1 length");
  EXPECT_EQ(runOf(fronts[2]), "B1-fronts-row-2 2 length");
  EXPECT_EQ(runOf(fronts[3]), "B1-fronts 2 length");
}

// A door over a drawer: both upright, the drawer's length lies across.
TEST(Figure, runsDownADoorAndTheDrawerUnderIt) {
  Carcass carcass = test::metricCarcass().carcass();
  Opening closed;
  closed.door = Door{};
  Split split{SplitBy::Shelves, {{}, Share{mm(200)}}, {closed, bankOpening(1)}};
  split.fronts = FrontsCut::Run;
  carcass.inside.content = split;
  const Breakdown out = breakDown(jobOf(carcass));
  const Part door = partsIn(out, PartRole::Door)[0];
  const Part front = partsIn(out, PartRole::DrawerFront)[0];
  EXPECT_EQ(runOf(door), "B1-fronts 1 length");
  EXPECT_EQ(door.grain, PartGrain::Length);
  EXPECT_EQ(runOf(front), "B1-fronts 2 width");
  EXPECT_EQ(front.grain, PartGrain::Width);
}

// A door and the drawer under it from one board: it is the door's by its code and its choices.
TEST(Figure, aBoardForADoorAndADrawerIsTheDoors) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.fronts.fit = FrontFit::Overlay;
  Opening closed;
  closed.door = Door{Hinge::Top};
  Split split{SplitBy::Shelves, {{}, Share{mm(200)}}, {closed, bankOpening(1)}};
  split.fronts = FrontsCut::OneBoard;
  carcass.inside.content = split;
  const Breakdown out = breakDown(jobOf(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_TRUE(partsIn(out, PartRole::DrawerFront).empty());
  const Part board = partsIn(out, PartRole::Lid)[0];
  EXPECT_EQ(board.keys.size(), 1U);
  // 684 and the overlay of 15 above and below.
  EXPECT_EQ(board.width.total(), mm(714));
}

// A rail between them, or a divider, is no cut.
TEST(Figure, whatStandsBetweenFrontsKeepsThemFromOneBoard) {
  Carcass carcass = drawers(2);
  auto& bank = std::get<DrawerBank>(carcass.inside.content);
  bank.cut = FrontsCut::OneBoard;
  bank.railed = true;
  EXPECT_EQ(troubleOf(jobOf(carcass)), "");  // there is no frame
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  EXPECT_EQ(troubleOf(jobOf(carcass)), "fronts from one board");
  carcass.frame.reset();
  Split split{SplitBy::Dividers, {{}, {}}, {bankOpening(1), bankOpening(1)}};
  split.fronts = FrontsCut::OneBoard;
  carcass.inside.content = split;
  EXPECT_EQ(breakDown(jobOf(carcass)).troubles[0].problem.found, "22 mm between two of them");
  // Overlaid they meet over the divider with a gap of 2: one board of 564 + 2 × 15.
  carcass.fronts.fit = FrontFit::Overlay;
  const Breakdown out = breakDown(jobOf(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(partsIn(out, PartRole::DrawerFront)[0].length.total(), mm(594));
}

// Stacked fronts are cut side by side across the grain, never end to end: three of 560 × 224 on a
// sheet 1 220 wide.
TEST(Figure, aStackIsCutSideBySide) {
  Carcass carcass = drawers(3);
  std::get<DrawerBank>(carcass.inside.content).cut = FrontsCut::Run;
  Job job = jobOf(carcass);
  const Breakdown out = breakDown(job);
  for (const Part& front : partsIn(out, PartRole::DrawerFront))
    EXPECT_EQ(front.series, RunSeries::Width);
  const NestRequest request = requestOf(job, sheetParts(out.parts));
  nest::NestOptions options;
  options.steps = 200;
  const Plan plan = nest::nest(request, options);
  std::vector<Length> along;
  for (const PlannedSheet& sheet : plan.sheets)
    for (const Placement& one : sheet.placements)
      if (!request.parts[one.part].run.empty()) along.push_back(one.x);
  ASSERT_EQ(along.size(), 3U);
  EXPECT_EQ(along[0], along[1]);
  EXPECT_EQ(along[1], along[2]);
}

// Three fronts of (684 − 4 × 2) / 3 = 225.333 from one board 680 high; a pull in the middle of
// each, from the top 112.667, 340 and 567.333.
TEST(Figure, frontsFromOneBoardCutApartWhenFitted) {
  Carcass carcass = drawers(3);
  std::get<DrawerBank>(carcass.inside.content).cut = FrontsCut::OneBoard;
  const Breakdown out = breakDown(jobOf(carcass));
  ASSERT_TRUE(out.troubles.empty());
  const std::vector<Part> fronts = partsIn(out, PartRole::DrawerFront);
  ASSERT_EQ(fronts.size(), 1U);
  EXPECT_EQ(fronts[0].quantity, 1);
  EXPECT_EQ(fronts[0].length.total(), mm(560));
  EXPECT_NEAR(fronts[0].width.total().inMm(), 680, 1e-5);
  EXPECT_EQ(fronts[0].keys.size(), 3U);
  EXPECT_EQ(fronts[0].note,
            "cut apart when fitted, from the top: 2 mm after 225.3▴ mm, 2 mm after 452.7▾ mm");
  std::vector<double> pulls;
  for (const Machining& cut : fronts[0].machining) pulls.push_back(cut.v0.inMm());
  std::sort(pulls.begin(), pulls.end());
  ASSERT_EQ(pulls.size(), 3U);
  EXPECT_NEAR(pulls[0], 112.667, 0.001);
  EXPECT_NEAR(pulls[1], 340, 0.001);
  EXPECT_NEAR(pulls[2], 567.333, 0.001);
  // The distance is said from the upper edge, as the pull of a front alone is.
  for (const Machining& cut : fronts[0].machining)
    EXPECT_EQ(cut.distance, fronts[0].width.total() - cut.v0);
}

// A choice: the second board runs on from the first, the third from the second.
class Chosen : public ::testing::Test {
 protected:
  Chosen() {
    for (const char* name : {"a", "b", "c"}) {
      LooseBoard board;
      board.name = name;
      board.material = "b18";
      board.length = mm(500);
      board.width = mm(300);
      job_.loose.push_back(board);
    }
    giveIds(job_);
  }

  PartKey key(std::size_t i) const { return breakDown(job_).parts[i].keys.front(); }

  void follow(std::size_t i, const PartKey& from) {
    PartOverride one;
    one.part = key(i);
    one.alike = false;
    one.why = "figure";
    one.follows = from;
    job_.overrides.push_back(one);
  }

  Job job_ = test::metricJob();
};

TEST_F(Chosen, figureRunsOnFromPartToPart) {
  follow(1, key(0));
  follow(2, key(1));
  const std::vector<Part> parts = breakDown(job_).parts;
  EXPECT_TRUE(breakDown(job_).troubles.empty());
  for (std::size_t i = 0; i < 3; ++i) {
    EXPECT_EQ(parts[i].run, parts[0].run);
    EXPECT_EQ(parts[i].runOrder, static_cast<int>(i) + 1);
  }
  EXPECT_FALSE(parts[0].run.empty());
  EXPECT_EQ(parts[1].note, "2 of 3 in a run, on to L-03");
  // It stands in the file.
  const Job again = readJob("j", writeJob(job_)).value();
  EXPECT_EQ(again.overrides, job_.overrides);
}

TEST_F(Chosen, whatCannotRunOnIsSaid) {
  follow(0, key(2));
  follow(1, key(2));
  EXPECT_EQ(troubleOf(job_), "figure of the a");
  job_.overrides.clear();
  follow(0, key(1));
  follow(1, key(0));
  EXPECT_EQ(breakDown(job_).troubles.size(), 2U);
  job_.overrides.clear();
  job_.loose[1].material = "b12";
  follow(1, key(0));
  EXPECT_EQ(breakDown(job_).troubles[0].problem.found, "L-01, of another material");
}

TEST(Figure, aCopyRunsOnWithinItself) {
  Job job = jobOf(test::metricCarcass().carcass());
  PartOverride one;
  one.part = {job.assemblies[0].id, PartRole::RightSide, 0, 1};
  one.why = "figure";
  one.follows = PartKey{job.assemblies[0].id, PartRole::LeftSide, 0, 1};
  job.overrides = {one};
  addCopy(job, std::as_const(job).assemblies[0], job.overrides, "B2");
  ASSERT_EQ(job.overrides.size(), 2U);
  EXPECT_EQ(job.overrides[1].follows->assembly, std::as_const(job).assemblies[1].id);
  const std::vector<Part> parts = breakDown(job).parts;
  std::set<std::string> runs;
  for (const Part& part : parts)
    if (!part.run.empty()) runs.insert(part.run);
  EXPECT_EQ(runs.size(), 2U);
  // In a mirror the left side runs on from the right one.
  mirrorAssembly(job, 0);
  EXPECT_EQ(job.overrides[0].part.role, PartRole::LeftSide);
  EXPECT_EQ(job.overrides[0].follows->role, PartRole::RightSide);
}

// Two doors over 564 less a divider: clear 273 each. Overlay 15 outside, (18 − 2) / 2 = 8 inside:
// 273 + 15 + 8 = 296. The left one goes 5 over its left edge: 286, and is framed.
TEST(OwnFronts, overlayStyleAndGrainOfOneOpening) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.fronts.fit = FrontFit::Overlay;
  Opening closed;
  closed.door = Door{};
  Split split{SplitBy::Dividers, {{}, {}}, {closed, closed}};
  carcass.inside.content = split;
  std::vector<Part> doors = partsIn(breakDown(jobOf(carcass)), PartRole::Door);
  ASSERT_EQ(doors.size(), 1U);
  EXPECT_EQ(doors[0].quantity, 2);
  EXPECT_EQ(doors[0].width.total(), mm(296));
  split.children[0].fronts.left = mm(5);
  split.children[0].fronts.grain = PanelGrain::Across;
  carcass.inside.content = split;
  doors = partsIn(breakDown(jobOf(carcass)), PartRole::Door);
  ASSERT_EQ(doors.size(), 2U);
  EXPECT_EQ(doors[0].width.total(), mm(286));
  EXPECT_EQ(doors[0].grain, PartGrain::Width);
  EXPECT_EQ(doors[1].grain, PartGrain::Length);
  split.children[0].fronts.style = FrontStyle::GroovedFrame;
  carcass.fronts.panelMaterial = "b6";
  carcass.inside.content = split;
  const Breakdown out = breakDown(jobOf(carcass));
  EXPECT_EQ(partsIn(out, PartRole::Door).size(), 1U);
  EXPECT_EQ(partsIn(out, PartRole::DoorPanel).size(), 1U);
  EXPECT_EQ(partsIn(out, PartRole::DoorPanel)[0].grain, PartGrain::Width);
  // 5 of the outside edge stay to be seen: over it 18 − 5 = 13, so 273 + 13 + 8.
  carcass.fronts.reveal = mm(5);
  EXPECT_EQ(partsIn(breakDown(jobOf(carcass)), PartRole::Door)[0].width.total(), mm(294));
  // 10 over the divider where the neighbour goes 8: 2 too much.
  split.children[0].fronts.right = mm(12);
  carcass.inside.content = split;
  const Breakdown met = breakDown(jobOf(carcass));
  ASSERT_FALSE(met.troubles.empty());
  EXPECT_EQ(met.troubles[0].problem.field, "fronts");
  EXPECT_EQ(met.troubles[0].problem.found, "2 mm over one another");
}

// A frame of 40 all round leaves 520 × 640.
Carcass framed() {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  return carcass;
}

// (520 − 2 × 2 − (40 + 2 × 2)) / 2 = 236; nothing stands behind the stile.
TEST(LoneMember, aStileBetweenTheDoorsOfAPair) {
  Carcass carcass = framed();
  carcass.inside.door = Door{Hinge::Pair};
  carcass.inside.door->centreStile = true;
  carcass.inside.content = AdjustableShelves{2};
  const Breakdown out = breakDown(jobOf(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(partsIn(out, PartRole::LeftDoor)[0].width.total(), mm(236));
  const Part stile = partsIn(out, PartRole::FrameCentreStile)[0];
  EXPECT_EQ(stile.length.total(), mm(640));
  EXPECT_EQ(stile.poses[0].place(stile.board()).low[0], mm(280));
  EXPECT_TRUE(partsIn(out, PartRole::Divider).empty());
  EXPECT_EQ(test::clashes(out), "");
  // Overlaid by 15 on each side: (520 + 30 − (40 − 30)) / 2.
  carcass.fronts.fit = FrontFit::Overlay;
  EXPECT_EQ(partsIn(breakDown(jobOf(carcass)), PartRole::LeftDoor)[0].width.total(), mm(270));
}

// Two fronts of (640 − 4 − 44) / 2 = 296, a rail from 40 + 300 on; each drawer has 300 for itself
// less 12 + 12.
TEST(LoneMember, railsBetweenDrawers) {
  Carcass carcass = framed();
  carcass.inside = bankOpening(2);
  std::get<DrawerBank>(carcass.inside.content).railed = true;
  const Breakdown out = breakDown(jobOf(carcass));
  ASSERT_TRUE(out.troubles.empty());
  EXPECT_EQ(partsIn(out, PartRole::DrawerFront)[0].width.total(), mm(296));
  const Part rail = partsIn(out, PartRole::FrameDrawerRail)[0];
  EXPECT_EQ(rail.length.total(), mm(520));
  EXPECT_EQ(rail.poses[0].place(rail.board()).low[2], mm(340));
  for (const Part& side : partsIn(out, PartRole::BoxLeftSide))
    EXPECT_EQ(side.width.total(), mm(276));
  EXPECT_TRUE(partsIn(out, PartRole::FixedShelf).empty());
  EXPECT_EQ(test::clashes(out), "");
}

// 200 and 280 are left open beside a stile of 40 that begins at 240; the divider is centred behind
// it, 251 to 269: clear 233 and 313.
TEST(LoneMember, sizesByWhatTheFrameLeavesOpen) {
  Carcass carcass = framed();
  Split split{SplitBy::Dividers, {Share{mm(200)}, {}}, {{}, {}}};
  split.byFrame = true;
  carcass.inside.content = split;
  Job job = jobOf(carcass);
  CarcassLayout layout = layOut(job, std::as_const(job).assemblies[0]).value();
  EXPECT_EQ(layout.leaves[0].rect.width, mm(233));
  EXPECT_EQ(layout.leaves[1].rect.width, mm(313));
  EXPECT_EQ(layout.leaves[0].face.width, mm(200));
  EXPECT_EQ(layout.leaves[1].face.width, mm(280));
  EXPECT_EQ(sizesAsTyped(layout, carcass, {}), (std::vector<Length>{mm(200), mm(280)}));
  // Without members over the panel the sizes are clear ones, and the frame leaves all of it.
  split.uncovered = true;
  carcass.inside.content = split;
  job = jobOf(carcass);
  layout = layOut(job, std::as_const(job).assemblies[0]).value();
  EXPECT_EQ(layout.leaves[0].rect.width, mm(200));
  EXPECT_TRUE(partsIn(breakDown(job), PartRole::FrameMiddleStile).empty());
}

// 564 less two dividers of 18 and 4 between them: 262 clear on either side.
TEST(LoneMember, aDoubleDivider) {
  Carcass carcass = test::metricCarcass().carcass();
  Split split{SplitBy::Dividers, {{}, {}}, {{}, {}}};
  split.doubled = mm(4);
  carcass.inside.content = split;
  const Breakdown out = breakDown(jobOf(carcass));
  ASSERT_TRUE(out.troubles.empty());
  const Part divider = partsIn(out, PartRole::Divider)[0];
  EXPECT_EQ(divider.quantity, 2);
  EXPECT_EQ(divider.poses[0].origin[0], mm(280));
  EXPECT_EQ(divider.poses[1].origin[0], mm(302));
  Job job = jobOf(carcass);
  EXPECT_EQ(sizesAsTyped(layOut(job, std::as_const(job).assemblies[0]).value(), carcass, {}),
            (std::vector<Length>{mm(262), mm(262)}));
  EXPECT_EQ(test::clashes(out), "");
  int dados = 0;
  const Part bottom = partsIn(out, PartRole::Bottom)[0];
  for (const Machining& cut : bottom.machining)
    if (cut.receives == "divider") ++dados;
  EXPECT_EQ(dados, 2);
  // The right one of another material: 564 − 18 − 12 − 4 = 530, 265 on either side.
  PartOverride one;
  one.part = divider.keys[1];
  one.alike = false;
  one.why = "thin";
  one.material = "b12";
  job.overrides = {one};
  const Breakdown thin = breakDown(job);
  EXPECT_TRUE(thin.troubles.empty());
  EXPECT_EQ(test::clashes(thin), "");
  EXPECT_EQ(partsIn(thin, PartRole::Divider)[0].material, "b18");
  EXPECT_EQ(partsIn(thin, PartRole::Divider)[1].material, "b12");
  EXPECT_EQ(partsIn(thin, PartRole::Divider)[1].poses[0].origin[0], mm(18 + 265 + 18 + 4));
}

}  // namespace
}  // namespace pp::figure_test
