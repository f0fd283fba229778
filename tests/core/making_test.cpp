// What the maker has otherwise than it is worked out: the order of steps, when a joint is glued,
// when an assembly is finished, sizes read off the work; and where boards stand.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <set>

#include "core/assembly/installing.h"
#include "core/assembly/making.h"
#include "core/assembly/sections.h"
#include "core/breakdown/mirror.h"
#include "core/breakdown/overrides.h"
#include "core/breakdown/readings.h"
#include "core/coating/banding.h"
#include "core/coating/finishing.h"
#include "core/coating/samples.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/boards/places.h"
#include "core/kinds/boards/rules.h"
#include "core/kinds/validate.h"
#include "tests/core/ordered.h"

namespace pp::bench::making_test {
namespace {

using test::mm;

std::size_t stepOf(const Ordered& of, const UnitOrder& unit, PartRole role) {
  for (std::size_t i = 0; i < unit.steps.size(); ++i)
    if (of.pieces[unit.steps[i].row].part.role == role) return i;
  throw std::runtime_error("no such step");
}

Ordered moved(const Ordered& of, const UnitOrder& unit, std::size_t from, std::size_t to) {
  Job job = of.job;
  job.moved = withMoved(of.job, of.pieces, unit, from, to);
  return Ordered(std::move(job));
}

// --- moved steps ---

TEST(MovedSteps, goInWhereTheyWereMovedToAndSayWhatIsWrongThen) {
  const Ordered of(caseWith([](Carcass& c) { c.back.school = BackSchool::Groove; }));
  ASSERT_EQ(of.said(of.last()), "left side\nbottom\ntop\nback\nright side\n");
  // The top before the bottom: as good.
  const Ordered top = moved(of, of.last(), 2, 1);
  EXPECT_EQ(top.said(top.last()), "left side\ntop\nbottom\nback\nright side\n");
  for (const AssemblyStep& step : top.last().steps) {
    EXPECT_TRUE(step.isMoved);
    EXPECT_FALSE(step.isForced || step.unreached || step.tooLate);
  }
  // A back in grooves all round does not get past what closes them.
  const Ordered late = moved(of, of.last(), 3, 4);
  EXPECT_EQ(late.said(late.last()), "left side\nbottom\ntop\nright side\nback\n");
  const AssemblyStep& back = late.last().steps.back();
  EXPECT_TRUE(back.isForced);
  ASSERT_TRUE(back.past);
  EXPECT_NE(late.part(*back.past).role, PartRole::Back);
}

TEST(MovedSteps, whatADriverThenDoesNotReachIsNamed) {
  // Openings of some 26: a shelf on pockets goes in before the one under it.
  const Ordered of(shelved(16, Joint::Pocket));
  const UnitOrder& unit = of.last();
  const std::size_t last = unit.steps.size() - 1;
  ASSERT_EQ(of.pieces[unit.steps[last].row].part.role, PartRole::Back);
  // The one that goes in first of the two that have none over them comes last of all.
  std::size_t shelf = 0;
  for (std::size_t i = 0; i < unit.steps.size(); ++i)
    if (of.pieces[unit.steps[i].row].part.role == PartRole::FixedShelf) shelf = i;
  std::size_t bottom = stepOf(of, unit, PartRole::Bottom);
  ASSERT_NE(shelf, bottom);
  const Ordered late = moved(of, unit, std::min(shelf, bottom), std::max(shelf, bottom));
  bool isSaid = false;
  for (const AssemblyStep& step : late.last().steps)
    isSaid = isSaid || step.unreached || step.isForced;
  EXPECT_TRUE(isSaid);
}

TEST(MovedSteps, slidesAndPadsAfterTheBackAreSaid) {
  const Ordered of(caseWith([](Carcass& c) { c.back.school = BackSchool::Behind; }));
  const UnitOrder& unit = of.last();
  const Ordered first = moved(of, unit, stepOf(of, unit, PartRole::Back), 1);
  // Nothing inside is fitted here: the back may come as soon as there is something behind which.
  EXPECT_EQ(first.pieces[first.last().steps[1].row].part.role, PartRole::Back);
  const Ordered drawers(caseWith([](Carcass& c) {
    c.back.school = BackSchool::Behind;
    DrawerBank bank;
    bank.fronts.resize(2);
    c.inside.content = bank;
  }));
  const UnitOrder& cased = drawers.last();
  const std::size_t front = stepOf(drawers, cased, PartRole::DrawerFront);
  const Ordered early = moved(drawers, cased, front, 0);
  ASSERT_EQ(early.pieces[early.last().steps[0].row].part.role, PartRole::DrawerFront);
  // All that comes after a front goes in before it: each says so.
  for (std::size_t i = 1; i < early.last().steps.size(); ++i) {
    const AssemblyStep& step = early.last().steps[i];
    if (isFront(early.pieces[step.row].part.role)) continue;
    ASSERT_TRUE(step.tooLate) << i;
    EXPECT_EQ(early.part(*step.tooLate).role, PartRole::DrawerFront);
  }
}

TEST(MovedSteps, areOfAllUnitsThatAreAlikeAndGoneWhenTheyAreLetGo) {
  const Ordered of(caseWith([](Carcass& c) {
    DrawerBank bank;
    bank.fronts.resize(3);
    c.inside.content = bank;
  }));
  const UnitOrder box = of.kind(UnitKind::Box);
  ASSERT_EQ(box.alike, 3);
  EXPECT_FALSE(isMoved(of.job, of.pieces, box));
  const Ordered other = moved(of, box, 1, 2);
  const UnitOrder& now = other.kind(UnitKind::Box);
  EXPECT_EQ(now.alike, 3) << "moved in one, moved in all";
  EXPECT_EQ(now.steps[2].row, box.steps[1].row);
  EXPECT_EQ(now.steps[1].row, box.steps[2].row);
  EXPECT_TRUE(isMoved(other.job, other.pieces, now));
  EXPECT_EQ(withoutMoved(other.job, other.pieces, now), std::vector<MovedStep>{});
  // What was moved last holds, whatever was moved before.
  const Ordered twice = moved(other, now, 2, 1);
  EXPECT_EQ(twice.said(twice.kind(UnitKind::Box)), of.said(box));
}

// Whatever is moved where: all pieces are there once, in the place they were moved to, and a step
// that is not said to be wrong gets past those before it.
RC_GTEST_PROP(MovedSteps, loseNothingAndStandWhereTheyWereMoved, ()) {
  const Ordered of(*test::buildableJob());
  RC_PRE(!of.units.empty());
  const auto u = *rc::gen::inRange<std::size_t>(0, of.units.size());
  const UnitOrder& unit = of.units[u];
  RC_PRE(unit.steps.size() > 1);
  const auto from = *rc::gen::inRange<std::size_t>(0, unit.steps.size());
  const auto to = *rc::gen::inRange<std::size_t>(0, unit.steps.size());
  const Ordered after = moved(of, unit, from, to);
  const auto all = [](const Ordered& one) {
    std::multiset<std::pair<std::size_t, std::size_t>> out;
    for (const UnitOrder& each : one.units)
      for (const AssemblyStep& step : each.steps)
        for (const std::size_t pose : step.poses) out.insert({step.row, pose});
    return out;
  };
  RC_ASSERT(all(of) == all(after));
  if (const Problems problems = validate(after.job); !problems.empty()) RC_FAIL(describe(problems));
}

// --- when joints are glued ---

Gluing gluingAt(const Ordered& of, const UnitOrder& unit, PartRole role) {
  return gluingOf(unit.steps[stepOf(of, unit, role)]).value();
}

TEST(JointGluing, isOfAllJointsOfAStepAndTakenBackWhole) {
  Ordered of(caseWith([](Carcass& c) { c.back.school = BackSchool::Behind; }));
  const std::size_t at = stepOf(of, of.last(), PartRole::RightSide);
  ASSERT_EQ(of.last().steps[at].joints.size(), 2U) << "the bottom and the top";
  EXPECT_EQ(gluingAt(of, of.last(), PartRole::RightSide), Gluing::InShop);
  Job job = of.job;
  job.gluing = withGluing(of.job, of.pieces, of.last().steps[at], Gluing::InPlace);
  EXPECT_EQ(job.gluing.size(), 2U);
  const Ordered there(job);
  EXPECT_EQ(gluingAt(there, there.last(), PartRole::RightSide), Gluing::InPlace);
  EXPECT_EQ(gluingAt(there, there.last(), PartRole::Bottom), Gluing::InShop);
  job.gluing = withGluing(there.job, there.pieces, there.last().steps[at], Gluing::Never);
  EXPECT_EQ(job.gluing.size(), 2U) << "changed, not said twice";
  EXPECT_EQ(gluingAt(Ordered(job), Ordered(job).last(), PartRole::RightSide), Gluing::Never);
  job.gluing = withGluing(job, there.pieces, there.last().steps[at], Gluing::InShop);
  EXPECT_TRUE(job.gluing.empty());
}

// A case whose right side is glued in the room travels in two, and each is asked whether it
// comes through; nothing is clamped to it in the shop.
TEST(JointGluing, whatIsGluedThereTravelsApart) {
  const Ordered whole(caseWith([](Carcass& c) { c.back.school = BackSchool::None; }));
  const auto cases = [](const Ordered& of) { return carriedOf(of.units, of.pieces, of.job); };
  ASSERT_EQ(cases(whole).size(), 1U);
  EXPECT_EQ(cases(whole)[0].width, mm(600));
  const UnitOrder& unit = whole.last();
  Job job = whole.job;
  job.gluing = withGluing(job, whole.pieces, unit.steps[stepOf(whole, unit, PartRole::RightSide)],
                          Gluing::InPlace);
  // Rails go between the sides too: what they join to the right one is glued there as well.
  for (const UnitOrder& each : whole.units)
    for (const AssemblyStep& step : each.steps)
      for (const auto& [a, b] : step.joined)
        if (whole.part(a).role == PartRole::RightSide ||
            whole.part(b).role == PartRole::RightSide) {
          AssemblyStep one = step;
          one.joined = {{a, b}};
          job.gluing = withGluing(job, whole.pieces, one, Gluing::InPlace);
        }
  const Ordered apart(job);
  const std::vector<Carried> two = cases(apart);
  ASSERT_EQ(two.size(), 2U);
  const Carried& panel = two[two[0].kind == Carry::Panel ? 0 : 1];
  const Carried& rest = two[two[0].kind == Carry::Panel ? 1 : 0];
  EXPECT_EQ(panel.kind, Carry::Panel);
  EXPECT_EQ(panel.width, mm(18));
  EXPECT_EQ(rest.width, mm(600 - 18 + 6)) << "the bottom's tongue was let in by 6";
  EXPECT_EQ(panel.pieces.size() + rest.pieces.size(), cases(whole)[0].pieces.size());
  ASSERT_FALSE(rest.joinedThere.empty());
  EXPECT_EQ(apart.pieces[rest.joinedThere[0].first].part.role, PartRole::RightSide);
  EXPECT_EQ(rest.joinedThere[0].second, Gluing::InPlace);
  int before = 0, after = 0;
  for (const AssemblyStep& step : whole.last().steps) before += step.clamps;
  for (const AssemblyStep& step : apart.last().steps) after += step.clamps;
  EXPECT_LT(after, before);
  // The second look asks of the two as well.
  const std::vector<Section> sections = sectionsOf(job, breakDown(job));
  std::vector<Length> widths;
  for (const Section& section : sections)
    if (section.assembly == "B1") widths.push_back(section.load.box[0]);
  EXPECT_EQ(widths.size(), 2U);
  EXPECT_NE(std::find(widths.begin(), widths.end(), mm(18)), widths.end());
}

TEST(Making, isKeptInTheFileAndRefusedWhereItSaysNothing) {
  Ordered of(caseWith([](Carcass& c) { c.back.school = BackSchool::Behind; }));
  Job job = of.job;
  giveIds(job);
  const Ordered known(job);
  job.gluing = withGluing(job, known.pieces, known.last().steps[1], Gluing::Never);
  job.moved = withMoved(job, known.pieces, known.last(), 1, 2);
  job.assemblies[0].finishedWhole = true;
  ASSERT_FALSE(job.gluing.empty());
  const auto read = readJob("f", writeJob(job));
  ASSERT_TRUE(read);
  EXPECT_EQ(read->gluing, job.gluing);
  EXPECT_EQ(read->moved, job.moved);
  EXPECT_TRUE(std::as_const(read->assemblies)[0].finishedWhole);
  Job wrong = job;
  wrong.gluing[0].mate = wrong.gluing[0].part;
  wrong.moved[0].other = wrong.moved[0].part;
  const Problems problems = validate(wrong);
  ASSERT_EQ(problems.size(), 2U);
  EXPECT_EQ(problems[0].field, "/gluing/0/mate");
  EXPECT_EQ(problems[1].field, "/moved/0/other");
  // With the assembly it goes too.
  job.assemblies.erase(0);
  dropLost(job);
  EXPECT_TRUE(job.gluing.empty());
  EXPECT_TRUE(job.moved.empty());
}

TEST(Making, changesSidesInAMirror) {
  Ordered of(caseWith([](Carcass& c) { c.back.school = BackSchool::Behind; }));
  Job job = of.job;
  giveIds(job);
  const Ordered known(job);
  const UnitOrder& unit = known.last();
  job.gluing = withGluing(job, known.pieces, unit.steps[stepOf(known, unit, PartRole::RightSide)],
                          Gluing::InPlace);
  mirrorAssembly(job, 0);
  const Ordered mirrored(job);
  for (const UnitOrder& each : mirrored.units)
    for (const AssemblyStep& step : each.steps)
      for (const Closed& joint : step.joints) {
        const bool left = mirrored.part(joint.piece).role == PartRole::LeftSide ||
                          mirrored.part(joint.mate).role == PartRole::LeftSide;
        const bool panel = mirrored.part(joint.piece).role == PartRole::Bottom ||
                           mirrored.part(joint.piece).role == PartRole::Top;
        if (!panel) continue;
        EXPECT_EQ(joint.gluing, left ? Gluing::InPlace : Gluing::InShop);
      }
}

// --- finished as parts or put together ---

TEST(FinishedWhole, comesWhenAllPartsAreDryAndKeepsNothingBare) {
  Job job = caseWith([](Carcass& c) { c.back.school = BackSchool::Behind; });
  job.assemblies[0].finish = Finish::Clear;
  Assembly second = std::as_const(job).assemblies[0];
  second.code = "B2";
  second.finishedWhole = true;
  job.assemblies.push_back(second);
  giveIds(job);
  const std::vector<Pieces> pieces = piecesAtBench({}, {}, breakDown(job).parts);
  const std::vector<Finished> groups = finished(pieces, job);
  ASSERT_EQ(groups.size(), 2U);
  EXPECT_FALSE(groups[0].isWhole);
  EXPECT_TRUE(groups[1].isWhole);
  EXPECT_GT(groups[0].bare, 0);
  EXPECT_EQ(groups[1].bare, 0);
  EXPECT_EQ(groups[0].cm2, groups[1].cm2) << "two equal cases";
  ShopFinish varnish{1, "clear", {}};
  FinishProduct product;
  product.name = "varnish";
  product.coats = 2;
  product.drying = 240;
  product.coverage = 12;
  product.minutes = 6;
  varnish.products = {product};
  const std::vector<Coat> all = coats(groups, {varnish}, 8 * 60);
  ASSERT_EQ(all.size(), 4U);
  std::vector<std::size_t> order;
  for (const Coat& coat : all) order.push_back(coat.group);
  EXPECT_EQ(order, (std::vector<std::size_t>{0, 0, 1, 1}));
  EXPECT_GE(all[2].begin, all[1].dry);
}

TEST(Samples, areKeptByLotAndReadBack) {
  const Sample birch{"clear", "birch 18", "A-7", "two coats are enough"};
  const Sample other{"clear", "birch 18", "B-2", "blotchy:\tsealer first"};
  std::vector<Sample> all = withSample(withSample({}, birch), other);
  all = readSamples(writeSamples(all));
  ASSERT_EQ(all.size(), 2U);
  EXPECT_EQ(all[0], birch);
  EXPECT_EQ(all[1].result, "blotchy: sealer first") << "one line, one field";
  EXPECT_EQ(sampleOf(all, {"clear", "birch 18", "A-7", {}}), birch.result);
  EXPECT_EQ(sampleOf(all, {"painted", "birch 18", "A-7", {}}), "");
  all = withSample(all, {"clear", "birch 18", "A-7", "three"});
  EXPECT_EQ(sampleOf(all, birch), "three");
  all = withSample(all, {"clear", "birch 18", "A-7", ""});
  EXPECT_EQ(all.size(), 1U) << "one without a result takes the last away";
  EXPECT_TRUE(readSamples("clear\tbirch\n\nclear\t\tA\tgood\nc\tm\tl\tr\tmore\n").empty());
}

// --- what is read off the work ---

TEST(Readings, areTypedWhereThePartsOfABoxWait) {
  Job job = caseWith([](Carcass& c) {
    DrawerBank bank;
    bank.fronts.resize(2);
    bank.waits = true;
    c.inside.content = bank;
  });
  giveIds(job);
  const auto boxFront = [](const Job& of) {
    const Breakdown broken = breakDown(of);
    const auto at = std::find_if(broken.parts.begin(), broken.parts.end(),
                                 [](const Part& part) { return part.role == PartRole::BoxFront; });
    EXPECT_NE(at, broken.parts.end());
    return *at;
  };
  const Part waiting = boxFront(job);
  ASSERT_TRUE(waiting.waiting);
  EXPECT_EQ(readsOf(job, waiting), Reads::OpeningWidth);
  // 600 less two sides of 18 is drawn; it is 563 at its narrowest.
  ASSERT_TRUE(addReading(job, waiting, mm(563.5)));
  ASSERT_TRUE(addReading(job, waiting, mm(563)));
  const Part read = boxFront(job);
  EXPECT_FALSE(read.waiting);
  EXPECT_EQ(read.readOff, mm(-1));
  EXPECT_EQ(read.length.total(), waiting.length.total() - mm(1));
  EXPECT_EQ(read.oversize, Length{});
  for (int i = 0; i < 6; ++i) EXPECT_TRUE(addReading(job, waiting, mm(563)));
  EXPECT_FALSE(addReading(job, waiting, mm(563))) << "eight are kept";
  Part side = waiting;
  side.role = PartRole::BoxLeftSide;
  EXPECT_FALSE(readsOf(job, side)) << "its length follows from the depth";
}

TEST(Readings, areTypedWhereAPartWaitsByHand) {
  Job job = shelved(2, Joint::Dado);
  giveIds(job);
  const auto shelf = [](const Job& of) {
    const Breakdown broken = breakDown(of);
    return *std::find_if(broken.parts.begin(), broken.parts.end(),
                         [](const Part& part) { return part.role == PartRole::FixedShelf; });
  };
  EXPECT_FALSE(readsOf(job, shelf(job)));
  PartOverride made = test::byHand("cut to the work");
  made.reads = WorkReading{};
  setOverride(job, breakDown(job).parts, shelf(job), made);
  ASSERT_TRUE(shelf(job).waiting);
  EXPECT_EQ(readsOf(job, shelf(job)), Reads::Length);
  ASSERT_TRUE(addReading(job, shelf(job), mm(574.4)));
  EXPECT_EQ(shelf(job).length.total(), mm(574.4));
  job.overrides[0].reads->ofWidth = true;
  EXPECT_EQ(readsOf(job, shelf(job)), Reads::Width);
}

// --- solid edging ---

TEST(SolidEdging, mitredTheFrontIsFirstButtedTheSides) {
  Top top;
  Job job = test::metricJob();
  top.material = top.edgingMaterial = job.materials[0].id;
  top.build = TopBuild::Single;
  top.strip = Length{};
  const auto order = [&](EdgingCorner corner) {
    top.corner = corner;
    Job of = job;
    Assembly assembly;
    assembly.code = "T1";
    assembly.body = top;
    of.assemblies.push_back(assembly);
    giveIds(of);
    const Ordered ordered(of);
    const std::vector<SolidEdging> listed = solidEdgings(ordered.pieces);
    std::vector<std::string> out;
    for (const SolidEdging& one : listed) {
      EXPECT_EQ(one.isMitred, corner == EdgingCorner::Mitred);
      EXPECT_TRUE(one.meetsOthers);
      out.push_back(ordered.pieces[one.row].part.name);
    }
    // The order of assembly is the same.
    const UnitOrder& unit = ordered.last();
    std::vector<std::string> put;
    for (const AssemblyStep& step : unit.steps) {
      const Part& part = ordered.pieces[step.row].part;
      if (part.role >= PartRole::FrontEdging && part.role <= PartRole::RightEdging)
        put.push_back(part.name);
    }
    EXPECT_EQ(std::set<std::string>(put.begin(), put.end()),
              std::set<std::string>(out.begin(), out.end()));
    EXPECT_EQ(put.front() == out.front(), true) << put.front() << " and " << out.front();
    return out;
  };
  EXPECT_EQ(order(EdgingCorner::Mitred).front(), "front edging");
  Top alone = top;
  alone.edgeLeft = alone.edgeRight = false;
  Job of = job;
  Assembly assembly;
  assembly.code = "T1";
  assembly.body = alone;
  of.assemblies.push_back(assembly);
  giveIds(of);
  const std::vector<SolidEdging> one = solidEdgings(Ordered(of).pieces);
  ASSERT_EQ(one.size(), 1U);
  EXPECT_FALSE(one[0].meetsOthers);
  EXPECT_EQ(order(EdgingCorner::Butted).back(), "front edging");
}

// --- boards that stand somewhere ---

TEST(BoardPlaces, areReadAndWritten) {
  const auto read =
      parsePlaces("0.1, 138, 290, front, down; -29.4,0,0,left,back,-21.6", Unit::Millimetre);
  ASSERT_TRUE(read);
  ASSERT_EQ(read->size(), 2U);
  EXPECT_EQ((*read)[0],
            (BoardPlace{mm(0.1), mm(138), mm(290), BoardWay::Front, BoardWay::Down, {}}));
  EXPECT_EQ((*read)[1].x, mm(-29.4));
  EXPECT_EQ((*read)[1].tilt, Angle::millidegrees(-21'600));
  for (const Unit unit : {Unit::Millimetre, Unit::Inch}) {
    const auto again = parsePlaces(formatPlaces(*read, unit), unit);
    ASSERT_TRUE(again) << formatPlaces(*read, unit);
    EXPECT_EQ(*again, *read) << formatPlaces(*read, unit);
  }
  EXPECT_TRUE(parsePlaces("  ", Unit::Inch)->empty());
  for (const char* wrong :
       {"1, 2, 3, up", "1, 2, 3, up, down", "1, 2, 3, up, up", "a, 2, 3, up, left",
        "1, 2, 3, up, left, 81", "1, 2, 3, up, left, 1, 2", "1, 2, 3, up, left;"})
    EXPECT_FALSE(parsePlaces(wrong, Unit::Millimetre)) << wrong;
}

// The demo's nest box: the front and back hold the sides and the floor, the roof comes last.
TEST(BoardPlaces, aBoxOfBoardsIsPutTogether) {
  const Ordered of(readJob("f", test::demo("nest-boxes")).value());
  ASSERT_FALSE(of.units.empty());
  std::size_t steps = 0, screws = 0;
  for (const UnitOrder& unit : of.units)
    for (const AssemblyStep& step : unit.steps) {
      ++steps;
      EXPECT_FALSE(step.isForced || step.unreached) << of.pieces[step.row].part.name;
      for (const Closed& joint : step.joints) screws += joint.fasteners.at.size();
    }
  EXPECT_EQ(widthOf(of.job, std::get<Boards>(of.job.assemblies[0].body)), mm(200))
      << "the roof, 25 beyond either side";
  EXPECT_GE(steps, 5U);
  // Two along each of the sides' four ends and of the floor's four edges.
  EXPECT_EQ(screws, 16U);
  EXPECT_EQ(of.pieces[of.last().steps.back().row].part.name, "roof");
}

TEST(BoardPlaces, aBoardOnTheFarSideOfAnotherJoinsNothing) {
  Job job = test::metricJob();
  Boards boards;
  LooseBoard upright;
  upright.name = "upright";
  upright.material = job.materials[0].id;
  upright.length = mm(300);
  upright.width = mm(200);
  upright.places = {{mm(0), mm(0), mm(0), BoardWay::Up, BoardWay::Back, {}}};
  LooseBoard shelf = upright;
  shelf.name = "shelf";
  shelf.length = mm(400);
  const auto joinsAt = [&](Length x) {
    Boards all = boards;
    all.boards.push_back(upright);
    // Up and back: its thickness goes to the left.
    shelf.places = {{x, mm(0), mm(100), BoardWay::Right, BoardWay::Back, {}}};
    all.boards.push_back(shelf);
    Job of = job;
    Assembly assembly;
    assembly.code = "K1";
    assembly.body = all;
    of.assemblies.push_back(assembly);
    giveIds(of);
    EXPECT_TRUE(validate(of).empty());
    std::vector<Join> out;
    for (const Part& part : breakDown(of).parts)
      out.insert(out.end(), part.joins.begin(), part.joins.end());
    return out;
  };
  const std::vector<Join> joined = joinsAt(mm(0));
  ASSERT_EQ(joined.size(), 1U);
  EXPECT_EQ(joined[0], (Join{Edge::W1, JoinKind::Butt, "upright"}));
  EXPECT_TRUE(joinsAt(mm(1)).empty());
}

// The mirror of the mirror is the board where it was; its room is the mirrored room.
RC_GTEST_PROP(BoardPlaces, standInAMirrorWhereTheirImageIs, ()) {
  BoardPlace place;
  place.x = Length::um(*rc::gen::inRange(-500'000, 500'000));
  place.y = Length::um(*rc::gen::inRange(-500'000, 500'000));
  place.z = Length::um(*rc::gen::inRange(-500'000, 500'000));
  place.length = *rc::gen::element(BoardWay::Right, BoardWay::Left, BoardWay::Up, BoardWay::Down,
                                   BoardWay::Back, BoardWay::Front);
  place.width = *rc::gen::suchThat(
      rc::gen::element(BoardWay::Right, BoardWay::Up, BoardWay::Front, BoardWay::Left),
      [&](BoardWay way) {
        return static_cast<int>(way) / 2 != static_cast<int>(place.length) / 2;
      });
  Job job = test::metricJob();
  LooseBoard board;
  board.name = "board";
  board.material = job.materials[0].id;
  board.length = mm(300);
  board.width = mm(200);
  board.places = {place};
  Boards boards;
  boards.boards.push_back(board);
  Assembly assembly;
  assembly.code = "K1";
  assembly.body = boards;
  job.assemblies.push_back(assembly);
  giveIds(job);
  const auto room = [](const Job& of) {
    const Part part = breakDown(of).parts.front();
    return part.poses.front().place(part.board());
  };
  const Box before = room(job);
  mirrorAssembly(job, 0);
  const Box after = room(job);
  RC_ASSERT(after.low[0] == -before.high[0]);
  RC_ASSERT(after.high[0] == -before.low[0]);
  RC_ASSERT(after.low[1] == before.low[1] && after.high[2] == before.high[2]);
  mirrorAssembly(job, 0);
  RC_ASSERT(std::get<Boards>(std::as_const(job).assemblies[0].body).boards[0].places[0] == place);
}

}  // namespace
}  // namespace pp::bench::making_test
