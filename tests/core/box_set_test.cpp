// Drawer boxes, trays and pull-outs by themselves, each against sizes worked by hand.
#include <gtest/gtest.h>

#include <map>

#include "core/breakdown/breakdown.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "core/kinds/box_set/rules.h"
#include "core/kinds/kind.h"
#include "core/kinds/pieces.h"
#include "core/kinds/validate.h"
#include "tests/core/support.h"

namespace pp::box_set_test {
namespace {

using test::mm;

Length in(std::int64_t whole, std::int64_t numerator = 0) {
  return Length::in(whole, numerator, 32);
}

Job with(const BoxSet& set) {
  Job job = test::metricJob();
  Assembly assembly;
  assembly.code = "T1";
  assembly.body = set;
  job.assemblies = {assembly};
  giveIds(job);
  return job;
}

BoxSet plain() {
  BoxSet out;
  out.boxes.boxMaterial = "b12";
  out.boxes.bottomMaterial = "b6";
  out.boxes.running = Running::Loose;
  return out;
}

struct Row {
  std::int64_t quantity;
  Length length, width;
  bool operator==(const Row&) const = default;
};

// The parts by role; empty where it cannot be built.
std::map<PartRole, Row> partsOf(const BoxSet& set) {
  std::map<PartRole, Row> out;
  for (const Part& part : breakDown(with(set)).parts)
    out[part.role] = {part.quantity, part.length.total(), part.width.total()};
  return out;
}

TEST(BoxSet, partsAreThoseOfADrawerAndSparesAreMadeWithThem) {
  // 400 x 300 x 80 outside, of 12 with a bottom of 6, sides whole, front and back between them:
  // front 400 - 24, bottom 376 + 2 x 6 - 1.5 by 300 - 24 + 2 x 6 - 1.5.
  BoxSet set = plain();
  set.spares = 1;
  const std::map<PartRole, Row> expected = {{PartRole::BoxLeftSide, {5, mm(300), mm(80)}},
                                            {PartRole::BoxRightSide, {5, mm(300), mm(80)}},
                                            {PartRole::BoxFront, {5, mm(376), mm(80)}},
                                            {PartRole::BoxBack, {5, mm(376), mm(80)}},
                                            {PartRole::BoxBottom, {5, mm(386.5), mm(286.5)}}};
  EXPECT_EQ(partsOf(set), expected);
  // The room inside of the same box: less two sides, and what lies below the bottom's upper face.
  set.inside = true;
  set.width = mm(376);
  set.depth = mm(276);
  set.height = mm(80 - 12 - 6);
  EXPECT_EQ(partsOf(set), expected);
}

TEST(BoxSet, rabbetAndDadoInInches) {
  BoxSet set = plain();
  set.what = BankKind::Drawers;
  set.count = 3;
  set.width = in(16);
  set.depth = in(12);
  set.height = in(4);
  DrawerRules& rules = set.boxes;
  rules.school = DrawerSchool::RabbetedFront;
  rules.frontRabbet = rules.backDado = rules.grooveDepth = in(0, 8);
  rules.grooveUp = rules.backSetIn = in(0, 16);
  rules.bottomClearance = in(0, 2);
  Job job = with(set);
  job.materials[1].measured = in(0, 15);  // 1/2 that is 15/32
  job.materials[2].measured = in(0, 7);
  std::map<PartRole, Row> out;
  for (const Part& part : breakDown(job).parts)
    out[part.role] = {part.quantity, part.length.total(), part.width.total()};
  // Side 12 - 15/32 + 1/4; back 16 - 2 x 15/32 + 2 x 1/4, cut down by groove and bottom; the bottom
  // runs under it to the side's end: 12 - 15/32 + 1/4 - 1/2.
  EXPECT_EQ(out[PartRole::BoxLeftSide], (Row{3, in(11, 25), in(4)}));
  EXPECT_EQ(out[PartRole::BoxFront], (Row{3, in(16), in(4)}));
  EXPECT_EQ(out[PartRole::BoxBack], (Row{3, in(15, 18), in(3, 9)}));
  EXPECT_EQ(out[PartRole::BoxBottom], (Row{3, in(15, 16), in(11, 9)}));
}

TEST(BoxSet, isCalledAfterWhatItIs) {
  const std::pair<BankKind, const char*> rows[] = {{BankKind::Drawers, "drawer left side"},
                                                   {BankKind::Trays, "tray left side"},
                                                   {BankKind::Platforms, "pull-out left side"}};
  for (const auto& [what, name] : rows) {
    BoxSet set = plain();
    set.what = what;
    EXPECT_EQ(breakDown(with(set)).parts.front().name, name);
  }
}

// A pull-out is a box with its bottom up.
TEST(BoxSet, aPullOutIsTurnedOver) {
  BoxSet set = plain();
  set.count = 1;
  const auto bottomAt = [](const BoxSet& of) {
    for (const Part& part : breakDown(with(of)).parts)
      if (part.role == PartRole::BoxBottom) return part.poses.front().origin[2];
    return Length{};
  };
  // The bottom's upper face: groove 12 up and 6 thick; turned over it is 80 less that.
  EXPECT_EQ(bottomAt(set), mm(18));
  set.what = BankKind::Platforms;
  EXPECT_EQ(bottomAt(set), mm(62));
}

// Boxes of 400 × 80, 60 apart: 6 rows of two are 840 high and 920 wide, 12 of one would be higher.
TEST(BoxSet, boxesStandInRowsAboutAsHighAsWide) {
  BoxSet set = plain();
  set.count = 12;
  std::vector<std::pair<Length, Length>> places;
  for (const Part& part : breakDown(with(set)).parts)
    if (part.role == PartRole::BoxLeftSide)
      for (const Pose& pose : part.poses) places.emplace_back(pose.origin[0], pose.origin[2]);
  ASSERT_EQ(places.size(), 12U);
  for (std::size_t i = 0; i < places.size(); ++i) {
    EXPECT_EQ(places[i].first, mm(i % 2 == 0 ? 12 : 472));
    EXPECT_EQ(places[i].second, mm(static_cast<double>(i / 2) * 140));
  }
}

TEST(BoxSet, refusesWhatLeavesNoWood) {
  const auto refused = [](auto change) {
    BoxSet set = plain();
    change(set);
    const Breakdown out = breakDown(with(set));
    return out.troubles.empty() ? std::string("built") : out.troubles.front().problem.found;
  };
  EXPECT_EQ(refused([](BoxSet&) {}), "built");
  EXPECT_EQ(refused([](BoxSet& s) { s.height = mm(18); }), "a box 400 mm wide and 18 mm high");
  EXPECT_EQ(refused([](BoxSet& s) { s.width = mm(24); }), "a box 24 mm wide and 80 mm high");
  EXPECT_EQ(refused([](BoxSet& s) { s.boxes.grooveDepth = mm(12); }), "a groove 12 mm deep");
  EXPECT_EQ(refused([](BoxSet& s) {
              s.boxes.school = DrawerSchool::RabbetedFront;
              s.boxes.backSetIn = mm(280);
            }),
            "a rabbet, dado or set-in of the drawer box that leaves no wood");
  // Butted and bradded there is no groove that could be too deep.
  EXPECT_EQ(refused([](BoxSet& s) {
              s.boxes.school = DrawerSchool::Brads;
              s.boxes.grooveDepth = mm(12);
            }),
            "built");
}

TEST(BoxSet, isCheckedAsData) {
  const auto problems = [](auto change) {
    BoxSet set = plain();
    change(set);
    std::string out;
    for (const Problem& problem : validate(with(set))) out += problem.field + " ";
    return out;
  };
  EXPECT_EQ(problems([](BoxSet&) {}), "");
  EXPECT_EQ(problems([](BoxSet& s) { s.count = 0; }), "/assemblies/0/boxSet/count ");
  EXPECT_EQ(problems([](BoxSet& s) { s.count = 201; }), "/assemblies/0/boxSet/count ");
  EXPECT_EQ(problems([](BoxSet& s) { s.spares = -1; }), "/assemblies/0/boxSet/spares ");
  EXPECT_EQ(problems([](BoxSet& s) { s.depth = Length{}; }), "/assemblies/0/boxSet/depth ");
  EXPECT_EQ(problems([](BoxSet& s) { s.boxes.boxMaterial = "oak"; }),
            "/assemblies/0/boxSet/boxes/boxMaterial ");
  EXPECT_EQ(problems([](BoxSet& s) { s.boxes.grooveUp = Length{}; }),
            "/assemblies/0/boxSet/boxes/grooveUp ");
}

TEST(BoxSet, isWrittenAndReadAsItIs) {
  BoxSet set = plain();
  set.what = BankKind::Platforms;
  set.count = 12;
  set.spares = 2;
  set.inside = true;
  set.boxes.school = DrawerSchool::Over;
  const Job job = with(set);
  const auto read = readJob("t", writeJob(job));
  ASSERT_TRUE(read.ok()) << describe(read.problems());
  EXPECT_EQ(std::get<BoxSet>(read->assemblies[0].body), set);
}

// One more box renames no part and adds one of each.
TEST(BoxSet, anotherBoxKeepsTheCodes) {
  BoxSet set = plain();
  Job job = with(set);
  const Breakdown before = breakDown(job);
  job.codes = before.codes;
  ++std::get<BoxSet>(job.assemblies[0].body).count;
  const Breakdown after = breakDown(job);
  ASSERT_EQ(after.parts.size(), before.parts.size());
  for (std::size_t i = 0; i < after.parts.size(); ++i) {
    EXPECT_EQ(after.parts[i].code, before.parts[i].code);
    EXPECT_EQ(after.parts[i].quantity, before.parts[i].quantity + 1);
  }
  EXPECT_EQ(pieceCount(after.parts), piecesAtMost(job, job.assemblies[0]));
}

}  // namespace
}  // namespace pp::box_set_test
