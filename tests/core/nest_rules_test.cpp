// The rules of the nesting beyond plain parts: pins, lots, mitred runs, going on, changes by hand,
// planning anew, and what would nearly do.
#include <gtest/gtest.h>

#include <algorithm>
#include <chrono>
#include <set>
#include <thread>

#include "core/breakdown/breakdown.h"
#include "core/formats/job_json.h"
#include "core/formats/plan_json.h"
#include "core/nest/changes/by_hand.h"
#include "core/nest/changes/nearly.h"
#include "core/nest/changes/replan.h"
#include "core/nest/goals/kept.h"
#include "core/saw/playback.h"
#include "tests/core/nest_support.h"
#include "tests/core/support.h"

namespace pp::nest_rules_test {
namespace {

using test::demand;
using test::steps;
using test::supply;

NestRequest logWall() {
  const Job job = readJob("log-wall", test::demo("log-wall")).value();
  return requestOf(job, breakDown(job).parts);
}

NestRequest small() {
  NestRequest request;
  request.kerf = Length::mm(3);
  request.stock = {supply("S", 1000, 600, {}, 20), supply("T", 1000, 600, 2, 25)};
  request.parts = {demand("A", Length::mm(480), Length::mm(280), 6),
                   demand("B", Length::mm(300), Length::mm(200), 3)};
  return request;
}

std::set<std::string> stockOf(const NestRequest& request, const Plan& plan, std::size_t part) {
  std::set<std::string> out;
  for (const PlannedSheet& sheet : plan.sheets)
    for (const Placement& p : sheet.placements)
      if (p.part == part) out.insert(request.stock[sheet.stock].id);
  return out;
}

TEST(Pins, aPartStaysOnTheStockItIsPinnedTo) {
  NestRequest request = small();
  Pin pin;
  pin.part = 1;
  pin.copies = 3;
  pin.stock = 1;
  request.pins = {pin};
  const Plan plan = nest::nest(request, steps(300));
  EXPECT_TRUE(plan.complete());
  EXPECT_EQ(stockOf(request, plan, 1), std::set<std::string>{"T"});
  EXPECT_TRUE(saw::verify(request, plan).empty());
}

TEST(Pins, aPlaceIsKeptToTheNanometre) {
  NestRequest request = small();
  Pin pin;
  pin.part = 0;
  pin.stock = 0;
  pin.place = Pin::Place{Length::mm(211), Length::um(97'300), true};
  request.pins = {pin};
  const Plan plan = nest::nest(request, steps(300));
  ASSERT_TRUE(plan.complete());
  bool there = false;
  for (const PlannedSheet& sheet : plan.sheets)
    for (const Placement& p : sheet.placements)
      there = there || (p.part == 0 && p.x == Length::mm(211) && p.y == Length::um(97'300) &&
                        p.dx == Length::mm(280));
  EXPECT_TRUE(there);
  EXPECT_TRUE(saw::verify(request, plan).empty());
}

TEST(Pins, placesThatCannotBeAreLeftOutWithTheReason) {
  NestRequest request = small();
  Pin pin;
  pin.stock = 0;
  pin.place = Pin::Place{Length::mm(900), Length{}, false};
  request.pins = {pin};
  Plan plan = nest::nest(request, steps(50));
  ASSERT_EQ(plan.unplaced.size(), 1U);
  EXPECT_EQ(plan.unplaced[0].reason, "the place it is pinned to is off the usable sheet");
  // A pinwheel of four parts has no cut from edge to edge.
  request.parts = {demand("A", Length::mm(600), Length::mm(200), 4)};
  request.stock[0] = supply("S", 900, 900, {}, 20);
  request.kerf = Length{};
  request.pins.clear();
  const Pin::Place places[] = {{Length{}, Length{}, false},
                               {Length::mm(700), Length{}, true},
                               {Length::mm(300), Length::mm(700), false},
                               {Length{}, Length::mm(300), true}};
  for (const Pin::Place& place : places) {
    pin.place = place;
    request.pins.push_back(pin);
  }
  plan = nest::nest(request, steps(50));
  ASSERT_FALSE(plan.unplaced.empty());
  EXPECT_EQ(plan.unplaced[0].reason, "the pinned parts cannot be cut apart from edge to edge");
}

TEST(Pins, randomPinsFromAPlanAreKept) {
  nest::Random random(5);
  for (int round = 0; round < 25; ++round) {
    NestRequest request = small();
    request.stock[0].trim = Length::mm(5);
    const Plan first = nest::nest(request, steps(60));
    for (std::size_t s = 0; s < first.sheets.size(); ++s)
      for (const Placement& p : first.sheets[s].placements) {
        if (random.below(3) != 0) continue;
        Pin pin;
        pin.part = p.part;
        pin.stock = first.sheets[s].stock;
        pin.sheet = static_cast<std::int64_t>(s) + 1;
        if (random.below(2) == 0) pin.place = Pin::Place{p.x, p.y, p.turned};
        request.pins.push_back(pin);
      }
    nest::NestOptions options = steps(200);
    options.start = std::make_shared<const Plan>(first);
    const Plan plan = nest::nest(request, options);
    EXPECT_TRUE(saw::verify(request, plan).empty()) << round;
    EXPECT_TRUE(plan.complete()) << round;
  }
}

TEST(Lots, whatShowsComesFromOne) {
  NestRequest request = small();
  request.stock = {supply("june", 1000, 600, 2, 20), supply("may", 1000, 600, 3, 22)};
  request.stock[0].lot = "june";
  request.stock[1].lot = "may";
  for (PartDemand& part : request.parts) part.quantity = 5;
  request.parts[0].shows = true;
  const Plan plan = nest::nest(request, steps(300));
  EXPECT_TRUE(plan.complete());
  EXPECT_EQ(stockOf(request, plan, 0).size(), 1U);
  // Where no lot has room for all of it, everything is placed all the same.
  request.stock[1].quantity = 2;
  for (PartDemand& part : request.parts) part.quantity = 6;
  request.parts[0].quantity = 12;
  EXPECT_EQ(stockOf(request, nest::nest(request, steps(300)), 0).size(), 2U);
}

TEST(Lots, aPartThatNamesItsLotLiesOnNoOther) {
  NestRequest request;
  request.kerf = test::mm(3);
  request.stock = {supply("A", 1000, 500, {}, 1), supply("B", 1000, 500, {}, 9)};
  request.stock[0].lot = "June";
  request.stock[1].lot = "September";
  request.parts = {demand("X", test::mm(400), test::mm(300), 2)};
  request.parts[0].lot = "September";
  const nest::NestOptions options = steps(200);
  const Plan plan = nest::nest(request, options);
  ASSERT_EQ(plan.sheets.size(), 1U);
  EXPECT_EQ(plan.sheets[0].stock, 1U) << "dearer, but of its lot";
  request.parts[0].lot = "never bought";
  EXPECT_EQ(nest::nest(request, options).sheets.at(0).stock, 0U);
  request.parts[0].lot = "September";
  request.parts[0].length = test::mm(1200);
  const Plan none = nest::nest(request, options);
  ASSERT_EQ(none.unplaced.size(), 1U);
  EXPECT_EQ(none.unplaced[0].reason, "it fits no piece of the lot September");
}

TEST(Runs, aMitredRunLosesTwoBevelCutsBetweenItsParts) {
  NestRequest request;
  request.kerf = Length::um(3'200);
  request.stock = {supply("S", 2440, 1220, {}, 50)};
  request.parts = {demand("a", Length::mm(500), Length::mm(300), 2, PartGrain::Length),
                   demand("b", Length::mm(700), Length::mm(300), 2, PartGrain::Length)};
  for (PartDemand& part : request.parts) {
    part.run = "r";
    part.mitred = true;
  }
  request.parts[1].runOrder = 1;
  const Plan plan = nest::nest(request, steps(100));
  ASSERT_TRUE(plan.complete());
  EXPECT_TRUE(saw::verify(request, plan).empty());
  std::vector<Placement> first;
  for (const Placement& p : plan.sheets[0].placements)
    if (p.copy == 1) first.push_back(p);
  ASSERT_EQ(first.size(), 2U);
  std::sort(first.begin(), first.end(), [](const Placement& a, const Placement& b) {
    return std::tie(a.x, a.y) < std::tie(b.x, b.y);
  });
  const Length gap = first[0].y == first[1].y ? first[1].x - first[0].x - first[0].dx
                                              : first[1].y - first[0].y - first[0].dy;
  EXPECT_EQ(gap, 2 * bevelKerf(request.kerf));
  EXPECT_EQ(std::count_if(plan.cuts.begin(), plan.cuts.end(),
                          [](const SawCut& cut) { return cut.tilted; }),
            4);
}

TEST(Goals, thePlansKeptAreNoneBeaten) {
  const NestRequest request = logWall();
  std::vector<std::shared_ptr<const Plan>> kept;
  nest::nest(request, steps(3000), {},
             [&kept](const nest::NestProgress& progress) { kept = progress.kept; });
  ASSERT_FALSE(kept.empty());
  for (const auto& a : kept)
    for (const auto& b : kept) {
      if (a == b) continue;
      EXPECT_FALSE(a->cost <= b->cost && a->sheetArea <= b->sheetArea && a->setups <= b->setups &&
                   nest::largestLeftovers(*a) >= nest::largestLeftovers(*b));
    }
  int titles = 0;
  for (std::size_t i = 0; i < kept.size(); ++i) titles += nest::bestAt(kept, i).settings;
  EXPECT_EQ(titles, 1);
}

TEST(Goals, fewerSettingsAtTheSameCost) {
  NestRequest request = logWall();
  const Plan cost = nest::nest(request, steps(2000));
  request.goal = Goal::Setups;
  const Plan setups = nest::nest(request, steps(6000));
  EXPECT_LE(setups.cost, cost.cost);
  EXPECT_LT(setups.setups, cost.setups);
}

TEST(Goals, easeMayCostWhatTheUserPays) {
  NestRequest request = small();
  request.goal = Goal::Setups;
  request.parts.push_back(demand("C", Length::mm(470), Length::mm(270), 3));
  const Plan cheap = nest::nest(request, steps(3000));
  request.ease = Money::whole(30);
  const Plan easy = nest::nest(request, steps(3000));
  EXPECT_LE(easy.cost, cheap.cost + request.ease);
  EXPECT_LE(easy.setups, cheap.setups);
}

TEST(Start, goesOnFromAPlanAndNeverGetsWorse) {
  const NestRequest request = logWall();
  const Plan good = nest::nest(request, steps(4000));
  nest::NestOptions options = steps(0);
  options.costOnly = true;
  options.start = std::make_shared<const Plan>(good);
  EXPECT_LE(nest::nest(request, options).cost, good.cost);
}

TEST(Determinism, holdsForEveryGoalAndThreadCount) {
  NestRequest request = logWall();
  for (const Goal goal : {Goal::Setups, Goal::Offcuts}) {
    request.goal = goal;
    std::string first;
    for (const unsigned threads : {1U, 3U}) {
      nest::NestOptions options = steps(1200);
      options.threads = threads;
      const std::string json = writePlan(request, nest::nest(request, options));
      if (first.empty()) first = json;
      EXPECT_EQ(json, first);
    }
  }
}

TEST(Time, stoppingIsAnsweredAtOnceAtAnyMoment) {
  const NestRequest request = logWall();
  using Clock = std::chrono::steady_clock;
  double worst = 0;
  for (int round = 0; round < 12; ++round) {
    std::stop_source source;
    Clock::time_point asked;
    std::jthread stopper([&, round] {
      std::this_thread::sleep_for(std::chrono::milliseconds(7 + 83 * round));
      asked = Clock::now();
      source.request_stop();
    });
    nest::NestOptions options;
    options.seconds = 60;
    const Goal goals[] = {Goal::Cost, Goal::Offcuts, Goal::Setups};
    NestRequest mine = request;
    mine.goal = goals[round % 3];
    const Plan plan = nest::nest(mine, options, source.get_token());
    const auto ended = Clock::now();
    stopper.join();
    if (source.stop_requested() && ended > asked)
      worst = std::max(worst, std::chrono::duration<double>(ended - asked).count());
    EXPECT_TRUE(plan.complete());
  }
  RecordProperty("slowest answer in ms", static_cast<int>(worst * 1000));
  // Two orders of magnitude above what bench/ measures: only a stop that is not heard fails here.
  EXPECT_LT(worst, 5);
}

// One limit for all materials together. A busy machine may spoil a try, not three in a row.
TEST(Time, theLimitIsKeptWithinFivePerCentAndFiftyMilliseconds) {
  NestRequest request = logWall();
  request.goal = Goal::Setups;
  constexpr double kLimit = 0.6;
  double least = 1e9;
  for (int attempt = 0; attempt < 3; ++attempt) {
    nest::NestOptions options;
    options.seconds = kLimit;
    const auto begin = std::chrono::steady_clock::now();
    EXPECT_TRUE(nest::nest(request, options).complete());
    least = std::min(
        least, std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count());
  }
#ifndef __SANITIZE_ADDRESS__
  EXPECT_LE(least, kLimit * 1.05 + 0.05);
#endif
  EXPECT_LE(least, 10 * kLimit);
}

nest::PlacementRef find(const Plan& plan, std::size_t part, std::size_t notOn = 99) {
  for (std::size_t s = 0; s < plan.sheets.size(); ++s)
    for (std::size_t p = 0; p < plan.sheets[s].placements.size(); ++p)
      if (plan.sheets[s].placements[p].part == part && s != notOn) return {s, p};
  return {99, 99};
}

TEST(ByHand, swapsAndMovesKeepThePlanCuttableOrSayWhyNot) {
  NestRequest request;
  request.kerf = Length::mm(3);
  request.stock = {supply("S", 1000, 600, {}, 20)};
  request.parts = {demand("big", Length::mm(990), Length::mm(500), 1),
                   demand("mid", Length::mm(900), Length::mm(400), 1),
                   demand("bit", Length::mm(80), Length::mm(60), 1)};
  const Plan plan = nest::nest(request, steps(200));
  ASSERT_EQ(plan.sheets.size(), 2U);
  const auto big = find(plan, 0);
  const auto mid = find(plan, 1);
  const auto bit = find(plan, 2);
  const auto swapped = nest::swapped(request, plan, big, mid);
  ASSERT_TRUE(swapped);
  EXPECT_TRUE(saw::verify(request, *swapped).empty());
  const auto moved = nest::moved(request, plan, bit, 1 - bit.sheet);
  ASSERT_TRUE(moved);
  EXPECT_TRUE(saw::verify(request, *moved).empty());
  EXPECT_EQ(find(*moved, 2).sheet == bit.sheet, false);
  const auto refused = nest::moved(request, plan, big, mid.sheet);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.problems()[0].found.find("big does not go on S"), std::string::npos);
  EXPECT_NE(refused.problems()[0].found.find("too narrow"), std::string::npos);
}

TEST(Replan, theBenchAfterSomeCutsHasEveryPieceOnce) {
  const NestRequest request = logWall();
  const Plan plan = nest::nest(request, steps(500));
  for (const std::size_t cuts : {std::size_t{0}, plan.cuts.size() / 3, plan.cuts.size()}) {
    const auto bench = nest::benchAfter(request, plan, test::firstCuts(cuts));
    ASSERT_TRUE(bench);
    std::vector<std::int64_t> seen = bench->done;
    for (const auto& piece : bench->pieces)
      for (const Placement& p : piece.planned) ++seen[p.part];
    for (std::size_t i = 0; i < seen.size(); ++i)
      EXPECT_EQ(seen[i], request.parts[i].quantity) << request.parts[i].code;
  }
  EXPECT_FALSE(nest::benchAfter(request, plan, test::firstCuts(plan.cuts.size() + 1)));
}

TEST(Replan, aSpoiledPartIsFoundAPlaceAndTheRestStaysWhereItIs) {
  NestRequest request = small();
  const Plan plan = nest::nest(request, steps(500));
  auto bench = nest::benchAfter(request, plan, test::firstCuts(plan.cuts.size() * 2 / 3)).value();
  std::size_t spoiled = 0;
  while (bench.done[spoiled] == 0) ++spoiled;
  --bench.done[spoiled];
  const nest::Replanned still =
      nest::replan(request, plan, bench, nest::Disturb::Nothing, steps(300));
  EXPECT_TRUE(still.plan.complete());
  EXPECT_EQ(still.moved, 0);
  EXPECT_TRUE(saw::verify(still.request, still.plan).empty());
  const nest::Replanned free =
      nest::replan(request, plan, bench, nest::Disturb::Freely, steps(600));
  EXPECT_TRUE(free.plan.complete());
  EXPECT_LE(free.plan.cost, still.plan.cost);
  const nest::Replanned one =
      nest::replan(request, plan, bench, nest::Disturb::OnePiece, steps(900));
  EXPECT_LE(one.plan.cost, still.plan.cost);
  EXPECT_GE(one.plan.cost, free.plan.cost);
}

TEST(Nearly, findsTheSmallestChangeThatSavesASheet) {
  NestRequest request;
  request.stock = {supply("S", 1000, 600, {}, 20)};
  // Two of 502 do not lie side by side on 1000; at 500 they do, and one sheet is enough.
  request.parts = {demand("A", Length::mm(502), Length::mm(590), 2, PartGrain::Length)};
  const Plan plan = nest::nest(request, steps(100));
  ASSERT_EQ(plan.sheets.size(), 2U);
  const auto found = nest::nearly(request, plan);
  ASSERT_TRUE(found.has_value());
  EXPECT_EQ(found->parts, std::vector<std::size_t>{0});
  EXPECT_TRUE(found->length);
  EXPECT_EQ(found->by, Length::mm(2));
  EXPECT_EQ(found->sheets, 1);
  EXPECT_EQ(found->saved, Money::whole(20));
  // The same as two rows of one each: they change together.
  request.parts[0].quantity = 1;
  request.parts.push_back(request.parts[0]);
  request.parts[1].code = "B";
  const auto both = nest::nearly(request, plan);
  ASSERT_TRUE(both.has_value());
  EXPECT_EQ(both->parts.size(), 2U);
  request.parts.pop_back();
  request.parts[0].quantity = 2;
  // Twelve too long is more than it may change.
  request.parts[0].length = Length::mm(512);
  EXPECT_FALSE(nest::nearly(request, nest::nest(request, steps(100))));
}

TEST(Nearly, orAnotherMaterialOfTheSameThickness) {
  NestRequest request;
  request.stock = {supply("S", 1000, 600, {}, 20), supply("M", 1000, 600, 1, 20)};
  request.stock[1].material = "ash";
  request.parts = {demand("A", Length::mm(900), Length::mm(550), 1),
                   demand("B", Length::mm(300), Length::mm(200), 1),
                   demand("C", Length::mm(400), Length::mm(500), 1)};
  request.parts[2].material = "ash";
  const Plan plan = nest::nest(request, steps(100));
  ASSERT_EQ(plan.sheets.size(), 3U);
  const auto found = nest::nearly(request, plan);
  ASSERT_TRUE(found.has_value());
  EXPECT_EQ(found->parts, std::vector<std::size_t>{1});
  EXPECT_EQ(found->material, "ash");
}

}  // namespace
}  // namespace pp::nest_rules_test
