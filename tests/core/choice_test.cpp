// What the maker chooses for a part, and everything that follows from it, each against a case
// worked by hand; then at random, put back together and seen in a mirror.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <map>

#include "core/breakdown/breakdown.h"
#include "core/breakdown/mirror.h"
#include "core/breakdown/overrides.h"
#include "core/formats/job_json.h"
#include "core/formats/library.h"
#include "core/job/ids.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/validate.h"
#include "core/parts/solid.h"
#include "tests/core/bodies.h"
#include "tests/core/support.h"

namespace pp::choice_test {
namespace {

using test::mm;

// 600 × 720 × 560 of birch 18 in dados 6 deep, back 6 in rabbets 9 deep; a divider in the middle
// and a shelf in the left half, open else.
Job dividedJob() {
  Carcass carcass = test::metricCarcass().carcass();
  Opening column;
  column.content = Split{SplitBy::Shelves, {{}, {}}, {{}, {}}};
  carcass.inside.content = Split{SplitBy::Dividers, {{}, {}}, {column, {}}};
  Job job = test::jobWith(carcass);
  giveIds(job);
  return job;
}

Part partIn(const Breakdown& breakdown, PartRole role) {
  for (const Part& part : breakdown.parts)
    if (part.role == role) return part;
  throw std::runtime_error("no such part");
}

// Chooses for the first part in that role.
void choose(Job& job, PartRole role, const std::function<void(PartOverride&)>& set) {
  const Breakdown now = breakDown(job);
  PartOverride made;
  if (const PartOverride* known = overrideOf(job, partIn(now, role))) made = *known;
  made.why = "chosen";
  set(made);
  setOverride(job, now.parts, partIn(now, role), made);
}

EdgeChoice edge(Side side, Length beyond, std::optional<Joint> joint = {}) {
  EdgeChoice out;
  out.side = side;
  out.beyond = beyond;
  out.joint = joint;
  return out;
}

std::string foundBy(const Job& job) {
  const Problems problems = validate(job);
  if (!problems.empty()) return problems[0].field + ": " + problems[0].found;
  const Breakdown out = breakDown(job);
  if (out.troubles.empty()) return {};
  return out.troubles[0].problem.field + ": " + out.troubles[0].problem.found;
}

// A divider of 12: the halves share 600 − 2 × 18 − 12 = 552, so 276 each instead of 273; the shelf
// in the left one is 276 + 2 × 6 = 288; the dados for the divider are 12 wide.
TEST(Choice, anotherThicknessMovesWhatStandsBesideIt) {
  Job job = dividedJob();
  EXPECT_EQ(partIn(breakDown(job), PartRole::FixedShelf).length.total(), mm(285));
  choose(job, PartRole::Divider, [](PartOverride& o) { o.material = "b12"; });
  ASSERT_EQ(foundBy(job), "");
  const Breakdown out = breakDown(job);
  const Part divider = partIn(out, PartRole::Divider);
  EXPECT_EQ(divider.material, "b12");
  EXPECT_EQ(divider.thickness, mm(12));
  EXPECT_EQ(divider.overridden, "chosen");
  EXPECT_EQ(partIn(out, PartRole::FixedShelf).length.total(), mm(288));
  const Part bottom = partIn(out, PartRole::Bottom);
  ASSERT_EQ(bottom.machining.size(), 2U);
  EXPECT_EQ(bottom.machining[1].receives, "divider");
  EXPECT_EQ(bottom.machining[1].width, mm(12));
  // From the bottom's own end, which stands 6 deep in the side: 6 + 276.
  EXPECT_EQ(bottom.machining[1].u0, mm(282));
  const CarcassLayout layout = layOut(job, job.assemblies[0]).value();
  EXPECT_EQ(layout.leaves[0].rect.width, mm(276));
  EXPECT_EQ(layout.leaves.back().rect.x, mm(18 + 276 + 12));
}

// A left side of 12: inside 600 − 12 − 18 = 570, bottom 570 + 12 = 582, back 570 + 18 − 1.5.
TEST(Choice, sidesOfTwoThicknesses) {
  Job job = dividedJob();
  choose(job, PartRole::LeftSide, [](PartOverride& o) { o.material = "b12"; });
  ASSERT_EQ(foundBy(job), "");
  const Breakdown out = breakDown(job);
  EXPECT_EQ(partIn(out, PartRole::Bottom).length.total(), mm(582));
  EXPECT_EQ(partIn(out, PartRole::Back).width.total(), mm(586.5));
  EXPECT_EQ(partIn(out, PartRole::Bottom).poses[0].origin[0], mm(6));
}

// In inches: 30 wide in 3/4, divider of 1/2: 30 − 1 1/2 − 1/2 = 28, so 14 each.
TEST(Choice, theSameInInches) {
  Job job = dividedJob();
  job.unit = Unit::Inch;
  job.materials[0].measured = Length::in(0, 3, 4);
  job.materials[1].measured = Length::in(0, 1, 2);
  job.assemblies[0].carcass().width = Length::in(30);
  job.assemblies[0].carcass().dadoDepth = Length::in(0, 1, 4);
  choose(job, PartRole::Divider, [](PartOverride& o) { o.material = "b12"; });
  ASSERT_EQ(foundBy(job), "");
  const Breakdown out = breakDown(job);
  EXPECT_EQ(partIn(out, PartRole::FixedShelf).length.total(), Length::in(14, 1, 2));
  EXPECT_EQ(partIn(out, PartRole::Bottom).machining[1].u0, Length::in(14, 1, 4));
}

// The divider's lower end in its dado, the upper on pocket screws: 720 − 36 + 6 = 690 long, no dado
// in the top, pockets at the divider's upper end.
TEST(Choice, eachEndHasItsJoint) {
  Job job = dividedJob();
  choose(job, PartRole::Divider,
         [](PartOverride& o) { o.edges = {edge(Side::Top, {}, Joint::Pocket)}; });
  ASSERT_EQ(foundBy(job), "");
  const Breakdown out = breakDown(job);
  const Part divider = partIn(out, PartRole::Divider);
  EXPECT_EQ(format(divider.length, {}), "clear height 684 + dado depth 6 = 690");
  ASSERT_EQ(divider.joins.size(), 2U);
  EXPECT_EQ(divider.joins[0].kind, JoinKind::Dado);
  EXPECT_EQ(divider.joins[1].kind, JoinKind::Pocket);
  EXPECT_EQ(divider.machining.back().cut, MachiningKind::Pockets);
  const Part top = partIn(out, PartRole::Top);
  for (const Machining& cut : top.machining) EXPECT_NE(cut.receives, "divider");
}

// Set back 40 in front and 30 behind: 554 − 70 = 484 wide, its dados begin at 40 and end at 524,
// stopped at both ends.
TEST(Choice, anEdgeSetBackStopsItsDados) {
  Job job = dividedJob();
  choose(job, PartRole::Divider, [](PartOverride& o) {
    o.edges = {edge(Side::Front, mm(-40)), edge(Side::Back, mm(-30))};
  });
  ASSERT_EQ(foundBy(job), "");
  const Breakdown out = breakDown(job);
  const Part divider = partIn(out, PartRole::Divider);
  EXPECT_EQ(format(divider.width, {}),
            "depth 560 − back 6 − set back at the front 40 − set back at the back 30 = 484");
  EXPECT_EQ(divider.poses[0].origin[1], mm(40));
  const Machining dado = partIn(out, PartRole::Bottom).machining[1];
  EXPECT_EQ(dado.v0, mm(40));
  EXPECT_EQ(dado.v1, mm(524));
  EXPECT_FALSE(dado.through);
  // The shelf's dado in the divider's face lies where it was in the room: it now begins at its
  // edge.
  const Machining* in = nullptr;
  for (const Machining& cut : divider.machining)
    if (cut.receives == "fixed shelf") in = &cut;
  ASSERT_NE(in, nullptr);
  EXPECT_EQ(in->v0, Length{});
  EXPECT_EQ(in->v1, mm(484));
}

// A capping top that reaches 25 beyond the left side and 10 in front of it: 625 × 570; the rabbet
// for the back moves along with the left end and stays where it was in the room.
TEST(Choice, aCappingTopReachesBeyondTheSides) {
  Job job = dividedJob();
  job.assemblies[0].carcass().top = TopConstruction::Capping;
  choose(job, PartRole::Top, [](PartOverride& o) {
    o.edges = {edge(Side::Left, mm(25)), edge(Side::Front, mm(10))};
  });
  ASSERT_EQ(foundBy(job), "");
  const Breakdown out = breakDown(job);
  const Part top = partIn(out, PartRole::Top);
  EXPECT_EQ(top.length.total(), mm(625));
  EXPECT_EQ(top.width.total(), mm(570));
  EXPECT_EQ(top.poses[0].origin[0], mm(-25));
  EXPECT_EQ(top.poses[0].origin[1], mm(-10));
  // 18 − 9 from the side's outer face.
  EXPECT_EQ(top.machining[0].u0, mm(25 + 9));
  EXPECT_EQ(top.machining[0].v0, mm(10 + 554));
}

// Sides that stand 60 above the top, which stays where it is.
TEST(Choice, sidesPastTheTop) {
  Job job = dividedJob();
  choose(job, PartRole::LeftSide, [](PartOverride& o) { o.edges = {edge(Side::Top, mm(60))}; });
  ASSERT_EQ(foundBy(job), "");
  const Breakdown out = breakDown(job);
  EXPECT_EQ(partIn(out, PartRole::LeftSide).length.total(), mm(780));
  EXPECT_EQ(partIn(out, PartRole::RightSide).length.total(), mm(720));
  EXPECT_EQ(partIn(out, PartRole::Top).poses[0].origin[2], mm(702));
  // The top's dado is no longer at the side's end, so it is no rabbet.
  bool seen = false;
  const Part side = partIn(out, PartRole::LeftSide);
  for (const Machining& cut : side.machining)
    if (cut.receives == "top") {
      seen = true;
      EXPECT_EQ(cut.cut, MachiningKind::Dado);
      EXPECT_EQ(cut.u0, mm(702));
    }
  EXPECT_TRUE(seen);
}

TEST(Choice, bandingEdgeByEdgeFacesFinishAndOversize) {
  Job job = dividedJob();
  choose(job, PartRole::FixedShelf, [&job](PartOverride& o) {
    EdgeChoice back = edge(Side::Back, {});
    back.banding = job.bandings[0].id;
    o.edges = {back};
    o.finishOutside = Finish::Painted;
    o.show = Face::Outside;
    o.oversize = mm(4);
    o.grain = BoardGrain::Width;
  });
  ASSERT_EQ(foundBy(job), "");
  const Part shelf = partIn(breakDown(job), PartRole::FixedShelf);
  EXPECT_EQ(shelf.bands[static_cast<std::size_t>(*shelf.edgeAt(Side::Back))], job.bandings[0].id);
  EXPECT_EQ(shelf.finish, Finish::None);
  EXPECT_EQ(shelf.finishOutside, Finish::Painted);
  EXPECT_EQ(shelf.show, Face::Outside);
  EXPECT_EQ(shelf.grain, PartGrain::Width);
  EXPECT_EQ(shelf.oversizeWhy, "chosen");
  EXPECT_EQ(shelf.cutLength(), mm(289));
  // Banded in front by the rules and behind by choice, each taken off where that is deducted.
  const Length front = job.bandings[0].deduct ? 2 * job.bandings[0].thickness : Length{};
  EXPECT_EQ(shelf.bandedWidth, shelf.bands[0].empty() ? front / 2 : front);
}

// A box whose right side is of 18 and whose back is of 6: 464 inside drawers' rules.
TEST(Choice, eachBoardOfABoxHasItsThickness) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.content = DrawerBank{};
  carcass.drawers.school = DrawerSchool::Between;
  Job job = test::jobWith(carcass);
  giveIds(job);
  const Breakdown ruled = breakDown(job);
  const Length inside = partIn(ruled, PartRole::BoxFront).length.total();
  const Length bottom = partIn(ruled, PartRole::BoxBottom).width.total();
  choose(job, PartRole::BoxRightSide, [](PartOverride& o) { o.material = "b18"; });
  ASSERT_EQ(foundBy(job), "");
  Breakdown out = breakDown(job);
  EXPECT_EQ(partIn(out, PartRole::BoxFront).length.total(), inside - mm(6));
  const Part right = partIn(out, PartRole::BoxRightSide);
  const Part front = partIn(out, PartRole::BoxFront);
  EXPECT_EQ(right.poses[0].origin[0], front.poses[0].origin[0] + front.length.total());
  EXPECT_EQ(partIn(out, PartRole::BoxBottom).length.total() +
                partIn(out, PartRole::BoxBottom).width.total(),
            partIn(ruled, PartRole::BoxBottom).length.total() + bottom - mm(6));
  choose(job, PartRole::BoxBack, [](PartOverride& o) { o.material = "b6"; });
  EXPECT_NE(foundBy(job).find("a groove 6 mm deep"), std::string::npos) << foundBy(job);
}

// An inset door of 12 among fronts of 18: what is inside begins behind that very door.
TEST(Choice, aDoorOfItsOwnThickness) {
  Job job = dividedJob();
  Carcass& carcass = job.assemblies[0].carcass();
  std::get<Split>(carcass.inside.content).children[1].door = Door{};
  std::get<Split>(carcass.inside.content).children[1].content = AdjustableShelves{1};
  const Length before = partIn(breakDown(job), PartRole::AdjustableShelf).width.total();
  choose(job, PartRole::Door, [](PartOverride& o) { o.material = "b12"; });
  ASSERT_EQ(foundBy(job), "");
  const Breakdown out = breakDown(job);
  EXPECT_EQ(partIn(out, PartRole::Door).thickness, mm(12));
  EXPECT_EQ(partIn(out, PartRole::AdjustableShelf).width.total(), before + mm(6));
  EXPECT_EQ(partIn(out, PartRole::Door).poses[0].origin[1], mm(12));
}

TEST(Choice, whatCannotBeIsSaidByTheNameOfThePart) {
  struct Row {
    PartRole role;
    std::function<void(PartOverride&)> set;
    const char* found;
  };
  const auto reach = [](Side side, double by) {
    return [=](PartOverride& o) { o.edges = {edge(side, mm(by))}; };
  };
  const std::vector<Row> rows = {
      {PartRole::Bottom, reach(Side::Left, 5), "left of the bottom: another place"},
      {PartRole::Divider, reach(Side::Top, -5), "top of the divider: another place"},
      {PartRole::LeftSide, reach(Side::Bottom, 5), "bottom of the left side: 5 mm further down"},
      {PartRole::LeftSide, reach(Side::Left, 5), "left of the left side: a choice for it"},
      {PartRole::FixedShelf, reach(Side::Front, -600), "front of the fixed shelf: 600 mm set back"},
      {PartRole::LeftSide, [](PartOverride& o) { o.edges = {edge(Side::Top, {}, Joint::Pocket)}; },
       "top of the left side: a joint"},
      {PartRole::Back, reach(Side::Top, 5), "top of the back: 5 mm beyond the rule"},
      {PartRole::Back, [](PartOverride& o) { o.edges = {edge(Side::Top, {}, Joint::Dado)}; },
       "top of the back: a joint"},
      {PartRole::FixedShelf,
       [](PartOverride& o) {
         o.features = {Feature{}};
         o.features[0].along = mm(600);
         o.features[0].size = mm(10);
       },
       "fixed shelf: a hole that leaves the board"},
      {PartRole::Divider, [](PartOverride& o) { o.material = "b99"; }, "/overrides/0/material"},
      {PartRole::Divider,
       [](PartOverride& o) {
         o.edges = {edge(Side::Front, mm(-1)), edge(Side::Front, mm(-2))};
       },
       "/overrides/0/edges/1/side: front a second time"},
  };
  for (const Row& row : rows) {
    Job job = dividedJob();
    choose(job, row.role, row.set);
    EXPECT_EQ(foundBy(job).substr(0, std::string(row.found).size()), row.found);
  }
}

// A divider of 500 by hand where the rules have 554: from in front it begins 54 in, and so do its
// dados, which run on behind the back; from behind it ends 54 early; by half 27 each.
TEST(Choice, aSizeByHandMovesTheEdgeThatWasSaidAndItsMatesFollow) {
  struct Row {
    SizeMoves moves;
    double begins, ends;
  };
  for (const Row& row : {Row{SizeMoves::Near, 54, 560}, Row{SizeMoves::Far, 0, 500},
                         Row{SizeMoves::Both, 27, 527}}) {
    Job job = dividedJob();
    choose(job, PartRole::Divider, [&row](PartOverride& o) {
      o.width = mm(500);
      o.widthMoves = row.moves;
    });
    ASSERT_EQ(foundBy(job), "");
    const Breakdown out = breakDown(job);
    const Part divider = partIn(out, PartRole::Divider);
    EXPECT_EQ(format(divider.width, {}), "set by hand 500 = 500");
    EXPECT_EQ(divider.poses[0].origin[1], mm(row.begins));
    const Machining dado = partIn(out, PartRole::Bottom).machining[1];
    EXPECT_EQ(dado.receives, "divider");
    EXPECT_EQ(dado.v0, mm(row.begins));
    EXPECT_EQ(dado.v1, mm(row.ends));
    EXPECT_EQ(test::clashes(out), "");
    const Job back = readJob("j", writeJob(job)).value();
    EXPECT_EQ(back.overrides, job.overrides);
  }
}

// Loose shelves of 582 in a case 564 clear would stand in its sides; of 563 they do not. What a
// joint holds stays.
TEST(Choice, aSizeByHandThatDoesNotGoIsRefusedAndLeavesThePartAsItWas) {
  Job job = dividedJob();
  Carcass& carcass = job.assemblies[0].carcass();
  std::get<Split>(carcass.inside.content).children[1].content = AdjustableShelves{1};
  giveIds(job);
  const Length ruled = partIn(breakDown(job), PartRole::AdjustableShelf).length.total();
  const auto length = [](double size) {
    return [size](PartOverride& o) {
      o.length = mm(size);
      o.lengthMoves = SizeMoves::Both;
    };
  };
  choose(job, PartRole::AdjustableShelf, length(300));
  EXPECT_EQ(
      foundBy(job),
      "size of the adjustable shelf: 300 mm × " +
          format(partIn(breakDown(job), PartRole::AdjustableShelf).width.total(), styleOf(job)) +
          " mm");
  EXPECT_EQ(partIn(breakDown(job), PartRole::AdjustableShelf).length.total(), ruled);
  choose(job, PartRole::AdjustableShelf, length(272));
  EXPECT_EQ(foundBy(job), "");
  EXPECT_EQ(partIn(breakDown(job), PartRole::AdjustableShelf).poses[0].origin[0],
            mm(18 + 273 + 18 + 0.5));

  for (const PartRole role : {PartRole::FixedShelf, PartRole::Divider, PartRole::Bottom}) {
    Job held = dividedJob();
    const Length was = partIn(breakDown(held), role).length.total();
    choose(held, role, length(900));
    EXPECT_EQ(foundBy(held).substr(0, 14), "length of the ") << foundBy(held);
    EXPECT_EQ(partIn(breakDown(held), role).length.total(), was);
  }
}

TEST(Choice, aFileKeepsAllOfIt) {
  Job job = dividedJob();
  choose(job, PartRole::FixedShelf, [&job](PartOverride& o) {
    o.material = "b12";
    o.edges = {edge(Side::Left, {}, Joint::Pocket), edge(Side::Front, mm(-12.5))};
    o.edges[1].banding = job.bandings[0].id;
    o.show = Face::Outside;
    o.finishInside = Finish::Clear;
    o.finishOutside = Finish::Painted;
    o.oversize = mm(2);
    Feature hole;
    hole.kind = FeatureKind::HoleRow;
    hole.along = hole.across = mm(60);
    hole.size = mm(5);
    hole.count = 3;
    hole.pitch = mm(32);
    hole.farEnd = hole.crosswise = true;
    hole.face = Face::Outside;
    o.features = {hole};
  });
  ASSERT_EQ(foundBy(job), "");
  const auto read = readJob("j", writeJob(job));
  ASSERT_TRUE(read) << describe(read.problems());
  EXPECT_EQ(read.value().overrides, job.overrides);
}

TEST(Choice, aCopyTakesItAlong) {
  Job job = dividedJob();
  choose(job, PartRole::Divider, [](PartOverride& o) { o.material = "b12"; });
  addCopy(job, Assembly(job.assemblies[0]), job.overrides, "B2");
  ASSERT_EQ(foundBy(job), "");
  ASSERT_EQ(job.overrides.size(), 2U);
  const Breakdown out = breakDown(job, job.assemblies[1]);
  EXPECT_EQ(partIn(out, PartRole::Divider).thickness, mm(12));
  EXPECT_NE(job.overrides[1].part.opening, job.overrides[0].part.opening);
}

// Kept in the library and added to another job, whose materials take the roles of its own.
TEST(Choice, theLibraryKeepsIt) {
  Job job = dividedJob();
  choose(job, PartRole::Divider, [](PartOverride& o) {
    o.material = "b12";
    o.edges = {edge(Side::Top, {}, Joint::Pocket)};
  });
  const auto item = readLibraryItem("x", writeLibraryItem("x", "", job.assemblies[0], job));
  ASSERT_TRUE(item) << describe(item.problems());
  Job other = test::metricJob();
  other.materials[1].id = "m12";
  for (std::size_t i = 0; i < other.stock.size(); ++i)
    if (std::as_const(other).stock[i].material == "b12") other.stock[i].material = "m12";
  const auto fragment = placed(item.value(), other);
  ASSERT_TRUE(fragment) << describe(fragment.problems());
  addCopy(other, fragment.value().assembly, fragment.value().choices, "B7");
  ASSERT_EQ(foundBy(other), "");
  ASSERT_EQ(other.overrides.size(), 1U);
  const Part divider = partIn(breakDown(other), PartRole::Divider);
  EXPECT_EQ(divider.material, "m12");
  EXPECT_EQ(divider.length.total(), mm(690));
}

// Chooses at random for up to four parts of the job's assemblies; a choice that cannot be built, or
// makes what it is in unbuildable, is left out.
Job withRandomChoices(Job job) {
  const std::size_t troubles = breakDown(job).troubles.size();
  for (int i = *rc::gen::inRange(1, 5); i > 0; --i) {
    const Breakdown now = breakDown(job);
    if (now.parts.empty()) return job;
    const Part& part = now.parts[*rc::gen::inRange<std::size_t>(0, now.parts.size())];
    PartOverride made;
    made.why = "at random";
    const bool panel = part.role <= PartRole::FixedShelf;
    const bool front = isFront(part.role);
    switch (*rc::gen::inRange(0, 5)) {
      case 0:
        // Others than panels and boxes stand against what is cut to their thickness.
        if (panel || part.role <= PartRole::NailingStrip)
          made.material = *rc::gen::element<std::string>("b18", "b12");
        break;
      case 1:
        if (panel && part.role != PartRole::LeftSide && part.role != PartRole::RightSide)
          made.edges = {edge(Side::Front, mm(-*rc::gen::inRange(1, 60)))};
        break;
      case 2:
        if (panel)
          made.edges = {edge(*rc::gen::element(Side::Left, Side::Right, Side::Top, Side::Bottom),
                             {}, static_cast<Joint>(*rc::gen::inRange(0, 6)))};
        break;
      case 3:
        made.edges = {edge(Side::Back, mm(-*rc::gen::inRange(1, 60)))};
        if (!panel || part.role == PartRole::LeftSide || part.role == PartRole::RightSide)
          made.edges.clear();
        break;
      default: {
        Feature hole;
        hole.along = mm(*rc::gen::inRange(10, 200));
        hole.across = mm(*rc::gen::inRange(10, 60));
        hole.size = mm(12);
        hole.depth = mm(*rc::gen::inRange(0, 5));
        hole.farEnd = *rc::gen::arbitrary<bool>();
        hole.farEdge = *rc::gen::arbitrary<bool>();
        hole.face = *rc::gen::arbitrary<bool>() ? Face::Inside : Face::Outside;
        made.features = {hole};
      }
    }
    if (front && made.material) continue;
    Job next = job;
    setOverride(next, now.parts, part, made);
    if (validate(next).empty() && breakDown(next).troubles.size() <= troubles) job = next;
  }
  return job;
}

RC_GTEST_PROP(Choice, partsStillFitTogetherWhateverIsChosen, ()) {
  const Job job = withRandomChoices(*test::buildableJob());
  const Breakdown breakdown = breakDown(job);
  RC_PRE(!breakdown.parts.empty());
  const std::string seen = test::clashes(breakdown);
  if (!seen.empty()) RC_LOG() << seen << writeJob(job);
  RC_ASSERT(seen == "");
}

RC_GTEST_PROP(Choice, otherKindsFitTogetherWhateverIsChosen, ()) {
  const Job job = withRandomChoices(*test::buildableKind());
  const Breakdown breakdown = breakDown(job);
  RC_PRE(!breakdown.parts.empty());
  const std::string seen = test::clashes(breakdown);
  if (!seen.empty()) RC_LOG() << seen << writeJob(job);
  RC_ASSERT(seen == "");
}

// Of two dividers back to back the left one alone is butted on the bottom; in the mirror it is the
// right one, which stands 6 higher than its neighbour in the dado.
TEST(Choice, ofADoubledDividerTheMirrorChoosesTheOther) {
  Job job = dividedJob();
  Split& halves = std::get<Split>(job.assemblies[0].carcass().inside.content);
  halves.doubled = mm(4);
  halves.children[0].content = {};
  const Breakdown before = breakDown(job);
  Part left = partIn(before, PartRole::Divider);
  ASSERT_EQ(left.keys.size(), 2U);
  PartOverride made;
  made.why = "chosen";
  made.alike = false;
  made.part = left.keys[0];
  made.edges = {edge(Side::Bottom, {}, Joint::Butt)};
  job.overrides = {made};
  const auto lows = [&job] {
    std::map<double, double> out;  // where it stands: how high it begins
    for (const test::PieceRoom& room : test::pieceRooms(breakDown(job)))
      if (room.name.find("divider") != std::string::npos) out[room.low.x] = room.low.z;
    return out;
  };
  const std::map<double, double> drawn = lows();
  ASSERT_EQ(drawn.size(), 2U);
  EXPECT_NEAR(drawn.begin()->second - drawn.rbegin()->second, 6, 1e-6);
  mirrorAssembly(job, 0);
  const std::map<double, double> mirrored = lows();
  ASSERT_EQ(mirrored.size(), 2U);
  EXPECT_NEAR(mirrored.rbegin()->second - mirrored.begin()->second, 6, 1e-6);
}

// Seen in a mirror every piece has the room of its mirror image, whatever was chosen.
RC_GTEST_PROP(Choice, aMirrorKeepsEveryPieceOfWood, ()) {
  Job job = withRandomChoices(*test::buildableJob());
  job.shareStep = Length{};
  RC_PRE(breakDown(job).troubles.empty());
  // A frame flush with the left of the dividers and the top of the shelves has no mirror image that
  // could be said.
  if (const auto& frame = job.assemblies[0].carcass().frame)
    RC_PRE(frame->middleAt == FrameMiddle::Equal || frame->middleAt == FrameMiddle::Centred);
  const Length width = job.assemblies[0].carcass().width;
  const auto before = test::pieceRooms(breakDown(job));
  const Job drawn = job;
  mirrorAssembly(job, 0);
  RC_ASSERT(validate(job).empty());
  const auto after = test::pieceRooms(breakDown(job));
  const std::string lost = test::withoutMirrorImage(before, after, width.inMm());
  if (!lost.empty()) RC_LOG() << writeJob(drawn) << lost;
  RC_ASSERT(lost == "");
}

}  // namespace
}  // namespace pp::choice_test
