// Bars in the sequence of cuts: ripped to width, then a stop for each length, longest first.
#include <gtest/gtest.h>

#include "core/floor/at_saw.h"
#include "core/saw/bar_cuts.h"
#include "tests/core/support.h"

namespace pp::bar_cuts_test {
namespace {

using test::mm;

BarPart wanted(const char* code, double length, std::int64_t quantity) {
  BarPart out;
  out.material = "maple";
  out.width = mm(40);
  out.wanted.code = code;
  out.wanted.length = mm(length);
  out.wanted.quantity = quantity;
  return out;
}

// Two of 600 and one of 400, from bars of 1 300 that are so wide.
Cutting cutting(double wide) {
  CuttingPlan plan;
  plan.request.barKerf = mm(4);
  plan.request.barParts = {wanted("A", 400, 1), wanted("B", 600, 2)};
  BarSupply bar;
  bar.material = "maple";
  bar.width = mm(wide);
  bar.bar.id = "M";
  bar.bar.length = mm(1'300);
  plan.request.barStock = {bar};
  BarList list;
  list.parts = {0, 1};
  list.stock = {0};
  list.plan.bars = {{0, {1, 1}, mm(92)}, {0, {0}, mm(896)}};
  plan.plan.bars = {list};
  for (int i = 0; i < 2; ++i) plan.lumber.emplace_back();
  Cutting out;
  out.number = 1;
  out.bars = saw::barCuts(plan);
  out.plans.push_back(std::move(plan));
  return out;
}

std::string words(const std::vector<saw::BarCut>& cuts) {
  std::string out;
  for (const saw::BarCut& one : cuts)
    out += one.cut.piece + (one.cut.direction == CutDirection::Rip ? " rip " : " at ") +
           formatMm(one.cut.distance) + " set " + std::to_string(one.cut.setup) + " after " +
           std::to_string(one.after) +
           (one.piece ? " gives " + one.piece->code + " " + std::to_string(one.piece->number)
                      : std::string()) +
           (one.cut.high ? " leaves " + *one.cut.high : std::string()) + "\n";
  return out;
}

TEST(BarCuts, aStopForEachLengthLongestFirst) {
  EXPECT_EQ(words(saw::barCuts(cutting(40).plans[0])),
            "R1 at 600 set 1 after 0 gives B 1 leaves R1\n"
            "R1 at 600 set 1 after 1 gives B 2 leaves R1\n"
            "R2 at 400 set 2 after 0 gives A 1 leaves R2\n");
}

// 90 wide gives two strips of 40: (90 + 4) / (40 + 4).
TEST(BarCuts, aWideBarIsRippedFirst) {
  EXPECT_EQ(words(saw::barCuts(cutting(90).plans[0])),
            "R1 rip 40 set 1 after 0 leaves R1\n"
            "R1 rip 40 set 1 after 1 leaves R1\n"
            "R1-1 at 600 set 2 after 1 gives B 1 leaves R1-1\n"
            "R1-1 at 600 set 2 after 3 gives B 2 leaves R1-1\n"
            "R1-2 at 400 set 3 after 2 gives A 1 leaves R1-2\n");
}

TEST(BarCuts, areNotedAndTakenBackLikeAllOthers) {
  const std::vector<Cutting> cuttings = {cutting(90)};
  std::vector<Event> events;
  const auto note = [&events](EventKind kind, int step) {
    Event event;
    event.kind = kind;
    event.cutting = 1;
    event.step = step;
    events.push_back(following(events, event));
  };
  const auto now = [&] { return floor::progress(cuttings, events); };
  note(EventKind::Taken, 0);
  note(EventKind::CutMade, 3);
  EXPECT_EQ(now().ignored.back().why, "piece R1-1 is not there");
  note(EventKind::CutMade, 1);
  note(EventKind::CutMade, 3);
  EXPECT_EQ(now().good("B"), 1);
  EXPECT_EQ(floor::partsDone(cuttings[0], now()).done, 1);
  EXPECT_EQ(floor::partsDone(cuttings[0], now()).of, 3);
  note(EventKind::CutMade, 3);
  EXPECT_EQ(now().ignored.back().why, "that cut is made already");
  note(EventKind::CutTakenBack, 1);
  EXPECT_EQ(now().ignored.back().why, "piece R1 is cut further or gone");
  note(EventKind::CutTakenBack, 3);
  EXPECT_EQ(now().good("B"), 0);
  note(EventKind::CutTakenBack, 1);
  EXPECT_TRUE(now().cuttings.at(1).bars.empty());
  note(EventKind::CutMade, 6);
  EXPECT_EQ(now().ignored.back().why, "there is no such cut of a bar");
  note(EventKind::CutTakenBack, 5);
  EXPECT_EQ(now().ignored.back().why, "that cut was not made");
  EXPECT_EQ(now().ignored.size(), 5U);
}

TEST(BarCuts, comeAfterThoseOfTheSheetsAtTheSaw) {
  const Cutting one = cutting(90);
  floor::CuttingProgress at = floor::begun(one.plans[0]);
  const floor::AtSaw saw(one, at);
  ASSERT_EQ(saw.cuts(), 5U);
  EXPECT_TRUE(saw.isBar(0));
  EXPECT_EQ(saw.stock(0), nullptr);
  EXPECT_EQ(saw.settingsLeft(), 3);
  for (std::size_t i = 0; i < 5; ++i) {
    ASSERT_EQ(saw.next(), i);
    EXPECT_EQ(saw.number(i), static_cast<int>(i) + 1);
    at.bars.insert(saw.cut(i).step);
  }
  EXPECT_FALSE(saw.next());
  EXPECT_EQ(saw.low(2).name, "B");
  EXPECT_EQ(saw.high(2).nextStep, 4) << "by its number in the whole sequence";
  EXPECT_EQ(saw.high(3).what, saw::Becomes::What::Waste);
  EXPECT_EQ(saw.geometry(4).piece.dx, mm(1'300));
  EXPECT_EQ(saw.spares(4), 2) << "896 are left: (896 + 4) / 404";
}

}  // namespace
}  // namespace pp::bar_cuts_test
