#include <gtest/gtest.h>

#include <algorithm>
#include <functional>
#include <map>

#include "core/formats/plan_json.h"
#include "core/nest/nest.h"
#include "core/saw/edges.h"
#include "core/saw/machines.h"
#include "core/saw/playback.h"
#include "core/saw/sequence.h"
#include "tests/core/nest_support.h"

namespace pp::saw_test {
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
    saw::sequence(request, plan);
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

TEST(Saw, everyCutIsKnownWhereItIsMade) {
  const Small small;
  const auto made = saw::madeCuts(small.request, small.plan).value();
  ASSERT_EQ(made.size(), small.plan.cuts.size());
  const auto mm = [](int n) { return Length::mm(n); };
  // The first trims the sheet's low edge, the fifth parts the trimmed sheet at 304.
  EXPECT_EQ(made[0].piece, (saw::PlayedPiece{0, mm(0), mm(0), mm(1000), mm(500)}));
  EXPECT_EQ(made[0].blade, (saw::PlayedPiece{0, mm(0), mm(6), mm(1000), mm(4)}));
  EXPECT_EQ(made[4].piece, (saw::PlayedPiece{0, mm(10), mm(10), mm(980), mm(480)}));
  EXPECT_EQ(made[4].blade, (saw::PlayedPiece{0, mm(10), mm(314), mm(980), mm(4)}));
  EXPECT_EQ(made[7].piece, (saw::PlayedPiece{0, mm(10), mm(10), mm(804), mm(200)}));
  EXPECT_EQ(made[7].blade, (saw::PlayedPiece{0, mm(410), mm(10), mm(4), mm(200)}));
  // What the blade takes and what it leaves is the piece.
  for (const saw::MadeCut& one : made)
    EXPECT_LE(one.blade.dx * one.blade.dy, one.piece.dx * one.piece.dy);
  Plan damaged = small.plan;
  damaged.cuts[3].piece = "S9";
  EXPECT_FALSE(saw::madeCuts(small.request, damaged).ok());
}

// What goes on the saw comes off it: the blade's share and what is left make up the piece, and what
// is not cut any more is what the plan says it becomes.
TEST(Saw, noWoodIsLostBetweenOneCutAndTheNext) {
  const auto area = [](const saw::PlayedPiece& of) { return of.dx * of.dy; };
  for (std::uint64_t seed = 1; seed <= 12; ++seed) {
    nest::Random random(seed);
    NestRequest request;
    request.kerf = Length::um(3'200);
    request.stock = {test::supply("S", 2440, 1220, std::nullopt, 60)};
    request.stock[0].trim = Length::mm(6);
    for (int i = 0; i < 6; ++i)
      request.parts.push_back(test::demand(
          "P" + std::to_string(i), Length::mm(200 + static_cast<std::int64_t>(random.below(700))),
          Length::mm(60 + static_cast<std::int64_t>(random.below(400))),
          1 + static_cast<std::int64_t>(random.below(4))));
    const Plan plan = nest::nest(request, test::steps(30));
    const auto made = saw::madeCuts(request, plan).value();
    const auto left = saw::playback(request, plan).value();
    // The piece of a name: what is cut later, or what lies there in the end.
    std::map<std::string, saw::PlayedPiece> pieces(left.begin(), left.end());
    for (std::size_t i = 0; i < made.size(); ++i) pieces[plan.cuts[i].piece] = made[i].piece;
    for (std::size_t i = 0; i < made.size(); ++i) {
      const SawCut& cut = plan.cuts[i];
      Area sum = area(made[i].blade);
      for (const auto& name : {cut.low, cut.high})
        if (name) sum += area(pieces.at(*name));
      EXPECT_EQ(sum, area(made[i].piece)) << "seed " << seed << ", cut " << cut.step;
      const bool rip = cut.direction == CutDirection::Rip;
      EXPECT_EQ(rip ? made[i].blade.dx : made[i].blade.dy,
                rip ? made[i].piece.dx : made[i].piece.dy)
          << "from edge to edge";
      EXPECT_LE(rip ? made[i].blade.dy : made[i].blade.dx, cut.kerf);
    }
  }
}

TEST(Saw, aTrimThinnerThanTheBladeLeavesNothingBeside) {
  Small small;
  small.request.stock[0].trim = Length::mm(3);
  for (Placement& p : small.plan.sheets[0].placements) p.x -= Length::mm(7), p.y -= Length::mm(7);
  saw::sequence(small.request, small.plan);
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

struct Asked {
  const char* name;
  int dx, dy;
  CutDirection direction;
  int low, high;
  double grams;
  int machine;  // of the usual shop: 0 track, 1 table, 2 sled
  FenceSide fence;
};

TEST(Saw, machinesTakeWhatTheyCan) {
  constexpr auto kRip = CutDirection::Rip;
  constexpr auto kCross = CutDirection::Cross;
  const Asked rows[] = {
      {"too heavy to carry", 2440, 1220, kRip, 600, 617, 34'000, 0, FenceSide::Low},
      {"too long to carry", 1600, 401, kRip, 100, 298, 5'000, 0, FenceSide::Low},
      {"a strip is handier", 1600, 400, kRip, 100, 297, 5'000, 1, FenceSide::Low},
      {"a strip of a whole sheet to the stop", 2440, 120, kCross, 560, 1877, 3'000, 2,
       FenceSide::Low},
      {"not every strip", 2501, 120, kCross, 560, 1938, 3'000, 0, FenceSide::Low},
      {"a rip within reach", 1200, 600, kRip, 300, 297, 9'000, 1, FenceSide::Low},
      {"a short crosscut", 1200, 600, kCross, 400, 797, 9'000, 2, FenceSide::Low},
      {"wider than the sled", 1200, 700, kCross, 400, 797, 9'000, 1, FenceSide::Low},
      {"the fence reaches only the other side", 100, 1500, kRip, 1400, 97, 2'000, 1,
       FenceSide::High},
  };
  for (const Asked& row : rows) {
    const saw::CutAsked asked{Length::mm(row.dx),  Length::mm(row.dy),   row.grams, row.direction,
                              Length::mm(row.low), Length::mm(row.high), false};
    const saw::CutChosen chosen = saw::chooseMachine(Shop{}, asked);
    EXPECT_EQ(chosen.machine, row.machine) << row.name;
    EXPECT_EQ(chosen.fence, row.fence) << row.name;
  }
}

TEST(Saw, withoutATrackSawAHeavyPieceIsATroubleAndALongOneImpossible) {
  Shop shop;
  shop.machines.erase(shop.machines.begin());
  saw::CutAsked asked{Length::mm(2400), Length::mm(1200), 34'000, CutDirection::Rip,
                      Length::mm(600),  Length::mm(597),  false};
  EXPECT_TRUE(saw::chooseMachine(shop, asked).heavy);
  asked.dx = Length::mm(3000);
  EXPECT_EQ(saw::chooseMachine(shop, asked).machine, -1);
  Small small;
  small.request.shop.machines = {{"small saw", SawKind::Table, {}, {}, Length::mm(150), {}, true}};
  saw::sequence(small.request, small.plan);
  ASSERT_FALSE(small.plan.troubles.empty());
  EXPECT_TRUE(small.plan.troubles.front().impossible);
}

// The sled takes 2 mm, the others 4: parts keep their size, gaps are those of the saw that cut.
TEST(Saw, everySawTakesItsOwnKerf) {
  Small small;
  small.request.shop.machines[2].kerf = Length::mm(2);
  saw::sequence(small.request, small.plan);
  EXPECT_TRUE(saw::verify(small.request, small.plan).empty())
      << describe(saw::verify(small.request, small.plan));
  bool narrow = false;
  bool wide = false;
  for (const SawCut& cut : small.plan.cuts) {
    narrow = narrow || cut.kerf == Length::mm(2);
    wide = wide || cut.kerf == Length::mm(4);
  }
  EXPECT_TRUE(narrow);
  EXPECT_TRUE(wide);
  EXPECT_NE(writePlan(small.request, small.plan).find("\"kerf\": 2.0"), std::string::npos);
}

TEST(Saw, cutOverTurnedRoundAndCleaned) {
  Small small;
  small.request.shop.cleaning = Cleaning::CutOver;
  small.request.keepShort = Length::mm(200);  // nothing is worth keeping: one strip after the other
  saw::sequence(small.request, small.plan);
  EXPECT_TRUE(saw::verify(small.request, small.plan).empty())
      << describe(saw::verify(small.request, small.plan));
  // The first strip is ripped 10 wide, then its factory edge is cut off at the strip's own width.
  const auto rip = [&](int at, FenceSide fence) {
    return std::any_of(small.plan.cuts.begin(), small.plan.cuts.end(), [&](const SawCut& cut) {
      return cut.direction == CutDirection::Rip && cut.at == Length::mm(at) && cut.fence == fence;
    });
  };
  EXPECT_TRUE(rip(210, FenceSide::Low));
  EXPECT_TRUE(rip(6, FenceSide::High));
}

TEST(Saw, bevelKerfIsRoundedUp) {
  EXPECT_EQ(bevelKerf(Length{}), Length{});
  EXPECT_EQ(bevelKerf(Length::nm(1)), Length::nm(2));              // 1.414...
  EXPECT_EQ(bevelKerf(Length::um(3'200)), Length::nm(4'525'484));  // 4.5254834...
  EXPECT_EQ(bevelKerf(Length::nm(5)), Length::nm(8));              // 7.07...
}

// A setting is not left while a piece at hand needs it, and none is set twice without need: two
// sheets cut alike need the settings of one.
TEST(Saw, equalSheetsShareTheirSettings) {
  Small small;
  const int once = small.plan.setups;
  small.plan.sheets.push_back(small.plan.sheets.front());
  for (Placement& p : small.plan.sheets[1].placements) p.copy += p.part == 0 ? 2 : 1;
  for (PartDemand& part : small.request.parts) part.quantity *= 2;
  small.plan.cost = Money::whole(20);
  small.plan.partArea += small.plan.partArea;
  small.plan.sheetArea += small.plan.sheetArea;
  saw::sequence(small.request, small.plan);
  EXPECT_EQ(small.plan.setups, once);
  EXPECT_EQ(small.plan.cuts.size(), 16U);
  EXPECT_TRUE(saw::verify(small.request, small.plan).empty());
}

TEST(Saw, planJsonIsTheContractToTheLetter) {
  const Small small;
  const std::string json = writePlan(small.request, small.plan);
  for (const char* piece :
       {"\"format\": \"plain-patch-plan\"", "\"kerf\": 4.0", "\"status\": \"complete\"",
        "\"yield\": 0.4808", "\"at\": 6.0", "\"fence\": \"high\"", "\"S1.15\",",
        "\"sheet_area\": 0.5", "\"saw_setups\": 4", "\"kind\": \"trim\",\n     \"gives\"",
        "\"kind\": \"final\""})
    EXPECT_NE(json.find(piece), std::string::npos) << piece << "\n" << json;
}

// Of every cut a plan says what it is for; each fault is found by name.
TEST(Saw, edgesAreFitToMeasureFrom) {
  const Small small;
  ASSERT_TRUE(saw::verifyEdges(small.request, small.plan).empty())
      << describe(saw::verifyEdges(small.request, small.plan));
  const auto trims = std::count_if(small.plan.cuts.begin(), small.plan.cuts.end(),
                                   [](const SawCut& cut) { return cut.kind == CutKind::Trim; });
  EXPECT_GE(trims, 2) << "two low edges";
  struct Fault {
    const char* name;
    CutKind from;
    std::function<void(SawCut&)> make;
    const char* found;
  };
  const Fault faults[] = {
      {"a trim that is set", CutKind::Trim, [](SawCut& cut) { cut.setup = 1; },
       "a cut to a mark with a setting"},
      {"a trim at a fence", CutKind::Trim, [](SawCut& cut) { cut.machine = "table saw"; },
       "a cut to a mark on the table saw"},
      {"a trim that measures", CutKind::Trim, [](SawCut& cut) { cut.kind = CutKind::Final; },
       "measured from an edge that is not clean"},
      {"a size by a trim", CutKind::Final, [](SawCut& cut) { cut.kind = CutKind::Trim; },
       "a cut to a mark with a setting"},
      {"a setting out of order", CutKind::Final, [](SawCut& cut) { cut.setup += 3; }, "setting"},
  };
  for (const Fault& fault : faults) {
    Plan broken = small.plan;
    const auto cut = std::find_if(broken.cuts.begin(), broken.cuts.end(),
                                  [&](const SawCut& one) { return one.kind == fault.from; });
    ASSERT_NE(cut, broken.cuts.end()) << fault.name;
    fault.make(*cut);
    const Problems problems = saw::verifyEdges(small.request, broken);
    ASSERT_FALSE(problems.empty()) << fault.name;
    EXPECT_TRUE(std::any_of(
        problems.begin(), problems.end(),
        [&](const Problem& one) { return one.found.find(fault.found) != std::string::npos; }))
        << fault.name << ": " << problems[0].found;
  }
  // The last size of a part given by a trim.
  Plan broken = small.plan;
  for (SawCut& cut : broken.cuts)
    if (cut.kind == CutKind::Final) {
      cut.kind = CutKind::Trim;
      cut.setup = 0;
    }
  const Problems problems = saw::verifyEdges(small.request, broken);
  EXPECT_TRUE(std::any_of(problems.begin(), problems.end(), [](const Problem& one) {
    return one.found == "a size that no final cut gives";
  }));
}

// Without a saw that cuts to a mark the edges are cleaned at the fence, and that is a setting.
TEST(Saw, aShopWithATableSawAloneSetsItForTrims) {
  Small small;
  std::erase_if(small.request.shop.machines,
                [](const Machine& one) { return one.kind != SawKind::Table; });
  saw::sequence(small.request, small.plan);
  EXPECT_TRUE(saw::verify(small.request, small.plan).empty());
  EXPECT_TRUE(saw::verifyEdges(small.request, small.plan).empty())
      << describe(saw::verifyEdges(small.request, small.plan));
  for (const SawCut& cut : small.plan.cuts) {
    EXPECT_NE(cut.kind, CutKind::Trim);
    EXPECT_GT(cut.setup, 0);
  }
}

}  // namespace
}  // namespace pp::saw_test
