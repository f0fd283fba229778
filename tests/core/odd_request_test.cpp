// Requests that nobody would make on purpose: blades from nothing to wider than the sheet, trims,
// slivers, runs, pins, saws that reach nowhere. Whatever is asked, the plan plays back, and goes on
// from another one.
#include <gtest/gtest.h>

#include <random>

#include "core/nest/nest.h"
#include "core/saw/playback.h"

namespace pp::odd_request_test {
namespace {

class OddRequests {
 public:
  explicit OddRequests(std::uint64_t seed) : random_(seed) {}

  NestRequest one() {
    NestRequest q;
    for (Machine& saw : q.shop.machines) {
      if (even()) saw.reach = size();
      if (even()) saw.longestCut = size();
      saw.tilts = even();
    }
    if (below(4) == 0) q.shop.machines.resize(below(3));
    blades(q);
    q.shop.cleaning = even() ? Cleaning::Trim : Cleaning::CutOver;
    keeps(q);
    q.goal = static_cast<Goal>(below(3));
    const std::size_t rows = 1 + below(3);
    for (std::size_t i = 0; i < rows; ++i) {
      StockSupply row;
      row.id = "S" + std::to_string(i + 1);
      row.material = "ply";
      row.thickness = row.measured = Length::mm(18);
      row.length = even() ? Length::mm(2440) : size();
      row.width = even() ? Length::mm(1220) : size();
      if (even()) row.quantity = static_cast<std::int64_t>(1 + below(4));
      row.trim = small();
      q.stock.push_back(row);
    }
    const std::size_t parts = 1 + below(8);
    for (std::size_t i = 0; i < parts; ++i) {
      PartDemand part;
      part.code = "P" + std::to_string(i + 1);
      part.length = size();
      part.width = size();
      part.thickness = Length::mm(18);
      part.material = "ply";
      part.quantity = static_cast<std::int64_t>(1 + below(6));
      part.grain = static_cast<PartGrain>(below(3));
      q.parts.push_back(part);
    }
    if (parts > 1 && below(3) == 0) run(q);
    for (std::size_t left = below(4); left > 0; --left) pin(q);
    for (StockSupply& row : q.stock)
      for (std::size_t left = even() ? 0 : below(4); left > 0; --left)
        row.defects.push_back({small(), size(), size(), size()});
    return q;
  }

  // What someone changes while a plan is shown.
  void change(NestRequest& q) {
    switch (below(5)) {
      case 0:
        return blades(q);
      case 1:
        q.stock.front().trim = small();
        return;
      case 2:
        q.stock.front().length = size();
        return;
      case 3:
        return keeps(q);
      default:
        q.stock.front().quantity = static_cast<std::int64_t>(below(2));
    }
  }

 private:
  std::size_t below(std::size_t n) { return random_() % n; }
  bool even() { return below(2) == 0; }
  Length of(std::initializer_list<std::int64_t> um) {
    return Length::um(um.begin()[below(um.size())]);
  }
  Length small() {
    if (below(3) > 0) return of({0, 1'000, 3'200, 5'000});
    return of({0, 1, 1'000, 6'350, 17'500, 25'400, 600'000, 999'999'000});
  }
  Length size() {
    return of({1, 3'000, 12'700, 17'500, 18'200, 60'000, 60'000, 63'200, 100'000, 200'000, 237'000,
               400'000, 600'000, 1'100'000, 1'200'000, 1'220'000, 2'440'000});
  }

  void blades(NestRequest& q) {
    q.kerf = small();
    for (Machine& saw : q.shop.machines) q.kerf = std::max(q.kerf, *(saw.kerf = small()));
    q.barKerf = q.kerf;
  }
  void keeps(NestRequest& q) {
    q.keepLong = even() ? Length::mm(300) : small();
    q.keepShort = even() ? Length::mm(100) : small();
  }
  void run(NestRequest& q) {
    const bool mitred = even();
    for (std::size_t i = 0; i < 2; ++i) {
      PartDemand& part = q.parts[i];
      part.run = "r";
      part.runOrder = static_cast<std::int64_t>(i);
      part.mitred = mitred;
      part.quantity = q.parts.front().quantity;
      part.length = q.parts.front().length;
      part.width = q.parts.front().width;
      part.grain = PartGrain::Length;
    }
  }
  void pin(NestRequest& q) {
    Pin out;
    out.part = below(q.parts.size());
    out.stock = below(q.stock.size());
    out.sheet = static_cast<std::int64_t>(1 + below(2));
    if (even()) out.place = Pin::Place{size(), size(), even()};
    q.pins.push_back(out);
  }

  std::mt19937_64 random_;
};

TEST(OddRequest, EveryPlanPlaysBack) {
  for (std::uint64_t seed = 1; seed <= 80; ++seed) {
    OddRequests odd(seed);
    NestRequest request = odd.one();
    nest::NestOptions options;
    options.steps = 40;
    options.threads = 1;
    for (int again = 0; again < 3; ++again) {
      const auto plan = std::make_shared<Plan>(nest::nest(request, options));
      for (const Problem& problem : saw::verify(request, *plan))
        ADD_FAILURE() << "seed " << seed << ", round " << again << ": " << problem.field
                      << ", found " << problem.found << ", expected " << problem.expected;
      options.start = plan;
      odd.change(request);
    }
  }
}

// Parts pinned to both long edges of a sheet, with a thinner blade for the rips: the strips are
// trimmed, not cut over, so that nothing shifts.
TEST(OddRequest, PinnedPlacesHoldWhereTheFirstEdgeIsCutOver) {
  NestRequest request;
  request.shop.cleaning = Cleaning::CutOver;
  request.kerf = request.barKerf = Length::mm(5);
  for (Machine& saw : request.shop.machines) saw.kerf = Length::mm(3);
  request.shop.machines.back().kerf = Length::mm(5);
  StockSupply sheet;
  sheet.id = "S1";
  sheet.material = "ply";
  sheet.thickness = sheet.measured = Length::mm(18);
  sheet.length = Length::mm(2440);
  sheet.width = Length::mm(1220);
  sheet.trim = Length::mm(6);
  request.stock.push_back(sheet);
  for (const std::int64_t y : {6, 814}) {
    PartDemand part;
    part.code = "P" + std::to_string(y);
    part.length = Length::mm(2428);
    part.width = Length::mm(400);
    part.thickness = Length::mm(18);
    part.material = "ply";
    Pin pin;
    pin.part = request.parts.size();
    pin.place = Pin::Place{Length::mm(6), Length::mm(y), false};
    request.parts.push_back(part);
    request.pins.push_back(pin);
  }
  nest::NestOptions options;
  options.steps = 40;
  const Plan plan = nest::nest(request, options);
  EXPECT_TRUE(saw::verify(request, plan).empty());
  ASSERT_EQ(plan.sheets.size(), 1U);
  ASSERT_EQ(plan.sheets.front().placements.size(), 2U);
  for (const Placement& at : plan.sheets.front().placements) {
    EXPECT_EQ(at.x, Length::mm(6));
    EXPECT_EQ(at.y, Length::mm(at.part == 0 ? 6 : 814));
  }
}

}  // namespace
}  // namespace pp::odd_request_test
