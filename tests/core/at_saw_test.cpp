// A cutting as the one at the saw sees it: what is next, what lies there, what comes off.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/floor/at_saw.h"
#include "tests/core/taken.h"

namespace pp::at_saw_test {
namespace {

using floor::AtSaw;
using saw::Becomes;

// The trolley at the saw, and what has been noted of it.
struct Sawing {
  test::Taken taken = model();
  floor::Progress now;

  // Laid out once for all tests.
  static const test::Taken& model() {
    static const test::Taken kModel;
    return kModel;
  }

  floor::Count parts() const { return floor::partsDone(taken.record.cuttings[0], taken.now()); }
  AtSaw at() {
    now = taken.now();
    return {taken.plan(), 1, now.cuttings.at(1)};
  }
};

TEST(AtSaw, beginsWithTheFirstCutAndEndsWhenAllAreMade) {
  Sawing sawing;
  AtSaw saw = sawing.at();
  EXPECT_EQ(saw.next(), 0U);
  EXPECT_FALSE(sawing.taken.ledger().back(1)) << "nothing to take back";
  EXPECT_EQ(sawing.parts().done, 0);
  EXPECT_EQ(sawing.parts().of, 29);
  std::int64_t settings = saw.settingsLeft();
  EXPECT_EQ(settings, sawing.taken.plan().plan.setups);
  for (int step = 1; step <= sawing.taken.cuts(); ++step) {
    AtSaw before = sawing.at();
    ASSERT_EQ(before.next(), static_cast<std::size_t>(step - 1));
    EXPECT_LE(before.settingsLeft(), settings);
    settings = before.settingsLeft();
    sawing.taken.note(EventKind::CutMade, 1, 1, step);
    EXPECT_EQ(sawing.taken.ledger().back(1)->step, step);
  }
  AtSaw after = sawing.at();
  EXPECT_FALSE(after.next());
  EXPECT_EQ(sawing.parts().done, 29);
  EXPECT_EQ(after.settingsLeft(), 0);
  EXPECT_EQ(after.cutsDone().done, after.cutsDone().of);
}

TEST(AtSaw, saysWhatEveryPieceBecomes) {
  Sawing sawing;
  const AtSaw saw = sawing.at();
  const Plan& plan = sawing.taken.plan().plan;
  std::multiset<std::string> parts;
  for (std::size_t i = 0; i < saw.cuts(); ++i)
    for (const Becomes& side : {saw.low(i), saw.high(i)}) {
      if (side.what == Becomes::What::Part) parts.insert(side.name);
      if (side.what == Becomes::What::CutFurther) {
        const SawCut& next = plan.cuts[static_cast<std::size_t>(side.nextStep) - 1];
        EXPECT_EQ(next.piece, side.name);
      }
    }
  EXPECT_EQ(parts.size(), 29U) << "every piece comes off once";
  for (const PlannedSheet& sheet : plan.sheets)
    for (const Placement& placement : sheet.placements)
      EXPECT_GT(parts.count(sawing.taken.plan().request.parts[placement.part].code), 0U);
}

TEST(AtSaw, findsACutByNumberSheetAndCode) {
  Sawing sawing;
  const AtSaw saw = sawing.at();
  EXPECT_EQ(saw.find("1"), 0U);
  EXPECT_EQ(saw.find(std::to_string(saw.cuts())), saw.cuts() - 1);
  EXPECT_FALSE(saw.find(std::to_string(saw.cuts() + 1)));
  EXPECT_EQ(saw.plan().cuts[*saw.find("s1")].piece, "S1");
  const std::string code = sawing.taken.plan().request.parts[0].code;
  const auto found = saw.find(code);
  ASSERT_TRUE(found);
  EXPECT_TRUE(saw.low(*found).name == code || saw.high(*found).name == code);
  EXPECT_FALSE(saw.find("no such code"));
  EXPECT_FALSE(saw.find(""));
}

// Whatever is cut in whatever order that the bench allows, and taken back: there is a next cut or
// all is cut, and what can be cut never lies on two pieces of one place.
RC_GTEST_PROP(AtSaw, thereIsAlwaysANextCutOrAllAreMade, ()) {
  Sawing sawing;
  for (int n = *rc::gen::inRange(1, 40); n > 0; --n) {
    const AtSaw saw = sawing.at();
    if (*rc::gen::inRange(0, 4) == 0) {
      if (const auto last = sawing.taken.ledger().back(1))
        sawing.taken.note(EventKind::CutTakenBack, 1, 1, last->step);
    } else {
      std::vector<std::size_t> ready;
      for (std::size_t i = 0; i < saw.cuts(); ++i)
        if (saw.isReady(i)) ready.push_back(i);
      if (ready.empty()) break;
      const std::size_t one = ready[*rc::gen::inRange<std::size_t>(0, ready.size())];
      sawing.taken.note(EventKind::CutMade, 1, 1, saw.plan().cuts[one].step);
    }
    const AtSaw now = sawing.at();
    RC_ASSERT(sawing.now.ignored.empty());
    RC_ASSERT(now.next().has_value() == (now.cutsDone().done < now.cutsDone().of));
    std::set<std::string> pieces;
    for (std::size_t i = 0; i < now.cuts(); ++i)
      if (now.isReady(i)) RC_ASSERT(pieces.insert(now.plan().cuts[i].piece).second);
  }
}

// The demo that is half cut: everything that is noted in it can have happened, a part was spoiled,
// and the plan that was taken then goes on.
TEST(AtSaw, theHalfCutDemoGoesOn) {
  const auto read = readJobWithRecord("demo", test::demo("log-wall-at-the-saw"));
  ASSERT_TRUE(read) << describe(read.problems());
  const Record& record = read->record;
  const floor::Progress now = floor::progress(record.cuttings, record.events);
  EXPECT_TRUE(now.ignored.empty());
  ASSERT_EQ(record.cuttings.size(), 1U);
  const floor::CuttingProgress& at = now.cuttings.at(1);
  ASSERT_EQ(at.plan, 2);
  std::int64_t wanted = 0, good = 0, spoiled = 0;
  for (const PartDemand& part : record.cuttings[0].plans[0].request.parts) wanted += part.quantity;
  for (const auto& [piece, state] : now.pieces) ++(state.spoiled ? spoiled : good);
  EXPECT_EQ(spoiled, 1);
  EXPECT_GT(good, wanted / 4);
  EXPECT_LT(good, wanted * 3 / 4);
  AtSaw saw(record.cuttings[0], at);
  EXPECT_GT(saw.cutsDone().done, 0);
  ASSERT_TRUE(saw.next());
  EXPECT_FALSE(saw.cut(*saw.next()).machine.empty());
}

}  // namespace
}  // namespace pp::at_saw_test
