// Cuts that only part what is cut on may lie anywhere within their play: whatever they come to,
// every part has its size and four clean edges, and leftovers are what was promised.
#include <fmt/format.h>
#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <functional>
#include <map>
#include <set>

#include "core/saw/edges.h"
#include "core/saw/sequence.h"
#include "core/saw/takedown.h"
#include "measurements/families.h"
#include "tests/core/nest_support.h"

namespace pp::rough_test {
namespace {

using test::demand;
using test::supply;

const Length kMm = Length::mm(1);

// One sheet of 2 000 by 1 000, trim 10, kerf 4. Two rows, of parts 400 by 200 and of one 900 by
// 100, and nothing above or beside them.
struct Plain {
  NestRequest request;
  PlannedSheet sheet;
  Plain() {
    request.kerf = Length::mm(4);
    request.parts = {demand("A", Length::mm(400), Length::mm(200), 2),
                     demand("B", Length::mm(900), Length::mm(100), 1)};
    request.stock = {supply("S", 2'000, 1'000, 1, 10)};
    request.stock[0].trim = Length::mm(10);
    const auto placed = [](std::size_t part, std::int64_t copy, int dx, int dy) {
      return Placement{part, copy, {}, {}, Length::mm(dx), Length::mm(dy), false};
    };
    sheet.placements = {placed(0, 1, 400, 200), placed(0, 2, 400, 200), placed(1, 1, 900, 100)};
    const auto leaf = [this](std::size_t i) {
      return CutTree{CutTree::Kind::Part, sheet.placements[i].dx, sheet.placements[i].dy, i, {}};
    };
    const CutTree row{CutTree::Kind::Row, Length::mm(804), Length::mm(200), 0, {leaf(0), leaf(1)}};
    sheet.tree = {CutTree::Kind::Column, Length::mm(900), Length::mm(304), 0, {row, leaf(2)}};
  }
};

std::string words(const saw::Takedown& taken) {
  std::string out;
  for (const saw::Cut& cut : taken.cuts) {
    const char* kinds[] = {"trim", "rough", "over", "final"};
    out += std::string(kinds[static_cast<std::size_t>(cut.kind)]) +
           (cut.direction == CutDirection::Rip ? " rip " : " cross ") + formatMm(cut.at);
    if (cut.play) out += " to " + formatMm(cut.play->to);
    out += "; ";
  }
  return out;
}

TEST(Rough, partsFromWhatIsLeftOver) {
  Plain plain;
  const auto taken = [&plain](saw::Roughs roughs) {
    PlannedSheet sheet = plain.sheet;
    return saw::takeDown(plain.request, saw::countSizes(plain.request), sheet, roughs);
  };
  // All four edges trimmed: 1 980 by 980. The larger leftover is above: at 304 exactly, of which
  // nothing has the size; then 900 is a part's, and 200 and 400.
  EXPECT_EQ(words(taken(saw::Roughs::None)),
            "trim rip 6; trim rip 980; trim cross 6; trim cross 1980; final rip 304; "
            "final cross 900; final rip 200; final cross 400; final cross 400; ");
  // Roughly: from 304 and 2 on, 8 of play; B is then cut to its 100.
  const saw::Takedown rough = taken(saw::Roughs::Leftovers);
  EXPECT_EQ(words(rough),
            "trim rip 6; trim rip 980; trim cross 6; trim cross 1980; rough rip 306 to 314; "
            "final cross 900; final rip 200; final cross 400; final cross 400; "
            "final rip 100; ");
  ASSERT_EQ(rough.leftovers.size(), 2U);
  // Above the rough cut: 980 - 306 - 4 = 670, of which 8 are not sure. Beside the parts 1 980 -
  // 904, of which only 304 are sure in height.
  EXPECT_EQ(rough.leftovers[0], (Leftover{"", Length::mm(10), Length::mm(10 + 310 + 8),
                                          Length::mm(1'980), Length::mm(662)}));
  EXPECT_EQ(rough.leftovers[1], (Leftover{"", Length::mm(10 + 904), Length::mm(10),
                                          Length::mm(1'076), Length::mm(304)}));
}

// The same under a block of four and something that is kept: both groups part roughly, since what
// is kept leaves room for it, and the edges of what comes after are cleaned.
TEST(Rough, groupsFromOneAnother) {
  Plain plain;
  plain.request.parts.push_back(demand("C", Length::mm(450), Length::mm(120), 4));
  for (std::int64_t copy = 1; copy <= 4; ++copy)
    plain.sheet.placements.push_back({2, copy, {}, {}, Length::mm(450), Length::mm(120), false});
  const auto leaf = [](std::size_t i) {
    return CutTree{CutTree::Kind::Part, Length::mm(450), Length::mm(120), i, {}};
  };
  const CutTree row{CutTree::Kind::Row, Length::mm(904), Length::mm(120), 0, {leaf(3), leaf(4)}};
  const CutTree over{CutTree::Kind::Row, Length::mm(904), Length::mm(120), 0, {leaf(5), leaf(6)}};
  const CutTree block{CutTree::Kind::Column, Length::mm(904), Length::mm(244), 0, {row, over}};
  CutTree rest{CutTree::Kind::Leftover, Length::mm(980 - 304 - 4 - 244 - 4), {}, 0, {}};
  std::swap(rest.dx, rest.dy);
  rest.dx = Length::mm(904);
  const CutTree column = plain.sheet.tree;
  plain.sheet.tree = {
      CutTree::Kind::Column, Length::mm(904), Length::mm(980), 0, {column, block, rest}};
  const auto all =
      saw::takeDown(plain.request, saw::countSizes(plain.request), plain.sheet, saw::Roughs::All);
  // From 304 and 2 on, then a trim past the 8 of play and 2, blade included; and the same again
  // above the block of 244.
  EXPECT_NE(words(all).find("rough rip 306 to 314; "), std::string::npos) << words(all);
  EXPECT_NE(words(all).find("trim rip 6; rough rip 246 to 254; "), std::string::npos) << words(all);
  const auto none =
      saw::takeDown(plain.request, saw::countSizes(plain.request), plain.sheet, saw::Roughs::None);
  for (const char* set : {"final rip 304; ", "final rip 244; "})
    EXPECT_NE(words(none).find(set), std::string::npos) << words(none);
}

// A plan with at least one rough cut, on two sheets.
struct Roughed {
  NestRequest request;
  Plan plan;
  Roughed() {
    Plain plain;
    request = plain.request;
    plan.sheets = {plain.sheet};
    for (int i = 0; i < 3; ++i) {
      // More that is 100 wide: so that its setting is there already.
      request.parts.push_back(
          demand("D" + std::to_string(i), Length::mm(900 - i), Length::mm(100), 1));
    }
    PlannedSheet second;
    second.placements = {{2, 1, {}, {}, Length::mm(900), Length::mm(100), false},
                         {3, 1, {}, {}, Length::mm(899), Length::mm(100), false},
                         {4, 1, {}, {}, Length::mm(898), Length::mm(100), false}};
    const auto leaf = [&second](std::size_t i) {
      return CutTree{CutTree::Kind::Part, second.placements[i].dx, Length::mm(100), i, {}};
    };
    second.tree = {
        CutTree::Kind::Column, Length::mm(900), Length::mm(308), 0, {leaf(0), leaf(1), leaf(2)}};
    plan.sheets.push_back(second);
    request.stock[0].quantity = 2;
    plan.cost = Money::whole(20);
    saw::sequence(request, plan);
  }
  SawCut* first(CutKind kind) {
    for (SawCut& cut : plan.cuts)
      if (cut.kind == kind) return &cut;
    return nullptr;
  }
};

TEST(Rough, isTakenWhereItSavesASetting) {
  Roughed one;
  ASSERT_NE(one.first(CutKind::Rough), nullptr);
  EXPECT_TRUE(saw::verifyEdges(one.request, one.plan).empty())
      << describe(saw::verifyEdges(one.request, one.plan));
  EXPECT_EQ(one.first(CutKind::Rough)->setup, 0);
}

TEST(Rough, everyFaultIsFound) {
  struct Fault {
    const char* name;
    std::function<void(Roughed&)> make;
    const char* found;
  };
  const Fault faults[] = {
      {"outside its play",
       [](Roughed& one) {
         one.first(CutKind::Rough)->play->to = one.first(CutKind::Rough)->at - kMm;
       },
       "outside its play"},
      {"none", [](Roughed& one) { one.first(CutKind::Rough)->play.reset(); }, "outside its play"},
      {"of a final cut",
       [](Roughed& one) {
         one.first(CutKind::Final)->play = Play{{}, kMm};
       },
       "a play"},
      {"set", [](Roughed& one) { one.first(CutKind::Rough)->setup = 1; },
       "a cut to a mark with a setting"},
      {"on the table saw", [](Roughed& one) { one.first(CutKind::Rough)->machine = "table saw"; },
       "a cut to a mark on the table saw"},
      {"so early that a part beside it is too small",
       [](Roughed& one) {
         Play& play = *one.first(CutKind::Rough)->play;
         play.from = play.from - Length::mm(120);
       },
       ", which may not be there"},
      {"so late that less is left over",
       [](Roughed& one) {
         Play& play = *one.first(CutKind::Rough)->play;
         play.to = play.to + Length::nm(1);
       },
       ".999999"},
      {"as if it gave an exact place",
       [](Roughed& one) {
         // Its far edge is measured from.
         const SawCut rough = *one.first(CutKind::Rough);
         std::set<std::string> beside = {*rough.low};
         for (SawCut& cut : one.plan.cuts) {
           if (beside.count(cut.piece) == 0) continue;
           if (cut.direction == rough.direction) {
             cut.fence = FenceSide::High;
             return;
           }
           beside.insert({cut.low.value_or(""), cut.high.value_or("")});
         }
       },
       "measured from an edge that is not clean"},
  };
  for (const Fault& fault : faults) {
    SCOPED_TRACE(fault.name);
    Roughed one;
    fault.make(one);
    const Problems problems = saw::verifyEdges(one.request, one.plan);
    ASSERT_FALSE(problems.empty());
    EXPECT_TRUE(std::any_of(problems.begin(), problems.end(), [&](const Problem& problem) {
      return problem.found.find(fault.found) != std::string::npos;
    })) << describe(problems);
  }
}

// One with a pencil: every rough cut comes to anything within its play, and everything else is
// measured from the edge it says.
class Sawyer {
 public:
  Sawyer(const NestRequest& request, const Plan& plan, std::uint64_t seed)
      : request_(request), plan_(plan), random_(seed) {}

  void cutAll() {
    const auto planned = saw::madeCuts(request_, plan_).value();
    for (std::size_t i = 0; i < plan_.sheets.size(); ++i) {
      const StockSupply& stock = request_.stock[plan_.sheets[i].stock];
      const bool clean = stock.trim == Length{};
      pieces_[sheetName(request_, plan_, i)] = {
          Edge{Length{}, clean}, {stock.length, clean}, {Length{}, clean}, {stock.width, clean}};
    }
    for (std::size_t i = 0; i < plan_.cuts.size(); ++i) make(plan_.cuts[i], planned[i].piece);
    for (const PieceEnd& end : plan_.ends) judge(end);
  }
  int roughs() const { return roughs_; }

 private:
  struct Edge {
    Length at;
    bool clean = false;
  };
  using Sides = std::array<Edge, 4>;  // low and high along x, then along y

  void make(const SawCut& cut, const saw::PlayedPiece& planned) {
    const Sides piece = pieces_.at(cut.piece);
    pieces_.erase(cut.piece);
    const bool rip = cut.direction == CutDirection::Rip;
    const std::size_t a = rip ? 2 : 0;
    const Edge& low = piece[a];
    const Edge& high = piece[a + 1];
    const bool fromLow = cut.fence == FenceSide::Low;
    const Length mark = (rip ? planned.y : planned.x) + cut.at;
    Length near = fromLow ? low.at + cut.distance : high.at - cut.distance - cut.kerf;
    if (cut.kind == CutKind::Trim && !(fromLow ? low : high).clean) near = mark;
    if (cut.kind == CutKind::Rough) {
      ++roughs_;
      const std::int64_t room = (cut.play->to - cut.play->from).inNm();
      const Length ways[] = {cut.play->from, cut.play->to,
                             cut.play->from + Length::nm(static_cast<std::int64_t>(
                                                  random_.below(static_cast<std::size_t>(room))))};
      near = (rip ? planned.y : planned.x) + ways[random_.below(3)];
    }
    EXPECT_TRUE(cut.kind != CutKind::Final || (fromLow ? low : high).clean) << cut.step;
    EXPECT_TRUE(near > low.at || isWaste(cut.low)) << cut.step;
    EXPECT_TRUE(high.at > near + cut.kerf || isWaste(cut.high)) << cut.step;
    EXPECT_TRUE(near < high.at && near + cut.kerf > low.at) << cut.step << " misses its piece";
    const bool clean = cut.kind != CutKind::Rough;
    if (cut.low) (pieces_[*cut.low] = piece)[a + 1] = {near, clean};
    if (cut.high) (pieces_[*cut.high] = piece)[a] = {near + cut.kerf, clean};
  }

  // What comes off may be dust.
  bool isWaste(const std::optional<std::string>& piece) const {
    return !piece || std::any_of(plan_.ends.begin(), plan_.ends.end(), [&](const PieceEnd& end) {
      return end.piece == *piece && end.kind == PieceEnd::Kind::Waste;
    });
  }

  void judge(const PieceEnd& end) const {
    const Sides& sides = pieces_.at(end.piece);
    const Length dx = sides[1].at - sides[0].at;
    const Length dy = sides[3].at - sides[2].at;
    if (end.kind == PieceEnd::Kind::Part) {
      const Placement& wanted = plan_.sheets[end.sheet].placements[end.index];
      EXPECT_EQ(dx, wanted.dx) << end.piece;
      EXPECT_EQ(dy, wanted.dy) << end.piece;
      for (const Edge& side : sides) EXPECT_TRUE(side.clean) << end.piece;
    }
    if (end.kind == PieceEnd::Kind::Leftover) {
      const Leftover& kept = plan_.sheets[end.sheet].leftovers[end.index];
      EXPECT_GE(dx, kept.dx) << end.piece;
      EXPECT_GE(dy, kept.dy) << end.piece;
    }
  }

  const NestRequest& request_;
  const Plan& plan_;
  nest::Random random_;
  std::map<std::string, Sides> pieces_;
  int roughs_ = 0;
};

// With another saw than a track saw: its edges are not clean.
Shop withCircularSaw() {
  Shop shop;
  shop.machines[0] = {"circular saw", SawKind::Circular, {}, {}, {}, {}, true};
  return shop;
}

// A part of 400 by 200 from a sheet of 1 000 by 500 with 10 of edge: 6 are reserved round it, and a
// rough cut may lie 3 off.
TEST(RoughShop, aPartGetsFourFinalEdges) {
  NestRequest request;
  request.kerf = Length::mm(4);
  request.shop = withCircularSaw();
  request.parts = {demand("A", Length::mm(400), Length::mm(200), 1, PartGrain::Length)};
  request.stock = {supply("S", 1'000, 500, 1, 10)};
  request.stock[0].trim = Length::mm(10);
  const Plan plan = nest::nest(request, test::steps(10));
  std::string text;
  for (const SawCut& cut : plan.cuts) {
    const char* kinds[] = {"trim", "rough", "over", "final"};
    text += fmt::format("{} {} {} at {}", cut.machine, kinds[static_cast<std::size_t>(cut.kind)],
                        cut.direction == CutDirection::Rip ? "rip" : "cross", formatMm(cut.at));
    if (cut.play)
      text += fmt::format(" ({} to {})", formatMm(cut.play->from), formatMm(cut.play->to));
    text += "; ";
  }
  // 10 + 412 of length and 10 + 212 of width are parted off. Then 203 from the rough edge, turned,
  // 200 from the clean one: 3 less a blade come off. The end is trimmed by 10 + 6, blade included,
  // and the length cut to the stop.
  EXPECT_EQ(text,
            "crosscut sled rough cross at 422 (419 to 425); "
            "circular saw rough rip at 222 (219 to 225); "
            "table saw over rip at 203; table saw final rip at -1; "
            "crosscut sled trim cross at 12; crosscut sled final cross at 400; ");
  EXPECT_EQ(plan.setups, 3);
  ASSERT_EQ(plan.sheets[0].leftovers.size(), 2U);
  // Beside the part 412 less 3 that are not sure; beyond the first cut 1 000 - 426 - 10 less 3.
  EXPECT_EQ(plan.sheets[0].leftovers[0].dx, Length::mm(409));
  EXPECT_EQ(plan.sheets[0].leftovers[1].dx, Length::mm(561));
}

TEST(RoughShop, whatDoesNotLeaveRoomForItsEdgesIsNotPlaced) {
  NestRequest request;
  request.kerf = Length::mm(4);
  request.parts = {demand("A", Length::mm(970), Length::mm(200), 1)};
  request.stock = {supply("S", 1'000, 500, 1, 10)};
  request.stock[0].trim = Length::mm(10);
  EXPECT_TRUE(nest::nest(request, test::steps(10)).complete());
  request.shop = withCircularSaw();
  EXPECT_FALSE(nest::nest(request, test::steps(10)).complete()) << "980 are free, 982 needed";
  request.shop.allowance = Length::mm(5);
  EXPECT_TRUE(nest::nest(request, test::steps(10)).complete());
}

TEST(RoughShop, aTrackSawMakesItNone) {
  Shop shop = withCircularSaw();
  EXPECT_TRUE(shop.partsRoughly());
  shop.machines.push_back({"track saw", SawKind::Track, {}, {}, {}, {}, true});
  EXPECT_FALSE(shop.partsRoughly());
  EXPECT_FALSE(Shop().partsRoughly());
}

TEST(Rough, everyFamilyIsCutRightWhateverTheRoughCutsComeTo) {
  int roughs = 0;
  const auto cut = [&roughs](const bench::Instance& instance, const Shop& shop, Goal goal) {
    SCOPED_TRACE(instance.name);
    NestRequest request = instance.request;
    request.shop = shop;
    request.goal = goal;
    nest::NestOptions options;
    options.steps = 60;
    options.threads = 1;
    const Plan plan = nest::nest(request, options);
    for (std::uint64_t round = 1; round <= 5; ++round) {
      Sawyer sawyer(request, plan, round);
      sawyer.cutAll();
      roughs += sawyer.roughs();
    }
  };
  std::vector<Shop> shops(2);
  shops[1].cleaning = Cleaning::CutOver;
  shops.push_back(withCircularSaw());
  for (std::uint64_t seed = 1; seed <= 3; ++seed)
    for (const auto& shop : shops) {
      const Goal goal = seed % 2 == 0 ? Goal::Setups : Goal::Cost;
      cut(bench::cabinet(seed), shop, goal);
      cut(bench::mixedStock(seed), shop, goal);
      cut(bench::planted(seed, 3, 0.9), shop, goal);
      cut(bench::standardClass(static_cast<int>(seed), 40, seed), shop, goal);
      cut(bench::large(seed, 150), shop, goal);
    }
  EXPECT_GT(roughs, 600) << "plans have rough cuts to be tried";
}

}  // namespace
}  // namespace pp::rough_test
