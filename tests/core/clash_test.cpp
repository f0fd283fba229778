// What stands in the way of what: an assembly on a wall against outlets, vents, doors, mouldings.
#include <gtest/gtest.h>

#include "core/breakdown/assign_ids.h"
#include "core/breakdown/placed.h"
#include "core/kinds/validate.h"
#include "core/secondlook/clash_look.h"
#include "tests/core/listed.h"

namespace pp::clash_test {
namespace {

using test::mm;

// 600 wide, 720 high, 560 deep, its back in rabbets; against a wall 100 from its left end.
Job againstAWall() {
  Job job = test::jobOf(test::metricCarcass().carcass());
  job.site.kind = SiteKind::Wall;
  SiteStand stand;
  stand.assembly = std::as_const(job).assemblies[0].id;
  stand.along = mm(100);
  job.site.stands.push_back(stand);
  return job;
}

Obstacle on(ObstacleKind kind, double along, double up, double width, double height,
            double out = 0) {
  Obstacle made;
  made.kind = kind;
  made.wall = WallAt::Back;
  made.along = mm(along);
  made.up = mm(up);
  made.width = mm(width);
  made.height = mm(height);
  made.out = mm(out);
  return made;
}

std::vector<std::string> said(const Job& job) {
  std::vector<std::string> out;
  for (const Finding& one : checkClashes(job, breakDown(job))) out.push_back(one.what);
  return out;
}

using Words = std::vector<std::string>;

// What fills a wall begins with its case, 30 from the wall beside it, whatever reaches into that:
// the outlet at 300 is at 270 of the case, and at 300 of what is drawn with its 30.
TEST(Clash, aCutOutIsWhereItsOutletIsBesideAFillerToo) {
  std::vector<Length> along;
  for (const bool filled : {false, true}) {
    Job job = againstAWall();
    job.site.kind = SiteKind::Alcove;
    job.site.stands[0].fills = true;
    job.assemblies[0].carcass().wallLeft = job.assemblies[0].carcass().wallRight = mm(30);
    job.assemblies[0].carcass().fillerLeft = filled;
    job.site.obstacles.push_back(on(ObstacleKind::Outlet, 300, 300, 80, 80));
    bool cut = false;
    for (const Finding& one : checkClashes(job, breakDown(job)))
      if (one.fix && one.what == "the outlet lies behind the back of K") {
        Job fixed = job;
        one.fix->edit(fixed);
        cut = true;
        for (const Part& part : breakDown(fixed).parts)
          for (const Machining& notch : part.machining)
            if (part.role == PartRole::Back && notch.cut == MachiningKind::Notch) {
              const Box box = part.poses.front().place(
                  {{notch.u0, notch.v0, {}}, {notch.u1, notch.v1, part.thickness}});
              along.push_back((box.low[0] + box.high[0]) / 2);
            }
      }
    EXPECT_TRUE(cut) << filled;
  }
  EXPECT_EQ(along, (std::vector<Length>{mm(340), mm(340)}));
}

TEST(Clash, whatIsOnItsWall) {
  struct Case {
    Obstacle obstacle;
    Words said;
  };
  const Case cases[] = {
      {on(ObstacleKind::Outlet, 300, 300, 80, 80), {"the outlet lies behind the back of K"}},
      // Beside it, above it.
      {on(ObstacleKind::Outlet, 10, 300, 80, 80), {}},
      {on(ObstacleKind::Outlet, 300, 720, 80, 80), {}},
      {on(ObstacleKind::Outlet, 700, 300, 80, 80), {}},
      // Its left side is 18 thick, from 100 on.
      {on(ObstacleKind::Outlet, 90, 300, 20, 80),
       {"The left side of K stands on the outlet", "the outlet lies behind the back of K"}},
      {on(ObstacleKind::Vent, 300, 300, 200, 100),
       {"K covers the vent", "the vent lies behind the back of K"}},
      {on(ObstacleKind::Window, 300, 600, 900, 900), {"K covers the window"}},
      {on(ObstacleKind::Window, 300, 720, 900, 900), {}},
      {on(ObstacleKind::Hatch, 650, 0, 300, 300), {"K covers the hatch"}},
      {on(ObstacleKind::Door, 650, 0, 762, 1'981, 762), {"K stands in the door"}}};
  for (const Case& one : cases) {
    Job job = againstAWall();
    job.site.obstacles.push_back(one.obstacle);
    EXPECT_EQ(said(job), one.said)
        << formatMm(one.obstacle.along) << " along, " << formatMm(one.obstacle.up) << " up";
  }
  // On another wall, or free: nothing is in its way.
  Job job = againstAWall();
  job.site.obstacles.push_back(cases[0].obstacle);
  job.site.kind = SiteKind::Free;
  EXPECT_EQ(said(job), Words{});
  job = againstAWall();
  job.site.obstacles.push_back(cases[0].obstacle);
  job.site.stands.clear();
  EXPECT_EQ(said(job), Words{});
}

TEST(Clash, aCutOutIsMadeOfTheBack) {
  Job job = againstAWall();
  job.site.obstacles.push_back(on(ObstacleKind::Outlet, 300, 300, 80, 80));
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  const auto findings = checkClashes(job, breakDown(job));
  ASSERT_EQ(findings.size(), 1U);
  ASSERT_TRUE(findings[0].fix);
  EXPECT_EQ(findings[0].fix->what, "Cut out 92 mm × 92 mm for it");
  findings[0].fix->edit(job);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(said(job), Words{});
  ASSERT_EQ(job.overrides.size(), 1U);
  const Breakdown breakdown = breakDown(job);
  EXPECT_TRUE(breakdown.troubles.empty());
  for (const Part& part : breakdown.parts) {
    if (part.role != PartRole::Back) continue;
    // The box from 300 to 380 along and up, 6 of room round it, is where it was cut: 294 to 386 on
    // the wall is 194 to 286 of the case.
    const Feature& cut = job.overrides[0].features[0];
    const Pose& pose = part.poses[0];
    const Box there = pose.place(
        {{cut.along, cut.across, {}}, {cut.along + cut.length, cut.across + cut.width, mm(6)}});
    EXPECT_EQ(there.low[0], mm(194));
    EXPECT_EQ(there.high[0], mm(286));
    EXPECT_EQ(there.low[2], mm(294));
    EXPECT_EQ(there.high[2], mm(386));
    EXPECT_EQ(part.machining.size(), 1U);
  }
  // It moves with a new reading of the outlet: the cut no longer serves it.
  job.site.obstacles[0].along = mm(400);
  EXPECT_EQ(said(job), Words{"the outlet lies behind the back of K"});
}

TEST(Clash, theMouldingOfTheWall) {
  Job job = againstAWall();
  SiteWall wall;
  wall.mouldingThickness = mm(14);
  wall.mouldingHeight = mm(95);
  job.site.walls.push_back(wall);
  const auto findings = checkClashes(job, breakDown(job));
  ASSERT_EQ(findings.size(), 1U);
  EXPECT_EQ(findings[0].what, "The left side of K meets the moulding of the wall");
  ASSERT_TRUE(findings[0].fix);
  findings[0].fix->edit(job);
  EXPECT_EQ(std::as_const(job).assemblies[0].carcass().baseboard, (Baseboard{mm(14), mm(95)}));
  EXPECT_EQ(said(job), Words{});
  // A higher one than the notch was made for; one that it hangs above.
  job.site.walls[0].mouldingHeight = mm(120);
  EXPECT_EQ(said(job).size(), 1U);
  job.site.stands[0].up = mm(120);
  EXPECT_EQ(said(job), Words{});
}

TEST(Clash, whatIsOnTheFloor) {
  Job job = againstAWall();
  Obstacle foot = on(ObstacleKind::Foot, 600, 300, 200, 200, 60);
  foot.wall.reset();
  job.site.obstacles.push_back(foot);
  EXPECT_EQ(said(job), Words{"The right side of K stands on the foot"});
  job.site.obstacles[0].along = mm(700);
  EXPECT_EQ(said(job), Words{});
  // In front of it: 560 from the wall on.
  job.site.obstacles[0].along = mm(300);
  job.site.obstacles[0].up = mm(560);
  EXPECT_EQ(said(job), Words{});
}

TEST(Clash, aFrontThatCannotOpenPastWhatStandsOutBesideIt) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.door = Door{};
  Job job = test::jobOf(carcass);
  job.site.kind = SiteKind::LeftCorner;
  SiteStand stand;
  stand.assembly = std::as_const(job).assemblies[0].id;
  job.site.stands.push_back(stand);
  Obstacle casing = on(ObstacleKind::Window, 200, 300, 900, 900, 25);
  casing.name = "the window's casing";
  casing.wall = WallAt::Left;
  job.site.obstacles.push_back(casing);
  EXPECT_EQ(said(job), Words{"The door of K cannot open past the window's casing"});
  job.site.stands[0].along = mm(30);
  EXPECT_EQ(said(job), Words{});
}

TEST(WallBehind, whereItsEndLiesBehindACarcass) {
  Job job = againstAWall();
  job.site.stands[0].up = mm(50);
  const auto alone = wallBehind(job, std::as_const(job).assemblies[0]);
  ASSERT_TRUE(alone);
  EXPECT_EQ(alone->left, -mm(100));
  EXPECT_EQ(alone->floor, -mm(50));
  job.site.stands.clear();
  EXPECT_FALSE(wallBehind(job, std::as_const(job).assemblies[0]));
  // In a group between two walls, 10 kept clear of the left one: the second of two is 600 further.
  Job two = test::metricJob();
  for (const char* code : {"A", "B", "G"}) {
    Assembly one = test::metricCarcass();
    one.code = code;
    two.assemblies.push_back(one);
  }
  ASSERT_TRUE(assignIdsAndCodes(two, 0));
  CarcassGroup group;
  group.members = {std::as_const(two).assemblies[0].id, std::as_const(two).assemblies[1].id};
  two.assemblies[2].body = group;
  two.site.kind = SiteKind::Alcove;
  SiteStand stand;
  stand.assembly = std::as_const(two).assemblies[2].id;
  stand.fills = true;
  two.site.stands.push_back(stand);
  const auto second = wallBehind(two, std::as_const(two).assemblies[1]);
  ASSERT_TRUE(second);
  EXPECT_EQ(second->left, -mm(610));
  EXPECT_EQ(wallBehind(two, std::as_const(two).assemblies[0])->left, -mm(10));
}

// Strips between the sides, 564 long: from 118 to 682 along the wall.
TEST(Clash, whatItIsFastenedByMeetsTwoStuds) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.back.school = BackSchool::Between;
  Job job = againstAWall();
  job.assemblies[0].carcass() = carcass;
  SiteWall wall;
  wall.firstStud = mm(80);
  wall.studPitch = mm(600);
  job.site.walls.push_back(wall);
  // 80 and 680: the first is beside it.
  EXPECT_EQ(said(job), Words{"The nailing strip of K meets one stud only"});
  job.site.walls[0].firstStud = mm(90);  // 690
  EXPECT_EQ(said(job), Words{"The nailing strip of K meets no stud"});
  job.site.walls[0].studPitch = mm(400);  // 490
  job.site.walls[0].firstStud = mm(120);  // 120 and 520
  EXPECT_EQ(said(job), Words{});
  job.site.walls[0].studPitch = mm(49.9);
  ASSERT_EQ(validate(job).size(), 1U) << "no wall has studs so close";
  EXPECT_EQ(validate(job)[0].field, "/site/walls/0/studPitch");
  job.site.walls[0].studPitch = Length{};
  EXPECT_EQ(said(job), Words{});
}

TEST(Clash, isSilentWithoutAPlace) {
  EXPECT_EQ(said(test::jobOf(test::metricCarcass().carcass())), Words{});
}

}  // namespace
}  // namespace pp::clash_test
