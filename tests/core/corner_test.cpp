// Groups round a corner and in a nook, and a width that is shared out; against cases worked by
// hand: carcasses 600 × 720 × 560 with fronts between their panels.
#include <gtest/gtest.h>

#include <algorithm>

#include "core/breakdown/assign_ids.h"
#include "core/formats/job_json.h"
#include "core/kinds/group/lines.h"
#include "core/kinds/group/rules.h"
#include "core/kinds/kind.h"
#include "core/kinds/validate.h"
#include "core/parts/part_builder.h"
#include "tests/core/bodies.h"
#include "tests/core/listed.h"

namespace pp::corner_test {
namespace {

using test::missing;
using test::mm;
using test::partIn;

// So many carcasses B1, B2 ... and a group G of them: `rear` along the rear wall, then those along
// the left wall, then the right one, from the corner on.
Job corner(int rear, int left, int right) {
  Job job = test::metricJob();
  CarcassGroup group;
  group.left.emplace();
  group.right.emplace();
  for (int i = 0; i < rear + left + right; ++i) {
    Assembly member = test::metricCarcass();
    member.code = "B" + std::to_string(i + 1);
    member.carcass().stand = Stand{};
    job.assemblies.push_back(member);
    giveIds(job);
    const Id id = job.assemblies.back().id;
    (i < rear          ? group.members
     : i < rear + left ? group.left->members
                       : group.right->members)
        .push_back(id);
  }
  if (left == 0) group.left.reset();
  if (right == 0) group.right.reset();
  Assembly assembly;
  assembly.code = "G";
  assembly.body = group;
  job.assemblies.push_back(assembly);
  giveIds(job);
  return job;
}

CarcassGroup& groupOf(Job& job) {
  return std::get<CarcassGroup>(job.assemblies.back().body);
}

std::string listOf(const Job& job) {
  std::string out;
  const Breakdown breakdown = breakDown(job, job.assemblies.back());
  for (const Trouble& trouble : breakdown.troubles)
    out += "trouble: " + trouble.problem.found + "\n";
  for (const Part& part : breakdown.parts)
    out += part.name + " x" + std::to_string(part.quantity) + " " +
           format(part.length.total(), styleOf(job)) + " x " +
           format(part.width.total(), styleOf(job)) + "\n";
  return out;
}

Standing memberStanding(const Job& job, const CarcassGroup& group, Id member) {
  const std::vector<Id> members = group.everyMember();
  const auto at = std::find(members.begin(), members.end(), member);
  return memberStandings(job, group)[static_cast<std::size_t>(at - members.begin())];
}

// What of the group and its members takes the room of another.
std::string clashesIn(const Job& job) {
  std::vector<test::Body> bodies = test::bodiesOf(breakDown(job, job.assemblies.back()));
  const auto& group = std::get<CarcassGroup>(job.assemblies.back().body);
  for (const Id id : group.everyMember()) {
    Breakdown member = breakDown(job, *findAssembly(job, id));
    PartBuilder::stand(member.parts, memberStanding(job, group, id));
    for (test::Body& body : test::bodiesOf(member)) bodies.push_back(std::move(body));
  }
  return test::clashes(bodies);
}

void onABase(Job& job) {
  Stand stand;
  stand.kind = StandKind::Frame;
  stand.material = "b18";
  groupOf(job).stand = stand;
}

void underATop(Job& job, CornerTop corner) {
  Top top;
  top.material = "b18";
  top.strip = Length{};
  groupOf(job).top = top;
  groupOf(job).cornerTop = corner;
}

TEST(Corner, theSideLineStandsBeforeTheRearOne) {
  Job job = corner(2, 0, 1);
  // 2 x 600 and a corner of 560 + 50.
  EXPECT_EQ(groupLines(job, groupOf(job))->wall, mm(1'810));
  EXPECT_EQ(widthOf(job, job.assemblies.back()), mm(1'810));
  const Standing side = memberStanding(job, groupOf(job), groupOf(job).right->members[0]);
  EXPECT_EQ(side, (Standing{{mm(1'250), mm(-50), Length{}}, 3}));
  // Its rear at the wall, its left end at the corner.
  EXPECT_EQ(side.place(Point{mm(600), mm(560), Length{}}), (Point{mm(1'810), mm(-650), Length{}}));
  EXPECT_EQ(clashesIn(job), "");
}

TEST(Corner, onTheLeftTheRearLineBeginsAfterIt) {
  Job job = corner(1, 2, 0);
  const CarcassGroup group = groupOf(job);
  EXPECT_EQ(groupLines(job, group)->wall, mm(1'210));
  EXPECT_EQ(memberStanding(job, group, group.members[0]).at[0], mm(610));
  // From the corner on: the first is nearest to it, its rear at the left wall.
  const Standing first = memberStanding(job, group, group.left->members[0]);
  EXPECT_EQ(first.place(Point{mm(600), mm(560), Length{}}), (Point{Length{}, mm(-50), Length{}}));
  const Standing second = memberStanding(job, group, group.left->members[1]);
  EXPECT_EQ(second.place(Point{Length{}, Length{}, Length{}}),
            (Point{mm(560), mm(-1'250), Length{}}));
  EXPECT_EQ(clashesIn(job), "");
}

TEST(Corner, baseFillersAndTops) {
  Job job = corner(2, 0, 1);
  onABase(job);
  groupOf(job).fillerMaterial = "b18";
  underATop(job, CornerTop::Butted);
  // Base: 1 810 from wall to wall, and 600 with 50 of filler and 50 it is set in. Fillers 620 high
  // over a base of 100. Tops: 1 810 by 580; from 30 before the side line's end, 20 over the rear
  // line's front, 630.
  EXPECT_EQ(missing(listOf(job), {"base rail x2 1810 x 100", "base rail x2 700 x 100",
                                  "corner filler x1 620 x 50", "corner filler x1 620 x 68",
                                  "top x1 1810 x 580", "top x1 630 x 580"}),
            "");
  EXPECT_EQ(clashesIn(job), "");
}

TEST(Corner, mitredTops) {
  for (const bool right : {true, false}) {
    Job job = right ? corner(2, 0, 1) : corner(2, 1, 0);
    underATop(job, CornerTop::Mitred);
    // The side top runs on to the rear wall: 600 + 50 + 560.
    EXPECT_EQ(missing(listOf(job), {"top x1 1810 x 580", "top x1 1210 x 580"}), "");
    EXPECT_EQ(clashesIn(job), "");
    const Breakdown out = breakDown(job, job.assemblies.back());
    ASSERT_EQ(out.parts[0].machining.size(), 1U);
    const Machining& cut = out.parts[0].machining[0];
    // From the inner corner, 1 250 - 20 along the front edge, to the corner of the walls.
    EXPECT_EQ(cut.from, right ? Edge::W2 : Edge::W1);
    EXPECT_EQ(cut.u0, right ? mm(1'230) : mm(580));
    EXPECT_EQ(cut.u1, right ? mm(1'810) : Length{});
    EXPECT_EQ(cut.angle, Angle::degrees(45));
    groupOf(job).top->edgingMaterial = "b12";
    EXPECT_EQ(listOf(job), "trouble: an edged front that is mitred in the corner\n");
  }
}

TEST(Corner, aNookWithFramesPerLine) {
  Job job = corner(2, 1, 1);
  FaceFrame frame;
  frame.material = "b18";
  frame.overhangLeft = frame.overhangRight = mm(5);
  groupOf(job).frame = frame;
  onABase(job);
  groupOf(job).fillerMaterial = "b12";
  underATop(job, CornerTop::Butted);
  EXPECT_EQ(clashesIn(job), "");
  // Frames stand 18 proud: corners of 578 + 50 each.
  EXPECT_EQ(groupLines(job, groupOf(job))->wall, mm(2'456));
  const Breakdown out = breakDown(job, job.assemblies.back());
  std::int64_t stiles = 0;
  for (const Part& part : out.parts)
    if (part.role == PartRole::FrameLeftStile || part.role == PartRole::FrameRightStile)
      stiles += part.quantity;
  EXPECT_EQ(stiles, 6) << "two a line";
}

TEST(Corner, aBlindEndHidesNoFront) {
  Job job = corner(2, 0, 1);
  groupOf(job).right->blind = true;
  EXPECT_EQ(groupLines(job, groupOf(job))->wall, mm(1'200));
  EXPECT_EQ(listOf(job), "");
  EXPECT_EQ(clashesIn(job), "");
  // What stands behind it begins 560 + 50 before the wall, at 590.
  job.assemblies[1].carcass().inside.door = Door{};
  EXPECT_EQ(listOf(job), "trouble: a front of B2 that stands behind the corner\n");
  job.assemblies[1].carcass().inside.door.reset();
  job.assemblies[0].carcass().inside.door = Door{};
  EXPECT_EQ(listOf(job), "") << "ends at 582";
}

// Of 560 either, before a rear wall of 1 000 that runs on behind both.
TEST(Corner, theLinesOfANookLeaveRoomBetweenThem) {
  Job job = corner(1, 1, 1);
  groupOf(job).left->blind = groupOf(job).right->blind = true;
  job.assemblies[0].carcass().width = mm(1'000);
  EXPECT_EQ(listOf(job),
            "trouble: 120 mm less between the side walls than what stands along them takes\n");
  job.assemblies[0].carcass().width = mm(1'120);
  EXPECT_EQ(listOf(job), "");
  EXPECT_EQ(clashesIn(job), "");
}

// A gap of 800 after B1: shelves of 797 x 560 at thirds of the height over the foot, on four
// ledges.
TEST(Bridge, looseShelvesAcrossAGap) {
  Job job = corner(2, 0, 0);
  GroupBridge bridge;
  bridge.after = job.assemblies[0].id;
  bridge.shelves = 2;
  bridge.material = "b18";
  groupOf(job).bridges = {bridge};
  onABase(job);
  underATop(job, CornerTop::Butted);
  EXPECT_EQ(missing(listOf(job), {"loose shelf x2 797 x 560", "shelf support x4 560 x 40",
                                  "top x1 2000 x 580", "base rail x2 2000 x 100"}),
            "");
  EXPECT_EQ(clashesIn(job), "");
  const Breakdown out = breakDown(job, job.assemblies.back());
  EXPECT_EQ(memberStanding(job, groupOf(job), job.assemblies[1].id).at[0], mm(1'400));
  // 100 of base under 620: thirds of 206.666666.
  EXPECT_NEAR(partIn(out, "loose shelf").poses[0].origin[2].inMm(), 306.666666, 1e-5);
  // The typed width is shared by what the gap leaves.
  groupOf(job).width = mm(2'400);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(job.assemblies[0].carcass().width, mm(800));
  EXPECT_EQ(*readJob("job", writeJob(job)), job);
  const CarcassGroup turned = mirrored(groupOf(job));
  EXPECT_EQ(turned.bridges[0].after, job.assemblies[1].id) << "what stood right of it";
  groupOf(job).frame = FaceFrame{};
  groupOf(job).frame->material = "b18";
  EXPECT_EQ(listOf(job), "trouble: a frame over the gap between two carcasses\n");
}

TEST(Bridge, isBetweenTwo) {
  Job job = corner(2, 0, 1);
  GroupBridge bridge;
  bridge.after = job.assemblies[1].id;
  bridge.material = "b18";
  groupOf(job).bridges = {bridge};
  EXPECT_EQ(validate(job)[0].field, "/assemblies/3/group/bridges/0/after")
      << "the last of its line";
  groupOf(job).bridges[0].after = job.assemblies[0].id;
  EXPECT_TRUE(validate(job).empty());
  groupOf(job).bridges.push_back(groupOf(job).bridges[0]);
  EXPECT_EQ(validate(job)[0].field, "/assemblies/3/group/bridges/1/after");
  groupOf(job).bridges.pop_back();
  groupOf(job).bridges[0].shelves = 20;
  EXPECT_EQ(listOf(job).substr(0, 10), "trouble: 2") << "no room between their ledges";
}

TEST(SharedWidth, isWhatTheCornersLeave) {
  Job job = corner(2, 0, 1);
  groupOf(job).width = mm(2'410);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(job.assemblies[0].carcass().width, mm(900));
  EXPECT_EQ(job.assemblies[1].carcass().width, mm(900));
  EXPECT_EQ(job.assemblies[2].carcass().width, mm(600)) << "it stands along the other wall";
  groupOf(job).fixed = {job.assemblies[0].id};
  job.assemblies[0].carcass().width = mm(700);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(job.assemblies[1].carcass().width, mm(1'100));
  EXPECT_EQ(groupLines(job, groupOf(job))->wall, mm(2'410));
  // Too narrow: nothing is changed rather than made impossible.
  groupOf(job).width = mm(1'000);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(job.assemblies[1].carcass().width, mm(1'100));
}

TEST(SharedWidth, landsOnTheJobsFraction) {
  Job job = corner(3, 0, 0);
  job.unit = Unit::Inch;
  job.shareStep = Length::in(0, 1, 16);
  groupOf(job).width = Length::in(80);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  // 26 2/3: the first two end at the sixteenth nearest to their share, the last takes the rest.
  EXPECT_EQ(job.assemblies[0].carcass().width, Length::in(26, 11, 16));
  EXPECT_EQ(job.assemblies[1].carcass().width, Length::in(26, 10, 16));
  EXPECT_EQ(job.assemblies[2].carcass().width, Length::in(26, 11, 16));
}

TEST(Corner, staysInTheFile) {
  Job job = corner(2, 1, 1);
  groupOf(job).width = mm(3'000);
  groupOf(job).fixed = {job.assemblies[0].id};
  groupOf(job).left->blind = true;
  groupOf(job).cornerTop = CornerTop::Mitred;
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  const auto again = readJob("job", writeJob(job));
  ASSERT_TRUE(again);
  EXPECT_EQ(*again, job);
}

TEST(Corner, everyMemberOnceAndKnown) {
  Job job = corner(2, 0, 1);
  groupOf(job).right->members.push_back(job.assemblies[0].id);
  EXPECT_EQ(validate(job)[0].field, "/assemblies/3/group/right/members/1");
  groupOf(job).right->members.clear();
  EXPECT_EQ(validate(job)[0].field, "/assemblies/3/group/right/members");
  job = corner(2, 0, 1);
  groupOf(job).fixed = {job.assemblies[2].id};
  EXPECT_EQ(validate(job)[0].field, "/assemblies/3/group/fixed/0");
}

}  // namespace
}  // namespace pp::corner_test
