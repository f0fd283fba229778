// The place as it was measured: what it leaves, what fills it, what is said of its readings.
#include "core/site/site.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/breakdown/assign_ids.h"
#include "core/breakdown/fit.h"
#include "core/formats/job_json.h"
#include "core/kinds/validate.h"
#include "core/secondlook/site_look.h"
#include "core/site/words.h"
#include "tests/core/listed.h"

namespace pp::site_test {
namespace {

using test::mm;

SiteSize read(SizeKind kind, WallAt wall, Length at, Length first, std::optional<Length> second) {
  return {kind, wall, at, {first, second, {}}};
}

Site between(SiteKind kind, std::vector<std::pair<Length, Length>> widths, Length lean,
             Length over) {
  Site out;
  out.kind = kind;
  for (const auto& [at, width] : widths)
    out.sizes.push_back(read(SizeKind::Width, WallAt::Back, at, width, width));
  out.sizes.push_back(read(SizeKind::Plumb, WallAt::Left, over, lean, lean));
  return out;
}

TEST(Site, theWidthItLeaves) {
  struct Case {
    const char* name;
    Site site;
    Unit unit;
    Length top, free, built, cover;
  };
  const Length in80 = Length::in(80);
  Site own =
      between(SiteKind::Nook, {{mm(0), mm(1'000)}, {mm(2'000), mm(1'000)}}, mm(25), mm(2'000));
  SiteWall tight;
  tight.at = WallAt::Right;
  tight.allowance = mm(3);
  own.walls.push_back(tight);
  const Case cases[] = {
      {"both walls lean right by 25, 10 kept clear of each",
       between(SiteKind::Alcove, {{mm(0), mm(1'000)}, {mm(2'000), mm(1'000)}}, mm(25), mm(2'000)),
       Unit::Millimetre, mm(2'000), mm(975), mm(955), mm(45)},
      {"a nook with 3 kept clear of the wall on the right", own, Unit::Millimetre, mm(2'000),
       mm(975), mm(962), mm(38)},
      {"half as high, half of the lean",
       between(SiteKind::Alcove, {{mm(0), mm(1'000)}, {mm(2'000), mm(1'000)}}, mm(25), mm(2'000)),
       Unit::Millimetre, mm(1'000), mm(987.5), mm(967.5), mm(32.5)},
      {"narrowest in the middle, plumb on the left",
       between(SiteKind::Alcove,
               {{mm(50), mm(1'204)}, {mm(1'100), mm(1'197)}, {mm(2'100), mm(1'208)}}, mm(0),
               mm(2'000)),
       Unit::Millimetre, mm(2'100), mm(1'197), mm(1'177), mm(31)},
      // The corner leans towards the open end: its foot counts on the left, its open end is plumb.
      {"a corner on the left",
       between(SiteKind::LeftCorner, {{mm(0), mm(1'500)}, {mm(2'000), mm(1'488)}}, mm(12),
               mm(2'000)),
       Unit::Millimetre, mm(2'000), mm(1'488), mm(1'478), mm(22)},
      // 40 wide at the foot and the head, both walls lean 1/2 to the left: 39 1/2, less 3/8 twice.
      {"inches",
       between(SiteKind::Alcove, {{Length{}, Length::in(40)}, {in80, Length::in(40)}},
               -Length::in(0, 1, 2), in80),
       Unit::Inch, in80, Length::in(39, 1, 2), Length::in(38, 3, 4), Length::in(1, 1, 4)}};
  for (const Case& one : cases) {
    SCOPED_TRACE(one.name);
    const auto out = widthFor(one.site, one.unit, Length{}, one.top);
    ASSERT_TRUE(out);
    EXPECT_EQ(out->width.free, one.free);
    EXPECT_EQ(out->width.built, one.built);
    EXPECT_EQ(out->width.cover, one.cover);
    EXPECT_TRUE(out->confirmed);
  }
  // Against one wall nothing is kept clear, and there is no side to lean.
  Site wall;
  wall.kind = SiteKind::Wall;
  wall.sizes = {read(SizeKind::Width, WallAt::Back, mm(100), mm(2'940), mm(2'940))};
  EXPECT_EQ(widthFor(wall, Unit::Millimetre, Length{}, mm(2'000))->width.built, mm(2'940));
}

TEST(Site, whatStandsOffCountsTheLargerOfTwoReadings) {
  const auto counts = [](Length a, Length b) {
    const SiteSize size = read(SizeKind::Plumb, WallAt::Left, mm(2'000), a, b);
    return *judge(size.read, useOf(size.kind), Unit::Millimetre).size;
  };
  EXPECT_EQ(counts(mm(10), mm(12)), mm(12));
  EXPECT_EQ(counts(-mm(10), -mm(12)), -mm(12));
  EXPECT_EQ(counts(-mm(1), Length{}), -mm(1));
  // How much further off than at its nearest either wall is: the left one leans 12, the right one
  // with it, and 8 of it is taken back by the width.
  const Site site =
      between(SiteKind::Nook, {{mm(0), mm(1'000)}, {mm(2'000), mm(992)}}, -mm(12), mm(2'000));
  const FreeWidth width = widthFor(site, Unit::Millimetre, Length{}, mm(2'000))->width;
  EXPECT_EQ(width.spreadLeft, mm(12));
  EXPECT_EQ(width.spreadRight, mm(20));
}

TEST(Site, whatIsNotConfirmed) {
  Site site = between(SiteKind::Nook, {{mm(0), mm(1'000)}}, mm(5), mm(2'000));
  EXPECT_TRUE(widthFor(site, Unit::Millimetre, Length{}, mm(800))->confirmed);
  site.sizes[0].read.second.reset();
  EXPECT_FALSE(widthFor(site, Unit::Millimetre, Length{}, mm(800))->confirmed);
  site.sizes[0].read.second = mm(1'001);
  EXPECT_TRUE(widthFor(site, Unit::Millimetre, Length{}, mm(800))->confirmed);
  EXPECT_EQ(widthFor(site, Unit::Millimetre, Length{}, mm(2'000))->width.free, mm(995));
  // Nobody held a level to the wall on the left.
  site.sizes.pop_back();
  EXPECT_FALSE(widthFor(site, Unit::Millimetre, Length{}, mm(800))->confirmed);
  EXPECT_EQ(widthFor(site, Unit::Millimetre, Length{}, mm(2'000))->width.free, mm(1'000));
  site.sizes.clear();
  EXPECT_FALSE(widthFor(site, Unit::Millimetre, Length{}, mm(800)));
  // Allowances that leave nothing.
  EXPECT_FALSE(widthFor(between(SiteKind::Nook, {{mm(0), mm(19)}}, mm(0), mm(2'000)),
                        Unit::Millimetre, Length{}, mm(800)));
}

TEST(Site, whatIsToBeRead) {
  const auto words = [](SiteKind kind, Unit unit) {
    std::string out;
    LengthStyle style;
    style.unit = unit;
    for (const SiteSize& size : sizesToRead(kind, unit)) {
      EXPECT_TRUE(isOf(kind, size)) << sizeWords(size, style);
      out += sizeWords(size, style) + "\n";
    }
    return out;
  };
  EXPECT_EQ(words(SiteKind::Free, Unit::Millimetre), "");
  EXPECT_EQ(words(SiteKind::LeftCorner, Unit::Millimetre),
            "width, 100 up\nwidth, 1000 up\nwidth, 2000 up\nheight to the ceiling\n"
            "depth on the left, 1000 up\nleft wall out of plumb over 2000\n"
            "floor higher on the right by\n");
  EXPECT_EQ(words(SiteKind::Nook, Unit::Inch),
            "width, 4 up\nwidth, 40 up\nwidth, 80 up\nheight to the ceiling\n"
            "depth on the left, 40 up\nleft wall out of plumb over 80\n"
            "depth on the right, 40 up\nright wall out of plumb over 80\n"
            "floor higher on the right by\n"
            "diagonal from the left corner\ndiagonal from the right corner\n");
  EXPECT_FALSE(isOf(SiteKind::LeftCorner, {SizeKind::Plumb, WallAt::Right, mm(2'000), {}}));
  EXPECT_FALSE(isOf(SiteKind::Wall, {SizeKind::Diagonal, WallAt::Left, {}, {}}));
}

Job caseInANook(Length width) {
  Job job = test::jobOf(test::metricCarcass().carcass());
  job.shareStep = Length{};
  Carcass& carcass = job.assemblies[0].carcass();
  carcass.height = mm(2'000);
  job.site = between(SiteKind::Nook, {{mm(0), width}, {mm(2'000), width}}, mm(25), mm(2'000));
  EXPECT_TRUE(assignIdsAndCodes(job, 0));
  SiteStand stand;
  stand.assembly = std::as_const(job).assemblies[0].id;
  stand.fills = true;
  job.site.stands.push_back(stand);
  return job;
}

TEST(Fit, aCarcassFillsTheWall) {
  Job job = caseInANook(mm(1'000));
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(std::as_const(job).assemblies[0].carcass().width, mm(955));
  // A new reading: what follows is as wide as is left now, once and for all.
  for (std::size_t i : {0U, 1U}) job.site.sizes[i].read = {mm(990), mm(991), {}};
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(std::as_const(job).assemblies[0].carcass().width, mm(945));
  EXPECT_FALSE(fitWidths(job));
  job.shareStep = mm(2);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(std::as_const(job).assemblies[0].carcass().width, mm(944));
  // Typed again, and gone with its assembly.
  job.site.stands[0].fills = false;
  job.assemblies[0].carcass().width = mm(700);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_EQ(std::as_const(job).assemblies[0].carcass().width, mm(700));
  job.assemblies.clear();
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  EXPECT_TRUE(job.site.stands.empty());
}

TEST(Fit, whatFollowsFromUnconfirmedSizesSaysSo) {
  Job job = caseInANook(mm(1'000));
  const auto noted = [&job] {
    const Breakdown breakdown = breakDown(job);
    EXPECT_FALSE(breakdown.parts.empty());
    return std::count_if(breakdown.parts.begin(), breakdown.parts.end(), [](const Part& part) {
      return part.note.find("sizes of the place not confirmed") != std::string::npos;
    });
  };
  EXPECT_EQ(noted(), 0);
  job.site.sizes[1].read.second.reset();
  EXPECT_EQ(noted(), static_cast<std::ptrdiff_t>(breakDown(job).parts.size()));
  job.site.stands[0].fills = false;
  EXPECT_EQ(noted(), 0);
}

TEST(Fit, isKeptInTheFile) {
  Job job = caseInANook(mm(1'000));
  Obstacle outlet;
  outlet.name = "outlet by the door";
  outlet.wall = WallAt::Left;
  outlet.along = mm(200);
  outlet.up = mm(300);
  outlet.width = outlet.height = mm(80);
  job.site.obstacles.push_back(outlet);
  Obstacle foot = outlet;
  foot.kind = ObstacleKind::Foot;
  foot.wall.reset();
  job.site.obstacles.push_back(foot);
  SiteWall wall;
  wall.at = WallAt::Right;
  wall.mouldingThickness = mm(14);
  wall.mouldingHeight = mm(90);
  wall.allowance = Length{};
  wall.madeOf = "brick";
  job.site.walls.push_back(wall);
  job.site.sizes[0].read.third = mm(1'000);
  ASSERT_TRUE(assignIdsAndCodes(job, job.lastId));
  const auto back = readJob("a.plainpatch", writeJob(job));
  ASSERT_TRUE(back) << describe(back.problems().front());
  EXPECT_EQ(back->site, job.site);
  EXPECT_EQ(*back, job);
}

TEST(Site, whatIsRefused) {
  struct Case {
    const char* field;
    std::function<void(Site&)> edit;
  };
  const Case cases[] = {
      {"/site/sizes/0/first", [](Site& s) { s.sizes[0].read.first = Length{}; }},
      {"/site/sizes/0/wall", [](Site& s) { s.sizes[0].wall = WallAt::Left; }},
      {"/site/sizes/2/wall", [](Site& s) { s.sizes[2].wall = WallAt::Back; }},
      {"/site/sizes/2/at", [](Site& s) { s.sizes[2].at = Length{}; }},
      {"/site/sizes/2/first", [](Site& s) { s.sizes[2].read.first = -mm(1'001); }},
      {"/site/walls/1/at",
       [](Site& s) {
         s.walls = {SiteWall{}, SiteWall{}};
       }},
      {"/site/walls/0/mouldingHeight",
       [](Site& s) {
         s.walls = {SiteWall{}};
         s.walls[0].mouldingHeight = -mm(1);
       }},
      {"/site/obstacles/0/width", [](Site& s) { s.obstacles = {Obstacle{}}; }},
      {"/site/stands/0/assembly", [](Site& s) { s.stands[0].assembly = 9'999; }},
      {"/site/stands/1/assembly", [](Site& s) { s.stands.push_back(s.stands[0]); }}};
  for (const Case& one : cases) {
    Job job = caseInANook(mm(1'000));
    ASSERT_TRUE(validate(job).empty());
    one.edit(job.site);
    const Problems problems = validate(job);
    ASSERT_FALSE(problems.empty()) << one.field;
    EXPECT_EQ(problems.front().field, one.field);
  }
}

std::vector<std::string> said(const Job& job) {
  std::vector<std::string> out;
  for (const Finding& one : checkSite(job, breakDown(job)))
    out.push_back(one.what + " | " + one.why);
  return out;
}

TEST(SiteLook, saysWhatIsWrongWithTheReadings) {
  Job job = caseInANook(mm(1'000));
  EXPECT_EQ(said(job), std::vector<std::string>{});
  job.site.sizes[1].read.second = mm(1'054);
  job.site.sizes[1].read.first = mm(1'045);
  job.site.sizes[0].read.second.reset();
  EXPECT_EQ(
      said(job),
      (std::vector<std::string>{
          "The place: width was read once only | A second reading that does not see the "
          "first finds the usual slips.",
          "The place: two readings of the width, 2000 up do not agree | 1045 and 1054: two "
          "digits changed places; a third reading decides.",
          "K follows from sizes of the place that are not confirmed | It is 955 mm wide for now; "
          "nothing of it should be cut before each was read twice alike."}));
}

TEST(SiteLook, saysWhereTheWallsContradictOneAnother) {
  Job job = caseInANook(mm(1'000));
  // 10 wider at the top; the walls lean 25 and 35 to the right.
  job.site.sizes[1].read = {mm(1'010), mm(1'010), {}};
  job.site.sizes.push_back(read(SizeKind::Plumb, WallAt::Right, mm(2'000), mm(35), mm(35)));
  EXPECT_EQ(said(job).size(), 0U);
  // The level was read 25 to the left there: 60 apart.
  job.site.sizes.back().read = {-mm(25), -mm(25), {}};
  ASSERT_EQ(said(job).size(), 1U);
  EXPECT_EQ(said(job)[0],
            "The place: the widths and the two walls out of plumb do not agree | At the top it is "
            "10 mm wider by the widths and 50 mm narrower by the level: one was read wrong, or a "
            "wall is not straight.");
}

TEST(SiteLook, isSilentWithoutAPlace) {
  EXPECT_TRUE(said(test::jobOf(test::metricCarcass().carcass())).empty());
}

// A larger room never leaves less, and smaller allowances never shrink what is built.
RC_GTEST_PROP(Site, moreRoomNeverLeavesLess, ()) {
  const auto up = [] { return mm(static_cast<double>(*rc::gen::inRange(0, 2'400))); };
  Site site;
  site.kind = *rc::gen::element(SiteKind::Wall, SiteKind::Alcove, SiteKind::LeftCorner,
                                SiteKind::RightCorner, SiteKind::Nook);
  for (int n = *rc::gen::inRange(1, 5); n > 0; --n) {
    const Length width = mm(static_cast<double>(*rc::gen::inRange(600, 3'000)));
    site.sizes.push_back(read(SizeKind::Width, WallAt::Back, up(), width, width));
  }
  const Length lean = mm(static_cast<double>(*rc::gen::inRange(-40, 40)));
  site.sizes.push_back(read(SizeKind::Plumb, WallAt::Left, mm(2'000), lean, lean));
  SiteWall left, right;
  left.at = WallAt::Left;
  right.at = WallAt::Right;
  left.allowance = mm(static_cast<double>(*rc::gen::inRange(0, 40)));
  right.allowance = mm(static_cast<double>(*rc::gen::inRange(0, 40)));
  site.walls = {left, right};
  const Length top = mm(static_cast<double>(*rc::gen::inRange(200, 2'400)));
  const auto before = widthFor(site, Unit::Millimetre, Length{}, top);
  RC_PRE(before.has_value());
  Site larger = site;
  for (SiteSize& size : larger.sizes)
    if (size.kind == SizeKind::Width)
      for (auto* one : {&size.read.first, &size.read.second}) **one += mm(7);
  RC_ASSERT(widthFor(larger, Unit::Millimetre, Length{}, top)->width.built >= before->width.built);
  Site closer = site;
  closer.walls[static_cast<std::size_t>(*rc::gen::inRange(0, 2))].allowance = Length{};
  RC_ASSERT(widthFor(closer, Unit::Millimetre, Length{}, top)->width.built >= before->width.built);
  // What is higher never gets more.
  RC_ASSERT(
      widthFor(site, Unit::Millimetre, Length{}, top + mm(100)).value_or(SiteWidth{}).width.built <=
      before->width.built);
}

}  // namespace
}  // namespace pp::site_test
