#include <fmt/format.h>
#include <gtest/gtest.h>

#include "core/breakdown/breakdown.h"
#include "core/kinds/carcass/drawer.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/carcass/pads.h"
#include "tests/core/bodies.h"
#include "tests/core/support.h"

namespace pp::drawer_test {
namespace {

using test::mm;

struct SchoolCase {
  const char* name;
  DrawerSchool school;
  Length sideLength, sideHeight, frontLength, frontHeight, backLength, backHeight, bottomWidth,
      bottomDepth;
};

// Opening 500 wide, 200 high; sides and front 12.3, bottom 6.2, slides 400; g = 6, u = 12, c = 1.5,
// ease 0.8; rabbet and dado 6, back set in 12. Box 473.8 x 400 x 176.
TEST(DrawerBox, metricWorkedExampleInBothSchools) {
  DrawerRules rules;
  const DrawerBox box{mm(473.8), mm(400), mm(176), mm(12.3), mm(12.3), mm(6.2)};
  const SchoolCase rows[] = {
      {"between", DrawerSchool::Between, mm(400), mm(176), mm(449.2), mm(176), mm(449.2), mm(176),
       mm(459.7), mm(385.9)},
      // 400 - 12.3 + 6 = 393.7; 449.2 + 12 = 461.2; 176 - 12 - 6.2 = 157.8; 400 - 12.3 + 6 - 12 =
      // 381.7
      {"rabbeted front", DrawerSchool::RabbetedFront, mm(393.7), mm(176), mm(473.8), mm(176),
       mm(461.2), mm(157.8), mm(459.7), mm(381.7)},
  };
  for (const SchoolCase& row : rows) {
    rules.school = row.school;
    const DrawerBoxSizes sizes = drawerBoxSizes(box, rules);
    EXPECT_EQ(sizes.sideLength.total(), row.sideLength) << row.name;
    EXPECT_EQ(sizes.sideHeight.total(), row.sideHeight) << row.name;
    EXPECT_EQ(sizes.frontLength.total(), row.frontLength) << row.name;
    EXPECT_EQ(sizes.frontHeight.total(), row.frontHeight) << row.name;
    EXPECT_EQ(sizes.backLength.total(), row.backLength) << row.name;
    EXPECT_EQ(sizes.backHeight.total(), row.backHeight) << row.name;
    EXPECT_EQ(sizes.bottomWidth.total(), row.bottomWidth) << row.name;
    EXPECT_EQ(sizes.bottomDepth.total(), row.bottomDepth) << row.name;
  }
}

// In inches: opening 20 x 8, half-inch sides (15/32 measured), 7/32 bottom, slides 16, ease 1/32,
// clearances 1/2, groove 1/4, clearance 1/16. Box width 20 - 1 - 1/32 = 18 31/32, height 7.
TEST(DrawerBox, inchExample) {
  const Slide slide{"16", Length::in(16), Length::in(0, 1, 2)};
  DrawerRules rules;
  rules.ease = Length::in(0, 1, 32);
  rules.grooveDepth = Length::in(0, 1, 4);
  rules.bottomClearance = Length::in(0, 1, 16);
  EXPECT_EQ(drawerBoxWidth(Length::in(20), &slide, rules).total(), Length::in(18, 31, 32));
  const Length side = Length::in(0, 15, 32);
  const DrawerBoxSizes sizes = drawerBoxSizes(
      {Length::in(18, 31, 32), Length::in(16), Length::in(7), side, side, Length::in(0, 7, 32)},
      rules);
  EXPECT_EQ(sizes.frontLength.total(), Length::in(18, 1, 32));   // 18 31/32 - 15/16
  EXPECT_EQ(sizes.bottomWidth.total(), Length::in(18, 15, 32));  // + 1/2 - 1/16
  EXPECT_EQ(sizes.bottomDepth.total(), Length::in(15, 1, 2));    // 16 - 15/16 + 1/2 - 1/16
}

TEST(DrawerBank, frontsAndCellsFillTheOpening) {
  const auto one = drawerCells(mm(200), {{}}, mm(2), {});
  ASSERT_TRUE(one.ok());
  EXPECT_EQ(one->front().frontHeight.total(), mm(196));
  EXPECT_EQ(one->front().height, mm(200)) << "a drawer alone has the whole opening";
  // 3 in 300: (300 - 4 x 2 - 100) / 2 = 96 for the shared two.
  const auto three = drawerCells(mm(300), {{mm(100)}, {}, {}}, mm(2), {});
  ASSERT_TRUE(three.ok());
  EXPECT_EQ(three.value()[0].frontBottom, mm(198));
  EXPECT_EQ(three.value()[1].frontHeight.total(), mm(96));
  EXPECT_EQ(three.value()[1].frontBottom, mm(100));
  EXPECT_EQ(three.value()[2].frontBottom, mm(2));
  EXPECT_EQ(three.value()[1].height, mm(98)) << "its front and one gap";
  EXPECT_EQ(format(three.value()[1].frontHeight, {}),
            "(opening height 300 − 4 × gap 2 − typed front 100) ÷ 2 = 96");
  EXPECT_FALSE(drawerCells(mm(300), {{mm(150)}, {mm(150)}}, mm(2), {}).ok());
  // 400 less four gaps of 3 in three: 129.333 each, ending at 129.5, 258.5 and 388. The boxes share
  // the clear height, 133.333 each from the foot, whatever their fronts land on.
  const auto landed = drawerCells(mm(400), {{}, {}, {}}, mm(3), {}, Length::um(500)).value();
  EXPECT_EQ(landed[0].frontHeight.total(), Length::um(129'500));
  EXPECT_EQ(landed[1].frontHeight.total(), Length::um(129'000));
  EXPECT_EQ(landed[2].frontHeight.total(), Length::um(129'500));
  for (std::size_t i = 0; i < 3; ++i) {
    EXPECT_EQ(landed[i].height, Length::nm(133'333'333));
    EXPECT_EQ(landed[i].bottom, static_cast<std::int64_t>(2 - i) * mm(400) / 3);
  }
  // As older files have it the boxes of fronts that differ by a step are all of the least.
  const auto older = drawerCells(mm(400), {{}, {}, {}}, mm(3), {}, Length::um(500), false).value();
  for (const DrawerCell& cell : older) EXPECT_EQ(cell.height, Length::um(132'000));
  // Typed alike they are alike.
  const auto alike = drawerCells(mm(400), {{mm(194)}, {mm(194)}}, mm(4), {}).value();
  for (const DrawerCell& cell : alike) EXPECT_EQ(cell.height, mm(200));
  LengthStyle fine;
  fine.decimals = 3;
  EXPECT_EQ(format(landed[0].frontHeight, fine),
            "(opening height 400 − 4 × gap 3 + 3 × to land on a step 0.167▾) ÷ 3 = 129.5");
  EXPECT_EQ(format(landed[1].frontHeight, fine),
            "(opening height 400 − 4 × gap 3 − 3 × to land on a step 0.333▴) ÷ 3 = 129");
}

TEST(DrawerBank, longestStockedSlideThatFits) {
  const std::vector<Slide> slides = {{"a", mm(400)}, {"b", mm(500)}, {"c", mm(450)}};
  EXPECT_EQ(longestSlide(slides, mm(510), mm(10))->name, "b");
  EXPECT_EQ(longestSlide(slides, mm(509.999999), mm(10))->name, "c");
  EXPECT_EQ(longestSlide(slides, mm(409), mm(10)), nullptr);
}

Job bankOf(std::vector<Share> fronts, std::optional<Length> boxHeight = {}) {
  Carcass carcass = test::metricCarcass().carcass();
  DrawerBank bank;
  bank.fronts = std::move(fronts);
  bank.boxHeight = boxHeight;
  carcass.inside.content = bank;
  return test::jobWith(carcass);
}

TEST(DrawerBank, equalDrawersAreOnePartAndKeepTheirHands) {
  const Breakdown out = breakDown(bankOf({{}, {}, {}}));
  ASSERT_TRUE(out.troubles.empty());
  std::string seen;
  for (const Part& part : out.parts)
    if (part.name.starts_with("drawer"))
      seen += part.name + " x" + std::to_string(part.quantity) + "; ";
  EXPECT_EQ(seen,
            "drawer front x3; drawer left side x3; drawer right side x3; drawer box front x3; "
            "drawer box back x3; drawer bottom x3; ");
  for (const Part& part : out.parts)
    if (part.name == "drawer left side") {
      EXPECT_EQ(part.hand, Hand::Left);
      ASSERT_EQ(part.machining.size(), 1U);
      EXPECT_EQ(
          describe(part.machining[0], part, {}),
          "groove for the drawer bottom, inside face, 12 from the bottom edge, 6 wide, 6 deep");
    }
}

TEST(DrawerBank, aStackThatDoesNotFitIsATroubleAndTheRestStillHasParts) {
  for (const auto& [name, job] :
       {std::pair{"fronts too high", bankOf({{mm(400)}, {mm(400)}})},
        std::pair{"boxes too high", bankOf({{}, {}, {}}, mm(210))},
        std::pair{"boxes too low for their groove", bankOf({{}, {}, {}}, mm(17))}}) {
    const Breakdown out = breakDown(job);
    ASSERT_EQ(out.troubles.size(), 1U) << name;
    EXPECT_TRUE(out.troubles[0].drawers) << name;
    EXPECT_EQ(out.parts.size(), 5U) << name;  // sides, top, bottom, back
  }
}

// The whole stack first, by how much and what would cure it; then each behind its own front.
TEST(DrawerBank, theShortageOfTheWholeStackIsSaid) {
  struct Row {
    Job job;
    const char *found, *expected;
  };
  // Clear height 684; boxes have 12 below and 12 above.
  Job low = bankOf({{}, {}, {}}, mm(172));
  low.assemblies[0].carcass().height = mm(620.6);  // 584.6 clear
  for (const Row& row :
       {Row{bankOf({{}, {}, {}}, mm(210)),
            "three boxes need 702 mm with their clearances, there is 684 mm: 18 mm too much",
            "boxes of at most 204 mm, or 18 mm more room"},
        Row{low,
            "three boxes need 588 mm with their clearances, there is 584.6 mm: 3.4 mm too much",
            "boxes of at most 170.8 mm, or 3.4 mm more room"},
        Row{bankOf({{}}, mm(661)),
            "one box needs 685 mm with its clearances, there is 684 mm: 1 mm too much",
            "a box of at most 660 mm, or 1 mm more room"},
        Row{bankOf({{mm(100)}, {}, {}}, mm(150)),
            "a box 150 mm high that needs 174 mm with its clearances, behind a front with room for "
            "102 mm",
            "at most 78 mm, so that it does not stand behind its neighbour's front"}}) {
    const Breakdown out = breakDown(row.job);
    ASSERT_EQ(out.troubles.size(), 1U) << row.found;
    EXPECT_EQ(out.troubles[0].problem.found, row.found);
    EXPECT_EQ(out.troubles[0].problem.expected, row.expected);
  }
  EXPECT_TRUE(breakDown(bankOf({{}, {}, {}}, mm(204))).troubles.empty()) << "just fits";
}

// Inset and overlaid alike: 684 / 3 − 24 = 204 for every box.
TEST(DrawerBank, equalFrontsHaveEqualBoxes) {
  for (const FrontFit fit : {FrontFit::Inset, FrontFit::Overlay}) {
    Job job = bankOf({{}, {}, {}});
    job.assemblies[0].carcass().fronts.fit = fit;
    job.shareStep = Length::um(500);
    int sides = 0;
    for (const Part& part : breakDown(job).parts)
      if (part.role == PartRole::BoxLeftSide) {
        EXPECT_EQ(part.width.total(), mm(204));
        EXPECT_EQ(part.quantity, 3);
        ++sides;
      }
    EXPECT_EQ(sides, 1);
  }
}

TEST(DrawerBank, matchedFrontsAreARunInOrder) {
  Job job = bankOf({{}, {}, {}});
  std::get<DrawerBank>(job.assemblies[0].carcass().inside.content).cut = FrontsCut::Run;
  int order = 0;
  for (const Part& part : breakDown(job).parts) {
    if (part.name != "drawer front") continue;
    EXPECT_EQ(part.run, "B1-fronts");
    EXPECT_EQ(part.runOrder, ++order);
    EXPECT_EQ(part.quantity, 1);
  }
  EXPECT_EQ(order, 3);
}

TEST(SlidePads, layersOfWhatTheRackHasComeNearestToTheFrame) {
  struct Row {
    int pad;  // thousandths of a millimetre
    std::vector<std::string> layers;
  };
  const Job job = test::metricJob();  // sheets of 18, 12 and 6
  for (const Row& row : {Row{18'000, {"b18"}}, Row{6'000, {"b6"}}, Row{16'900, {"b18"}},
                         Row{17'200, {"b18"}},  // planed by 0.8, not three of 6 packed by less
                         Row{22'000, {"b18", "b6"}},   // 24: planed by 2
                         Row{24'000, {"b18", "b6"}},   // not 12 twice: thick ones first
                         Row{25'400, {"b18", "b6"}},   // packed by 1.4
                         Row{36'000, {"b18", "b18"}},  // not three of 12
                         Row{42'000, {"b18", "b18", "b6"}}, Row{48'000, {"b18", "b18", "b12"}}}) {
    const PadLayers out = padLayers(job, Length::um(row.pad), "b18");
    EXPECT_EQ(out.materials, row.layers) << row.pad;
  }
}

TEST(SlidePads, ofEquallyThickSheetsTheCasesOwn) {
  Job job = test::metricJob();
  Material oak = job.materials[0];
  oak.id = "oak18";
  job.materials.push_back(oak);
  StockPiece sheet = std::as_const(job).stock[0];
  sheet.mark = "oak";
  sheet.material = "oak18";
  job.stock.push_back(sheet);
  EXPECT_EQ(padLayers(job, mm(18), "oak18").materials, (std::vector<std::string>{"oak18"}));
  EXPECT_EQ(padLayers(job, mm(18), "b18").materials, (std::vector<std::string>{"b18"}));
  EXPECT_EQ(padLayers(job, mm(18), "b12").materials, (std::vector<std::string>{"b18"}));
}

TEST(SlidePads, onlySheetsThatAreThere) {
  Job job = test::metricJob();
  job.stock[2].quantity = 0;  // no 6 left
  EXPECT_EQ(padLayers(job, mm(24), "b18").materials, (std::vector<std::string>{"b12", "b12"}));
  for (std::size_t i = 0; i < job.stock.size(); ++i) job.stock[i].quantity = 0;
  EXPECT_EQ(padLayers(job, mm(24), "b18").materials, (std::vector<std::string>{"b18"}))
      << "an empty rack: of what the case is made";
}

// Frame stiles of 40 over sides of 18: 22 to fill on either side, 18 and 6 planed by 2.
TEST(SlidePads, everyLayerIsListedWithItsSideAndThicknessInAll) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.frame = FaceFrame{};
  carcass.frame->material = "b18";
  carcass.inside.content = DrawerBank{};
  carcass.drawers.padWidth = mm(60);
  std::vector<std::string> out;
  for (const Part& part : breakDown(test::jobWith(carcass)).parts)
    if (part.role == PartRole::SlidePad || part.role == PartRole::RightSlidePad)
      out.push_back(fmt::format("{} of {}, {} thick, {} wide: {}", part.quantity, part.material,
                                formatMm(part.thickness), formatMm(part.width.total()), part.note));
  EXPECT_EQ(
      out,
      (std::vector<std::string>{
          "1 of b18, 18 thick, 60 wide: on the left, one of 2 layers; 22 mm in all, planed by 2 mm",
          "1 of b6, 4 thick, 60 wide: on the left, one of 2 layers; 22 mm in all, planed by 2 mm",
          "1 of b18, 18 thick, 60 wide: on the right, one of 2 layers; 22 mm in all, planed by 2 "
          "mm",
          "1 of b6, 4 thick, 60 wide: on the right, one of 2 layers; 22 mm in all, planed by 2 "
          "mm"}));
  carcass.drawers.padLength = mm(123);
  for (const Part& part : breakDown(test::jobWith(carcass)).parts) {
    if (part.role == PartRole::SlidePad) {
      EXPECT_EQ(part.length.total(), mm(123));
    }
  }
}

// A groove no deeper than the rabbets that take the sides runs through under them; a deeper one
// would show at the front's ends.
TEST(DrawerBox, theFrontsGrooveRunsThroughUnderTheSides) {
  Carcass carcass = test::metricCarcass().carcass();
  carcass.inside.content = DrawerBank{};
  carcass.drawers.school = DrawerSchool::RabbetedFront;
  for (const double deep : {6.0, 6.5}) {
    carcass.drawers.grooveDepth = mm(deep);
    const Breakdown out = breakDown(test::jobWith(carcass));
    for (const Part& part : out.parts) {
      if (part.role != PartRole::BoxFront) continue;
      const Machining& groove = part.machining.front();
      EXPECT_EQ(groove.through, deep == 6.0);
      EXPECT_EQ(groove.u1 == part.length.total(), deep == 6.0);
    }
    EXPECT_EQ(test::clashes(out), "");
  }
}

// Boxes of 12, bottoms in grooves 6 deep and 12 up: what leaves no wood is refused.
TEST(DrawerBank, aBoxOfWhichNothingWouldBeLeftIsRefused) {
  const auto fits = [](const std::function<void(DrawerRules&)>& change) {
    Carcass carcass = test::metricCarcass().carcass();
    carcass.inside.content = DrawerBank{};
    change(carcass.drawers);
    return breakDown(test::jobWith(carcass)).troubles.empty();
  };
  EXPECT_TRUE(fits([](DrawerRules&) {}));
  EXPECT_TRUE(fits([](DrawerRules& r) { r.grooveDepth = mm(11); }));
  EXPECT_FALSE(fits([](DrawerRules& r) { r.grooveDepth = mm(12); })) << "through the side";
  const auto rabbeted = [&fits](const std::function<void(DrawerRules&)>& change) {
    return fits([&change](DrawerRules& r) {
      r.school = DrawerSchool::RabbetedFront;
      change(r);
    });
  };
  EXPECT_TRUE(rabbeted([](DrawerRules&) {}));
  EXPECT_TRUE(rabbeted([](DrawerRules& r) { r.frontRabbet = mm(11); }));
  EXPECT_FALSE(rabbeted([](DrawerRules& r) { r.frontRabbet = mm(12); }));
  EXPECT_FALSE(rabbeted([](DrawerRules& r) { r.backDado = mm(12); }));
  EXPECT_TRUE(rabbeted([](DrawerRules& r) { r.backSetIn = mm(475); })) << "500 - 2 × 12 = 476";
  EXPECT_FALSE(rabbeted([](DrawerRules& r) { r.backSetIn = mm(476); }));
  EXPECT_FALSE(fits([](DrawerRules& r) { r.boxMaterial = "b18", r.upperClearance = mm(700); }))
      << "no room left for a box";
}

}  // namespace
}  // namespace pp::drawer_test
