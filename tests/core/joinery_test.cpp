// What boards are held by: where they meet, by what, how long and how many, each against a case
// counted by hand; then at random, one way of counting against another.
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <map>

#include "core/assembly/joints.h"
#include "core/breakdown/fittings.h"
#include "core/breakdown/joint_sets.h"
#include "core/floor/pieces.h"
#include "core/formats/job_json.h"
#include "core/joinery/joints.h"
#include "core/joinery/rules.h"
#include "core/kinds/group/lines.h"
#include "core/kinds/validate.h"
#include "core/parts/part_builder.h"
#include "tests/core/listed.h"

namespace pp::joinery_test {
namespace {

using joinery::Hold;
using joinery::JointKind;
using test::mm;

Length in(int whole, int part = 0, int of = 1) {
  return Length::in(whole, part, of);
}

TEST(JoineryRules, fastenersStandAlongWhatMeets) {
  struct Row {
    double length;
    std::vector<double> at;
  };
  // Two from 65 on, the outer ones a fifth in, 20 at least and 50 at most, no more than 200 apart.
  for (const Row& row :
       {Row{0, {}}, Row{20, {10}}, Row{64.9, {32.45}}, Row{65, {20, 45}}, Row{100, {20, 80}},
        Row{150, {30, 120}}, Row{300, {50, 250}}, Row{301, {50, 150.5, 251}},
        Row{560, {50, 50 + 460.0 / 3, 50 + 920.0 / 3, 510}}}) {
    std::vector<Length> wanted;
    for (const double at : row.at) wanted.push_back(mm(at));
    const auto got = joinery::rowAlong(mm(row.length), joinery::screwSpacing(Unit::Millimetre));
    ASSERT_EQ(got.size(), wanted.size()) << row.length;
    for (std::size_t i = 0; i < got.size(); ++i)
      EXPECT_LE(distance(got[i], wanted[i]), Length::um(1)) << row.length;
  }
  using joinery::rowAlong;
  EXPECT_EQ(rowAlong(in(22), joinery::screwSpacing(Unit::Inch)),
            (std::vector<Length>{in(2), in(8), in(14), in(20)}));
  EXPECT_EQ(rowAlong(mm(580), joinery::backSpacing(Unit::Millimetre)).size(), 5U);
}

TEST(JoineryRules, asLongAsWhatTheyHoldWants) {
  using namespace joinery;
  const Unit metric = Unit::Millimetre;
  // 25 of bite and what lies under the head: 12 + 25 = 37, 18 + 25 = 43, 38 + 25 = 63.
  EXPECT_EQ(screwIntoEdge(mm(12), mm(500), metric), mm(40));
  EXPECT_EQ(screwIntoEdge(mm(18), mm(500), metric), mm(45));
  EXPECT_EQ(screwIntoEdge(mm(38), mm(500), metric), mm(70));
  EXPECT_EQ(screwIntoEdge(in(0, 23, 32), in(20), Unit::Inch), in(1, 3, 4));
  // A strip 20 wide: 18 + 20 − 3 = 35 at most.
  EXPECT_EQ(screwIntoEdge(mm(18), mm(20), metric), mm(35));
  // 12 on 18: 27 at most, 12 + 10 at least; 15/32 on 15/32: 13/16 at most, 27/32 at least.
  EXPECT_EQ(screwIntoFace(mm(12), mm(18), metric), mm(25));
  EXPECT_EQ(screwIntoFace(mm(18), mm(18), metric), mm(30));
  EXPECT_EQ(screwIntoFace(mm(6), mm(6), metric), std::nullopt);
  EXPECT_EQ(screwIntoFace(in(0, 15, 32), in(0, 15, 32), Unit::Inch), std::nullopt);
  EXPECT_EQ(bradFor(mm(6), mm(560), metric), mm(20));
  EXPECT_EQ(bradFor(mm(12), mm(560), metric), mm(40));
  EXPECT_EQ(bradFor(in(0, 23, 32), in(0, 23, 32), Unit::Inch), in(1, 1, 4));
  EXPECT_EQ(frontScrew(mm(12), mm(18), metric), mm(20));
  EXPECT_EQ(pocketScrewFor(mm(12), metric), mm(25));
  EXPECT_EQ(pocketScrewFor(mm(18), metric), mm(32));
  EXPECT_EQ(pocketScrewFor(in(0, 3, 4), Unit::Inch), in(1, 1, 4));
  EXPECT_EQ(pocketScrewFor(mm(25), metric), mm(38));
}

// "brad 20: 22", a line each.
std::string countsOf(const Job& job) {
  std::string out;
  const LengthStyle style = styleOf(job);
  for (const Fitting& one : fittingsOf(job, breakDown(job).parts)) {
    out += one.name;
    if (one.length > Length{}) out += " " + format(one.length, style);
    out += fmt::format(": {}\n", one.count);
  }
  return out;
}

// 600 × 720 × 560 of 18 in dados 6 deep, back of 6 in rabbets round it.
Carcass bare() {
  return test::metricCarcass().carcass();
}

// Glued: four dados of 560 by 18 sit so much in the sides: 4 × 0.01008 m² at 180 ml = 7.26. The
// back, 700.5 × 580.5: brads 50 from its ends and 150 apart along the sides, 600.5 between, six
// each; along top and bottom, 576 long, five each.
TEST(Joinery, aCaseInDados) {
  EXPECT_EQ(countsOf(test::jobOf(bare())), "brad 20: 22\nwood glue: 8\n");
}

// Butted: two screws of 45 at 50 and 510, two between, an end. Glue on four ends of 560 × 18.
TEST(Joinery, aCaseThatIsButted) {
  Carcass carcass = bare();
  carcass.joint = Joint::Butt;
  EXPECT_EQ(countsOf(test::jobOf(carcass)), "brad 20: 22\nscrew 45: 16\nwood glue: 8\n");
}

// A row of tenons is bored into two boards and bought once: 560 by 150: 50, 165, 280, 395, 510;
// four ends.
TEST(Joinery, aTenonIsBoughtOnce) {
  Carcass carcass = bare();
  carcass.joint = Joint::LooseTenon;
  EXPECT_EQ(countsOf(test::jobOf(carcass)), "brad 20: 22\nwood glue: 8\nloose tenon: 20\n");
  carcass.inside.content = Split{SplitBy::Dividers, {{}, {}}, {{}, {}}};
  // The divider is 554 deep: 50, 163.5 … 504: five an end.
  EXPECT_NE(countsOf(test::jobOf(carcass)).find("loose tenon: 30\n"), std::string::npos)
      << countsOf(test::jobOf(carcass));
  Ring ring;
  ring.pieces = 6;
  ring.side = mm(200);
  ring.width = mm(60);
  ring.material = "b18";
  ring.joint = Joint::LooseTenon;
  ring.perJoint = 2;
  // Six joints of two; 6 × 60 × 18 mm² at 180 ml: 1.2.
  EXPECT_EQ(countsOf(test::jobOf(ring)), "wood glue: 2\nloose tenon: 12\n");
}

// A frame of 40 round it: two pockets at each end of two rails. On the case it is glued, with brads
// of 60 (3 × 18 = 54) into the panels' edges: along either side, 720 long, 100 apart: 620 / 100: 8
// each; along top and bottom between the stiles, 520 long: 420 / 100: 6 each.
TEST(Joinery, aFaceFrame) {
  Carcass carcass = bare();
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  const std::string counts = countsOf(test::jobOf(carcass));
  EXPECT_NE(counts.find("pocket screw 32: 8\n"), std::string::npos) << counts;
  EXPECT_NE(counts.find("brad 60: 28\n"), std::string::npos) << counts;
  // A middle stile between two doors has two at either end.
  carcass.inside.content = Split{SplitBy::Dividers, {{}, {}}, {{}, {}}};
  const std::string divided = countsOf(test::jobOf(carcass));
  EXPECT_NE(divided.find("pocket screw 32: 12\n"), std::string::npos) << divided;
}

// 600 wide and 560 deep on a frame set in by 50: down through the bottom, 564 long between the
// sides, into both rails four screws each (464 / 200), and into the cross pieces at either end, 474
// deep and 18 − 18 under the sides, nothing: they stand under the sides, which only rest there.
TEST(Joinery, aCaseIsScrewedOnItsBaseFromInside) {
  Carcass carcass = bare();
  carcass.joint = Joint::Butt;
  carcass.stand = Stand{};
  carcass.stand->kind = StandKind::Frame;
  carcass.stand->material = "b18";
  const Job job = test::jobOf(carcass);
  const std::vector<Part> parts = breakDown(job).parts;
  std::int64_t screws = 0;
  for (const JointSet& set : jointSetsOf(job, parts))
    for (const joinery::Joint& joint : set.joints) {
      const PartRole a = set.boards[joint.contact.a].key.role;
      const PartRole b = set.boards[joint.contact.b].key.role;
      const auto isBase = [](PartRole role) {
        return role == PartRole::BaseRail || role == PartRole::BaseCrossPiece;
      };
      if (isBase(a) == isBase(b)) continue;
      EXPECT_FALSE(joint.glued) << "it comes apart";
      if (a != PartRole::Bottom && b != PartRole::Bottom) {
        EXPECT_TRUE(joint.rests);
      }
      for (const joinery::Means& means : joint.means) {
        EXPECT_EQ(means.hold, Hold::Screw);
        EXPECT_EQ(means.length, mm(45)) << "18 and 25 of bite";
        if (a == PartRole::BaseRail) screws += std::ssize(means.at);
      }
    }
  EXPECT_EQ(screws, 8);
}

// A worktop of 36 on a case: from below through its top of 18, 54 in all: 50. It rests on the
// sides.
TEST(Joinery, aWorktopIsScrewedOnFromBelow) {
  CarcassGroup group;
  Job job = test::jobOf(bare());
  Assembly row;
  row.code = "G";
  row.body = group;
  job.assemblies.push_back(row);
  giveIds(job);
  auto& made = std::get<CarcassGroup>(job.assemblies[1].body);
  made.members = {std::as_const(job).assemblies[0].id};
  made.top = Top{};
  made.top->material = "b18";
  made.top->build = TopBuild::Laminated;
  const std::vector<Part> parts = breakDown(job).parts;
  int held = 0;
  for (const JointSet& set : jointSetsOf(job, parts))
    for (const joinery::Joint& joint : set.joints) {
      const PartRole a = set.boards[joint.contact.a].key.role;
      const PartRole b = set.boards[joint.contact.b].key.role;
      if (joinery::isOfTop(a) == joinery::isOfTop(b)) continue;
      EXPECT_FALSE(joint.glued) << "solid wood moves, and it comes off again";
      const PartRole under = joinery::isOfTop(a) ? b : a;
      EXPECT_EQ(joint.rests, under != PartRole::Top);
      for (const joinery::Means& means : joint.means) {
        ++held;
        EXPECT_EQ(means.length, mm(50));
      }
    }
  EXPECT_EQ(held, 1);
}

// A divider under two stretchers meets 100 of each: two pockets there, none into the air between.
TEST(Joinery, pocketsAreBoredWhereTheMateIs) {
  Carcass carcass = bare();
  carcass.joint = Joint::Pocket;
  carcass.top = TopConstruction::Stretchers;
  carcass.inside.content = Split{SplitBy::Dividers, {{}, {}}, {{}, {}}};
  const Job job = test::jobOf(carcass);
  const Breakdown out = breakDown(job);
  const Part& divider = test::partIn(out, "divider");
  std::vector<std::pair<Length, Length>> rows;
  for (const Machining& cut : divider.machining)
    if (cut.cut == MachiningKind::Pockets && cut.from == Edge::W2) {
      EXPECT_EQ(cut.holes, 2);
      rows.emplace_back(cut.v0, cut.v1);
    }
  ASSERT_EQ(rows.size(), 2U);
  EXPECT_LT(rows[0].second, mm(100));
  EXPECT_GT(rows[1].first, mm(454));
}

// Three layers of 1 000 × 300 glued over their faces: 2 × 0.3 m² at 180 ml.
TEST(Joinery, layersAreGluedOverTheirFaces) {
  LooseBoard board;
  board.name = "slab";
  board.material = "b18";
  board.length = mm(1'000);
  board.width = mm(300);
  board.layers = {BoardLayer{}, BoardLayer{}};
  EXPECT_EQ(countsOf(test::jobOf(Boards{{board}})), "wood glue: 108\n");
}

// An end of 8 by 12 against a face is too little to be looked for, unless it is said to be joined.
TEST(Joinery, whatIsSmallMeetsWhereItIsSaidTo) {
  Part side, low;
  side.length = side.width = Reason("size", mm(100));
  low.length = Reason("length", mm(50));
  low.width = Reason("width", mm(8));
  side.thickness = low.thickness = mm(12);
  const Pose stands{{mm(12), {}, {}}, kUp, kBackwards, kLeft};
  const Pose lies{{mm(12), mm(12), {}}, kRight, kUp, kForwards};
  const auto met = [&] {
    return joinery::contactsOf({{&side, {}, stands}, {&low, {}, lies}}).size();
  };
  low.poses = {lies};
  EXPECT_EQ(met(), 0U);
  low.joins = {{Edge::W2, JoinKind::Dado, "side"}};
  EXPECT_EQ(met(), 0U) << "the other end";
  low.joins[0].edge = Edge::W1;
  EXPECT_EQ(met(), 1U);
}

std::vector<Job> drawn() {
  std::vector<Job> out;
  for (const char* name : test::kDemos) out.push_back(readJob(name, test::demo(name)).value());
  return out;
}

void everyIntentIsMet(const Job& job) {
  const std::vector<Part> parts = breakDown(job).parts;
  for (const JointSet& set : jointSetsOf(job, parts))
    for (const std::string& what : joinery::unmet(set.boards)) RC_FAIL(what);
}

// No tip comes out, no fastener stands outside what meets.
void everyFastenerIsInside(const Job& job) {
  const std::vector<Part> parts = breakDown(job).parts;
  for (const JointSet& set : jointSetsOf(job, parts))
    for (const joinery::Joint& joint : set.joints) {
      RC_ASSERT(joint.rests == (!joint.glued && joint.means.empty()));
      const auto across = static_cast<std::size_t>(joint.contact.across);
      const Box a = set.boards[joint.contact.a].room(), b = set.boards[joint.contact.b].room();
      const Length deep =
          std::max(a.high[across], b.high[across]) - std::min(a.low[across], b.low[across]);
      for (const joinery::Means& means : joint.means) {
        RC_ASSERT(!means.at.empty());
        for (const Length at : means.at) RC_ASSERT(at >= Length{} && at <= joint.contact.length());
        // A worktop holds with all its layers.
        const auto isTop = [](const joinery::PlacedBoard& board) {
          return board.key.role >= PartRole::TopSheet && board.key.role <= PartRole::RightEdging;
        };
        const bool onTop = isTop(set.boards[joint.contact.a]) != isTop(set.boards[joint.contact.b]);
        const bool through = !onTop && (means.hold == Hold::Screw || means.hold == Hold::Brad);
        if (through && joint.kind != JointKind::Rabbet && joint.kind != JointKind::Mitre)
          RC_ASSERT(means.length < deep);
      }
    }
}

// What is bought is what the bench puts in.
void theBenchPutsInWhatIsBought(const Job& job) {
  const std::vector<Part> parts = breakDown(job).parts;
  std::map<std::pair<std::string, Length>, std::int64_t> bought, put;
  for (const JointSet& set : jointSetsOf(job, parts)) {
    if (groupOf(job, set.assembly) != nullptr || set.copies != 1) continue;
    for (const joinery::Joint& joint : set.joints) {
      const auto ofFront = [&](std::size_t board) {
        return isDrawerFront(set.boards[board].key.role);
      };
      if (ofFront(joint.contact.a) || ofFront(joint.contact.b)) continue;
      for (const joinery::Means& means : joint.means)
        bought[{joinery::holdName(means.hold), means.length}] += std::ssize(means.at);
    }
  }
  const std::vector<bench::Pieces> pieces = bench::piecesAtBench({}, {}, parts);
  for (const Assembly& assembly : job.assemblies) {
    if (assembly.copies != 1 || std::holds_alternative<CarcassGroup>(assembly.body)) continue;
    const auto bodies = bench::bodiesOf(pieces, assembly.code);
    const bench::Joints joints = bench::jointsOf(bodies, job.unit);
    for (const auto* all : {&joints.drawn, &joints.held})
      for (const bench::JointAt& joint : *all)
        if (!joint.fasteners.at.empty())
          put[{joint.fasteners.name, joint.fasteners.length}] += std::ssize(joint.fasteners.at);
  }
  for (const auto& [what, count] : bought)
    if (put[what] != count)
      RC_FAIL(fmt::format("{} {}: {} bought, {} put in", what.first, formatMm(what.second), count,
                          put[what]));
}

TEST(Joinery, theDemosAreWholeToo) {
  for (const Job& job : drawn()) {
    const std::vector<Part> parts = breakDown(job).parts;
    for (const JointSet& set : jointSetsOf(job, parts))
      EXPECT_EQ(joinery::unmet(set.boards), std::vector<std::string>{}) << job.name;
  }
}

RC_GTEST_PROP(JoineryAtRandom, whatACaseSaysIsJoinedMeets, ()) {
  const Job job = *test::buildableJob();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  everyIntentIsMet(job);
  everyFastenerIsInside(job);
  theBenchPutsInWhatIsBought(job);
}
RC_GTEST_PROP(JoineryAtRandom, andWhatEveryOtherKindSays, ()) {
  const Job job = *test::buildableKind();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  everyIntentIsMet(job);
  everyFastenerIsInside(job);
  theBenchPutsInWhatIsBought(job);
}
RC_GTEST_PROP(JoineryAtRandom, andARow, ()) {
  const Job job = *test::buildableGroup();
  RC_PRE(validate(job).empty() && breakDown(job).troubles.empty());
  everyIntentIsMet(job);
  everyFastenerIsInside(job);
}

}  // namespace
}  // namespace pp::joinery_test
