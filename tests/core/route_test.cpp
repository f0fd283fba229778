// What of a job comes the way in: sections of every kind, findings and what they offer.
#include <gtest/gtest.h>

#include "core/assembly/sections.h"
#include "core/breakdown/split_case.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/validate.h"
#include "core/secondlook/way_look.h"
#include "tests/core/listed.h"

namespace pp::route_test {
namespace {

using test::jobOf;
using test::mm;

Gate gate(GateKind kind, double width, double height, double depth = 0) {
  Gate out;
  out.kind = kind;
  out.width = mm(width);
  out.height = mm(height);
  out.depth = mm(depth);
  return out;
}

std::vector<std::string> said(const Job& job) {
  std::vector<std::string> out;
  for (const Finding& finding : checkWayIn(job, breakDown(job))) out.push_back(finding.what);
  return out;
}

std::string sizes(const Job& job) {
  std::string out;
  for (const Section& one : sectionsOf(job, breakDown(job)))
    out += one.what + " " + formatMm(one.load.box[0]) + " x " + formatMm(one.load.box[1]) + " x " +
           formatMm(one.load.box[2]) + "\n";
  return out;
}

TEST(Sections, ofEveryKind) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.door = Door{};
  carcass.stand = Stand{};
  carcass.stand->kind = StandKind::Frame;
  carcass.stand->material = "b18";
  // 600 × 720 × 560 on a base of 100, set in by 50: the door comes off and goes by itself.
  EXPECT_EQ(sizes(jobOf(carcass)),
            "a section of its base 600 x 510 x 100\nthe case 600 x 560 x 620\n"
            "the largest of its loose pieces 580 x 560 x 18\n");
  Boards boards;
  LooseBoard board;
  board.name = "board";
  board.material = "b18";
  for (const auto& [length, width] : {std::pair{1'800, 90}, std::pair{400, 350}}) {
    board.length = mm(length);
    board.width = mm(width);
    boards.boards.push_back(board);
  }
  EXPECT_EQ(sizes(jobOf(boards)), "the largest of its loose pieces 1800 x 350 x 18\n");
  BaseFrame frame;
  frame.material = "b18";
  frame.longest = mm(1'000);
  EXPECT_EQ(sizes(jobOf(frame)), "a section of its base 900 x 500 x 100\n");
  Top top;
  top.material = "b18";
  top.longest = mm(1'000);
  // 36 thick with its strips; 620 with its overhang in front. A strip of 900 lies under the joint
  // of the two sheets, half of it under either, and goes with one.
  EXPECT_EQ(sizes(jobOf(top)),
            "a piece of its top 900 x 620 x 36\na piece of its top 1350 x 620 x 36\n");
  SeatBox seat;
  seat.material = "b18";
  seat.hingeRail = mm(190);
  seat.depth = mm(500);
  seat.longest = mm(800);
  seat.turn = SeatReturn::Right;
  seat.turnLength = mm(700);
  seat.turnBack = false;
  // Without its lids and its back, which are put on there: 450 less a lid of 18. Across the back
  // run 850 − 450 and what its lean takes.
  EXPECT_EQ(sizes(jobOf(seat)),
            "a section of it 700 x 500 x 432\na section of it 750 x 500 x 432\n"
            "the largest of its loose pieces 750 x 409.344531 x 18\n");
  Platform platform;
  platform.material = "b18";
  // Its deck is screwed on there.
  EXPECT_EQ(sizes(jobOf(platform)),
            "a box of it 1000 x 1000 x 282\nthe largest of its loose pieces 1000 x 1000 x 18\n");
  HungShelf shelf;
  shelf.material = shelf.cleatMaterial = "b18";
  // The wall's half of the cleat by itself.
  EXPECT_EQ(sizes(jobOf(shelf)),
            "it 900 x 250 x 238\nthe largest of its loose pieces 744 x 70 x 18\n");
}

TEST(Sections, weighWhatTheirPartsWeigh) {
  // 600 x 720 x 560 of 18 at 650 kg per cubic metre, back of 6: by its parts.
  const Job job = jobOf(test::metricCarcass().carcass());
  const Breakdown out = breakDown(job);
  const auto sections = sectionsOf(job, out);
  ASSERT_EQ(sections.size(), 1U);
  EXPECT_NEAR(static_cast<double>(sections[0].load.grams), totalsOf(job, out.parts).grams, 1);
}

// Round a corner of two corridors 900 wide and 600 high a base 500 × 100 is at most 2 345 long.
TEST(WayIn, offersSectionsThatComeThrough) {
  BaseFrame frame;
  frame.material = "b18";
  frame.width = mm(2'400);
  Job job = jobOf(frame);
  EXPECT_TRUE(said(job).empty()) << "nothing is known of the way";
  Gate corner = gate(GateKind::Corridor, 900, 600);
  corner.into = mm(900);
  corner.name = "the landing";
  job.route = {gate(GateKind::Door, 762, 2'000), corner};
  ASSERT_EQ(said(job),
            std::vector<std::string>{"K: a section of its base does not come through the landing"});
  const Finding finding = checkWayIn(job, breakDown(job))[0];
  EXPECT_EQ(finding.severity, Severity::Stop);
  EXPECT_EQ(finding.why.substr(0, 24), "It is 2400 × 500 × 100");
  ASSERT_TRUE(finding.fix);
  finding.fix->edit(job);
  const Length longest = std::get<BaseFrame>(job.assemblies[0].body).longest;
  EXPECT_GE(longest, mm(2'340));
  EXPECT_LT(longest, mm(2'400));
  EXPECT_TRUE(said(job).empty());
  EXPECT_EQ(sizes(job), "a section of its base 1200 x 500 x 100\n");
}

TEST(WayIn, aCaseTooSmallToPartIsOnlySaid) {
  Job job = jobOf(test::metricCarcass().carcass());
  job.route = {gate(GateKind::Door, 280, 2'000)};
  ASSERT_EQ(said(job), std::vector<std::string>{"K: the case does not come through the door"});
  const Finding finding = checkWayIn(job, breakDown(job))[0];
  EXPECT_FALSE(finding.fix);
  EXPECT_EQ(
      finding.why,
      "It is 600 × 560 × 720 mm; 320 mm shorter it would, turned and tilted as the way allows.");
  job.route[0].width = mm(560);
  EXPECT_TRUE(said(job).empty());
}

TEST(WayIn, peopleAreAskedTheWeight) {
  Job job = jobOf(test::metricCarcass().carcass());
  Gate two;
  two.kind = GateKind::People;
  two.people = 2;
  two.grams = 5'000;
  two.name = "two of us";
  job.route = {two};
  ASSERT_EQ(said(job), std::vector<std::string>{"K: the case is too heavy for two of us"});
  EXPECT_EQ(checkWayIn(job, breakDown(job))[0].severity, Severity::Mind);
  job.route[0].grams = 50'000;
  EXPECT_TRUE(said(job).empty());
}

TEST(WayIn, whatIsLongerThanTheShopsFlatSurfaceIsSaid) {
  BaseFrame frame;
  frame.material = "b18";
  frame.width = frame.longest = mm(2'600);
  Job job = jobOf(frame);
  Gate bench;
  bench.kind = GateKind::Flat;
  bench.width = mm(2'440);
  job.route = {bench};
  ASSERT_EQ(said(job),
            std::vector<std::string>{"K: a section of its base is longer than the flat surface"});
  const Finding finding = checkWayIn(job, breakDown(job))[0];
  EXPECT_EQ(finding.severity, Severity::Mind);
  ASSERT_TRUE(finding.fix);
  finding.fix->edit(job);
  EXPECT_TRUE(said(job).empty());
}

TEST(WayIn, staysInTheFileAndIsChecked) {
  Job job = jobOf(test::metricCarcass().carcass());
  Gate stair = gate(GateKind::Stair, 800, 2'400, 800);
  stair.turns = 1;
  stair.pitch = Angle::degrees(35);
  stair.name = "back stairs";
  job.route = {stair, gate(GateKind::Lift, 1'100, 2'100, 1'400)};
  EXPECT_EQ(*readJob("job", writeJob(job)), job);
  job.route[1].depth = Length{};
  EXPECT_EQ(validate(job)[0].field, "/route/1/depth");
  job.route[1].depth = mm(1'400);
  job.route[1].people = 2;
  EXPECT_EQ(validate(job)[0].found, "a value that a lift does not use");
}

TEST(Shorten, whatCanBe) {
  Job job = jobOf(test::metricCarcass().carcass());
  EXPECT_FALSE(shorten(job.assemblies[0], SectionKind::Case, mm(500)));
  EXPECT_FALSE(shorten(job.assemblies[0], SectionKind::Base, mm(500))) << "it has none";
  Top top;
  top.material = "b18";
  top.build = TopBuild::GluedUp;
  job = jobOf(top);
  EXPECT_FALSE(shorten(job.assemblies[0], SectionKind::Top, mm(500))) << "its strips are glued";
  Platform platform;
  platform.material = "b18";
  job = jobOf(platform);
  EXPECT_TRUE(shorten(job.assemblies[0], SectionKind::Box, mm(700)));
  EXPECT_EQ(std::get<Platform>(job.assemblies[0].body).across, 3);
  EXPECT_FALSE(shorten(job.assemblies[0], SectionKind::Box, mm(299)));
}

Job wideCase(const std::vector<double>& fixed, std::size_t shares) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.width = mm(2'400);
  Split split;
  for (const double width : fixed) split.sizes.push_back({mm(width), 0});
  split.sizes.resize(fixed.size() + shares);
  split.children.resize(split.sizes.size());
  split.children.back().content = AdjustableShelves{2};
  carcass.inside = Opening{};
  carcass.inside.content = split;
  Job job = jobOf(carcass);
  giveIds(job);
  return job;
}

std::string casesOf(const Job& job) {
  std::string out;
  for (const Assembly& one : job.assemblies) {
    if (!one.isCarcass()) {
      out += "together";
      continue;
    }
    const auto* split = std::get_if<Split>(&one.carcass().inside.content);
    out += one.code + " " + formatMm(one.carcass().width) + " with " +
           std::to_string(split == nullptr ? 1 : split->children.size()) + "; ";
  }
  return out;
}

// 2 400 of 18 mm boards with four equal columns: clear 2 400 - 90 = 2 310 in all. As two cases two
// columns each have 1 155 and three panels of 18, less half a panel: 1 200. As three, one column
// has 577.5 and 36, two have 1 155 and 54, all less two thirds of a panel.
TEST(SplitCase, columnByColumn) {
  struct Row {
    const char* name;
    std::vector<double> fixed;
    std::size_t shares;
    double longest;
    const char* cases;
  };
  const Row rows[] = {
      {"equal columns", {}, 4, 1'300, "K 1200 with 2; Kb 1200 with 2; together"},
      {"as few as pass", {}, 4, 1'199, "K 601 with 1; Kb 1197 with 2; Kc 602 with 1; together"},
      // 1 500 + 828 clear: 1 500 + 36 - 9 = 1 527.
      {"a wide one first", {1'500}, 1, 1'600, "K 1527 with 1; Kb 873 with 1; together"},
      {"one wider than passes", {1'500}, 1, 1'300, "K 1200 with 2; Kb 1200 with 2; together"},
      {"it passes", {}, 4, 2'400, "K 2400 with 4; "},
      {"too narrow to be built", {}, 4, 299, "K 2400 with 4; "},
  };
  for (const Row& row : rows) {
    SCOPED_TRACE(row.name);
    Job job = wideCase(row.fixed, row.shares);
    splitCase(job, "K", mm(row.longest));
    EXPECT_EQ(casesOf(job), row.cases);
    EXPECT_TRUE(validate(job).empty());
  }
}

TEST(SplitCase, whatItStandsOnAndTheWallGoWithIt) {
  Job job = wideCase({}, 4);
  Carcass& carcass = job.assemblies[0].carcass();
  carcass.wallLeft = mm(20);
  carcass.wallRight = mm(30);
  carcass.stand = Stand{StandKind::Frame, mm(90), mm(50), carcass.material};
  job.site.stands = {{job.assemblies[0].id, WallAt::Back, mm(100), {}}};
  const Id lastColumn = std::get<Split>(carcass.inside.content).children[3].id;
  PartOverride wide;
  wide.part = {job.assemblies[0].id, PartRole::AdjustableShelf, lastColumn, 1};
  wide.why = "books";
  wide.oversize = mm(5);
  job.overrides = {wide};
  BoughtIn glass;
  glass.name = "glass";
  glass.assembly = job.assemblies[0].id;
  glass.opening = lastColumn;
  job.bought = {glass};
  ASSERT_TRUE(validate(job).empty());
  ASSERT_TRUE(splitCase(job, "K", mm(1'300)));
  ASSERT_EQ(job.assemblies.size(), 3U);
  const Carcass& left = std::as_const(job).assemblies[0].carcass();
  const Carcass& right = std::as_const(job).assemblies[1].carcass();
  EXPECT_EQ(left.width + right.width, mm(2'400));
  EXPECT_EQ(left.wallLeft, mm(20));
  EXPECT_EQ(left.wallRight, Length{});
  EXPECT_EQ(right.wallRight, mm(30));
  EXPECT_FALSE(left.stand) << "one base under both";
  const Assembly& group = std::as_const(job).assemblies[2];
  EXPECT_EQ(std::get<CarcassGroup>(group.body).stand->height, mm(90));
  EXPECT_EQ(job.site.stands[0].assembly, group.id);
  const Id second = std::as_const(job).assemblies[1].id;
  EXPECT_EQ(job.overrides[0].part.assembly, second);
  EXPECT_EQ(job.bought[0].assembly, second);
  EXPECT_TRUE(validate(job).empty());
  // As high as it was: the base still stands under it.
  const auto layout = layOut(job, std::as_const(job).assemblies[1]);
  ASSERT_TRUE(layout);
  EXPECT_EQ(layout->outer.top(), mm(720));
}

TEST(SplitCase, insideAGroup) {
  Job job = wideCase({}, 4);
  Assembly other = test::metricCarcass();
  other.code = "M";
  job.assemblies.push_back(other);
  giveIds(job);
  CarcassGroup body;
  const Id first = job.assemblies[0].id;
  body.members = {first, job.assemblies[1].id};
  GroupBridge bridge;
  bridge.after = first;
  bridge.material = job.materials[0].id;
  body.bridges = {bridge};
  Assembly group;
  group.code = "G";
  group.body = body;
  job.assemblies.push_back(group);
  giveIds(job);
  ASSERT_TRUE(splitCase(job, "K", mm(1'300)));
  const auto& now = std::get<CarcassGroup>(std::as_const(job).assemblies[2].body);
  const Id added = std::as_const(job).assemblies[3].id;
  EXPECT_EQ(now.members, (std::vector<Id>{first, added, std::as_const(job).assemblies[1].id}));
  EXPECT_EQ(now.bridges[0].after, added) << "the gap is right of what stands last now";
}

TEST(SplitCase, isOfferedWhereACaseDoesNotComeThrough) {
  Job job = wideCase({}, 4);
  // It stands 720 high and turns lying: 900 · 2√2 - 2 · 560 = 1 425 at most.
  Gate corner = gate(GateKind::Corridor, 900, 750);
  corner.into = mm(900);
  job.route = {corner};
  const auto findings = checkWayIn(job, breakDown(job));
  ASSERT_EQ(findings.size(), 1U);
  ASSERT_TRUE(findings[0].fix);
  // Two sides, top, bottom, back, three dividers, two shelves; then twice the first five, a divider
  // each, and the shelves.
  EXPECT_EQ(findings[0].fix->what,
            "Build it as 2 cases side by side, screwed together in place: 10 parts become 14");
  findings[0].fix->edit(job);
  EXPECT_TRUE(said(job).empty());
}

}  // namespace
}  // namespace pp::route_test
