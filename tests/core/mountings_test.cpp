// What is bought and mounted: how many on what, where, and that a step of the assembly has each.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <map>

#include "core/breakdown/fittings.h"
#include "core/breakdown/mountings.h"
#include "core/formats/job_json.h"
#include "core/joinery/rules.h"
#include "core/kinds/validate.h"
#include "tests/core/listed.h"
#include "tests/core/ordered.h"

namespace pp::mountings_test {
namespace {

using test::mm;

std::vector<Mounting> of(const Job& job, HardwareKind kind) {
  std::vector<Mounting> out = mountingsOf(job, breakDown(job).parts);
  std::erase_if(out, [&](const Mounting& one) { return one.kind != kind; });
  return out;
}

Carcass bare() {
  return test::metricCarcass().carcass();
}

TEST(Mountings, screwsStayInsideWhatTheyHoldOn) {
  using joinery::mountingScrew;
  EXPECT_EQ(mountingScrew(mm(18), Unit::Millimetre), mm(15));
  EXPECT_EQ(mountingScrew(mm(15), Unit::Millimetre), mm(13));
  EXPECT_EQ(mountingScrew(Length::um(11'800), Unit::Millimetre), mm(11));
  EXPECT_EQ(mountingScrew(Length::um(11'400), Unit::Millimetre), mm(9));
  EXPECT_EQ(mountingScrew(Length::in(0, 15, 32), Unit::Inch), Length::in(0, 7, 16));
  EXPECT_EQ(mountingScrew(Length::in(0, 23, 32), Unit::Inch), Length::in(0, 5, 8));
}

// A pair of doors of 600 × 720: two cups each where the door has them bored, a pull each, and of
// two copies of the case everything twice.
TEST(Mountings, ofDoorsAreThoseThatAreBored) {
  Carcass carcass = bare();
  carcass.inside.door = Door{};
  carcass.inside.door->hinge = Hinge::Pair;
  Job job = test::jobOf(carcass);
  job.assemblies[0].copies = 2;
  const std::vector<Mounting> hinges = of(job, HardwareKind::Hinge);
  ASSERT_EQ(hinges.size(), 2U);
  for (const Mounting& one : hinges) {
    EXPECT_EQ(one.name, "cup hinge");
    EXPECT_EQ(one.count, 2);
    EXPECT_EQ(one.pieces, 2);
    ASSERT_EQ(one.at.size(), 2U);
    EXPECT_LT(one.at[0], one.at[1]);
    EXPECT_EQ(one.screw, mm(15));
  }
  const std::vector<Mounting> pulls = of(job, HardwareKind::Pull);
  ASSERT_EQ(pulls.size(), 2U);
  EXPECT_EQ(pulls[0].count * pulls[0].pieces, 2);
}

// A flap of 600 on a continuous hinge: 600 / 75 and one: nine a leaf. Butt hinges: one every 600
// begun and one.
TEST(Mountings, ofAFlapAreOnItsHingedEdge) {
  Carcass carcass = bare();
  carcass.inside.door = Door{};
  carcass.inside.door->hinge = Hinge::Top;
  carcass.fronts.lidHinge = LidHinge::Continuous;
  carcass.fronts.gap = {};
  std::vector<Mounting> hinges = of(test::jobOf(carcass), HardwareKind::Hinge);
  ASSERT_EQ(hinges.size(), 1U);
  EXPECT_EQ(hinges[0].name, "continuous hinge");
  EXPECT_EQ(hinges[0].on.role, PartRole::Lid);
  EXPECT_EQ(hinges[0].count, 1);
  EXPECT_EQ(hinges[0].screws, 2 * (hinges[0].length.inNm() / mm(75).inNm() + 1));
  carcass.fronts.lidHinge = LidHinge::Butt;
  hinges = of(test::jobOf(carcass), HardwareKind::Hinge);
  ASSERT_EQ(hinges.size(), 1U);
  EXPECT_EQ(hinges[0].name, "butt hinge");
  EXPECT_EQ(hinges[0].count, 2);
  // On cups again they are where those are bored.
  carcass.fronts.lidHinge = LidHinge::Cups;
  hinges = of(test::jobOf(carcass), HardwareKind::Hinge);
  ASSERT_EQ(hinges.size(), 1U);
  EXPECT_EQ(hinges[0].name, "cup hinge");
}

TEST(Mountings, feetAreFourAndTwoMoreForEveryNineHundred) {
  for (const auto& [width, feet] : std::map<int, int>{{300, 4}, {900, 4}, {901, 6}, {1801, 8}})
    EXPECT_EQ(feetUnder(mm(width)), feet) << width;
  Carcass carcass = bare();
  carcass.stand = Stand{};
  carcass.stand->kind = StandKind::Casters;
  Job job = test::jobOf(carcass);
  job.assemblies[0].copies = 3;
  const std::vector<Mounting> casters = of(job, HardwareKind::Caster);
  ASSERT_EQ(casters.size(), 1U);
  EXPECT_EQ(casters[0].on.role, PartRole::Bottom);
  EXPECT_EQ(casters[0].count, 4);
  EXPECT_EQ(casters[0].pieces, 3);
}

// Two drawers behind fronts that are cut apart when they are fitted: one board that lies before
// both boxes, with both pulls, and screwed on from both.
TEST(Mountings, ofFrontsFromOneBoardAreThoseOfEachDrawer) {
  Carcass carcass = bare();
  DrawerBank bank;
  bank.fronts.resize(2);
  bank.cut = FrontsCut::OneBoard;
  carcass.inside.content = bank;
  const Job job = test::jobOf(carcass);
  const std::vector<Mounting> pulls = of(job, HardwareKind::Pull);
  ASSERT_EQ(pulls.size(), 1U);
  EXPECT_EQ(pulls[0].count, 2);
  EXPECT_EQ(pulls[0].pieces, 1);
  const bench::Ordered order(job);
  const bench::AssemblyStep& front = order.last().steps.back();
  ASSERT_TRUE(front.screws);
  EXPECT_EQ(front.screws->count, 2 * joinery::kFrontScrews);
  std::int64_t screws = 0;
  for (const Fitting& one : fittingsOf(job, breakDown(job).parts))
    if (one.name == "screw" && one.length == front.screws->length) screws += one.count;
  EXPECT_EQ(screws, 8);
}

// Everything that is mounted on a piece that stands somewhere is in one step, once a piece, and in
// the list as often.
void eachIsInOneStepAndInTheList(const Job& job) {
  const std::vector<Part> parts = breakDown(job).parts;
  std::map<std::tuple<HardwareKind, std::string, Length>, std::int64_t> mounted, listed, put;
  for (const Mounting& one : mountingsOf(job, parts)) {
    mounted[{one.kind, one.name, one.length}] += one.count * one.pieces;
    RC_ASSERT(one.count > 0 && one.pieces > 0);
    RC_ASSERT(findPart(parts, one.on) != nullptr);
  }
  for (const Fitting& one : fittingsOf(job, parts))
    if (one.kind != HardwareKind::Screw && one.kind != HardwareKind::Glue &&
        (one.kind != HardwareKind::Other || one.name == "leg"))
      listed[{one.kind, one.name, one.length}] += one.count;
  RC_ASSERT(listed == mounted);
  const bench::Ordered of(job);
  for (const bench::UnitOrder& unit : of.units) {
    const Assembly& assembly =
        *std::find_if(job.assemblies.begin(), job.assemblies.end(),
                      [&](const Assembly& one) { return one.code == unit.assembly; });
    for (const bench::AssemblyStep& step : unit.steps) {
      const auto times = std::ssize(step.pieces) / static_cast<std::ptrdiff_t>(step.each);
      for (const Mounting& one : step.mounted)
        put[{one.kind, one.name, one.length}] += one.count * times * unit.alike * assembly.copies;
    }
  }
  for (const auto& [what, count] : put) RC_ASSERT(count <= mounted[what]);
  // What cannot be put together at all has no step.
  bool isWhole = true;
  for (const Assembly& assembly : job.assemblies)
    isWhole = isWhole && std::any_of(of.units.begin(), of.units.end(), [&](const auto& unit) {
                return unit.assembly == assembly.code && unit.kind == bench::UnitKind::Assembly;
              });
  if (isWhole) RC_ASSERT(put == mounted);
}

TEST(MountingsOfTheDemos, areInOneStepAndInTheList) {
  for (const char* name : test::kDemos) {
    SCOPED_TRACE(name);
    eachIsInOneStepAndInTheList(readJob(name, test::demo(name)).value());
  }
}

RC_GTEST_PROP(MountingsAtRandom, ofACaseAreInOneStepAndInTheList, ()) {
  const Job job = *test::buildableJob();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  eachIsInOneStepAndInTheList(job);
}
RC_GTEST_PROP(MountingsAtRandom, ofEveryOtherKindToo, ()) {
  const Job job = *test::buildableKind();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  eachIsInOneStepAndInTheList(job);
}
RC_GTEST_PROP(MountingsAtRandom, ofARowToo, ()) {
  const Job job = *test::buildableGroup();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  eachIsInOneStepAndInTheList(job);
}

}  // namespace
}  // namespace pp::mountings_test
