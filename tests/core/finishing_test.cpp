// Finishing: what of a part is coated and what stays bare, how much is mixed, and when each coat
// goes on, worked by hand.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <map>

#include "core/assembly/pages.h"
#include "core/breakdown/assign_ids.h"
#include "core/breakdown/fittings.h"
#include "core/breakdown/glued.h"
#include "tests/core/listed.h"
#include "tests/core/taken.h"

namespace pp::finishing_test {
namespace {

using bench::Coat;
using bench::Finished;
using bench::Finishings;
using bench::Pieces;
using test::mm;
using test::Taken;

constexpr std::int64_t kMorning = 8 * 60;
constexpr std::int64_t kDay = 24 * 60;

Area mm2(std::int64_t n) {
  return n * (mm(1) * mm(1));
}

// 600 by 400 by 18, a dado 18 wide and 6 deep across it inside, its lower end joined.
Part board() {
  Part part;
  part.code = "A-01";
  part.length = Reason("length", mm(600));
  part.width = Reason("width", mm(400));
  part.thickness = mm(18);
  part.finish = Finish::Clear;
  Machining dado;
  dado.cut = MachiningKind::Dado;
  dado.receives = "shelf";
  dado.face = Face::Inside;
  dado.u0 = mm(100);
  dado.u1 = mm(118);
  dado.v1 = mm(400);
  dado.depth = mm(6);
  part.machining = {dado};
  part.joins = {{Edge::W1, JoinKind::Butt, "bottom"}};
  return part;
}

TEST(FinishArea, leavesOutWhatIsGluedAndWhatIsHidden) {
  Part part = board();
  // Inside 600 x 400 less 18 x 400; edges 2 x 600 x 18 and the upper end.
  FinishArea area = finishArea(part);
  EXPECT_EQ(area.inside, mm2(232'800));
  EXPECT_EQ(area.outside, mm2(240'000));
  EXPECT_EQ(area.edges, mm2(2 * 10'800 + 7'200));
  EXPECT_EQ(area.bare, mm2(7'200 + 7'200));
  // Nothing sits in a slot that is a slot.
  part.machining[0].receives.clear();
  EXPECT_EQ(finishArea(part).inside, mm2(240'000));
  part = board();
  part.hidden[static_cast<std::size_t>(Face::Inside)] = true;
  area = finishArea(part);
  EXPECT_EQ(area.inside, Area{});
  EXPECT_EQ(area.bare, mm2(7'200)) << "nobody keeps the floor of a face bare that stays bare";
  // Past its end a dado takes nothing away.
  part = board();
  part.machining[0].u0 = mm(590);
  part.machining[0].u1 = mm(608);
  EXPECT_EQ(finishArea(part).inside, mm2(240'000 - 4'000));
}

// What each piece has less of a finish for what is glued to it, and keeps bare instead, in square
// millimetres: by role, inside, outside, edges.
using Less = std::map<PartRole, std::array<std::int64_t, 3>>;
Less lessFor(const Job& job) {
  const std::vector<Part> parts = breakDown(job).parts;
  const std::vector<FinishArea> glued = finishAreasOf(job, parts);
  Less out;
  for (std::size_t i = 0; i < parts.size(); ++i) {
    const FinishArea whole = finishArea(parts[i]);
    const auto in = [](Area area) {
      constexpr Int128 kNm2PerMm2 = 1'000'000'000'000;
      EXPECT_EQ(area.inNm2() % kNm2PerMm2, 0);
      return static_cast<std::int64_t>(area.inNm2() / kNm2PerMm2);
    };
    const std::array less{in(whole.inside - glued[i].inside), in(whole.outside - glued[i].outside),
                          in(whole.edges - glued[i].edges)};
    EXPECT_EQ(in(glued[i].bare - whole.bare), less[0] + less[1] + less[2]) << parts[i].name;
    if (less != std::array<std::int64_t, 3>{}) out[parts[i].role] = less;
  }
  return out;
}

// 600 × 720 × 560 of 18, butted, open behind: on either side two ends of 560 × 18 are glued, and
// one of the rail's, 100 × 18. A frame of 40 round it, on the edges: 720 × 18 of a side's, the same
// of a stile's back, and 22 × 18 twice where top and bottom go on behind it; of top and bottom 564
// × 18, and between the stiles 520 × 18 of a rail's back.
TEST(FinishArea, keepsBareWhatABoardOfAnotherIsGluedOn) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.joint = Joint::Butt;
  carcass.back.school = BackSchool::None;
  Less got = lessFor(test::jobOf(carcass));
  EXPECT_EQ(got[PartRole::LeftSide], (std::array<std::int64_t, 3>{21'960, 0, 0}));
  EXPECT_EQ(got[PartRole::RightSide], (std::array<std::int64_t, 3>{21'960, 0, 0}));
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  got = lessFor(test::jobOf(carcass));
  EXPECT_EQ(got[PartRole::LeftSide][2], 12'960);
  EXPECT_EQ(got[PartRole::Top][2], 10'152);
  EXPECT_EQ(got[PartRole::FrameLeftStile], (std::array<std::int64_t, 3>{12'960 + 792, 0, 0}));
  EXPECT_EQ(got[PartRole::FrameUpperRail], (std::array<std::int64_t, 3>{9'360, 0, 0}));
}

// Three layers of 1 000 × 300: of the upper and the lower one face each, of the middle one both.
TEST(FinishArea, ofLayersIsWhatIsSeenWhenTheyAreGlued) {
  LooseBoard board;
  board.name = "slab";
  board.material = "b18";
  board.length = mm(1'000);
  board.width = mm(300);
  board.layers = {BoardLayer{}, BoardLayer{}};
  const Job job = test::jobOf(Boards{{board}});
  const std::vector<Part> parts = breakDown(job).parts;
  Area faces;
  const std::vector<FinishArea> each = finishAreasOf(job, parts);
  for (std::size_t i = 0; i < parts.size(); ++i)
    faces += parts[i].quantity * (each[i].inside + each[i].outside);
  EXPECT_EQ(faces, mm2(2 * 300'000));
}

// Two faces with a finish each are two groups.
TEST(Finishing, aFaceWithAFinishOfItsOwnIsInItsOwnGroup) {
  Part part = board();
  part.finishOutside = Finish::Painted;
  const std::vector<Finished> groups = bench::finished({{part, {1, 2}}}, {});
  ASSERT_EQ(groups.size(), 2U);
  EXPECT_EQ(groups[0].finish, Finish::Clear);
  // Two pieces of 232 800 + 28 800 and of 240 000 square millimetres.
  EXPECT_EQ(groups[0].cm2, 5'232);
  EXPECT_EQ(groups[0].bare, 288);
  EXPECT_TRUE(groups[0].rows[0].inside && groups[0].rows[0].edges);
  EXPECT_FALSE(groups[0].rows[0].outside);
  EXPECT_EQ(groups[1].finish, Finish::Painted);
  EXPECT_EQ(groups[1].cm2, 4'800);
  EXPECT_EQ(groups[1].bare, 0);
  part.finish = Finish::None;
  EXPECT_EQ(bench::finished({{part, {1}}}, {}).size(), 1U);
}

ShopFinish varnish() {
  FinishProduct sealer;
  sealer.name = "sealer";
  sealer.grit = 180;
  sealer.drying = 120;
  sealer.thinning = 20;
  sealer.coverage = 11;
  sealer.loss = 10;
  sealer.minutes = 6;
  sealer.haveMillilitres = 600;
  FinishProduct hard;
  hard.name = "hard varnish";
  hard.coats = 2;
  hard.grit = 240;
  hard.drying = 480;
  hard.coverage = 12;
  hard.loss = 10;
  hard.minutes = 7;
  hard.canMillilitres = 2'500;
  return {1, "clear varnish", {sealer, hard}};
}

Finished group(Finish finish, std::int64_t squareMetres) {
  Finished out;
  out.finish = finish;
  out.cm2 = squareMetres * 10'000;
  return out;
}

// 30 square metres. Sealer 30 x 6 = 180 minutes, dry two hours later at 13:00; varnish 210 minutes
// till 16:30, dry after 8 hours, in the night; the last from 8:00 to 11:30 of the second day, dry
// at 19:30.
TEST(Finishing, isSpreadOverTwoDays) {
  const auto coats = bench::coats({group(Finish::Clear, 30)}, {varnish()}, kMorning);
  ASSERT_EQ(coats.size(), 3U);
  const std::int64_t times[3][3] = {
      {480, 660, 780}, {780, 990, 1'470}, {kDay + 480, kDay + 690, kDay + 1'170}};
  for (std::size_t i = 0; i < 3; ++i) {
    EXPECT_EQ(coats[i].begin, times[i][0]) << i;
    EXPECT_EQ(coats[i].end, times[i][1]) << i;
    EXPECT_EQ(coats[i].dry, times[i][2]) << i;
    EXPECT_EQ(coats[i].coat, static_cast<std::int64_t>(i) + 1);
    EXPECT_EQ(coats[i].of, 3);
  }
  EXPECT_EQ(coats[0].product.grit, 180);
  // 300 000 cm2 at 11 m2 a litre, a tenth lost, four fifths of the mix: 2 424.2 ml, and a quarter
  // of that thinner; varnish 300 000 / (12 x 10 x 0.9).
  EXPECT_EQ(coats[0].millilitres, 2'425);
  EXPECT_EQ(coats[0].thinner, 607);
  EXPECT_EQ(coats[1].millilitres, 2'778);
  EXPECT_EQ(coats[1].thinner, 0);
  const auto cans = bench::cansFor(coats);
  ASSERT_EQ(cans.size(), 2U);
  EXPECT_EQ(cans[0], (bench::Can{"sealer", 2'425, 600, 2}));
  EXPECT_EQ(cans[1], (bench::Can{"hard varnish", 5'556, 0, 3}));
}

// While one finish dries the other goes on.
TEST(Finishing, onePairOfHandsGoesFromOneFinishToTheOther) {
  FinishProduct paint;
  paint.name = "paint";
  paint.coats = 2;
  paint.drying = 60;
  paint.minutes = 10;
  const auto coats = bench::coats({group(Finish::Clear, 10), group(Finish::Painted, 6)},
                                  {varnish(), {2, "painted", {paint}}}, kMorning);
  ASSERT_EQ(coats.size(), 5U);
  // Sealer 8:00 to 9:00; paint 9:00 to 10:00, dry 11:00 as the sealer is: the first group first,
  // 11:00 to 12:10; then paint to 13:10; the last varnish at 20:10 waits for the morning.
  const std::pair<std::size_t, std::int64_t> wanted[] = {
      {0, 480}, {1, 540}, {0, 660}, {1, 730}, {0, kDay + 480}};
  for (std::size_t i = 0; i < coats.size(); ++i) {
    EXPECT_EQ(coats[i].group, wanted[i].first) << i;
    EXPECT_EQ(coats[i].begin, wanted[i].second) << i;
  }
}

TEST(Finishing, whatIsNotDoneByTheEveningWaitsForTheMorning) {
  FinishProduct oil;
  oil.name = "oil";
  oil.minutes = 10;
  const std::vector<ShopFinish> shop = {{1, "clear oil", {oil}}};
  const auto begin = [&](std::int64_t metres, std::int64_t start) {
    return bench::coats({group(Finish::Clear, metres)}, shop, start).at(0).begin;
  };
  EXPECT_EQ(begin(6, 16 * 60), 16 * 60) << "done at 17:00";
  EXPECT_EQ(begin(6, 16 * 60 + 1), kDay + kMorning);
  EXPECT_EQ(begin(6, 3 * 60), kMorning);
  EXPECT_EQ(begin(60, kMorning), kMorning) << "no day is long enough: it begins with one";
  EXPECT_EQ(begin(60, kMorning + 1), kDay + kMorning);
}

TEST(Finishing, aFinishTheShopDoesNotKnowIsOneCoatWithoutATime) {
  const auto coats = bench::coats({group(Finish::Stained, 3)}, {varnish()}, kMorning);
  ASSERT_EQ(coats.size(), 1U);
  EXPECT_TRUE(coats[0].product.name.empty());
  EXPECT_EQ(coats[0].millilitres, 0);
  EXPECT_TRUE(bench::cansFor(coats).empty());
}

TEST(Finishing, thinnerIsAPartOfTheTwoTogether) {
  EXPECT_EQ(bench::thinnerFor(800, 20), 200);
  EXPECT_EQ(bench::thinnerFor(801, 20), 201) << "up";
  EXPECT_EQ(bench::thinnerFor(500, 50), 500);
  EXPECT_EQ(bench::thinnerFor(500, 0), 0);
  EXPECT_EQ(bench::thinnerFor(500, 100), 0) << "all thinner is no mix";
}

// The whole log wall, sprayed: 41.4 square metres clear and 3.67 painted. Sealer 2 minutes a metre,
// 8:00 to 9:23; the paint meanwhile, 9:23 to 9:38; varnish 3 minutes a metre when the sealer is
// dry, 11:23 to 13:28; paint again when it is dry, to 13:53; the last varnish on the next morning,
// dry at 14:05.
TEST(Finishing, ofTheLogWallIsDryOnTheSecondDay) {
  const Job job = readJob("log wall", test::demo("log-wall")).value();
  const std::vector<Part> parts = breakDown(job).parts;
  ShopFinish clear = varnish();
  clear.products[0].minutes = 2;
  clear.products[1].minutes = 3;
  clear.products[1].drying = 240;
  FinishProduct satin;
  satin.name = "satin paint";
  satin.coats = 2;
  satin.minutes = 4;
  satin.drying = 240;
  const Finishings of(bench::piecesAtBench({}, {}, parts), job, {clear, {2, "painted", {satin}}});
  ASSERT_EQ(of.groups.size(), 2U);
  EXPECT_EQ(of.groups[0].cm2, 414'399);
  EXPECT_EQ(of.groups[1].cm2, 36'715);
  const std::int64_t times[][4] = {{0, 480, 563, 683},
                                   {1, 563, 578, 818},
                                   {0, 683, 808, 1'048},
                                   {1, 818, 833, 1'073},
                                   {0, kDay + 480, kDay + 605, kDay + 845}};
  ASSERT_EQ(of.coats.size(), std::size(times));
  for (std::size_t i = 0; i < std::size(times); ++i) {
    const Coat& coat = of.coats[i];
    EXPECT_EQ((std::vector<std::int64_t>{static_cast<std::int64_t>(coat.group), coat.begin,
                                         coat.end, coat.dry}),
              (std::vector<std::int64_t>(times[i], times[i] + 4)))
        << i;
  }
  // What is bought for it is what its coats take.
  EXPECT_EQ(finishAreas(job, parts), (std::vector<std::pair<Finish, std::int64_t>>{
                                         {Finish::Clear, 414'399}, {Finish::Painted, 36'715}}));
  // A door of 656 by 467: both faces and four edges of 17.8, the lipping finished with it.
  for (const Finished::Row& row : of.groups[1].rows)
    if (of.list.pieces()[row.row].part.role == PartRole::LeftDoor) {
      EXPECT_EQ(row.area.inside, mm2(656 * 467));
      EXPECT_EQ(row.area.edges, 2 * ((mm(656) + mm(467)) * Length::um(17'800)));
    }
}

TEST(Finishing, aCoatIsGivenToAPieceAfterTheOther) {
  Taken taken;
  taken.cutAll();
  std::vector<Pieces> pieces =
      bench::piecesAtBench(taken.record.cuttings, taken.now(), taken.drawn);
  for (Pieces& one : pieces) one.part.finish = Finish::Clear;
  const Finishings of(pieces, {}, {varnish()});
  ASSERT_EQ(of.list.groups().size(), 3U);
  const auto each = of.list.done(taken.now(), 0).of;
  EXPECT_EQ(of.list.ready(taken.now()), 3 * each);
  for (const std::size_t i : of.list.readyAt(0, taken.now())) {
    const Event made = of.list.done(of.list.steps()[i]);
    EXPECT_EQ(made.kind, EventKind::CoatGiven);
    Event& event = taken.note(made.kind, 0);
    event.piece = made.piece;
    event.name = made.name;
  }
  EXPECT_EQ(taken.ignored(), "");
  EXPECT_EQ(of.list.done(taken.now(), 0).done, each);
  EXPECT_EQ(of.list.done(taken.now(), 1).done, 0) << "the next coat is another";
}

// Nobody is at two coats at once, none goes on before the last is dry, and nobody works at night.
RC_GTEST_PROP(Finishing, everyCoatHasItsTime, ()) {
  std::vector<ShopFinish> shop;
  for (const char* name : {"clear", "painted", "stained"}) {
    ShopFinish& finish = shop.emplace_back();
    finish.name = name;
    for (int i = *rc::gen::inRange(1, 4); i > 0; --i) {
      FinishProduct& product = finish.products.emplace_back();
      product.name = std::string(name) + std::to_string(i);
      product.coats = *rc::gen::inRange(1, 4);
      product.drying = *rc::gen::inRange(0, 1'500);
      product.minutes = *rc::gen::inRange(0, 30);
    }
  }
  std::vector<Finished> groups;
  for (const Finish finish : {Finish::Clear, Finish::Painted, Finish::Stained})
    groups.push_back(group(finish, *rc::gen::inRange(1, 60)));
  const bench::Hours hours;
  const auto coats = bench::coats(groups, shop, *rc::gen::inRange(0, 3'000));
  std::size_t wanted = 0;
  for (const ShopFinish& finish : shop)
    for (const FinishProduct& product : finish.products)
      wanted += static_cast<std::size_t>(product.coats);
  RC_ASSERT(coats.size() == wanted);
  std::int64_t free = 0;
  std::vector<std::int64_t> dry(groups.size(), 0), coat(groups.size(), 0);
  for (const Coat& one : coats) {
    RC_ASSERT(one.begin >= free);
    RC_ASSERT(one.begin >= dry[one.group]);
    RC_ASSERT(one.coat == ++coat[one.group]);
    RC_ASSERT(one.dry == one.end + one.product.drying);
    RC_ASSERT(one.begin % kDay >= hours.from);
    const std::int64_t takes = one.end - one.begin;
    RC_ASSERT(one.begin % kDay + takes <= hours.to || one.begin % kDay == hours.from);
    free = one.end;
    dry[one.group] = one.dry;
  }
}

}  // namespace
}  // namespace pp::finishing_test
