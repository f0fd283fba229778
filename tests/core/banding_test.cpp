// Edge banding: the strips of the chart drawers worked by hand, what is glued when, whole strips
// from rolls, every banded edge of every piece once.
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/assembly/pages.h"
#include "core/breakdown/assign_ids.h"
#include "core/parts/banding.h"
#include "tests/core/taken.h"

namespace pp::banding_test {
namespace {

using bench::Bandings;
using bench::Glued;
using bench::Pieces;
using bench::Roll;
using bench::Strip;
using test::mm;
using test::Taken;

std::vector<Part> partsOf(const Job& job, const std::string& assembly = {}) {
  std::vector<Part> out = breakDown(job).parts;
  if (!assembly.empty())
    std::erase_if(out, [&](const Part& part) { return part.assembly != assembly; });
  return out;
}

Bandings bandingsOf(const Job& job, const std::string& assembly = {}) {
  return {bench::piecesAtBench({}, {}, partsOf(job, assembly)), job};
}

Job logWall() {
  return readJob("log wall", test::demo("log-wall")).value();
}

// "B1-06 w1 120.667 x1", a line a strip; before them how each roll is glued.
std::vector<std::string> written(const Bandings& of) {
  std::vector<std::string> out;
  for (const Roll& roll : of.rolls) {
    static constexpr const char* kGlued[] = {"before cuts", "on part", "on case", "between"};
    out.push_back(fmt::format("{}, {}, {}", roll.banding, roll.ends ? "ends" : "sides",
                              kGlued[static_cast<int>(roll.glued)]));
    for (const Strip& strip : roll.strips) {
      const Pieces& pieces = of.list.pieces()[strip.row];
      out.push_back(fmt::format("{} {} {:.3f} x{}", pieces.part.code,
                                kEdgeCodes[static_cast<std::size_t>(strip.edge)],
                                strip.length.inMm(), pieces.numbers.size()));
    }
  }
  return out;
}

// A half circle over a chord of 400: 200 pi. A taper from 300 to 0 wide over 400: 500.
TEST(Banding, isAsLongAsTheEdgeAsItIsShaped) {
  Part part;
  part.length = Reason("l", mm(400));
  part.width = Reason("w", mm(300));
  Machining arc;
  arc.cut = MachiningKind::Arc;
  arc.from = Edge::L1;
  arc.depth = mm(200);
  part.machining = {arc};
  EXPECT_EQ(shapedLength(part, Edge::L1), Length::um(628'319));
  EXPECT_EQ(shapedLength(part, Edge::L2), mm(400));
  Machining taper;
  taper.cut = MachiningKind::Taper;
  taper.from = Edge::L2;
  taper.u1 = mm(400);
  taper.v0 = mm(300);
  part.machining = {taper};
  EXPECT_EQ(shapedLength(part, Edge::L2), mm(500));
  EXPECT_EQ(stripFor(part, Edge::L2, {}), mm(500) + Tools{}.bandBeyond);
}

// Six fronts 821 by 107 2/3 in 6 mm lipping all round, sides of 750, bottom and top of 866.4
// between them (890 less two sides of 17.8 and two dados of 6). Ends first: across a front the
// strip is 107 2/3 less two lippings and 25 over, along it 821 and 25.
TEST(BandingByRoll, ofTheChartDrawersIsThatWorkedByHand) {
  const Bandings of = bandingsOf(logWall(), "B1");
  std::vector<std::string> wanted = {"ash lipping, ends, on part"};
  const char* const fronts[] = {"B1-06", "B1-14", "B1-15", "B1-16", "B1-17", "B1-18"};
  for (const char* front : fronts)
    for (const char* edge : {"w1", "w2"})
      wanted.push_back(std::string(front) + " " + edge + " 120.667 x1");
  wanted.emplace_back("ash lipping, sides, on part");
  for (const char* front : fronts)
    for (const char* edge : {"l1", "l2"})
      wanted.push_back(std::string(front) + " " + edge + " 846.000 x1");
  for (const char* line :
       {"ash iron-on, sides, on case", "B1-01 l1 775.000 x1", "B1-02 l1 775.000 x1",
        "ash iron-on, sides, between", "B1-03 l1 891.400 x1", "B1-04 l1 891.400 x1"})
    wanted.emplace_back(line);
  EXPECT_EQ(written(of), wanted);
  ASSERT_EQ(of.counts.size(), 2U);
  for (const bench::RollCount& count : of.counts) {
    const bool lipping = count.banding == "ash lipping";
    EXPECT_EQ(count.strips, lipping ? 24 : 4);
    // 12 * 846 + 12 * 120 2/3; 2 * 775 + 2 * 891.4
    EXPECT_NEAR(count.run.inMm(), lipping ? 11'600.0 : 3'332.8, 0.001);
    // Bars of 2 400: two of 846 and five of 120 2/3 each, the sixth pair with two.
    EXPECT_EQ(count.rolls, lipping ? 6 : 1);
  }
  EXPECT_TRUE(of.bare.empty());
}

TEST(BandingByRoll, theOtherEdgesFirstCoversTheOthers) {
  Job job = logWall();
  job.shop.tools.bandFirst = BandFirst::Sides;
  job.shop.tools.bandBeyond = mm(40);
  const Bandings of = bandingsOf(job, "B1");
  // The long edges stand between the ends now: 821 less two lippings, and 40.
  EXPECT_FALSE(of.rolls[0].ends);
  EXPECT_EQ(of.rolls[0].strips[0].length, mm(821 - 12 + 40));
  EXPECT_TRUE(of.rolls[1].ends);
  EXPECT_NEAR(of.rolls[1].strips[0].length.inMm(), 107.667 + 40, 0.001);
}

// Mitred corners are banded before the bevels; its shelves as they are.
TEST(BandingByRoll, ofAMitredCaseComesBeforeTheBevels) {
  const Bandings of = bandingsOf(readJob("console", test::demo("specimen-console")).value());
  ASSERT_EQ(of.rolls.size(), 2U);
  EXPECT_EQ(of.rolls[0].glued, Glued::BeforeCuts);
  EXPECT_EQ(of.rolls[0].strips.size(), 4U);
  EXPECT_EQ(of.rolls[0].strips[0].length, mm(925));
  EXPECT_EQ(of.rolls[1].glued, Glued::OnPart);
}

// Sides run through, the bottom and the top go between them, the divider between those.
TEST(BandingByRoll, goesFromWhatRunsThroughToWhatSitsInIt) {
  const Bandings of = bandingsOf(logWall(), "B2");
  const auto rollOf = [&](PartRole role) {
    for (std::size_t i = 0; i < of.rolls.size(); ++i)
      for (const Strip& strip : of.rolls[i].strips)
        if (of.list.pieces()[strip.row].part.role == role) return static_cast<int>(i);
    return -1;
  };
  const int sides = rollOf(PartRole::LeftSide);
  const int bottom = rollOf(PartRole::Bottom);
  const int divider = rollOf(PartRole::Divider);
  ASSERT_GE(sides, 0);
  EXPECT_EQ(of.rolls[static_cast<std::size_t>(sides)].glued, Glued::OnCase);
  EXPECT_EQ(rollOf(PartRole::RightSide), sides);
  EXPECT_EQ(of.rolls[static_cast<std::size_t>(bottom)].glued, Glued::Between);
  EXPECT_EQ(rollOf(PartRole::Top), bottom);
  EXPECT_EQ(of.rolls[static_cast<std::size_t>(divider)].glued, Glued::Between);
  EXPECT_LT(sides, bottom);
  EXPECT_LT(bottom, divider);
  // What is not joined to a banded edge is banded by itself.
  EXPECT_EQ(of.rolls[static_cast<std::size_t>(rollOf(PartRole::AdjustableShelf))].glued,
            Glued::OnPart);
}

// 2 x 1 300 and 2 x 1 000 come to 4 600, under two bars of 2 400, but no two of 1 300 share one.
TEST(BandingByRoll, stripsAreCutWhole) {
  Job job = logWall();
  job.bandings = {{"b", "edging", mm(1), mm(22), {}, mm(2'400)}};
  job.shop.tools.bandBeyond = {};
  const auto board = [](const char* code, Length length) {
    Part part;
    part.code = code;
    part.length = Reason("length", length);
    part.width = Reason("width", mm(300));
    part.bands[0] = "b";
    part.quantity = 2;
    return part;
  };
  const auto rolls = [&](Length one, Length other) {
    const Bandings of(bench::piecesAtBench({}, {}, {board("A-01", one), board("A-02", other)}),
                      job);
    return of.counts.at(0).rolls;
  };
  EXPECT_EQ(rolls(mm(1'300), mm(1'000)), 2);
  EXPECT_EQ(rolls(mm(1'300), mm(1'101)), 3)
      << "no 1 300 has room for a 1 101, two of those for one";
  EXPECT_EQ(rolls(mm(1'200), mm(1'200)), 2);
  EXPECT_EQ(rolls(mm(2'500), mm(100)), 3) << "a strip longer than a roll is one by itself";
}

TEST(BandingByRoll, edgesThatAreSeenAndBareAreListed) {
  const Job job = logWall();
  std::vector<Part> parts = partsOf(job, "B1");
  for (Part& part : parts)
    if (part.role == PartRole::LeftSide) part.bands = {};
  const Bandings of(bench::piecesAtBench({}, {}, parts), job);
  ASSERT_EQ(of.bare.size(), 1U);
  const Part& part = of.list.pieces()[of.bare[0].row].part;
  EXPECT_EQ(part.role, PartRole::LeftSide);
  EXPECT_EQ(part.edges[static_cast<std::size_t>(of.bare[0].edge)], Side::Front);
  // A bar's edges are what they are.
  for (Part& one : parts)
    if (one.role == PartRole::LeftSide) one.lumber = true;
  EXPECT_TRUE(bench::bareEdges(bench::piecesAtBench({}, {}, parts)).empty());
}

// An edge that is banded and a dado that is cut are two things done to one piece.
TEST(BandingByRoll, isWorkedOffBesideTheMachining) {
  Taken taken;
  taken.cutAll();
  const auto pieces = bench::piecesAtBench(taken.record.cuttings, taken.now(), taken.drawn);
  const Bandings banding(pieces, taken.job);
  const bench::Machinings machining(pieces, taken.drawn, taken.job);
  const auto machinings = machining.list.ready(taken.now());
  const auto all = std::ssize(banding.list.steps());
  ASSERT_EQ(banding.list.ready(taken.now()), all);
  for (std::ptrdiff_t i = 0; i < all; ++i) {
    const auto next = banding.list.next(taken.now());
    ASSERT_TRUE(next);
    const Event made = banding.list.done(banding.list.steps()[*next]);
    EXPECT_EQ(made.kind, EventKind::Banded);
    Event& event = taken.note(made.kind, 0);
    event.piece = made.piece;
    event.name = made.name;
    ASSERT_EQ(taken.ignored(), "");
  }
  EXPECT_FALSE(banding.list.next(taken.now()));
  EXPECT_EQ(machining.list.ready(taken.now()), machinings);
  const Event* last = bench::lastDone(banding.list, taken.record.events, taken.now());
  ASSERT_NE(last, nullptr);
  EXPECT_EQ(last, &taken.record.events.back());
  EXPECT_EQ(bench::lastDone(machining.list, taken.record.events, taken.now()), nullptr);
}

// Every banded edge once, no strip shorter than what it covers, what is longer before what is
// shorter; whatever sits between two bandings comes after both.
RC_GTEST_PROP(BandingByRoll, hasEveryBandedEdgeOnce, ()) {
  Job job = *rc::gen::oneOf(test::buildableJob(), test::buildableGroup(), test::buildableKind());
  if (*rc::gen::arbitrary<bool>()) job.shop.tools.bandFirst = BandFirst::Sides;
  const std::vector<Part> parts = breakDown(job).parts;
  const Bandings of(bench::piecesAtBench({}, {}, parts), job);
  std::map<std::pair<std::string, Edge>, std::size_t> rollOf;
  for (std::size_t i = 0; i < of.rolls.size(); ++i) {
    const Roll& roll = of.rolls[i];
    if (i > 0) RC_ASSERT(of.rolls[i - 1].glued <= roll.glued);
    for (std::size_t k = 0; k < roll.strips.size(); ++k) {
      const Strip& strip = roll.strips[k];
      const Part& part = of.list.pieces()[strip.row].part;
      RC_ASSERT(isEnd(strip.edge) == roll.ends);
      RC_ASSERT(part.band(strip.edge) == roll.banding);
      RC_ASSERT(rollOf.emplace(std::pair(part.code, strip.edge), i).second);
      const Length cut = isEnd(strip.edge) ? part.cutWidth() : part.cutLength();
      RC_ASSERT(strip.length >= cut + job.shop.tools.bandBeyond);
      if (k > 0) RC_ASSERT(roll.strips[k - 1].length >= strip.length);
    }
  }
  std::size_t edges = 0;
  for (const Part& part : parts)
    for (const Edge edge : kEdges) edges += part.band(edge).empty() ? 0 : 1;
  RC_ASSERT(rollOf.size() == edges);
  std::size_t steps = 0;
  for (const Part& part : parts)
    for (const Edge edge : kEdges)
      steps += part.band(edge).empty() ? 0 : static_cast<std::size_t>(part.quantity);
  RC_ASSERT(of.list.steps().size() == steps);
}

}  // namespace
}  // namespace pp::banding_test
