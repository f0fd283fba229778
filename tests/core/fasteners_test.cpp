// Screws, brads and pockets: how many, how long, where, clear of what; what covers their heads.
#include <gtest/gtest.h>

#include <functional>
#include <map>

#include "core/assembly/covers.h"
#include "core/breakdown/fittings.h"
#include "core/joinery/rules.h"
#include "tests/core/ordered.h"

namespace pp::bench::fasteners_test {
namespace {

using test::mm;

TEST(Fasteners, areSpreadClearOfWhatIsCutThere) {
  const auto at = [](Length edge, std::vector<std::pair<Length, Length>> taken = {}) {
    return clearOf(joinery::rowAlong(edge, joinery::screwSpacing(Unit::Millimetre)), {}, edge,
                   taken);
  };
  using Places = std::vector<Length>;
  EXPECT_EQ(at(mm(60)), Places({mm(30)}));
  EXPECT_EQ(at(mm(300)), Places({mm(50), mm(250)}));
  EXPECT_EQ(at(mm(560)), Places({mm(50), mm(50) + mm(460) / 3, mm(50) + 2 * mm(460) / 3, mm(510)}));
  // A slot over the first 55: the screw is moved aside by fives, to its end and not into it.
  EXPECT_EQ(at(mm(300), {{mm(0), mm(55)}}), Places({mm(55), mm(250)}));
  EXPECT_EQ(at(mm(300), {{mm(0), mm(56)}}), Places({mm(60), mm(250)}));
  // The nearer way, which is back.
  EXPECT_EQ(at(mm(300), {{mm(248), mm(300)}}), Places({mm(50), mm(245)}));
  // Nowhere near is wood: it stays.
  EXPECT_EQ(at(mm(60), {{mm(-1), mm(61)}}), Places({mm(30)}));
}

TEST(Fasteners, goThroughTheMateAndLeaveItsDriverALine) {
  const Ordered of(caseWith([](Carcass& carcass) {
    carcass.joint = Joint::Butt;
    carcass.back.school = BackSchool::None;
  }));
  const std::vector<Body> bodies = bodiesOf(of.pieces, "B1");
  const std::vector<JointAt> joints = jointsOf(bodies, of.job.unit).drawn;
  ASSERT_EQ(joints.size(), 4U) << "either end of bottom and top";
  for (const JointAt& joint : joints) {
    EXPECT_EQ(joint.fasteners.name, "screw");
    EXPECT_EQ(joint.fasteners.length, mm(45)) << "18 of the side and 25 of bite";
    EXPECT_EQ(joint.fasteners.at.size(), 4U) << "over 560";
    ASSERT_EQ(joint.lines.size(), 4U);
    // From behind the side outwards.
    const double out = std::abs(joint.lines[0].second.x - 300);
    EXPECT_NEAR(out, 300 + kDriver, 0.2);
  }
}

// Worked by hand. Pockets: an edge of 560 less a back of 6 is 554; the first and last 50 from its
// ends, between them 454 in four steps of 113.5, for no more than 150. 32 long for 18.
// Dados hold by themselves: only the two boxes have screws, 12 and 25 of bite; an edge of 318 has
// them at 50, 159 and 268, and 159 is under the slide, half of 25 and 8 either way: 124 is the
// nearest that is clear. A front of 18 on a box of 12: no longer than 12 + 12.6.
TEST(Fasteners, ofAPocketCaseAndADadoCaseAreThoseWorkedByHand) {
  const auto said = [](Joint joint, bool hasDrawers) {
    const Ordered of(caseWith([&](Carcass& carcass) {
      carcass.joint = joint;
      carcass.back.school = BackSchool::Behind;
      DrawerBank bank;
      bank.fronts.resize(2);
      if (hasDrawers) carcass.inside.content = bank;
    }));
    std::string out;
    for (const Fastened& one : fastenedOf(of.pieces, of.job)) {
      if (one.fasteners.name == "brad") continue;  // of the back
      out += of.pieces[one.row].part.name + ": " + formatMm(one.fasteners.length) + " at";
      for (const Length at : one.fasteners.at) out += " " + formatMm(at);
      out += "\n";
    }
    for (const UnitOrder& unit : of.units)
      for (const AssemblyStep& step : unit.steps)
        if (step.screws)
          out += "front: " + std::to_string(step.screws->count) + " of " +
                 formatMm(step.screws->length) + "\n";
    return out;
  };
  const std::string pockets = ": 32 at 50 163.5 277 390.5 504\n";
  EXPECT_EQ(said(Joint::Pocket, false),
            "bottom" + pockets + "bottom" + pockets + "top" + pockets + "top" + pockets);
  EXPECT_EQ(said(Joint::Dado, false), "");
  const std::string box = ": 40 at 50 124 268\n";
  const std::string front = "drawer box front" + box, back = "drawer box back" + box;
  EXPECT_EQ(said(Joint::Dado, true),
            front + front + back + back + "front: 4 of 20\nfront: 4 of 20\n");
}

// As many as the shopping list counts, each edge of a part once however many are alike.
TEST(Fasteners, areThoseThatAreBought) {
  for (const Joint joint : {Joint::Butt, Joint::Brads, Joint::Pocket}) {
    const Ordered of(caseWith([&](Carcass& carcass) {
      carcass.joint = joint;
      carcass.back.school = BackSchool::None;
      Split split;
      split.by = SplitBy::Shelves;
      split.children.resize(3);
      split.sizes.resize(3);
      carcass.inside.content = split;
    }));
    std::map<std::string, std::int64_t> counted, bought;
    for (const Fastened& one : fastenedOf(of.pieces, of.job))
      counted[one.fasteners.name] +=
          std::ssize(one.fasteners.at) * of.pieces[one.row].part.quantity;
    for (const Fitting& one : fittingsOf(of.job, breakDown(of.job).parts))
      if (one.kind == HardwareKind::Screw) bought[one.name] += one.count;
    EXPECT_EQ(counted, bought);
    EXPECT_GE(counted.size(), 1U);
  }
}

// Four joints of four screws over 560, their heads in the sides: both are seen, then one.
TEST(Fasteners, areCoveredWhereTheyAreSeen) {
  const auto heads = [](const Job& job, const std::function<void(Part&)>& change) {
    std::vector<Part> parts = breakDown(job).parts;
    for (Part& part : parts) change(part);
    return seenHeads(piecesAtBench({}, {}, parts), job);
  };
  Job job = caseWith([](Carcass& carcass) {
    carcass.joint = Joint::Butt;
    carcass.back.school = BackSchool::None;
  });
  const auto none = [](Part&) {};
  EXPECT_EQ(heads(job, none), (SeenHeads{16, 0}));
  EXPECT_EQ(heads(job,
                  [](Part& part) {
                    if (part.role == PartRole::LeftSide) part.hidden[1] = true;
                  }),
            (SeenHeads{8, 0}));
  // Inside, where no head is, nothing changes.
  EXPECT_EQ(heads(job, [](Part& part) { part.hidden[0] = true; }), (SeenHeads{16, 0}));
  job.assemblies[0].copies = 3;
  EXPECT_EQ(heads(job, none), (SeenHeads{48, 0}));
  // Brads at most 100 apart: 50, 142, 234, 326, 418, 510.
  job = caseWith([](Carcass& carcass) {
    carcass.joint = Joint::Brads;
    carcass.back.school = BackSchool::None;
  });
  EXPECT_EQ(heads(job, none), (SeenHeads{0, 24}));
  job = caseWith([](Carcass& carcass) {
    carcass.joint = Joint::Pocket;
    carcass.back.school = BackSchool::None;
  });
  EXPECT_EQ(heads(job, none), SeenHeads{}) << "pockets are in hidden faces";
}

// What is plugged and filled is bought.
TEST(Fasteners, coversOfHeadsAreNeeded) {
  const auto said = [](const SeenHeads& heads) {
    std::string out;
    for (const Need& need : coverNeeds(heads))
      out += need.name + " " + std::to_string(need.amount) + "\n";
    return out;
  };
  EXPECT_EQ(said({}), "");
  EXPECT_EQ(said({16, 0, 0}), "wood plug 16\n");
  EXPECT_EQ(said({16, 0, 6}), "wood plug 10\nwood filler 1\n");
  EXPECT_EQ(said({0, 24, 0}), "wood filler 1\n");
  Job job = caseWith([](Carcass& carcass) {
    carcass.joint = Joint::Butt;
    carcass.back.school = BackSchool::None;
  });
  job.assemblies[0].finish = Finish::Painted;
  std::vector<Part> parts = breakDown(job).parts;
  EXPECT_EQ(seenHeads(piecesAtBench({}, {}, parts), job), (SeenHeads{16, 0, 16}));
  const std::vector<Need> needs = coverNeeds(parts, job);
  ASSERT_EQ(needs.size(), 1U);
  EXPECT_EQ(needs[0].name, "wood filler");
  EXPECT_EQ(needs[0].ware, Ware::Hardware);
}

// 510 deep, screws of a shelf at 50, 187, 323 and 460; on the far face of its divider a slide of
// 450 runs behind a front of 18, to 468: the last moves behind it, those that find no room stay.
TEST(Fasteners, keepClearOfASlideOnTheFarFace) {
  const auto last = [](bool hasDrawer) {
    const Ordered of(caseWith([&](Carcass& carcass) {
      carcass.joint = Joint::Butt;
      carcass.depth = mm(510);
      carcass.back.school = BackSchool::None;
      Split shelves;
      shelves.by = SplitBy::Shelves;
      shelves.children.resize(2);
      shelves.sizes.resize(2);
      Split bays;
      bays.children.resize(2);
      bays.sizes.resize(2);
      bays.children[0].content = shelves;
      if (hasDrawer) bays.children[1].content = DrawerBank{};
      carcass.inside.content = bays;
    }));
    for (const Fastened& one : fastenedOf(of.pieces, of.job))
      if (of.pieces[one.row].part.role == PartRole::FixedShelf &&
          of.pieces[one.mate].part.role == PartRole::Divider)
        return one.fasteners.at;
    return std::vector<Length>{};
  };
  const std::vector<Length> free = last(false), beside = last(true);
  ASSERT_EQ(free.size(), 4U);
  ASSERT_EQ(beside.size(), 4U);
  EXPECT_EQ(free.back(), mm(460));
  EXPECT_GE(beside.back(), mm(468 + 8));
  EXPECT_LE(beside.back(), mm(485));
  EXPECT_EQ(beside[1], free[1]);
}

// A back in a groove: no screw of a bottom comes out in it.
TEST(Fasteners, keepOutOfAGrooveOfTheMate) {
  const Ordered of(caseWith([](Carcass& carcass) {
    carcass.joint = Joint::Butt;
    carcass.back.school = BackSchool::Groove;
    // From 504 to 510 of 560: over the place of the last screw, 510.
    carcass.back.setIn = mm(24 + 26);
  }));
  std::size_t seen = 0;
  for (const Fastened& one : fastenedOf(of.pieces, of.job)) {
    const Part& mate = of.pieces[one.mate].part;
    for (const Machining& cut : mate.machining) {
      if (cut.cut != MachiningKind::Groove || cut.receives != "back") continue;
      for (const Length at : one.fasteners.at) {
        ++seen;
        EXPECT_TRUE(at + mm(8) <= cut.v0 || at - mm(8) >= cut.v1)
            << of.pieces[one.row].part.name << " at " << formatMm(at);
      }
    }
  }
  EXPECT_GT(seen, 8U);
}

}  // namespace
}  // namespace pp::bench::fasteners_test
