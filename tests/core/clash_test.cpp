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
}

// 92 × 92 from 194 and 294 of the case: the outlet 100 further is cut out 100 further; when it is
// in a corner what is left of it there; when it is beside the case nothing is cut, nor when it is
// gone. What else was cut stays.
TEST(Clash, aCutOutMovesWithWhatItIsForAndGoesWithIt) {
  Job job = againstAWall();
  job.site.obstacles.push_back(on(ObstacleKind::Outlet, 300, 300, 80, 80));
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  checkClashes(job, breakDown(job)).at(0).fix->edit(job);
  Feature hole;
  hole.size = hole.along = hole.across = mm(20);
  job.overrides.at(0).features.push_back(hole);
  const Job cut = job;
  const auto cutsOf = [](Job next) {
    EXPECT_TRUE(assignIdsAndCodes(next, next.lastId));
    EXPECT_EQ(said(next), Words{});
    std::string out;
    for (const Part& part : breakDown(next).parts)
      for (const Machining& one : part.machining)
        if (part.role == PartRole::Back && one.cut == MachiningKind::Notch) {
          const Box box = part.poses[0].place({{one.u0, one.v0, {}}, {one.u1, one.v1, mm(6)}});
          out += formatMm(box.low[0]) + " to " + formatMm(box.high[0]) + ", " +
                 formatMm(box.low[2]) + " to " + formatMm(box.high[2]);
        }
    return out;
  };
  EXPECT_EQ(cutsOf(job), "194 to 286, 294 to 386");
  job.site.obstacles[0].along = mm(400);
  job.site.obstacles[0].height = mm(100);
  EXPECT_EQ(cutsOf(job), "294 to 386, 294 to 406");
  // The case moves by 50 to the right, then is 120 lower.
  job.site.stands[0].along = mm(150);
  EXPECT_EQ(cutsOf(job), "244 to 336, 294 to 406");
  job.assemblies[0].carcass().width = mm(400);
  EXPECT_EQ(cutsOf(job), "244 to 336, 294 to 406");
  job.site.obstacles[0].along = mm(900);
  EXPECT_EQ(cutsOf(job), "");
  job = cut;
  job.site.obstacles.clear();
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  ASSERT_EQ(job.overrides.size(), 1U);
  EXPECT_EQ(job.overrides[0].features, std::vector<Feature>{hole});
  job = cut;
  job.overrides[0].features.pop_back();
  job.site.obstacles.clear();
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_TRUE(job.overrides.empty());
}

// In an alcove 1 000 wide behind skirting 14 thick and 95 high: 10 are kept clear on either side.
// Its right wall has none; above the skirting it may stand close.
TEST(Clash, theMouldingOfAWallBesideIt) {
  Job job = againstAWall();
  job.site.kind = SiteKind::Alcove;
  for (const Length at : {mm(100), mm(1'000), mm(2'000)}) {
    SiteSize size;
    size.at = at;
    size.read.first = size.read.second = mm(1'000);
    job.site.sizes.push_back(size);
  }
  SiteWall wall;
  wall.at = WallAt::Left;
  wall.mouldingThickness = mm(14);
  wall.mouldingHeight = mm(95);
  job.site.walls = {wall};
  job.site.stands[0].fills = true;
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  const auto findings = checkClashes(job, breakDown(job));
  ASSERT_EQ(findings.size(), 1U);
  EXPECT_EQ(findings[0].what, "The left side of K meets the moulding of the left wall");
  EXPECT_EQ(findings[0].why, "It is 14 mm thick and 95 mm high, and 10 mm is kept clear there.");
  ASSERT_TRUE(findings[0].fix);
  Job fixed = job;
  findings[0].fix->edit(fixed);
  ASSERT_TRUE(assignIdsAndCodes(fixed, fixed.lastId));
  EXPECT_EQ(std::as_const(fixed).assemblies[0].carcass().width, mm(1'000 - 17 - 10));
  EXPECT_EQ(said(fixed), Words{});
  job.site.stands[0].up = mm(95);
  EXPECT_EQ(said(job), Words{});
  job.site.stands[0].up = {};
  job.site.walls[0].at = WallAt::Right;
  EXPECT_EQ(said(job), Words{"The right side of K meets the moulding of the right wall"});
  job.site.walls[0].mouldingThickness = mm(10);
  EXPECT_EQ(said(job), Words{});
}

// On casters 5 in high over a foot of a post: 8 in is too high for it, 5 in is not.
TEST(Clash, roundSomethingItStandsOverWhatIsOnTheFloor) {
  Job job = againstAWall();
  job.site.kind = SiteKind::Around;
  Stand casters;
  casters.kind = StandKind::Casters;
  casters.height = Length::in(5);
  job.assemblies[0].carcass().stand = casters;
  Obstacle foot = on(ObstacleKind::Foot, 300, 200, 100, 100);
  foot.wall.reset();
  foot.out = Length::in(8);
  job.site.obstacles.push_back(foot);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  const Words found = said(job);
  ASSERT_FALSE(found.empty());
  EXPECT_NE(found[0].find("of K stands on the foot"), std::string::npos) << found[0];
  job.site.obstacles[0].out = Length::in(5);
  EXPECT_EQ(said(job), Words{});
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
