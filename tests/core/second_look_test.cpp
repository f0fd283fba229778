#include <gtest/gtest.h>

#include "core/formats/job_json.h"
#include "core/plan/request.h"
#include "core/secondlook/second_look.h"
#include "tests/core/support.h"

namespace pp::second_look_test {
namespace {

using test::mm;

std::vector<Finding> look(const Job& job) {
  return secondLook(job, breakDown(job));
}

Job mended(Job job, const Finding& finding) {
  finding.fix->edit(job);
  return job;
}

Job banded() {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.banding = "edge";
  carcass.fronts.banding = "edge";
  return test::jobWith(carcass);
}

TEST(SecondLook, saysNothingOfASoundJob) {
  EXPECT_TRUE(look(banded()).empty());
  for (const char* name : test::kDemos) {
    const auto findings = look(readJob(name, test::demo(name)).value());
    EXPECT_TRUE(findings.empty()) << findings.front().what;
  }
}

TEST(SecondLook, partLargerThanEverySheet) {
  Job job = banded();
  // Untrimmed 2440, trimmed 6 each end: a side of 2428 just fits, a nanometre more does not.
  job.assemblies[0].carcass().height = mm(2428);
  job.assemblies[0].carcass().back.grain = PanelGrain::Upright;
  const auto sides = [&] { return checkPartFitsSheet(job, breakDown(job)); };
  EXPECT_TRUE(sides().empty());
  job.assemblies[0].carcass().height += Length::nm(1);
  ASSERT_EQ(sides().size(), 2U);
  EXPECT_EQ(sides()[0].severity, Severity::Stop);
  EXPECT_EQ(sides()[0].what, "B1-01 left side is larger than every sheet of birch 18");
  EXPECT_EQ(sides()[0].place.part, "B1-01");
}

TEST(SecondLook, aBackTooLargeOneWayIsTurnedByItsFix) {
  Job job = banded();
  job.assemblies[0].carcass().width = mm(1400);
  const auto findings = look(job);
  ASSERT_EQ(findings.size(), 1U);
  ASSERT_TRUE(findings[0].fix.has_value());
  EXPECT_TRUE(look(mended(job, findings[0])).empty());
}

TEST(SecondLook, materialThatIsNotInTheRack) {
  Job job = banded();
  job.stock.erase(0);
  ASSERT_FALSE(look(job).empty());
  EXPECT_EQ(look(job)[0].what, "No birch 18 for B1-01 left side");
}

TEST(SecondLook, drawerStackThatDoesNotFitAndItsFix) {
  Job job = banded();
  DrawerBank bank;
  // Clear height 684, two gaps of 2 and one between: 678 is the most that two fronts may be.
  bank.fronts = {{mm(339)}, {mm(339)}};
  job.assemblies[0].carcass().inside.content = bank;
  EXPECT_TRUE(look(job).empty());
  bank.fronts = {{mm(339)}, {mm(339) + Length::nm(1)}};
  job.assemblies[0].carcass().inside.content = bank;
  const auto findings = look(job);
  ASSERT_EQ(findings.size(), 1U);
  EXPECT_EQ(findings[0].severity, Severity::Stop);
  ASSERT_TRUE(findings[0].fix.has_value());
  EXPECT_TRUE(look(mended(job, findings[0])).empty());
}

TEST(SecondLook, exposedEdgesWithoutBandingAndTheirFix) {
  Job job = banded();
  job.assemblies[0].carcass().banding.clear();
  const auto findings = look(job);
  ASSERT_EQ(findings.size(), 1U);
  EXPECT_EQ(findings[0].what, "4 front edges of B1 show bare plies");  // sides, top, bottom
  ASSERT_TRUE(findings[0].fix.has_value());
  EXPECT_TRUE(look(mended(job, findings[0])).empty());
}

// Doors, lids and shelf lips too: each is banded by the fix that is offered, and F8 has an end.
TEST(SecondLook, everyBareEdgeOfACarcassCanBeBandedByItsFix) {
  Job job = banded();
  Carcass& carcass = job.assemblies[0].carcass();
  carcass.banding.clear();
  carcass.fronts.banding.clear();
  carcass.shelves.lip = mm(40);
  carcass.inside.content = AdjustableShelves{1};
  carcass.inside.door = Door{Hinge::Left};
  auto findings = look(job);
  ASSERT_EQ(findings.size(), 2U);
  EXPECT_EQ(findings[0].what, "6 front edges of B1 show bare plies");  // with shelf and lip
  EXPECT_EQ(findings[1].what, "4 edges of doors and drawer fronts of B1 show bare plies");
  for (int presses = 0; !findings.empty(); ++presses) {
    ASSERT_LT(presses, 3);
    ASSERT_TRUE(findings[0].fix.has_value());
    job = mended(job, findings[0]);
    findings = look(job);
  }
}

TEST(SecondLook, edgingThatIsNotAsThickAsItsMaterial) {
  Job job = banded();
  Top top;
  top.material = top.edgingMaterial = job.materials[0].id;
  top.edging = mm(20);
  job.assemblies[0].body = top;
  const auto findings = checkEdging(job, breakDown(job));
  ASSERT_EQ(findings.size(), 1U);
  EXPECT_EQ(findings[0].what, "The edging of B1 is 20 mm thick, its material 18 mm");
  job = mended(job, findings[0]);
  EXPECT_EQ(std::get<Top>(job.assemblies[0].body).edging, mm(18));
  EXPECT_TRUE(checkEdging(job, breakDown(job)).empty());
  // Lumber is planed to what is wanted.
  std::get<Top>(job.assemblies[0].body).edging = mm(12);
  job.materials[0].lumber = true;
  EXPECT_TRUE(checkEdging(job, breakDown(job)).empty());
}

TEST(Request, allFrontsShowAndNothingElseDoes) {
  Job job = banded();
  Carcass& carcass = job.assemblies[0].carcass();
  carcass.inside.content = AdjustableShelves{1};
  for (const Hinge hinge : {Hinge::Left, Hinge::Pair, Hinge::Top})
    for (const FrontStyle style : {FrontStyle::Slab, FrontStyle::GroovedFrame}) {
      carcass.inside.door = Door{hinge};
      carcass.fronts.style = style;
      carcass.fronts.panelMaterial = "b6";
      const std::vector<Part> parts = sheetParts(breakDown(job).parts);
      const NestRequest request = requestOf(job, parts);
      for (std::size_t i = 0; i < parts.size(); ++i) {
        const bool front = parts[i].name.starts_with("door") || parts[i].name.starts_with("lid");
        EXPECT_EQ(request.parts[i].shows, front) << parts[i].name;
      }
    }
}

TEST(SecondLook, worstFirst) {
  Job job = banded();
  job.assemblies[0].carcass().banding.clear();
  job.assemblies[0].carcass().height = mm(3000);
  const auto findings = look(job);
  ASSERT_GE(findings.size(), 2U);
  EXPECT_EQ(findings.front().severity, Severity::Stop);
  EXPECT_EQ(findings.back().severity, Severity::Mind);
}

TEST(SecondLook, whatCannotBeBuiltIsSaid) {
  Job job = banded();
  job.assemblies[0].carcass().dadoDepth = mm(20);
  const auto findings = look(job);
  ASSERT_EQ(findings.size(), 1U);
  EXPECT_EQ(findings[0].what, "B1 cannot be built as drawn");
}

TEST(SecondLook, aPartLongerThanEveryBar) {
  Job job = banded();
  Material bar;
  bar.id = "bar";
  bar.name = "ash, planed";
  bar.nominal = bar.measured = mm(20);
  bar.lumber = true;
  job.materials.push_back(bar);
  StockPiece piece;
  piece.mark = "BAR";
  piece.material = "bar";
  piece.length = mm(700);
  piece.width = mm(40);
  job.stock.push_back(piece);
  FaceFrame frame;
  frame.material = "bar";
  job.assemblies[0].carcass().frame = frame;  // its stiles are as high as the carcass, 720
  const auto findings = look(job);
  ASSERT_EQ(findings.size(), 1U);
  EXPECT_TRUE(findings[0].what.ends_with("frame stile is longer than every bar of ash, planed"));
  EXPECT_EQ(findings[0].why, "It would fit if it were 20 mm shorter.");
  job.stock.back().length = mm(720);
  EXPECT_TRUE(look(job).empty());
  job.stock.back().width = mm(39);
  EXPECT_TRUE(look(job).front().what.starts_with("No bar of ash, planed for"));
}

}  // namespace
}  // namespace pp::second_look_test
