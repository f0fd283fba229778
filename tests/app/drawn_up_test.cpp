// Whole jobs drawn up in the real window by keyboard alone, as a maker who never touches the mouse
// would.
#include <gtest/gtest.h>

#include <QTableView>

#include "tests/app/drawing.h"

namespace pp::drawn_up_test {
namespace {

using test::named;
using test::press;

class DrawnUp : public test::Drawing {
 protected:
  // Parts of that role of the first assembly, "2 of 564 × 100".
  std::string made(PartRole role) {
    std::string out;
    for (const Part& part : session().breakdown().parts)
      if (part.role == role && part.assembly == first().code)
        out += (out.empty() ? "" : ", ") + std::to_string(part.quantity) + " of " +
               formatMm(part.length.total()) + " × " + formatMm(part.width.total());
    return out;
  }
  // In millimetres, of the first part in that role.
  double partThickness(PartRole role) {
    for (const Part& part : session().breakdown().parts)
      if (part.role == role) return part.thickness.inMm();
    return 0;
  }
  std::string shelfCode() {
    for (const Part& part : session().breakdown().parts)
      if (part.role == PartRole::FixedShelf) return part.code;
    return {};
  }
};

// The demo's mitred console, but for the bevelled front edges that were chosen part by part.
TEST_F(DrawnUp, aMitredConsoleWithItsFigureOverTheCorners) {
  open("specimen-console");
  Job ruled = job();
  ruled.overrides.clear();
  const std::string wanted = partsOf(ruled, ruled.assemblies[0]);
  beginPlain();
  choose("lot", QStringLiteral("lot B, September"));
  set("width", "900");
  set("height", "700");
  set("depth", "380");
  choose("front edge banding", QStringLiteral("ash iron-on"));
  choose("top", QStringLiteral("meets the sides in mitres"));
  set("tenons in each mitre", "4");
  choose("grain round the corners", QStringLiteral("sides and top from one strip"));
  choose("joint", QStringLiteral("pocket screwed"));
  choose("back", QStringLiteral("stands in a groove"));
  set("back groove depth", "8");
  set("back set-in", "14");
  set("back clearance", "1.5");
  chooseOpening({}, Qt::Key_Down);
  fill("Shelves", Qt::Key_H, "rest, 280");
  chooseOpening({1}, Qt::Key_Down);
  fill("Adjustable shelves", Qt::Key_A, "1");
  chooseOpening({0}, Qt::Key_Up);
  choose("door", QStringLiteral("closed by sliding panels"));
  choose("front material", QStringLiteral("birch 6"));
  choose("front banding", QStringLiteral("no banding"));
  set("pull from the edge", "45");
  EXPECT_EQ(partsOf(job(), first()), wanted);
  EXPECT_TRUE(session().breakdown().troubles.empty());
  while (session().canUndo()) press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(partsOf(ruled, ruled.assemblies[0]), wanted);
}

// 600 × 720 × 560 of 17.8: rails in either bay, which share 600 − 3 × 17.8 = 546.6 on half
// millimetres, 273.5 and 273.1; an end panel on the left takes 17.8 more.
TEST_F(DrawnUp, railsEndsAndFillers) {
  open("specimen-console");
  beginPlain();
  choose("back", QStringLiteral("is left out, with rails"));
  set("back rails", "100 at 0, 80 at 500");
  chooseOpening({}, Qt::Key_Down);
  fill("Dividers", Qt::Key_V, "2");
  EXPECT_EQ(made(PartRole::BackRail),
            "1 of 273.5 × 100, 1 of 273.1 × 100, 1 of 273.5 × 80, 1 of 273.1 × 80");
  choose("rails go", QStringLiteral("in one piece, in notches"));
  EXPECT_EQ(made(PartRole::BackRail), "1 of 600 × 100, 1 of 600 × 80");
  // What is not a rail is refused where it is typed.
  set("back rails", "100 high");
  EXPECT_EQ(made(PartRole::BackRail), "1 of 600 × 100, 1 of 600 × 80");
  press(Qt::Key_Escape);
  choose("left end panel", QStringLiteral("ash 18"));
  EXPECT_EQ(made(PartRole::BackRail), "1 of 582.2 × 100, 1 of 582.2 × 80");
  EXPECT_EQ(made(PartRole::LeftExposedEnd), "1 of 720 × 560");
  set("right wall allowance", "30");
  choose("right filler", QStringLiteral("closed by a filler"));
  EXPECT_EQ(made(PartRole::RightFiller), "1 of 720 × 30");
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(made(PartRole::RightFiller), "");
}

// A frame of 40 over drawers and a pair: a rail between the fronts, a stile between the doors, and
// one opening's own fronts.
TEST_F(DrawnUp, frameMembersAloneAndFrontsOfOneOpening) {
  open("specimen-console");
  beginPlain();
  choose("face frame", QStringLiteral("A face frame"));
  chooseOpening({}, Qt::Key_Down);
  fill("Dividers", Qt::Key_V, "2");
  chooseOpening({0}, Qt::Key_Left);
  fill("Drawers", Qt::Key_D, "2");
  choose("rails between drawers", QStringLiteral("a rail of the frame"));
  EXPECT_EQ(made(PartRole::FrameDrawerRail), "1 of 240 × 40");
  chooseOpening({1}, Qt::Key_Right);
  choose("door", QStringLiteral("closed by a pair of doors"));
  choose("centre stile", QStringLiteral("with a stile of the frame between them"));
  EXPECT_EQ(made(PartRole::FrameCentreStile), "1 of 640 × 40");
  // (240 − 2 × 2 − 44) / 2, as high as 640 less two gaps.
  EXPECT_EQ(made(PartRole::LeftDoor), "1 of 636 × 96");
  set("own front gap", "4");
  EXPECT_EQ(made(PartRole::LeftDoor), "1 of 632 × 92");
  choose("sizes are of", QStringLiteral("what the frame leaves open"));
  set("sizes of the openings", "200, rest");
  EXPECT_EQ(made(PartRole::FrameDrawerRail), "1 of 200 × 40");
  choose("panels between", QStringLiteral("are two panels"));
  EXPECT_EQ(made(PartRole::Divider).substr(0, 4), "2 of");
}

// Three drawers by themselves, fronts rabbeted over the sides and backs in dados: 400 × 350 × 90 of
// 11.9 and bottoms of 5.8.
TEST_F(DrawnUp, threeLooseDrawersByRabbetAndDado) {
  open("specimen-trays");
  while (!job().assemblies.empty()) begin(QStringLiteral("Remove assembly"));
  begin(QStringLiteral("Add assembly"));
  pick(QStringLiteral("plain boxes by themselves"));
  set("number of boxes", "3");
  choose("kind of box", QStringLiteral("drawers"));
  set("spares", "0");
  set("width", "400");
  set("depth", "350");
  set("height", "90");
  choose("box school", QStringLiteral("front rabbeted over the sides"));
  const double side = partThickness(PartRole::BoxLeftSide);
  const double bottom = partThickness(PartRole::BoxBottom);
  const auto mm = [](double value) { return formatMm(Length::nm(qRound64(value * 1e6))); };
  // Sides 350 less the front's thickness and 6 of rabbet; backs 400 less both sides and twice 6 of
  // dado, lower by the bottom and what is under it.
  EXPECT_EQ(made(PartRole::BoxLeftSide), "3 of " + mm(350 - side + 6) + " × 90");
  EXPECT_EQ(made(PartRole::BoxFront), "3 of 400 × 90");
  EXPECT_EQ(made(PartRole::BoxBack),
            "3 of " + mm(400 - 2 * side + 12) + " × " + mm(90 - 12 - bottom));
  EXPECT_EQ(made(PartRole::BoxBottom).substr(0, 5), "3 of ");
  EXPECT_TRUE(session().breakdown().troubles.empty());
}

// 600 × 720 of 17.8, hung on a strip: eight shelves of 5.8 in dados of 6, chosen together in Parts.
TEST_F(DrawnUp, aWallCabinetWithEightThinShelvesInDados) {
  open("specimen-console");
  beginPlain();
  set("depth", "200");
  choose("foot", QStringLiteral("a wall, hung on a cleat"));
  chooseOpening({}, Qt::Key_Down);
  fill("Shelves", Qt::Key_H, "9");
  ASSERT_EQ(made(PartRole::FixedShelf).substr(0, 5), "8 of ");
  press(Qt::Key_3, Qt::ControlModifier);
  auto* table = named<QTableView>(window_.get(), QStringLiteral("Parts"));
  ASSERT_NE(table, nullptr);
  table->setFocus();
  for (int row = 0; row < table->model()->rowCount(); ++row) {
    if (session().pointing().selection().part == shelfCode()) break;
    press(Qt::Key_Down);
  }
  ASSERT_EQ(session().pointing().selection().part, shelfCode());
  begin(QStringLiteral("Change the part by hand"));
  choose("part material", QStringLiteral("birch 6"));
  EXPECT_EQ(made(PartRole::FixedShelf).substr(0, 5), "8 of ");
  for (const Part& part : session().breakdown().parts) {
    if (part.role == PartRole::FixedShelf) {
      EXPECT_EQ(formatMm(part.thickness), "5.8");
    }
    if (part.role != PartRole::LeftSide) continue;
    int dados = 0;
    for (const Machining& cut : part.machining)
      if (cut.cut == MachiningKind::Dado && formatMm(cut.width) == "5.8") ++dados;
    EXPECT_EQ(dados, 8) << "as wide as the shelves are thick";
  }
  EXPECT_TRUE(session().breakdown().troubles.empty());
  EXPECT_NE(made(PartRole::Cleat), "");
}

// The demo's seat round the corner from a plain one, but for what was chosen part by part.
TEST_F(DrawnUp, aCornerSeatInFiveSections) {
  open("corner-seat");
  Job ruled = job();
  ruled.overrides.clear();
  const std::string wanted = partsOf(ruled, ruled.assemblies[0]);
  begin(QStringLiteral("Remove assembly"));
  begin(QStringLiteral("Add assembly"));
  pick(QStringLiteral("plain seat box"));
  set("width", "96");
  set("height", "18");
  set("depth", "20");
  choose("toe", QStringLiteral("stands over a toe"));
  set("toe height", "3");
  set("toe depth", "2 1/2");
  choose("sections", QStringLiteral("in sections of at most"));
  set("longest section", "34");
  set("number of lids", "3");
  set("lid gap", "1/8");
  set("hinge rail", "7 1/2");
  set("front overhang", "3/4");
  choose("lids or hatches", QStringLiteral("hatches in a frame"));
  set("hatch frame", "3");
  set("hatch ledge", "1/2");
  set("back height", "15");
  set("bracket top", "2");
  choose("storage behind the back", QStringLiteral("storage with shelves:"));
  choose("batten", QStringLiteral("is notched over a batten"));
  set("batten thickness", "3/4");
  set("batten height", "3/4");
  choose("second bench", QStringLiteral("goes on along the right wall"));
  set("second bench length", "58");
  choose("back of the second bench", QStringLiteral("and no back"));
  EXPECT_EQ(partsOf(job(), first()), wanted);
  EXPECT_TRUE(session().breakdown().troubles.empty());
  while (session().canUndo()) press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(partsOf(ruled, ruled.assemblies[0]), wanted);
}

// Four carcasses 600 × 720 × 560 in a nook 2 600 wide, a base in sections under each line.
TEST_F(DrawnUp, aGroupInANookOnABaseInSections) {
  open("specimen-console");
  beginPlain();
  for (int i = 0; i < 3; ++i) begin(QStringLiteral("Copy assembly"));
  ASSERT_EQ(job().assemblies.size(), 4U);
  QStringList codes;
  for (const Assembly& one : job().assemblies) codes << qs(one.code);
  begin(QStringLiteral("Add assembly"));
  pick(QStringLiteral("plain group of carcasses"));
  set("members of the group", codes.join(QStringLiteral(", ")).toUtf8().constData());
  choose("left wall", QStringLiteral("Along the left wall stand"));
  choose("right wall", QStringLiteral("Along the right wall stand"));
  choose("corner filler material", QStringLiteral("ash 18"));
  choose("stand", QStringLiteral("on one base frame"));
  set("longest section", "1000");
  choose("width of the group", QStringLiteral("together as wide as"));
  set("typed width of the group", "2600");
  const Assembly& group = job().assemblies.back();
  EXPECT_EQ(std::get<CarcassGroup>(group.body).members.size(), 2U);
  // Two corners of 560 and 50 leave 1 380 to two.
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::mm(690));
  EXPECT_EQ(job().assemblies[1].carcass().width, Length::mm(690));
  EXPECT_TRUE(session().breakdown().troubles.empty());
  // Along the rear wall 2 600 in three sections; at the sides 600, 50 of filler and 50 set in.
  std::string rails;
  std::int64_t fillers = 0;
  for (const Part& part : session().breakdown().parts) {
    if (part.role == PartRole::BaseRail)
      rails += std::to_string(part.quantity) + " of " +
               std::to_string(qRound(part.length.total().inMm())) + "; ";
    if (part.role == PartRole::CornerFiller) fillers += part.quantity;
  }
  EXPECT_EQ(rails, "6 of 867; 4 of 700; ");
  EXPECT_EQ(fillers, 4);
  press(Qt::Key_Z, Qt::ControlModifier);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().assemblies[0].carcass().width, Length::mm(600)) << "as it was";
}

}  // namespace
}  // namespace pp::drawn_up_test
