// Benches, bases, platforms, rings and what hangs on a wall: all that the plain ones do not have,
// against cases worked by hand.
#include <gtest/gtest.h>

#include <algorithm>

#include "core/breakdown/mirror.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/carcass/front.h"
#include "core/kinds/seat_box/rules.h"
#include "core/kinds/validate.h"
#include "tests/core/bodies.h"
#include "tests/core/listed.h"

namespace pp::furniture_test {
namespace {

using test::inchJobOf;
using test::jobOf;
using test::listOf;
using test::missing;
using test::mm;
using test::partIn;

Length in(int whole, int part = 0, int of = 1) {
  return Length::in(whole, part, of);
}

void expectFits(const Job& job) {
  EXPECT_EQ(test::clashes(breakDown(job)), "");
}

TEST(BaseFrames, standOnLegs) {
  using Pieces = std::vector<std::int64_t>;
  EXPECT_EQ(leggedPieces(4, mm(1'800), mm(1'200)), (Pieces{0, 1, 3}));
  EXPECT_EQ(leggedPieces(4, mm(1'200), mm(1'200)), (Pieces{0, 3}));
  EXPECT_EQ(leggedPieces(3, mm(9'000), mm(1'200)), (Pieces{0, 1, 2})) << "no more than pieces";
  BaseFrame frame;
  frame.material = "b18";
  frame.legs = mm(40);
  // 1 782 between the outer pieces: three spaces; legs at the first, second and fourth.
  EXPECT_EQ(missing(listOf(jobOf(frame)), {"base rail x2 1800 x 60", "base cross piece x4 464 x 60",
                                           "base leg x6 100 x 60"}),
            "");
  expectFits(jobOf(frame));
  frame.legs = mm(100);
  EXPECT_EQ(listOf(jobOf(frame)), "trouble: base frame\n");
  frame.legs = mm(40);
  frame.legWidth = mm(300);
  EXPECT_EQ(listOf(jobOf(frame)), "trouble: base frame\n") << "two do not go into a bay";
  BaseFrame inches;
  inches.material = "b18";
  inches.width = in(72);
  inches.depth = in(20);
  inches.height = in(4);
  inches.crossEvery = in(24);
  inches.legs = in(1, 1, 2);
  inches.legWidth = in(2);
  inches.legEvery = in(48);
  EXPECT_EQ(missing(listOf(inchJobOf(inches)),
                    {"base rail x2 72 x 2 1/2", "base cross piece x4 18 9/16 x 2 1/2",
                     "base leg x6 4 x 2"}),
            "");
}

TEST(Platforms, slatsAtEqualGaps) {
  Platform platform;
  platform.material = "b18";
  platform.slats = 8;
  // 1 000 - 8 x 90 = 280, in seven gaps of 40.
  EXPECT_EQ(listOf(jobOf(platform)),
            "box side x4 1000 x 282\nbox front or back x4 964 x 282\nslat x16 1000 x 90\n");
  std::vector<double> y;
  const Breakdown slatted = breakDown(jobOf(platform));
  for (const Pose& pose : partIn(slatted, "slat").poses) y.push_back(pose.origin[1].inMm());
  EXPECT_NEAR(y[1] - y[0], 130, 1e-6);
  EXPECT_NEAR(y[7], 910, 1e-6) << "the last is flush with the rear";
  expectFits(jobOf(platform));
  platform.slats = 12;
  EXPECT_EQ(listOf(jobOf(platform)), "trouble: slats\n") << "1 080 on 1 000";
  platform.slats = 1;
  EXPECT_EQ(validate(jobOf(platform))[0].field, "/assemblies/0/platform/slats");
}

TEST(Platforms, endsInDados) {
  Platform platform;
  platform.material = "b18";
  platform.joint = Joint::Dado;
  const Job job = jobOf(platform);
  // 1 000 - 36 + 12
  EXPECT_EQ(missing(listOf(job), {"box front or back x4 976 x 282"}), "");
  const Breakdown out = breakDown(job);
  const Part& side = partIn(out, "box side");
  ASSERT_EQ(side.machining.size(), 2U);
  EXPECT_EQ(side.machining[0].cut, MachiningKind::Rabbet);
  EXPECT_EQ(side.machining[1].u0, mm(982));
  EXPECT_EQ(side.machining[1].depth, mm(6));
  expectFits(job);
  platform.joint = Joint::LooseTenon;
  const Breakdown tenons = breakDown(jobOf(platform));
  EXPECT_EQ(partIn(tenons, "box front or back").machining.size(), 2U);
  platform.joint = Joint::Dado;
  platform.dadoDepth = mm(18);
  EXPECT_EQ(listOf(jobOf(platform)), "trouble: platform\n");
  Platform inches;
  inches.material = "b18";
  inches.width = in(72);
  inches.depth = in(36);
  inches.height = in(12);
  inches.joint = Joint::Dado;
  inches.dadoDepth = in(0, 1, 4);
  inches.slats = 6;
  inches.slat = in(4);
  EXPECT_EQ(missing(listOf(inchJobOf(inches)),
                    {"box front or back x4 35 1/16 x 11 9/32", "slat x12 36 x 4"}),
            "");
}

TEST(Rings, tenonsAreCountedInEveryJoint) {
  Ring ring;
  ring.material = "b18";
  ring.width = mm(90);
  ring.joint = Joint::LooseTenon;
  ring.perJoint = 3;
  const Breakdown out = breakDown(jobOf(ring));
  std::vector<Machining> rows;
  for (const Machining& cut : out.parts[0].machining)
    if (cut.cut == MachiningKind::Mortises) rows.push_back(cut);
  ASSERT_EQ(rows.size(), 2U);
  EXPECT_EQ(rows[0].holes, 3);
  EXPECT_EQ(rows[0].v0, mm(15));
  EXPECT_EQ(rows[0].pitch, mm(30));
  EXPECT_EQ(rows[0].v1, mm(75));
  EXPECT_EQ(rows[1].u0, mm(200));
  ring.joint = Joint::Pocket;
  EXPECT_EQ(validate(jobOf(ring))[0].field, "/assemblies/0/ring/joint");
}

TEST(WallPanels, supportsBetweenTheRows) {
  WallPanel panel;
  panel.material = panel.cleatMaterial = "b18";
  panel.support = mm(60);
  // 600 less a spacer of 40 and two pairs of 142 leaves twice 138.
  EXPECT_EQ(missing(listOf(jobOf(panel)), {"panel support x2 1100 x 60"}), "");
  EXPECT_NEAR(partIn(breakDown(jobOf(panel)), "panel support").poses[0].origin[2].inMm(), 359,
              1e-6);
  expectFits(jobOf(panel));
  panel.support = mm(140);
  EXPECT_EQ(listOf(jobOf(panel)), "trouble: supports\n");
}

TEST(HungShelves, bracesHideTheStrips) {
  HungShelf shelf;
  shelf.material = shelf.cleatMaterial = "b18";
  // 900 - 120 - 36 between the braces.
  EXPECT_EQ(listOf(jobOf(shelf)),
            "hung shelf x1 900 x 250\nleft brace x1 220 x 250\nright brace x1 220 x 250\n"
            "cleat x2 744 x 70\nwall spacer x1 744 x 35\n");
  expectFits(jobOf(shelf));
  const Breakdown out = breakDown(jobOf(shelf));
  const Part& brace = partIn(out, "left brace");
  ASSERT_EQ(brace.machining.size(), 1U);
  EXPECT_EQ(brace.machining[0].v0, mm(60));
  EXPECT_EQ(brace.machining[0].v1, mm(250));
  // Twice 70 less 18, and a spacer of 35: 157 under the shelf.
  shelf.brace = mm(156);
  EXPECT_EQ(listOf(jobOf(shelf)), "trouble: brace\n");
  shelf.brace = mm(157);
  EXPECT_EQ(missing(listOf(jobOf(shelf)), {"cleat x2 744 x 70"}), "");
  expectFits(jobOf(shelf));
  shelf.braceFoot = mm(18);
  EXPECT_EQ(listOf(jobOf(shelf)), "trouble: brace\n") << "the strips would show";
  HungShelf inches;
  inches.material = inches.cleatMaterial = "b18";
  inches.width = in(36);
  inches.depth = in(10);
  inches.brace = in(9);
  inches.braceFoot = in(2);
  inches.setIn = in(2);
  inches.cleatHeight = in(3);
  EXPECT_EQ(missing(listOf(inchJobOf(inches)), {"hung shelf x1 36 x 10", "cleat x2 30 9/16 x 3",
                                                "wall spacer x1 30 9/16 x 1 1/2"}),
            "");
}

SeatBox bench() {
  SeatBox out;
  out.material = "b18";
  out.backHeight = Length{};
  return out;
}

TEST(SeatBoxes, frontOverAToe) {
  SeatBox seat = bench();
  seat.toe = Toe{mm(80), mm(60)};
  const Job job = jobOf(seat);
  // Under lids of 18: 432 high; less the toe 352; divider less the bottom too.
  EXPECT_EQ(missing(listOf(job),
                    {"front x1 1464 x 352", "kick board x1 1464 x 80", "bottom x1 1464 x 414",
                     "divider x1 414 x 334", "left end x1 450 x 432"}),
            "");
  EXPECT_EQ(partIn(breakDown(job), "left end").machining.size(), 1U) << "notched for the toe";
  expectFits(job);
}

// Dados of 6: all that stands between the ends is 12 longer, and the ends are left and right.
TEST(SeatBoxes, panelsInDados) {
  SeatBox seat = bench();
  seat.joint = Joint::Dado;
  seat.toe = Toe{mm(80), mm(60)};
  const Job job = jobOf(seat);
  EXPECT_EQ(missing(listOf(job), {"front x1 1476 x 352", "rear panel x1 1476 x 432",
                                  "kick board x1 1476 x 80", "bottom x1 1476 x 414"}),
            "");
  const Breakdown out = breakDown(job);
  const Part& end = partIn(out, "left end");
  EXPECT_EQ(end.hand, Hand::Left);
  // The toe's notch; rabbets for front and rear, a dado for the kick board, a groove for the
  // bottom.
  ASSERT_EQ(end.machining.size(), 5U);
  EXPECT_EQ(end.machining[1].v0, mm(80));
  EXPECT_EQ(end.machining[2].u0, mm(432));
  EXPECT_EQ(end.machining[3].u0, mm(60));
  EXPECT_EQ(end.machining[4].v0, mm(80));
  expectFits(job);
}

TEST(SeatBoxes, hatchesInAFrame) {
  SeatBox seat = bench();
  seat.seat = SeatTop::Hatches;
  const Job job = jobOf(seat);
  // (1 500 - 3 x 70) / 2 = 645 by 450 + 20 - 70 - 80 = 320; uprights at 0, 741 and 1 482.
  EXPECT_EQ(
      missing(listOf(job), {"front rail of the seat x1 1500 x 70", "seat frame side x3 320 x 70",
                            "hatch x2 639 x 314", "hatch ledge x4 723 x 30"}),
      "");
  expectFits(job);
  seat.hatchFrame = mm(52);
  EXPECT_EQ(listOf(jobOf(seat)), "trouble: hatch frame\n") << "18 + 20 + 15 is 53";
  SeatBox inches = bench();
  inches.seat = SeatTop::Hatches;
  inches.width = in(60);
  inches.depth = in(18);
  inches.height = in(18);
  inches.hatchFrame = in(3);
  inches.hingeRail = in(3, 1, 2);
  inches.lidGap = in(0, 1, 8);
  inches.overFront = in(0, 3, 4);
  inches.ledge = in(0, 1, 2);
  // (60 - 9) / 2 = 25 1/2 by 18 3/4 - 6 1/2 = 12 1/4
  EXPECT_EQ(
      missing(listOf(inchJobOf(inches)), {"hatch x2 25 1/4 x 12", "seat frame side x3 12 1/4 x 3"}),
      "");
}

TEST(SeatBoxes, storageBehindTheBack) {
  SeatBox seat = bench();
  seat.backHeight = mm(400);
  seat.hingeRail = mm(190);
  seat.depth = mm(500);
  seat.storage = 1;
  // Half way up, its upper face at 218: 40 + 182 x 0.176326981 deep, 741 - 18 between brackets.
  EXPECT_EQ(storageDepth(seat, mm(218)).total(), mm(72.09151));
  EXPECT_EQ(missing(listOf(jobOf(seat)), {"storage shelf x2 723 x 72.1▾"}), "");
  expectFits(jobOf(seat));
}

TEST(SeatBoxes, inSectionsThatCanBeCarried) {
  SeatBox seat = bench();
  seat.longest = mm(800);
  const Job job = jobOf(seat);
  // Two of 750, a lid each, half a gap from its neighbour.
  EXPECT_EQ(missing(listOf(job), {"left end x2 450 x 432", "lid x2 748.5 x 387",
                                  "hinge rail x2 750 x 80", "front x2 714 x 432"}),
            "");
  expectFits(job);
  seat.lids = 3;
  EXPECT_EQ(missing(listOf(jobOf(seat)), {"lid x4 372.8▾ x 387"}), "") << "two each";
}

TEST(SeatBoxes, keepsClearOfAMouldingButItsSeatDoesNot) {
  SeatBox seat = bench();
  seat.clearLeft = mm(20);
  const Job job = jobOf(seat);
  EXPECT_EQ(missing(listOf(job),
                    {"front x1 1444 x 432", "hinge rail x1 1500 x 80", "lid x2 748.5 x 387"}),
            "");
  expectFits(job);
}

TEST(SeatBoxes, postsInTheCorners) {
  SeatBox seat = bench();
  seat.postMaterial = "b12";
  const Job job = jobOf(seat);
  EXPECT_EQ(missing(listOf(job), {"corner post x4 414 x 45"}), "");
  expectFits(job);
  seat.seat = SeatTop::Hatches;
  EXPECT_EQ(missing(listOf(jobOf(seat)), {"corner post x4 396 x 45"}), "") << "under the ledges";
  expectFits(jobOf(seat));
}

TEST(SeatBoxes, twoAtARightAngle) {
  for (const bool right : {true, false}) {
    SeatBox seat = bench();
    seat.turn = right ? SeatReturn::Right : SeatReturn::Left;
    seat.backHeight = mm(300);
    seat.hingeRail = mm(170);
    const Job job = jobOf(seat);
    EXPECT_EQ(missing(listOf(job), {"lid x2 598.5 x 297", "lid x2 748.5 x 297"}), "");
    expectFits(job);
    double y = 0, low = 1e9, high = -1e9;
    for (const test::Body& body : test::bodiesOf(breakDown(job))) {
      y = std::min(y, body.low.y);
      if (body.low.y < -30) {  // of the second bench
        low = std::min(low, body.low.x);
        high = std::max(high, body.high.x);
      }
    }
    // Clear of the first one's lids by a gap: 20 + 3 + 1 200; its own hang over by 20.
    EXPECT_NEAR(y, -1'223, 1e-6);
    EXPECT_NEAR(low, right ? 1'030 : 0, 1e-6);
    EXPECT_NEAR(high, right ? 1'500 : 470, 1e-6);
  }
}

TEST(SeatBoxes, hingesOfALid) {
  SeatBox seat = bench();
  const LengthStyle style = styleOf(jobOf(seat));
  EXPECT_EQ(lidHinges(seat.hinge, mm(748.5), style), "3 butt hinges");
  EXPECT_EQ(lidHinges(seat.hinge, mm(600), style), "2 butt hinges");
  seat.hinge = LidHinge::Continuous;
  EXPECT_EQ(lidHinges(seat.hinge, mm(748.5), style), "continuous hinge 748.5 mm long, 20 screws");
  seat.knuckle = mm(8);
  EXPECT_EQ(lidDepth(seat).total(), mm(382));  // 450 + 20 - 80 - 8
}

// 564 × 684 clear, gaps of 2: a lid of 560 × 680, lower by what the knuckle takes, and no cups.
TEST(Lids, onAContinuousHinge) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.door = Door{Hinge::Top};
  Breakdown out = breakDown(jobOf(carcass));
  const auto cups = [&out] {
    const Part& lid = partIn(out, "lid");
    return std::any_of(lid.machining.begin(), lid.machining.end(),
                       [](const Machining& cut) { return cut.cut == MachiningKind::HingeCup; });
  };
  const auto upright = [&out] {
    const Part& lid = partIn(out, "lid");
    return lid.poses[0].place(lid.board());
  };
  EXPECT_TRUE(cups());
  const Length top = upright().high[2];
  carcass.fronts.lidHinge = LidHinge::Continuous;
  carcass.fronts.knuckle = mm(5);
  out = breakDown(jobOf(carcass));
  EXPECT_FALSE(cups());
  EXPECT_EQ(upright().high[2], top - mm(5));
  EXPECT_EQ(partIn(out, "lid").note, "continuous hinge 560 mm long, 16 screws");
  carcass.inside.door = Door{Hinge::Bottom};
  out = breakDown(jobOf(carcass));
  EXPECT_EQ(upright().high[2], top) << "a flap turns at its foot";
  EXPECT_EQ(upright().low[2], mm(18 + 2 + 5));
}

// A pair of 279 × 680, 2 apart: a run of two, or one board of 560.
TEST(Pairs, fromOneStripOrOneBoard) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.door = Door{Hinge::Pair};
  carcass.inside.door->cut = FrontsCut::Run;
  const auto doors = [&carcass] {
    std::vector<Part> out;
    for (const Part& part : breakDown(jobOf(carcass)).parts)
      if (part.role == PartRole::LeftDoor || part.role == PartRole::RightDoor) out.push_back(part);
    return out;
  };
  std::vector<Part> pair = doors();
  ASSERT_EQ(pair.size(), 2U);
  EXPECT_EQ(pair[0].run, "K-fronts");
  EXPECT_EQ(pair[1].runOrder, 2);
  EXPECT_EQ(pair[1].series, RunSeries::Width);
  carcass.inside.door->cut = FrontsCut::OneBoard;
  pair = doors();
  ASSERT_EQ(pair.size(), 1U);
  EXPECT_EQ(pair[0].length.total(), mm(680));
  EXPECT_EQ(pair[0].width.total(), mm(560));
  EXPECT_EQ(pair[0].note, "cut apart when fitted, from the left: 2 mm after 279 mm");
}

// What was chosen for the left end is the right one's in the mirror, its rear edge still the rear
// one.
TEST(Mirror, choicesChangeSides) {
  SeatBox seat = bench();
  seat.turn = SeatReturn::Left;
  seat.clearLeft = mm(20);
  Job job = jobOf(seat);
  PartOverride chosen = test::byHand("thicker paint");
  chosen.part = partIn(breakDown(job), "left end").keys.front();
  chosen.finishInside = Finish::Painted;
  chosen.features.emplace_back();
  chosen.features[0].along = mm(60);
  chosen.features[0].across = mm(100);
  chosen.features[0].size = mm(30);
  chosen.features[0].depth = mm(5);
  job.overrides = {chosen};
  ASSERT_TRUE(breakDown(job).troubles.empty());
  mirrorAssembly(job, 0);
  const auto& turned = std::get<SeatBox>(job.assemblies[0].body);
  EXPECT_EQ(turned.turn, SeatReturn::Right);
  EXPECT_EQ(turned.clearRight, mm(20));
  EXPECT_EQ(turned.clearLeft, Length{});
  EXPECT_EQ(job.overrides[0].part.role, PartRole::RightEnd);
  const Breakdown out = breakDown(job);
  const Part& end = partIn(out, "right end");
  EXPECT_EQ(end.finish, Finish::Painted);
  ASSERT_EQ(end.machining.size(), 1U);
  EXPECT_EQ(end.machining[0].u0, mm(60)) << "as far from the front";
  EXPECT_EQ(end.machining[0].face, Face::Inside);
}

TEST(Mirror, boardsChangeHands) {
  Boards boards;
  LooseBoard board;
  board.name = "bracket";
  board.material = "b18";
  board.length = mm(300);
  board.width = mm(100);
  Feature blind;
  blind.along = blind.across = mm(40);
  blind.size = mm(8);
  blind.depth = mm(10);
  board.features = {blind};
  boards.boards = {board, board};
  boards.boards[1].hand = BoardHand::Left;
  Job job = jobOf(boards);
  mirrorAssembly(job, 0);
  const auto& turned = std::get<Boards>(job.assemblies[0].body).boards;
  EXPECT_EQ(turned[0].features[0].face, Face::Outside)
      << "what has no hand is cut into the other face";
  EXPECT_EQ(turned[1].hand, BoardHand::Right);
  EXPECT_EQ(turned[1].features[0].face, Face::Inside) << "said of the left one";
}

}  // namespace
}  // namespace pp::furniture_test
