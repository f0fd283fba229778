#include "core/nest/nest.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <chrono>
#include <thread>

#include "core/breakdown/breakdown.h"
#include "core/formats/job_json.h"
#include "core/formats/plan_json.h"
#include "core/nest/bounds/bound.h"
#include "core/saw/playback.h"
#include "tests/core/nest_support.h"
#include "tests/core/support.h"

namespace pp::nest_test {
namespace {

int pick(int from, int to) {
  return *rc::gen::inRange(from, to + 1);
}

using test::demand;
using test::steps;
using test::supply;

// Random parts, some in runs, some with grain; several stock sizes, some limited, some free.
NestRequest randomRequest() {
  NestRequest out;
  out.kerf = Length::um(pick(0, 5'000));
  const int rows = pick(1, 12);
  for (int i = 0; i < rows; ++i) {
    const PartGrain grains[] = {PartGrain::Any, PartGrain::Length, PartGrain::Width};
    out.parts.push_back(demand("P" + std::to_string(i), Length::um(pick(30'000, 900'000)),
                               Length::um(pick(20'000, 600'000)), pick(1, 5), grains[pick(0, 2)]));
  }
  if (rows > 3 && pick(0, 1) == 1)
    for (int i = 0; i < 3; ++i) {
      out.parts[static_cast<std::size_t>(i)].run = "run";
      out.parts[static_cast<std::size_t>(i)].runOrder = (i * 7) % 5;
      out.parts[static_cast<std::size_t>(i)].quantity = out.parts[0].quantity;
    }
  const SheetGrain grains[] = {SheetGrain::Length, SheetGrain::Width, SheetGrain::None};
  const int kinds = pick(1, 4);
  for (int i = 0; i < kinds; ++i) {
    std::optional<std::int64_t> quantity;
    if (pick(0, 1) == 1) quantity = pick(0, 3);
    StockSupply stock =
        supply("S" + std::to_string(i), pick(300, 2440), pick(200, 1220), quantity, pick(0, 80));
    stock.grain = grains[pick(0, 2)];
    stock.trim = Length::um(pick(0, 12'000));
    out.stock.push_back(stock);
  }
  const Goal goals[] = {Goal::Cost, Goal::Offcuts, Goal::Setups};
  out.goal = goals[pick(0, 2)];
  return out;
}

// nest() itself plays every plan back and throws if it is wrong; verified here again from outside.
RC_GTEST_PROP(Nest, everyPlanPlaysBackExactly, ()) {
  const NestRequest request = randomRequest();
  const Plan plan = nest::nest(request, steps(150));
  const Problems wrong = saw::verify(request, plan);
  RC_ASSERT(wrong.empty());
}

RC_GTEST_PROP(Nest, partsLieAKerfApartInsideTheTrim, ()) {
  const NestRequest request = randomRequest();
  const Plan plan = nest::nest(request, steps(100));
  for (const PlannedSheet& sheet : plan.sheets) {
    const StockSupply& stock = request.stock[sheet.stock];
    for (std::size_t i = 0; i < sheet.placements.size(); ++i) {
      const Placement& a = sheet.placements[i];
      RC_ASSERT(a.x >= stock.trim && a.y >= stock.trim && a.x + a.dx <= stock.length - stock.trim &&
                a.y + a.dy <= stock.width - stock.trim);
      for (std::size_t k = i + 1; k < sheet.placements.size(); ++k) {
        const Placement& b = sheet.placements[k];
        const Length gapX = std::max(b.x - a.x - a.dx, a.x - b.x - b.dx);
        const Length gapY = std::max(b.y - a.y - a.dy, a.y - b.y - b.dy);
        RC_ASSERT(std::max(gapX, gapY) >= request.kerf);
      }
    }
  }
}

// A plan planted by cutting sheets at random: every part of it fits on those sheets, so no bound
// may be above their price.
RC_GTEST_PROP(Nest, noBoundIsAboveAPlantedPlan, ()) {
  NestRequest request;
  request.kerf = Length::um(pick(0, 4'000));
  Money planted;
  int next = 0;
  const int kinds = pick(1, 3);
  for (int i = 0; i < kinds; ++i) {
    const int count = pick(1, 3);
    StockSupply stock = supply("S" + std::to_string(i), pick(600, 2440), pick(400, 1220),
                               pick(count, count + 2), pick(0, 90));
    stock.trim = Length::mm(pick(0, 8));
    request.stock.push_back(stock);
    for (int s = 0; s < count; ++s) {
      planted += stock.price;
      std::vector<std::pair<Length, Length>> pieces = {
          {stock.length - 2 * stock.trim, stock.width - 2 * stock.trim}};
      for (int cut = 0; cut < 6; ++cut) {
        const auto at = static_cast<std::size_t>(pick(0, static_cast<int>(pieces.size()) - 1));
        auto [dx, dy] = pieces[at];
        Length& side = pick(0, 1) == 1 ? dx : dy;
        const Length low = Length::nm(side.inNm() * pick(20, 80) / 100);
        const Length high = side - low - request.kerf;
        if (low < Length::mm(20) || high < Length::mm(20)) continue;
        side = low;
        const std::pair<Length, Length> first{dx, dy};
        side = high;
        pieces[at] = {dx, dy};
        pieces.push_back(first);
      }
      for (const auto& [dx, dy] : pieces)
        request.parts.push_back(demand("P" + std::to_string(next++), dx, dy, 1));
    }
  }
  const Plan plan = nest::nest(request, steps(0));
  RC_ASSERT(plan.bound.cost <= planted);
  for (const Unplaced& unplaced : plan.unplaced) RC_ASSERT(unplaced.reason.find("no room") == 0U);
}

TEST(Nest, aPartExactlyAsLargeAsTheUsableSheetIsPlaced) {
  NestRequest request;
  request.kerf = Length::um(3'175);
  request.stock = {supply("S", 2440, 1220, 1, 50)};
  request.stock[0].trim = Length::um(6'350);
  request.parts = {demand("A", Length::mm(2440) - 2 * Length::um(6'350),
                          Length::mm(1220) - 2 * Length::um(6'350), 1)};
  EXPECT_TRUE(nest::nest(request, steps(0)).complete());
  request.parts[0].length += Length::nm(1);
  const Plan plan = nest::nest(request, steps(0));
  ASSERT_EQ(plan.unplaced.size(), 1U);
  EXPECT_EQ(plan.unplaced[0].reason,
            "0.000001 mm longer than the nearest birch 18 mm (S, trimmed)");
}

TEST(Nest, partsThatFitNothingAreNamedWithTheReason) {
  NestRequest request;
  request.stock = {supply("S", 1000, 500, {}, 50), supply("gone", 4000, 4000, 0, 50)};
  request.parts = {demand("ok", Length::mm(400), Length::mm(300), 1),
                   demand("long", Length::mm(1012), Length::mm(300), 2),
                   demand("grain", Length::mm(800), Length::mm(300), 1, PartGrain::Width),
                   demand("thick", Length::mm(10), Length::mm(10), 1)};
  request.parts[3].thickness = Length::mm(12);
  const Plan plan = nest::nest(request, steps(0));
  ASSERT_EQ(plan.unplaced.size(), 3U);
  EXPECT_EQ(plan.unplaced[0].reason, "12 mm longer than the nearest birch 18 mm (S)");
  EXPECT_EQ(plan.unplaced[0].count, 2);
  EXPECT_EQ(plan.unplaced[1].reason, "300 mm longer than the nearest birch 18 mm (S)");
  EXPECT_EQ(plan.unplaced[2].reason, "no stock of birch 12 mm");
  EXPECT_EQ(plan.sheets.size(), 1U);
}

TEST(Nest, usesTheOffcutBeforeASheet) {
  NestRequest request;
  request.stock = {supply("sheet", 2440, 1220, {}, 50), supply("offcut", 500, 400, 1, 0)};
  request.stock[1].kind = StockKind::Offcut;
  request.parts = {demand("A", Length::mm(480), Length::mm(380), 1)};
  const Plan plan = nest::nest(request, steps(100));
  EXPECT_EQ(plan.cost, Money{});
  EXPECT_EQ(request.stock[plan.sheets[0].stock].id, "offcut");
}

TEST(Nest, withoutPricesItStillUsesAsLittleStockAsItCan) {
  NestRequest request;
  request.stock = {supply("large", 2000, 1000, {}, 0), supply("small", 500, 500, {}, 0)};
  request.parts = {demand("A", Length::mm(400), Length::mm(400), 1)};
  const Plan plan = nest::nest(request, steps(100));
  EXPECT_EQ(request.stock[plan.sheets[0].stock].id, "small");
}

TEST(Nest, runsThatDoNotFitStayOutWhole) {
  NestRequest request;
  request.kerf = Length::mm(3);
  request.stock = {supply("S", 1000, 500, {}, 50)};
  request.parts = {demand("a", Length::mm(600), Length::mm(260), 1),
                   demand("b", Length::mm(600), Length::mm(260), 1)};
  request.parts[0].run = request.parts[1].run = "r";
  request.parts[1].runOrder = 1;
  EXPECT_EQ(nest::nest(request, steps(50)).unplaced.size(), 2U);
  for (PartDemand& part : request.parts) part.width = Length::mm(240);
  EXPECT_TRUE(nest::nest(request, steps(50)).complete());
}

TEST(Nest, stepsGiveTheSameBytesWhateverTheThreads) {
  const Job job = readJob("log-wall", test::demo("log-wall")).value();
  const NestRequest request = requestOf(job, breakDown(job).parts);
  std::string first;
  for (const unsigned threads : {1U, 2U, 3U}) {
    nest::NestOptions options = steps(2500);
    options.threads = threads;
    const std::string json = writePlan(request, nest::nest(request, options));
    if (first.empty()) first = json;
    EXPECT_EQ(json, first);
  }
  nest::NestOptions other = steps(2500);
  other.seed = 99;
  EXPECT_TRUE(nest::nest(request, other).complete());
}

TEST(Nest, stopsWhenAskedAndKeepsTheBestPlan) {
  const Job job = readJob("log-wall", test::demo("log-wall")).value();
  const NestRequest request = requestOf(job, breakDown(job).parts);
  std::stop_source source;
  int reports = 0;
  nest::NestOptions options;
  options.seconds = 600;
  const Plan plan =
      nest::nest(request, options, source.get_token(), [&](const nest::NestProgress& progress) {
        EXPECT_TRUE(progress.plan != nullptr);
        if (++reports == 3) source.request_stop();
      });
  EXPECT_GE(reports, 3);
  EXPECT_TRUE(plan.complete());
}

// Thousands of pieces of a few dozen sizes, on sheets without end.
NestRequest thousands(std::int64_t copies) {
  NestRequest request;
  request.kerf = Length::mm(3);
  constexpr int kSizes = 40;
  for (int i = 0; i < kSizes; ++i) {
    PartDemand part;
    part.code = "P" + std::to_string(i);
    part.material = "birch";
    part.thickness = Length::mm(18);
    part.length = Length::mm(150 + i * 37 % 700);
    part.width = Length::mm(60 + i * 53 % 300);
    part.quantity = copies / kSizes;
    request.parts.push_back(part);
  }
  StockSupply sheet;
  sheet.id = "S";
  sheet.material = "birch";
  sheet.thickness = sheet.measured = Length::mm(18);
  sheet.length = Length::mm(2440);
  sheet.width = Length::mm(1220);
  sheet.price = Money::whole(60);
  request.stock.push_back(sheet);
  return request;
}

TEST(Nest, aLargeJobIsDealtIntoHandsAndStillWhole) {
  const NestRequest request = thousands(8'000);
  const Plan plan = nest::nest(request, steps(0));
  EXPECT_TRUE(plan.complete());
  EXPECT_TRUE(saw::verify(request, plan).empty());
  // Hands of a mix leave no more than one sheet in ten unused beyond what the bound asks for.
  EXPECT_LE(plan.sheets.size() * 10, static_cast<std::size_t>(plan.bound.sheets) * 11);
}

TEST(Nest, aHandfulMoreThanTheRackHoldsIsLeftOverAndCounted) {
  NestRequest request = thousands(8'000);
  request.stock[0].quantity = 30;
  const Plan plan = nest::nest(request, steps(0));
  EXPECT_FALSE(plan.complete());
  EXPECT_EQ(plan.sheets.size(), 30U);
  EXPECT_TRUE(saw::verify(request, plan).empty()) << "every copy is placed or counted missing";
}

TEST(Nest, aLargeJobStoppedBeforeItsFirstPlanPlacesNothing) {
  const NestRequest request = thousands(8'000);
  std::stop_source source;
  source.request_stop();
  const Plan plan = nest::nest(request, {}, source.get_token());
  EXPECT_TRUE(plan.sheets.empty());
  EXPECT_EQ(plan.missing(), 8'000);
  EXPECT_TRUE(saw::verify(request, plan).empty());
}

TEST(Nest, improvesOnItsFirstPlan) {
  const Job job = readJob("log-wall", test::demo("log-wall")).value();
  const NestRequest request = requestOf(job, breakDown(job).parts);
  const Plan first = nest::nest(request, steps(0));
  const Plan later = nest::nest(request, steps(4000));
  EXPECT_LE(later.cost, first.cost);
  EXPECT_GE(later.cost, later.bound.cost);
}

}  // namespace
}  // namespace pp::nest_test
