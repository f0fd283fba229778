#include <gtest/gtest.h>

#include <functional>

#include "core/formats/plan_json.h"
#include "core/nest/nest.h"
#include "core/saw/playback.h"
#include "core/saw/sequence.h"

namespace pp {
namespace {

// One sheet 1000 x 500, trim 10, kerf 4; two parts 400 x 200 side by side and one 804 x 100 above.
struct Small {
  NestRequest request;
  Plan plan;
  Small() {
    request.kerf = Length::mm(4);
    const auto part = [](const char* code, int length, int width, int quantity) {
      PartDemand out;
      out.code = code;
      out.length = Length::mm(length);
      out.width = Length::mm(width);
      out.thickness = Length::mm(18);
      out.material = "birch";
      out.quantity = quantity;
      return out;
    };
    request.parts = {part("A", 400, 200, 2), part("B", 804, 100, 1)};
    StockSupply stock;
    stock.id = "S";
    stock.material = "birch";
    stock.thickness = stock.measured = Length::mm(18);
    stock.length = Length::mm(1000);
    stock.width = Length::mm(500);
    stock.price = Money::whole(10);
    stock.trim = Length::mm(10);
    request.stock = {stock};
    PlannedSheet sheet;
    const auto mm = [](int n) { return Length::mm(n); };
    sheet.placements = {{0, 1, mm(10), mm(10), mm(400), mm(200), false},
                        {0, 2, mm(414), mm(10), mm(400), mm(200), false},
                        {1, 1, mm(10), mm(214), mm(804), mm(100), false}};
    const auto leaf = [&](std::size_t i) {
      return CutTree{CutTree::Kind::Part, sheet.placements[i].dx, sheet.placements[i].dy, i, {}};
    };
    const CutTree row{CutTree::Kind::Row, mm(804), mm(200), 0, {leaf(0), leaf(1)}};
    sheet.tree = {CutTree::Kind::Column, mm(804), mm(304), 0, {row, leaf(2)}};
    plan.sheets = {sheet};
    plan.cost = Money::whole(10);
    plan.partArea = mm(400) * mm(200) + mm(400) * mm(200) + mm(804) * mm(100);
    plan.sheetArea = mm(1000) * mm(500);
    saw::sequence(request, {}, plan);
  }
};

TEST(Saw, sequenceOfAHandMadePlan) {
  const Small small;
  std::string text;
  for (const SawCut& cut : small.plan.cuts)
    text += cut.piece + (cut.direction == CutDirection::Rip ? " rip " : " cross ") +
            formatMm(cut.at) + " -> " + cut.low.value_or("-") + " " + cut.high.value_or("-") +
            " set " + formatMm(cut.distance) + "\n";
  // Trim all round, the 172 left above off first (it is the larger leftover), then apart.
  EXPECT_EQ(text,
            "S1 rip 6 -> S1.1 S1.2 set 490\n"
            "S1.2 rip 480 -> S1.3 S1.4 set 480\n"
            "S1.3 cross 6 -> S1.5 S1.6 set 990\n"
            "S1.6 cross 980 -> S1.7 S1.8 set 980\n"
            "S1.7 rip 304 -> S1.9 S1.10 set 304\n"
            "S1.9 cross 804 -> S1.11 S1.12 set 804\n"
            "S1.11 rip 200 -> S1.13 S1.14 set 200\n"
            "S1.13 cross 400 -> S1.15 S1.16 set 400\n");
  ASSERT_EQ(small.plan.sheets[0].leftovers.size(), 2U);
  EXPECT_EQ(small.plan.sheets[0].leftovers[0],
            (Leftover{"S1-K1", Length::mm(10), Length::mm(318), Length::mm(980), Length::mm(172)}));
  EXPECT_EQ(small.plan.sheets[0].leftovers[1],
            (Leftover{"S1-K2", Length::mm(818), Length::mm(10), Length::mm(172), Length::mm(304)}));
  EXPECT_TRUE(saw::verify(small.request, small.plan).empty());
}

TEST(Saw, aTrimThinnerThanTheBladeLeavesNothingBeside) {
  Small small;
  small.request.stock[0].trim = Length::mm(3);
  for (Placement& p : small.plan.sheets[0].placements) p.x -= Length::mm(7), p.y -= Length::mm(7);
  saw::sequence(small.request, {}, small.plan);
  EXPECT_EQ(small.plan.cuts[0].at, -Length::mm(1));
  EXPECT_FALSE(small.plan.cuts[0].low.has_value());
  EXPECT_TRUE(saw::verify(small.request, small.plan).empty());
}

// Each way of damaging a good plan must be noticed.
TEST(Saw, verifyNoticesEveryKindOfDamage) {
  const std::pair<const char*, std::function<void(Plan&)>> blows[] = {
      {"a cut moved by a nanometre", [](Plan& p) { p.cuts[6].at += Length::nm(1); }},
      {"a cut left out", [](Plan& p) { p.cuts.pop_back(); }},
      {"cuts in the wrong order", [](Plan& p) { std::swap(p.cuts[0].piece, p.cuts[3].piece); }},
      {"a part moved", [](Plan& p) { p.sheets[0].placements[0].x += Length::nm(1); }},
      {"a part of another size", [](Plan& p) { p.sheets[0].placements[0].part = 1; }},
      {"a copy twice", [](Plan& p) { p.sheets[0].placements[1].copy = 1; }},
      {"a part forgotten", [](Plan& p) { p.sheets[0].placements.pop_back(); }},
      {"a leftover invented", [](Plan& p) { p.sheets[0].leftovers[0].dx += Length::nm(1); }},
      {"the cost", [](Plan& p) { p.cost = Money::whole(9); }},
      {"a bound above the plan", [](Plan& p) { p.bound.cost = Money::whole(11); }},
      {"a fence on the wrong side", [](Plan& p) { p.cuts[4].fence = FenceSide::High; }},
  };
  for (const auto& [name, blow] : blows) {
    Small small;
    ASSERT_TRUE(saw::verify(small.request, small.plan).empty());
    blow(small.plan);
    EXPECT_FALSE(saw::verify(small.request, small.plan).empty()) << name;
  }
  Small across;
  across.request.parts[0].grain = PartGrain::Width;
  EXPECT_FALSE(saw::verify(across.request, across.plan).empty()) << "across the grain";
  Small drawn;
  drawn.request.stock[0].quantity = 0;
  EXPECT_FALSE(saw::verify(drawn.request, drawn.plan).empty()) << "stock overdrawn";
  Small broken;
  broken.request.parts[0].run = broken.request.parts[1].run = "r";
  broken.request.parts[1].runOrder = 1;
  broken.request.parts[0].quantity = 2;
  EXPECT_FALSE(saw::verify(broken.request, broken.plan).empty()) << "a broken run";
}

TEST(Saw, machinesTakeWhatTheyCan) {
  const saw::Shop shop;
  const auto machine = [&](int dx, int dy, CutDirection direction, int distance) {
    return saw::machineFor(shop, Length::mm(dx), Length::mm(dy), Length::mm(18), direction,
                           Length::mm(distance));
  };
  EXPECT_EQ(machine(2440, 1220, CutDirection::Rip, 600), "track saw") << "too heavy to carry";
  EXPECT_EQ(machine(1200, 600, CutDirection::Rip, 300), "table saw");
  EXPECT_EQ(machine(1200, 600, CutDirection::Cross, 400), "crosscut sled");
  EXPECT_EQ(machine(1200, 700, CutDirection::Cross, 400), "table saw") << "wider than the sled";
}

TEST(Saw, planJsonIsTheContractToTheLetter) {
  const Small small;
  const std::string json = writePlan(small.request, small.plan);
  for (const char* piece :
       {"\"format\": \"plain-patch-plan\"", "\"kerf\": 4.0", "\"status\": \"complete\"",
        "\"yield\": 0.4808", "\"at\": 6.0", "\"fence\": \"high\"", "\"S1.15\",",
        "\"sheet_area\": 0.5", "\"saw_setups\": 8"})
    EXPECT_NE(json.find(piece), std::string::npos) << piece << "\n" << json;
}

}  // namespace
}  // namespace pp
