// Sizes read off the work, parts of any sheets as thick, things bought in,
// and edges that are eased; against cases worked by hand.
#include <gtest/gtest.h>

#include "core/breakdown/bought.h"
#include "core/formats/breakdown_lists.h"
#include "core/formats/job_json.h"
#include "core/kinds/validate.h"
#include "core/plan/request.h"
#include "core/secondlook/second_look.h"
#include "tests/core/listed.h"

namespace pp::reading_test {
namespace {

using test::jobOf;
using test::mm;
using test::partIn;

// 600 × 720 × 560 with one fixed shelf in the middle.
Job shelved() {
  Carcass carcass = test::metricCarcass().carcass();
  Split split;
  split.by = SplitBy::Shelves;
  split.sizes.resize(2);
  split.children.resize(2);
  carcass.inside.content = split;
  return jobOf(carcass);
}

PartOverride& choiceFor(Job& job, const std::string& name) {
  const Breakdown out = breakDown(job);
  PartOverride chosen;
  chosen.part = partIn(out, name).keys.front();
  chosen.why = "test";
  job.overrides.push_back(chosen);
  return job.overrides.back();
}

TEST(Readings, aPartWaitsLargerAndThenIsTheSmallest) {
  Job job = shelved();
  choiceFor(job, "fixed shelf").reads = WorkReading{};
  Breakdown out = breakDown(job);
  const Part waiting = partIn(out, "fixed shelf");
  EXPECT_TRUE(waiting.waiting);
  EXPECT_EQ(waiting.cutLength(), mm(586)) << "576 and the allowance";
  job.overrides[0].reads->readings = {mm(575.2), mm(574.6), mm(576.4)};
  out = breakDown(job);
  const Part read = partIn(out, "fixed shelf");
  EXPECT_FALSE(read.waiting);
  EXPECT_EQ(read.cutLength(), mm(574.6));
  EXPECT_EQ(read.readOff, mm(-1.4));
  job.overrides[0].reads = WorkReading{true, mm(5), {}};
  EXPECT_EQ(partIn(breakDown(job), "fixed shelf").cutWidth(),
            partIn(breakDown(shelved()), "fixed shelf").cutWidth() + mm(5));
}

TEST(Readings, whatIsFarOffIsAFinding) {
  Job job = shelved();
  choiceFor(job, "fixed shelf").reads = WorkReading{};
  const auto findings = [&job] {
    std::vector<std::string> out;
    for (const Finding& finding : checkReadings(job, breakDown(job))) out.push_back(finding.what);
    return out;
  };
  EXPECT_EQ(findings(), std::vector<std::string>{"1 pieces of K wait for a reading"});
  job.overrides[0].reads->readings = {mm(575)};
  EXPECT_TRUE(findings().empty()) << "1 mm off is how work is";
  job.overrides[0].reads->readings = {mm(574.9)};
  const std::string code = partIn(breakDown(job), "fixed shelf").code;
  EXPECT_EQ(findings(), std::vector<std::string>{
                            code + " fixed shelf was read 1.1 mm smaller than worked out"});
}

Job drawers() {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.content = DrawerBank{};
  return jobOf(carcass);
}

TEST(Readings, boxesFollowTheOpening) {
  Job job = drawers();
  const auto bank = [&job]() -> DrawerBank& {
    return std::get<DrawerBank>(job.assemblies[0].carcass().inside.content);
  };
  const auto bottom = [](const Breakdown& breakdown) {
    const Part& part = partIn(breakdown, "drawer bottom");
    return part.length.total() + part.width.total();
  };
  const Length ruled = bottom(breakDown(job));
  bank().waits = true;
  Breakdown out = breakDown(job);
  EXPECT_TRUE(partIn(out, "drawer box front").waiting);
  EXPECT_TRUE(partIn(out, "drawer bottom").waiting);
  EXPECT_FALSE(partIn(out, "drawer left side").waiting) << "as long as the slide whatever is read";
  EXPECT_EQ(partIn(out, "drawer box front").oversize, mm(10));
  // 564 drawn, the smaller reading 2 less: so is all that goes across.
  bank().readings = {mm(563), mm(562)};
  out = breakDown(job);
  EXPECT_FALSE(partIn(out, "drawer box front").waiting);
  EXPECT_EQ(partIn(out, "drawer box front").length.total(),
            partIn(breakDown(drawers()), "drawer box front").length.total() - mm(2));
  EXPECT_EQ(bottom(out), ruled - mm(2));
  EXPECT_EQ(partIn(out, "drawer bottom").readOff, mm(-2));
  bank().readings = {mm(500)};
  EXPECT_FALSE(breakDown(job).troubles.empty()) << "of another opening";
  EXPECT_EQ(*readJob("job", writeJob(job)), job);
}

TEST(Slides, thatCloseThemselvesSitFurtherBack) {
  Job job = drawers();
  const auto slide = [&job] { return partIn(breakDown(job), "drawer left side").length.total(); };
  ASSERT_EQ(slide(), mm(500));
  // 560 - 6 - 18 behind the front's face: 536 holds 500, 10 of reserve and 26, no more.
  for (Slide& one : job.slides) one.setBack = mm(26);
  EXPECT_EQ(slide(), mm(500));
  for (Slide& one : job.slides) one.setBack = mm(26.1);
  EXPECT_EQ(slide(), mm(450));
}

// On a base frame of ash, and what the shop has left of birch.
Job onAsh(Length offcutThick) {
  Job job = shelved();
  job.materials.push_back({"ash18", "ash", mm(18), mm(18), true, Tone::Ash, 650});
  job.materials.push_back({"old18", "old birch", mm(18), offcutThick, true, Tone::Birch, 650});
  StockPiece sheet = job.stock[0];
  sheet.mark = "ash sheet";
  sheet.material = "ash18";
  job.stock.push_back(sheet);
  StockPiece offcut = job.stock[0];
  offcut.mark = "left over";
  offcut.material = "old18";
  offcut.kind = StockKind::Offcut;
  offcut.length = mm(700);
  offcut.width = mm(300);
  offcut.quantity = 1;
  job.stock.push_back(offcut);
  for (StockPiece* piece : {&job.stock[job.stock.size() - 1], &job.stock[job.stock.size() - 2]})
    piece->id = 0;
  Carcass& carcass = job.assemblies[0].carcass();
  carcass.stand = Stand{};
  carcass.stand->kind = StandKind::Frame;
  carcass.stand->material = "ash18";
  giveIds(job);
  return job;
}

std::string cutFrom(const Job& job, const std::string& name) {
  const Breakdown out = breakDown(job);
  for (const PartDemand& demand : requestOf(job, out.parts).parts)
    if (demand.code == partIn(out, name).code) return demand.material;
  return {};
}

// Two rails of 600 x 100 behind a toe: an 18 mm offcut of another kind goes into them before ash.
TEST(AnySheets, ofTheSameMeasureWhereNobodySees) {
  Job job = onAsh(mm(18));
  EXPECT_EQ(cutFrom(job, "base rail"), "ash");
  choiceFor(job, "base rail").anySuch = true;
  ASSERT_TRUE(breakDown(job).troubles.empty());
  EXPECT_EQ(cutFrom(job, "base rail"), "old birch");
  EXPECT_EQ(cutFrom(job, "base cross piece"), "ash");
  // An offcut is counted on for two thirds of itself: four rails are too much for it.
  job.assemblies[0].copies = 2;
  EXPECT_EQ(cutFrom(job, "base rail"), "ash");
  job.assemblies[0].copies = 1;
  for (std::size_t i = 0; i < job.stock.size(); ++i)
    if (job.stock[i].kind == StockKind::Offcut) job.stock[i].quantity = 0;
  EXPECT_EQ(cutFrom(job, "base rail"), "ash");
}

TEST(AnySheets, anotherMeasureIsATip) {
  Job job = onAsh(mm(17.6));
  choiceFor(job, "base rail").anySuch = true;
  EXPECT_EQ(cutFrom(job, "base rail"), "ash") << "its joints stay as they are";
  const std::vector<Finding> found = checkSubstitutes(job, breakDown(job));
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].what.substr(found[0].what.find(' ') + 1),
            "base rail would come from the offcut left over, which is 17.6 mm thick");
  EXPECT_EQ(found[0].severity, Severity::Tip);
}

TEST(AnySheets, notWhereItShows) {
  Job job = shelved();
  job.assemblies[0].carcass().banding = "edge";
  choiceFor(job, "bottom").anySuch = true;
  ASSERT_EQ(breakDown(job).troubles.size(), 1U);
  EXPECT_EQ(breakDown(job).troubles[0].problem.found, "any sheets as thick");
}

// Frames of 40 over sides of 18 leave 22 to pads; 300 long, the slides of 500 end 200 behind them.
TEST(Slides, needWoodAtTheirRearEnds) {
  Job job = drawers();
  Carcass& carcass = job.assemblies[0].carcass();
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  EXPECT_TRUE(checkSlideEnds(job, breakDown(job)).empty());
  carcass.drawers.padLength = mm(300);
  const std::vector<Finding> found = checkSlideEnds(job, breakDown(job));
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].what.substr(0, 22), "The slides of K end 20");
  ASSERT_TRUE(found[0].fix);
  found[0].fix->edit(job);
  EXPECT_TRUE(checkSlideEnds(job, breakDown(job)).empty());
}

TEST(Bought, asLargeAsItsPlaceLeaves) {
  Job job = shelved();
  BoughtIn rod;
  rod.name = "rod";
  rod.quantity = 2;
  job.bought = {rod};
  EXPECT_EQ(placeOf(job, job.bought[0]), "");
  EXPECT_TRUE(setPlace(job, job.bought[0], "K.2").empty());
  EXPECT_EQ(placeOf(job, job.bought[0]), "K.2");
  job.bought[0].clearance = mm(4);
  // 564 × (684 - 18) / 2 clear.
  EXPECT_EQ(sizeOf(job, job.bought[0]).length, mm(560));
  EXPECT_EQ(sizeOf(job, job.bought[0]).width, mm(329));
  job.bought[0].width = mm(25);
  job.bought[0].oversize = mm(6);
  job.bought[0].have = 1;
  job.bought[0].material = "acrylic";
  job.bought[0].thickness = mm(4);
  EXPECT_EQ(
      writeBought(job),
      "# unit: mm\nname,qty,price,material,length,width,note\n"
      "rod,2,0.00,acrylic,566mm,31mm,1 of 2 in the shop; for K.2; 4 mm thick; 6 mm larger than it "
      "will be\n");
  EXPECT_EQ(*readJob("job", writeJob(job)), job);
  EXPECT_EQ(setPlace(job, job.bought[0], "K.3")[0].expected, "K.1 to K.2");
  EXPECT_EQ(setPlace(job, job.bought[0], "X")[0].expected, "the code of an assembly");
  job.bought[0].assembly = job.assemblies[0].id;
  job.bought[0].opening = 999;
  EXPECT_EQ(validate(job)[0].field, "/bought/0/opening");
}

// Length 300, width 100, 18 thick; a solid edge of 2 along the far long edge.
Job boardWith(const Feature& feature) {
  Boards boards;
  LooseBoard board;
  board.name = "lid";
  board.material = "b18";
  board.length = mm(300);
  board.width = mm(100);
  board.farLong = "edge";
  board.features = {feature};
  boards.boards = {board};
  return jobOf(boards);
}

Feature eased(FeatureKind kind, Length size) {
  Feature out;
  out.kind = kind;
  out.size = size;
  return out;
}

TEST(EasedEdges, noDeeperThanTheEdgingNorPastHalf) {
  struct Row {
    FeatureKind kind;
    double size;
    BoardEdge edge;
    bool both;
    bool good;
  };
  const Row rows[] = {{FeatureKind::RoundOver, 3, BoardEdge::Long1, false, true},
                      {FeatureKind::RoundOver, 18, BoardEdge::Long1, false, true},
                      {FeatureKind::RoundOver, 18.1, BoardEdge::Long1, false, false},
                      {FeatureKind::Chamfer, 9, BoardEdge::Short1, true, true},
                      {FeatureKind::Chamfer, 9.1, BoardEdge::Short1, true, false},
                      {FeatureKind::Chamfer, 2, BoardEdge::Long2, false, true},
                      {FeatureKind::Chamfer, 2.1, BoardEdge::Long2, false, false},
                      {FeatureKind::RoundOver, 0, BoardEdge::Long1, false, false}};
  for (const Row& row : rows) {
    Feature feature = eased(row.kind, mm(row.size));
    feature.edge = row.edge;
    feature.bothFaces = row.both;
    EXPECT_EQ(breakDown(boardWith(feature)).troubles.empty(), row.good) << row.size;
  }
}

TEST(EasedEdges, neverAcrossAJoint) {
  Job job = shelved();
  PartOverride& chosen = choiceFor(job, "fixed shelf");
  chosen.features = {eased(FeatureKind::RoundOver, mm(3))};
  chosen.features[0].edge = BoardEdge::Short1;
  Breakdown out = breakDown(job);
  ASSERT_EQ(out.troubles.size(), 1U);
  EXPECT_EQ(out.troubles[0].problem.found,
            "a round-over along the left edge, which is joined to the left side");
  chosen.features[0].edge = BoardEdge::Long1;
  chosen.features[0].assembled = true;
  out = breakDown(job);
  ASSERT_TRUE(out.troubles.empty());
  const Part& shelf = partIn(out, "fixed shelf");
  EXPECT_EQ(describe(shelf.machining.back(), shelf, {}),
            "round-over 3 along the front edge, inside face, when it has been put in");
}

TEST(Recesses, lieInsideTheBoardAndNotThroughIt) {
  Feature recess;
  recess.kind = FeatureKind::Recess;
  recess.along = mm(40);
  recess.across = mm(20);
  recess.length = mm(120);
  recess.width = mm(50);
  recess.depth = mm(4);
  recess.size = mm(10);
  const Breakdown out = breakDown(boardWith(recess));
  ASSERT_TRUE(out.troubles.empty());
  const Machining& cut = out.parts[0].machining[0];
  EXPECT_EQ(cut.u1, mm(160));
  EXPECT_EQ(cut.v1, mm(70));
  EXPECT_EQ(describe(cut, out.parts[0], {}),
            "recess 120 × 50, 4 deep in the inside face, 40 from the left end, 20 from the bottom "
            "edge, corners of radius 10");
  for (const auto& [field, value] :
       {std::pair(&Feature::along, mm(181)), std::pair(&Feature::size, mm(25.1)),
        std::pair(&Feature::depth, mm(18)), std::pair(&Feature::depth, Length{})}) {
    Feature wrong = recess;
    wrong.*field = value;
    EXPECT_EQ(breakDown(boardWith(wrong)).troubles.size(), 1U);
  }
}

}  // namespace
}  // namespace pp::reading_test
