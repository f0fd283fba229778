// Places of a sheet that must stay free: read and written, left free by every plan, reckoned with
// by the bound. Sheets are 2440 × 1220 without trim, the kerf is 3.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/formats/defect_text.h"
#include "core/formats/exchange.h"
#include "core/nest/changes/replan.h"
#include "core/nest/sheet/skeleton.h"
#include "core/plan/fingerprint.h"
#include "core/saw/playback.h"
#include "tests/core/nest_support.h"
#include "tests/core/support.h"

namespace pp::defect_test {
namespace {

using test::demand;
using test::mm;
using test::steps;
using test::supply;

Defect defect(int x, int y, int width, int height) {
  return {mm(x), mm(y), mm(width), mm(height)};
}

NestRequest request(std::vector<Defect> defects, std::optional<std::int64_t> sheets = 1) {
  NestRequest out;
  out.kerf = out.barKerf = mm(3);
  out.stock = {supply("S", 2440, 1220, sheets, 50)};
  out.stock[0].defects = std::move(defects);
  return out;
}

struct Fit {
  const char* name;
  std::vector<Defect> defects;
  std::vector<std::pair<int, int>> parts;
  bool fit;
};

// A dent 100 × 100 at 1000, 500 leaves 1000 and 1340 beside it, 500 and 620 below and above.
TEST(Defect, whatIsFreeIsUsedToTheMillimetre) {
  const std::vector<Defect> dent = {defect(1000, 500, 100, 100)};
  const std::vector<Defect> two = {defect(500, 0, 100, 1220), defect(1500, 500, 100, 100)};
  const Fit table[] = {
      {"left and right of it", dent, {{1000, 1220}, {1340, 1220}}, true},
      {"a millimetre longer", dent, {{1001, 1220}, {1340, 1220}}, false},
      {"right of it too long", dent, {{1341, 1220}}, false},
      {"below and above", dent, {{2440, 500}, {2440, 620}}, true},
      {"a millimetre wider", dent, {{2440, 500}, {2440, 621}}, false},
      {"round about it", dent, {{1000, 1220}, {100, 500}, {100, 620}, {1340, 1220}}, false},
      {"round about it, with the kerfs", dent, {{1000, 1220}, {1340, 500}, {1340, 620}}, true},
      {"at the corner", {defect(0, 0, 50, 50)}, {{2390, 1220}, {50, 1167}}, false},
      {"beside the corner", {defect(0, 0, 50, 50)}, {{2390, 1220}, {47, 1170}}, true},
      {"the whole sheet", {defect(0, 0, 2440, 1220)}, {{10, 10}}, false},
      {"between two", two, {{900, 1220}, {500, 1220}, {840, 1220}}, true},
      {"under the second", two, {{1840, 500}, {500, 1220}}, true},
      {"not through it", two, {{1840, 621}}, false},
  };
  for (const Fit& row : table) {
    NestRequest asked = request(row.defects);
    for (const auto& [length, width] : row.parts)
      asked.parts.push_back(demand("P" + std::to_string(asked.parts.size()), mm(length), mm(width),
                                   1, PartGrain::Length));
    const Plan plan = nest::nest(asked, steps(3'000));
    EXPECT_EQ(plan.complete(), row.fit) << row.name;
    EXPECT_TRUE(saw::verify(asked, plan).empty()) << row.name;
  }
}

// 1000 × 1000 with a fifth of it lost: four strips fit one sheet, five never.
TEST(Defect, theBoundKnowsWhatIsLost) {
  NestRequest asked = request({});
  asked.kerf = Length{};
  asked.stock = {supply("S", 1000, 1000, std::nullopt, 50)};
  asked.stock[0].defects = {defect(400, 0, 200, 1000)};
  asked.parts = {demand("P", mm(1000), mm(200), 4, PartGrain::Width)};
  Plan plan = nest::nest(asked, steps(1'000));
  EXPECT_EQ(plan.sheets.size(), 1U);
  EXPECT_TRUE(plan.proven());
  asked.parts[0].quantity = 5;  // whose area the whole sheet would hold
  plan = nest::nest(asked, steps(1'000));
  EXPECT_EQ(plan.sheets.size(), 2U);
  EXPECT_EQ(plan.bound.cost, Money::whole(100));
  EXPECT_TRUE(plan.proven());
  asked.stock[0].defects.clear();
  EXPECT_EQ(nest::nest(asked, steps(1'000)).bound.cost, Money::whole(50));
}

TEST(Defect, aPartThatFitsBesideNoneIsSaid) {
  NestRequest asked = request({defect(1000, 500, 100, 100)});
  asked.parts = {demand("P", mm(2000), mm(800), 1, PartGrain::Length)};
  const Plan plan = nest::nest(asked, steps(100));
  ASSERT_EQ(plan.unplaced.size(), 1U);
  EXPECT_EQ(plan.unplaced[0].reason, "too large for what is free of the nearest birch 18 mm (S)");
}

TEST(Defect, aPlanOverOneIsRefused) {
  NestRequest asked = request({});
  asked.parts = {demand("P", mm(1200), mm(600), 2)};
  const Plan plan = nest::nest(asked, steps(100));
  ASSERT_TRUE(saw::verify(asked, plan).empty());
  const Placement& first = plan.sheets[0].placements[0];
  asked.stock[0].defects = {{first.x + first.dx - mm(1), first.y, mm(1), mm(1)}};
  ASSERT_FALSE(saw::verify(asked, plan).empty());
  EXPECT_EQ(saw::verify(asked, plan)[0].found, "lies where the sheet must stay free");
  asked.stock[0].defects = {{first.x + first.dx, first.y, mm(1), mm(1)}};
  EXPECT_TRUE(saw::verify(asked, plan).empty()) << "beside it, where the blade runs";
  ASSERT_FALSE(plan.sheets[0].leftovers.empty());
  const Leftover& kept = plan.sheets[0].leftovers[0];
  asked.stock[0].defects = {{kept.x, kept.y, mm(1), mm(1)}};
  EXPECT_EQ(saw::verify(asked, plan).size(), 1U) << "what is kept is sound";
}

TEST(Defect, aPartPinnedBesideOneStaysAndOverOneIsSaid) {
  NestRequest asked = request({defect(1000, 500, 100, 100)});
  asked.parts = {demand("P", mm(600), mm(400), 1)};
  Pin pin;
  pin.place = Pin::Place{mm(400), mm(450), false};
  asked.pins = {pin};
  Plan plan = nest::nest(asked, steps(100));
  ASSERT_TRUE(plan.complete());
  EXPECT_EQ(plan.sheets[0].placements[0].x, mm(400));
  EXPECT_TRUE(saw::verify(asked, plan).empty());
  asked.pins[0].place->x = mm(420);
  plan = nest::nest(asked, steps(100));
  ASSERT_EQ(plan.unplaced.size(), 1U);
  EXPECT_EQ(plan.unplaced[0].reason, "the place it is pinned to must stay free");
}

// After the first cut the dent goes along with the piece it is on.
TEST(Defect, staysWithThePieceItIsOn) {
  NestRequest asked = request({defect(1000, 500, 100, 100)}, 2);
  asked.parts = {demand("P", mm(500), mm(600), 6), demand("Q", mm(900), mm(400), 2)};
  const Plan plan = nest::nest(asked, steps(500));
  ASSERT_TRUE(plan.complete());
  for (std::size_t cuts = 0; cuts <= plan.cuts.size(); ++cuts) {
    const auto bench = nest::benchAfter(asked, plan, test::firstCuts(cuts));
    ASSERT_TRUE(bench);
    const nest::Replanned again =
        nest::replan(asked, plan, *bench, nest::Disturb::Freely, steps(60));
    EXPECT_TRUE(saw::verify(again.request, again.plan).empty()) << cuts;
    for (const StockSupply& row : again.request.stock) {
      if (row.piece.empty()) continue;
      const auto at =
          std::find_if(bench->pieces.begin(), bench->pieces.end(),
                       [&row](const nest::PieceAtHand& one) { return one.id == row.piece; });
      ASSERT_NE(at, bench->pieces.end());
      const nest::PieceAtHand& piece = *at;
      const bool over = asked.stock[0].defects[0].meets(piece.x, piece.y, piece.dx, piece.dy);
      ASSERT_EQ(row.defects.size(), over ? 1U : 0U) << cuts;
      if (over) {
        EXPECT_TRUE(row.defects[0].isOn(row.length, row.width));
        EXPECT_EQ(row.defects[0].x + piece.x, std::max(mm(1000), piece.x));
      }
    }
  }
}

TEST(Defect, aSheetWithOneIsAnotherSheet) {
  NestRequest plain = request({});
  NestRequest dented = request({defect(1, 2, 3, 4)});
  EXPECT_NE(fingerprint(plain), fingerprint(dented));
  NestRequest other = request({defect(1, 2, 3, 5)});
  EXPECT_NE(fingerprint(other), fingerprint(dented));
}

TEST(Defect, textIsReadAndWritten) {
  struct Row {
    const char* text;
    Unit unit;
    std::vector<Defect> places;
    const char* written;
  };
  const Row good[] = {
      {"", Unit::Millimetre, {}, ""},
      {"10 20 30 40", Unit::Millimetre, {defect(10, 20, 30, 40)}, "10 20 30 40"},
      {" 10  20 30 40 ; 0 0 5 5;",
       Unit::Millimetre,
       {defect(10, 20, 30, 40), defect(0, 0, 5, 5)},
       "10 20 30 40; 0 0 5 5"},
      {"24-1/2 0 1 2",
       Unit::Inch,
       {{Length::in(24, 1, 2), {}, Length::in(1), Length::in(2)}},
       "24-1/2 0 1 2"},
      {"1in 2in 30mm 40mm",
       Unit::Millimetre,
       {{Length::in(1), Length::in(2), mm(30), mm(40)}},
       "25.4 50.8 30 40"},
  };
  for (const Row& row : good) {
    const auto read = parseDefects(row.text, row.unit);
    ASSERT_TRUE(read) << row.text;
    EXPECT_EQ(*read, row.places) << row.text;
    EXPECT_EQ(defectsText(*read, row.unit), row.written);
    EXPECT_EQ(*parseDefects(row.written, row.unit), row.places);
  }
  for (const char* bad :
       {"1 2 3", "1 2 3 4 5", "1 2 0 4", "1 2 3 0", "a 2 3 4", "1,2,3,4", "-1 2 3 4",
        "1 1 1 1;1 1 1 1;1 1 1 1;1 1 1 1;1 1 1 1;1 1 1 1;1 1 1 1;1 1 1 1;1 1 1 1"})
    EXPECT_FALSE(parseDefects(bad, Unit::Millimetre)) << bad;
}

TEST(Defect, standsInTheStockTable) {
  ExchangeInput input;
  input.unit = Unit::Millimetre;
  input.parts = {"p.csv", "code,qty,length,width,thickness,material\nA,1,100,100,18,birch\n"};
  const auto table = [&input](const char* defects) {
    input.stock = {"s.csv", std::string("id,material,thickness,length,width,qty,defects\n"
                                        "S,birch,18,1000,500,1,") +
                                defects + "\n"};
    return readExchange(input);
  };
  const auto read = table("10 20 30 40; 100 0 900 500");
  ASSERT_TRUE(read);
  EXPECT_EQ(read->stock[0].defects,
            (std::vector<Defect>{defect(10, 20, 30, 40), defect(100, 0, 900, 500)}));
  for (const char* bad : {"10 20 30", "10 20 991 40", "0 0 1 501", "10 20 30 x"}) {
    const auto refused = table(bad);
    ASSERT_FALSE(refused) << bad;
    EXPECT_EQ(refused.problems()[0].field, "defects");
    EXPECT_EQ(refused.problems()[0].line, 2);
  }
}

// Whatever lies where, every plan leaves it free, comes apart, and goes on from an earlier one
// without getting dearer.
RC_GTEST_PROP(Defect, everyPlanLeavesThemFree, ()) {
  NestRequest asked = request({}, std::nullopt);
  const auto within = [](int low, int high) { return *rc::gen::inRange(low, high + 1); };
  asked.kerf = mm(within(0, 5));
  asked.stock[0].trim = mm(within(0, 1) * 6);
  for (int n = within(1, 4); n > 0; --n) {
    const int x = within(0, 2400);
    const int y = within(0, 1200);
    asked.stock[0].defects.push_back(
        defect(x, y, within(1, std::min(700, 2440 - x)), within(1, std::min(500, 1220 - y))));
  }
  asked.stock.push_back(supply("T", 1500, 900, 2, 15));
  for (int n = within(1, 7); n > 0; --n)
    asked.parts.push_back(demand("P" + std::to_string(n), mm(within(60, 900)), mm(within(60, 500)),
                                 within(1, 4), static_cast<PartGrain>(within(0, 2))));
  const auto plan = std::make_shared<const Plan>(nest::nest(asked, steps(60)));
  RC_ASSERT(saw::verify(asked, *plan).empty());
  for (const PlannedSheet& sheet : plan->sheets)
    for (const Placement& at : sheet.placements)
      for (const Defect& one : asked.stock[sheet.stock].defects)
        RC_ASSERT(!one.meets(at.x, at.y, at.dx, at.dy));
  nest::NestOptions again = steps(30);
  again.start = plan;
  const Plan next = nest::nest(asked, again);
  RC_ASSERT(next.missing() <= plan->missing());
  if (next.missing() == plan->missing()) RC_ASSERT(next.cost <= plan->cost);
  RC_ASSERT(plan->bound.cost <= plan->cost || !plan->complete());
}

}  // namespace
}  // namespace pp::defect_test
